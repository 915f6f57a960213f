package org.yewledger.core.post;

import org.yewledger.core.gather.BankLine;
import org.yewledger.core.rules.Rule;

/** What is suggested for a waiting line, and the facts that support it. */
public sealed interface Proposal {
  Reason reason();

  /**
   * Why a line is booked so, if that is what a person accepts: the proposal where they took it as
   * it is, their own answer where they changed it.
   */
  Because because(Booking booking, BankLine line);

  /** A rule fits: its words are the evidence. */
  record ByRule(Rule rule) implements Proposal {
    @Override
    public Reason reason() {
      return Reason.RULE;
    }

    @Override
    public Because because(Booking booking, BankLine line) {
      String payee = rule.then().payee().isEmpty() ? line.text() : rule.then().payee();
      boolean asProposed =
          booking.parts().size() == 1
              && booking.parts().getFirst().account().id().equals(rule.then().accountId())
              && booking.payee().equals(payee);
      return asProposed ? new Because(Reason.RULE, rule.id()) : Because.OF_AN_ANSWER;
    }
  }

  /** Nothing is known; the person answers. */
  record OpenQuestion() implements Proposal {
    @Override
    public Reason reason() {
      return Reason.OPEN_QUESTION;
    }

    @Override
    public Because because(Booking booking, BankLine line) {
      return Because.OF_AN_ANSWER;
    }
  }
}
