package org.yewledger.app.journal;

import jakarta.persistence.EntityManager;
import java.sql.Date;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.payee.PayeeEntity;
import org.yewledger.app.payee.Payees;
import org.yewledger.app.platform.HouseholdNumbers;
import org.yewledger.app.platform.HouseholdNumbers.Of;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Revision;
import org.yewledger.core.post.Because;

/**
 * Writes entries that the core has made; the only way for one to get into the database. What it
 * writes is in the database when a method returns, so that links and totals can follow by SQL.
 */
@Component
@Transactional(propagation = Propagation.MANDATORY)
public class EntryStore {
  /** A stored entry and its postings, in the entry's order. */
  public record Stored(EntryEntity entry, List<PostingEntity> postings) {}

  /** An entry, and the form that it gets. */
  record Revised(EntryEntity entry, Revision revision) {}

  private record AccountMonth(UUID accountId, LocalDate month) {}

  private final EntityManager entities;
  private final JdbcClient jdbc;
  private final Payees payees;
  private final EntryTags tags;
  private final ServedMonths served;
  private final HouseholdNumbers numbers;
  private final Acts acts;
  private final Clock clock;

  EntryStore(
      EntityManager entities,
      JdbcClient jdbc,
      Payees payees,
      EntryTags tags,
      ServedMonths served,
      HouseholdNumbers numbers,
      Acts acts,
      Clock clock) {
    this.entities = entities;
    this.jdbc = jdbc;
    this.payees = payees;
    this.tags = tags;
    this.served = served;
    this.numbers = numbers;
    this.acts = acts;
    this.clock = clock;
  }

  /** Numbers and stores the entries, in their order. */
  public List<Stored> add(List<Entry> entries) {
    return add(entries, List.of());
  }

  /**
   * Numbers and stores the entries, in their order.
   *
   * @param because why the first of them were booked, in the same order; no bank lines led to the
   *     others
   */
  public List<Stored> add(List<Entry> entries, List<Because> because) {
    if (entries.isEmpty()) {
      return List.of();
    }
    // An account may have been made for them just now.
    entities.flush();
    holdMonths(
        entries.stream()
            .flatMap(e -> e.postings().stream().map(p -> month(p.account().id(), e.date())))
            .toList());
    long no = numbers.take(Of.ENTRY, entries.size(), acts.underWay());
    Payees.ByName known = payees.named(entries.stream().map(Entry::payee).toList());
    var stored = new ArrayList<Stored>(entries.size());
    for (int i = 0; i < entries.size(); i++) {
      Entry entry = entries.get(i);
      var row =
          new EntryEntity(
              Ids.next(),
              no++,
              entry,
              known.of(entry.payee()),
              clock.instant(),
              SignedIn.now().personId());
      if (i < because.size()) {
        row.bookedBecause(because.get(i));
      }
      stored.add(add(row, entry));
    }
    entities.flush();
    if (entries.stream().anyMatch(e -> !e.marks().tags().isEmpty())) {
      tags.mark(stored.stream().map(s -> s.entry().id()).toList(), entries);
    }
    return stored;
  }

  private Stored add(EntryEntity row, Entry entry) {
    entities.persist(row);
    var postings = new ArrayList<PostingEntity>(entry.postings().size());
    for (int place = 0; place < entry.postings().size(); place++) {
      var posting = new PostingEntity(Ids.next(), row, place, entry);
      entities.persist(posting);
      postings.add(posting);
    }
    return new Stored(row, postings);
  }

  /**
   * Takes entries out of the books, with their postings; history keeps what they said. The database
   * refuses reconciled ones.
   */
  public void remove(Collection<UUID> entryIds) {
    entities.flush();
    List<PostingEntity> postings = postingsOf(entryIds);
    holdMonths(postings.stream().map(p -> month(p.accountId(), p.date())).toList());
    UUID household = SignedIn.now().householdId();
    UUID[] ids = entryIds.toArray(UUID[]::new);
    jdbc.sql("delete from posting where household_id = ? and entry_id = any(?)")
        .params(household, ids)
        .update();
    tags.unmark(entryIds);
    served.forget(entryIds);
    jdbc.sql("delete from entry where household_id = ? and id = any(?)")
        .params(household, ids)
        .update();
    entities.clear();
  }

  /** Gives an entry the form that the core has worked out; number and identity stay. */
  public void revise(EntryEntity entry, Revision revision) {
    revise(List.of(new Revised(entry, revision)));
  }

  /**
   * Gives entries their forms; the kept totals of all of them are held before the first changes.
   */
  void revise(List<Revised> all) {
    List<UUID> ids = all.stream().map(r -> r.entry().id()).toList();
    Map<UUID, List<PostingEntity>> before =
        postingsOf(ids).stream().collect(Collectors.groupingBy(PostingEntity::entryId));
    var months = new ArrayList<AccountMonth>();
    before.values().stream()
        .flatMap(List::stream)
        .forEach(p -> months.add(month(p.accountId(), p.date())));
    List<Entry> forms = all.stream().map(r -> r.revision().wanted()).toList();
    forms.forEach(
        form -> form.postings().forEach(p -> months.add(month(p.account().id(), form.date()))));
    holdMonths(months);
    Payees.ByName known = payees.named(forms.stream().map(Entry::payee).toList());
    all.forEach(r ->
        become(
            r.entry(),
            r.revision(),
            before.getOrDefault(r.entry().id(), List.of()),
            known.of(r.revision().wanted().payee())));
    entities.flush();
    tags.mark(ids, forms);
  }

  private void become(
      EntryEntity entry, Revision revision, List<PostingEntity> before, PayeeEntity payee) {
    Entry wanted = revision.wanted();
    entry.become(wanted, payee);
    for (int place = 0; place < wanted.postings().size(); place++) {
      Integer kept = revision.kept().get(place);
      if (kept == null) {
        entities.persist(new PostingEntity(Ids.next(), entry, place, wanted));
      } else {
        before.get(kept).stay(place, wanted);
      }
    }
    for (int i = 0; i < before.size(); i++) {
      if (!revision.kept().containsValue(i)) {
        entities.remove(before.get(i));
      }
    }
  }

  /** Lets what was read be read again, after rows were changed by SQL. */
  public void forgetRead() {
    entities.clear();
  }

  /** Entries by their identities; those that are not there are missing. */
  public Map<UUID, EntryEntity> byId(Collection<UUID> entryIds) {
    var found = new LinkedHashMap<UUID, EntryEntity>();
    List<EntryEntity> rows =
        entities
            .createNativeQuery(
                "select * from entry where household_id = :household and id = any(:ids) order by id",
                EntryEntity.class)
            .setParameter("household", SignedIn.now().householdId())
            .setParameter("ids", entryIds.toArray(UUID[]::new))
            .getResultList();
    rows.forEach(e -> found.put(e.id(), e));
    return found;
  }

  /** Postings by their identities; those that are not there are missing. */
  public Map<UUID, PostingEntity> postings(Collection<UUID> ids) {
    var found = new LinkedHashMap<UUID, PostingEntity>();
    List<PostingEntity> rows =
        entities
            .createNativeQuery(
                "select * from posting where household_id = :household and id = any(:ids) order by id",
                PostingEntity.class)
            .setParameter("household", SignedIn.now().householdId())
            .setParameter("ids", ids.toArray(UUID[]::new))
            .getResultList();
    rows.forEach(p -> found.put(p.id(), p));
    return found;
  }

  /** The postings of entries, entry by entry in their order. */
  public List<PostingEntity> postingsOf(Collection<UUID> entryIds) {
    return entities
        .createNativeQuery(
            """
            select * from posting where household_id = :household and entry_id = any(:entries)
            order by entry_id, place\
            """,
            PostingEntity.class)
        .setParameter("household", SignedIn.now().householdId())
        .setParameter("entries", entryIds.toArray(UUID[]::new))
        .getResultList();
  }

  private static AccountMonth month(UUID accountId, LocalDate day) {
    return new AccountMonth(accountId, day.withDayOfMonth(1));
  }

  /** Kept totals are locked in one order, before the postings that change them are written. */
  private void holdMonths(List<AccountMonth> touched) {
    Set<AccountMonth> months = new LinkedHashSet<>(touched);
    jdbc.sql("select hold_account_months(?, ?)")
        .params(
            months.stream().map(AccountMonth::accountId).toArray(UUID[]::new),
            months.stream().map(m -> Date.valueOf(m.month())).toArray(Date[]::new))
        .query(row -> {});
  }
}
