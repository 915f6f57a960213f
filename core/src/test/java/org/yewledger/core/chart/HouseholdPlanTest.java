package org.yewledger.core.chart;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.BOOK;
import static org.yewledger.core.Fixtures.dollars;
import static org.yewledger.core.Fixtures.dollarsToEuros;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.refusalOf;
import static org.yewledger.core.Fixtures.usd;

import java.time.LocalDate;
import java.time.Month;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.chart.HouseholdPlan.AccountPlan;
import org.yewledger.core.chart.HouseholdPlan.BookPlan;
import org.yewledger.core.chart.HouseholdPlan.Missing;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.OpeningSheet;
import org.yewledger.core.money.ExchangeRate;

public class HouseholdPlanTest {
  private static final LocalDate BEGINS = LocalDate.of(2025, 10, 1);
  private static final BookPlan FAMILY =
      new BookPlan("Household", CurrencyUnit.EUR, Month.JANUARY, StarterChart.FAMILY.groups());

  private static HouseholdPlan plan(AccountPlan... accounts) {
    return new HouseholdPlan("Aldercott", BEGINS, List.of(FAMILY), List.of(accounts));
  }

  private static AccountPlan euros(String name, Long balance) {
    return new AccountPlan(
        0,
        name,
        AccountKind.CURRENT,
        "",
        CurrencyUnit.EUR,
        balance == null ? null : eur(balance),
        null);
  }

  private static AccountPlan dollars(long balance, ExchangeRate rate) {
    return new AccountPlan(0, "Shop", AccountKind.PAYOUT, "", CurrencyUnit.USD, usd(balance), rate);
  }

  private static List<String> stops(HouseholdPlan plan) {
    return plan.missing().stream().filter(Missing::stops).map(Missing::what).toList();
  }

  @Test
  public void aBalanceThatIsNotKnownYetStopsNothing() {
    HouseholdPlan plan = plan(euros("Harbour Current", null));
    assertEquals(plan.missing().size(), 1);
    assertEquals(stops(plan), List.of());
    plan.requireWhole();
  }

  @Test
  public void whatStopsIsNamed() {
    assertEquals(stops(plan(euros("", 5L))), List.of("An account has no name."));
    assertEquals(
        stops(plan(euros("Groceries", 5L))), List.of("Groceries stands there twice in Household."));
    assertEquals(
        stops(plan(dollars(5_00L, null))), List.of("Shop is in USD: say what 1 USD was worth."));
    assertEquals(stops(plan(dollars(0L, null))), List.of());
    assertEquals(refusalOf(() -> plan(euros("", 5L)).requireWhole()), "setup-unfinished");
    var nothing = new HouseholdPlan(" ", BEGINS, List.of(), List.of());
    assertEquals(stops(nothing).size(), 2);
  }

  @Test
  public void theOpeningEntryAlwaysBalances() {
    for (int seed = 0; seed < 200; seed++) {
      var random = new Random(seed);
      var accounts = new ArrayList<AccountPlan>();
      for (int i = 0; i < 1 + random.nextInt(12); i++) {
        long balance = random.nextLong(-20_000_000, 20_000_000);
        accounts.add(
            random.nextInt(4) == 0
                ? dollars(balance, dollarsToEuros("2025-09-30", "0.9" + random.nextInt(1, 999)))
                : euros("Account " + i, random.nextInt(5) == 0 ? null : balance));
      }
      OpeningSheet sheet = plan(accounts.toArray(AccountPlan[]::new)).openings(0, BOOK);
      long debits = sheet.rows().stream().mapToLong(r -> Math.max(r.value().minor(), 0)).sum();
      long credits = sheet.rows().stream().mapToLong(r -> Math.max(-r.value().minor(), 0)).sum();
      long equity = sheet.equity().minor();
      assertEquals(debits + Math.max(equity, 0), credits + Math.max(-equity, 0), "seed " + seed);
      assertEquals(sheet.total().minor(), debits + Math.max(equity, 0), "seed " + seed);
    }
  }

  @Test
  public void aLoanWithoutWhatItBoughtIsPointedOut() {
    var loan =
        new AccountPlan(0, "Home loan", AccountKind.LOAN, "", CurrencyUnit.EUR, eur(-5), null);
    var house =
        new AccountPlan(0, "House", AccountKind.PROPERTY, "", CurrencyUnit.EUR, eur(9), null);
    assertTrue(plan(loan).advice().isPresent());
    assertTrue(plan(loan, house).advice().isEmpty());
  }

  @Test
  public void starterChartsHaveNoNameTwice() {
    for (StarterChart starter : StarterChart.values()) {
      var names = new HashSet<String>();
      for (StarterChart.Group group : starter.groups()) {
        assertTrue(names.add(group.name().toLowerCase(Locale.ROOT)), group.name());
        group.categories().forEach(c -> assertTrue(names.add(c.toLowerCase(Locale.ROOT)), c));
        assertTrue(group.accountClass().isCategory());
      }
    }
    assertEquals(Arrays.asList(StarterChart.values()).size(), 3);
  }
}
