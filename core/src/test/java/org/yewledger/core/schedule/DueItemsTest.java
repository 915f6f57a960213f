package org.yewledger.core.schedule;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.SHOP_USD;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.refusalOf;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.schedule.Rhythm.On;
import org.yewledger.core.schedule.Rhythm.Unit;
import org.yewledger.core.schedule.Schedule.Part;

public class DueItemsTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 10, 23);

  private static Schedule monthly(String first, long minor, long about, Shift shift) {
    return new Schedule(
        UUID.randomUUID(),
        "Alder Vale Music",
        "",
        CURRENT,
        List.of(new Part(SCHOOL, eur(minor), "")),
        eur(about),
        Recurrence.of(new Rhythm(Unit.MONTH, 1, On.DAY), LocalDate.parse(first), null, null),
        shift);
  }

  private static Standing entry(long no, String day, long minor) {
    return new Standing(new UUID(17, no), no, LocalDate.parse(day), eur(minor));
  }

  private static List<DueItem> items(
      Schedule schedule, Map<LocalDate, Settled> settled, Standing... entries) {
    return DueItems.of(
        schedule,
        LocalDate.of(2026, 8, 1),
        LocalDate.of(2026, 12, 31),
        TODAY,
        WorkingDays.WEEKDAYS,
        settled,
        List.of(entries));
  }

  private static List<String> told(List<DueItem> items) {
    return items.stream()
        .map(i -> i.due() + " " + i.state() + (i.entry() == null ? "" : " " + i.entry().no()))
        .toList();
  }

  @Test
  public void itemsAreEnteredOverdueOrComing() {
    assertEquals(
        told(
            items(
                monthly("2026-08-20", -2_800, 0, Shift.NEXT_WORKING_DAY),
                Map.of(),
                entry(1, "2026-08-18", -2_800),
                entry(2, "2026-09-29", -2_800),
                entry(3, "2026-11-20", -2_900))),
        List.of(
            "2026-08-20 ENTERED 1",
            "2026-09-21 ENTERED 2",
            "2026-10-20 OVERDUE",
            "2026-11-20 COMING",
            "2026-12-21 COMING"));
  }

  @Test
  public void whatAPersonSaidGoesFirst() {
    Schedule schedule = monthly("2026-08-20", -2_800, 0, Shift.NONE);
    Map<LocalDate, Settled> said =
        Map.of(
            LocalDate.of(2026, 8, 20), new Settled.Entered(new UUID(17, 2)),
            LocalDate.of(2026, 9, 20), new Settled.Skipped("kitchen closed"),
            LocalDate.of(2026, 10, 20), new Settled.Moved(LocalDate.of(2026, 10, 30)));
    List<DueItem> items =
        items(schedule, said, entry(1, "2026-08-20", -2_800), entry(2, "2026-09-20", -3_100));
    assertEquals(
        told(items),
        List.of(
            "2026-08-20 ENTERED 2",
            "2026-09-20 SKIPPED",
            "2026-10-30 COMING",
            "2026-11-20 COMING",
            "2026-12-20 COMING"));
    assertEquals(items.get(1).reason(), "kitchen closed");
  }

  @Test
  public void anAmountIsExpectedWithinItsBounds() {
    Schedule energy = monthly("2026-08-20", -10_000, 1_500, Shift.NONE);
    assertTrue(energy.expects(eur(-11_500)));
    assertEquals(energy.expects(eur(-11_501)), false);
    assertEquals(energy.expects(eur(10_000)), false);
    Schedule split =
        new Schedule(
            energy.id(),
            "Market",
            "",
            CURRENT,
            List.of(new Part(GROCERIES, eur(-700), ""), new Part(SCHOOL, eur(-300), "")),
            eur(200),
            energy.when(),
            Shift.NONE);
    assertEquals(
        split.parts(eur(-1_100)).stream().map(Part::amount).toList(),
        List.of(eur(-800), eur(-300)));
  }

  /** However entries lie, each is one item at most, of an expected amount and within its window. */
  @Test
  public void eachEntryIsOneItemAtMost() {
    var random = new Random(36);
    for (int round = 0; round < 300; round++) {
      Unit unit = List.of(Unit.DAY, Unit.WEEK, Unit.MONTH).get(random.nextInt(3));
      Schedule plain =
          monthly("2026-08-03", -1_000, random.nextInt(200), Shift.values()[random.nextInt(3)]);
      Schedule schedule =
          new Schedule(
              plain.id(),
              plain.payee(),
              "",
              CURRENT,
              plain.parts(),
              plain.about(),
              Recurrence.of(
                  new Rhythm(unit, 1 + random.nextInt(3), On.DAY),
                  LocalDate.of(2026, 8, 3),
                  null,
                  null),
              plain.shift());
      List<Standing> entries = new ArrayList<>();
      for (int i = random.nextInt(30); i > 0; i--) {
        entries.add(
            entry(
                i,
                LocalDate.of(2026, 7, 20).plusDays(random.nextInt(120)).toString(),
                -900 - random.nextInt(300)));
      }
      Map<LocalDate, Settled> said = new HashMap<>();
      if (!entries.isEmpty()) {
        said.put(LocalDate.of(2026, 8, 3), new Settled.Entered(entries.getFirst().entryId()));
      }
      Set<UUID> seen = new HashSet<>();
      for (DueItem item : items(schedule, said, entries.toArray(Standing[]::new))) {
        Standing entry = item.entry();
        if (entry != null) {
          assertTrue(seen.add(entry.entryId()), "twice: " + entry);
          if (!said.containsKey(item.nominal())) {
            assertTrue(schedule.expects(entry.amount()), entry.toString());
            assertTrue(item.apart(entry.date()).isPresent(), item.toString());
          }
        } else if (item.isExpected()) {
          assertTrue(
              entries.stream()
                  .filter(e -> schedule.expects(e.amount()) && item.apart(e.date()).isPresent())
                  .allMatch(e -> isTaken(e, schedule, said, entries)),
              item.toString());
        }
      }
    }
  }

  /** Also by an item outside of the span. */
  private static boolean isTaken(
      Standing entry, Schedule schedule, Map<LocalDate, Settled> said, List<Standing> entries) {
    return DueItems.of(
            schedule,
            LocalDate.of(2026, 7, 1),
            LocalDate.of(2027, 2, 1),
            TODAY,
            WorkingDays.WEEKDAYS,
            said,
            entries)
        .stream()
        .anyMatch(item -> entry.equals(item.entry()));
  }

  @Test
  public void whatCannotRecurIsRefused() {
    Schedule good = monthly("2026-08-20", -2_800, 0, Shift.NONE);
    assertEquals(good.require(), good);
    assertEquals(
        refusalOf(() -> with(good, eur(-2_800), SCHOOL, eur(2_800))), "about-out-of-range");
    assertEquals(refusalOf(() -> with(good, eur(0), SCHOOL, eur(0))), "nothing-moved");
    assertEquals(refusalOf(() -> with(good, eur(-5), CURRENT, eur(0))), "part-to-itself");
    assertEquals(
        refusalOf(() -> with(good, eur(-5), SHOP_USD, eur(0))), "schedule-across-currencies");
    assertEquals(with(good, eur(-5), CARD, eur(0)).whole(), eur(-5));
  }

  private static Schedule with(Schedule schedule, Amount amount, Account to, Amount about) {
    return new Schedule(
            schedule.id(),
            schedule.payee(),
            "",
            schedule.account(),
            List.of(new Part(to, amount, "")),
            about,
            schedule.when(),
            schedule.shift())
        .require();
  }
}
