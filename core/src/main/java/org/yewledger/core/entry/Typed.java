package org.yewledger.core.entry;

import java.util.List;

/** What a typed text comes to. */
public sealed interface Typed<T> {
  /** It means one thing. */
  record Means<T>(T value) implements Typed<T> {}

  /**
   * It may mean something, and a person is asked whether it does.
   *
   * @param question for the person
   * @param choices what it may mean; at least one
   */
  record Unclear<T>(String question, List<T> choices) implements Typed<T> {
    public Unclear {
      choices = List.copyOf(choices);
      if (choices.isEmpty()) {
        throw new IllegalArgumentException("a question needs a choice");
      }
    }
  }

  /**
   * It means nothing.
   *
   * @param reason for the person: what is wrong, and what may be typed
   */
  record Unreadable<T>(String reason) implements Typed<T> {}
}
