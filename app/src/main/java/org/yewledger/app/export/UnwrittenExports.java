package org.yewledger.app.export;

import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;

/** Tells which exports could not be written when their time came. */
@Component
public class UnwrittenExports {
  private final JdbcClient jdbc;

  UnwrittenExports(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Their names; empty as long as all goes well. Cost: a query over the household's exports. */
  @Transactional(propagation = Propagation.MANDATORY)
  public List<String> names() {
    return jdbc.sql(
            """
            select e.name from export_run r
              join kept_export e on e.household_id = r.household_id and e.id = r.export_id
             where r.household_id = ? and r.problem is not null order by lower(e.name)\
            """)
        .param(SignedIn.now().householdId())
        .query((row, no) -> row.getString(1))
        .list();
  }
}
