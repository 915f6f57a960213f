package org.yewledger.app.reconcile;

import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.paper.Papers;
import org.yewledger.app.platform.Download;
import org.yewledger.app.reconcile.StatementJson.AgreementJson;
import org.yewledger.formats.table.AgreementTable;
import org.yewledger.formats.table.AgreementTable.AgreedRow;

/** What was agreed in finished statements: on screen, as a table, on paper. */
@RestController
@RequestMapping("/api/statements")
@Tag(name = "reconcile")
class AgreementController {
  private final StatementService statements;
  private final AgreementPapers agreementPapers;
  private final Papers papers;

  AgreementController(StatementService statements, AgreementPapers agreementPapers, Papers papers) {
    this.statements = statements;
    this.agreementPapers = agreementPapers;
    this.papers = papers;
  }

  /** What was agreed when the statement was finished, whatever became of the books since. */
  @GetMapping("/{id}/agreement")
  AgreementJson agreement(@PathVariable UUID id) {
    return statements.agreement(id);
  }

  /** The same as a table: what was agreed, and what stayed open. */
  @GetMapping("/{id}/agreement-table")
  ResponseEntity<byte[]> agreementTable(@PathVariable UUID id) {
    AgreementJson agreed = statements.agreement(id);
    List<AgreedRow> rows =
        Stream.concat(
                agreed.postings().stream().map(p -> p.row("agreed")),
                agreed.stillOpen().stream().map(p -> p.row("open")))
            .toList();
    return Download.csv(
        "agreed-%s".formatted(statements.find(id).closesOn()), AgreementTable.write(rows));
  }

  /** The same on paper. */
  @GetMapping("/{id}/agreement-paper")
  ResponseEntity<byte[]> agreementPaper(@PathVariable UUID id) {
    AgreementPapers.OnPaper paper = agreementPapers.of(id);
    return papers.answer(paper.fileName(), paper.title(), false, paper.parts());
  }
}
