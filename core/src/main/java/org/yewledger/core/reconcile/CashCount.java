package org.yewledger.core.reconcile;

import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.Denominations;

/**
 * Cash as it was counted, piece by piece.
 *
 * @param pieces of each denomination that there is something of
 */
public record CashCount(CurrencyUnit currency, List<Pieces> pieces) {
  /** Nobody counts more of one kind by hand. */
  private static final int MOST = 1_000_000;

  /**
   * @param of the denomination
   * @param count how many there are of it
   */
  public record Pieces(Amount of, int count) {}

  /**
   * @throws Refusal {@code no-such-piece} for a denomination that the currency does not have, or
   *     that is told twice; {@code pieces-out-of-range}
   */
  public CashCount {
    pieces = List.copyOf(pieces);
    List<Amount> known = Denominations.of(currency);
    for (Pieces one : pieces) {
      if (!known.contains(one.of())
          || pieces.stream().filter(other -> other.of().equals(one.of())).count() > 1) {
        throw Refusal.ofField(
            "no-such-piece",
            "pieces",
            "%s is no single piece of cash that can be counted.".formatted(one.of().shown()));
      }
      if (one.count() < 0 || one.count() > MOST) {
        throw Refusal.ofField(
            "pieces-out-of-range",
            "pieces",
            "Of %s there are between none and %,d.".formatted(one.of().shown(), MOST));
      }
    }
  }

  /**
   * Checks that an account's cash can have been counted on a day.
   *
   * @param today in the household's own time zone
   * @throws Refusal {@code not-counted} for an account that is not cash; {@code count-in-future}
   */
  public static void requireCountable(Account account, LocalDate on, LocalDate today) {
    if (!account.kind().isCounted()) {
      throw Refusal.ofField(
          "not-counted",
          "accountId",
          "%s is not cash: it is reconciled with its statement.".formatted(account.name()));
    }
    if (on.isAfter(today)) {
      throw Refusal.ofField(
          "count-in-future", "countedOn", "%s is not here yet: nothing was counted.".formatted(on));
    }
  }

  /**
   * What was counted.
   *
   * @param pieces null if only the sum was told
   * @param total null if the pieces were told, which go before it
   * @throws Refusal {@code not-answered} without either
   */
  public static Amount sum(@Nullable CashCount pieces, @Nullable Amount total) {
    Amount sum = pieces == null ? total : pieces.total();
    if (sum == null) {
      throw Refusal.ofField("not-answered", "total", "Say how much there is.");
    }
    return sum;
  }

  /** What all pieces come to. */
  public Amount total() {
    return pieces.stream()
        .map(one -> Amount.ofMinor(one.of().minor() * one.count(), currency))
        .reduce(Amount.zero(currency), Amount::plus);
  }
}
