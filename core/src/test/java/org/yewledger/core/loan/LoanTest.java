package org.yewledger.core.loan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.SALES;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.refusalOf;
import static org.yewledger.core.loan.Loans.ahead;
import static org.yewledger.core.loan.Loans.entry;
import static org.yewledger.core.loan.Loans.loan;
import static org.yewledger.core.loan.Loans.table;
import static org.yewledger.core.loan.Loans.terms;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.loan.ExtraPayment.Keep;
import org.yewledger.core.loan.ExtraPayment.Often;
import org.yewledger.core.schedule.Rhythm;
import org.yewledger.core.schedule.Rhythm.On;
import org.yewledger.core.schedule.Rhythm.Unit;
import org.yewledger.core.schedule.Shift;

public class LoanTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 10, 21);
  private static final Loan GOOD =
      loan(
          InterestCount.MONTHS,
          "2026-01-01",
          Shift.NONE,
          terms("2026-01-01", "3.85", 108_640),
          terms("2026-07-01", "4", 110_000));

  private static Loan with(Account account, Account interest, Loan.Terms... terms) {
    return new Loan(
        GOOD.id(), GOOD.payments(), account, interest, GOOD.count(), List.of(terms), null);
  }

  @Test
  public void whatNoLoanCanBeIsRefused() {
    Loan.Terms terms = GOOD.terms().getFirst();
    assertEquals(refusalOf(GOOD::require), "nothing refused");
    assertEquals(refusalOf(with(CARD, GOOD.interest(), terms)::require), "not-a-loan");
    assertEquals(refusalOf(with(GOOD.account(), SALES, terms)::require), "interest-no-expense");
    assertEquals(refusalOf(with(GOOD.account(), GROCERIES)::require), "terms-missing");
    assertEquals(refusalOf(with(GOOD.account(), GROCERIES, terms, terms)::require), "terms-twice");
    for (String rate : List.of("-1", "100.1", "3.1234567")) {
      Loan.Terms bad = new Loan.Terms(TODAY, new BigDecimal(rate), eur(1));
      assertEquals(refusalOf(with(GOOD.account(), GROCERIES, bad)::require), "bad-interest-rate");
    }
    assertEquals(
        refusalOf(with(GOOD.account(), GROCERIES, terms("2026-01-01", "1", 0))::require),
        "bad-payment");
  }

  @Test
  public void itIsPaidByWholeMonthsFromWhenItsAccountOpens() {
    assertEquals(
        refusalOf(paid("2025-09-30", new Rhythm(Unit.MONTH, 1, On.LAST_DAY))),
        "loan-before-account");
    assertEquals(refusalOf(paid("2026-01-01", new Rhythm(Unit.WEEK, 2, On.DAY))), "loan-rhythm");
    assertEquals(refusalOf(paid("2026-01-01", new Rhythm(Unit.MONTH, 5, On.DAY))), "loan-rhythm");
    assertEquals(
        refusalOf(paid("2026-01-13", new Rhythm(Unit.MONTH, 1, On.WEEKDAY))), "loan-rhythm");
    assertEquals(
        refusalOf(paid("2026-01-01", new Rhythm(Unit.MONTH, 3, On.DAY))), "nothing refused");
  }

  private static Runnable paid(String first, Rhythm rhythm) {
    return loan(InterestCount.MONTHS, first, rhythm, Shift.NONE, terms("2026-01-01", "1", 1_000))
        ::require;
  }

  @Test
  public void theNewestTermsHoldAndTheOldestBefore() {
    assertEquals(GOOD.on(LocalDate.of(2020, 1, 1)).rate(), new BigDecimal("3.85"));
    assertEquals(GOOD.on(LocalDate.of(2026, 6, 30)).rate(), new BigDecimal("3.85"));
    assertEquals(GOOD.on(LocalDate.of(2026, 7, 1)).rate(), new BigDecimal("4"));
    Loan less = GOOD.paying(LocalDate.of(2026, 3, 1), eur(90_000));
    assertEquals(
        less.terms(),
        List.of(
            terms("2026-01-01", "3.85", 108_640),
            terms("2026-03-01", "3.85", 90_000),
            terms("2026-07-01", "4", 90_000)));
  }

  @Test
  public void anExtraPaymentThatCannotBeIsRefused() {
    LoanTable agreed = ahead(GOOD, 5_000_000);
    assertEquals(
        refused(agreed, 0, Often.ONCE, "2026-12-01", Keep.PAYMENT), "extra-not-above-zero");
    assertEquals(refused(agreed, 1, Often.ONCE, "2026-10-20", Keep.PAYMENT), "extra-in-the-past");
    assertEquals(refused(agreed, 1, Often.ONCE, "2056-10-20", Keep.PAYMENT), "extra-after-end");
    assertEquals(
        refused(agreed, 1, Often.EACH_PAYMENT, "2026-12-20", Keep.END), "extra-for-nothing");
    Loan endless =
        loan(InterestCount.MONTHS, "2026-01-01", Shift.NONE, terms("2026-01-01", "12", 1_000));
    assertEquals(
        refused(ahead(endless, 5_000_000), 100, Often.ONCE, "2026-12-01", Keep.END),
        "end-not-known");
  }

  private static String refused(
      LoanTable agreed, long amount, Often often, String from, Keep keep) {
    return refusalOf(() ->
        WhatIf.of(
            agreed, new ExtraPayment(eur(amount), often, LocalDate.parse(from), keep), TODAY));
  }

  private static LenderYear year(long before, long paid, long interest, long after) {
    return new LenderYear(
        LocalDate.of(2025, 12, 31),
        LocalDate.of(2026, 12, 31),
        eur(before),
        eur(paid),
        eur(interest),
        eur(after));
  }

  private static LoanTable threePaid(long lastInterest) {
    return table(
        loan(InterestCount.MONTHS, "2026-10-01", Shift.NONE, terms("2026-01-01", "12", 100_000)),
        1_000_000,
        LocalDate.of(2027, 1, 1),
        Map.of(),
        List.of(
            entry(1, "2026-10-01", 90_000, 10_000),
            entry(2, "2026-11-02", 90_900, 9_100),
            entry(3, "2026-12-01", 100_000 - lastInterest, lastInterest)));
  }

  @Test
  public void aLendersYearAgreesToTheCentOrSaysWhereItParts() {
    LoanTable right = threePaid(8_191);
    LenderYear lender = year(1_000_000, 300_000, 27_291, 727_291).require();
    assertTrue(lender.agrees(right.book()));
    assertEquals(lender.parting(right), List.of());

    LoanTable wrong = threePaid(8_119);
    assertFalse(lender.agrees(wrong.book()));
    assertEquals(lender.booked(wrong.book()).interest(), eur(27_219));
    assertEquals(lender.booked(wrong.book()).owedAfter(), eur(727_219));
    assertEquals(
        lender.parting(wrong).stream()
            .map(r -> r.booked().no() + " " + r.interestApart().minor())
            .toList(),
        List.of("3 -72"));
    assertEquals(lender.entries(wrong.book()), 3);
  }

  @Test
  public void aLendersYearHasToAddUpItself() {
    assertEquals(
        refusalOf(year(1_000_000, 300_000, 27_291, 727_000)::require), "year-not-in-itself");
    LenderYear reversed = new LenderYear(TODAY, TODAY, eur(1), eur(0), eur(0), eur(1));
    assertEquals(refusalOf(reversed::require), "year-reversed");
  }
}
