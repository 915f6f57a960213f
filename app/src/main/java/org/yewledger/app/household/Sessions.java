package org.yewledger.app.household;

import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * The sign-ins of people, wherever they are. They end by SQL on the connection at hand, and so in
 * the transaction that takes the right away: the session store works in transactions of a manager
 * of its own, and begun within one of a household it would end that one.
 */
@Component
class Sessions {
  private final JdbcClient jdbc;

  Sessions(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  void endAllOf(UUID personId) {
    endAllOf(personId, "");
  }

  /** Ends all sessions of a person but the one that they sit in. */
  void endAllOf(UUID personId, String butSessionId) {
    jdbc.sql("delete from spring_session where principal_name = ? and session_id <> ?")
        .params(personId.toString(), butSessionId)
        .update();
  }
}
