package org.yewledger.core.gather;

import java.time.LocalDate;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.money.Amount;

/**
 * A place where what a source says does not come out: something is missing, doubled or wrong in it,
 * and a person decides whether its lines are taken all the same.
 *
 * @param on the day that the figure is of, null if it has none
 * @param line where the figure stands in the file, from 1; 0 if that is not known
 * @param comesOutMinor what the rest of the file makes, in minor units; a count for {@link
 *     Kind#COUNT}
 * @param saidMinor what the file says
 */
public record Discrepancy(
    Kind kind, @Nullable LocalDate on, int line, long comesOutMinor, long saidMinor) {

  /** Which figures do not agree. */
  public enum Kind {
    /** The lines do not lead from the opening balance to the closing one. */
    CLOSING("From the opening balance the lines lead to %s; the file closes at %s."),
    /** A statement opens otherwise than the one before it in the file has closed. */
    CHAIN("One statement in the file closes at %s; the next one opens at %s."),
    /** The balance after a line is not the one before it with the line. */
    BALANCE("The balance runs on to %s; the file says %s."),
    /** The sum of the money in. */
    TOTAL_IN("The lines bring in %s; the file says it brings in %s."),
    /** The sum of the money out. */
    TOTAL_OUT("The lines take out %s; the file says it takes out %s."),
    /** How many lines there are. */
    COUNT("The file has %s lines; it says it has %s.");

    private final String sentence;

    Kind(String sentence) {
      this.sentence = sentence;
    }
  }

  /** What a line of this amount would mend, with its sign. */
  public long apartMinor() {
    return saidMinor - comesOutMinor;
  }

  /** For a person: what comes out and what is said. */
  public String inWords(CurrencyUnit currency) {
    return kind == Kind.COUNT
        ? kind.sentence.formatted(comesOutMinor, saidMinor)
        : kind.sentence.formatted(
            Amount.ofMinor(comesOutMinor, currency).shown(),
            Amount.ofMinor(saidMinor, currency).shown());
  }
}
