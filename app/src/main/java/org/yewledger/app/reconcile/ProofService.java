package org.yewledger.app.reconcile;

import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.journal.PostingEntity;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.Flows;
import org.yewledger.core.reconcile.Proof;
import org.yewledger.core.reconcile.Reconciliation;
import org.yewledger.core.reconcile.StatementChain;
import org.yewledger.core.reconcile.StatementFigures;
import org.yewledger.core.reconcile.WhereItParts;
import org.yewledger.core.reconcile.WhereItParts.Ticked;

/** Sets a reconciliation out as its proof. */
@Service
class ProofService {
  private final EntityManager entities;

  ProofService(EntityManager entities) {
    this.entities = entities;
  }

  /**
   * @param covered the postings that the statement may cover, ticked or not
   */
  @Transactional(readOnly = true)
  ProofJson proof(
      StatementEntity statement,
      Account account,
      StatementChain chain,
      Reconciliation sum,
      List<PostingEntity> covered) {
    StatementFigures says = statement.says(account.currency());
    List<BankLine> lines = lines(statement);
    Proof proof = Proof.of(says, lines, sum);
    Flows open =
        Flows.of(
            account.currency(),
            covered.stream()
                .filter(p -> p.statementId() == null)
                .map(p -> p.amount(account.currency()))
                .toList());
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
    List<Ticked> ticked =
        covered.stream()
            .filter(p -> statement.id().equals(p.statementId()))
            .map(p -> new Ticked(p.date(), p.amount(account.currency())))
            .toList();
    return ProofJson.of(
        proof, open, lines.size(), WhereItParts.of(openingApart, firstDay, lines, ticked));
  }

  /** The lines that the statement has of its own. */
  private List<BankLine> lines(StatementEntity statement) {
    List<BankLineEntity> rows =
        entities
            .createNativeQuery(
                """
                select l.* from statement_lines s, unnest(s.line_ids) with ordinality as x(id, place)
                  join bank_line l on l.household_id = :household and l.id = x.id
                 where s.household_id = :household and s.statement_id = :statement order by x.place\
                """,
                BankLineEntity.class)
            .setParameter("household", SignedIn.now().householdId())
            .setParameter("statement", statement.id())
            .getResultList();
    return rows.stream().map(BankLineEntity::toBankLine).toList();
  }
}
