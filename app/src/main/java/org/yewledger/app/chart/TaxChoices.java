package org.yewledger.app.chart;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.tax.TaxChoice;

/** Which sales tax an amount contains, as the API says it. */
public final class TaxChoices {
  private TaxChoices() {}

  /**
   * @param rateId a rate; null for the usual one
   * @param untaxed true for none
   * @throws Refusal {@code tax-twice} if both are said
   */
  public static TaxChoice of(@Nullable UUID rateId, @Nullable Boolean untaxed, String field) {
    if (Boolean.TRUE.equals(untaxed)) {
      if (rateId != null) {
        throw Refusal.ofField("tax-twice", field, "Choose a tax rate, or none; not both.");
      }
      return TaxChoice.NONE;
    }
    return rateId == null ? TaxChoice.AS_USUAL : TaxChoice.at(rateId);
  }

  /** True for none; null where nothing is said of it. */
  public static @Nullable Boolean untaxed(TaxChoice choice) {
    return choice.untaxed() ? Boolean.TRUE : null;
  }
}
