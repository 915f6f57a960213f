package org.yewledger.demo;

import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.money.ExchangeRate;

/** Made-up rates of the dollar, one for the first day of each month. */
public final class DemoRates {
  private static final YearMonth FIRST = YearMonth.of(2026, 4);
  private static final String[] DOLLAR_IN_EUROS = {
    "0.9120", "0.9064", "0.8987", "0.8941", "0.8896", "0.8852", "0.8810"
  };

  private DemoRates() {}

  public static List<ExchangeRate> rates() {
    var rates = new ArrayList<ExchangeRate>();
    for (int i = 0; i < DOLLAR_IN_EUROS.length; i++) {
      rates.add(
          new ExchangeRate(
              CurrencyUnit.USD,
              CurrencyUnit.EUR,
              FIRST.plusMonths(i).atDay(1),
              new BigDecimal(DOLLAR_IN_EUROS[i])));
    }
    return rates;
  }

  /** The rate of a month; the last one that was made up for all months after it. */
  static BigDecimal of(YearMonth month) {
    int months = (int) FIRST.until(month, java.time.temporal.ChronoUnit.MONTHS);
    return new BigDecimal(DOLLAR_IN_EUROS[Math.min(months, DOLLAR_IN_EUROS.length - 1)]);
  }
}
