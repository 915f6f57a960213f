package org.yewledger.app.household;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Slows guessing of passwords: after five failures for an email or from an address, the sixth try
 * has to wait 15 minutes after the last. Kept in the database, so all instances count together.
 */
@Component
class SignInThrottle {
  static final int FREE_FAILURES = 5;
  static final Duration PAUSE = Duration.ofMinutes(15);

  private final JdbcClient jdbc;
  private final Clock clock;

  SignInThrottle(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  @Transactional(propagation = Propagation.REQUIRES_NEW)
  public boolean mustWait(String who) {
    Instant since = clock.instant().minus(PAUSE);
    return jdbc.sql(
                "select count(*) from sign_in_attempt where who = ? and failures >= ? and last_at >"
                    + " ?")
            .params(who, FREE_FAILURES, Timestamp.from(since))
            .query(Long.class)
            .single()
        > 0;
  }

  /** Counts a failure; one that comes after a pause begins the count again. */
  @Transactional(propagation = Propagation.REQUIRES_NEW)
  public void failed(String who) {
    Timestamp now = Timestamp.from(clock.instant());
    jdbc.sql(
            """
            insert into sign_in_attempt as past (who, failures, last_at) values (?, 1, ?)
            on conflict (who) do update
              set failures = case when past.last_at < ? then 1 else past.failures + 1 end,
                  last_at = excluded.last_at\
            """)
        .params(who, now, Timestamp.from(clock.instant().minus(PAUSE)))
        .update();
  }

  @Transactional(propagation = Propagation.REQUIRES_NEW)
  public void succeeded(String who) {
    jdbc.sql("delete from sign_in_attempt where who = ?").param(who).update();
  }
}
