package org.yewledger.core.money;

import java.math.BigDecimal;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.Refusal;

/**
 * Between decimal amounts, as people and files write them, and minor units, as the books keep them:
 * 12.50 EUR is 1250, 1250 JPY is 1250. The number of decimals of a currency is that of ISO 4217.
 */
public final class Amounts {
  private static final char TRUE_MINUS = '\u2212';

  private Amounts() {}

  /**
   * The minor units of a decimal amount.
   *
   * @throws Refusal {@code amount-too-fine} if it has more decimals than the currency, {@code
   *     amount-too-large} if it does not fit 64 bits
   */
  public static long toMinor(BigDecimal amount, CurrencyUnit currency) {
    if (!Decimals.isBounded(amount)) {
      throw Refusal.ofField("amount-too-large", "amount", "That is too large an amount.");
    }
    BigDecimal shifted = amount.movePointRight(currency.getDecimalPlaces());
    if (shifted.stripTrailingZeros().scale() > 0) {
      throw Refusal.ofField(
          "amount-too-fine",
          "amount",
          "%s has more decimals than %s allows (%d)."
              .formatted(amount.toPlainString(), currency.getCode(), currency.getDecimalPlaces()));
    }
    // Room to add a million such amounts without overflow: no household owns 90 billion.
    if (shifted.abs().compareTo(BigDecimal.valueOf(Long.MAX_VALUE / 1_000_000)) > 0) {
      throw Refusal.ofField(
          "amount-too-large", "amount", amount.toPlainString() + " is too large an amount.");
    }
    return shifted.longValueExact();
  }

  /** The decimal amount of minor units, with exactly the currency's decimals. */
  public static BigDecimal toDecimal(long minor, CurrencyUnit currency) {
    return BigDecimal.valueOf(minor, currency.getDecimalPlaces());
  }

  /** An amount for a sentence: grouped by thousands, with a true minus, without the currency. */
  public static String shown(long minor, CurrencyUnit currency) {
    String digits = "%,.{d}f".replace("{d}", String.valueOf(currency.getDecimalPlaces()));
    String text = String.format(java.util.Locale.ROOT, digits, toDecimal(minor, currency).abs());
    return minor < 0 ? TRUE_MINUS + text : text;
  }
}
