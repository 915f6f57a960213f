package org.yewledger.app.journal;

import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.hibernate.Session;
import org.hibernate.query.NativeQuery;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.journal.EntryReader.EntryView;
import org.yewledger.app.journal.EntryReader.PostingView;
import org.yewledger.app.journal.JournalJson.EntryJson;
import org.yewledger.app.journal.JournalJson.JournalPageJson;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.BetweenBooks;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.reconcile.PostingState;
import org.yewledger.core.report.Movement;

/** Reads the journal, newest entries first. */
@Service
class JournalService {
  private static final int PAGE = 100;

  /** What is looked for; null or empty parts do not narrow it. */
  record Filter(@Nullable UUID bookId, @Nullable YearMonth month, String text) {
    private LocalDate last() {
      return month == null ? PageKey.START.date() : month.atEndOfMonth();
    }
  }

  private static final UUID NO_BOOK = new UUID(0, 0);

  /** So many are counted; of more, it is only said that there are more. */
  static final int MOST_COUNTED = 1_000;

  /** Without a text, entries come by day; no more are read than are shown and counted. */
  private static final String BY_DAY =
      """
      with wanted as not materialized (
        select e.id, e.date, e.no from entry e
         where e.household_id = :household and e.date between :first and :date
           and (:book = :noBook or exists (select 1 from posting p
                 where p.household_id = e.household_id and p.entry_id = e.id and p.book_id = :book)))
      """;

  /** With a text, numbers are looked up of the hits of those days only that the page may show. */
  private static final String BY_TEXT =
      """
      with hit as materialized (
        select id, date, max(no) as no from (
          select id, date, no from entries_like(
            :pattern, nullif(:book, :noBook), :first, :date, :before, :most)
          union all
          select e.id, e.date, e.no from entry e
           where e.household_id = :household and e.no = :no and e.date >= :first
             and (:book = :noBook or exists (select 1 from posting p
                   where p.household_id = :household and p.entry_id = e.id and p.book_id = :book))) found
         where (date, coalesce(no, 0)) < (:date, :before)
         group by id, date),
      wanted as not materialized (
        select id, date, coalesce(no,
            (select e.no from entry e where e.household_id = :household and e.id = hit.id)) as no
          from hit
         where date >= (select min(date) from (select date from hit order by date desc limit :page) newest))
      """;

  private final EntityManager entities;
  private final EntryReader reader;

  JournalService(EntityManager entities, EntryReader reader) {
    this.entities = entities;
    this.reader = reader;
  }

  @Transactional(readOnly = true)
  JournalPageJson page(Filter filter, PageKey key) {
    PageKey after = key.notAfter(filter.last());
    List<Object[]> found =
        narrowed(
                """
                select {e.*}, (select count(*) from (select 1 from %s limit :most) counted) as how_many
                  from (select id from wanted where (date, no) < (:date, :before) order by date desc, no desc limit :page) p
                  join entry e on e.household_id = :household and e.id = p.id
                 order by e.date desc, e.no desc\
                """,
                filter)
            .setParameter("date", after.date())
            .setParameter("before", after.no())
            .setParameter("page", PAGE)
            .setParameter("most", MOST_COUNTED + 1)
            .getResultList();
    List<EntryEntity> rows = found.stream().map(columns -> (EntryEntity) columns[0]).toList();
    long count = found.isEmpty() ? 0 : (Long) found.getFirst()[1];
    String next =
        rows.size() < PAGE
            ? null
            : new PageKey(rows.getLast().date(), rows.getLast().no()).toString();
    return new JournalPageJson(
        reader.views(rows).stream().map(JournalService::json).toList(), (int) count, next);
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

  private NativeQuery<Object[]> narrowed(String sql, Filter filter) {
    YearMonth month = filter.month();
    String text = filter.text().strip().toLowerCase(Locale.ROOT);
    String pattern = text.replace("!", "!!").replace("%", "!%").replace("_", "!_");
    NativeQuery<Object[]> query =
        entities
            .unwrap(Session.class)
            .createNativeQuery(
                text.isEmpty() ? BY_DAY + sql.formatted("wanted") : BY_TEXT + sql.formatted("hit"),
                Object[].class)
            .addEntity("e", EntryEntity.class)
            .addScalar("how_many", Long.class)
            .setParameter("household", SignedIn.now().householdId())
            .setParameter("first", month == null ? LocalDate.of(1, 1, 1) : month.atDay(1))
            .setParameter("book", filter.bookId() == null ? NO_BOOK : filter.bookId())
            .setParameter("noBook", NO_BOOK);
    if (!text.isEmpty()) {
      query
          .setParameter("pattern", "%" + pattern + "%")
          .setParameter("no", text.matches("\\d{1,15}") ? Long.parseLong(text) : -1L);
    }
    return query;
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
        state(view),
        view.postings().stream().anyMatch(PostingView::atBank),
        BookPostingsJson.of(postings),
        BetweenBooks.inWords(postings));
  }

  /** The places of one side. The tax in an amount is no place that it went to. */
  private static String side(List<PostingView> postings) {
    List<PostingView> places = postings.stream().filter(p -> !p.isTax()).toList();
    return places.size() == 1 ? places.getFirst().account().name() : places.size() + " places";
  }

  /** An entry is only as confirmed as its least confirmed posting at a bank. */
  private static PostingState state(EntryView view) {
    return view.postings().stream()
        .filter(p -> p.account().kind().hasStatements())
        .map(PostingView::state)
        .min(Comparator.naturalOrder())
        .orElse(PostingState.OPEN);
  }
}
