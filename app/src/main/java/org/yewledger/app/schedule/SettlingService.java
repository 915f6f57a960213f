package org.yewledger.app.schedule;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.EntryEntity;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.journal.LedgerService;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.schedule.SchedulesJson.DueEnteredJson;
import org.yewledger.app.schedule.SchedulesJson.EnterDueJson;
import org.yewledger.app.schedule.SchedulesJson.SettleJson;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.money.Amount;
import org.yewledger.core.post.Booking;
import org.yewledger.core.post.DueBooking;
import org.yewledger.core.schedule.DueItem;
import org.yewledger.core.schedule.Schedule;
import org.yewledger.core.schedule.Settled;

/** Says what becomes of due items: entered, skipped, moved, or an entry that stands already. */
@Service
public class SettlingService {
  /** An item is moved by a year at most. */
  private static final int FURTHEST = 366;

  private final ChartService charts;
  private final Schedules schedules;
  private final SettledItems settled;
  private final DueService due;
  private final AccountLocks locks;
  private final LedgerService ledgers;
  private final EntryStore entries;
  private final HouseholdDays days;
  private final Acts acts;
  private final JdbcClient jdbc;

  SettlingService(
      ChartService charts,
      Schedules schedules,
      SettledItems settled,
      DueService due,
      AccountLocks locks,
      LedgerService ledgers,
      EntryStore entries,
      HouseholdDays days,
      Acts acts,
      JdbcClient jdbc) {
    this.charts = charts;
    this.schedules = schedules;
    this.settled = settled;
    this.due = due;
    this.locks = locks;
    this.ledgers = ledgers;
    this.entries = entries;
    this.days = days;
    this.acts = acts;
    this.jdbc = jdbc;
  }

  /**
   * Books a due item by hand.
   *
   * @throws Conflict {@code due-entered} if an entry is it already
   * @throws NotFound if the schedule has no item that day
   * @throws Refusal as {@link Booking#entryByHand} does
   */
  @Transactional
  @ForBookkeepers
  DueEnteredJson enter(UUID scheduleId, EnterDueJson wanted) {
    Schedule seen = schedules.find(scheduleId, charts.chart()).schedule();
    locks.shared(accounts(seen));
    schedules.hold(scheduleId);
    // Somebody may have changed them until they were held.
    entries.forgetRead();
    Chart chart = charts.chart();
    DueItem item =
        requireExpected(chart, schedules.find(scheduleId, chart).schedule(), wanted.day());
    Schedule schedule = item.schedule();
    LocalDate on = wanted.on() == null ? item.due() : wanted.on();
    Amount amount =
        wanted.amount() == null
            ? schedule.whole()
            : Amount.of(wanted.amount(), schedule.account().currency());
    Booking booking = DueBooking.of(schedule, amount);
    booking.entryByHand(schedule.account(), on, amount, ledgers.lookingAhead(chart));
    acts.begin(
        ActKind.ENTER,
        "Entered %s, due %s, %s".formatted(schedule.payee(), item.due(), amount.shown()));
    Entry entry = booking.entryByHand(schedule.account(), on, amount, ledgers.ledger(chart));
    EntryEntity made = entries.add(List.of(entry)).getFirst().entry();
    settled.keep(scheduleId, wanted.day(), new Settled.Entered(made.id()));
    return new DueEnteredJson(made.id(), made.no(), made.date());
  }

  private static Set<UUID> accounts(Schedule schedule) {
    Set<UUID> accounts = new HashSet<>(Set.of(schedule.account().id()));
    schedule.parts().forEach(part -> accounts.add(part.account().id()));
    return accounts;
  }

  /**
   * Says that an entry is a due item, within the act that makes the entry. What somebody else said
   * of the item meanwhile stays, and a schedule that was ended meanwhile expects nothing.
   *
   * @param day by which the item is known
   */
  @Transactional
  public void entered(UUID scheduleId, LocalDate day, UUID entryId) {
    if (schedules.isHeld(scheduleId) && !settled.isSaid(scheduleId, day)) {
      settled.keep(scheduleId, day, new Settled.Entered(entryId));
    }
  }

  /**
   * @throws NotFound if the schedule has no item that day
   * @throws Refusal {@code due-reason-missing}, {@code due-day-missing}, {@code due-too-far},
   *     {@code due-entry-missing}
   */
  @Transactional
  @ForBookkeepers
  void settle(UUID scheduleId, SettleJson wanted) {
    schedules.hold(scheduleId);
    Chart chart = charts.chart();
    Schedule schedule = schedules.find(scheduleId, chart).schedule();
    DueItem item = item(chart, schedule, wanted.day());
    String of = "%s, due %s".formatted(schedule.payee(), item.due());
    switch (wanted.how()) {
      case SKIP -> {
        requireExpected(chart, schedule, wanted.day());
        keep(item, new Settled.Skipped(reason(wanted.reason())), "Skipped " + of);
      }
      case MOVE -> {
        requireExpected(chart, schedule, wanted.day());
        LocalDate to = movedTo(item, wanted.to());
        keep(item, new Settled.Moved(to), "Moved %s, to %s".formatted(of, to));
      }
      case IS_ENTRY -> {
        requireExpected(chart, schedule, wanted.day());
        keep(
            item,
            new Settled.Entered(entry(wanted.entryNo())),
            "Took no. %d for %s".formatted(wanted.entryNo(), of));
      }
      case EXPECT -> keep(item, null, "Expects %s again".formatted(of));
    }
  }

  private void keep(DueItem item, @Nullable Settled said, String inWords) {
    acts.begin(ActKind.SCHEDULES, inWords);
    settled.keep(item.schedule().id(), item.nominal(), said);
  }

  private DueItem item(Chart chart, Schedule schedule, LocalDate day) {
    return due.item(chart, schedule, day).orElseThrow(() -> new NotFound("due-item"));
  }

  private DueItem requireExpected(Chart chart, Schedule schedule, LocalDate day) {
    DueItem item = item(chart, schedule, day);
    if (item.entry() != null) {
      throw new Conflict(
          "due-entered",
          "It stands in the books already: no. %d of %s."
              .formatted(item.entry().no(), item.entry().date()));
    }
    return item;
  }

  private static String reason(@Nullable String reason) {
    if (reason == null || reason.isBlank()) {
      throw Refusal.ofField("due-reason-missing", "reason", "Say why it does not come this time.");
    }
    return reason.strip();
  }

  private LocalDate movedTo(DueItem item, @Nullable LocalDate to) {
    if (to == null) {
      throw Refusal.ofField("due-day-missing", "to", "Choose the day that it comes on.");
    }
    if (Math.abs(ChronoUnit.DAYS.between(item.nominal(), to)) > FURTHEST
        || to.isBefore(days.today().minusDays(FURTHEST))) {
      throw Refusal.ofField("due-too-far", "to", "An item is moved by a year at most.");
    }
    return to;
  }

  private UUID entry(@Nullable Long no) {
    Optional<UUID> found =
        no == null
            ? Optional.empty()
            : jdbc.sql("select id from entry where household_id = ? and no = ?")
                .params(SignedIn.now().householdId(), no)
                .query((row, at) -> Objects.requireNonNull(row.getObject(1, UUID.class)))
                .optional();
    return found.orElseThrow(() ->
        Refusal.ofField(
            "due-entry-missing", "entryNo", "There is no entry of that number in the books."));
  }
}
