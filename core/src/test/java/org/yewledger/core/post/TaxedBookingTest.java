package org.yewledger.core.post;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.COURIERS;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.KESTREL;
import static org.yewledger.core.Fixtures.LEDGER;
import static org.yewledger.core.Fixtures.PAPER;
import static org.yewledger.core.Fixtures.REDUCED;
import static org.yewledger.core.Fixtures.SALES;
import static org.yewledger.core.Fixtures.STANDARD;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.line;
import static org.yewledger.core.Fixtures.refusalOf;

import java.math.BigDecimal;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.PostingTax;
import org.yewledger.core.money.Amount;
import org.yewledger.core.tax.TaxChoice;
import org.yewledger.core.tax.TaxOnDay;

/** A gross amount is booked as net and tax, by the category's rate unless somebody says another. */
public class TaxedBookingTest {
  private static Entry booked(
      Account bank, String day, long minor, Account category, TaxChoice tax) {
    var part = new Booking.Part(category, eur(minor), "", null, tax);
    return new Booking("Somebody", "", List.of(part))
        .entryFor(bank, line(day, minor, "X"), LEDGER)
        .entry();
  }

  private static long on(Entry entry, Account account) {
    return entry.postings().stream()
        .filter(p -> p.account().equals(account))
        .mapToLong(p -> p.amount().minor())
        .sum();
  }

  private static long tax(Entry entry) {
    return entry.postings().stream()
        .filter(p -> p.account().kind() == AccountKind.SALES_TAX)
        .mapToLong(p -> p.amount().minor())
        .sum();
  }

  @Test
  public void theBooksUsualRateOrTheCategorysIsTakenApart() {
    Entry paper = booked(KESTREL, "2026-10-05", -12_100, PAPER, TaxChoice.AS_USUAL);
    assertEquals(on(paper, PAPER), 10_000);
    assertEquals(tax(paper), 2_100);
    assertEquals(paper.postings().get(1).tax(), new PostingTax(STANDARD, PostingTax.Role.NET));
    assertEquals(paper.postings().get(2).tax(), new PostingTax(STANDARD, PostingTax.Role.TAX));
    Entry couriers = booked(KESTREL, "2026-10-05", -10_900, COURIERS, TaxChoice.AS_USUAL);
    assertEquals(on(couriers, COURIERS), 10_000);
    Entry sale = booked(KESTREL, "2026-10-05", 12_100, SALES, TaxChoice.AS_USUAL);
    assertEquals(on(sale, SALES), -10_000);
    assertEquals(tax(sale), -2_100);
  }

  @Test
  public void oneLineMaySayAnotherRateOrNone() {
    assertEquals(tax(booked(KESTREL, "2026-10-05", -10_900, PAPER, TaxChoice.at(REDUCED))), 900);
    assertEquals(tax(booked(KESTREL, "2026-10-05", -10_900, PAPER, TaxChoice.NONE)), 0);
  }

  @Test
  public void thereIsNoneBeforeRegistrationNorInABookThatIsNotRegistered() {
    assertEquals(tax(booked(KESTREL, "2026-09-30", -12_100, PAPER, TaxChoice.AS_USUAL)), 0);
    assertEquals(tax(booked(CURRENT, "2026-10-05", -12_100, GROCERIES, TaxChoice.AS_USUAL)), 0);
    assertEquals(
        refusalOf(() -> booked(KESTREL, "2026-09-30", -12_100, PAPER, TaxChoice.at(STANDARD))),
        "not-registered");
    assertEquals(
        refusalOf(
            () -> booked(KESTREL, "2026-10-05", -12_100, PAPER, TaxChoice.at(new UUID(9, 9)))),
        "tax-rate-unknown");
  }

  /** The card of the family pays for the press: both books balance, and the tax is the press's. */
  @Test
  public void whatAnotherBooksAccountPaysIsTakenApartThere() {
    Entry paper = booked(CURRENT, "2026-10-05", -12_100, PAPER, TaxChoice.AS_USUAL);
    assertEquals(on(paper, PAPER), 10_000);
    assertEquals(tax(paper), 2_100);
    assertEquals(paper.postings().size(), 5);
  }

  /** Whatever is rounded, net and tax add up to the gross amount, and neither turns its sign. */
  @Test
  public void netAndTaxAddUpToTheGrossAmount() {
    var random = new Random(12);
    for (int i = 0; i < 20_000; i++) {
      var rate = new TaxOnDay(STANDARD, new BigDecimal(random.nextInt(100_001)).movePointLeft(3));
      Amount gross = eur(random.nextInt(200_001) - 100_000);
      Amount tax = rate.taxIn(gross);
      Amount net = gross.minus(tax);
      assertEquals(net.plus(tax), gross);
      assertTrue(tax.sign() * gross.sign() >= 0 && net.sign() * gross.sign() >= 0);
      // Net with its own tax is the gross again, but for the cent that rounding may take.
      BigDecimal again =
          net.decimal().multiply(rate.percent().add(new BigDecimal(100))).movePointLeft(2);
      assertTrue(
          again.subtract(gross.decimal()).abs().compareTo(new BigDecimal("0.02")) < 0,
          gross + " at " + rate.percent());
    }
    assertEquals(new TaxOnDay(STANDARD, new BigDecimal(21)).taxIn(eur(100)), eur(17));
    assertEquals(new TaxOnDay(STANDARD, new BigDecimal(21)).taxIn(eur(-100)), eur(-17));
  }
}
