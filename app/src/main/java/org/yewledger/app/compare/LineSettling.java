package org.yewledger.app.compare;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.bankline.LineLinks;
import org.yewledger.app.bankline.LineStates;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.compare.ComparisonJson.Correct;
import org.yewledger.app.compare.ComparisonJson.JoinJson;
import org.yewledger.app.compare.ComparisonJson.PostProposedJson;
import org.yewledger.app.compare.ComparisonJson.SeenLineJson;
import org.yewledger.app.compare.ComparisonJson.SettleLinesJson;
import org.yewledger.app.journal.EntryCorrections;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.journal.PostingEntity;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.Found;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.post.Accepted;
import org.yewledger.app.post.PostService;
import org.yewledger.app.post.WaitingLines;
import org.yewledger.app.post.WaitingLines.Waiting;
import org.yewledger.app.reconcile.StatementEntity;
import org.yewledger.app.reconcile.StatementService;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;

/** Settles rows of a statement's comparison: what is the same is joined and ticked, as one act. */
@Service
class LineSettling {
  private final StatementService statements;
  private final ChartService charts;
  private final WaitingLines waiting;
  private final LineStates states;
  private final LineLinks links;
  private final EntryStore entries;
  private final EntryCorrections corrections;
  private final PostService posts;
  private final Acts acts;

  LineSettling(
      StatementService statements,
      ChartService charts,
      WaitingLines waiting,
      LineStates states,
      LineLinks links,
      EntryStore entries,
      EntryCorrections corrections,
      PostService posts,
      Acts acts) {
    this.statements = statements;
    this.charts = charts;
    this.waiting = waiting;
    this.states = states;
    this.links = links;
    this.entries = entries;
    this.corrections = corrections;
    this.posts = posts;
    this.acts = acts;
  }

  /**
   * Joins lines with their postings, puts right before what is to be, posts lines as proposed, and
   * ticks all of it for the statement.
   *
   * @throws Conflict {@code proposal-changed}; those of posting and of ticking
   * @throws Refusal {@code not-answered} where an amount or a day of several is to be put right;
   *     what posting, ticking and changing entries are refused for
   */
  @Transactional
  @ForBookkeepers
  void settle(UUID statementId, SettleLinesJson settle) {
    if (settle.join().isEmpty() && settle.post().isEmpty()) {
      throw Refusal.ofField("not-answered", "lines", "Say which lines are to be settled.");
    }
    Chart chart = charts.chart();
    StatementEntity statement = statements.find(statementId);
    Map<UUID, Waiting> waits =
        waiting.all(chart, null).stream()
            .collect(Collectors.toMap(w -> w.row().id(), Function.identity()));
    List<ProposedPosting> proposed =
        settle.post().stream().map(post -> proposed(post, waits, chart)).toList();
    hold(statement, settle, proposed);
    int lines =
        settle.post().size() + settle.join().stream().mapToInt(join -> join.lines().size()).sum();
    acts.begin(
        ActKind.REVISE,
        "Settled %d %s of the statement of %s for %s"
            .formatted(
                lines,
                lines == 1 ? "line" : "lines",
                statement.closesOn(),
                chart.account(statement.accountId()).name()));
    List<Accepted> accepted = new ArrayList<>();
    for (JoinJson join : settle.join()) {
      accepted.add(joined(statementId, join, chart));
    }
    for (int i = 0; i < proposed.size(); i++) {
      accepted.add(proposed.get(i).accepted(settle.post().get(i).line().version(), waits));
    }
    posts.post(accepted);
    tick(statementId, statement.accountId(), accepted);
  }

  private static ProposedPosting proposed(
      PostProposedJson post, Map<UUID, Waiting> waits, Chart chart) {
    return Optional.ofNullable(waits.get(post.line().lineId()))
        .flatMap(w -> ProposedPosting.of(w, chart))
        .filter(proposed -> proposed.isAs(post.payee(), post.accountIds()))
        .orElseThrow(() ->
            new Conflict(
                "proposal-changed",
                "The line is not proposed like that any more. Look at what is proposed now."));
  }

  /** All that is changed, in the order in which everybody takes it. */
  private void hold(
      StatementEntity statement, SettleLinesJson settle, List<ProposedPosting> proposed) {
    Set<UUID> accounts = new HashSet<>(Set.of(statement.accountId()));
    proposed.forEach(posting -> accounts.addAll(posting.accountIds()));
    List<UUID> postings =
        settle.join().stream().flatMap(join -> join.postingIds().stream()).toList();
    Set<UUID> written =
        entries.postings(postings).values().stream()
            .map(PostingEntity::entryId)
            .collect(Collectors.toSet());
    corrections.hold(written, accounts);
    statements.hold(statement.id());
    Set<UUID> lines = new HashSet<>();
    settle.join().forEach(join -> join.lines().forEach(line -> lines.add(line.lineId())));
    proposed.forEach(posting -> posting.lineIds().forEach(lines::add));
    states.locked(lines);
  }

  private Accepted joined(UUID statementId, JoinJson join, Chart chart) {
    List<UUID> postings = join.postingIds();
    if (join.correct() != Correct.NOTHING) {
      if (join.lines().size() > 1 || postings.size() > 1) {
        throw Refusal.ofField(
            "not-answered", "lines", "What is put right is one entry, by what one line says.");
      }
      postings = List.of(corrected(statementId, join, chart));
    }
    SeenLineJson first = join.lines().getFirst();
    return new Accepted(
        first.lineId(),
        first.version(),
        null,
        null,
        new Accepted.Known(
            postings, join.lines().stream().skip(1).map(SeenLineJson::half).toList(), null));
  }

  /** The posting as the line says it is. */
  private UUID corrected(UUID statementId, JoinJson join, Chart chart) {
    UUID postingId = join.postingIds().getFirst();
    PostingEntity posting = entries.postings(List.of(postingId)).get(postingId);
    if (posting == null) {
      throw new NotFound("posting");
    }
    // What is ticked does not change.
    if (posting.statementId() != null) {
      statements.tick(statementId, List.of(postingId), false);
    }
    UUID lineId = join.lines().getFirst().lineId();
    Found<BankLineEntity> lines = states.lines(List.of(lineId));
    BankLineEntity line = lines.of(lineId);
    Account account = chart.account(line.accountId());
    return join.correct() == Correct.AMOUNT
        ? corrections.amount(postingId, Amount.ofMinor(line.amountMinor(), account.currency()))
        : corrections.day(postingId, line.bookedOn());
  }

  /** What the lines are now; the other halves of transfers stand on other accounts. */
  private void tick(UUID statementId, UUID accountId, Collection<Accepted> accepted) {
    Set<UUID> lines = accepted.stream().map(Accepted::lineId).collect(Collectors.toSet());
    List<UUID> postings =
        links.of(lines).stream()
            .filter(link -> link.accountId().equals(accountId))
            .map(LineLinks.Link::postingId)
            .distinct()
            .toList();
    statements.tick(statementId, postings, true);
  }
}
