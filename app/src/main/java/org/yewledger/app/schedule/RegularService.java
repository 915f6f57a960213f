package org.yewledger.app.schedule;

import java.sql.Date;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.EntryReader;
import org.yewledger.app.journal.EntryReader.EntryView;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.schedule.SchedulesJson.BegunScheduleJson;
import org.yewledger.app.schedule.SchedulesJson.RegularJson;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.schedule.Likeness;
import org.yewledger.core.schedule.RegularPayments;
import org.yewledger.core.schedule.RegularPayments.Found;
import org.yewledger.core.schedule.RegularPayments.Paid;
import org.yewledger.core.schedule.Schedule;

/** Finds what could be expected: from what came regularly, or from one entry. */
@Service
class RegularService {
  /** A yearly payment has to come three times to be seen. */
  private static final int YEARS_BACK = 3;

  private static final int MOST = 100;

  private static final String PAID =
      """
      select e.id, e.payee_id, p.account_id, e.date, p.amount_minor
        from unnest(:accounts) a(id)
        join posting p on p.household_id = :household and p.account_id = a.id and p.date >= :since
        join entry e on e.household_id = :household and e.id = p.entry_id
       where e.origin <> 'OPENING' and e.counters_id is null\
      """;

  private final ChartService charts;
  private final Schedules schedules;
  private final EntryReader entries;
  private final HouseholdDays days;
  private final JdbcClient jdbc;

  RegularService(
      ChartService charts,
      Schedules schedules,
      EntryReader entries,
      HouseholdDays days,
      JdbcClient jdbc) {
    this.charts = charts;
    this.schedules = schedules;
    this.entries = entries;
    this.days = days;
    this.jdbc = jdbc;
  }

  private record Of(UUID payeeId, UUID accountId) {}

  /**
   * What came regularly and is not expected by a schedule yet, the most frequent first. Cost:
   * linear in the postings of three years on the accounts that are reconciled.
   */
  @Transactional(readOnly = true)
  List<RegularJson> found(@Nullable UUID bookId) {
    Chart chart = charts.chart();
    Set<Of> expected = new HashSet<>();
    schedules
        .all(chart)
        .forEach(k -> expected.add(new Of(k.payeeId(), k.schedule().account().id())));
    List<Found> found =
        RegularPayments.in(paid(chart, bookId), lastBooked()).stream()
            .filter(f -> !expected.contains(new Of(f.newest().payeeId(), f.newest().accountId())))
            .limit(MOST)
            .toList();
    Map<UUID, EntryView> newest =
        entries.byId(found.stream().map(f -> f.newest().entryId()).toList()).byId();
    List<RegularJson> told = new ArrayList<>();
    for (Found one : found) {
      EntryView entry = Objects.requireNonNull(newest.get(one.newest().entryId()));
      begun(entry, chart.account(one.newest().accountId()), one)
          .ifPresent(draft -> told.add(RegularJson.of(one, entry.no(), draft)));
    }
    return told;
  }

  /** The books may be behind: what has stopped is told from the newest entry, not from today. */
  private LocalDate lastBooked() {
    LocalDate today = days.today();
    return jdbc.sql("select max(date) from entry where household_id = ? and date <= ?")
        .params(SignedIn.now().householdId(), Date.valueOf(today))
        .query(LocalDate.class)
        .optional()
        .orElse(today);
  }

  private List<Paid> paid(Chart chart, @Nullable UUID bookId) {
    UUID[] accounts = chart.reconciledAccounts(bookId).map(Account::id).toArray(UUID[]::new);
    return jdbc.sql(PAID)
        .param("household", SignedIn.now().householdId())
        .param("accounts", accounts)
        .param("since", Date.valueOf(days.today().minusYears(YEARS_BACK)))
        .query((row, no) ->
            new Paid(
                Objects.requireNonNull(row.getObject(1, UUID.class)),
                Objects.requireNonNull(row.getObject(2, UUID.class)),
                Objects.requireNonNull(row.getObject(3, UUID.class)),
                Objects.requireNonNull(row.getObject(4, LocalDate.class)),
                row.getLong(5)))
        .list();
  }

  private static Optional<Schedule> begun(EntryView entry, Account account, Found found) {
    try {
      Schedule like = Likeness.of(entry.toEntry(), account, found.next(), found.rhythm());
      return Optional.of(
          like.withUsual(
              Amount.ofMinor(found.usualMinor(), account.currency()),
              Amount.ofMinor(found.aboutMinor(), account.currency())));
    } catch (Refusal cannotRecur) {
      return Optional.empty();
    }
  }

  /**
   * A schedule as it would begin from an entry: the same again a month later.
   *
   * @throws Refusal as {@link Likeness#of} does
   */
  @Transactional(readOnly = true)
  BegunScheduleJson like(UUID entryId) {
    EntryView entry = entries.find(entryId);
    return BegunScheduleJson.of(Likeness.monthly(entry.toEntry(), days.today()));
  }
}
