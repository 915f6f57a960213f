package org.yewledger.core.worth;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.UUID;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.Decimals;

/**
 * Something that happened to a holding.
 *
 * @param no its place among those of a day
 * @param quantity how much is bought or sold; of a split how much is held after it; zero of the
 *     rest
 * @param amount what was paid or received for it, without the fee; zero of a split
 * @param fee what was paid besides; it is part of the cost, or lessens what is received
 * @param cost of a sale, what the sold part had cost, as it is booked; zero of the rest
 */
public record Trade(
    UUID id,
    LocalDate day,
    long no,
    Kind kind,
    BigDecimal quantity,
    Amount amount,
    Amount fee,
    Amount cost) {
  private static final int MOST_DIGITS = 18;
  private static final int MOST_DECIMALS = 8;

  /** What happened. */
  public enum Kind {
    /** Was held already when the books began; its cost stands in the opening balance. */
    HELD,
    BUY,
    SELL,
    DIVIDEND,
    /** Paid for keeping it. */
    FEE,
    /** Each share became more, or several became one. */
    SPLIT
  }

  public Trade {
    quantity = quantity.stripTrailingZeros();
  }

  /**
   * Whether it can be so, whatever is held.
   *
   * @throws Refusal {@code bad-quantity}, {@code trade-amount}, {@code trade-fee}
   */
  public Trade require() {
    boolean counts = kind != Kind.DIVIDEND && kind != Kind.FEE;
    if (counts && (quantity.signum() <= 0 || !isBounded())) {
      throw Refusal.ofField(
          "bad-quantity",
          "quantity",
          "Type a quantity above zero, with %d decimals at most.".formatted(MOST_DECIMALS));
    }
    if (kind != Kind.SPLIT && amount.sign() <= 0) {
      throw Refusal.ofField("trade-amount", "amount", "Type the amount, above zero.");
    }
    boolean tooMuch = (kind == Kind.SELL || kind == Kind.DIVIDEND) && fee.compareTo(amount) > 0;
    if (fee.sign() < 0 || tooMuch) {
      throw Refusal.ofField("trade-fee", "fee", "A fee is zero or more, and within the amount.");
    }
    return this;
  }

  private boolean isBounded() {
    return Decimals.isBounded(quantity)
        && quantity.precision() - quantity.scale() <= MOST_DIGITS - MOST_DECIMALS
        && quantity.scale() <= MOST_DECIMALS;
  }

  /** The same as a sale that takes a cost along. */
  Trade at(Amount booked) {
    return new Trade(id, day, no, kind, quantity, amount, fee, booked);
  }

  /** What a buy costs with its fee; what anything else brings or takes, its fee counted. */
  public Amount whole() {
    return switch (kind) {
      case HELD, BUY, FEE -> amount.plus(fee);
      case SELL, DIVIDEND -> amount.minus(fee);
      case SPLIT -> Amount.zero(amount.currency());
    };
  }

  /** What a sale gained over its cost; zero of anything else. */
  public Amount gain() {
    return kind == Kind.SELL ? whole().minus(cost) : Amount.zero(amount.currency());
  }
}
