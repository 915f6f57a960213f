package org.yewledger.app.bankline;

import java.sql.Date;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AccountUsage;
import org.yewledger.app.platform.SignedIn;

/** Bank lines use the accounts that banks gave them for. */
@Component
class LineUsage implements AccountUsage {
  private record Counts(long lines, @Nullable Date first, long undecided) {}

  private final JdbcClient jdbc;

  LineUsage(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  @Transactional(readOnly = true)
  public Part of(UUID accountId) {
    Counts counts =
        jdbc.sql(
                """
                select (select count(*) from (select 1 from bank_line
                         where household_id = :h and account_id = :id and taken_back_at is null limit :most) few)
                       + (select count(*) from (select 1 from bank_line
                         where household_id = :h and account_id = :id and taken_back_at is not null limit 1) few) as lines,
                       (select booked_on from bank_line where household_id = :h and account_id = :id
                          and taken_back_at is null order by booked_on limit 1) as first,
                       (select count(*) from (select 1 from bank_line_state
                         where household_id = :h and account_id = :id and state = 'WAITING' limit :most) few)
                       + (select count(*) from (select 1 from bank_line_state
                         where household_id = :h and account_id = :id and state in ('DOUBTFUL', 'PENDING') limit :most) few)
                         as undecided\
                """)
            .param("h", SignedIn.now().householdId())
            .param("id", accountId)
            .param("most", MOST)
            .query(Counts.class)
            .single();
    Date first = counts.first();
    return Part.ofLines(
        counts.lines(), first == null ? null : first.toLocalDate(), counts.undecided());
  }

  @Override
  @Transactional(readOnly = true)
  public Map<UUID, Integer> waiting() {
    var counts = new HashMap<UUID, Integer>();
    jdbc.sql(
            "select account_id, count(*) from bank_line_state where household_id = ? and state = 'WAITING' group by 1")
        .param(SignedIn.now().householdId())
        .query(row -> {
          counts.put(row.getObject(1, UUID.class), row.getInt(2));
        });
    return counts;
  }
}
