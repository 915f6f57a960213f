package org.yewledger.core.report;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Optional;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Position;

/**
 * At which rate a report tells an account that has a currency of its own: each of its entries at
 * the rate it was booked at. Rates are units of the book's currency for one of the account's, to
 * four decimals, half-even.
 *
 * @param low the lowest of its entries, {@code high} the highest
 */
public record RateUsed(Account account, BigDecimal low, BigDecimal high) {
  private static final int DECIMALS = 4;

  /**
   * Of entries.
   *
   * @param lowMinor the least value of an entry for one minor unit of its amount, in minor units;
   *     {@code highMinor} the greatest
   */
  public static RateUsed ofEntries(Account account, BigDecimal lowMinor, BigDecimal highMinor) {
    int decimals =
        account.currency().getDecimalPlaces() - account.book().currency().getDecimalPlaces();
    return new RateUsed(
        account,
        rounded(lowMinor.scaleByPowerOfTen(decimals)),
        rounded(highMinor.scaleByPowerOfTen(decimals)));
  }

  /** Of all that stands on an account, the average; empty where nothing does. */
  public static Optional<RateUsed> ofBalance(Account account, Position position) {
    if (position.amount().isZero()) {
      return Optional.empty();
    }
    BigDecimal average =
        position
            .value()
            .decimal()
            .divide(position.amount().decimal(), DECIMALS, RoundingMode.HALF_EVEN);
    return Optional.of(new RateUsed(account, average, average));
  }

  private static BigDecimal rounded(BigDecimal rate) {
    return rate.setScale(DECIMALS, RoundingMode.HALF_EVEN);
  }
}
