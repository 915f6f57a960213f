package org.yewledger.app.journal;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.BulkJson.BulkOutcomeJson;
import org.yewledger.app.journal.BulkJson.BulkStaysJson;
import org.yewledger.app.journal.EntryReader.EntryView;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.BulkChange;
import org.yewledger.core.ledger.BulkChange.Outcome;
import org.yewledger.core.ledger.BulkVoid;
import org.yewledger.core.ledger.Countering;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Ledger;

/** Makes one change to many entries, as one act; what cannot be changed stays, and is told. */
@Service
class BulkService {
  private static final int MOST = 2_000;

  /** The entries that are meant: these, or all that are sought. */
  sealed interface Meant {}

  record These(List<UUID> ids) implements Meant {}

  record All(JournalService.Filter filter) implements Meant {}

  private record BookMonth(UUID bookId, YearMonth month) {}

  private final QueryService queries;
  private final EntrySearch search;
  private final EntryReader reader;
  private final EntryLocks locks;
  private final EntryStore entries;
  private final CounterService counters;
  private final LedgerService ledgers;
  private final ChartService charts;
  private final JdbcClient jdbc;
  private final Acts acts;

  BulkService(
      QueryService queries,
      EntrySearch search,
      EntryReader reader,
      EntryLocks locks,
      EntryStore entries,
      CounterService counters,
      LedgerService ledgers,
      ChartService charts,
      JdbcClient jdbc,
      Acts acts) {
    this.queries = queries;
    this.search = search;
    this.reader = reader;
    this.locks = locks;
    this.entries = entries;
    this.counters = counters;
    this.ledgers = ledgers;
    this.charts = charts;
    this.jdbc = jdbc;
    this.acts = acts;
  }

  /** What the change would do; it does nothing. */
  @Transactional(readOnly = true)
  BulkOutcomeJson count(Meant meant, BulkChange change) {
    return told(outcomes(ids(meant), change));
  }

  /**
   * Makes the change where it can be made.
   *
   * @throws Refusal {@code too-many-entries}; {@code nothing-changes} if all would stay as they are
   */
  @Transactional
  @ForBookkeepers
  public BulkOutcomeJson change(Meant meant, BulkChange change) {
    List<UUID> ids = ids(meant);
    locks.held(ids, change.category() == null ? List.of() : List.of(change.category().id()));
    Map<EntryView, Outcome> outcomes = outcomes(ids, change);
    List<EntryStore.Revised> revised =
        outcomes.entrySet().stream()
            .filter(each -> each.getValue() instanceof BulkChange.Changed)
            .map(each ->
                new EntryStore.Revised(
                    each.getKey().entry(), ((BulkChange.Changed) each.getValue()).revision()))
            .toList();
    if (revised.isEmpty()) {
      throw Refusal.of("nothing-changes", "None of them would change.");
    }
    acts.begin(ActKind.REVISE, "Changed %d entries at once".formatted(revised.size()));
    entries.revise(revised);
    return told(outcomes);
  }

  /** What taking them back would do; it does nothing. */
  @Transactional(readOnly = true)
  BulkOutcomeJson countVoid(Meant meant) {
    return told(voids(ids(meant)));
  }

  /**
   * Takes back what can be taken back, each by its opposite.
   *
   * @throws Refusal {@code too-many-entries}; {@code nothing-changes} if all would stay as they are
   */
  @Transactional
  @ForBookkeepers
  public BulkOutcomeJson makeVoid(Meant meant) {
    List<UUID> ids = ids(meant);
    locks.held(ids, List.of());
    Map<EntryView, Outcome> outcomes = voids(ids);
    Map<UUID, Entry> opposites = new LinkedHashMap<>();
    outcomes.forEach((view, outcome) -> {
      if (outcome instanceof BulkChange.Voided(Entry opposite)) {
        opposites.put(view.entry().id(), opposite);
      }
    });
    if (opposites.isEmpty()) {
      throw Refusal.of("nothing-changes", "None of them would change.");
    }
    acts.begin(ActKind.COUNTER, "Voided %d entries at once".formatted(opposites.size()));
    counters.countered(opposites, Countering.VOID);
    return told(outcomes);
  }

  private Map<EntryView, Outcome> voids(List<UUID> ids) {
    Set<BookMonth> closed = closedMonths();
    Set<UUID> countered = counters.among(ids);
    return outcomes(
        ids,
        view ->
            BulkVoid.of(
                view.toEntry(),
                view.standing(),
                countered.contains(view.entry().id()),
                (book, month) -> closed.contains(new BookMonth(book, month))));
  }

  private List<UUID> ids(Meant meant) {
    if (meant instanceof All(var filter) && filter.bookId() != null) {
      charts.chart().book(filter.bookId());
    }
    List<UUID> ids =
        switch (meant) {
          case These(List<UUID> these) -> these;
          case All(var filter) -> search.all(queries.sought(filter), MOST + 1);
        };
    if (ids.size() > MOST) {
      throw Refusal.of(
          "too-many-entries",
          "More than 2,000 entries are meant. Look for fewer, and change them part by part.");
    }
    return ids;
  }

  /** No account has to be made for it: what an entry stands on stays in its books. */
  private Map<EntryView, Outcome> outcomes(List<UUID> ids, BulkChange change) {
    Ledger ledger = ledgers.lookingAhead(charts.chart());
    Set<BookMonth> closed = closedMonths();
    return outcomes(
        ids,
        view ->
            change.of(
                view.toEntry(),
                view.standing(),
                (book, month) -> closed.contains(new BookMonth(book, month)),
                ledger));
  }

  /** What was deleted meanwhile is left out. */
  private Map<EntryView, Outcome> outcomes(List<UUID> ids, Function<EntryView, Outcome> each) {
    EntryReader.EntryViews views = reader.byId(ids);
    Map<EntryView, Outcome> outcomes = new LinkedHashMap<>();
    for (UUID id : ids) {
      EntryView view = views.byId().get(id);
      if (view != null) {
        outcomes.put(view, each.apply(view));
      }
    }
    return outcomes;
  }

  private Set<BookMonth> closedMonths() {
    return new HashSet<>(
        jdbc.sql("select book_id, month from closed_month where household_id = ?")
            .param(SignedIn.now().householdId())
            .query((row, no) ->
                new BookMonth(
                    row.getObject(1, UUID.class), YearMonth.from(row.getDate(2).toLocalDate())))
            .list());
  }

  private static BulkOutcomeJson told(Map<EntryView, Outcome> outcomes) {
    int changed = 0;
    int same = 0;
    Map<String, List<BulkStaysJson>> stay = new LinkedHashMap<>();
    for (Map.Entry<EntryView, Outcome> each : outcomes.entrySet()) {
      switch (each.getValue()) {
        case BulkChange.Changed ignored -> changed++;
        case BulkChange.Voided ignored -> changed++;
        case BulkChange.Same() -> same++;
        case BulkChange.Stays(String code, String why) ->
            stay.computeIfAbsent(code, c -> new ArrayList<>())
                .add(new BulkStaysJson(code, 1, each.getKey().no(), why));
      }
    }
    return new BulkOutcomeJson(
        changed,
        same,
        stay.values().stream()
            .map(all ->
                new BulkStaysJson(
                    all.getFirst().code(), all.size(), all.getFirst().no(), all.getFirst().why()))
            .toList());
  }
}
