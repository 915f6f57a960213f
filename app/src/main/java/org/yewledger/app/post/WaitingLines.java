package org.yewledger.app.post;

import jakarta.persistence.EntityManager;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.rules.RuleService;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.post.Proposal;
import org.yewledger.core.post.Proposer;
import org.yewledger.core.post.Reason;

/** The waiting lines with a fresh proposal for each: a rule made a moment ago is already tried. */
@Component
public class WaitingLines {

  /** A waiting line. {@code version} is that of its state, to be sent back when posting. */
  public record Waiting(
      BankLineEntity row, int version, Account account, BankLine line, Proposal proposal) {
    public Reason reason() {
      return proposal.reason();
    }
  }

  public record Row(BankLineEntity line, int version) {}

  private final EntityManager entities;
  private final RuleService rules;

  WaitingLines(EntityManager entities, RuleService rules) {
    this.entities = entities;
    this.rules = rules;
  }

  /** The waiting lines of a book, or of all, oldest first. Cost: linear in their number. */
  @Transactional(readOnly = true)
  public List<Waiting> all(Chart chart, @Nullable UUID bookId) {
    List<UUID> accounts = chart.bankAccounts(bookId).map(Account::id).toList();
    Map<UUID, Proposer> proposers = new HashMap<>();
    return rows(accounts).stream()
        .map(row -> {
          Account account = chart.account(row.line().accountId());
          Proposer proposer =
              proposers.computeIfAbsent(
                  account.bookId(), book -> new Proposer(rules.ruleBook(book)));
          BankLine line = row.line().toBankLine();
          return new Waiting(
              row.line(), row.version(), account, line, proposer.propose(account.id(), line));
        })
        .toList();
  }

  private List<Row> rows(Collection<UUID> accounts) {
    return entities
        .createQuery(
            """
            select new %s(l, s.version) from BankLineState s join BankLine l on l.id = s.bankLineId
            where s.state = WAITING and s.accountId in :accounts order by l.bookedOn, l.id\
            """
                .formatted(Row.class.getName()),
            Row.class)
        .setParameter("accounts", accounts)
        .getResultList();
  }
}
