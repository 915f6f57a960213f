package org.yewledger.core.report;

import java.time.YearMonth;
import java.util.List;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.IncomeStatement.Section;

/**
 * Where the money on the {@linkplain org.yewledger.core.ledger.AccountKind#isMoney accounts one
 * pays with} came from and went to, told directly by what it was for. Since every entry balances,
 * what all other accounts moved the other way is just what the money moved; an entry that moves no
 * money stands on both its sides and comes to nothing.
 *
 * @param opening the money when each column begins, what is owed on cards taken from it
 * @param in what came in, by categories
 * @param out what was spent, by categories, below zero
 * @param other what moved between the money and all that is neither: loans, investments, taxes,
 *     other books; money in above zero
 * @param closing the money when each column ends
 */
public record CashFlow(
    List<Span> spans,
    List<Amount> opening,
    Section in,
    Section out,
    Section other,
    List<Amount> closing) {

  /**
   * @param base the currency of all totals
   * @param spans one for each column, one at least
   * @param totals of all accounts that the report is of
   */
  public static CashFlow of(CurrencyUnit base, List<Span> spans, List<AccountTotals> totals) {
    return new CashFlow(
        List.copyOf(spans),
        money(base, spans, totals, span -> span.first().minusMonths(1)),
        flows(base, spans, totals, a -> a.accountClass() == AccountClass.INCOME),
        flows(base, spans, totals, a -> a.accountClass() == AccountClass.EXPENSE),
        flows(base, spans, totals, a -> !a.accountClass().isCategory() && !a.kind().isMoney()),
        money(base, spans, totals, Span::last));
  }

  /** What the money became more in each column; below zero where it became less. */
  public List<Amount> changes() {
    return IntStream.range(0, spans.size())
        .mapToObj(i -> closing.get(i).minus(opening.get(i)))
        .toList();
  }

  /** Whether the parts add up to what the money became more, in every column. */
  public boolean addsUp() {
    return IntStream.range(0, spans.size())
        .allMatch(i ->
            in.sums()
                .get(i)
                .plus(out.sums().get(i))
                .plus(other.sums().get(i))
                .equals(changes().get(i)));
  }

  private static Section flows(
      CurrencyUnit base, List<Span> spans, List<AccountTotals> totals, Predicate<Account> which) {
    return Section.of(
        base, spans, totals.stream().filter(t -> which.test(t.account())).toList(), true);
  }

  private static List<Amount> money(
      CurrencyUnit base,
      List<Span> spans,
      List<AccountTotals> totals,
      Function<Span, YearMonth> at) {
    List<AccountTotals> money = totals.stream().filter(t -> t.account().kind().isMoney()).toList();
    return spans.stream()
        .map(span -> Amount.sum(base, money.stream().map(t -> t.through(at.apply(span))).toList()))
        .toList();
  }
}
