package org.yewledger.core.post;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * What is suggested for a waiting line.
 *
 * @param booking how to book it; null where it stands in the books already, and where nothing is
 *     known and the person answers
 * @param alternatives postings in the books that the line may be, nearest day first
 */
public record Proposal(
    UUID lineId,
    Reason reason,
    @Nullable Booking booking,
    Evidence evidence,
    List<OpenPosting> alternatives) {
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
      case Evidence.RuleFits(var rule) -> new Because(reason, rule.id());
      case Evidence.BookedBefore before -> new Because(reason, null);
      default -> Because.OF_AN_ANSWER;
    };
  }

  /** Whether it can be taken without a second look: nothing else is as likely, by what is known. */
  public boolean isSure() {
    return switch (evidence) {
      case Evidence.StandsInTheBooks known ->
          !known.rivalled() && (known.posting().awaited() || !known.sharedWords().isEmpty());
      case Evidence.OtherHalf half -> !half.rivalled() && half.named();
      case Evidence.RuleFits fits -> true;
      case Evidence.BookedBefore before -> before.always();
      case Evidence.None none -> false;
    };
  }
}
