package org.yewledger.core.gather;

import java.math.BigDecimal;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.money.Amount;

/**
 * A place where what a source says does not come out: something is missing, doubled or wrong in it,
 * and a person decides whether its lines are taken all the same.
 */
public sealed interface Discrepancy {
  /** Which figures do not agree. */
  Kind kind();

  /** The day that the figure is of, null if it has none. */
  @Nullable LocalDate on();

  /** Where the figure stands in the file, from 1; 0 if that is not known. */
  int line();

  /** What a line of this amount would mend, with its sign; of lines, how many there would be. */
  BigDecimal apart();

  /** For a person: what comes out and what is said. */
  String inWords();

  /** Which figures do not agree. */
  enum Kind {
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

  /**
   * A balance or a sum.
   *
   * @param comesOut what the rest of the file makes
   * @param said what the file says
   */
  record OfFigure(Kind kind, @Nullable LocalDate on, int line, Amount comesOut, Amount said)
      implements Discrepancy {
    @Override
    public BigDecimal apart() {
      return said.minus(comesOut).decimal();
    }

    @Override
    public String inWords() {
      return kind.sentence.formatted(comesOut.shown(), said.shown());
    }
  }

  /**
   * The number of lines.
   *
   * @param comesOut how many there are
   * @param said how many the file says there are
   */
  record OfCount(int line, long comesOut, long said) implements Discrepancy {
    @Override
    public Kind kind() {
      return Kind.COUNT;
    }

    @Override
    public @Nullable LocalDate on() {
      return null;
    }

    @Override
    public BigDecimal apart() {
      return BigDecimal.valueOf(said - comesOut);
    }

    @Override
    public String inWords() {
      return Kind.COUNT.sentence.formatted(comesOut, said);
    }
  }
}
