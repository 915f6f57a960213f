package org.yewledger.app.post;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.WaitingRows;
import org.yewledger.app.bankline.WaitingRows.Row;
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

  private final WaitingRows rows;
  private final RuleService rules;

  WaitingLines(WaitingRows rows, RuleService rules) {
    this.rows = rows;
    this.rules = rules;
  }

  /** The waiting lines of a book, or of all, oldest first. Cost: linear in their number. */
  @Transactional(readOnly = true)
  public List<Waiting> all(Chart chart, @Nullable UUID bookId) {
    List<UUID> accounts = chart.bankAccounts(bookId).map(Account::id).toList();
    Map<UUID, Proposer> proposers = new HashMap<>();
    return rows.of(accounts).stream()
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
}
