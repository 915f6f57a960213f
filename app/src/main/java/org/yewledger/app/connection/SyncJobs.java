package org.yewledger.app.connection;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.exceptions.TaskInstanceCurrentlyExecutingException;
import com.github.kagkarlsson.scheduler.exceptions.TaskInstanceNotFoundException;
import com.github.kagkarlsson.scheduler.task.CompletionHandler;
import com.github.kagkarlsson.scheduler.task.TaskInstanceId;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.io.Serializable;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import javax.sql.DataSource;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import org.yewledger.app.platform.Role;
import org.yewledger.app.platform.SignedIn;

/**
 * The jobs that fetch, one for each connected account, kept in the database by db-scheduler: a
 * restart goes on with them, and of several instances of the application one does each. What recurs
 * in other packages runs with them. The scheduler works on connections of its own: it is called
 * when a transaction has been committed already.
 */
@Component
class SyncJobs implements SmartLifecycle {
  private static final String NAME = "sync";
  private static final int THREADS = 3;
  private static final Duration POLL = Duration.ofSeconds(1);
  private static final Duration HEARTBEAT = Duration.ofSeconds(20);
  private static final int MISSED_HEARTBEATS = 4;

  /** Whose account is fetched, and as whom. Kept as JSON by {@link JobData}. */
  record SyncOf(UUID householdId, UUID personId, UUID connectedId) implements Serializable {
    private static final long serialVersionUID = 1L; // jobs kept before they were JSON
  }

  private final CustomTask<SyncOf> task;
  private final Scheduler scheduler;
  private final boolean runsJobs;
  private volatile boolean running;

  SyncJobs(
      SyncService syncs,
      DataSource dataSource,
      List<RecurringTask<?>> recurring,
      Clock clock,
      @Value("${yew.jobs}") boolean runsJobs) {
    this.runsJobs = runsJobs;
    this.task =
        Tasks.custom(NAME, SyncOf.class)
            .onDeadExecutionRevive()
            .execute((instance, context) -> run(syncs, instance.getData(), clock));
    this.scheduler =
        Scheduler.create(dataSource, task)
            .startTasks(recurring)
            .serializer(new JobData())
            .threads(THREADS)
            .pollingInterval(POLL)
            .heartbeatInterval(HEARTBEAT)
            .missedHeartbeatsLimit(MISSED_HEARTBEATS)
            .build();
  }

  private static CompletionHandler<SyncOf> run(SyncService syncs, SyncOf of, Clock clock) {
    var person = new SignedIn(of.personId(), "", "", of.householdId(), Role.BOOKKEEPER);
    Optional<Instant> next = SignedIn.as(person, () -> syncs.sync(of.connectedId()));
    return (complete, operations) ->
        next.ifPresentOrElse(
            at -> operations.reschedule(complete, dueAt(at, clock)), operations::remove);
  }

  /** The scheduler goes by the system's clock, which may not be the application's. */
  private static Instant dueAt(Instant at, Clock clock) {
    return Instant.now().plus(Duration.between(clock.instant(), at));
  }

  /** Fetches an account as soon as possible; if that is under way already, nothing is added. */
  void soon(UUID connectedId) {
    SignedIn person = SignedIn.now();
    var of = new SyncOf(person.householdId(), person.personId(), connectedId);
    String instance = connectedId.toString();
    Instant now = Instant.now();
    if (!scheduler.scheduleIfNotExists(task.instance(instance, of), now)) {
      try {
        scheduler.reschedule(TaskInstanceId.of(NAME, instance), now);
      } catch (TaskInstanceCurrentlyExecutingException | TaskInstanceNotFoundException e) {
        // It runs at this moment, or has just ended: either way its lines are fresh.
        return;
      }
    }
  }

  /** Takes an account out of the jobs. */
  void never(UUID connectedId) {
    try {
      scheduler.cancel(TaskInstanceId.of(NAME, connectedId.toString()));
    } catch (TaskInstanceCurrentlyExecutingException | TaskInstanceNotFoundException e) {
      // A run under way finds the connection ended and does not come back.
      return;
    }
  }

  /** An instance of the application can leave the jobs to others. */
  @Override
  public boolean isAutoStartup() {
    return runsJobs;
  }

  @Override
  public void start() {
    scheduler.start();
    running = true;
  }

  @Override
  public void stop() {
    scheduler.stop();
    running = false;
  }

  @Override
  public boolean isRunning() {
    return running;
  }
}
