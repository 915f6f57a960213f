package org.yewledger.core.plan;

import static org.testng.Assert.assertEquals;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.SHOP_USD;
import static org.yewledger.core.Fixtures.eur;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.ExchangeRates;
import org.yewledger.core.schedule.DueItem;
import org.yewledger.core.schedule.DueItems;
import org.yewledger.core.schedule.Recurrence;
import org.yewledger.core.schedule.Rhythm;
import org.yewledger.core.schedule.Rhythm.On;
import org.yewledger.core.schedule.Rhythm.Unit;
import org.yewledger.core.schedule.Schedule;
import org.yewledger.core.schedule.Schedule.Part;
import org.yewledger.core.schedule.Settled;
import org.yewledger.core.schedule.Shift;
import org.yewledger.core.schedule.WorkingDays;

public class ToComeTest {
  private static final YearMonth OCTOBER = YearMonth.of(2026, 10);

  private static List<DueItem> weekly(
      Account account, Map<LocalDate, Settled> settled, Part... parts) {
    Schedule schedule =
        new Schedule(
            UUID.randomUUID(),
            "Orders abroad",
            "",
            account,
            List.of(parts),
            Amount.zero(account.currency()),
            Recurrence.of(new Rhythm(Unit.WEEK, 1, On.DAY), LocalDate.of(2026, 9, 25), null, null),
            Shift.NONE);
    return DueItems.of(
        schedule,
        LocalDate.of(2026, 9, 1),
        LocalDate.of(2026, 11, 30),
        LocalDate.of(2026, 10, 10),
        WorkingDays.WEEKDAYS,
        settled,
        List.of());
  }

  @Test
  public void whatIsDueInTheMonthAndHasNotComeIsToCome() {
    // Due on 2, 9, 16, 23 and 30 October; one is skipped, one moved out of the month.
    List<DueItem> items =
        weekly(
            CURRENT,
            Map.of(
                LocalDate.of(2026, 10, 9), new Settled.Skipped("ill"),
                LocalDate.of(2026, 10, 30), new Settled.Moved(LocalDate.of(2026, 11, 2))),
            new Part(GROCERIES, eur(-700), ""),
            new Part(SCHOOL, eur(-300), ""));
    ToCome toCome = ToCome.of(OCTOBER, items, ExchangeRates.NONE);
    assertEquals(toCome.of(GROCERIES.id(), eur(0).currency()), eur(2_100));
    assertEquals(toCome.of(SCHOOL.id(), eur(0).currency()), eur(900));
    assertEquals(toCome.of(CURRENT.id(), eur(0).currency()), eur(0));
    assertEquals(toCome.without(), List.of());
  }

  @Test
  public void whatNoRateTellsIsNamed() {
    List<DueItem> items =
        weekly(
            SHOP_USD, Map.of(), new Part(GROCERIES, Amount.ofMinor(-700, SHOP_USD.currency()), ""));
    ToCome toCome = ToCome.of(OCTOBER, items, ExchangeRates.NONE);
    assertEquals(toCome.byCategory(), Map.of());
    assertEquals(toCome.without(), List.of("Orders abroad"));
  }
}
