package org.yewledger.formats;

import java.math.BigDecimal;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amount;

/** Amounts as files write them. */
public final class DecimalText {
  private static final int LONGEST = 40;

  /** Groups of three with one mark throughout, and the other mark before the decimals. */
  private static final Pattern GROUPED =
      Pattern.compile("\\d{1,3}(?:,\\d{3})+(?:\\.\\d*)?|\\d{1,3}(?:\\.\\d{3})+(?:,\\d*)?");

  private static final Pattern PLAIN = Pattern.compile("(?:\\d{1,15}[.,]?\\d{0,6}|[.,]\\d{1,6})");

  private DecimalText() {}

  /**
   * The minor units of an amount as a statement format writes it: digits with a point or a comma
   * before the decimals. The standards know no marks between thousands; where a bank writes them
   * all the same and there is no doubt, as in {@code 1,234.56}, they are passed over.
   *
   * @param line the line of the file, for the message
   * @param field the field or column, for the message
   */
  public static long toMinor(String text, CurrencyUnit currency, int line, String field) {
    if (text.isBlank()) {
      throw UnreadableFile.at(line, field, "the amount is missing.");
    }
    String sign = text.startsWith("-") || text.startsWith("+") ? text.substring(0, 1) : "";
    String digits = withoutThousands(text.substring(sign.length()));
    if (!PLAIN.matcher(digits).matches()) {
      throw UnreadableFile.at(line, field, "%s is not an amount.".formatted(Excerpt.of(text)));
    }
    String plain = digits.replace(',', '.');
    return toMinor(
        new BigDecimal(sign.equals("-") ? "-" + plain : plain), text, currency, line, field);
  }

  /** One mark alone is the decimal mark; it is taken for thousands only where it stands twice. */
  private static String withoutThousands(String digits) {
    boolean hasBoth = digits.indexOf(',') >= 0 && digits.indexOf('.') >= 0;
    boolean repeats =
        digits.indexOf(',') != digits.lastIndexOf(',')
            || digits.indexOf('.') != digits.lastIndexOf('.');
    if (!(hasBoth || repeats) || digits.length() > LONGEST || !GROUPED.matcher(digits).matches()) {
      return digits;
    }
    boolean commaGroups =
        hasBoth ? digits.indexOf(',') < digits.indexOf('.') : digits.indexOf(',') >= 0;
    return digits.replace(commaGroups ? "," : ".", "");
  }

  /**
   * The minor units of an amount that has been read.
   *
   * @param written as it stands in the file, for the message
   */
  public static long toMinor(
      BigDecimal amount, String written, CurrencyUnit currency, int line, String field) {
    try {
      return Amount.of(amount, currency).minor();
    } catch (Refusal e) {
      String reason =
          e.code().equals("amount-too-fine")
              ? "%s has more decimals than %s allows (%d)."
                  .formatted(Excerpt.of(written), currency, currency.getDecimalPlaces())
              : Excerpt.of(written) + " is too large an amount.";
      throw UnreadableFile.at(line, field, reason);
    }
  }
}
