package org.yewledger.core.post;

import java.util.List;
import java.util.Optional;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.post.Past.PastEntry;

/**
 * Books a line as its payee was booked last, if that is a habit: of the last three entries that
 * went the same way, at least two went the same way, the newest among them.
 */
final class LastTime {
  private static final int LOOKED_AT = 3;
  private static final int A_HABIT = 2;

  /** How it was booked, and which entries show it. */
  record Habit(Booking booking, Evidence.BookedBefore evidence) {}

  private LastTime() {}

  /** Cost: that of a few entries. */
  static Optional<Habit> of(WaitingLine waiting, Past past) {
    Amount amount = waiting.line().amount(waiting.account().currency());
    List<PastEntry> last =
        past.entries().stream()
            .filter(entry -> entry.whole().currency().equals(amount.currency()))
            .filter(entry -> entry.whole().sign() == amount.sign())
            .limit(LOOKED_AT)
            .toList();
    if (last.isEmpty()) {
      return Optional.empty();
    }
    PastEntry newest = last.getFirst();
    List<PastEntry> agreeing = last.stream().filter(newest::isLike).toList();
    if (agreeing.size() < A_HABIT || !isOpen(newest, waiting)) {
      return Optional.empty();
    }
    return parts(newest, amount)
        .map(parts ->
            new Habit(
                new Booking(past.payee(), "", parts),
                new Evidence.BookedBefore(
                    agreeing, agreeing.size() == LOOKED_AT, past.likeTexts())));
  }

  private static boolean isOpen(PastEntry entry, WaitingLine waiting) {
    return entry.parts().stream()
        .map(Past.PastPart::account)
        .noneMatch(account -> isClosed(account) || account.id().equals(waiting.account().id()));
  }

  private static boolean isClosed(Account account) {
    return account.closedOn() != null;
  }

  /**
   * All to one place; a split only if the amounts are those of last time, since nobody can tell.
   */
  private static Optional<List<Booking.Part>> parts(PastEntry entry, Amount amount) {
    if (entry.parts().size() == 1) {
      return Optional.of(List.of(part(entry.parts().getFirst(), amount)));
    }
    if (!entry.whole().equals(amount)) {
      return Optional.empty();
    }
    return Optional.of(entry.parts().stream().map(part -> part(part, part.amount())).toList());
  }

  private static Booking.Part part(Past.PastPart like, Amount amount) {
    return new Booking.Part(like.account(), amount, "", null, like.tax());
  }
}
