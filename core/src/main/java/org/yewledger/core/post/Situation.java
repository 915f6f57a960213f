package org.yewledger.core.post;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.ExchangeRates;
import org.yewledger.core.rules.LastingWords;
import org.yewledger.core.rules.RuleBook;
import org.yewledger.core.schedule.DueItem;

/**
 * All that bears on how waiting lines are booked. Proposals follow from it and from nothing else.
 *
 * @param lines those that wait
 * @param open postings that no bank line has confirmed yet
 * @param rules by the book whose lines they are for; a book without rules may be missing
 * @param accounts those that rules book to, by identity
 * @param tails the last digits of accounts, by which bank lines name them
 * @param rates for transfers across currencies
 * @param past how payees were booked before, by the {@linkplain LastingWords lasting words} of the
 *     lines that they are known by
 * @param due items of schedules that are expected
 */
public record Situation(
    List<WaitingLine> lines,
    List<OpenPosting> open,
    Map<UUID, RuleBook> rules,
    Map<UUID, Account> accounts,
    Map<UUID, String> tails,
    ExchangeRates rates,
    Map<String, Past> past,
    List<DueItem> due) {
  public Situation {
    lines = List.copyOf(lines);
    open = List.copyOf(open);
    rules = Map.copyOf(rules);
    accounts = Map.copyOf(accounts);
    tails = Map.copyOf(tails);
    past = Map.copyOf(past);
    due = List.copyOf(due);
  }

  /** Where nothing is due. */
  public Situation(
      List<WaitingLine> lines,
      List<OpenPosting> open,
      Map<UUID, RuleBook> rules,
      Map<UUID, Account> accounts,
      Map<UUID, String> tails,
      ExchangeRates rates,
      Map<String, Past> past) {
    this(lines, open, rules, accounts, tails, rates, past, List.of());
  }

  /** How the payee of a line was booked before, if its text tells it. */
  Optional<Past> pastOf(WaitingLine waiting) {
    return Optional.ofNullable(past.get(LastingWords.of(waiting.line()).toString()));
  }
}
