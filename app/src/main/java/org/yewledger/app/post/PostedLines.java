package org.yewledger.app.post;

import java.time.Clock;
import java.time.format.DateTimeFormatter;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.yewledger.app.bankline.BankLineStateEntity;
import org.yewledger.app.platform.Conflict;
import org.yewledger.core.gather.BankLine;

/** Says of a line that waits no more who was there first. */
@Component
class PostedLines {
  private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm");

  private final JdbcClient jdbc;
  private final Clock clock;

  PostedLines(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /**
   * @param version the state that the person saw
   * @throws Conflict if the line does not wait any more, or not as they saw it
   */
  void requireWaiting(BankLine line, BankLineStateEntity state, int version) {
    if (!state.isWaiting()) {
      throw new Conflict(
          "line-already-posted",
          "%s was posted at %s%s. Nothing was booked twice."
              .formatted(
                  line.text(),
                  TIME.format(state.changedAt().atZone(clock.getZone())),
                  nameOf(state)));
    }
    if (state.version() != version) {
      throw Conflict.changedMeanwhile("line");
    }
  }

  private String nameOf(BankLineStateEntity state) {
    return jdbc.sql("select name from person where id = ?")
        .param(state.changedBy())
        .query(String.class)
        .optional()
        .map(name -> " by " + name)
        .orElse("");
  }
}
