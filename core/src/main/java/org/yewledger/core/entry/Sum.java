package org.yewledger.core.entry;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * A typed sum: numbers with + − * / and brackets, the usual order of working. Reads with one choice
 * of what an unclear mark is, and tells whether there was one.
 */
final class Sum {
  private static final int MOST_DIGITS = 15;

  /** More decimals than a currency has: what is read is no amount. */
  private static final int MANY = 5;

  private static final MathContext EXACT_ENOUGH = MathContext.DECIMAL128;
  private static final Pattern NUMBER =
      Pattern.compile("\\d+(?:[.,'\u2019\u00a0\u202f ]\\d+)*(?:[.,](?!\\d))?|[.,]\\d+");

  private final String text;
  private final int decimals;
  private final Formats formats;
  private final boolean unclearIsThousands;
  private int at;
  private boolean unclear;
  private boolean rounded;
  private boolean broken;

  /**
   * @param decimals how many a number may have; three or more, and a person's own decimal mark is
   *     one whatever stands behind it
   * @param unclearIsThousands what a mark is taken for that may be either
   */
  Sum(String text, int decimals, Formats formats, boolean unclearIsThousands) {
    this.text = text.replace('\u2212', '-').replace('\u00d7', '*').replace('\u00f7', '/').strip();
    this.decimals = decimals;
    this.formats = formats;
    this.unclearIsThousands = unclearIsThousands;
  }

  /** What it comes to, null if it is none; an {@link ArithmeticException} if zero divides. */
  @Nullable BigDecimal value() {
    BigDecimal value = sum(0);
    return broken || at < text.length() ? null : value;
  }

  /** Whether a mark was read that could have been read otherwise. */
  boolean isUnclear() {
    return unclear;
  }

  /** Whether something was multiplied or divided, so that the result is rounded. */
  boolean isRounded() {
    return rounded;
  }

  private BigDecimal sum(int depth) {
    BigDecimal value = product(depth);
    while (!broken && (isNext('+') || isNext('-'))) {
      char sign = text.charAt(at++);
      BigDecimal next = product(depth);
      value = sign == '+' ? value.add(next) : value.subtract(next);
    }
    return value;
  }

  private BigDecimal product(int depth) {
    BigDecimal value = factor(depth);
    while (!broken && (isNext('*') || isNext('/'))) {
      rounded = true;
      char sign = text.charAt(at++);
      BigDecimal next = factor(depth);
      value =
          broken
              ? value
              : sign == '*' ? value.multiply(next, EXACT_ENOUGH) : value.divide(next, EXACT_ENOUGH);
    }
    return value;
  }

  private BigDecimal factor(int depth) {
    if (isNext('-') || isNext('+')) {
      boolean minus = text.charAt(at++) == '-';
      // A sign before a sign is a slip of the hand, and not a sum.
      if (isNext('-') || isNext('+')) {
        return broken();
      }
      BigDecimal value = factor(depth);
      return minus ? value.negate() : value;
    }
    if (isNext('(')) {
      at++;
      BigDecimal value = sum(depth + 1);
      if (!isNext(')')) {
        return broken();
      }
      at++;
      return value;
    }
    return number();
  }

  private BigDecimal number() {
    skipSpace();
    Matcher number = NUMBER.matcher(text).region(at, text.length());
    if (!number.lookingAt()) {
      return broken();
    }
    at = number.end();
    BigDecimal value = value(number.group());
    return value == null ? broken() : value;
  }

  private @Nullable BigDecimal value(String number) {
    String digits = number.replaceAll("\\D", "");
    String marks =
        number.replaceAll("\\d", "").replaceAll("[\u2019]", "'").replaceAll("[\u00a0\u202f]", " ");
    if (digits.length() > MOST_DIGITS) {
      return null;
    }
    if (marks.isEmpty()) {
      return new BigDecimal(digits);
    }
    List<String> groups = List.of(number.split("\\D", -1));
    char last = marks.charAt(marks.length() - 1);
    boolean oneKind = marks.chars().distinct().count() == 1;
    boolean mayBeThousands = oneKind && isGrouped(groups);
    boolean mayBeDecimals =
        (last == '.' || last == ',')
            && marks.indexOf(last) == marks.length() - 1
            && (marks.length() == 1
                || marks.chars().distinct().count() == 2
                    && isGrouped(groups.subList(0, groups.size() - 1)));
    if (mayBeThousands && mayBeDecimals) {
      return either(groups, digits, last);
    }
    return mayBeThousands ? new BigDecimal(digits) : mayBeDecimals ? decimal(groups) : null;
  }

  /** One mark with three digits behind it. The person's own formats may settle what it is. */
  private BigDecimal either(List<String> groups, String digits, char mark) {
    if (decimals < MANY && formats.grouping().mark().equals(String.valueOf(mark))) {
      return new BigDecimal(digits);
    }
    if (formats.decimalMark().mark() == mark && decimals >= 3) {
      return decimal(groups);
    }
    unclear = true;
    return unclearIsThousands ? new BigDecimal(digits) : decimal(groups);
  }

  private static BigDecimal decimal(List<String> groups) {
    String whole = String.join("", groups.subList(0, groups.size() - 1));
    return new BigDecimal((whole.isEmpty() ? "0" : whole) + "." + groups.getLast() + "0");
  }

  /** Up to three digits that do not begin with a zero, then threes. */
  private static boolean isGrouped(List<String> groups) {
    return groups.getFirst().matches("[1-9]\\d{0,2}")
        && groups.stream().skip(1).allMatch(group -> group.length() == 3);
  }

  private boolean isNext(char sign) {
    skipSpace();
    return at < text.length() && text.charAt(at) == sign;
  }

  private void skipSpace() {
    while (at < text.length() && Character.isWhitespace(text.charAt(at))) {
      at++;
    }
  }

  private BigDecimal broken() {
    broken = true;
    return BigDecimal.ONE;
  }
}
