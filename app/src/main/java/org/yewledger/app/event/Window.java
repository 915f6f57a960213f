package org.yewledger.app.event;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.util.UUID;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.yewledger.app.event.Events.Progress;

/**
 * One open window, told by server-sent events (HTML Living Standard, 9.2) from a thread of its own,
 * so that a slow one keeps nobody waiting. It is let go after some minutes and comes again with its
 * session, if that still holds.
 */
final class Window {
  private static final Duration LASTS = Duration.ofMinutes(10);
  private static final Duration BEAT = Duration.ofSeconds(15);
  private static final Object CHANGED = new Object();
  private static final Object OVER = new Object();
  private static final int MOST_WAITING = 200;

  private final UUID person;
  private final Consumer<Window> gone;
  private final SseEmitter emitter = new SseEmitter(LASTS.toMillis());
  private final BlockingQueue<Object> mailbox = new LinkedBlockingQueue<>(MOST_WAITING);

  Window(UUID person, Consumer<Window> gone) {
    this.person = person;
    this.gone = gone;
    emitter.onCompletion(this::close);
    emitter.onTimeout(this::close);
    emitter.onError(e -> close());
    greet();
    Thread.ofVirtual().name("window").start(this::tell);
  }

  SseEmitter emitter() {
    return emitter;
  }

  boolean isOf(UUID other) {
    return person.equals(other);
  }

  /** One change not yet told stands for all that follow it. */
  void changed() {
    if (!mailbox.contains(CHANGED)) {
      mailbox.offer(CHANGED);
    }
  }

  void progress(Progress progress) {
    mailbox.offer(progress);
  }

  void close() {
    gone.accept(this);
    mailbox.clear();
    mailbox.offer(OVER);
  }

  /** Written by the thread of the request: two that begin a response disturb each other. */
  private void greet() {
    try {
      emitter.send(SseEmitter.event().comment("listening"));
    } catch (IOException impossible) {
      throw new UncheckedIOException("nothing is written yet", impossible);
    }
  }

  private void tell() {
    try {
      while (true) {
        Object letter = mailbox.poll(BEAT.toMillis(), TimeUnit.MILLISECONDS);
        if (letter == OVER) {
          break;
        }
        emitter.send(event(letter));
      }
      emitter.complete();
    } catch (IOException e) {
      gone.accept(this); // The window was closed; the server ends the answer by itself.
    } catch (IllegalStateException e) {
      gone.accept(this);
      emitter.complete(); // The window may still be there: it comes again when its answer ends.
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      gone.accept(this);
    }
  }

  private static SseEmitter.SseEventBuilder event(@Nullable Object letter) {
    if (letter == CHANGED) {
      return SseEmitter.event().name("changed").data("");
    }
    return letter instanceof Progress progress
        ? SseEmitter.event().name("progress").data(progress)
        : SseEmitter.event().comment("still here");
  }
}
