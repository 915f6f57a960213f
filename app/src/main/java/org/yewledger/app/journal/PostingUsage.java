package org.yewledger.app.journal;

import java.sql.Date;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AccountFollower;
import org.yewledger.app.chart.AccountUsage;
import org.yewledger.app.platform.SignedIn;

/** Postings use accounts, and move when one is merged into another. */
@Component
class PostingUsage implements AccountUsage, AccountFollower {
  private record Counts(long postings, @Nullable Date first) {}

  private final JdbcClient jdbc;

  PostingUsage(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  @Transactional(readOnly = true)
  public Part of(UUID accountId) {
    Counts counts =
        jdbc.sql(
                """
                select (select count(*) from (select 1 from posting
                         where household_id = :h and account_id = :id limit :most) few) as postings,
                       (select p.date from posting p where p.household_id = :h and p.account_id = :id
                          and not exists (select 1 from entry e
                            where e.household_id = p.household_id and e.id = p.entry_id and e.origin = 'OPENING')
                         order by p.date limit 1) as first\
                """)
            .param("h", SignedIn.now().householdId())
            .param("id", accountId)
            .param("most", MOST)
            .query(Counts.class)
            .single();
    Date first = counts.first();
    return Part.ofPostings(counts.postings(), first == null ? null : first.toLocalDate());
  }

  @Override
  public long merged(UUID from, UUID into) {
    jdbc.sql(
            "update posting set taxed_account_id = ? where household_id = ? and taxed_account_id = ?")
        .params(into, SignedIn.now().householdId(), from)
        .update();
    return jdbc.sql("update posting set account_id = ? where household_id = ? and account_id = ?")
        .params(into, SignedIn.now().householdId(), from)
        .update();
  }

  @Override
  public void deleted(UUID account) {
    // What postings stand on is used, and not deleted.
  }
}
