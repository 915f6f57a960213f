package org.yewledger.app.journal;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.journal.EntryReader.EntryView;
import org.yewledger.app.journal.EntryReader.EntryViews;

/** Looks up an account's postings, newest first. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class RegisterRows {
  /** A posting and its entry. */
  record Row(PostingEntity posting, EntryView entry) {}

  /**
   * @param out what went out, below zero
   */
  record Totals(long count, long in, long out) {}

  private final JdbcClient jdbc;
  private final EntrySearch search;
  private final EntryStore store;
  private final EntryReader reader;

  RegisterRows(JdbcClient jdbc, EntrySearch search, EntryStore store, EntryReader reader) {
    this.jdbc = jdbc;
    this.search = search;
    this.store = store;
    this.reader = reader;
  }

  /** A page of the account's postings in the entries that are sought. */
  List<Row> page(UUID accountId, EntrySought sought, PageKey after, int size) {
    Map<String, Object> params = params(accountId, sought);
    params.put("date", after.date());
    params.put("no", after.no());
    params.put("place", after.place());
    params.put("size", size);
    record Found(UUID id, UUID entryId) {}
    List<Found> found =
        jdbc.sql(
                """
                select r.id, r.entry_id %s and r.date <= :date and (r.date, e.no, r.place) < (:date, :no, :place)
                 order by r.date desc, e.no desc, r.place desc limit :size\
                """
                    .formatted(from(sought, search.finder(sought))))
            .params(params)
            .query(
                (row, n) -> new Found(row.getObject(1, UUID.class), row.getObject(2, UUID.class)))
            .list();
    Map<UUID, PostingEntity> postings = store.postings(found.stream().map(Found::id).toList());
    EntryViews entries = reader.byId(found.stream().map(Found::entryId).toList());
    return found.stream()
        .map(f -> new Row(Objects.requireNonNull(postings.get(f.id())), entries.of(f.entryId())))
        .toList();
  }

  Totals totals(UUID accountId, EntrySought sought) {
    return jdbc.sql(
            """
            select count(*), coalesce(sum(r.amount_minor) filter (where r.amount_minor > 0), 0)::bigint,
                   coalesce(sum(r.amount_minor) filter (where r.amount_minor < 0), 0)::bigint %s\
            """
                .formatted(from(sought, search.finder(sought))))
        .params(params(accountId, sought))
        .query((row, n) -> new Totals(row.getLong(1), row.getLong(2), row.getLong(3)))
        .single();
  }

  private static Map<String, Object> params(UUID accountId, EntrySought sought) {
    Map<String, Object> params = new HashMap<>(sought.params());
    params.put("account", accountId);
    return params;
  }

  private static String from(EntrySought sought, @Nullable String finder) {
    String postings =
        """
        from posting r join entry e on e.household_id = r.household_id and e.id = r.entry_id
         where r.household_id = :household and r.account_id = :account and r.date between :first and :last\
        """;
    String among = finder == null ? "" : " and r.entry_id in (%s)".formatted(finder);
    return postings + among + sought.holding(finder);
  }
}
