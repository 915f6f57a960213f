package org.yewledger.core.rules;

import java.util.UUID;

/** What a person should know of a rule that does not do what it was made for. */
public sealed interface Warning {
  /**
   * Earlier rules take all of its lines.
   *
   * @param byId the rule that takes most of them
   * @param lines how many of the last twelve months; 0 if there were none
   * @param proved whether that follows from what the two say, whatever lines come
   */
  record NeverFires(UUID byId, int lines, boolean proved) implements Warning {}

  /** Most of the lines that it decides were booked to other accounts than it says. */
  record BookedElsewhere(int lines, int of) implements Warning {}

  /** It takes money in and money out alike, and says nothing of the way. */
  record BothWays(int in, int out) implements Warning {}

  /** No line of the last twelve months fits it. */
  record Idle() implements Warning {}

  /** It books to an account that was closed, so it is not tried. */
  record Quiet(UUID accountId) implements Warning {}
}
