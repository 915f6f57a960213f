package org.yewledger.app.journal;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.journal.EntryReader.EntryView;
import org.yewledger.app.journal.EntryReader.PostingView;
import org.yewledger.app.journal.EntrySearch.Found;
import org.yewledger.app.journal.JournalJson.EntryJson;
import org.yewledger.app.journal.JournalJson.JournalPageJson;
import org.yewledger.app.journal.JournalJson.MovedJson;
import org.yewledger.core.journal.QueryText;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.BetweenBooks;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.reconcile.PostingState;
import org.yewledger.core.report.Movement;

/** Reads the journal: what is sought in it, sorted, a page at a time. */
@Service
class JournalService {
  private static final int PAGE = 100;

  /**
   * What is looked for; null or empty parts do not narrow it.
   *
   * @param month narrows what does not name days itself
   * @param text a query, as {@link QueryText} reads it
   */
  record Filter(@Nullable UUID bookId, @Nullable YearMonth month, String text) {}

  /**
   * Which part of it is wanted.
   *
   * @param at the day to begin with where it is sorted by date; null for its beginning
   * @param after the key of the page before; null for the first
   */
  record Part(EntryOrder order, @Nullable LocalDate at, @Nullable String after) {}

  private final EntrySearch search;
  private final QueryService queries;
  private final EntryReader reader;

  JournalService(EntrySearch search, QueryService queries, EntryReader reader) {
    this.search = search;
    this.queries = queries;
    this.reader = reader;
  }

  @Transactional(readOnly = true)
  JournalPageJson page(Filter filter, Part part) {
    List<Found> found = search.page(queries.sought(filter), part.order(), key(part), PAGE);
    String next = found.size() < PAGE ? null : found.getLast().key().toString();
    return new JournalPageJson(entries(found.stream().map(Found::id).toList()), next);
  }

  private static @Nullable EntryKey key(Part part) {
    if (part.after() != null && !part.after().isEmpty()) {
      return EntryKey.parse(part.after());
    }
    if (part.at() == null || part.order().column() != EntryOrder.Column.DATE) {
      return null;
    }
    // Before all entries of the day, whichever way they go.
    return new EntryKey(part.at(), part.order().descending() ? Long.MAX_VALUE : -1, "");
  }

  /** What all of it comes to, by currency. */
  @Transactional(readOnly = true)
  List<MovedJson> totals(Filter filter) {
    return search.moved(queries.sought(filter)).stream().map(MovedJson::of).toList();
  }

  @Transactional(readOnly = true)
  EntryJson entry(UUID id) {
    return json(reader.find(id));
  }

  /** Entries, in the order of the identities as they are given. */
  @Transactional(readOnly = true)
  List<EntryJson> entries(List<UUID> ids) {
    EntryReader.EntryViews read = reader.byId(ids);
    return ids.stream().map(id -> json(read.of(id))).toList();
  }

  private static EntryJson json(EntryView view) {
    EntryEntity e = view.entry();
    List<PostingView> own =
        view.postings().stream().filter(p -> p.account().kind() != AccountKind.DRAWINGS).toList();
    List<PostingView> credits = own.stream().filter(p -> !p.isDebit()).toList();
    List<PostingView> debits = own.stream().filter(PostingView::isDebit).toList();
    List<Posting> postings = view.postings().stream().map(PostingView::posting).toList();
    Movement movement = Movement.of(postings);
    return new EntryJson(
        e.id(),
        e.version(),
        e.no(),
        e.date(),
        e.payeeId(),
        e.payee(),
        e.note(),
        e.reference(),
        e.method(),
        view.tags(),
        e.reason(),
        e.ruleId(),
        e.countersId(),
        e.counters(),
        movement.amount().decimal(),
        movement.transfer(),
        movement.amount().currency().getCode(),
        side(credits),
        side(debits),
        view.salesTax(),
        state(view),
        view.postings().stream().anyMatch(PostingView::atBank),
        view.attachments(),
        view.serves() == null ? null : view.serves().first(),
        view.serves() == null ? null : view.serves().last(),
        BookPostingsJson.of(postings),
        BetweenBooks.inWords(postings));
  }

  /** The places of one side. The tax in an amount is no place that it went to. */
  private static String side(List<PostingView> postings) {
    List<PostingView> places = postings.stream().filter(p -> !p.isTax()).toList();
    return places.size() == 1 ? places.getFirst().account().name() : places.size() + " places";
  }

  /**
   * An entry is only as confirmed as its least confirmed posting at a bank; where none is at one,
   * nothing is to be confirmed.
   */
  private static @Nullable PostingState state(EntryView view) {
    return view.postings().stream()
        .filter(p -> p.account().kind().hasStatements())
        .map(PostingView::state)
        .min(Comparator.naturalOrder())
        .orElse(null);
  }
}
