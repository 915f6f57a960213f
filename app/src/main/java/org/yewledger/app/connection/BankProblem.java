package org.yewledger.app.connection;

import java.time.Duration;
import org.jspecify.annotations.Nullable;

/** A bank that does not answer as it should. The message is for people. */
final class BankProblem extends RuntimeException {
  private static final long serialVersionUID = 1L;

  /** What can be done about it. */
  enum Kind {
    /** Try again later. */
    LATER,
    /** The person has to give consent again. */
    CONSENT,
    /** Asking again would not help. */
    FATAL
  }

  private final Kind kind;
  private final @Nullable Duration retryAfter;

  BankProblem(Kind kind, String message, @Nullable Duration retryAfter) {
    super(message);
    this.kind = kind;
    this.retryAfter = retryAfter;
  }

  Kind kind() {
    return kind;
  }

  /** How long the bank asks to be left alone; null if it does not say. */
  @Nullable Duration retryAfter() {
    return retryAfter;
  }
}
