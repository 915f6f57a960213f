package org.yewledger.core.money;

import java.util.Locale;
import org.joda.money.CurrencyUnit;

/** The sign or code of a currency as it stands beside an amount. */
public final class CurrencySign {
  private CurrencySign() {}

  /**
   * Whether what is written may mean a currency. A dollar and a pound are of many countries;
   * nothing written means any.
   *
   * @param written a sign such as $, or a code of ISO 4217
   */
  public static boolean mayMean(String written, CurrencyUnit unit) {
    String said = written.strip().toUpperCase(Locale.ROOT);
    return switch (said) {
      case "" -> true;
      case "\u20ac" -> unit.getCode().equals("EUR");
      case "\u00a5" -> unit.getCode().equals("JPY") || unit.getCode().equals("CNY");
      case "$" -> unit.getCode().endsWith("D") || unit.getSymbol().contains("$");
      case "\u00a3" -> !unit.getCode().equals("EUR") && !unit.getCode().endsWith("D");
      default -> said.length() == 1 || said.equals(unit.getCode());
    };
  }
}
