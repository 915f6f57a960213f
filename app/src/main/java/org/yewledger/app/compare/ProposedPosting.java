package org.yewledger.app.compare;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.compare.ComparisonJson.WouldBePostedJson;
import org.yewledger.app.post.Accepted;
import org.yewledger.app.post.WaitingLines.Waiting;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.post.Booking;
import org.yewledger.core.post.Evidence;

/**
 * How a waiting line would be posted as it is proposed.
 *
 * @param twinId the other half of a transfer, which is posted with it; null if it is none
 */
record ProposedPosting(
    Waiting waiting, Booking booking, @Nullable UUID twinId, List<Account> accounts) {

  /** Empty where a person has to say what the line is. */
  static Optional<ProposedPosting> of(Waiting waiting, Chart chart) {
    Booking booking = waiting.proposal().booking();
    if (booking == null || booking.restToSuspense()) {
      return Optional.empty();
    }
    UUID twin =
        waiting.proposal().evidence() instanceof Evidence.OtherHalf half ? half.twinId() : null;
    return Optional.of(
        new ProposedPosting(
            waiting,
            booking,
            twin,
            booking.parts().stream().map(part -> chart.account(part.account().id())).toList()));
  }

  WouldBePostedJson json() {
    return new WouldBePostedJson(
        booking.payee(),
        accountIds(),
        accounts.stream().map(Account::name).toList(),
        waiting.proposal().isSure());
  }

  List<UUID> accountIds() {
    return accounts.stream().map(Account::id).toList();
  }

  boolean isAs(String payee, List<UUID> accountIds) {
    return booking.payee().equals(payee) && accountIds().equals(accountIds);
  }

  /**
   * @param seen the version of the line's state that the person saw
   * @param waits the waiting lines that it was proposed among, by their ids
   */
  Accepted accepted(int seen, Map<UUID, Waiting> waits) {
    Waiting twin = twinId == null ? null : waits.get(twinId);
    return new Accepted(
        waiting.row().id(),
        seen,
        typed(),
        twin == null ? null : new Accepted.Half(twin.row().id(), twin.version()),
        null);
  }

  /** The line, and the other half of a transfer. */
  Stream<UUID> lineIds() {
    return Stream.concat(Stream.of(waiting.row().id()), Stream.ofNullable(twinId));
  }

  private Accepted.Typed typed() {
    return new Accepted.Typed() {
      @Override
      public Collection<UUID> accountIds() {
        return ProposedPosting.this.accountIds();
      }

      @Override
      public Booking on(Account bankAccount, Chart chart) {
        return booking;
      }
    };
  }
}
