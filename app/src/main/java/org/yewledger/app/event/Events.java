package org.yewledger.app.event;

import jakarta.annotation.PreDestroy;
import java.util.Map;
import java.util.Queue;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.function.Supplier;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.yewledger.app.platform.SignedIn;

/**
 * Tells the open windows of a household that its books have changed, and those of a person how far
 * their long work has come. What has changed is not told: a window reads it with its own rights.
 * Changes reach the windows of other instances too; how far work has come is told by the instance
 * that does it.
 */
@Component
public class Events {
  /** So many windows of one person are told; beyond that the oldest is let go. */
  private static final int MOST_WINDOWS = 12;

  private final Map<UUID, Queue<Window>> byHousehold = new ConcurrentHashMap<>();
  private final OtherInstances others;
  private final JdbcClient jdbc;

  Events(OtherInstances others, JdbcClient jdbc) {
    this.others = others;
    this.jdbc = jdbc;
    others.listen(
        household -> windows(household).forEach(Window::changed),
        () -> byHousehold.values().forEach(windows -> windows.forEach(Window::changed)));
  }

  /**
   * How far some work has come.
   *
   * @param work what is done, such as the name of a file
   * @param step what is going on, for the person; empty when it is over
   */
  public record Progress(String work, String step) {}

  /** A window that wants to be told. */
  Window listen(SignedIn person) {
    Queue<Window> windows =
        byHousehold.computeIfAbsent(person.householdId(), h -> new ConcurrentLinkedQueue<>());
    var window = new Window(person.personId(), windows::remove);
    windows.add(window);
    windows.stream()
        .filter(w -> w.isOf(person.personId()))
        .limit(
            Math.max(
                0, windows.stream().filter(w -> w.isOf(person.personId())).count() - MOST_WINDOWS))
        .toList()
        .forEach(Window::close);
    return window;
  }

  /** The books change when the transaction under way is committed. */
  public void changesWithTransaction() {
    UUID household = SignedIn.now().householdId();
    tellOthers(household);
    TransactionSynchronizationManager.registerSynchronization(
        new TransactionSynchronization() {
          @Override
          public void afterCommit() {
            windows(household).forEach(Window::changed);
          }
        });
  }

  /** Something of the household that windows show is otherwise now. */
  public void changed(UUID household) {
    tellOthers(household);
    windows(household).forEach(Window::changed);
  }

  /** With the transaction under way, or at once. */
  private void tellOthers(UUID household) {
    jdbc.sql(OtherInstances.NOTIFY).param(others.message(household)).query(row -> {});
  }

  /** Tells the person's own windows; an empty step says that the work is over. */
  public void progress(Progress progress) {
    SignedIn person = SignedIn.now();
    windows(person.householdId()).stream()
        .filter(w -> w.isOf(person.personId()))
        .forEach(w -> w.progress(progress));
  }

  /** Tells the person's own windows of work as long as it lasts. */
  public <T> T during(Progress progress, Supplier<T> work) {
    progress(progress);
    try {
      return work.get();
    } finally {
      progress(new Progress(progress.work(), ""));
    }
  }

  private Queue<Window> windows(UUID household) {
    return byHousehold.getOrDefault(household, new ConcurrentLinkedQueue<>());
  }

  @PreDestroy
  void closeAll() {
    byHousehold.values().forEach(windows -> windows.forEach(Window::close));
  }
}
