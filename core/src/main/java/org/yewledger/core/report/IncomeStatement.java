package org.yewledger.core.report;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.money.Amount;

/**
 * What came in and what was spent over spans of months, by categories, without sales tax, which is
 * only passed on. Income and expenses are above zero; what was paid back is below.
 *
 * @param spans one for each column
 * @param results income less expenses, one for each column
 */
public record IncomeStatement(
    List<Span> spans, Section income, Section expenses, List<Amount> results) {

  /**
   * Categories of one class.
   *
   * @param sums of its rows, one for each column
   */
  public record Section(List<Row> rows, List<Amount> sums) {
    /**
     * Accounts without postings in any of the columns are left out; the rest is ordered by how much
     * it comes to, whichever way.
     *
     * @param credits whether credits are above zero
     */
    static Section of(
        CurrencyUnit base, List<Span> spans, List<AccountTotals> totals, boolean credits) {
      List<Row> rows =
          totals.stream()
              .map(t -> new Row(t.account(), amounts(t, spans, credits)))
              .filter(row -> row.amounts().stream().anyMatch(amount -> !amount.isZero()))
              .sorted(
                  Comparator.comparing((Row row) -> row.total().size())
                      .reversed()
                      .thenComparing(row -> row.account().name()))
              .toList();
      List<Amount> sums =
          IntStream.range(0, spans.size())
              .mapToObj(
                  i -> Amount.sum(base, rows.stream().map(row -> row.amounts().get(i)).toList()))
              .toList();
      return new Section(rows, sums);
    }

    private static List<Amount> amounts(AccountTotals totals, List<Span> spans, boolean credits) {
      return spans.stream().map(totals::within).map(a -> credits ? a.negated() : a).toList();
    }

    /** What its columns come to together. */
    public Amount total() {
      return sums.stream().reduce(Amount::plus).orElseThrow();
    }

    /** The part of a row in the whole, in tenths of a percent, rounded down; 0 without a whole. */
    public int share(Row row) {
      return Share.inTenths(row.total(), total());
    }
  }

  /** A category, with one amount for each column. */
  public record Row(Account account, List<Amount> amounts) {
    public Amount total() {
      return amounts.stream().reduce(Amount::plus).orElseThrow();
    }
  }

  /**
   * Categories without postings in any of the columns are left out; the rest is ordered by how much
   * it comes to.
   *
   * @param base the currency of all totals
   * @param spans one at least
   * @param totals of all accounts; those that are no categories are passed over
   */
  public static IncomeStatement of(
      CurrencyUnit base, List<Span> spans, List<AccountTotals> totals) {
    Section income = section(base, spans, totals, AccountClass.INCOME);
    Section expenses = section(base, spans, totals, AccountClass.EXPENSE);
    List<Amount> results =
        IntStream.range(0, spans.size())
            .mapToObj(i -> income.sums().get(i).minus(expenses.sums().get(i)))
            .toList();
    return new IncomeStatement(List.copyOf(spans), income, expenses, results);
  }

  /**
   * The same with the columns of another beside its own: of a plan, say. Categories of either have
   * a row, in its order first.
   */
  public IncomeStatement beside(IncomeStatement other) {
    return new IncomeStatement(
        joined(spans, other.spans),
        beside(income, other.income),
        beside(expenses, other.expenses),
        joined(results, other.results));
  }

  private static Section beside(Section one, Section other) {
    Map<Account, Row> mine = byAccount(one);
    Map<Account, Row> its = byAccount(other);
    Set<Account> all = new LinkedHashSet<>(mine.keySet());
    all.addAll(its.keySet());
    List<Row> rows =
        all.stream()
            .map(account ->
                new Row(
                    account, joined(amountsOf(mine, account, one), amountsOf(its, account, other))))
            .toList();
    return new Section(rows, joined(one.sums(), other.sums()));
  }

  private static Map<Account, Row> byAccount(Section section) {
    Map<Account, Row> rows = new LinkedHashMap<>();
    section.rows().forEach(row -> rows.put(row.account(), row));
    return rows;
  }

  /** Zero in each column where the account has no row. */
  private static List<Amount> amountsOf(Map<Account, Row> rows, Account account, Section of) {
    Row row = rows.get(account);
    return row == null
        ? of.sums().stream().map(sum -> Amount.zero(sum.currency())).toList()
        : row.amounts();
  }

  private static <T> List<T> joined(List<T> one, List<T> other) {
    return Stream.concat(one.stream(), other.stream()).toList();
  }

  private static Section section(
      CurrencyUnit base, List<Span> spans, List<AccountTotals> totals, AccountClass of) {
    return Section.of(
        base,
        spans,
        totals.stream().filter(t -> t.account().accountClass() == of).toList(),
        of == AccountClass.INCOME);
  }
}
