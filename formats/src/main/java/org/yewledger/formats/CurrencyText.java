package org.yewledger.formats;

import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;

/** Currency codes as files write them. */
public final class CurrencyText {
  private CurrencyText() {}

  /**
   * The currency of an ISO 4217 code.
   *
   * @param line the line of the file, for the message
   * @param field the field, for the message
   */
  public static CurrencyUnit currency(String code, int line, String field) {
    try {
      return CurrencyUnit.of(code);
    } catch (IllegalCurrencyException e) {
      throw UnreadableFile.at(line, field, Excerpt.of(code) + " is no ISO 4217 currency.");
    }
  }
}
