package org.yewledger.core.post;

import org.yewledger.core.rules.Rule;

/** What is suggested for a waiting line, and the facts that support it. */
public sealed interface Proposal {
  Reason reason();

  /** A rule fits: its words are the evidence. */
  record ByRule(Rule rule) implements Proposal {
    @Override
    public Reason reason() {
      return Reason.RULE;
    }
  }

  /** Nothing is known; the person answers. */
  record OpenQuestion() implements Proposal {
    @Override
    public Reason reason() {
      return Reason.OPEN_QUESTION;
    }
  }
}
