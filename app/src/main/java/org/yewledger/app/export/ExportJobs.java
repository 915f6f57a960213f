package org.yewledger.app.export;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.Role;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.formats.UnreadableFile;

/** Writes the exports whose time has come; of several instances one does. */
@Configuration
class ExportJobs {
  static final String NAME = "exports";

  private static final Logger LOG = LoggerFactory.getLogger(ExportJobs.class);
  private static final Duration LOOKED_EVERY = Duration.ofSeconds(30);

  /** An export, and as whom it is written. */
  record Due(UUID householdId, UUID id, UUID madeBy) {}

  @Bean
  RecurringTask<Void> exportsTask(JdbcClient jdbc, ExportService exports, Clock clock) {
    return Tasks.recurring(NAME, FixedDelay.of(LOOKED_EVERY))
        .execute((instance, context) -> writeDue(jdbc, exports, clock));
  }

  /** One that goes wrong does not hold up the others. */
  static void writeDue(JdbcClient jdbc, ExportService exports, Clock clock) {
    for (Due due : due(jdbc, clock)) {
      var person = new SignedIn(due.madeBy(), "", "", due.householdId(), Role.BOOKKEEPER);
      try {
        SignedIn.as(person, () -> written(exports, due.id()));
      } catch (RuntimeException e) {
        LOG.error("An export could not be written, nor that be kept.", e);
      }
    }
  }

  private static boolean written(ExportService exports, UUID id) {
    try {
      exports.writeDue(id);
      return true;
    } catch (Refusal | UnreadableFile e) {
      exports.notWritten(id, Objects.requireNonNull(e.getMessage()));
    } catch (NotFound gone) {
      LOG.info("An export was given up before its time.");
    } catch (RuntimeException e) {
      LOG.error("An export could not be written.", e);
      exports.notWritten(
          id, "Something went wrong. Whoever keeps the machine finds it in its log.");
    }
    return false;
  }

  private static List<Due> due(JdbcClient jdbc, Clock clock) {
    return jdbc.sql("select household_id, id, made_by from exports_due(?)")
        .param(Timestamp.from(clock.instant()))
        .query((row, no) ->
            new Due(
                Objects.requireNonNull(row.getObject(1, UUID.class)),
                Objects.requireNonNull(row.getObject(2, UUID.class)),
                Objects.requireNonNull(row.getObject(3, UUID.class))))
        .list();
  }
}
