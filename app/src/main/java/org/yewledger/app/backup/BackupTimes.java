package org.yewledger.app.backup;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Tells how the daily backups stand; they are of all households. */
@Component
public class BackupTimes {
  private static final Duration LATE = Duration.ofHours(50);

  private final JdbcClient jdbc;
  private final Clock clock;
  private final String folder;

  BackupTimes(JdbcClient jdbc, Clock clock, @Value("${yew.backup.folder}") String folder) {
    this.jdbc = jdbc;
    this.clock = clock;
    this.folder = folder;
  }

  /**
   * @param lastGood when the last one was made that can be read back; null if there is none yet
   * @param failing whether the last one failed, or none was made for two days
   */
  public record Told(@Nullable Instant lastGood, boolean failing) {}

  /** Empty where no backups are made each day. Cost: a query by key. */
  @Transactional(propagation = Propagation.SUPPORTS)
  public Optional<Told> told() {
    if (folder.isEmpty()) {
      return Optional.empty();
    }
    return jdbc.sql(
            "select last_success, consecutive_failures from scheduled_tasks where task_name = ?")
        .param(DailyBackup.NAME)
        .query((row, at) -> told(row.getTimestamp(1), row.getInt(2)))
        .optional();
  }

  private Told told(@Nullable Timestamp lastSuccess, int failures) {
    Instant lastGood = lastSuccess == null ? null : lastSuccess.toInstant();
    boolean late = lastGood != null && lastGood.plus(LATE).isBefore(clock.instant());
    return new Told(lastGood, failures > 0 || late);
  }
}
