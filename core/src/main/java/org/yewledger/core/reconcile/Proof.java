package org.yewledger.core.reconcile;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.money.Amount;

/**
 * A reconciliation set out as a proof: what the statement says over what is ticked, and what is
 * apart in each figure, so that the side of the difference is seen at once.
 *
 * @param apart the statement less what is ticked, as it moves the balance: of {@code out} below
 *     zero where the statement takes out more. Where all of the statement's figures are known and
 *     make its closing balance, opening, in and out here add up to the closing
 */
public record Proof(Figures statement, Figures ticked, Figures apart) {
  /** One row of it; null what is not known. */
  public record Figures(
      @Nullable Amount opening, @Nullable Amount in, @Nullable Amount out, Amount closing) {}

  /**
   * @param lines those that the statement has of its own. Where they lead from the books' opening
   *     to its closing balance they are all that there are, and say its figures even if it does not
   */
  public static Proof of(StatementFigures said, List<BankLine> lines, Reconciliation sum) {
    StatementFigures says = said.opening() == null ? ofLines(lines, sum) : said;
    return new Proof(
        new Figures(says.opening(), says.in(), says.out(), sum.closing()),
        new Figures(sum.opening(), sum.in(), sum.out(), sum.ticked()),
        new Figures(
            less(says.opening(), sum.opening()),
            less(says.in(), sum.in()),
            says.out() == null ? null : sum.out().minus(says.out()),
            sum.difference()));
  }

  private static StatementFigures ofLines(List<BankLine> lines, Reconciliation sum) {
    StatementFigures figures = StatementFigures.ofLines(sum.opening(), lines, LocalDate.MAX);
    Amount in = figures.in();
    Amount out = figures.out();
    boolean leads =
        !lines.isEmpty()
            && in != null
            && out != null
            && sum.opening().plus(in).minus(out).equals(sum.closing());
    return leads ? figures : StatementFigures.NONE;
  }

  private static @Nullable Amount less(@Nullable Amount said, Amount ticked) {
    return said == null ? null : said.minus(ticked);
  }
}
