package org.yewledger.app.report;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AccountBalances;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.report.TrialBalanceController.TrialBalanceJson;
import org.yewledger.app.report.TrialBalanceController.TrialRowJson;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.ledger.FiscalYear;
import org.yewledger.core.ledger.Position;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.TrialBalance;
import org.yewledger.core.report.TrialBalance.AccountBalance;

/** Trial balances from the kept totals. */
@Service
class TrialBalanceService {
  private final ChartService charts;
  private final AccountBalances balances;

  TrialBalanceService(ChartService charts, AccountBalances balances) {
    this.charts = charts;
    this.balances = balances;
  }

  @Transactional(readOnly = true)
  List<TrialBalanceJson> at(LocalDate day, @Nullable UUID bookId) {
    Chart chart = charts.chart();
    Map<UUID, Position> byAccount = balances.at(day);
    Map<LocalDate, Map<UUID, Position>> before = new HashMap<>();
    List<AccountBalance> all =
        chart
            .accounts()
            .map(a -> {
              Map<UUID, Position> begun =
                  before.computeIfAbsent(
                      fiscalYear(chart, a, day).first().minusDays(1), balances::at);
              return new AccountBalance(a, value(byAccount, a), value(begun, a));
            })
            .toList();
    var trials =
        new ArrayList<>(
            chart.books(bookId).map(book -> of(book.toBook(), chart, day, all)).toList());
    together(chart, bookId, day, all).ifPresent(trials::add);
    return trials;
  }

  private static FiscalYear fiscalYear(Chart chart, Account account, LocalDate day) {
    return FiscalYear.of(day, chart.book(account.bookId()).fiscalYearStartsIn());
  }

  private static Amount value(Map<UUID, Position> byAccount, Account account) {
    return byAccount.getOrDefault(account.id(), Position.empty(account)).value();
  }

  private static TrialBalanceJson of(
      Book book, Chart chart, LocalDate day, List<AccountBalance> all) {
    List<AccountBalance> own = all.stream().filter(b -> b.account().book().equals(book)).toList();
    return json(
        book.id(), book.name(), book.currency(), TrialBalance.of(book.currency(), own), chart, day);
  }

  /** All books as one, where none is chosen and they are kept in one currency. */
  private static Optional<TrialBalanceJson> together(
      Chart chart, @Nullable UUID bookId, LocalDate day, List<AccountBalance> all) {
    List<CurrencyUnit> currencies =
        chart.books().map(b -> b.toBook().currency()).distinct().toList();
    if (bookId != null || chart.books().count() < 2 || currencies.size() > 1) {
      return Optional.empty();
    }
    return Optional.of(
        json(
            null,
            "All books",
            currencies.getFirst(),
            TrialBalance.together(currencies.getFirst(), all),
            chart,
            day));
  }

  private static TrialBalanceJson json(
      @Nullable UUID bookId,
      String name,
      CurrencyUnit currency,
      TrialBalance trial,
      Chart chart,
      LocalDate day) {
    return new TrialBalanceJson(
        bookId,
        name,
        currency.getCode(),
        day,
        trial.rows().stream().map(row -> row(row, chart)).toList(),
        side(trial.earlier().ifAbove()),
        side(trial.earlier().ifBelow()),
        trial.debit().decimal(),
        trial.credit().decimal(),
        trial.balances());
  }

  private static TrialRowJson row(TrialBalance.Row row, Chart chart) {
    return new TrialRowJson(
        row.account().id(),
        row.account().name(),
        chart.groupName(row.account().id()),
        row.account().accountClass(),
        side(row.debit()),
        side(row.credit()));
  }

  private static @Nullable BigDecimal side(Amount amount) {
    return amount.isZero() ? null : amount.decimal();
  }
}
