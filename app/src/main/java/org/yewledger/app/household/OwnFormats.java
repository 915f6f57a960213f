package org.yewledger.app.household;

import java.time.DayOfWeek;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.entry.Formats;
import org.yewledger.core.entry.Formats.DayOrder;
import org.yewledger.core.entry.Formats.DecimalMark;
import org.yewledger.core.entry.Formats.Grouping;

/** How the person who is signed in writes figures and days; kept with the person. */
@Service
public class OwnFormats {
  private final JdbcClient jdbc;

  OwnFormats(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Cost: a query by key. */
  @Transactional(readOnly = true)
  public Formats formats() {
    return jdbc.sql(
            "select decimal_mark, grouping, day_order, week_begins, entry_sides from person where id = ?")
        .param(SignedIn.now().personId())
        .query((row, no) ->
            new Formats(
                DecimalMark.valueOf(row.getString("decimal_mark")),
                Grouping.valueOf(row.getString("grouping")),
                DayOrder.valueOf(row.getString("day_order")),
                DayOfWeek.valueOf(row.getString("week_begins")),
                Formats.Sides.valueOf(row.getString("entry_sides"))))
        .optional()
        .orElse(Formats.DEFAULT);
  }

  @Transactional
  void change(Formats formats) {
    jdbc.sql(
            "update person set decimal_mark = ?, grouping = ?, day_order = ?, week_begins = ?, entry_sides = ? where id = ?")
        .params(
            formats.decimalMark().name(),
            formats.grouping().name(),
            formats.dayOrder().name(),
            formats.weekBegins().name(),
            formats.sides().name(),
            SignedIn.now().personId())
        .update();
  }
}
