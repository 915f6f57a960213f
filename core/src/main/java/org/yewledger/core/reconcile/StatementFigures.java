package org.yewledger.core.reconcile;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.BankLine;

/**
 * What a statement says of its period beside its closing balance; all of it may be missing. Minor
 * units of the account's currency.
 *
 * @param openingMinor what it says it opens with
 * @param inMinor what it brings in, not below zero
 * @param outMinor what it takes out, as a positive amount
 */
public record StatementFigures(
    @Nullable Long openingMinor, @Nullable Long inMinor, @Nullable Long outMinor) {
  public static final StatementFigures NONE = new StatementFigures(null, null, null);

  /**
   * Those of a file: its booked lines up to the closing day, summed up. A file that does not say
   * what it opens with may lack lines at its beginning, and then says nothing of in and out either.
   */
  public static StatementFigures ofLines(
      @Nullable Long openingMinor, List<BankLine> lines, LocalDate closesOn) {
    if (openingMinor == null) {
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
    return new StatementFigures(openingMinor, in, out);
  }
}
