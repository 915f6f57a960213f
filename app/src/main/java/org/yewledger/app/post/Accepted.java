package org.yewledger.app.post;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.chart.Chart;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.post.Booking;

/**
 * A line as the person accepted it: booked, as a transfer with its other half, or known. A transfer
 * without a booking is booked as the two halves say.
 *
 * @param version the state that the person saw
 */
public record Accepted(
    UUID lineId, int version, @Nullable Typed booking, @Nullable Half twin, @Nullable Known known) {

  /** A booking as it was typed: what its amounts are of follows from the line. */
  public interface Typed {
    /** The accounts that it names. */
    Collection<UUID> accountIds();

    Booking on(Account bankAccount, Chart chart);
  }

  /** Another line that is posted with the first. {@code version} is the state that was seen. */
  public record Half(UUID lineId, int version) {}

  /**
   * What a line is in the books already.
   *
   * @param postingIds the postings that it is; several where they add up to it
   * @param withLines the other lines that add up with it to the one posting
   * @param differenceTo where what the line moves beyond the one posting is booked; null if nothing
   */
  public record Known(List<UUID> postingIds, List<Half> withLines, @Nullable UUID differenceTo) {
    public Known {
      postingIds = List.copyOf(postingIds);
      withLines = List.copyOf(withLines);
    }

    /** That one posting, and nothing else. */
    public static Known as(UUID postingId) {
      return new Known(List.of(postingId), List.of(), null);
    }
  }

  /** Whether it is either booked or known. */
  boolean isAnswered() {
    return (booking != null || twin != null) != (known != null);
  }

  /** The line itself and all that are posted with it. */
  Stream<Half> seen() {
    Stream<Half> others = known == null ? Stream.ofNullable(twin) : known.withLines().stream();
    return Stream.concat(Stream.of(new Half(lineId, version)), others);
  }
}
