package org.yewledger.core.money;

import java.util.Locale;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.yewledger.core.Refusal;

/** Currencies by their codes of ISO 4217, as people type them. */
public final class Currencies {
  private Currencies() {}

  /**
   * @param field the field of the request that holds the code
   * @throws Refusal {@code unknown-currency}
   */
  public static CurrencyUnit of(String code, String field) {
    try {
      return CurrencyUnit.of(code.strip().toUpperCase(Locale.ROOT));
    } catch (IllegalCurrencyException e) {
      throw Refusal.ofField(
          "unknown-currency", field, "%s is no currency of ISO 4217.".formatted(code));
    }
  }
}
