package org.yewledger.core.schedule;

import java.time.LocalDate;
import org.dmfs.rfc5545.recur.RecurrenceRule;
import org.yewledger.core.Refusal;
import org.yewledger.core.schedule.Rhythm.On;
import org.yewledger.core.schedule.Rhythm.Unit;

/** Tells which rhythm a rule is, if a person could have picked it. */
final class Rhythms {
  private Rhythms() {}

  /** Once for a rule that nobody can pick. */
  static Rhythm of(RecurrenceRule rule, LocalDate first) {
    Unit unit =
        switch (rule.getFreq()) {
          case DAILY -> Unit.DAY;
          case WEEKLY -> Unit.WEEK;
          case MONTHLY -> Unit.MONTH;
          case YEARLY -> Unit.YEAR;
          default -> Unit.ONCE;
        };
    if (unit == Unit.ONCE) {
      return Rhythm.ONCE;
    }
    for (On on : On.values()) {
      if (on == On.DAY || unit == Unit.MONTH) {
        Rhythm rhythm = picked(unit, rule.getInterval(), on);
        if (isRule(rhythm, rule, first)) {
          return rhythm;
        }
      }
    }
    return Rhythm.ONCE;
  }

  private static Rhythm picked(Unit unit, int interval, On on) {
    try {
      return new Rhythm(unit, interval, on);
    } catch (Refusal tooMany) {
      return Rhythm.ONCE;
    }
  }

  private static boolean isRule(Rhythm rhythm, RecurrenceRule rule, LocalDate first) {
    try {
      return rhythm.unit() != Unit.ONCE && withoutEnd(rule.toString()).equals(rhythm.rule(first));
    } catch (Refusal notEveryMonth) {
      return false;
    }
  }

  private static String withoutEnd(String rule) {
    return rule.replaceAll(";(UNTIL|COUNT)=[^;]*", "");
  }
}
