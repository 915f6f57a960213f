package org.yewledger.app.backup;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.Schedules;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalTime;
import java.time.ZoneId;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** A backup each day, where a folder for them is set; of several instances one makes it. */
@Configuration
@ConditionalOnExpression("!'${yew.backup.folder}'.isEmpty()")
class DailyBackup {
  static final String NAME = "backup";

  private static final Logger LOG = LoggerFactory.getLogger(DailyBackup.class);

  /**
   * @param keep how many are kept
   * @param at the time of day, by the server's clock
   */
  @Bean
  RecurringTask<Void> dailyBackupTask(
      @Value("${yew.backup.folder}") Path folder,
      @Value("${yew.backup.keep}") int keep,
      @Value("${yew.backup.at}") String at,
      @Value("${yew.backup.pg-dump}") String pgDump,
      @Value("${spring.flyway.url}") String url,
      @Value("${spring.flyway.user}") String owner,
      @Value("${spring.flyway.password}") String password,
      Clock clock) {
    if (keep < 1) {
      throw new IllegalArgumentException("YEW_BACKUP_KEEP is how many backups stay: 1 or more");
    }
    var backups = new Backups(new Database(url, owner, password), pgDump);
    return Tasks.recurring(NAME, Schedules.daily(ZoneId.systemDefault(), LocalTime.parse(at)))
        .execute((instance, context) -> make(backups, folder, keep, clock));
  }

  /** What fails is told in the Almanac, and tried again the next day. */
  private static void make(Backups backups, Path folder, int keep, Clock clock) {
    try {
      LOG.info("The backup {} is made.", backups.makeIn(folder, keep, clock.instant()));
    } catch (BackupRefused refused) {
      LOG.warn("No backup was made: {}", refused.getMessage());
      throw new IllegalStateException(refused);
    } catch (InterruptedException ended) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(ended);
    }
  }
}
