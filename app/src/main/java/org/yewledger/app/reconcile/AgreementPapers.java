package org.yewledger.app.reconcile;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.paper.Papers;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.reconcile.StatementChain.Link;
import org.yewledger.formats.pdf.Paper.Part;

/** Reports of reconciliations for paper. */
@Service
public class AgreementPapers {
  private final StatementService statements;
  private final ChartService charts;
  private final Papers papers;
  private final HouseholdDays days;

  AgreementPapers(
      StatementService statements, ChartService charts, Papers papers, HouseholdDays days) {
    this.statements = statements;
    this.charts = charts;
    this.papers = papers;
    this.days = days;
  }

  /** One report, and what its file is called. */
  public record OnPaper(String fileName, String title, List<Part> parts) {}

  /**
   * What was agreed in a statement.
   *
   * @throws org.yewledger.app.platform.NotFound unless it is finished
   */
  @Transactional(readOnly = true)
  public OnPaper of(UUID statementId) {
    StatementEntity statement = statements.find(statementId);
    Account account = charts.chart().account(statement.accountId());
    LocalDate closesOn = statement.closesOn();
    var of =
        new AgreementPaper.Of(
            account.name(),
            charts.chart().tail(account.id()),
            account.currency(),
            statements.chain(account).before(closesOn).map(Link::closesOn).orElse(null),
            closesOn,
            days.zone());
    return new OnPaper(
        "agreed-%s".formatted(closesOn),
        "%s, %s".formatted(account.name(), closesOn),
        AgreementPaper.of(statements.agreement(statementId), of, papers.formats()));
  }
}
