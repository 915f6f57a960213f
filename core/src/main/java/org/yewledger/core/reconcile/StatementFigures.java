package org.yewledger.core.reconcile;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.money.Amount;

/**
 * What a statement says of its period beside its closing balance, in the account's currency; all of
 * it may be missing.
 *
 * @param opening what it says it opens with
 * @param in what it brings in, not below zero
 * @param out what it takes out, as an amount above zero
 */
public record StatementFigures(
    @Nullable Amount opening, @Nullable Amount in, @Nullable Amount out) {
  public static final StatementFigures NONE = new StatementFigures(null, null, null);

  /**
   * Those of a file: its booked lines up to the closing day, summed up. A file that does not say
   * what it opens with may lack lines at its beginning, and then says nothing of in and out either.
   */
  public static StatementFigures ofLines(
      @Nullable Amount opening, List<BankLine> lines, LocalDate closesOn) {
    if (opening == null) {
      return NONE;
    }
    long in = 0;
    long out = 0;
    for (BankLine line : lines) {
      if (!line.isPending() && !line.bookedOn().isAfter(closesOn)) {
        in += Math.max(line.amountMinor(), 0);
        out += Math.max(-line.amountMinor(), 0);
      }
    }
    return new StatementFigures(
        opening, Amount.ofMinor(in, opening.currency()), Amount.ofMinor(out, opening.currency()));
  }
}
