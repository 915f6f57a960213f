package org.yewledger.core.report;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.BOOK;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.eur;

import java.time.Month;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.Span.Every;

/** Reports over period totals, held against the postings that the totals were made of. */
public class ReportsTest {
  private static final YearMonth JANUARY = YearMonth.of(2025, 1);
  private static final Account SALARY =
      new Account(
          new UUID(0, 77), BOOK, "Salary", AccountKind.INCOME, CurrencyUnit.EUR, false, null);
  private static final Account LOAN =
      new Account(
          new UUID(0, 78), BOOK, "Home loan", AccountKind.LOAN, CurrencyUnit.EUR, false, null);
  private static final List<Account> ACCOUNTS =
      List.of(CURRENT, CARD, GROCERIES, SCHOOL, SALARY, LOAN);

  private record Posted(Account account, YearMonth month, long minor) {}

  private static AccountTotals totals(Account account, long before, Map<YearMonth, Long> months) {
    YearMonth first = months.keySet().stream().min(Comparator.naturalOrder()).orElse(JANUARY);
    YearMonth last = months.keySet().stream().max(Comparator.naturalOrder()).orElse(JANUARY);
    long[] minor =
        Stream.iterate(first, m -> !m.isAfter(last), m -> m.plusMonths(1))
            .mapToLong(month -> months.getOrDefault(month, 0L))
            .toArray();
    return new AccountTotals(account, before, first, minor);
  }

  private static IncomeStatement income(Span span, Every every, List<AccountTotals> totals) {
    return IncomeStatement.of(CurrencyUnit.EUR, span.divided(every), totals);
  }

  @Test
  public void incomeLessExpensesIsTheResult() {
    YearMonth february = JANUARY.plusMonths(1);
    IncomeStatement statement =
        income(
            new Span(JANUARY, february),
            Every.MONTH,
            List.of(
                totals(SALARY, -999, Map.of(JANUARY, -300_000L, february, -310_000L)),
                totals(GROCERIES, 5, Map.of(JANUARY, 40_000L)),
                totals(SCHOOL, 0, Map.of(february, 60_000L, JANUARY, -500L)),
                totals(CURRENT, 0, Map.of(JANUARY, 260_500L))));
    assertEquals(statement.results(), List.of(eur(260_500), eur(250_000)));
    assertEquals(
        statement.expenses().rows().stream().map(row -> row.account().name()).toList(),
        List.of(SCHOOL.name(), GROCERIES.name()));
    assertEquals(statement.expenses().rows().getFirst().total(), eur(59_500));
    assertEquals(statement.expenses().share(statement.expenses().rows().getFirst()), 597);
    assertEquals(statement.income().sums(), List.of(eur(300_000), eur(310_000)));
  }

  @Test
  public void aSpanWithoutPostingsHasNoRowsAndComesToNothing() {
    IncomeStatement statement =
        income(new Span(JANUARY, JANUARY), Every.WHOLE, List.of(totals(GROCERIES, 700, Map.of())));
    assertEquals(statement.expenses().rows(), List.of());
    assertEquals(statement.results(), List.of(eur(0)));
  }

  @Test
  public void moneyCameFromAndWentToWhatItWasFor() {
    CashFlow flow =
        CashFlow.of(
            CurrencyUnit.EUR,
            List.of(new Span(JANUARY, JANUARY)),
            List.of(
                totals(CURRENT, 1_000, Map.of(JANUARY, 140_000L)),
                totals(CARD, -500, Map.of(JANUARY, -40_000L)),
                totals(SALARY, 0, Map.of(JANUARY, -300_000L)),
                totals(GROCERIES, 0, Map.of(JANUARY, 40_000L)),
                totals(LOAN, -500, Map.of(JANUARY, 160_000L))));
    assertEquals(flow.opening(), List.of(eur(500)));
    assertEquals(flow.in().sums(), List.of(eur(300_000)));
    assertEquals(flow.out().sums(), List.of(eur(-40_000)));
    assertEquals(flow.other().rows().getFirst().amounts(), List.of(eur(-160_000)));
    assertEquals(flow.changes(), List.of(eur(100_000)));
    assertEquals(flow.closing(), List.of(eur(100_500)));
    assertTrue(flow.addsUp());
  }

  @Test
  public void aTaxFormHasItsLinesInOrderAndTheSameResult() {
    List<AccountTotals> totals =
        List.of(
            totals(SALARY, 0, Map.of(JANUARY, -300_000L)),
            totals(GROCERIES, 0, Map.of(JANUARY, 40_000L)),
            totals(SCHOOL, 0, Map.of(JANUARY, 10_000L)),
            totals(CURRENT, 0, Map.of(JANUARY, 250_000L)));
    List<Span> spans = List.of(new Span(JANUARY, JANUARY));
    TaxForm form =
        TaxForm.of(
            CurrencyUnit.EUR,
            spans,
            totals,
            Map.of(GROCERIES.id(), "Line 10", SCHOOL.id(), "Line 9"));
    assertEquals(
        form.lines().stream().map(TaxForm.Line::name).toList(), List.of("", "Line 9", "Line 10"));
    assertEquals(form.lines().getLast().section().sums(), List.of(eur(40_000)));
    assertEquals(form.results(), IncomeStatement.of(CurrencyUnit.EUR, spans, totals).results());
  }

  @Test
  public void theResultOfAnEndedYearStandsInEquityByItself() {
    YearMonth march = YearMonth.of(2025, 3);
    YearMonth april = YearMonth.of(2025, 4);
    BalanceSheet sheet =
        BalanceSheet.of(
            CurrencyUnit.EUR,
            List.of(march, april),
            List.of(
                totals(CURRENT, 1000, Map.of(march, 500L, april, -200L)),
                totals(SALARY, -1000, Map.of(march, -500L)),
                totals(GROCERIES, 0, Map.of(april, 200L))),
            Month.APRIL,
            Map.of());
    assertEquals(sheet.earlierResults(), List.of(eur(1000), eur(1500)));
    assertEquals(sheet.yearResults(), List.of(eur(500), eur(-200)));
    assertEquals(sheet.netWorth(), List.of(eur(1500), eur(1300)));
    assertTrue(sheet.balances());
  }

  /** Random entries between two accounts each; the reports against sums over the postings. */
  @Test
  public void everyReportAgreesWithThePostings() {
    for (int seed = 0; seed < 60; seed++) {
      var random = new Random(seed);
      List<Posted> postings = postings(random);
      Span span = new Span(JANUARY.plusMonths(12), JANUARY.plusMonths(12 + random.nextInt(24)));
      List<AccountTotals> totals = totalsOf(postings, JANUARY.plusMonths(12));
      for (Every every : Every.values()) {
        check(income(span, every, totals), postings);
        check(CashFlow.of(CurrencyUnit.EUR, span.divided(every), totals), postings);
        check(
            BalanceSheet.of(
                CurrencyUnit.EUR,
                span.divided(every).stream().map(Span::last).toList(),
                totals,
                Month.JANUARY,
                Map.of()),
            postings);
      }
      movesByTheResult(span, totals);
    }
  }

  private static void check(IncomeStatement statement, List<Posted> postings) {
    for (int i = 0; i < statement.spans().size(); i++) {
      Span span = statement.spans().get(i);
      long result =
          -postings.stream()
              .filter(p -> p.account().accountClass().isCategory() && span.contains(p.month()))
              .mapToLong(Posted::minor)
              .sum();
      assertEquals(statement.results().get(i), eur(result));
    }
  }

  private static void check(CashFlow flow, List<Posted> postings) {
    assertTrue(flow.addsUp(), flow.toString());
    for (int i = 0; i < flow.spans().size(); i++) {
      YearMonth last = flow.spans().get(i).last();
      long money =
          postings.stream()
              .filter(p -> p.account().equals(CURRENT) || p.account().equals(CARD))
              .filter(p -> !p.month().isAfter(last))
              .mapToLong(Posted::minor)
              .sum();
      assertEquals(flow.closing().get(i), eur(money));
      assertEquals(
          i == 0 ? null : flow.opening().get(i), i == 0 ? null : flow.closing().get(i - 1));
    }
  }

  private static void check(BalanceSheet sheet, List<Posted> postings) {
    assertTrue(sheet.balances(), sheet.toString());
    for (int i = 0; i < sheet.ends().size(); i++) {
      YearMonth end = sheet.ends().get(i);
      assertEquals(sheet.assets().sums().get(i), eur(standing(postings, AccountClass.ASSET, end)));
      assertEquals(
          sheet.liabilities().sums().get(i), eur(-standing(postings, AccountClass.LIABILITY, end)));
    }
  }

  private static long standing(List<Posted> postings, AccountClass of, YearMonth end) {
    return postings.stream()
        .filter(p -> p.account().accountClass() == of && !p.month().isAfter(end))
        .mapToLong(Posted::minor)
        .sum();
  }

  /** Nothing but the result moves what is left, where no owner puts in or takes out. */
  private static void movesByTheResult(Span span, List<AccountTotals> totals) {
    BalanceSheet sheet =
        BalanceSheet.of(
            CurrencyUnit.EUR,
            List.of(span.first().minusMonths(1), span.last()),
            totals,
            Month.JANUARY,
            Map.of());
    Amount moved = sheet.netWorth().getLast().minus(sheet.netWorth().getFirst());
    assertEquals(moved, income(span, Every.WHOLE, totals).results().getFirst());
  }

  private static List<Posted> postings(Random random) {
    var postings = new ArrayList<Posted>();
    for (int i = 0; i < 200; i++) {
      YearMonth month = JANUARY.plusMonths(random.nextInt(40));
      long minor = random.nextInt(100_000) - 30_000;
      int from = random.nextInt(ACCOUNTS.size());
      int to = (from + 1 + random.nextInt(ACCOUNTS.size() - 1)) % ACCOUNTS.size();
      postings.add(new Posted(ACCOUNTS.get(from), month, -minor));
      postings.add(new Posted(ACCOUNTS.get(to), month, minor));
    }
    return postings;
  }

  private static List<AccountTotals> totalsOf(List<Posted> postings, YearMonth from) {
    return ACCOUNTS.stream()
        .map(account -> {
          long before = 0;
          Map<YearMonth, Long> months = new HashMap<>();
          for (Posted p : postings) {
            if (p.account().equals(account) && p.month().isBefore(from)) {
              before += p.minor();
            } else if (p.account().equals(account)) {
              months.merge(p.month(), p.minor(), Long::sum);
            }
          }
          return totals(account, before, months);
        })
        .toList();
  }
}
