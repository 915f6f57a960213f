package org.yewledger.core.tax;

import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Which sales tax an amount contains.
 *
 * @param untaxed none, whatever its category has
 * @param rateId this rate; null for that of its category
 */
public record TaxChoice(boolean untaxed, @Nullable UUID rateId) {
  /** That of its category, or else the book's usual one. */
  public static final TaxChoice AS_USUAL = new TaxChoice(false, null);

  public static final TaxChoice NONE = new TaxChoice(true, null);

  public TaxChoice {
    if (untaxed && rateId != null) {
      throw new IllegalArgumentException("either none or a rate");
    }
  }

  public static TaxChoice at(UUID rateId) {
    return new TaxChoice(false, rateId);
  }
}
