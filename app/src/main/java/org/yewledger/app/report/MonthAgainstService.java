package org.yewledger.app.report;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AgreedThrough;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.report.MonthAgainstJson.MonthAgainstPageJson;
import org.yewledger.app.report.MonthAgainstJson.MonthTableJson;
import org.yewledger.app.report.MonthAgainstJson.SpentCategoryJson;
import org.yewledger.app.report.MonthAgainstJson.SpentDayJson;
import org.yewledger.app.report.MonthAgainstJson.UnusualJson;
import org.yewledger.app.report.MonthAgainstJson.UnusualKind;
import org.yewledger.app.report.ReportAsked.Tax;
import org.yewledger.core.close.CloseChecklist;
import org.yewledger.core.journal.QueryField;
import org.yewledger.core.journal.QueryText;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.MonthAgainst;
import org.yewledger.core.report.MonthAgainst.Day;
import org.yewledger.core.report.MonthAgainst.Unusual;

/** Loads what a month is held against the one before by. */
@Service
class MonthAgainstService {
  private final ChartService charts;
  private final PeriodTotals totals;
  private final SpentByDay spent;
  private final AgreedThrough agreed;
  private final HouseholdDays days;

  MonthAgainstService(
      ChartService charts,
      PeriodTotals totals,
      SpentByDay spent,
      AgreedThrough agreed,
      HouseholdDays days) {
    this.charts = charts;
    this.totals = totals;
    this.spent = spent;
    this.agreed = agreed;
    this.days = days;
  }

  @Transactional(readOnly = true)
  MonthAgainstPageJson page(YearMonth month, @Nullable UUID bookId) {
    Chart chart = charts.chart();
    Map<UUID, LocalDate> agreedThrough = agreed.byAccount();
    return new MonthAgainstPageJson(
        chart.books(bookId).map(book -> table(book, chart, month, agreedThrough)).toList());
  }

  private MonthTableJson table(
      BookEntity entity, Chart chart, YearMonth month, Map<UUID, LocalDate> agreedThrough) {
    Book book = entity.toBook();
    List<Account> categories =
        chart
            .accountsOf(book.id())
            .filter(a -> !a.group() && a.accountClass() == AccountClass.EXPENSE)
            .toList();
    LocalDate today = days.today();
    var against =
        MonthAgainst.of(
            book.currency(),
            month,
            today,
            isComplete(book, chart, month, agreedThrough),
            spent.of(book, categories, month),
            totals.within(
                categories, month.minusMonths(MonthAgainst.MONTHS_BEFORE), month, Tax.NET),
            spent.payees(book, categories, month));
    Day now =
        against.days().reversed().stream()
            .filter(day -> day.spent() != null)
            .findFirst()
            .orElseGet(
                () -> new Day(0, Amount.zero(book.currency()), Amount.zero(book.currency())));
    return new MonthTableJson(
        book.id(),
        book.name(),
        book.currency().getCode(),
        month,
        month.minusMonths(1),
        today.isAfter(month.atEndOfMonth()),
        Objects.requireNonNull(now.spent()).decimal(),
        now.before().decimal(),
        against.days().getLast().before().decimal(),
        against.days().stream()
            .map(day -> new SpentDayJson(day.of(), decimal(day.spent()), day.before().decimal()))
            .toList(),
        against.categories().stream()
            .map(c ->
                new SpentCategoryJson(
                    c.account().id(),
                    c.account().name(),
                    chart.groupName(c.account().id()),
                    c.spent().decimal(),
                    c.before().decimal(),
                    c.change().decimal()))
            .toList(),
        against.unusual().stream().map(MonthAgainstService::json).toList());
  }

  /** Whether every account of the book agrees with its bank through the month. */
  private static boolean isComplete(
      Book book, Chart chart, YearMonth month, Map<UUID, LocalDate> through) {
    LocalDate last = month.atEndOfMonth();
    return chart
        .reconciledAccounts(book.id())
        .allMatch(a ->
            new CloseChecklist.AccountThrough(a.name(), a.opensOn(), through.get(a.id()))
                .agrees(last));
  }

  private static UnusualJson json(Unusual unusual) {
    return switch (unusual) {
      case Unusual.Beyond(var category, var amount, var low, var high, int months) ->
          new UnusualJson(
              UnusualKind.BEYOND,
              category.id(),
              category.name(),
              null,
              amount.decimal(),
              null,
              low.decimal(),
              high.decimal(),
              null,
              months);
      case Unusual.NewPayee(var payee, var first, var amount) ->
          ofPayee(UnusualKind.NEW_PAYEE, payee, amount, first, null, 0);
      case Unusual.PriceRose(var payee, var on, var before, int times, var amount) ->
          ofPayee(UnusualKind.PRICE_ROSE, payee, amount, on, before, times);
    };
  }

  private static UnusualJson ofPayee(
      UnusualKind kind,
      String payee,
      Amount amount,
      LocalDate on,
      @Nullable Amount before,
      int times) {
    return new UnusualJson(
        kind,
        null,
        payee,
        QueryText.term(QueryField.PAYEE, payee),
        amount.decimal(),
        on,
        null,
        null,
        decimal(before),
        times);
  }

  private static @Nullable BigDecimal decimal(@Nullable Amount amount) {
    return amount == null ? null : amount.decimal();
  }
}
