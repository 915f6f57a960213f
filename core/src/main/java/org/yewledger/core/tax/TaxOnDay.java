package org.yewledger.core.tax;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.UUID;
import org.yewledger.core.money.Amount;

/** A rate as it is on a day, by which a gross amount is taken apart. */
public record TaxOnDay(UUID rateId, BigDecimal percent) {
  private static final BigDecimal HUNDRED = new BigDecimal(100);

  /**
   * The tax in a gross amount: gross × percent ÷ (100 + percent), rounded half away from zero to
   * the minor unit. The net amount is what remains, so that the two always add up.
   */
  public Amount taxIn(Amount gross) {
    BigDecimal tax =
        gross
            .decimal()
            .multiply(percent)
            .divide(
                HUNDRED.add(percent), gross.currency().getDecimalPlaces(), RoundingMode.HALF_UP);
    return Amount.of(tax, gross.currency());
  }

  /**
   * A net amount with its tax: net + net × percent ÷ 100, rounded half away from zero to the minor
   * unit. {@link #taxIn} takes just that tax out again, whatever the amount.
   */
  public Amount grossOf(Amount net) {
    BigDecimal tax =
        net.decimal()
            .multiply(percent)
            .divide(HUNDRED, net.currency().getDecimalPlaces(), RoundingMode.HALF_UP);
    return net.plus(Amount.of(tax, net.currency()));
  }
}
