package org.yewledger.core.post;

import java.util.UUID;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.rules.RuleBook;

/** Finds the proposal for each waiting line, trying the {@linkplain Reason reasons} in order. */
public final class Proposer {
  private final RuleBook rules;

  public Proposer(RuleBook rules) {
    this.rules = rules;
  }

  public Proposal propose(UUID accountId, BankLine line) {
    return rules
        .firstMatch(accountId, line)
        .<Proposal>map(Proposal.ByRule::new)
        .orElseGet(Proposal.OpenQuestion::new);
  }
}
