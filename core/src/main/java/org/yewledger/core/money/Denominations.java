package org.yewledger.core.money;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;

/**
 * The notes and coins of currencies, as their central banks issue them in daily use, the largest
 * first.
 */
public final class Denominations {
  /** In minor units. */
  private static final Map<String, long[]> OF =
      Map.ofEntries(
          Map.entry(
              "EUR",
              minor(200_00, 100_00, 50_00, 20_00, 10_00, 5_00, 2_00, 1_00, 50, 20, 10, 5, 2, 1)),
          Map.entry("GBP", minor(50_00, 20_00, 10_00, 5_00, 2_00, 1_00, 50, 20, 10, 5, 2, 1)),
          Map.entry("USD", minor(100_00, 50_00, 20_00, 10_00, 5_00, 2_00, 1_00, 50, 25, 10, 5, 1)),
          Map.entry(
              "CHF",
              minor(1000_00, 200_00, 100_00, 50_00, 20_00, 10_00, 5_00, 2_00, 1_00, 50, 20, 10, 5)),
          Map.entry(
              "SEK", minor(1000_00, 500_00, 200_00, 100_00, 50_00, 20_00, 10_00, 5_00, 2_00, 1_00)),
          Map.entry("NOK", minor(1000_00, 500_00, 200_00, 100_00, 50_00, 20_00, 10_00, 5_00, 1_00)),
          Map.entry(
              "DKK", minor(500_00, 200_00, 100_00, 50_00, 20_00, 10_00, 5_00, 2_00, 1_00, 50)),
          Map.entry(
              "PLN",
              minor(
                  500_00, 200_00, 100_00, 50_00, 20_00, 10_00, 5_00, 2_00, 1_00, 50, 20, 10, 5, 2,
                  1)),
          Map.entry(
              "CZK",
              minor(
                  5000_00, 2000_00, 1000_00, 500_00, 200_00, 100_00, 50_00, 20_00, 10_00, 5_00,
                  2_00, 1_00)),
          Map.entry("CAD", minor(100_00, 50_00, 20_00, 10_00, 5_00, 2_00, 1_00, 25, 10, 5)),
          Map.entry("AUD", minor(100_00, 50_00, 20_00, 10_00, 5_00, 2_00, 1_00, 50, 20, 10, 5)),
          Map.entry("JPY", minor(10_000, 5_000, 2_000, 1_000, 500, 100, 50, 10, 5, 1)));

  private Denominations() {}

  private static long[] minor(long... pieces) {
    return pieces;
  }

  /** Those of a currency; none where they are not known, so that only the sum can be said. */
  public static List<Amount> of(CurrencyUnit currency) {
    return Arrays.stream(OF.getOrDefault(currency.getCode(), new long[0]))
        .mapToObj(minor -> Amount.ofMinor(minor, currency))
        .toList();
  }
}
