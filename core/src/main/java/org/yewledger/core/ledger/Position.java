package org.yewledger.core.ledger;

import java.math.BigDecimal;
import java.math.RoundingMode;

/**
 * What stands on an account: its balance in its own currency, and what the books value it at.
 *
 * @param ownMinor minor units of the account's currency, debits positive
 * @param baseMinor minor units of the book's base currency
 */
public record Position(long ownMinor, long baseMinor) {
  public static final Position EMPTY = new Position(0, 0);

  /** Both together, where both are in one currency of one book. */
  public Position plus(Position other) {
    return new Position(ownMinor + other.ownMinor, baseMinor + other.baseMinor);
  }

  /** Whether this much can be given away out of what is there, on the same side. */
  public boolean covers(long amountMinor) {
    return Long.signum(ownMinor) == Long.signum(amountMinor)
        && Math.abs(amountMinor) <= Math.abs(ownMinor);
  }

  /**
   * What the books value a part of the balance at: its share of the whole value, the weighted
   * average cost. Half-even; all of the balance has exactly all of the value.
   *
   * @param amountMinor a part that the position {@linkplain #covers covers}
   */
  public long valueOf(long amountMinor) {
    if (amountMinor == ownMinor) {
      return baseMinor;
    }
    return BigDecimal.valueOf(baseMinor)
        .multiply(BigDecimal.valueOf(amountMinor))
        .divide(BigDecimal.valueOf(ownMinor), 0, RoundingMode.HALF_EVEN)
        .longValueExact();
  }
}
