package org.yewledger.core.chart;

import java.time.LocalDate;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;

/**
 * The opening balance of two accounts made one. Balances add up only if they are of one day: what
 * the one held on the day of the other, nobody has said.
 */
public record MergedOpening(LocalDate opensOn, Amount balance) {
  /**
   * An account and its opening balance.
   *
   * @param balance in its currency; null if it has none
   */
  public record One(Account account, @Nullable Amount balance) {
    private Amount orZero() {
      return balance == null ? Amount.zero(account.currency()) : balance;
    }
  }

  private static final LocalDate NEVER = LocalDate.EPOCH;

  /**
   * @param firstEntry of the account merged into; null if none
   * @param agreedThrough the last day through which that account agrees with statements, which
   *     begin with its opening balance; null if none does
   * @throws Refusal {@code openings-differ}, {@code before-opening} or {@code opening-agreed}
   */
  public static MergedOpening of(
      One from, One into, @Nullable LocalDate firstEntry, @Nullable LocalDate agreedThrough) {
    LocalDate day = from.account().opensOn();
    LocalDate other = into.account().opensOn();
    Amount given = from.balance();
    if (given == null || day == null) {
      return new MergedOpening(Objects.requireNonNullElse(other, NEVER), into.orZero());
    }
    if (other != null && !other.equals(day)) {
      throw Refusal.ofField(
          "openings-differ",
          "intoId",
          "%s opens on %s and %s on %s. Set both to one day on the sheet of opening balances, then merge."
              .formatted(from.account().name(), day, into.account().name(), other));
    }
    if (firstEntry != null && firstEntry.isBefore(day)) {
      throw Refusal.ofField(
          "before-opening",
          "intoId",
          "%s has an entry on %s, before %s opens on %s."
              .formatted(into.account().name(), firstEntry, from.account().name(), day));
    }
    if (agreedThrough != null) {
      throw Refusal.ofField(
          "opening-agreed",
          "intoId",
          "%s agrees with its statements through %s, and they begin with its opening balance. Set that of %s to zero first."
              .formatted(into.account().name(), agreedThrough, from.account().name()));
    }
    return new MergedOpening(day, given.plus(into.orZero()));
  }
}
