package org.yewledger.app.reconcile;

import java.sql.Date;
import java.sql.Types;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;

/** Ticks postings by the hundred thousand: looked at and changed at once. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class Ticks {
  private record Found(long count, long elsewhere, @Nullable Date after) {}

  private final JdbcClient jdbc;

  Ticks(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * @throws NotFound if one is not there, or stands on another account
   * @throws Conflict {@code ticked-elsewhere}
   * @throws Refusal {@code after-statement}
   */
  void tick(StatementEntity statement, Set<UUID> postingIds, boolean tick) {
    UUID household = SignedIn.now().householdId();
    UUID[] ids = postingIds.toArray(UUID[]::new);
    Found found =
        jdbc.sql(
                """
                select count(*) as count, count(*) filter (where statement_id <> :statement) as elsewhere,
                       min(date) filter (where date > :day) as after
                  from (select statement_id, date from posting
                         where household_id = :household and id = any(:ids) and is_at_bank(account_id, :account, :household)
                         order by id for update) locked\
                """)
            .param("household", household)
            .param("ids", ids)
            .param("account", statement.accountId())
            .param("statement", statement.id())
            .param("day", Date.valueOf(statement.closesOn()))
            .query(Found.class)
            .single();
    if (found.count() < ids.length) {
      throw new NotFound("posting");
    }
    if (found.elsewhere() > 0) {
      throw new Conflict("ticked-elsewhere", "The posting is ticked for another statement.");
    }
    Date after = found.after();
    if (after != null) {
      throw Refusal.of(
          "after-statement",
          "The posting is of %s, after the statement closes.".formatted(after.toLocalDate()));
    }
    jdbc.sql(
            """
            update posting set statement_id = :statement, version = version + 1
             where household_id = :household and id = any(:ids) and statement_id is distinct from :statement\
            """)
        .param("statement", tick ? statement.id() : null, Types.OTHER)
        .param("household", household)
        .param("ids", ids)
        .update();
  }
}
