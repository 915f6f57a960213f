package org.yewledger.formats;

import java.math.BigDecimal;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amounts;

/** Amounts as files write them. */
public final class DecimalText {
  private static final Pattern PLAIN =
      Pattern.compile("[+-]?\\d{1,15}(\\.\\d{1,6})?|[+-]?\\.\\d{1,6}");

  private DecimalText() {}

  /**
   * @param text digits with a decimal point and no thousands marks
   * @param line the line of the file, for the message
   * @param field the field or column, for the message
   * @return minor units of the currency
   */
  public static long toMinor(String text, CurrencyUnit currency, int line, String field) {
    if (text.isBlank()) {
      throw UnreadableFile.at(line, field, "the amount is missing.");
    }
    if (!PLAIN.matcher(text).matches()) {
      throw UnreadableFile.at(line, field, "%s is not an amount.".formatted(Excerpt.of(text)));
    }
    try {
      return Amounts.toMinor(new BigDecimal(text), currency);
    } catch (Refusal e) {
      throw UnreadableFile.at(line, field, e.getMessage());
    }
  }
}
