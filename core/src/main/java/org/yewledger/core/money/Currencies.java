package org.yewledger.core.money;

import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
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

  /**
   * The currencies that some country has today, by their codes: those to offer for something new. A
   * book or an account that is in an older one stays in it. As the runtime's data of ISO 4217 know.
   */
  public static List<CurrencyUnit> inUse() {
    Set<String> codes = new TreeSet<>();
    for (String country : Locale.getISOCountries()) {
      Currency currency = Currency.getInstance(Locale.of("", country));
      if (currency != null) { // Antarctica has none
        codes.add(currency.getCurrencyCode());
      }
    }
    return CurrencyUnit.registeredCurrencies().stream()
        .filter(c -> codes.contains(c.getCode()))
        .toList();
  }
}
