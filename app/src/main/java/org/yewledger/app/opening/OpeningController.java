package org.yewledger.app.opening;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.chart.AgreedThrough;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.currency.RateService;
import org.yewledger.app.opening.OpeningService.Opening;
import org.yewledger.app.opening.OpeningService.Wanted;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.ledger.OpeningSheet;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.ExchangeRates;

/** Opening balances on one sheet. */
@RestController
@RequestMapping("/api/opening-balances")
@Tag(name = "opening balances")
class OpeningController {
  /**
   * @param balance null while it is not known
   * @param agreedThrough where statements agree, the balance stays as it is
   */
  record OpeningJson(
      UUID accountId,
      UUID bookId,
      String name,
      String tail,
      AccountKind kind,
      String currency,
      @Nullable LocalDate opensOn,
      @Nullable BigDecimal balance,
      @Nullable Long entryNo,
      @Nullable LocalDate agreedThrough) {}

  record WantedJson(
      @NotNull UUID accountId, @NotNull LocalDate opensOn, @Nullable BigDecimal balance) {
    Wanted toWanted(Chart chart) {
      Account account = chart.account(accountId);
      return new Wanted(
          accountId, opensOn, balance == null ? null : Amount.of(balance, account.currency()));
    }
  }

  record WantedAllJson(@NotEmpty List<@Valid WantedJson> accounts) {}

  private final ChartService charts;
  private final OpeningService openings;
  private final AgreedThrough agreed;
  private final RateService rates;

  OpeningController(
      ChartService charts, OpeningService openings, AgreedThrough agreed, RateService rates) {
    this.charts = charts;
    this.openings = openings;
    this.agreed = agreed;
    this.rates = rates;
  }

  /** What each account opened with, and what its first statement says of that. */
  @GetMapping
  @Transactional(readOnly = true)
  public List<OpeningJson> openings() {
    Chart chart = charts.chart();
    Map<UUID, Opening> set = openings.openings();
    Map<UUID, LocalDate> agreedDays = agreed.byAccount();
    return chart
        .accounts()
        .filter(a -> a.kind().hasOpeningBalance() && !a.group() && a.closedOn() == null)
        .map(a -> json(a, chart, set.get(a.id()), agreedDays.get(a.id())))
        .toList();
  }

  private static OpeningJson json(
      Account a, Chart chart, @Nullable Opening opening, @Nullable LocalDate agreed) {
    return new OpeningJson(
        a.id(),
        a.bookId(),
        a.name(),
        chart.tail(a.id()),
        a.kind(),
        a.currency().getCode(),
        a.opensOn(),
        opening == null ? null : opening.position().amount().decimal(),
        opening == null ? null : opening.entryNo(),
        agreed);
  }

  /** The sheet as it would be with these balances in place of what is set. Nothing is saved. */
  @PostMapping("/preview")
  @Transactional(readOnly = true)
  public List<OpeningEntryJson> sheet(@Valid @RequestBody WantedAllJson wanted) {
    Chart chart = charts.chart();
    ExchangeRates known = rates.rates();
    var sheets = new ArrayList<OpeningEntryJson>();
    chart.books().forEach(b -> sheets.add(sheet(b.toBook(), wanted, chart, known)));
    return sheets;
  }

  private static OpeningEntryJson sheet(
      Book book, WantedAllJson wanted, Chart chart, ExchangeRates known) {
    var rows = new ArrayList<OpeningSheet.Row>();
    for (WantedJson w : wanted.accounts()) {
      Amount balance = w.toWanted(chart).balance();
      Account account = chart.account(w.accountId());
      if (account.book().equals(book) && balance != null) {
        Amount value = known.convert(balance, book.currency(), w.opensOn().minusDays(1));
        rows.add(new OpeningSheet.Row(account.name(), balance, value));
      }
    }
    return OpeningEntryJson.of(new OpeningSheet(book, rows));
  }

  /** Sets or corrects opening days and balances, all or none. */
  @PutMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  public void set(@Valid @RequestBody WantedAllJson wanted) {
    Chart chart = charts.chart();
    openings.set(wanted.accounts().stream().map(w -> w.toWanted(chart)).toList());
  }
}
