package org.yewledger.app.loan;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.loan.LoanJson.ExtraPaymentJson;
import org.yewledger.app.loan.LoanJson.KeepYearJson;
import org.yewledger.app.loan.LoanJson.LoanDraftJson;
import org.yewledger.app.loan.LoanJson.LoanListedJson;
import org.yewledger.app.loan.LoanJson.LoanPageJson;
import org.yewledger.app.loan.LoanJson.PlanExtraJson;
import org.yewledger.app.loan.LoanJson.WhatIfJson;
import org.yewledger.core.loan.ExtraPayment;

/** Loans: their terms and tables, extra payments tried out, and what lenders say of a year. */
@RestController
@RequestMapping("/api/loans")
@Tag(name = "plan")
class LoanController {
  private final LoanService loans;

  LoanController(LoanService loans) {
    this.loans = loans;
  }

  /** Those whose terms are told, of a book or of all. */
  @GetMapping
  List<LoanListedJson> loans(@RequestParam @Nullable UUID book) {
    return loans.all(book);
  }

  /** A loan from its first payment to its last. */
  @GetMapping("/{id}")
  LoanPageJson loan(@PathVariable UUID id) {
    return loans.page(id);
  }

  /** Tells the terms of a loan; its payments are due from then on. */
  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  LoanPageJson add(@Valid @RequestBody LoanDraftJson draft) {
    return loans.page(loans.add(draft));
  }

  /** Changes the terms of a loan. */
  @PutMapping("/{id}")
  LoanPageJson change(@PathVariable UUID id, @Valid @RequestBody LoanDraftJson draft) {
    loans.change(id, draft);
    return loans.page(id);
  }

  /** Takes the terms out; entries stay. */
  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable UUID id, @RequestParam int version) {
    loans.remove(id, version);
  }

  /** The loan with an extra payment. Books and keeps nothing. */
  @GetMapping("/{id}/what-if")
  WhatIfJson whatIf(
      @PathVariable UUID id,
      @RequestParam BigDecimal amount,
      @RequestParam ExtraPayment.Often often,
      @RequestParam LocalDate from,
      @RequestParam ExtraPayment.Keep keep) {
    return loans.whatIf(id, new ExtraPaymentJson(amount, often, from, keep));
  }

  /** Expects an extra payment. */
  @PostMapping("/{id}/extra-payments")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void plan(@PathVariable UUID id, @Valid @RequestBody PlanExtraJson wanted) {
    loans.plan(id, wanted);
  }

  /** Keeps what the lender says of a year. */
  @PutMapping("/{id}/years")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void keepYear(@PathVariable UUID id, @Valid @RequestBody KeepYearJson year) {
    loans.keepYear(id, year);
  }

  /** Takes a year of the lender's letter out. */
  @DeleteMapping("/{id}/years")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void removeYear(@PathVariable UUID id, @RequestParam LocalDate through) {
    loans.removeYear(id, through);
  }
}
