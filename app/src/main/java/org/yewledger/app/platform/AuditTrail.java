package org.yewledger.app.platform;

import java.sql.Timestamp;
import java.sql.Types;
import java.time.Clock;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/**
 * Who did what, when, with the state before and after; written in the transaction of the change.
 */
@Component
public class AuditTrail {
  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  AuditTrail(JdbcClient jdbc, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
    this.json = json;
    this.clock = clock;
  }

  /**
   * @param act what was done, in words such as {@code post} or {@code finish}
   * @param subject the noun of the vocabulary that it was done to
   * @param before the state before, null for something new
   * @param after the state after, null for something gone
   */
  @Transactional(propagation = Propagation.MANDATORY)
  public void write(
      String act, String subject, UUID subjectId, @Nullable Object before, @Nullable Object after) {
    SignedIn person = SignedIn.now();
    jdbc.sql(
            """
            insert into audit (household_id, id, at, person_id, act, subject, subject_id, before, after)
            values (?, ?, ?, ?, ?, ?, ?, ?::jsonb, ?::jsonb)\
            """)
        .param(1, person.householdId())
        .param(2, Ids.next())
        .param(3, Timestamp.from(clock.instant()))
        .param(4, person.personId())
        .param(5, act)
        .param(6, subject)
        .param(7, subjectId)
        .param(8, asJson(before), Types.VARCHAR)
        .param(9, asJson(after), Types.VARCHAR)
        .update();
  }

  private @Nullable String asJson(@Nullable Object value) {
    return value == null ? null : json.writeValueAsString(value);
  }
}
