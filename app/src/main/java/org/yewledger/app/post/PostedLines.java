package org.yewledger.app.post;

import java.time.format.DateTimeFormatter;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.yewledger.app.bankline.BankLineStateEntity;
import org.yewledger.app.bankline.BankLineStateEntity.State;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.core.gather.BankLine;

/** Says of a line that waits no more who was there first. */
@Component
class PostedLines {
  private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm");

  private final JdbcClient jdbc;
  private final HouseholdDays days;

  PostedLines(JdbcClient jdbc, HouseholdDays days) {
    this.jdbc = jdbc;
    this.days = days;
  }

  /**
   * @param version the state that the person saw
   * @throws Conflict if the line does not wait any more, or not as they saw it
   */
  void requireWaiting(BankLine line, BankLineStateEntity state, int version) {
    if (state.state() == State.LEFT_OUT) {
      throw new Conflict(
          "line-left-out",
          "%s was left out at %s%s. Take it in again first."
              .formatted(line.text(), time(state), nameOf(state)));
    }
    if (!state.isWaiting()) {
      throw new Conflict(
          "line-already-posted",
          "%s was posted at %s%s. Nothing was booked twice."
              .formatted(line.text(), time(state), nameOf(state)));
    }
    if (state.version() != version) {
      throw Conflict.changedMeanwhile("line");
    }
  }

  private String time(BankLineStateEntity state) {
    return TIME.format(state.changedAt().atZone(days.zone()));
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
