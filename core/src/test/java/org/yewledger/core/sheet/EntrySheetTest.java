package org.yewledger.core.sheet;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;
import static org.yewledger.core.Fixtures.BOOK;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.COURIERS;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.LEDGER;
import static org.yewledger.core.Fixtures.SALES;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.STANDARD;
import static org.yewledger.core.Fixtures.TAXES;
import static org.yewledger.core.Fixtures.account;
import static org.yewledger.core.Fixtures.eur;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.BadRows;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amount;
import org.yewledger.core.sheet.EntrySheet.Booked;
import org.yewledger.core.sheet.EntrySheet.Named;
import org.yewledger.core.sheet.SheetName.Side;
import org.yewledger.core.tax.TaxChoice;

public class EntrySheetTest {
  private static final Account PAY = account(BOOK, "Pay", AccountKind.INCOME, null);
  private static final List<Account> ALL = List.of(CURRENT, CARD, GROCERIES, SCHOOL, PAY);
  private static final SheetNames NAMES = new SheetNames(ALL, Map.of(), Map.of());

  private static SheetRow row(
      int line, String day, String payee, String amount, String account, String category) {
    return row(line, day, payee, amount, "", account, category, "");
  }

  private static SheetRow row(
      int line,
      String day,
      String payee,
      String amount,
      String currency,
      String account,
      String category,
      String tax) {
    return new SheetRow(
        line,
        LocalDate.parse(day),
        payee,
        new BigDecimal(amount),
        currency,
        account,
        category,
        tax,
        "",
        List.of());
  }

  private static EntrySheet sheet(SheetRow... rows) {
    return new EntrySheet(List.of(rows), NAMES, SheetSign.OUT_IS_NEGATIVE);
  }

  private static List<Booked> booked(EntrySheet sheet) {
    return sheet.booked(LEDGER, TAXES, Map.of()).all();
  }

  private static BadRows.Problem problem(SheetRow row) {
    return expectThrows(BadRows.class, () -> booked(sheet(row))).problems().getFirst();
  }

  @Test
  public void aRowBecomesAnEntryLikeOneTypedByHand() {
    var row =
        new SheetRow(
            7,
            LocalDate.of(2025, 11, 3),
            " Corner Shop ",
            new BigDecimal("-12.50"),
            "EUR",
            CURRENT.name().toUpperCase(Locale.ROOT),
            "groceries",
            "",
            "for the feast",
            List.of("feast"));
    Booked one = booked(sheet(row)).getFirst();
    assertEquals(one.entry().payee(), "Corner Shop");
    assertEquals(one.entry().note(), "for the feast");
    assertEquals(one.entry().marks().tags(), List.of("feast"));
    assertEquals(
        one.entry().postings().stream().map(Posting::amount).toList(),
        List.of(eur(-1250), eur(1250)));
    assertEquals(
        one.entry().postings().stream().map(Posting::account).toList(),
        List.of(CURRENT, GROCERIES));
  }

  @Test
  public void whoItWasIsWhatItWasForWhereNothingSaysIt() {
    var row =
        new SheetRow(
            2,
            LocalDate.of(2025, 11, 3),
            "",
            BigDecimal.TEN,
            "",
            CURRENT.name(),
            "Pay",
            "",
            "October",
            List.of());
    assertEquals(booked(sheet(row)).getFirst().entry().payee(), "October");
    assertEquals(problem(row(2, "2025-11-03", "", "10", CURRENT.name(), "Pay")).column(), "payee");
  }

  @DataProvider
  public Object[][] signs() {
    return new Object[][] {
      {SheetSign.OUT_IS_NEGATIVE, "Groceries", "-4", -400L},
      {SheetSign.OUT_IS_NEGATIVE, "Pay", "4", 400L},
      {SheetSign.OUT_IS_POSITIVE, "Groceries", "4", -400L},
      {SheetSign.OUT_IS_POSITIVE, "Pay", "-4", 400L},
      {SheetSign.BY_CATEGORY, "Groceries", "4", -400L},
      {SheetSign.BY_CATEGORY, "Groceries", "-4", 400L},
      {SheetSign.BY_CATEGORY, "Pay", "4", 400L},
      {SheetSign.BY_CATEGORY, "Pay", "-4", -400L},
      {SheetSign.BY_CATEGORY, CARD.name(), "4", -400L},
    };
  }

  @Test(dataProvider = "signs")
  public void theSignIsReadAsThePersonSays(
      SheetSign sign, String category, String written, long minor) {
    var rows = List.of(row(2, "2025-11-03", "Anyone", written, CURRENT.name(), category));
    assertEquals(booked(new EntrySheet(rows, NAMES, sign)).getFirst().amount(), eur(minor));
  }

  @Test
  public void namesThatMeanNothingAreAskedForAndNotBooked() {
    EntrySheet sheet =
        sheet(
            row(2, "2025-11-03", "Shop", "-5", "", "Food  & Drink"),
            row(3, "2025-11-04", "Shop", "-6", "", "food & drink"),
            row(4, "2025-11-05", "Shop", "-7", CURRENT.name(), "Groceries"));
    assertEquals(
        sheet.names().stream().filter(n -> n.account() == null).toList(),
        List.of(
            new Named(new SheetName(Side.ACCOUNT, ""), "", null, false, 2),
            new Named(
                new SheetName(Side.CATEGORY, "food & drink"), "Food  & Drink", null, false, 2)));
    EntrySheet.Result result = sheet.booked(LEDGER, TAXES, Map.of());
    assertEquals(result.booked().stream().map(b -> b.row().line()).toList(), List.of(4));
    assertEquals(result.problems(), List.of());

    var said =
        new SheetNames(
            ALL,
            Map.of(
                SheetName.of(Side.ACCOUNT, ""),
                CARD,
                SheetName.of(Side.CATEGORY, "FOOD & DRINK"),
                GROCERIES),
            Map.of());
    assertEquals(
        said.of(SheetName.of(Side.CATEGORY, " Food & \t drink ")), GROCERIES, "however spaced");
    assertEquals(said.of(SheetName.of(Side.ACCOUNT, "")), CARD);
  }

  @Test
  public void whatANameMeantBeforeItMeansUntilAPersonSaysOtherwise() {
    SheetName school = SheetName.of(Side.CATEGORY, "School");
    SheetName tin = SheetName.of(Side.ACCOUNT, "the tin");
    Map<SheetName, Account> kept = Map.of(school, GROCERIES, tin, SCHOOL);
    var before = new SheetNames(ALL, Map.of(), kept);
    assertEquals(before.of(school), GROCERIES, "though another category is called so");
    assertTrue(before.isAsBefore(school));
    assertNull(before.of(tin), "a category pays for nothing, whatever it was");
    assertFalse(before.isAsBefore(tin));

    var said = new SheetNames(ALL, Map.of(school, SCHOOL), kept);
    assertEquals(said.of(school), SCHOOL);
    assertFalse(said.isAsBefore(school));
  }

  @Test
  public void aNameOfTwoAccountsIsAskedFor() {
    Account twin = account(BOOK, "School", AccountKind.EXPENSE, null);
    Account other =
        new Account(new UUID(0, 999), BOOK, "School", twin.kind(), twin.currency(), false, null);
    assertNull(
        new SheetNames(List.of(SCHOOL, other), Map.of(), Map.of())
            .of(SheetName.of(Side.CATEGORY, "School")));
  }

  @Test
  public void aCategoryPaysForNothing() {
    Refusal refusal =
        expectThrows(
            Refusal.class,
            () ->
                new SheetNames(ALL, Map.of(SheetName.of(Side.ACCOUNT, "x"), GROCERIES), Map.of()));
    assertEquals(refusal.code(), "not-of-the-sheet");
    assertNull(NAMES.of(SheetName.of(Side.ACCOUNT, "Groceries")));
  }

  @DataProvider
  public Object[][] badRows() {
    return new Object[][] {
      {row(9, "2025-11-03", "Shop", "-5.005", CURRENT.name(), "Groceries"), ""},
      {row(9, "2025-11-03", "Shop", "0", CURRENT.name(), "Groceries"), "moves nothing"},
      {row(9, "2025-09-30", "Shop", "-5", CURRENT.name(), "Groceries"), "2025-10-01"},
      {row(9, "1025-11-03", "Shop", "-5", CURRENT.name(), "Groceries"), "1900 to 2199"},
      {row(9, "2025-11-03", "Shop", "-5", CURRENT.name(), CURRENT.name()), "to itself"},
      {row(9, "2025-11-03", "x".repeat(201), "-5", CURRENT.name(), "Groceries"), "201"},
      {row(9, "2025-11-03", "Shop", "-5", "USD", CURRENT.name(), "Groceries", ""), "is in EUR"},
      {
        row(9, "2025-11-03", "Shop", "-5", "", CURRENT.name(), "Groceries", "17%"),
        "no tax rate 17%"
      },
    };
  }

  @Test(dataProvider = "badRows")
  public void aRowThatCannotBeBookedIsToldWithItsLine(SheetRow row, String reason) {
    BadRows.Problem problem = problem(row);
    assertEquals(problem.line(), 9);
    assertTrue(problem.reason().contains(reason), problem.reason());
  }

  @Test
  public void nothingComesIntoAClosedMonth() {
    EntrySheet sheet =
        sheet(
            row(2, "2025-12-01", "Shop", "-5", CURRENT.name(), "Groceries"),
            row(3, "2025-11-30", "Shop", "-5", CURRENT.name(), "Groceries"));
    EntrySheet.Result result =
        sheet.booked(LEDGER, TAXES, Map.of(BOOK.id(), LocalDate.of(2025, 12, 1)));
    assertEquals(result.booked().size(), 1);
    assertEquals(result.problems().getFirst().line(), 3);
    assertEquals(result.problems().getFirst().column(), "date");
  }

  @DataProvider
  public Object[][] taxes() {
    return new Object[][] {
      {"", TaxChoice.AS_USUAL},
      {"none", TaxChoice.NONE},
      {"0 %", TaxChoice.NONE},
      {TAXES.rates().get(STANDARD).rate().name().toUpperCase(Locale.ROOT), TaxChoice.at(STANDARD)},
      {
        TAXES.rates().get(STANDARD).rate().percentOn(LocalDate.of(2026, 3, 1)).orElseThrow() + " %",
        TaxChoice.at(STANDARD)
      },
    };
  }

  @Test(dataProvider = "taxes")
  public void taxIsARateByNameOrPercent(String text, TaxChoice meant) {
    assertEquals(SheetTax.of(text, COURIERS.book(), LocalDate.of(2026, 3, 1), TAXES), meant);
  }

  @Test
  public void aRateOfAnotherBookIsNone() {
    String name = TAXES.rates().get(STANDARD).rate().name();
    assertEquals(
        expectThrows(Refusal.class, () -> SheetTax.of(name, BOOK, LocalDate.of(2026, 3, 1), TAXES))
            .code(),
        "sheet-tax-unknown");
    assertEquals(SALES.book(), COURIERS.book());
  }

  @Test
  public void whateverTheRowsAccountsComeToWhatTheyAddUpTo() {
    var random = new Random(19);
    for (int run = 0; run < 50; run++) {
      var rows = new ArrayList<SheetRow>();
      Amount expected = eur(0);
      for (int line = 2; line < 60; line++) {
        long minor = random.nextLong(-5_000, 5_000);
        minor = minor == 0 ? 1 : minor;
        expected = expected.plus(eur(minor));
        LocalDate day = LocalDate.of(2025, 10, 1).plusDays(random.nextInt(300));
        rows.add(
            row(
                line,
                day.toString(),
                "Payee " + line,
                BigDecimal.valueOf(minor, 2).toPlainString(),
                CURRENT.name(),
                ALL.get(1 + random.nextInt(4)).name()));
      }
      List<Booked> booked = booked(new EntrySheet(rows, NAMES, SheetSign.OUT_IS_NEGATIVE));
      assertEquals(booked.size(), rows.size());
      Amount posted =
          Amount.sum(
              CURRENT.currency(),
              booked.stream()
                  .flatMap(b -> b.entry().postings().stream())
                  .filter(p -> p.account().equals(CURRENT))
                  .map(Posting::amount)
                  .toList());
      assertEquals(posted, expected);
      List<LocalDate> days = booked.stream().map(b -> b.entry().date()).toList();
      assertEquals(days, days.stream().sorted(Comparator.naturalOrder()).toList());
    }
  }

  @Test
  public void aSheetIsBounded() {
    SheetRow one = row(2, "2025-11-03", "Shop", "-5", CURRENT.name(), "Groceries");
    assertEquals(
        expectThrows(
                Refusal.class,
                () ->
                    new EntrySheet(
                        Collections.nCopies(EntrySheet.MOST_ROWS + 1, one),
                        NAMES,
                        SheetSign.BY_CATEGORY))
            .code(),
        "sheet-too-long");
  }
}
