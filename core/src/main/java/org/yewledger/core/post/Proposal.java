package org.yewledger.core.post;

import java.math.BigDecimal;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;

/**
 * What is suggested for a waiting line.
 *
 * @param booking how to book it; null where it stands in the books already, and where nothing is
 *     known and the person answers
 * @param alternatives postings in the books that the line may be, nearest day first
 * @param name the payee as far as the line's text tells: whom it calls, else a name to begin with
 * @param alike the same for lines of a book that go the same way and are with the same
 */
public record Proposal(
    UUID lineId,
    Reason reason,
    @Nullable Booking booking,
    Evidence evidence,
    List<OpenPosting> alternatives,
    String name,
    String alike) {
  public Proposal {
    alternatives = List.copyOf(alternatives);
  }

  /**
   * Why a line is booked so, if this is what a person accepts: the proposal where they took it as
   * it is, their own answer where they changed payee or parts. A note may be added to either.
   */
  public Because because(Booking accepted) {
    boolean asProposed =
        booking != null
            && booking.payee().equals(accepted.payee())
            && booking.parts().equals(accepted.parts());
    if (!asProposed) {
      return Because.OF_AN_ANSWER;
    }
    return switch (evidence) {
      case Evidence.RuleFits fits -> new Because(reason, fits.rule().id());
      case Evidence.IsDue due -> new Because(reason, null);
      case Evidence.BookedBefore before -> new Because(reason, null);
      default -> Because.OF_AN_ANSWER;
    };
  }

  /**
   * Whether a rule or a schedule that the person trusts posts the line by itself: it is sure, the
   * amount is one that the schedule expects, or within the rule's limit, and in the book's
   * currency, and nothing in the books may be the same.
   */
  public boolean isTrusted(Account account, BankLine line) {
    if (!isSure() || !alternatives.isEmpty()) {
      return false;
    }
    if (evidence instanceof Evidence.IsDue due) {
      return due.item().schedule().trusted() && !account.isForeign();
    }
    if (!(evidence instanceof Evidence.RuleFits fits)) {
      return false;
    }
    BigDecimal limit = fits.rule().trustedUpTo();
    return limit != null
        && !account.isForeign()
        && line.amount(account.currency()).size().decimal().compareTo(limit) <= 0;
  }

  /** Whether it can be taken without a second look: nothing else is as likely, by what is known. */
  public boolean isSure() {
    return evidence.isSure();
  }
}
