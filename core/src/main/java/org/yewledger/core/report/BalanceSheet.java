package org.yewledger.core.report;

import java.time.Month;
import java.time.YearMonth;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.ledger.FiscalYear;
import org.yewledger.core.money.Amount;

/**
 * What is owned, what is owed and what is left at the ends of months. The results of fiscal years
 * that are over stand in equity by themselves: nobody has to book them there.
 *
 * @param ends one for each column: the balances are those of their last days
 * @param beyond by how much things and holdings are worth more than they are booked at
 * @param earlierResults of all fiscal years that were over, one for each column
 * @param yearResults of the fiscal year in hand, up to the column's day
 * @param equitySums of equity with both results and what is beyond the books
 * @param netWorth assets with what is beyond the books, less liabilities
 */
public record BalanceSheet(
    List<YearMonth> ends,
    Section assets,
    Section beyond,
    Section liabilities,
    Section equity,
    List<Amount> earlierResults,
    List<Amount> yearResults,
    List<Amount> equitySums,
    List<Amount> netWorth) {

  /**
   * Accounts of one class, each on the side where it usually stands: assets with debits above zero,
   * the others with credits.
   */
  public record Section(List<Row> rows, List<Amount> sums) {}

  /** An account, with one balance for each column. */
  public record Row(Account account, List<Amount> balances) {}

  /**
   * Accounts that stand at zero in every column are left out; the rest is in the order of kinds and
   * names.
   *
   * @param base the currency of all totals
   * @param ends one at least
   * @param totals of all accounts, from the first month of the fiscal year of the first end on
   * @param fiscalStart the month in which fiscal years begin
   * @param beyond by account, one for each column: by how much it is worth more than it is booked
   *     at
   */
  public static BalanceSheet of(
      CurrencyUnit base,
      List<YearMonth> ends,
      List<AccountTotals> totals,
      Month fiscalStart,
      Map<UUID, List<Amount>> beyond) {
    Section assets = section(base, ends, totals, AccountClass.ASSET, false);
    Section liabilities = section(base, ends, totals, AccountClass.LIABILITY, true);
    Section equity = section(base, ends, totals, AccountClass.EQUITY, true);
    List<AccountTotals> categories =
        totals.stream().filter(t -> t.account().accountClass().isCategory()).toList();
    List<Amount> earlier =
        ends.stream()
            .map(end -> FiscalYear.of(end.atDay(1), fiscalStart))
            .map(year -> result(base, categories, YearMonth.from(year.first()).minusMonths(1)))
            .toList();
    List<Amount> all = ends.stream().map(end -> result(base, categories, end)).toList();
    Section more = beyond(base, ends, totals, beyond);
    List<Amount> owned = plus(assets.sums(), more.sums());
    return new BalanceSheet(
        List.copyOf(ends),
        assets,
        more,
        liabilities,
        equity,
        earlier,
        minus(all, earlier),
        IntStream.range(0, ends.size())
            .mapToObj(i -> equity.sums().get(i).plus(all.get(i)).plus(more.sums().get(i)))
            .toList(),
        minus(owned, liabilities.sums()));
  }

  /** Whether what is left is what equity says, in every column. */
  public boolean balances() {
    return netWorth.equals(equitySums);
  }

  private static Amount result(
      CurrencyUnit base, List<AccountTotals> categories, YearMonth through) {
    return Amount.sum(base, categories.stream().map(t -> t.through(through)).toList()).negated();
  }

  private static Section beyond(
      CurrencyUnit base,
      List<YearMonth> ends,
      List<AccountTotals> totals,
      Map<UUID, List<Amount>> beyond) {
    List<Row> rows =
        totals.stream()
            .map(AccountTotals::account)
            .filter(account -> beyond.containsKey(account.id()))
            .map(account -> new Row(account, Objects.requireNonNull(beyond.get(account.id()))))
            .filter(row -> row.balances().stream().anyMatch(amount -> !amount.isZero()))
            .sorted(Comparator.comparing(row -> row.account().name()))
            .toList();
    List<Amount> sums =
        IntStream.range(0, ends.size())
            .mapToObj(i -> Amount.sum(base, column(rows, i).toList()))
            .toList();
    return new Section(rows, sums);
  }

  private static List<Amount> plus(List<Amount> to, List<Amount> what) {
    return IntStream.range(0, to.size()).mapToObj(i -> to.get(i).plus(what.get(i))).toList();
  }

  private static List<Amount> minus(List<Amount> from, List<Amount> what) {
    return IntStream.range(0, from.size()).mapToObj(i -> from.get(i).minus(what.get(i))).toList();
  }

  private static Section section(
      CurrencyUnit base,
      List<YearMonth> ends,
      List<AccountTotals> totals,
      AccountClass of,
      boolean credit) {
    List<Row> rows =
        totals.stream()
            .filter(t -> t.account().accountClass() == of)
            .map(t -> new Row(t.account(), balances(t, ends, credit)))
            .filter(row -> row.balances().stream().anyMatch(balance -> !balance.isZero()))
            .sorted(
                Comparator.comparing((Row row) -> row.account().kind())
                    .thenComparing(row -> row.account().name()))
            .toList();
    List<Amount> sums =
        IntStream.range(0, ends.size())
            .mapToObj(i -> Amount.sum(base, column(rows, i).toList()))
            .toList();
    return new Section(rows, sums);
  }

  private static List<Amount> balances(AccountTotals t, List<YearMonth> ends, boolean credit) {
    return ends.stream().map(t::through).map(b -> credit ? b.negated() : b).toList();
  }

  private static Stream<Amount> column(List<Row> rows, int column) {
    return rows.stream().map(row -> row.balances().get(column));
  }
}
