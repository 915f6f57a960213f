package org.yewledger.app.schedule;

import java.sql.Date;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.schedule.Schedules.Kept;
import org.yewledger.app.schedule.VaryingSchedules.Varying;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.schedule.DueItem;
import org.yewledger.core.schedule.DueItems;
import org.yewledger.core.schedule.Schedule;
import org.yewledger.core.schedule.Settled;
import org.yewledger.core.schedule.Standing;
import org.yewledger.core.schedule.WorkingDays;

/** Works out what is due from the schedules and the books. */
@Service
public class DueService {
  /** What has not come for so long is looked for no more. */
  public static final int DAYS_BACK = 400;

  /** Entries so much before or after the items may still be them. */
  private static final int MARGIN = 90;

  /** Those with the payee about the span, and those that a person named, whatever their payee. */
  private static final String STANDING =
      """
      select s.id, e.id, e.no, e.date, sum(p.amount_minor)::bigint from schedule s
        join entry e on e.household_id = :household and e.payee_id = s.payee_id
                    and e.origin <> 'OPENING' and e.date between :from and :to
        join posting p on p.household_id = :household and p.entry_id = e.id and p.account_id = s.account_id
       where s.household_id = :household and s.id = any(:schedules) group by s.id, e.id, e.no, e.date
      union
      select d.schedule_id, e.id, e.no, e.date, coalesce(sum(p.amount_minor), 0)::bigint from due_item d
        join schedule s on s.household_id = :household and s.id = d.schedule_id
        join entry e on e.household_id = :household and e.id = d.entry_id
        left join posting p on p.household_id = :household and p.entry_id = e.id and p.account_id = s.account_id
       where d.household_id = :household and d.schedule_id = any(:schedules) group by d.schedule_id, e.id, e.no, e.date\
      """;

  private final Schedules schedules;
  private final SettledItems settled;
  private final Holidays holidays;
  private final VaryingSchedules varying;
  private final HouseholdDays days;
  private final JdbcClient jdbc;

  DueService(
      Schedules schedules,
      SettledItems settled,
      Holidays holidays,
      VaryingSchedules varying,
      HouseholdDays days,
      JdbcClient jdbc) {
    this.schedules = schedules;
    this.settled = settled;
    this.holidays = holidays;
    this.varying = varying;
    this.days = days;
    this.jdbc = jdbc;
  }

  /** Whether a line can be posted by a schedule without being looked at. */
  @Transactional(readOnly = true)
  public boolean anyIsTrusted() {
    return schedules.anyIsTrusted();
  }

  /** What due items follow from, besides entries; the same text for the same. */
  @Transactional(readOnly = true)
  public String state() {
    return jdbc.sql(
                """
                select (select count(*) || ',' || coalesce(sum(uuid_hash_extended(id, version)), 0)
                          from schedule where household_id = :household) || '/' ||
                       (select count(*) || ',' || coalesce(sum(hashtextextended(d::text, 0)), 0)
                          from due_item d where household_id = :household) || '/' ||
                       (select count(*) || ',' || coalesce(sum(day - date '2000-01-01'), 0)
                          from holiday where household_id = :household)\
                """)
            .param("household", SignedIn.now().householdId())
            .query(String.class)
            .single()
        + "/"
        + days.today();
  }

  /**
   * The items of all schedules, by the day they are due on, whose rule gives them a day of a span.
   *
   * <p>Cost: the items, and the entries with their payees near the span; nothing without schedules.
   */
  @Transactional(readOnly = true)
  public List<DueItem> items(Chart chart, LocalDate from, LocalDate to) {
    return items(chart, schedules(chart), from, to);
  }

  private List<Schedule> schedules(Chart chart) {
    return schedules.all(chart).stream().map(Kept::schedule).toList();
  }

  private List<DueItem> items(Chart chart, List<Schedule> wanted, LocalDate from, LocalDate to) {
    if (wanted.isEmpty()) {
      return List.of();
    }
    Map<UUID, Varying> vary = varying.all(chart);
    Predicate<Schedule> varies = schedule -> vary.containsKey(schedule.id());
    List<DueItem> items =
        new ArrayList<>(plain(wanted.stream().filter(varies.negate()).toList(), from, to));
    for (Schedule schedule : wanted.stream().filter(varies).toList()) {
      Varying how = Objects.requireNonNull(vary.get(schedule.id()));
      how
          .split(sinceFirst(schedule, how::usual, to), expectedOn(chart, how.dependsOn(), to))
          .stream()
          .filter(item -> !item.nominal().isBefore(from))
          .forEach(items::add);
    }
    items.sort(
        Comparator.comparing(DueItem::due)
            .thenComparing(item -> item.schedule().payee())
            .thenComparing(item -> item.schedule().id()));
    return items;
  }

  private List<DueItem> plain(List<Schedule> all, LocalDate from, LocalDate to) {
    if (all.isEmpty()) {
      return List.of();
    }
    Map<UUID, Map<LocalDate, Settled>> said = settled.all();
    Map<UUID, List<Standing>> standing = standing(all, from, to);
    WorkingDays working = holidays.workingDays();
    LocalDate today = days.today();
    return all.stream()
        .flatMap(schedule ->
            DueItems.of(
                schedule,
                from,
                to,
                today,
                working,
                said.getOrDefault(schedule.id(), Map.of()),
                standing.getOrDefault(schedule.id(), List.of()))
                .stream())
        .toList();
  }

  /**
   * All items of a schedule whose amount is another one at times, from its first through a day.
   *
   * @param asOn the schedule as it is for the item that its rule gives a day
   */
  @Transactional(readOnly = true)
  public List<DueItem> sinceFirst(
      Schedule schedule, Function<LocalDate, Schedule> asOn, LocalDate through) {
    LocalDate first = schedule.when().first();
    return DueItems.of(
        schedule,
        asOn,
        first,
        through,
        days.today(),
        holidays.workingDays(),
        settled.all().getOrDefault(schedule.id(), Map.of()),
        standing(List.of(schedule), first, through).getOrDefault(schedule.id(), List.of()));
  }

  /** What plain schedules of other accounts still expect to move an account, through a day. */
  @Transactional(readOnly = true)
  public List<DueItem> expectedOn(Chart chart, Account account, LocalDate through) {
    Set<UUID> vary = varying.all(chart).keySet();
    List<Schedule> moving =
        schedules(chart).stream()
            .filter(schedule -> !vary.contains(schedule.id()))
            .filter(schedule ->
                schedule.parts().stream().anyMatch(p -> p.account().id().equals(account.id())))
            .toList();
    return plain(moving, days.today().minusDays(DAYS_BACK), through).stream()
        .filter(DueItem::isExpected)
        .toList();
  }

  /** Those that a bank line could still be, from a day on. */
  @Transactional(readOnly = true)
  public List<DueItem> expected(Chart chart, LocalDate from, LocalDate to) {
    return items(chart, from, to).stream().filter(DueItem::isExpected).toList();
  }

  /** The items of one schedule whose rule gives them a day of a span. */
  List<DueItem> of(Chart chart, Schedule schedule, LocalDate from, LocalDate to) {
    return items(chart, List.of(schedule), from, to);
  }

  /** What has not come until today, of all books. */
  @Transactional(readOnly = true)
  public List<DueItem> overdue(Chart chart) {
    LocalDate today = days.today();
    return items(chart, today.minusDays(DAYS_BACK), today).stream()
        .filter(item -> item.state() == DueItem.State.OVERDUE)
        .toList();
  }

  /**
   * How many items of a book that were due by a day are still expected; empty if it has no
   * schedules.
   */
  @Transactional(readOnly = true)
  public Optional<Long> overdue(Chart chart, UUID bookId, LocalDate by) {
    List<Schedule> all =
        schedules(chart).stream()
            .filter(schedule -> schedule.account().bookId().equals(bookId))
            .toList();
    return all.isEmpty()
        ? Optional.empty()
        : Optional.of(
            items(chart, all, by.minusDays(DAYS_BACK), by).stream()
                .filter(item -> item.isExpected() && !item.due().isAfter(by))
                .count());
  }

  /** One item, if the schedule's rule gives one that day. */
  Optional<DueItem> item(Chart chart, Schedule schedule, LocalDate day) {
    return items(chart, List.of(schedule), day, day).stream().findFirst();
  }

  /** The next item of each schedule that is still expected. */
  Map<UUID, LocalDate> next(Chart chart, List<Schedule> all) {
    LocalDate today = days.today();
    Map<UUID, LocalDate> next = new HashMap<>();
    for (DueItem item : items(chart, all, today.minusDays(DAYS_BACK), today.plusDays(DAYS_BACK))) {
      if (item.isExpected()) {
        next.putIfAbsent(item.schedule().id(), item.due());
      }
    }
    return next;
  }

  private Map<UUID, List<Standing>> standing(List<Schedule> all, LocalDate from, LocalDate to) {
    Map<UUID, Schedule> byId = new HashMap<>();
    all.forEach(schedule -> byId.put(schedule.id(), schedule));
    Map<UUID, List<Standing>> standing = new HashMap<>();
    jdbc.sql(STANDING)
        .param("household", SignedIn.now().householdId())
        .param("schedules", byId.keySet().toArray(UUID[]::new))
        .param("from", Date.valueOf(from.minusDays(MARGIN)))
        .param("to", Date.valueOf(to.plusDays(MARGIN)))
        .query(row -> {
          @Nullable Schedule of = byId.get(row.getObject(1, UUID.class));
          if (of != null) {
            standing
                .computeIfAbsent(of.id(), id -> new ArrayList<>())
                .add(
                    new Standing(
                        Objects.requireNonNull(row.getObject(2, UUID.class)),
                        row.getLong(3),
                        Objects.requireNonNull(row.getObject(4, LocalDate.class)),
                        Amount.ofMinor(row.getLong(5), of.account().currency())));
          }
        });
    return standing;
  }
}
