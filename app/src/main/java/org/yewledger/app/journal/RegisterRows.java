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
import org.yewledger.core.Refusal;

/** Looks up an account's postings. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class RegisterRows {
  /** More are not sorted by anything but their day. */
  private static final int MOST_SORTED = 50_000;

  /**
   * A posting and its entry.
   *
   * @param sortedBy what it is sorted by; empty where that is its day, newest first
   */
  record Row(PostingEntity posting, EntryView entry, String sortedBy) {
    RegisterKey key() {
      return new RegisterKey(new PageKey(posting.date(), entry.no(), posting.place()), sortedBy);
    }
  }

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
    return rows(
        jdbc.sql(
                """
                select r.id, r.entry_id %s and r.date <= :date and (r.date, e.no, r.place) < (:date, :no, :place)
                 order by r.date desc, e.no desc, r.place desc limit :size\
                """
                    .formatted(from(sought, search.finder(sought))))
            .params(params)
            .query((row, n) ->
                new Found(row.getObject(1, UUID.class), row.getObject(2, UUID.class), ""))
            .list());
  }

  /**
   * The same in another order; among equals the newest comes first, but where the oldest are
   * wanted.
   *
   * @param after null for the first page
   * @throws Refusal {@code too-many-to-sort} where a great many would have to be looked at
   */
  List<Row> page(
      UUID accountId, EntrySought sought, EntryOrder order, @Nullable RegisterKey after, int size) {
    String from = from(sought, search.finder(sought));
    Map<String, Object> params = params(accountId, sought);
    params.put("most", MOST_SORTED + 1);
    requireSortable(from, params);
    params.put("size", size);
    if (after != null) {
      params.put("date", after.place().date());
      params.put("no", after.place().no());
      params.put("place", after.place().place());
      params.put("value", after.value());
    }
    String ties = order.isOldestFirst() ? "asc" : "desc";
    String behind =
        "where k %1$s= cast(:value as %2$s) and (k %1$s cast(:value as %2$s) or (date, no, place) %3$s (:date, :no, :place))"
            .formatted(
                order.descending() ? "<" : ">", order.type(), order.isOldestFirst() ? ">" : "<");
    return rows(
        jdbc.sql(
                """
                select id, entry_id, k from (select r.id, r.entry_id, r.date, e.no, r.place, %1$s as k %2$s) fits
                 %3$s order by k %4$s, date %5$s, no %5$s, place %5$s limit :size\
                """
                    .formatted(
                        order.valueOfPosting(),
                        from,
                        after == null ? "" : behind,
                        order.descending() ? "desc" : "asc",
                        ties))
            .params(params)
            .query((row, n) ->
                new Found(
                    row.getObject(1, UUID.class),
                    row.getObject(2, UUID.class),
                    String.valueOf(row.getString(3))))
            .list());
  }

  private void requireSortable(String from, Map<String, Object> params) {
    long count =
        jdbc.sql("select count(*) from (select 1 %s limit :most) few".formatted(from))
            .params(params)
            .query(Long.class)
            .single();
    if (count > MOST_SORTED) {
      throw Refusal.ofField(
          "too-many-to-sort",
          "order",
          "More than 50,000 postings fit, too many to sort by that. Look for less.");
    }
  }

  private record Found(UUID id, UUID entryId, String sortedBy) {}

  private List<Row> rows(List<Found> found) {
    Map<UUID, PostingEntity> postings = store.postings(found.stream().map(Found::id).toList());
    EntryViews entries = reader.byId(found.stream().map(Found::entryId).toList());
    return found.stream()
        .map(f ->
            new Row(
                Objects.requireNonNull(postings.get(f.id())),
                entries.of(f.entryId()),
                f.sortedBy()))
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
