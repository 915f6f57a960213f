package org.yewledger.core.money;

import java.math.BigDecimal;
import java.time.LocalDate;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.Refusal;

/**
 * What one unit of a currency was worth in another on a day: 1 USD = 0.9214 EUR.
 *
 * @param rate more than zero, with at most ten decimals
 */
public record ExchangeRate(CurrencyUnit from, CurrencyUnit to, LocalDate day, BigDecimal rate) {
  private static final int DECIMALS = 10;
  private static final BigDecimal MOST = new BigDecimal("1000000000");

  /**
   * @throws Refusal {@code rate-not-positive}, {@code rate-too-fine}, {@code rate-too-large} or
   *     {@code rate-of-itself}
   */
  public ExchangeRate {
    if (from.equals(to)) {
      throw Refusal.ofField(
          "rate-of-itself",
          "from",
          "A rate is between two currencies, not %s and %s.".formatted(from, to));
    }
    if (!Decimals.isBounded(rate)) {
      throw Refusal.ofField("rate-too-large", "rate", "That is no rate between two currencies.");
    }
    if (rate.signum() <= 0) {
      throw Refusal.ofField(
          "rate-not-positive",
          "rate",
          "A rate is more than zero: say how much 1 %s was worth in %s.".formatted(from, to));
    }
    if (rate.stripTrailingZeros().scale() > DECIMALS) {
      throw Refusal.ofField(
          "rate-too-fine", "rate", "A rate has at most %d decimals.".formatted(DECIMALS));
    }
    if (rate.compareTo(MOST) > 0) {
      throw Refusal.ofField(
          "rate-too-large", "rate", "%s is too large a rate.".formatted(rate.toPlainString()));
    }
  }
}
