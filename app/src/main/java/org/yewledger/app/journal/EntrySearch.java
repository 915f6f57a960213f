package org.yewledger.app.journal;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.core.Refusal;

/**
 * Looks entries up. Where an index finds few for one of the conditions, the others are tried on
 * those; where none does, what fits is frequent, and entries are walked through by day until a page
 * is full. Which it is, is counted beforehand, up to {@link #FEW}: PostgreSQL's planner has no
 * numbers of how conditions go together.
 */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class EntrySearch {
  /** So many are looked at one by one rather than walked to. */
  static final int FEW = 5_000;

  /** So few that nothing better needs to be looked for. */
  private static final int FEWEST = 200;

  /** More are not sorted by what has to be worked out for each of them. */
  private static final int MOST_SORTED = 50_000;

  /** An entry that was found, and what it is sorted by. */
  record Found(UUID id, EntryKey key) {}

  /**
   * What entries moved, in one currency.
   *
   * @param in what came in, transfers apart
   * @param out what went out, below zero
   */
  record Moved(String currency, long count, long in, long out, long transfers) {}

  private final JdbcClient jdbc;

  EntrySearch(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * A page of what is sought.
   *
   * @param after where the last page ended; null for the first
   * @throws Refusal {@code too-many-to-sort} where each of a great many would have to be looked at
   */
  List<Found> page(EntrySought sought, EntryOrder order, @Nullable EntryKey after, int size) {
    String finder = finder(sought);
    if (order.looksAtEach() && count(sought, finder, MOST_SORTED + 1) > MOST_SORTED) {
      throw Refusal.ofField(
          "too-many-to-sort",
          "order",
          "More than 50,000 entries fit, too many to sort by that. Choose a month, or look for less.");
    }
    Map<String, Object> params = new HashMap<>(sought.params());
    params.put("size", size);
    if (after != null) {
      params.put("keyDate", after.date());
      params.put("keyNo", after.no());
      params.put("keyValue", after.value());
    }
    return jdbc.sql(
            "select id, date, no, k from (select e.id, e.date, e.no, %s as k %s) fits %s order by %s limit :size"
                .formatted(
                    order.value(),
                    sought.from(finder),
                    after == null ? "" : "where " + order.behind(),
                    order.sql()))
        .params(params)
        .query((row, no) ->
            new Found(
                row.getObject(1, UUID.class),
                new EntryKey(
                    row.getDate(2).toLocalDate(),
                    row.getLong(3),
                    String.valueOf(row.getString(4)))))
        .list();
  }

  /** What all that is sought comes to, by currency. Cost: each entry that fits is looked at. */
  List<Moved> moved(EntrySought sought) {
    return jdbc.sql(
            """
            select coalesce(e.moved_currency, ''), count(*),
                   coalesce(sum(e.moved_minor) filter (where not e.transfer and e.moved_minor > 0), 0),
                   coalesce(sum(e.moved_minor) filter (where not e.transfer and e.moved_minor < 0), 0),
                   count(*) filter (where e.transfer)
              %s group by 1 order by 2 desc\
            """
                .formatted(sought.from(finder(sought))))
        .params(sought.params())
        .query((row, no) ->
            new Moved(
                row.getString(1),
                row.getLong(2),
                exact(row.getBigDecimal(3)),
                exact(row.getBigDecimal(4)),
                row.getLong(5)))
        .list();
  }

  /** The identities of all that is sought, newest first, at most so many. */
  List<UUID> all(EntrySought sought, int most) {
    return jdbc.sql(
            "select e.id %s order by e.date desc, e.no desc limit %d"
                .formatted(sought.from(finder(sought)), most))
        .params(sought.params())
        .query((row, no) -> row.getObject(1, UUID.class))
        .list();
  }

  private static long exact(BigDecimal sum) {
    return sum.longValueExact();
  }

  /**
   * The query by which candidates are best found; null if entries are walked through by day. From
   * here on in the transaction, plans are made for the values at hand.
   */
  @Nullable String finder(EntrySought sought) {
    jdbc.sql("select set_config('plan_cache_mode', 'force_custom_plan', true)").query(row -> {});
    if (sought.isWithinDays()
        && atMost(
                sought,
                "select 1 from entry e where e.household_id = :household and e.date between :first and :last",
                FEW + 1)
            <= FEW) {
      return null;
    }
    String best = null;
    long fewest = FEW + 1;
    for (String finder : sought.finders()) {
      // Only fewer would do, so that no more are counted.
      long found = fewest > FEWEST ? atMost(sought, finder, fewest) : fewest;
      if (found < fewest) {
        best = finder;
        fewest = found;
      }
    }
    return best;
  }

  private long count(EntrySought sought, @Nullable String finder, int most) {
    return atMost(sought, "select 1 " + sought.from(finder), most);
  }

  private long atMost(EntrySought sought, String query, long most) {
    return jdbc.sql(
            "select count(*) from (select 1 from (%s) q limit %d) few".formatted(query, most))
        .params(sought.params())
        .query(Long.class)
        .single();
  }
}
