package org.yewledger.core.entry;

import java.math.BigDecimal;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Reads a number that is no amount, such as a rate or a percentage. Such numbers have decimals more
 * often than thousands, so that the person's own decimal mark is one, and a mark that may be either
 * is asked about.
 */
public final class NumberText {
  /** More than any rate is written with. */
  public static final int MOST_DECIMALS = 10;

  private static final int LONGEST = 60;

  private NumberText() {}

  public static Typed<BigDecimal> read(String typed, Formats formats) {
    String text = typed.strip();
    BigDecimal small = text.length() > LONGEST ? null : value(text, formats, false);
    BigDecimal whole = text.length() > LONGEST ? null : value(text, formats, true);
    if (small == null || whole == null) {
      return new Typed.Unreadable<>(
          "%s is not a number. Type digits and a decimal mark."
              .formatted(DayText.shortened(typed)));
    }
    if (small.scale() > MOST_DECIMALS) {
      return new Typed.Unreadable<>(
          "A number here has at most %d decimals.".formatted(MOST_DECIMALS));
    }
    return small.compareTo(whole) == 0
        ? new Typed.Means<>(small)
        : new Typed.Unclear<>(
            "%s can be read in more than one way. Which is it?".formatted(DayText.shortened(typed)),
            List.of(small, whole));
  }

  private static @Nullable BigDecimal value(String text, Formats formats, boolean thousands) {
    try {
      BigDecimal value = new Sum(text, MOST_DECIMALS, formats, thousands).value();
      return value == null ? null : plain(value);
    } catch (ArithmeticException e) {
      return null;
    }
  }

  private static BigDecimal plain(BigDecimal value) {
    BigDecimal bare = value.stripTrailingZeros();
    return bare.scale() < 0 ? bare.setScale(0) : bare;
  }
}
