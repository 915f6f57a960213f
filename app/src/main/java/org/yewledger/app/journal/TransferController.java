package org.yewledger.app.journal;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.BetweenBooks;
import org.yewledger.core.ledger.CurrencyTransfer;
import org.yewledger.core.ledger.Revaluation;
import org.yewledger.core.money.Amount;

/** Transfers between own accounts, and revaluations. */
@RestController
@Tag(name = "journal")
class TransferController {
  /** {@code given} in the currency of the one account, {@code taken} in that of the other. */
  record TransferJson(
      @NotNull LocalDate date,
      @NotNull UUID fromId,
      @NotNull BigDecimal given,
      @NotNull UUID toId,
      @NotNull BigDecimal taken,
      @Nullable @Size(max = Texts.NOTE) String note) {

    CurrencyTransfer toTransfer(Chart chart) {
      Account from = chart.account(fromId);
      Account to = chart.account(toId);
      return new CurrencyTransfer(
          date,
          from,
          Amount.of(given, from.currency()),
          to,
          Amount.of(taken, to.currency()),
          note == null ? "" : note.strip());
    }
  }

  /**
   * @param impliedRate how much of the taken currency one of the given was
   * @param gain the exchange gain that it realises, a loss below zero; in the giving book's
   *     currency
   */
  record TransferPreviewJson(
      List<BookPostingsJson> books, String betweenBooks, BigDecimal impliedRate, BigDecimal gain) {}

  record EntryNoJson(UUID id, long no) {}

  record RevaluedJson(
      UUID accountId,
      String accountName,
      String currency,
      BigDecimal own,
      BigDecimal carried,
      BigDecimal rate,
      LocalDate rateOf,
      BigDecimal worth,
      BigDecimal change) {}

  record RevaluationJson(
      UUID bookId,
      String bookName,
      String currency,
      LocalDate day,
      List<RevaluedJson> accounts,
      BigDecimal change) {}

  private final ChartService charts;
  private final TransferService transfers;

  TransferController(ChartService charts, TransferService transfers) {
    this.charts = charts;
    this.transfers = transfers;
  }

  /** How a transfer would be booked. */
  @PostMapping("/api/transfers/preview")
  TransferPreviewJson previewTransfer(@Valid @RequestBody TransferJson transfer) {
    CurrencyTransfer wanted = transfer.toTransfer(charts.chart());
    CurrencyTransfer.Booked booked = transfers.preview(wanted);
    return new TransferPreviewJson(
        BookPostingsJson.of(booked.entry().postings()),
        BetweenBooks.inWords(booked.entry().postings()),
        booked.impliedRate(),
        booked.gain().decimal());
  }

  /** Enters a transfer between two currencies. */
  @PostMapping("/api/transfers")
  @ResponseStatus(HttpStatus.CREATED)
  EntryNoJson transfer(@Valid @RequestBody TransferJson transfer) {
    EntryEntity entry = transfers.book(transfer.toTransfer(charts.chart())).entry();
    return new EntryNoJson(entry.id(), entry.no());
  }

  /** What a book's holdings in other currencies are worth at the end of a day. */
  @GetMapping("/api/books/{id}/revaluation")
  RevaluationJson revaluation(@PathVariable UUID id, @RequestParam LocalDate on) {
    Revaluation r = transfers.revaluation(id, on);
    CurrencyUnit currency = r.book().currency();
    return new RevaluationJson(
        id,
        r.book().name(),
        currency.getCode(),
        on,
        r.lines().stream().map(l -> json(l, currency)).toList(),
        Amount.sum(currency, r.lines().stream().map(Revaluation.Line::change).toList()).decimal());
  }

  /** Books the gains and losses of what is in other currencies at the rates of a day. */
  @PostMapping("/api/books/{id}/revaluation")
  @ResponseStatus(HttpStatus.CREATED)
  EntryNoJson revalue(@PathVariable UUID id, @RequestParam LocalDate on) {
    EntryEntity entry = transfers.revalue(id, on).entry();
    return new EntryNoJson(entry.id(), entry.no());
  }

  private static RevaluedJson json(Revaluation.Line line, CurrencyUnit base) {
    Account account = line.account();
    return new RevaluedJson(
        account.id(),
        account.name(),
        account.currency().getCode(),
        line.position().amount().decimal(),
        line.position().value().decimal(),
        line.rate().rate(),
        line.rate().day(),
        line.worth().decimal(),
        line.change().decimal());
  }
}
