package org.yewledger.core.gather;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Random;
import org.testng.annotations.Test;

public class FeedScheduleTest {
  private static final FeedSchedule SIX =
      new FeedSchedule(LocalTime.of(6, 0), ZoneId.of("Europe/Amsterdam"));

  @Test
  public void itIsTheTimeOfDayOfTheZoneInSummerAndWinter() {
    assertEquals(
        SIX.next(Instant.parse("2026-10-05T03:59:00Z")), Instant.parse("2026-10-05T04:00:00Z"));
    assertEquals(
        SIX.next(Instant.parse("2026-10-05T04:00:00Z")), Instant.parse("2026-10-06T04:00:00Z"));
    assertEquals(
        SIX.next(Instant.parse("2026-10-24T10:00:00Z")), Instant.parse("2026-10-25T05:00:00Z"));
  }

  @Test
  public void aTimeThatTheClocksSkipIsLater() {
    var halfPastTwo = new FeedSchedule(LocalTime.of(2, 30), ZoneId.of("Europe/Amsterdam"));
    assertEquals(
        halfPastTwo.next(Instant.parse("2026-03-28T12:00:00Z")),
        Instant.parse("2026-03-29T01:30:00Z"));
  }

  @Test
  public void itIsAlwaysLaterAndWithinTwentyFiveHours() {
    var random = new Random(7);
    for (int i = 0; i < 2_000; i++) {
      Instant now = Instant.ofEpochSecond(1_760_000_000L + random.nextInt(80_000_000));
      var schedule =
          new FeedSchedule(LocalTime.of(random.nextInt(24), random.nextInt(60)), SIX.zone());
      Duration wait = Duration.between(now, schedule.next(now));
      assertTrue(wait.toSeconds() > 0 && wait.toHours() <= 25, now + " " + schedule + " " + wait);
    }
  }

  @Test
  public void waitsDoubleUpToTwoHours() {
    assertEquals(FeedSchedule.waitAfter(1), Duration.ofSeconds(15));
    assertEquals(FeedSchedule.waitAfter(3), Duration.ofSeconds(60));
    assertEquals(FeedSchedule.waitAfter(10), Duration.ofHours(2));
    assertEquals(FeedSchedule.waitAfter(500), Duration.ofHours(2));
  }
}
