package org.yewledger.app.reconcile;

import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.reconcile.CoveredPostings.TickedPosting;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.Flows;
import org.yewledger.core.reconcile.Proof;
import org.yewledger.core.reconcile.Reconciliation;
import org.yewledger.core.reconcile.StatementChain;
import org.yewledger.core.reconcile.WhereItParts;
import org.yewledger.core.reconcile.WhereItParts.Ticked;

/** Sets a reconciliation out as its proof. */
@Service
class ProofService {
  private final StatementLines statementLines;

  ProofService(StatementLines statementLines) {
    this.statementLines = statementLines;
  }

  /**
   * @param ticked what is ticked for the statement
   * @param open what could be, still
   */
  @Transactional(readOnly = true)
  ProofJson proof(
      StatementEntity statement,
      Account account,
      StatementChain chain,
      Reconciliation sum,
      List<TickedPosting> ticked,
      Flows open) {
    List<BankLine> lines = statementLines.of(statement);
    Proof proof = Proof.of(statement.says(account.currency()), lines, sum);
    if (lines.isEmpty()) {
      return ProofJson.of(proof, open, null, List.of());
    }
    LocalDate firstDay =
        chain
            .before(statement.closesOn())
            .map(before -> before.closesOn().plusDays(1))
            .orElseGet(
                () -> Objects.requireNonNullElse(account.opensOn(), lines.getFirst().bookedOn()));
    Amount openingApart =
        Objects.requireNonNullElse(proof.apart().opening(), Amount.zero(account.currency()));
    List<Ticked> days =
        ticked.stream().map(p -> new Ticked(p.date(), p.amount(account.currency()))).toList();
    return ProofJson.of(
        proof, open, lines.size(), WhereItParts.of(openingApart, firstDay, lines, days));
  }
}
