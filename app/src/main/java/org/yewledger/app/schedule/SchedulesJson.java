package org.yewledger.app.schedule;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.schedule.DueItem;
import org.yewledger.core.schedule.Recurrence;
import org.yewledger.core.schedule.RegularPayments;
import org.yewledger.core.schedule.Rhythm;
import org.yewledger.core.schedule.Schedule;
import org.yewledger.core.schedule.Shift;

/** What the API says about schedules and their due items. */
final class SchedulesJson {
  private SchedulesJson() {}

  /**
   * @param amount in the currency of the schedule's account; above zero if it goes the way of the
   *     whole
   */
  record SchedulePartJson(
      @NotNull UUID accountId,
      @Nullable String accountName,
      @NotNull BigDecimal amount,
      @Nullable @Size(max = Texts.NOTE) String note) {}

  /**
   * How often something recurs, as a person picks it.
   *
   * @param interval every so many units
   * @param on on which day of a month
   */
  record RhythmJson(@NotNull Rhythm.Unit unit, int interval, Rhythm.@NotNull On on) {
    Rhythm toRhythm() {
      return new Rhythm(unit, interval, on);
    }
  }

  /**
   * A schedule as it is to be.
   *
   * @param version of the one that is changed; 0 for a new one
   * @param pays whether the account pays; otherwise it receives
   * @param about how far the amount may be from the usual one; null where it is always the same
   * @param rhythm how often, as a person picks it; null where the rule says it
   * @param rule how often, by RFC 5545; for what no rhythm can say
   * @param until the last day that may be one of them, {@code times} how often at most; neither
   *     without an end
   * @param trusted whether a line that is surely an item is posted without being looked at
   */
  record ScheduleDraftJson(
      int version,
      @NotNull @Size(max = Texts.NAME) String payee,
      @Nullable @Size(max = Texts.NOTE) String note,
      @NotNull UUID accountId,
      @NotNull Boolean pays,
      @NotEmpty @Size(max = 20) List<@NotNull @Valid SchedulePartJson> parts,
      @Nullable BigDecimal about,
      @NotNull LocalDate first,
      @Nullable @Valid RhythmJson rhythm,
      @Nullable @Size(max = 200) String rule,
      @Nullable LocalDate until,
      @Nullable Integer times,
      @NotNull Shift shift,
      @Nullable Boolean trusted) {
    Schedule toSchedule(UUID id, Chart chart) {
      Account account = chart.account(accountId);
      return new Schedule(
              id,
              payee.strip(),
              note == null ? "" : note.strip(),
              account,
              parts.stream()
                  .map(part ->
                      new Schedule.Part(
                          chart.account(part.accountId()),
                          signed(Amount.of(part.amount(), account.currency())),
                          part.note() == null ? "" : part.note().strip()))
                  .toList(),
              about == null
                  ? Amount.zero(account.currency())
                  : Amount.of(about, account.currency()),
              when(),
              shift,
              trusted != null && trusted)
          .require();
    }

    private Amount signed(Amount amount) {
      return pays ? amount.negated() : amount;
    }

    private Recurrence when() {
      return rhythm == null
          ? Recurrence.read(rule == null ? "" : rule.strip(), first)
          : Recurrence.of(rhythm.toRhythm(), first, until, times);
    }
  }

  /**
   * A schedule that is not made yet, as its form begins.
   *
   * @param inWords how often it would recur
   */
  record BegunScheduleJson(
      String payee,
      String note,
      UUID accountId,
      String accountName,
      String currency,
      boolean pays,
      BigDecimal amount,
      BigDecimal about,
      List<SchedulePartJson> parts,
      LocalDate first,
      @Nullable RhythmJson rhythm,
      Shift shift,
      String inWords) {
    static BegunScheduleJson of(Schedule schedule) {
      boolean pays = schedule.whole().sign() < 0;
      return new BegunScheduleJson(
          schedule.payee(),
          schedule.note(),
          schedule.account().id(),
          schedule.account().name(),
          schedule.account().currency().getCode(),
          pays,
          schedule.whole().decimal(),
          schedule.about().decimal(),
          partsOf(schedule, pays),
          schedule.when().first(),
          rhythmOf(schedule.when()),
          schedule.shift(),
          schedule.inWords());
    }
  }

  /**
   * What came regularly.
   *
   * @param times how often it came so
   * @param newestNo the number of the newest entry, {@code newest} its day
   */
  record RegularJson(int times, long newestNo, LocalDate newest, BegunScheduleJson schedule) {
    static RegularJson of(RegularPayments.Found found, long newestNo, Schedule schedule) {
      return new RegularJson(
          found.times(), newestNo, found.newest().date(), BegunScheduleJson.of(schedule));
    }
  }

  static List<SchedulePartJson> partsOf(Schedule schedule, boolean pays) {
    return schedule.parts().stream()
        .map(part ->
            new SchedulePartJson(
                part.account().id(),
                part.account().name(),
                (pays ? part.amount().negated() : part.amount()).decimal(),
                part.note()))
        .toList();
  }

  private static @Nullable RhythmJson rhythmOf(Recurrence when) {
    return when.rhythm().map(r -> new RhythmJson(r.unit(), r.interval(), r.on())).orElse(null);
  }

  /**
   * @param inWords how often it recurs
   * @param amount what its account pays, below zero, or receives
   * @param rhythm null where the rule is one that nobody can pick
   * @param varies whether what it comes to follows from the terms of a loan, by which it is changed
   * @param next the day that the next item is due on that is still expected; null if none is
   */
  record ScheduleOfJson(
      UUID id,
      int version,
      UUID payeeId,
      String payee,
      String note,
      UUID accountId,
      String accountName,
      String currency,
      boolean pays,
      BigDecimal amount,
      BigDecimal about,
      List<SchedulePartJson> parts,
      LocalDate first,
      @Nullable RhythmJson rhythm,
      String rule,
      @Nullable LocalDate until,
      @Nullable Integer times,
      Shift shift,
      boolean trusted,
      boolean varies,
      String inWords,
      @Nullable LocalDate next) {
    static ScheduleOfJson of(Schedules.Kept kept, boolean varies, @Nullable LocalDate next) {
      Schedule schedule = kept.schedule();
      Recurrence when = schedule.when();
      boolean pays = schedule.whole().sign() < 0;
      return new ScheduleOfJson(
          schedule.id(),
          kept.version(),
          kept.payeeId(),
          schedule.payee(),
          schedule.note(),
          schedule.account().id(),
          schedule.account().name(),
          schedule.account().currency().getCode(),
          pays,
          schedule.whole().decimal(),
          schedule.about().decimal(),
          partsOf(schedule, pays),
          when.first(),
          rhythmOf(when),
          when.rule(),
          when.until().orElse(null),
          when.times().orElse(null),
          schedule.shift(),
          schedule.trusted(),
          varies,
          schedule.inWords(),
          next);
    }
  }

  /**
   * @param day by which the item is known: the one that the rule gives it
   * @param due the day that it is due on
   * @param amount that of the entry, if it is one, else the usual one
   * @param usual what comes as a rule
   * @param places where it goes: one by name, several as their number
   * @param parts what it is expected to be made of
   * @param entryId the entry that it is, {@code entryNo} its number, {@code entryDate} its day
   * @param reason why it is skipped
   */
  record DueItemJson(
      UUID scheduleId,
      LocalDate day,
      LocalDate due,
      DueItem.State state,
      String payee,
      String note,
      UUID bookId,
      UUID accountId,
      String accountName,
      String currency,
      BigDecimal amount,
      BigDecimal usual,
      boolean about,
      String places,
      List<SchedulePartJson> parts,
      String inWords,
      @Nullable UUID entryId,
      @Nullable Long entryNo,
      @Nullable LocalDate entryDate,
      @Nullable String reason,
      boolean moved) {}

  /**
   * @param today the household's day
   */
  record DueItemsJson(LocalDate today, List<DueItemJson> items) {}

  /** What becomes of a due item. */
  enum Settling {
    /** It does not come this time. */
    SKIP,
    /** It comes on another day. */
    MOVE,
    /** It is an entry that stands in the books. */
    IS_ENTRY,
    /** What was said of it is taken back. */
    EXPECT
  }

  /**
   * @param day by which the item is known
   * @param reason why it is skipped
   * @param to the day that it is moved to
   * @param entryNo the number of the entry that it is
   */
  record SettleJson(
      @NotNull LocalDate day,
      @NotNull Settling how,
      @Nullable @Size(max = Texts.NAME) String reason,
      @Nullable LocalDate to,
      @Nullable Long entryNo) {}

  /**
   * Books a due item.
   *
   * @param day by which the item is known
   * @param on the day of the entry; null for the day that it is due on
   * @param amount with the sign of the account; null for the usual one
   */
  record EnterDueJson(
      @NotNull LocalDate day, @Nullable LocalDate on, @Nullable BigDecimal amount) {}

  record DueEnteredJson(UUID entryId, long no, LocalDate date) {}

  record HolidayJson(@NotNull LocalDate day, @NotNull @Size(max = Texts.NAME) String name) {}
}
