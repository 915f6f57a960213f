package org.yewledger.core.post;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.yewledger.core.gather.BankLine;

/**
 * A posting in the books that no bank line has confirmed yet. A waiting line of the same amount may
 * be just that, such as the other half of a transfer, and must then not be booked again.
 *
 * @param text what the entry says of itself: its payee and its note
 * @param awaited whether another bank line made the entry, so that this side's line is to come
 */
public record OpenPosting(
    UUID id, UUID accountId, LocalDate date, long amountMinor, String text, boolean awaited) {
  /** Banks take a weekend and a holiday; further apart, equal amounts are a coincidence. */
  public static final int WINDOW_DAYS = 7;

  /** The postings that the line may stand for, nearest day first. Cost: linear. */
  public static List<OpenPosting> thatMayBe(
      UUID accountId, BankLine line, List<OpenPosting> postings) {
    return postings.stream()
        .filter(p -> p.accountId.equals(accountId) && p.amountMinor == line.amountMinor())
        .filter(p -> p.daysFrom(line) <= WINDOW_DAYS)
        .sorted(Comparator.comparingLong(p -> p.daysFrom(line)))
        .toList();
  }

  public long daysFrom(BankLine line) {
    return Math.abs(ChronoUnit.DAYS.between(date, line.bookedOn()));
  }
}
