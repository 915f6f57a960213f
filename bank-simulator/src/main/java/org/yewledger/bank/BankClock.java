package org.yewledger.bank;

import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * The day by which lines are booked and consents end. It stands still where one is set, and can be
 * moved on, so that what takes days can be watched in minutes.
 */
@Component
class BankClock {
  private final Clock clock;
  private final AtomicInteger daysAhead = new AtomicInteger();

  BankClock(@Value("${bank.today}") String today) {
    clock =
        today.isEmpty()
            ? Clock.systemUTC()
            : Clock.fixed(
                LocalDate.parse(today).atTime(12, 0).toInstant(ZoneOffset.UTC), ZoneOffset.UTC);
  }

  LocalDate today() {
    return LocalDate.ofInstant(
        Clock.offset(clock, Duration.ofDays(daysAhead.get())).instant(), ZoneOffset.UTC);
  }

  void moveOn(int days) {
    daysAhead.addAndGet(days);
  }
}
