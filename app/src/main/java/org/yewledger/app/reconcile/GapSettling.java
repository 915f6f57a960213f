package org.yewledger.app.reconcile;

import java.math.BigDecimal;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.EntryCorrections;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.reconcile.GapJson.GapItemJson;
import org.yewledger.app.reconcile.GapJson.GapPartJson;
import org.yewledger.app.reconcile.GapJson.GapWayJson;
import org.yewledger.app.reconcile.GapJson.SeenGapPartJson;
import org.yewledger.app.reconcile.GapService.GapOf;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.money.Amount;

/** Puts right what the gap finder found, as one act. */
@Service
class GapSettling {
  private final GapService gaps;
  private final StatementService statements;
  private final EntryCorrections corrections;
  private final ChartService charts;
  private final Acts acts;

  GapSettling(
      GapService gaps,
      StatementService statements,
      EntryCorrections corrections,
      ChartService charts,
      Acts acts) {
    this.gaps = gaps;
    this.statements = statements;
    this.corrections = corrections;
    this.charts = charts;
    this.acts = acts;
  }

  /**
   * Carries out what explains a statement's difference.
   *
   * @param seen the parts of a way, as the person saw them
   * @throws Conflict {@code gap-changed} if it does not explain the difference any more
   * @throws Refusal {@code not-settled-here} for a part that only a person can put right; or what
   *     changing an entry is refused for
   */
  @Transactional
  @ForBookkeepers
  void settle(UUID statementId, List<SeenGapPartJson> seen) {
    GapWayJson way = way(statementId, seen);
    corrections.hold(
        way.parts().stream()
            .flatMap(part -> part.items().stream())
            .map(GapSettling::entryOf)
            .toList(),
        List.of());
    statements.hold(statementId);
    // Somebody may have changed it before it was held.
    way = way(statementId, seen);
    CurrencyUnit currency =
        charts.chart().account(statements.find(statementId).accountId()).currency();
    acts.begin(
        ActKind.REVISE,
        "Put right what was apart in the statement of %s"
            .formatted(statements.find(statementId).closesOn()));
    way.parts().forEach(part -> settle(statementId, part, currency));
  }

  private GapWayJson way(UUID statementId, List<SeenGapPartJson> seen) {
    GapOf gap = gaps.gap(statementId);
    GapWayJson way =
        gap.reasons().reasons().stream()
            .flatMap(reason -> reason.ways().stream())
            .map(found -> GapJson.way(found, gap.currency(), gap::json))
            .filter(found -> isSame(found.parts(), seen))
            .findFirst()
            .orElseThrow(() ->
                new Conflict(
                    "gap-changed",
                    "That does not explain the difference any more. Look at what does now."));
    if (!way.settled()) {
      throw Refusal.of(
          "not-settled-here", "This is put right where it stands: follow what is said of it.");
    }
    return way;
  }

  private static boolean isSame(List<GapPartJson> parts, List<SeenGapPartJson> seen) {
    return parts.size() == seen.size()
        && parts.stream().allMatch(part -> seen.stream().anyMatch(one -> one.is(part)));
  }

  private void settle(UUID statementId, GapPartJson part, CurrencyUnit currency) {
    switch (part.kind()) {
      case UNTICKED -> statements.tick(statementId, List.copyOf(part.ids()), true);
      case OVERTICKED -> statements.tick(statementId, List.copyOf(part.ids()), false);
      case DOUBLED -> mergeDoubled(statementId, part.items());
      case TURNED -> corrected(statementId, part.items().getFirst(), corrections::turn);
      case SWAPPED -> {
        BigDecimal should = Objects.requireNonNull(part.should());
        corrected(
            statementId,
            part.items().getFirst(),
            id -> corrections.amount(id, Amount.of(should, currency)));
      }
      case UNPOSTED, OTHER_OPENING, MISSING ->
          throw new IllegalArgumentException(part.kind().name());
    }
  }

  private void mergeDoubled(UUID statementId, List<GapItemJson> items) {
    statements.tick(statementId, List.of(items.getFirst().id()), false);
    corrections.mergeDoubled(entryOf(items.getLast()), entryOf(items.getFirst()));
  }

  /** What is ticked does not change: it is unticked for it, and what takes its place is ticked. */
  private void corrected(UUID statementId, GapItemJson item, Correcting correcting) {
    statements.tick(statementId, List.of(item.id()), false);
    UUID now = correcting.postingAfter(item.id());
    statements.tick(statementId, List.of(now), true);
  }

  private interface Correcting {
    UUID postingAfter(UUID postingId);
  }

  private static UUID entryOf(GapItemJson item) {
    return Objects.requireNonNull(item.entryId());
  }
}
