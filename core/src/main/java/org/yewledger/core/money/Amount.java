package org.yewledger.core.money;

import java.math.BigDecimal;
import java.util.Collection;
import java.util.Locale;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.Refusal;

/**
 * An amount of money in one currency: 1250 minor units of EUR are 12.50, 1250 of JPY are 1250. The
 * number of decimals of a currency is that of ISO 4217. Amounts of two currencies cannot be added,
 * subtracted or compared: each such operation throws {@link IllegalArgumentException}, since to
 * want it is a mistake of the program and not of a person.
 *
 * @param minor minor units, below zero for what is owed, given or credited
 */
public record Amount(long minor, CurrencyUnit currency) implements Comparable<Amount> {
  private static final char TRUE_MINUS = '\u2212';

  /** Room to add a million such amounts without overflow: no household owns 90 billion. */
  private static final BigDecimal MOST_MINOR = BigDecimal.valueOf(Long.MAX_VALUE / 1_000_000);

  public static Amount ofMinor(long minor, CurrencyUnit currency) {
    return new Amount(minor, currency);
  }

  /**
   * The amount that a decimal number says.
   *
   * @throws Refusal {@code amount-too-fine} if it has more decimals than the currency, {@code
   *     amount-too-large} if it is too large to be summed safely
   */
  public static Amount of(BigDecimal decimal, CurrencyUnit currency) {
    if (!Decimals.isBounded(decimal)) {
      throw Refusal.ofField("amount-too-large", "amount", "That is too large an amount.");
    }
    BigDecimal shifted = decimal.movePointRight(currency.getDecimalPlaces());
    if (shifted.stripTrailingZeros().scale() > 0) {
      throw Refusal.ofField(
          "amount-too-fine",
          "amount",
          "%s has more decimals than %s allows (%d)."
              .formatted(decimal.toPlainString(), currency.getCode(), currency.getDecimalPlaces()));
    }
    if (shifted.abs().compareTo(MOST_MINOR) > 0) {
      throw Refusal.ofField(
          "amount-too-large", "amount", decimal.toPlainString() + " is too large an amount.");
    }
    return new Amount(shifted.longValueExact(), currency);
  }

  public static Amount zero(CurrencyUnit currency) {
    return new Amount(0, currency);
  }

  /** All of them together; of none, zero. */
  public static Amount sum(CurrencyUnit currency, Collection<Amount> amounts) {
    Amount sum = zero(currency);
    for (Amount amount : amounts) {
      sum = sum.plus(amount);
    }
    return sum;
  }

  /** The decimal number, with exactly the currency's decimals. */
  public BigDecimal decimal() {
    return BigDecimal.valueOf(minor, currency.getDecimalPlaces());
  }

  public Amount plus(Amount other) {
    return new Amount(Math.addExact(minor, alike(other).minor), currency);
  }

  public Amount minus(Amount other) {
    return new Amount(Math.subtractExact(minor, alike(other).minor), currency);
  }

  public Amount negated() {
    return new Amount(Math.negateExact(minor), currency);
  }

  /** The amount without its sign. */
  public Amount size() {
    return minor < 0 ? negated() : this;
  }

  /** The amount where it is above zero, otherwise zero. */
  public Amount ifAbove() {
    return minor > 0 ? this : zero(currency);
  }

  /** The size of the amount where it is below zero, otherwise zero. */
  public Amount ifBelow() {
    return minor < 0 ? negated() : zero(currency);
  }

  public boolean isZero() {
    return minor == 0;
  }

  /** −1, 0 or 1, as the amount is below, at or above zero. */
  public int sign() {
    return Long.signum(minor);
  }

  @Override
  public int compareTo(Amount other) {
    return Long.compare(minor, alike(other).minor);
  }

  /** For a sentence: grouped by thousands, with a true minus, without the currency. */
  public String shown() {
    String digits = "%,.{d}f".replace("{d}", String.valueOf(currency.getDecimalPlaces()));
    String text = String.format(Locale.ROOT, digits, decimal().abs());
    return minor < 0 ? TRUE_MINUS + text : text;
  }

  private Amount alike(Amount other) {
    if (!currency.equals(other.currency)) {
      throw new IllegalArgumentException(
          "an amount of %s beside one of %s".formatted(currency, other.currency));
    }
    return other;
  }
}
