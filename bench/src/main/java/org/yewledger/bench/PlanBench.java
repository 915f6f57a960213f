package org.yewledger.bench;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.yewledger.app.household.HouseholdFounding;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.schedule.RegularPayments;
import org.yewledger.core.schedule.RegularPayments.Paid;

/**
 * Payments that come regularly, found among 100,000 entries; baseline: sorting the same entries.
 * The budget page of 60 categories over twelve months with a million postings behind it, over HTTP;
 * baseline: PostgreSQL summing the same postings by account.
 */
final class PlanBench {
  private static final int ENTRIES = 100_000;
  private static final LocalDate TODAY = LocalDate.of(2026, 9, 30);

  /** With 20 accounts at banks and 25 groups, 60 categories. */
  private static final int ACCOUNTS = 105;

  private static final int FORECAST_ACCOUNTS = 20;
  private static final int WARM_UP = 1_000;
  private static final String PASSWORD = "a million postings";

  private PlanBench() {}

  static void run() throws Exception {
    regular();
    budgets();
  }

  private static void regular() throws Exception {
    List<Paid> paid = paid();
    int found = RegularPayments.in(paid, TODAY).size();
    if (found < 100) {
      throw new IllegalStateException("only " + found + " were found");
    }
    Timing.Pair pair =
        Timing.medianMillis(
            10,
            21,
            () -> RegularPayments.in(paid, TODAY),
            () ->
                paid.stream()
                    .sorted(
                        Comparator.comparing(Paid::payeeId)
                            .thenComparing(Paid::accountId)
                            .thenComparing(Paid::date))
                    .toList());
    Bench.figure("regular-payments-in-100k-entries", pair.first(), "ms", "<= 1000");
    Bench.figure("sorting-100k-entries", pair.second(), "ms", ">= 0");
    Bench.figure("regular-payments-over-sorting", pair.ratio(), "ratio", "<= 10");
  }

  /** Half of it monthly bills of 834 payees over ten years, half of it shopping on any day. */
  private static List<Paid> paid() {
    var random = new Random(100);
    List<Paid> paid = new ArrayList<>(ENTRIES);
    for (int i = 0; i < ENTRIES; i++) {
      boolean bill = i % 2 == 0;
      int payee = bill ? i / 2 % 417 : 1_000 + random.nextInt(400);
      LocalDate date =
          bill
              ? TODAY.minusMonths(i / 834).withDayOfMonth(1 + payee % 28)
              : TODAY.minusDays(random.nextInt(3_650));
      long amount = bill ? -1_000 - payee : -100 - random.nextInt(20_000);
      paid.add(new Paid(new UUID(1, i), new UUID(2, payee), new UUID(3, payee % 20), date, amount));
    }
    return paid;
  }

  private static void budgets() throws Exception {
    try (var application = new RunningApplication()) {
      SignedIn owner =
          HouseholdFounding.newOwner(
              Ids.next(), "Bench", Ids.next() + "@aldercott.example", Ids.next());
      application
          .bean(HouseholdFounding.class)
          .found("Bench", "Etc/UTC", owner, PASSWORD, () -> {});
      try (Connection database = ChartBench.asOwner()) {
        ChartBench.fill(database, owner.householdId(), ACCOUNTS);
        plan(database, owner.householdId());
        Window window = application.signedIn(owner.email(), PASSWORD);
        String path = "/api/budgets?month=2026-09&book=" + ChartBench.bookId(database);
        if (window.get(path).split("\"carries\"", -1).length - 1 != 60) {
          throw new IllegalStateException("not 60 categories");
        }
        Timing.medianMillis(WARM_UP, 1, () -> window.get(path));
        Timing.Pair pair =
            Timing.medianMillis(
                10,
                41,
                () -> window.get(path),
                () -> ChartBench.sumPostings(database, owner.householdId()));
        Bench.figure("budget-page-60-categories-1m-postings", pair.first(), "ms", "<= 60");
        Bench.figure("budget-page-share-of-summing", pair.ratio(), "ratio", "<= 0.5");
        forecast(window, database, owner.householdId());
      }
    }
  }

  /** Of 20 accounts over eighteen months; from the day of the clock, whatever the books hold. */
  private static void forecast(Window window, Connection database, UUID household)
      throws Exception {
    schedules(database, household);
    String path =
        "/api/forecast?through="
            + LocalDate.now(ZoneOffset.UTC).plusMonths(18).minusDays(2)
            + "&book="
            + ChartBench.bookId(database);
    if (window.get(path).split("\"accountId\"", -1).length - 1 != FORECAST_ACCOUNTS) {
      throw new IllegalStateException("not 20 accounts");
    }
    Timing.medianMillis(WARM_UP, 1, () -> window.get(path));
    Timing.Pair pair =
        Timing.medianMillis(
            10, 41, () -> window.get(path), () -> ChartBench.sumPostings(database, household));
    Bench.figure("forecast-20-accounts-18-months", pair.first(), "ms", "<= 100");
    Bench.figure("forecast-share-of-summing", pair.ratio(), "ratio", "<= 0.5");
  }

  /** A monthly schedule of each account that has a bank. */
  private static void schedules(Connection database, UUID household) throws SQLException {
    try (Statement sql = database.createStatement()) {
      sql.execute(
          """
          insert into schedule (household_id, id, payee_id, account_id, rule, first, shift)
          select a.household_id, gen_random_uuid(), (select id from payee where household_id = '%1$s' limit 1), a.id,
                 'FREQ=MONTHLY;BYMONTHDAY=5', date '2025-10-05', 'NEXT_WORKING_DAY'
            from account a where a.household_id = '%1$s' and a.kind = 'CURRENT' and not a.is_group\
          """
              .formatted(household));
      sql.execute(
          """
          insert into schedule_part (household_id, schedule_id, place, account_id, amount_minor)
          select s.household_id, s.id, 0, (select id from account where household_id = '%1$s' and kind = 'EXPENSE'
                                              and not is_group order by id limit 1), -2800
            from schedule s where s.household_id = '%1$s'\
          """
              .formatted(household));
      sql.execute("analyze");
    }
  }

  /** Twelve months of each category, carried over. */
  private static void plan(Connection database, UUID household) throws SQLException {
    try (Statement sql = database.createStatement()) {
      sql.execute(
          """
          insert into budget select household_id, id, true from account
           where household_id = '%s' and kind = 'EXPENSE' and not is_group\
          """
              .formatted(household));
      sql.execute(
          """
          insert into budget_month
          select household_id, account_id, m::date, m::date, 40000 from budget,
                 generate_series(date '2025-10-01', date '2026-09-01', interval '1 month') m
           where household_id = '%s'\
          """
              .formatted(household));
      sql.execute("analyze");
    }
  }
}
