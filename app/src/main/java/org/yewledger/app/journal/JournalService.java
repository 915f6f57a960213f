package org.yewledger.app.journal;

import jakarta.persistence.EntityManager;
import jakarta.persistence.TypedQuery;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.journal.EntryReader.EntryView;
import org.yewledger.app.journal.EntryReader.PostingView;
import org.yewledger.app.journal.JournalJson.EntryJson;
import org.yewledger.app.journal.JournalJson.JournalPageJson;
import org.yewledger.app.platform.NotFound;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.BetweenBooks;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amounts;
import org.yewledger.core.reconcile.PostingState;
import org.yewledger.core.report.Movement;

/** Reads the journal, newest entries first. */
@Service
class JournalService {
  private static final int PAGE = 100;

  /** What is looked for; null or empty parts do not narrow it. */
  record Filter(@Nullable UUID bookId, @Nullable YearMonth month, String text) {}

  private static final String FROM_WHERE =
      """
      from Entry e where e.date between :first and :last
        and (:anyBook = true or exists (select 1 from Posting p where p.entryId = e.id and p.bookId = :book))
        and (:anyText = true or lower(e.payee) like :text escape '!' or lower(e.note) like :text escape '!'
             or cast(e.no as String) = :exact
             or exists (select 1 from Posting p join Account a on a.id = p.accountId
                        where p.entryId = e.id and (lower(a.name) like :text escape '!'
                              or lower(p.note) like :text escape '!')))\
      """;

  private final EntityManager entities;
  private final EntryReader reader;

  JournalService(EntityManager entities, EntryReader reader) {
    this.entities = entities;
    this.reader = reader;
  }

  @Transactional(readOnly = true)
  JournalPageJson page(Filter filter, PageKey after) {
    List<EntryEntity> rows =
        narrow(
                entities.createQuery(
                    "select e "
                        + FROM_WHERE
                        + " and (e.date < :date or (e.date = :date and e.no < :no))"
                        + " order by e.date desc, e.no desc",
                    EntryEntity.class),
                filter)
            .setParameter("date", after.date())
            .setParameter("no", after.no())
            .setMaxResults(PAGE)
            .getResultList();
    long count =
        narrow(entities.createQuery("select count(e) " + FROM_WHERE, Long.class), filter)
            .getSingleResult();
    String next =
        rows.size() < PAGE
            ? null
            : new PageKey(rows.getLast().date(), rows.getLast().no()).toString();
    return new JournalPageJson(
        reader.views(rows).stream().map(JournalService::json).toList(), (int) count, next);
  }

  @Transactional(readOnly = true)
  EntryJson entry(UUID id) {
    EntryEntity row = entities.find(EntryEntity.class, id);
    if (row == null) {
      throw new NotFound("entry");
    }
    return json(reader.views(List.of(row)).getFirst());
  }

  private static <T> TypedQuery<T> narrow(TypedQuery<T> query, Filter filter) {
    YearMonth month = filter.month();
    String text = filter.text().strip().toLowerCase(Locale.ROOT);
    String pattern = text.replace("!", "!!").replace("%", "!%").replace("_", "!_");
    return query
        .setParameter("first", month == null ? LocalDate.of(1, 1, 1) : month.atDay(1))
        .setParameter("last", month == null ? LocalDate.of(9999, 12, 31) : month.atEndOfMonth())
        .setParameter("anyBook", filter.bookId() == null)
        .setParameter("book", filter.bookId() == null ? new UUID(0, 0) : filter.bookId())
        .setParameter("anyText", text.isEmpty())
        .setParameter("text", "%" + pattern + "%")
        .setParameter("exact", text);
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
        e.payee(),
        e.note(),
        Amounts.toDecimal(movement.amountMinor(), movement.currency()),
        movement.transfer(),
        movement.currency().getCode(),
        side(credits),
        side(debits),
        state(view),
        BookPostingsJson.of(postings),
        BetweenBooks.inWords(postings));
  }

  private static String side(List<PostingView> postings) {
    return postings.size() == 1
        ? postings.getFirst().account().name()
        : postings.size() + " places";
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
