package org.yewledger.app.report;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.report.TrialBalanceController.TrialBalanceJson;
import org.yewledger.app.report.TrialBalanceController.TrialRowJson;
import org.yewledger.core.money.Amounts;
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
    Map<UUID, Long> byAccount = balances.at(day);
    return chart.books(bookId).map(book -> of(book, chart, day, byAccount)).toList();
  }

  private static TrialBalanceJson of(
      BookEntity book, Chart chart, LocalDate day, Map<UUID, Long> byAccount) {
    TrialBalance trial =
        TrialBalance.of(
            chart
                .accounts()
                .filter(a -> a.bookId().equals(book.id()))
                .map(a -> new AccountBalance(a, byAccount.getOrDefault(a.id(), 0L)))
                .toList());
    CurrencyUnit currency = CurrencyUnit.of(book.currency());
    return new TrialBalanceJson(
        book.id(),
        book.name(),
        book.currency(),
        day,
        trial.rows().stream().map(row -> row(row, chart, currency)).toList(),
        Amounts.toDecimal(trial.debitMinor(), currency),
        Amounts.toDecimal(trial.creditMinor(), currency),
        trial.balances());
  }

  private static TrialRowJson row(TrialBalance.Row row, Chart chart, CurrencyUnit currency) {
    return new TrialRowJson(
        row.account().id(),
        row.account().name(),
        chart.groupName(row.account().id()),
        row.account().accountClass(),
        side(row.debitMinor(), currency),
        side(row.creditMinor(), currency));
  }

  private static @Nullable BigDecimal side(long minor, CurrencyUnit currency) {
    return minor == 0 ? null : Amounts.toDecimal(minor, currency);
  }
}
