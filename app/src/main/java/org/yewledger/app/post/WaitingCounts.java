package org.yewledger.app.post;

import java.time.YearMonth;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.post.Reason;

/**
 * How many lines wait, by account, reason and month, for views that only count them. The reasons
 * are worked out once for the same lines and rules, and kept until one of them changes.
 */
@Component
public class WaitingCounts {
  private static final int HOUSEHOLDS = 200;

  /** Lines that wait on an account, with one reason, booked in one month. */
  public record Count(Account account, Reason reason, YearMonth month, int lines) {}

  private record Kept(String state, List<Counted> counts) {}

  private record Counted(UUID accountId, Reason reason, YearMonth month) {}

  private final JdbcClient jdbc;
  private final WaitingLines lines;
  private final Map<UUID, Kept> kept =
      Collections.synchronizedMap(
          new LinkedHashMap<>(16, 0.75f, true) {
            @Override
            protected boolean removeEldestEntry(Map.Entry<UUID, Kept> eldest) {
              return size() > HOUSEHOLDS;
            }
          });

  WaitingCounts(JdbcClient jdbc, WaitingLines lines) {
    this.jdbc = jdbc;
    this.lines = lines;
  }

  /** Of all books. */
  @Transactional(readOnly = true)
  public List<Count> all(Chart chart) {
    UUID household = SignedIn.now().householdId();
    String state = state(household);
    Kept known = kept.get(household);
    if (known == null || !known.state().equals(state)) {
      known = new Kept(state, counted(chart));
      kept.put(household, known);
    }
    return known.counts().stream()
        .collect(Collectors.groupingBy(c -> c, LinkedHashMap::new, Collectors.counting()))
        .entrySet()
        .stream()
        .map(e ->
            new Count(
                chart.account(e.getKey().accountId()),
                e.getKey().reason(),
                e.getKey().month(),
                e.getValue().intValue()))
        .toList();
  }

  private List<Counted> counted(Chart chart) {
    return lines.all(chart, null).stream()
        .map(w -> new Counted(w.account().id(), w.reason(), YearMonth.from(w.line().bookedOn())))
        .toList();
  }

  /**
   * What the reasons follow from: which lines wait, the rules, and the accounts' kinds and books.
   */
  private String state(UUID household) {
    return jdbc.sql(
            """
            select concat_ws('/',
              (select count(*) || ',' || coalesce(sum(hashtextextended(bank_line_id::text, 0)), 0) from bank_line_state
                where household_id = :household and state = 'WAITING'),
              (select count(*) || ',' || coalesce(sum(hashtextextended(id::text || version, 0)), 0) from rule where household_id = :household),
              (select count(*) || ',' || coalesce(sum(hashtextextended(id::text || version, 0)), 0) from account where household_id = :household))\
            """)
        .param("household", household)
        .query(String.class)
        .single();
  }
}
