package org.yewledger.app.rules;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.journal.TagFollower;
import org.yewledger.app.platform.SignedIn;

/** Rules mark entries with tags by their names; without this, they would make the old one anew. */
@Component
class RulesOfTags implements TagFollower {
  private final JdbcClient jdbc;

  RulesOfTags(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  @Transactional(propagation = Propagation.MANDATORY)
  public void renamed(String from, String to) {
    // The new name stands once, where the first of the two stood.
    jdbc.sql(
            """
            update rule r set version = version + 1, tags = (
                select jsonb_agg(name order by at) from (
                  select case when lower(t) in (lower(:from), lower(:to)) then :to else t end as name, min(n) as at
                    from jsonb_array_elements_text(r.tags) with ordinality x(t, n) group by 1) named)
             where household_id = :household
               and exists (select 1 from jsonb_array_elements_text(r.tags) t where lower(t) = lower(:from))\
            """)
        .param("from", from)
        .param("to", to)
        .param("household", SignedIn.now().householdId())
        .update();
  }
}
