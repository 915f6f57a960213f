package org.yewledger.app.report;

import io.swagger.v3.oas.annotations.tags.Tag;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.core.ledger.AccountClass;

/** The trial balance. */
@RestController
@Tag(name = "report")
class TrialBalanceController {
  record TrialRowJson(
      UUID accountId,
      String accountName,
      String groupName,
      AccountClass accountClass,
      @Nullable BigDecimal debit,
      @Nullable BigDecimal credit) {}

  /**
   * The balances of a book, or of all seen as one without what moved between them, where {@code
   * bookId} is null. {@code balances} says whether debits equal credits; {@code earlierDebit} and
   * {@code earlierCredit} have the results of the fiscal years that are over.
   */
  record TrialBalanceJson(
      @Nullable UUID bookId,
      String bookName,
      String currency,
      LocalDate on,
      List<TrialRowJson> rows,
      @Nullable BigDecimal earlierDebit,
      @Nullable BigDecimal earlierCredit,
      BigDecimal debit,
      BigDecimal credit,
      boolean balances) {}

  private final TrialBalanceService trialBalances;

  TrialBalanceController(TrialBalanceService trialBalances) {
    this.trialBalances = trialBalances;
  }

  /** At the end of a day, for one book or for each. */
  @GetMapping("/api/trial-balance")
  List<TrialBalanceJson> trialBalance(
      @RequestParam LocalDate on, @RequestParam @Nullable UUID book) {
    return trialBalances.at(on, book);
  }
}
