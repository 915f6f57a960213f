package org.yewledger.core.ledger;

import java.math.BigDecimal;
import java.math.RoundingMode;
import org.yewledger.core.money.Amount;

/**
 * What stands on an account.
 *
 * @param amount in the account's currency, debits above zero
 * @param value what the books value it at, in the book's base currency
 */
public record Position(Amount amount, Amount value) {
  /** Nothing, on an account. */
  public static Position empty(Account account) {
    return ofMinor(account, 0, 0);
  }

  /**
   * @param amountMinor minor units of the account's currency
   * @param valueMinor minor units of the base currency of its book
   */
  public static Position ofMinor(Account account, long amountMinor, long valueMinor) {
    return new Position(
        Amount.ofMinor(amountMinor, account.currency()),
        Amount.ofMinor(valueMinor, account.book().currency()));
  }

  public boolean isEmpty() {
    return amount.isZero() && value.isZero();
  }

  /** Both together, where both are in one currency of one book. */
  public Position plus(Position other) {
    return new Position(amount.plus(other.amount), value.plus(other.value));
  }

  /** Whether this much can be given away out of what is there, on the same side. */
  public boolean covers(Amount wanted) {
    return amount.sign() == wanted.sign() && wanted.size().compareTo(amount.size()) <= 0;
  }

  /**
   * What the books value a part of the balance at: its share of the whole value, the weighted
   * average cost. Half-even; all of the balance has exactly all of the value.
   *
   * @param part one that the position {@linkplain #covers covers}
   */
  public Amount valueOf(Amount part) {
    if (part.equals(amount)) {
      return value;
    }
    long minor =
        BigDecimal.valueOf(value.minor())
            .multiply(BigDecimal.valueOf(part.minor()))
            .divide(BigDecimal.valueOf(amount.minor()), 0, RoundingMode.HALF_EVEN)
            .longValueExact();
    return Amount.ofMinor(minor, value.currency());
  }
}
