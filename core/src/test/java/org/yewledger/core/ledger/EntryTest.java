package org.yewledger.core.ledger;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.BOOK;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.EQUITY;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.OPENS;
import static org.yewledger.core.Fixtures.OTHER_BOOK;
import static org.yewledger.core.Fixtures.PAPER;
import static org.yewledger.core.Fixtures.SALES;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.SHOP_USD;
import static org.yewledger.core.Fixtures.account;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.posting;
import static org.yewledger.core.Fixtures.refusalOf;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.ExchangeRates;

public class EntryTest {
  private static final LocalDate DAY = LocalDate.of(2026, 9, 12);

  private static Entry entry(Posting... postings) {
    return new Entry(DAY, "Greengage Market", "", Entry.Origin.BANK_LINE, List.of(postings));
  }

  @Test
  public void balancesOrIsRefusedWithWhatIsMissing() {
    assertEquals(entry(posting(CURRENT, -4820), posting(GROCERIES, 4820)).postings().size(), 2);
    try {
      entry(posting(CURRENT, -4820), posting(GROCERIES, 4800));
    } catch (Refusal e) {
      assertEquals(e.code(), "entry-out-of-balance");
      assertTrue(e.getMessage().contains("0.20"), e.getMessage());
      return;
    }
    throw new AssertionError("accepted");
  }

  @Test
  public void keepsEveryRandomSplitAtZeroAndRefusesAnyOther() {
    var random = new Random(42);
    for (int round = 0; round < 500; round++) {
      var postings = new ArrayList<Posting>();
      long sum = 0;
      for (int i = 0; i <= random.nextInt(6); i++) {
        long amount = 1 + random.nextInt(100_000);
        sum += amount;
        postings.add(posting(random.nextBoolean() ? GROCERIES : SCHOOL, amount));
      }
      postings.add(posting(CURRENT, -sum));
      var balanced = new Entry(DAY, "x", "", Entry.Origin.BANK_LINE, postings);
      assertEquals(balanced.postings().stream().mapToLong(p -> p.amount().minor()).sum(), 0);
      assertEquals(
          balanced.postings().stream().mapToLong(p -> p.debit().minor()).sum(),
          balanced.postings().stream().mapToLong(p -> p.credit().minor()).sum());

      var off = new ArrayList<>(postings.subList(0, postings.size() - 1));
      off.add(posting(CURRENT, -sum - 1 - random.nextInt(50)));
      assertEquals(
          refusalOf(() -> new Entry(DAY, "x", "", Entry.Origin.BANK_LINE, off)),
          "entry-out-of-balance");
    }
  }

  @Test
  public void balancesInEachBookByItself() {
    assertEquals(
        refusalOf(() -> entry(posting(CURRENT, -100), posting(PAPER, 100))),
        "entry-out-of-balance");
  }

  @Test
  public void needsTwoPostingsNoneOfThemZero() {
    assertEquals(refusalOf(() -> entry(posting(CURRENT, 5))), "too-few-postings");
    assertEquals(
        refusalOf(() -> entry(posting(CURRENT, 0), posting(GROCERIES, 0))), "zero-posting");
  }

  @Test
  public void isRefusedBeforeAnAccountOpens() {
    LocalDate before = OPENS.minusDays(1);
    assertEquals(
        refusalOf(() ->
            new Entry(
                before,
                "x",
                "",
                Entry.Origin.BANK_LINE,
                List.of(posting(CURRENT, -1), posting(GROCERIES, 1)))),
        "before-opening");
  }

  @Test
  public void anOpeningBalanceStandsOnTheDayBeforeTheFirst() {
    Entry opening = Entry.opening(CURRENT, eur(184_260), EQUITY, ExchangeRates.NONE);
    assertEquals(opening.date(), OPENS.minusDays(1));
    assertEquals(opening.postings().getFirst().debit().minor(), 184_260);
    assertEquals(opening.postings().getLast().credit().minor(), 184_260);
  }

  @Test
  public void doesNotPostToGroupsOrClosedAccounts() {
    var group =
        new Account(
            UUID.randomUUID(), BOOK, "Food", AccountKind.EXPENSE, CurrencyUnit.EUR, true, null);
    assertEquals(
        refusalOf(() -> entry(posting(CURRENT, -1), posting(group, 1))), "posting-to-group");
    var closed =
        new Account(
            UUID.randomUUID(),
            BOOK,
            "Old savings",
            AccountKind.SAVINGS,
            CurrencyUnit.EUR,
            false,
            OPENS,
            DAY.minusDays(1));
    assertEquals(
        refusalOf(() -> entry(posting(CURRENT, -1), posting(closed, 1))), "account-closed");
  }

  @Test
  public void balancesInValueWhereCurrenciesMeet() {
    Entry sale = entry(posting(SHOP_USD, 50_00, 46_07), posting(SALES, -46_07));
    assertEquals(sale.postings().getFirst().debit(), eur(46_07));
    assertEquals(
        refusalOf(() -> entry(posting(SHOP_USD, 50_00, 46_07), posting(SALES, -46_00))),
        "entry-out-of-balance");
  }

  @Test
  public void amountsOfOneCurrencyBalanceToo() {
    Account other = account(OTHER_BOOK, "Old takings", AccountKind.PAYOUT, CurrencyUnit.USD, OPENS);
    assertEquals(
        refusalOf(() -> entry(posting(SHOP_USD, 50_00, 46_00), posting(other, -49_00, -46_00))),
        "entry-out-of-balance");
    assertEquals(
        entry(posting(SHOP_USD, 50_00, 46_00), posting(other, -50_00, -46_00)).postings().size(),
        2);
  }
}
