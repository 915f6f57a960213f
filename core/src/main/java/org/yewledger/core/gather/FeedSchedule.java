package org.yewledger.core.gather;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;

/**
 * When a feed is refreshed: every day at a time of day in a zone. Where the clocks skip that time,
 * the refresh is as much later as they are put forward.
 */
public record FeedSchedule(LocalTime at, ZoneId zone) {
  private static final Duration FIRST_WAIT = Duration.ofSeconds(15);
  private static final Duration LONGEST_WAIT = Duration.ofHours(2);

  /** The next refresh strictly after an instant. */
  public Instant next(Instant now) {
    ZonedDateTime here = now.atZone(zone);
    Instant today = ZonedDateTime.of(here.toLocalDate(), at, zone).toInstant();
    return today.isAfter(now)
        ? today
        : ZonedDateTime.of(here.toLocalDate().plusDays(1), at, zone).toInstant();
  }

  /**
   * How long to wait after a failure: 15 seconds, then twice as long each time, two hours at most.
   *
   * @param failures how many times in a row it has failed, from 1
   */
  public static Duration waitAfter(int failures) {
    // Ten doublings are beyond the longest wait; more would overflow.
    Duration wait = FIRST_WAIT.multipliedBy(1L << Math.min(failures - 1, 10));
    return wait.compareTo(LONGEST_WAIT) > 0 ? LONGEST_WAIT : wait;
  }
}
