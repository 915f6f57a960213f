package org.yewledger.core.worth;

import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.Refusal;

/**
 * Something that is held by quantity and has a price: a share, a fund, a bond.
 *
 * @param code by which a depot names it, such as an ISIN; empty if it has none
 * @param currency of its prices
 */
public record Security(UUID id, String name, String code, CurrencyUnit currency) {
  /**
   * @throws Refusal {@code security-unnamed}
   */
  public Security require() {
    if (name.isBlank()) {
      throw Refusal.ofField("security-unnamed", "name", "Say what it is called.");
    }
    return this;
  }
}
