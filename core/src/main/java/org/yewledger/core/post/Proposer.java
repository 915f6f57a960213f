package org.yewledger.core.post;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.rules.Rule;
import org.yewledger.core.rules.RuleBook;

/**
 * Works out the proposal for each waiting line, trying the {@linkplain Reason reasons} in order.
 *
 * <p>Cost: linear in lines and open postings, and what {@link RuleBook} says for the rules.
 */
public final class Proposer {
  private record OnAccount(UUID accountId, long amountMinor) {}

  private final Situation situation;
  private final Map<OnAccount, List<OpenPosting>> open = new HashMap<>();

  private Proposer(Situation situation) {
    this.situation = situation;
    for (OpenPosting posting : situation.open()) {
      open.computeIfAbsent(
              new OnAccount(posting.accountId(), posting.amountMinor()),
              a -> new java.util.ArrayList<>())
          .add(posting);
    }
  }

  /** One proposal for each line, in the order of the lines. */
  public static List<Proposal> proposals(Situation situation) {
    var proposer = new Proposer(situation);
    return situation.lines().stream().map(proposer::propose).toList();
  }

  private Proposal propose(WaitingLine waiting) {
    List<OpenPosting> alternatives =
        OpenPosting.thatMayBe(
            waiting.account().id(),
            waiting.line(),
            open.getOrDefault(
                new OnAccount(waiting.account().id(), waiting.line().amountMinor()), List.of()));
    return rule(waiting)
        .map(rule ->
            new Proposal(
                waiting.id(),
                Reason.RULE,
                booking(rule, waiting),
                new Evidence.RuleFits(rule),
                alternatives))
        .orElseGet(() ->
            new Proposal(
                waiting.id(), Reason.OPEN_QUESTION, null, new Evidence.None(), alternatives));
  }

  private Optional<Rule> rule(WaitingLine waiting) {
    RuleBook rules = situation.rules().get(waiting.account().bookId());
    return rules == null
        ? Optional.empty()
        : rules.firstMatch(waiting.account().id(), waiting.line());
  }

  private Booking booking(Rule rule, WaitingLine waiting) {
    Account to = Objects.requireNonNull(situation.accounts().get(rule.then().accountId()));
    String payee = rule.then().payee().isEmpty() ? waiting.line().text() : rule.then().payee();
    return Booking.plain(payee, to, waiting.line(), waiting.account());
  }
}
