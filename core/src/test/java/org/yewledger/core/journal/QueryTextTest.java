package org.yewledger.core.journal;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.Refusal;
import org.yewledger.core.entry.Formats;
import org.yewledger.core.journal.Sought.Bounds;
import org.yewledger.core.ledger.Method;

public class QueryTextTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 10, 5);
  private static final Formats COMMAS =
      new Formats(
          Formats.DecimalMark.COMMA,
          Formats.Grouping.POINT,
          Formats.DayOrder.DAY_MONTH,
          DayOfWeek.MONDAY);

  private static JournalQuery read(String text) {
    return QueryText.read(text, TODAY, CurrencyUnit.EUR, Formats.DEFAULT);
  }

  private static QueryTerm only(String text) {
    List<QueryTerm> terms = read(text).terms();
    assertEquals(terms.size(), 1, text);
    return terms.getFirst();
  }

  @Test
  public void termsArePartedBySpacesAndKeepTheirPlaces() {
    String typed = " payee:greengage  amount:>50 date:2026-08 is:open tag:wedding -category:Gifts ";
    List<QueryTerm> terms = read(typed).terms();
    assertEquals(
        terms.stream().map(QueryTerm::field).toList(),
        List.of(
            QueryField.PAYEE,
            QueryField.AMOUNT,
            QueryField.DATE,
            QueryField.IS,
            QueryField.TAG,
            QueryField.CATEGORY));
    assertEquals(
        terms.stream().filter(QueryTerm::not).map(QueryTerm::text).toList(),
        List.of("-category:Gifts"));
    for (QueryTerm t : terms) {
      assertNull(t.problem(), t.text());
      assertEquals(typed.substring(t.from(), t.to()), t.text());
    }
  }

  @DataProvider
  public Object[][] meanings() {
    return new Object[][] {
      {"mill", new Sought.AnyText("mill"), "mill"},
      {"\"mill lane\"", new Sought.AnyText("mill lane"), "mill lane"},
      {"\"is:open\"", new Sought.AnyText("is:open"), "is:open"},
      {"payee:\"Mill \"\"Lane\"\"\"", new Sought.OfPayee("Mill \"Lane\""), "Mill \"Lane\""},
      {"PAYEE:Mill", new Sought.OfPayee("Mill"), "Mill"},
      {"from:harbour", new Sought.AtAccount("harbour", Sought.Which.FROM), "harbour"},
      {"amount:12.4", size("12.40", "12.40", Bounds.INCLUDED), "12.40"},
      {"amount:>50", size("50.00", null, Bounds.EXCLUDED), "over 50.00"},
      {"amount:>=20", size("20.00", null, Bounds.INCLUDED), "20.00 or more"},
      {"amount:<1,000", size(null, "1000.00", Bounds.EXCLUDED), "under 1,000.00"},
      {"amount:20..60", size("20.00", "60.00", Bounds.INCLUDED), "20.00 to 60.00"},
      {"amount:..60", size(null, "60.00", Bounds.INCLUDED), "60.00 or less"},
      {"date:2025", days("2025-01-01", "2025-12-31"), "2025"},
      {"date:2026-8", days("2026-08-01", "2026-08-31"), "August 2026"},
      {"date:aug", days("2026-08-01", "2026-08-31"), "August 2026"},
      {"date:dec", days("2025-12-01", "2025-12-31"), "December 2025"},
      {"date:yesterday", days("2026-10-04", "2026-10-04"), "4 Oct 2026"},
      {"date:2026-08-05", days("2026-08-05", "2026-08-05"), "5 Aug 2026"},
      {"date:2026-07..aug", days("2026-07-01", "2026-08-31"), "July 2026 to August 2026"},
      {"date:>2026-07", days("2026-08-01", null), "after July 2026"},
      {"date:<2026-07", days(null, "2026-06-30"), "before July 2026"},
      {"date:2026-07..", days("2026-07-01", null), "from July 2026"},
      {"is:reconciled", new Sought.Being(Sought.Trait.RECONCILED), "reconciled"},
      {"has:tax", new Sought.Having(Sought.Part.TAX), "tax"},
      {"method:direct-debit", new Sought.PaidBy(Method.DIRECT_DEBIT), "direct debit"},
      {"currency:usd", new Sought.InCurrency(CurrencyUnit.USD), "USD"},
      {"no:900..933", new Sought.Numbered(900, 933), "900 to 933"},
      {"no:7", new Sought.Numbered(7, 7), "7"},
    };
  }

  private static Sought size(@Nullable String least, @Nullable String most, Bounds bounds) {
    return new Sought.OfSize(
        least == null ? null : new BigDecimal(least),
        most == null ? null : new BigDecimal(most),
        bounds,
        null);
  }

  private static Sought days(@Nullable String first, @Nullable String last) {
    return new Sought.OnDays(
        first == null ? null : LocalDate.parse(first), last == null ? null : LocalDate.parse(last));
  }

  @Test(dataProvider = "meanings")
  public void aTermMeansOneThingAndSaysIt(String typed, Sought meaning, String words) {
    QueryTerm term = only(typed);
    assertNull(term.problem(), typed);
    assertEquals(term.anyOf(), List.of(meaning));
    assertEquals(term.words(), words);
  }

  @Test
  public void valuesPartedByCommasAreAlternatives() {
    QueryTerm term = only("tag:wedding,\"winter fair, day 1\"");
    assertEquals(
        term.anyOf(),
        List.of(new Sought.Tagged("wedding"), new Sought.Tagged("winter fair, day 1")));
    assertEquals(term.words(), "wedding or winter fair, day 1");
  }

  @Test
  public void aCurrencyThatIsSaidCounts() {
    QueryTerm term = only("amount:>=50USD");
    assertEquals(
        term.anyOf(),
        List.of(
            new Sought.OfSize(new BigDecimal("50.00"), null, Bounds.INCLUDED, CurrencyUnit.USD)));
    assertEquals(term.words(), "USD 50.00 or more");
  }

  @Test
  public void aSizeIsASpanOfMinorUnitsInEachCurrency() {
    var over = (Sought.OfSize) only("amount:>50.5").anyOf().getFirst();
    assertEquals(over.in(CurrencyUnit.EUR), new Sought.MinorSpan(5051, Long.MAX_VALUE));
    assertEquals(over.in(CurrencyUnit.JPY), new Sought.MinorSpan(51, Long.MAX_VALUE));
    var from = (Sought.OfSize) only("amount:20.5..60.5").anyOf().getFirst();
    assertEquals(from.in(CurrencyUnit.EUR), new Sought.MinorSpan(2050, 6050));
    assertEquals(from.in(CurrencyUnit.JPY), new Sought.MinorSpan(21, 60));
    var under = (Sought.OfSize) only("amount:<60.5").anyOf().getFirst();
    assertEquals(under.in(CurrencyUnit.EUR), new Sought.MinorSpan(0, 6049));
    assertEquals(under.in(CurrencyUnit.JPY), new Sought.MinorSpan(0, 60));
    assertTrue(over.isIn(CurrencyUnit.JPY));
    var dollars = (Sought.OfSize) only("amount:5USD").anyOf().getFirst();
    assertTrue(dollars.isIn(CurrencyUnit.USD) && !dollars.isIn(CurrencyUnit.EUR));
  }

  @Test
  public void amountsAreReadInThePersonsOwnFormats() {
    QueryTerm term =
        QueryText.read("amount:1.086,40", TODAY, CurrencyUnit.EUR, COMMAS).terms().getFirst();
    assertEquals(term.words(), "1.086,40");
    assertEquals(term.anyOf(), List.of(size("1086.40", "1086.40", Bounds.INCLUDED)));
  }

  @DataProvider
  public Object[][] problems() {
    return new Object[][] {
      {"foo:bar", "no field foo"},
      {"payee:", "What should it be?"},
      {"tag:wedding,", "What should it be?"},
      {"\"mill", "not closed"},
      {"\"\"", "nothing between"},
      {"amount:abc", "not an amount"},
      {"amount:-20", "by its size"},
      {"amount:60..20", "before it begins"},
      {"amount:>", "An amount is missing"},
      {"amount:1.234", "more than one way"},
      {"amount:5USD..6GBP", "different currencies"},
      {"date:2026-13-01", "no such day"},
      {"date:soon", "not a day"},
      {"date:2026-08..2026-07", "before it begins"},
      {"is:lovely", "not known behind is:"},
      {"method:barter", "There are card, cheque"},
      {"currency:XYQ", "not a currency"},
      {"no:12a", "not a number"},
      {"no:9..3", "before it begins"},
    };
  }

  @Test(dataProvider = "problems")
  public void whatCannotBeReadStaysWithItsProblem(String typed, String says) {
    QueryTerm term = only(typed);
    assertEquals(term.anyOf(), List.of());
    assertTrue(String.valueOf(term.problem()).contains(says), term.problem());
    assertEquals(term.text(), typed);
    Refusal refusal = expectThrows(Refusal.class, () -> read("mill " + typed).clear());
    assertEquals(refusal.code(), "query-unclear");
    assertTrue(refusal.getMessage().contains(says), refusal.getMessage());
  }

  @Test
  public void aQueryIsBounded() {
    assertThrows(Refusal.class, () -> read("a ".repeat(QueryText.LONGEST)));
  }

  @Test
  public void daysAreNamedOnlyByADateThatCanBeRead() {
    assertTrue(read("mill date:2026").namesDays());
    assertFalse(read("mill date:soon").namesDays());
    assertFalse(read("mill").namesDays());
  }

  @Test
  public void anyNameCanBeSought() {
    var random = new Random(14);
    for (int i = 0; i < 2_000; i++) {
      String name = text(random, 1 + random.nextInt(12)).strip();
      if (name.isEmpty()) {
        continue;
      }
      QueryTerm term = only(QueryText.term(QueryField.PAYEE, name));
      assertEquals(term.anyOf(), List.of(new Sought.OfPayee(name)));
    }
  }

  @Test
  public void nothingTypedIsDropped() {
    var random = new Random(15);
    for (int i = 0; i < 3_000; i++) {
      String typed = text(random, random.nextInt(40));
      List<QueryTerm> terms = read(typed).terms();
      String kept = terms.stream().map(QueryTerm::text).collect(Collectors.joining());
      // Spaces part terms; within quotes they are part of one.
      assertEquals(kept.replaceAll("\\s", ""), typed.replaceAll("\\s", ""));
      for (QueryTerm term : terms) {
        assertEquals(term.anyOf().isEmpty(), term.problem() != null, typed);
      }
    }
  }

  private static String text(Random random, int length) {
    String letters = "ab:\", -.>is:open no:1 payee:x date:5 ";
    return random
        .ints(length, 0, letters.length())
        .mapToObj(n -> String.valueOf(letters.charAt(n)))
        .collect(Collectors.joining());
  }
}
