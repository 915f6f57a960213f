package org.yewledger.core.money;

import java.math.BigDecimal;
import java.util.Optional;

/**
 * Decimal numbers from outside, bounded before anything is done with them. {@code 1E+100000000} is
 * twelve letters long and a hundred megabytes once it is written out.
 */
public final class Decimals {
  /** More digits than any amount, rate or percentage has, with room for binary noise. */
  public static final int MOST_LETTERS = 40;

  private static final int MOST_DIGITS_BEFORE = 18;
  private static final int MOST_DIGITS_AFTER = 20;
  private static final int MOST_DIGITS_OF_A_DOUBLE = 1_100;

  private Decimals() {}

  /**
   * Reads a number as machines write it: digits with a point, perhaps an exponent.
   *
   * @return empty if it is none, or has more digits than anything here has
   */
  public static Optional<BigDecimal> read(String text) {
    if (text.length() > MOST_LETTERS) {
      return Optional.empty();
    }
    try {
      BigDecimal number = new BigDecimal(text);
      return isBounded(number) ? Optional.of(plain(number)) : Optional.empty();
    } catch (NumberFormatException e) {
      return Optional.empty();
    }
  }

  /** Whether a number can be written out, moved and scaled at little cost. */
  public static boolean isBounded(BigDecimal number) {
    long before = (long) number.precision() - number.scale();
    return before <= MOST_DIGITS_BEFORE && number.scale() <= MOST_DIGITS_AFTER;
  }

  /**
   * Whether a number of a spreadsheet can be rounded and written out at little cost; such numbers
   * carry many binary decimals, down to the smallest that a double can hold.
   */
  public static boolean isWritable(BigDecimal number) {
    long before = (long) number.precision() - number.scale();
    return before <= MOST_DIGITS_BEFORE && number.scale() <= MOST_DIGITS_OF_A_DOUBLE;
  }

  /** Without a scale below zero, so that 1E+3 is 1000. */
  private static BigDecimal plain(BigDecimal number) {
    return number.scale() < 0 ? number.setScale(0) : number;
  }
}
