package org.yewledger.core.loan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.loan.Loans.HOME;
import static org.yewledger.core.loan.Loans.INTEREST;
import static org.yewledger.core.loan.Loans.ahead;
import static org.yewledger.core.loan.Loans.entry;
import static org.yewledger.core.loan.Loans.loan;
import static org.yewledger.core.loan.Loans.table;
import static org.yewledger.core.loan.Loans.terms;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.Test;
import org.yewledger.core.loan.LoanBook.Booked;
import org.yewledger.core.loan.LoanRow.Kind;
import org.yewledger.core.loan.LoanTable.Planned;
import org.yewledger.core.money.Amount;
import org.yewledger.core.schedule.DueItem;
import org.yewledger.core.schedule.Rhythm;
import org.yewledger.core.schedule.Rhythm.On;
import org.yewledger.core.schedule.Rhythm.Unit;
import org.yewledger.core.schedule.Schedule;
import org.yewledger.core.schedule.Settled;
import org.yewledger.core.schedule.Shift;

public class LoanTableTest {
  private static final Loan MONTHS =
      loan(
          InterestCount.MONTHS,
          "2026-11-01",
          Shift.NEXT_WORKING_DAY,
          terms("2026-01-01", "3.85", 108_640));

  private static List<String> told(LoanTable table, int most) {
    return table.rows().stream()
        .limit(most)
        .map(r ->
            r.day()
                + " "
                + r.kind()
                + " "
                + r.interest().shown()
                + " "
                + r.repaid().shown()
                + " "
                + r.owed().shown())
        .toList();
  }

  @Test
  public void aMonthIsATwelfthWhateverTheWeekendDoes() {
    LoanTable table = ahead(MONTHS, 18_202_570);
    assertEquals(
        told(table, 2),
        List.of(
            "2026-11-02 DUE 584.00 502.40 181,523.30", "2026-12-01 DUE 582.39 504.01 181,019.29"));
    assertEquals(table.left().payments(), 241);
    assertEquals(table.left().interest(), eur(7_954_457));
    assertEquals(table.left().last(), Optional.of(LocalDate.of(2046, 11, 1)));
  }

  @Test
  public void monthlyInterestIsThatOfThePlainFormula() {
    LoanTable table = ahead(MONTHS, 18_202_570);
    long owed = 18_202_570;
    for (LoanRow row : table.rows()) {
      long interest =
          new BigDecimal(owed)
              .multiply(new BigDecimal("0.0385"))
              .divide(new BigDecimal(12), 0, java.math.RoundingMode.HALF_UP)
              .longValueExact();
      assertEquals(row.interest().minor(), interest, row.toString());
      owed -= row.repaid().minor();
      assertEquals(row.owed().minor(), owed);
    }
    assertEquals(owed, 0);
  }

  @Test
  public void whatIsBookedStandsAsItIsBookedAndTheRestFollowsFromIt() {
    LoanTable table =
        table(
            MONTHS,
            18_202_570,
            LocalDate.of(2027, 1, 5),
            Map.of(LocalDate.of(2027, 1, 1), new Settled.Skipped("holiday of payments")),
            List.of(
                entry(1, "2026-11-03", 50_240, 58_400), entry(2, "2026-12-01", 50_300, 58_340)));
    assertEquals(
        told(table, 4),
        List.of(
            "2026-11-03 PAID 584.00 502.40 181,523.30",
            "2026-12-01 PAID 583.40 503.00 181,020.30",
            "2027-01-01 SKIPPED 0.00 0.00 181,020.30",
            "2027-02-01 DUE 1,161.55 \u221275.15 181,095.45"));
    assertEquals(table.rows().get(1).interestApart(), eur(101));
    assertEquals(table.rows().get(0).interestApart(), eur(0));
  }

  @Test
  public void anExtraPaymentSavesInterestFromItsDayOn() {
    // Half a month on each: 100,000 at 6 % is 500.00 a month.
    Loan loan =
        loan(InterestCount.MONTHS, "2026-11-01", Shift.NONE, terms("2026-01-01", "6", 200_000));
    LoanTable table =
        ahead(loan, 10_000_000, new Planned(LocalDate.of(2026, 11, 16), eur(4_000_000)));
    assertEquals(
        told(table, 3),
        List.of(
            "2026-11-01 DUE 500.00 1,500.00 98,500.00",
            "2026-11-16 PLANNED 0.00 40,000.00 58,500.00",
            "2026-12-01 DUE 392.50 1,607.50 56,892.50"));
  }

  @Test
  public void aNewRateHoldsFromItsDayOn() {
    Loan loan =
        loan(
            InterestCount.MONTHS,
            "2026-11-01",
            Shift.NONE,
            terms("2026-01-01", "6", 200_000),
            terms("2026-11-16", "12", 210_000));
    assertEquals(
        told(ahead(loan, 10_150_000), 3),
        List.of(
            "2026-11-01 DUE 507.50 1,492.50 100,007.50",
            "2026-12-01 DUE 750.06 1,349.94 98,657.56",
            "2027-01-01 DUE 986.58 1,113.42 97,544.14"));
  }

  @Test
  public void daysAreCountedAsTheyAre() {
    Loan loan =
        loan(
            InterestCount.DAYS_365, "2027-03-01", Shift.NONE, terms("2026-01-01", "3.65", 200_000));
    // 28 days of February, 31 of March, at 10.00 a day.
    assertEquals(
        told(ahead(loan, 10_000_000), 2),
        List.of(
            "2027-03-01 DUE 280.00 1,720.00 98,280.00",
            "2027-04-01 DUE 304.67 1,695.33 96,584.67"));
  }

  @Test
  public void theEndOfFebruaryIsAWholeMonth() {
    Loan loan =
        loan(
            InterestCount.MONTHS,
            "2027-01-31",
            new Rhythm(Unit.MONTH, 1, On.LAST_DAY),
            Shift.NONE,
            terms("2026-01-01", "12", 100_000));
    assertEquals(
        ahead(loan, 1_000_000).rows().stream().limit(3).map(r -> r.interest().shown()).toList(),
        List.of("100.00", "91.00", "81.91"));
  }

  @Test
  public void itsDueItemsAreSplitAndEndWithIt() {
    LoanTable table = ahead(MONTHS, 200_000);
    List<DueItem> items = table.items();
    assertEquals(items.size(), 2);
    assertEquals(
        items.getFirst().schedule().parts(),
        List.of(
            new Schedule.Part(HOME, eur(-107_998), "repaid"),
            new Schedule.Part(INTEREST, eur(-642), "interest")));
    assertEquals(items.getLast().schedule().whole(), eur(-92_297));
  }

  @Test
  public void interestChargedOnTheLoanIsNotChargedTwice() {
    // The lender adds the interest, then takes the payment: 1,086.40 all repaid.
    LoanTable table =
        table(
            MONTHS,
            18_202_570,
            LocalDate.of(2026, 11, 20),
            Map.of(),
            List.of(entry(1, "2026-10-31", -56_453, 56_453), entry(2, "2026-11-02", 108_640, 0)));
    assertEquals(table.rows().get(1).reckoned(), eur(1_953));
    assertEquals(table.rows().get(1).kind(), Kind.PAID);
    assertEquals(table.rows().get(2).kind(), Kind.DUE);
  }

  @Test
  public void everyTableEndsAtZeroAndAddsUp() {
    Random random = new Random(46);
    for (int run = 0; run < 300; run++) {
      InterestCount count = InterestCount.values()[random.nextInt(3)];
      long owed = 100_000 + random.nextInt(40_000_000);
      BigDecimal rate = BigDecimal.valueOf(random.nextInt(900), 2);
      BigDecimal later = BigDecimal.valueOf(random.nextInt(900), 2);
      long payment = owed / (10 + random.nextInt(200)) + owed / 100;
      Loan loan =
          loan(
              count,
              LocalDate.of(2026, 1 + random.nextInt(12), 1 + random.nextInt(28)).toString(),
              Shift.values()[random.nextInt(3)],
              new Loan.Terms(LocalDate.of(2026, 1, 1), rate, eur(payment)),
              new Loan.Terms(
                  LocalDate.of(2028, 1 + random.nextInt(12), 15), later, eur(payment + 100)));
      Planned extra =
          new Planned(
              LocalDate.of(2027, 1 + random.nextInt(12), 1 + random.nextInt(28)),
              eur(1 + random.nextInt(2_000_000)));
      LoanTable table = ahead(loan, owed, extra);
      Amount stands = eur(owed);
      Amount repaid = eur(0);
      for (LoanRow row : table.rows()) {
        assertEquals(row.besides(), eur(0), row.toString());
        stands = stands.minus(row.repaid());
        repaid = repaid.plus(row.repaid());
        assertEquals(row.owed(), stands);
        assertTrue(stands.sign() >= 0, row.toString());
      }
      assertEquals(stands, eur(0), "run " + run);
      LoanSum sum = LoanSum.of(table.rows());
      assertEquals(sum.repaid().plus(sum.extra()), eur(owed));
      assertEquals(sum.payment(), sum.interest().plus(sum.repaid()));
      assertEquals(
          LoanSum.byYear(table.rows()).values().stream()
              .mapToLong(year -> LoanSum.of(year).interest().minor())
              .sum(),
          sum.interest().minor());
      assertEquals(repaid, eur(owed));
    }
  }

  @Test
  public void anExtraPaymentNeverCosts() {
    Random random = new Random(17);
    for (int run = 0; run < 60; run++) {
      long owed = 1_000_000 + random.nextInt(20_000_000);
      Loan loan =
          loan(
              InterestCount.values()[random.nextInt(3)],
              "2026-11-01",
              Shift.NONE,
              new Loan.Terms(
                  LocalDate.of(2026, 1, 1),
                  BigDecimal.valueOf(100 + random.nextInt(500), 2),
                  eur(owed / 60)));
      LoanTable agreed = ahead(loan, owed);
      ExtraPayment.Often often = ExtraPayment.Often.values()[random.nextInt(3)];
      ExtraPayment extra =
          new ExtraPayment(
              eur(1_000 + random.nextInt(1_000_000)),
              often,
              LocalDate.of(2026, 11, 1).plusDays(random.nextInt(800)),
              often != ExtraPayment.Often.ONCE || random.nextBoolean()
                  ? ExtraPayment.Keep.PAYMENT
                  : ExtraPayment.Keep.END);
      WhatIf whatIf = WhatIf.of(agreed, extra, LocalDate.of(2026, 10, 20));
      assertTrue(whatIf.saved().sign() >= 0, extra + " " + whatIf.saved());
      assertEquals(whatIf.with().rows().getLast().owed(), eur(0));
      assertTrue(
          !whatIf.with().left().last().orElseThrow().isAfter(agreed.left().last().orElseThrow()));
    }
  }

  @Test
  public void whatIfStandsBesideTheAgreedTerms() {
    LoanTable agreed = ahead(MONTHS, 18_202_570);
    LocalDate today = LocalDate.of(2026, 10, 21);
    WhatIf once =
        WhatIf.of(
            agreed,
            new ExtraPayment(
                eur(500_000),
                ExtraPayment.Often.ONCE,
                LocalDate.of(2026, 12, 1),
                ExtraPayment.Keep.PAYMENT),
            today);
    assertEquals(once.with().left().last(), Optional.of(LocalDate.of(2046, 2, 1)));
    assertEquals(once.with().left().payments(), 232);
    assertEquals(once.saved(), eur(559_336));
    List<WhatIf> others = once.others(today);
    assertEquals(others.get(0).payment(), eur(105_571));
    assertEquals(
        others.stream().map(o -> o.extra().amount().shown() + " " + o.saved().shown()).toList(),
        List.of("5,000.00 2,083.29", "50.00 5,604.57", "10,000.00 10,865.26"));
  }

  @Test
  public void aPaymentThatDoesNotPayTheInterestNeverEnds() {
    Loan loan =
        loan(InterestCount.MONTHS, "2026-11-01", Shift.NONE, terms("2026-01-01", "6", 40_000));
    LoanTable table = ahead(loan, 10_000_000);
    assertEquals(table.left().last(), Optional.empty());
    List<Booked> none = List.of();
    assertEquals(table.book().entries(), none);
  }
}
