package org.yewledger.app.reconcile;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.math.BigDecimal;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.reconcile.ChainBreakJson.ChainStateJson;
import org.yewledger.app.reconcile.ChainBreakJson.RestoreBreakJson;
import org.yewledger.app.reconcile.GapJson.GapReasonsJson;
import org.yewledger.app.reconcile.GapJson.SettleGapJson;
import org.yewledger.app.reconcile.StatementJson.AccountToReconcileJson;
import org.yewledger.app.reconcile.StatementJson.CashCountJson;
import org.yewledger.app.reconcile.StatementJson.ClosingJson;
import org.yewledger.app.reconcile.StatementJson.LastResortJson;
import org.yewledger.app.reconcile.StatementJson.NewStatementJson;
import org.yewledger.app.reconcile.StatementJson.PiecesJson;
import org.yewledger.app.reconcile.StatementJson.ReopenStatementJson;
import org.yewledger.app.reconcile.StatementJson.SheetJson;
import org.yewledger.app.reconcile.StatementJson.StatementIdJson;
import org.yewledger.app.reconcile.StatementJson.TickedJson;
import org.yewledger.app.reconcile.StatementJson.TicksJson;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.reconcile.CashCount;

/** Statements and their reconciliation. */
@RestController
@RequestMapping("/api/statements")
@Tag(name = "reconcile")
class StatementController {
  private final StatementService statements;
  private final SheetService sheets;
  private final StatementReopening reopening;
  private final GapService gaps;
  private final GapSettling settling;
  private final CashCounting counting;
  private final LastResortBooking lastResort;
  private final ChainBreakService breaks;
  private final ChainRestoring restoring;
  private final ChartService charts;

  StatementController(
      StatementService statements,
      SheetService sheets,
      StatementReopening reopening,
      GapService gaps,
      GapSettling settling,
      CashCounting counting,
      LastResortBooking lastResort,
      ChainBreakService breaks,
      ChainRestoring restoring,
      ChartService charts) {
    this.statements = statements;
    this.sheets = sheets;
    this.reopening = reopening;
    this.gaps = gaps;
    this.settling = settling;
    this.counting = counting;
    this.lastResort = lastResort;
    this.breaks = breaks;
    this.restoring = restoring;
    this.charts = charts;
  }

  /** The statements to reconcile by account, and what the next one is. */
  @GetMapping
  List<AccountToReconcileJson> toReconcile(@RequestParam @Nullable UUID book) {
    return sheets.toReconcile(book);
  }

  /** Begins a statement from paper. */
  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  StatementIdJson begin(@Valid @RequestBody NewStatementJson draft) {
    Account account = charts.chart().account(draft.accountId());
    var closing = new Balance(draft.closesOn(), Amount.of(draft.closing(), account.currency()));
    return new StatementIdJson(
        statements.begin(account, closing, draft.says(account.currency()), null).id());
  }

  /** Begins the statement of a count of cash; all that the books have stands against it. */
  @PostMapping("/counts")
  @ResponseStatus(HttpStatus.CREATED)
  StatementIdJson count(@Valid @RequestBody CashCountJson count) {
    CurrencyUnit currency = charts.chart().account(count.accountId()).currency();
    BigDecimal total = count.total();
    return new StatementIdJson(
        counting
            .count(
                count.accountId(),
                count.countedOn(),
                count.pieces() == null ? null : pieces(count.pieces(), currency),
                total == null ? null : Amount.of(total, currency))
            .id());
  }

  private static CashCount pieces(List<PiecesJson> pieces, CurrencyUnit currency) {
    return new CashCount(
        currency,
        pieces.stream()
            .map(one -> new CashCount.Pieces(Amount.of(one.of(), currency), one.count()))
            .toList());
  }

  /** Books what is apart and nothing explains, as that, and ticks it. */
  @PostMapping("/{id}/difference")
  SheetJson lastResort(@PathVariable UUID id, @Valid @RequestBody LastResortJson seen) {
    CurrencyUnit currency = charts.chart().account(statements.find(id).accountId()).currency();
    lastResort.book(id, Amount.of(seen.difference(), currency));
    return sheets.sheet(id);
  }

  /** A statement with the postings that it covers, and what is still apart. */
  @GetMapping("/{id}")
  SheetJson sheet(@PathVariable UUID id) {
    return sheets.sheet(id);
  }

  /** Corrects what was typed of a statement that is not agreed yet. */
  @PutMapping("/{id}")
  SheetJson correct(
      @PathVariable UUID id, @RequestParam int version, @Valid @RequestBody ClosingJson closing) {
    Account account = charts.chart().account(statements.find(id).accountId());
    statements.correct(
        id,
        version,
        new Balance(closing.closesOn(), Amount.of(closing.closing(), account.currency())));
    return sheets.sheet(id);
  }

  /** Gives a statement up that is not agreed yet. */
  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable UUID id, @RequestParam int version) {
    statements.remove(id, version);
  }

  /** Ticks postings that stand on the statement, or takes the tick back. */
  @PutMapping("/{id}/ticks")
  TickedJson tick(@PathVariable UUID id, @Valid @RequestBody TicksJson ticks) {
    statements.tick(id, ticks.postingIds(), ticks.ticked());
    return sheets.ticked(id, Set.copyOf(ticks.postingIds()));
  }

  /** Why statement and ticked postings may be apart, the likeliest first. */
  @GetMapping("/{id}/gap")
  GapReasonsJson reasons(@PathVariable UUID id) {
    return gaps.reasons(id);
  }

  /** Puts right what explains the difference, as one act. */
  @PostMapping("/{id}/gap")
  SheetJson settle(@PathVariable UUID id, @Valid @RequestBody SettleGapJson settle) {
    settling.settle(id, settle.parts());
    return sheets.sheet(id);
  }

  /** Where a statement that was opened again parts from what was agreed. */
  @GetMapping("/{id}/breaks")
  ChainStateJson breaks(@PathVariable UUID id) {
    return new ChainStateJson(id, breaks.of(id).orElse(null));
  }

  /** Puts a posting back to what was agreed. */
  @PostMapping("/{id}/breaks/restore")
  SheetJson restore(@PathVariable UUID id, @Valid @RequestBody RestoreBreakJson broken) {
    restoring.restore(id, broken.postingId());
    return sheets.sheet(id);
  }

  /** Finishes the statement; refused at any other difference than zero. */
  @PostMapping("/{id}/finish")
  SheetJson finish(@PathVariable UUID id, @RequestParam int version) {
    statements.finish(id, version);
    return sheets.sheet(id);
  }

  /** Opens the account's last agreed statement again. */
  @PostMapping("/{id}/reopen")
  SheetJson reopen(@PathVariable UUID id, @Valid @RequestBody ReopenStatementJson reopen) {
    reopening.reopen(id, reopen.because());
    return sheets.sheet(id);
  }
}
