package org.yewledger.app.post;

import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
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

  /** A waiting line with its proposal. */
  public record Waiting(Row row, Account account, BankLine line, Proposal proposal) {
    public Reason reason() {
      return proposal.reason();
    }

    /** That of the line's state, to be sent back when posting. */
    public int version() {
      return row.version();
    }
  }

  /** A line as the query reads it: of a hundred thousand, entities would cost twice as much. */
  public record Row(
      UUID id,
      UUID batchId,
      UUID accountId,
      LocalDate bookedOn,
      @Nullable LocalDate valueOn,
      long amountMinor,
      String payee,
      String memo,
      String reference,
      String type,
      @Nullable String identity,
      int sourceLine,
      int version) {

    BankLine toBankLine() {
      return new BankLine(
          bookedOn, valueOn, amountMinor, payee, memo, reference, type, identity, "", sourceLine);
    }
  }

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
          Account account = chart.account(row.accountId());
          Proposer proposer =
              proposers.computeIfAbsent(
                  account.bookId(), book -> new Proposer(rules.ruleBook(book)));
          BankLine line = row.toBankLine();
          return new Waiting(row, account, line, proposer.propose(account.id(), line));
        })
        .toList();
  }

  private List<Row> rows(Collection<UUID> accounts) {
    return entities
        .createQuery(
            """
            select new %s(l.id, l.batchId, l.accountId, l.bookedOn, l.valueOn, l.amountMinor, l.payee,
                l.memo, l.reference, l.type, l.identity, l.sourceLine, s.version)
            from BankLineState s join BankLine l on l.id = s.bankLineId
            where s.state = WAITING and s.accountId in :accounts order by l.bookedOn, l.id\
            """
                .formatted(Row.class.getName()),
            Row.class)
        .setParameter("accounts", accounts)
        .getResultList();
  }
}
