package org.yewledger.app.rules;

import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.AccountKind;

/** How bank lines were booked: to which accounts their amounts went. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class BookedLines {
  private static final Set<AccountKind> MADE_BY_THE_CORE =
      Set.of(AccountKind.DRAWINGS, AccountKind.EXCHANGE, AccountKind.SALES_TAX);

  /**
   * The entry of a line.
   *
   * @param byRule whether a rule or a habit booked it, not a person's own answer
   * @param accounts where its amount went, without what the core adds, in the entry's order
   */
  record Booked(UUID entryId, long no, String payee, boolean byRule, Set<UUID> accounts) {}

  private final JdbcClient jdbc;

  BookedLines(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** By the lines; those that wait are missing. Cost: linear in the lines, by index. */
  Map<UUID, Booked> of(Collection<UUID> lineIds, Chart chart) {
    if (lineIds.isEmpty()) {
      return Map.of();
    }
    Set<UUID> made =
        chart
            .accounts()
            .filter(account -> MADE_BY_THE_CORE.contains(account.kind()))
            .map(account -> account.id())
            .collect(Collectors.toSet());
    var booked = new HashMap<UUID, Booked>();
    jdbc.sql(
            """
            select k.bank_line_id, e.id, e.no, y.name, e.reason = 'RULE' as by_rule, p.account_id
              from line_link k
              join entry e on e.household_id = :household and e.id = k.entry_id
              join payee y on y.household_id = :household and y.id = e.payee_id
              join posting p on p.household_id = :household and p.entry_id = e.id and p.id <> k.posting_id
             where k.household_id = :household and k.bank_line_id = any(:lines)
             order by k.bank_line_id, p.place\
            """)
        .param("household", SignedIn.now().householdId())
        .param("lines", lineIds.toArray(UUID[]::new))
        .query(row -> {
          UUID line = row.getObject(1, UUID.class);
          Booked of = booked.get(line);
          if (of == null) {
            of =
                new Booked(
                    row.getObject(2, UUID.class),
                    row.getLong(3),
                    row.getString(4),
                    row.getBoolean(5),
                    new LinkedHashSet<>());
            booked.put(line, of);
          }
          UUID account = row.getObject(6, UUID.class);
          if (!made.contains(account)) {
            of.accounts().add(account);
          }
        });
    return booked;
  }
}
