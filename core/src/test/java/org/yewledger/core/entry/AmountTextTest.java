package org.yewledger.core.entry;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.Refusal;
import org.yewledger.core.entry.Formats.DayOrder;
import org.yewledger.core.entry.Formats.DecimalMark;
import org.yewledger.core.entry.Formats.Grouping;
import org.yewledger.core.money.Amount;

public class AmountTextTest {
  private static final Formats COMMA =
      new Formats(DecimalMark.COMMA, Grouping.POINT, DayOrder.DAY_MONTH, DayOfWeek.MONDAY);
  private static final List<CurrencyUnit> CURRENCIES =
      List.of(CurrencyUnit.EUR, CurrencyUnit.JPY, CurrencyUnit.of("BHD"));

  private static Amount eur(String decimal) {
    return Amount.of(new BigDecimal(decimal), CurrencyUnit.EUR);
  }

  private static Typed<Amount> read(String typed, Formats formats) {
    return AmountText.read(typed, CurrencyUnit.EUR, formats);
  }

  @DataProvider
  public Object[][] typed() {
    return new Object[][] {
      {"12.50", "12.50"},
      {"12,5", "12.50"},
      {"-12.50", "-12.50"},
      {"\u221212.50", "-12.50"},
      {"+7", "7"},
      {".5", "0.50"},
      {"12.", "12"},
      {"0.250", "0.25"},
      {"1,086.40", "1086.40"},
      {"1.086,40", "1086.40"},
      {"1 086,40", "1086.40"},
      {"1\u202f086.40", "1086.40"},
      {"1'086.40", "1086.40"},
      {"1,234", "1234"},
      {"1.234.567", "1234567"},
      {"1,234,567.8", "1234567.80"},
      {"12345", "12345"},
      {"3*12.50+4", "41.50"},
      {"3 * (12.50 + 4)", "49.50"},
      {"10/3", "3.33"},
      {"100-21", "79"},
      {"2*-3", "-6"},
      {"12.50 eur", "12.50"},
      {"\u20ac 12.50", "12.50"},
      {"EUR 1,086.40", "1086.40"},
      {"12.505", "asks 12505.00 12.50"},
      {"1.234", "asks 1234.00 1.23"},
      {"2*1.234", "asks 2468.00 2.47"},
      {"(12.50)", "asks -12.50 12.50"},
      {"1.2345", null},
      {"12 50", null},
      {"1,23,456", null},
      {"12.50.60", null},
      {"0,123,456", null},
      {"1e5", null},
      {"--5", null},
      {"5+-+3", null},
      {"3*", null},
      {"(3", null},
      {"5/0", null},
      {"12.50 usd", null},
      {"12.50 xyz", null},
      {"abc", null},
      {"a lot", null},
      {"", null},
      {"1234567890123456", null},
    };
  }

  @Test(dataProvider = "typed")
  public void anAmountIsReadAsPeopleTypeIt(String typed, String expected) {
    Typed<Amount> read = read(typed, Formats.DEFAULT);
    if (expected == null) {
      assertTrue(read instanceof Typed.Unreadable<Amount>, typed + ": " + read);
    } else if (expected.startsWith("asks ")) {
      assertTrue(read instanceof Typed.Unclear<Amount>, typed + ": " + read);
      assertEquals(
          String.join(
              " ",
              ((Typed.Unclear<Amount>) read)
                  .choices().stream().map(a -> a.decimal().toPlainString()).toList()),
          expected.substring("asks ".length()));
    } else {
      assertEquals(read, new Typed.Means<>(eur(expected)), typed);
    }
  }

  @Test
  public void onesOwnFormatsSettleWhatAMarkIs() {
    assertEquals(read("1.234", COMMA), new Typed.Means<>(eur("1234")));
    assertTrue(read("1,234", COMMA) instanceof Typed.Unclear<Amount>);
    assertEquals(
        AmountText.read("1.234", CurrencyUnit.of("BHD"), Formats.DEFAULT),
        new Typed.Means<>(Amount.ofMinor(1234, CurrencyUnit.of("BHD"))));
  }

  @Test
  public void anotherCurrencyIsTakenWhereOneMayBeGiven() {
    assertEquals(
        AmountText.read("usd 12.50", CurrencyUnit.EUR, Formats.DEFAULT, true),
        new Typed.Means<>(Amount.ofMinor(1250, CurrencyUnit.USD)));
    assertEquals(
        AmountText.read("1,500 JPY", CurrencyUnit.EUR, Formats.DEFAULT, true),
        new Typed.Means<>(Amount.ofMinor(1500, CurrencyUnit.JPY)));
  }

  private static Formats formats(Random random) {
    while (true) {
      try {
        return new Formats(
            DecimalMark.values()[random.nextInt(2)],
            Grouping.values()[random.nextInt(5)],
            DayOrder.DAY_MONTH,
            DayOfWeek.MONDAY);
      } catch (Refusal alike) {
        assertEquals(alike.code(), "marks-alike");
      }
    }
  }

  @Test
  public void whatIsWrittenInOnesFormatsIsReadBack() {
    var random = new Random(21);
    for (int i = 0; i < 5_000; i++) {
      Formats formats = formats(random);
      CurrencyUnit currency = CURRENCIES.get(random.nextInt(3));
      long minor = random.nextLong(-1_000_000_000_000L, 1_000_000_000_000L) >> random.nextInt(40);
      Amount amount = Amount.ofMinor(minor, currency);
      String written = formats.write(amount);
      assertEquals(AmountText.read(written, currency, formats), new Typed.Means<>(amount), written);
    }
  }

  @Test
  public void aSumComesToWhatItsNumbersDo() {
    var random = new Random(22);
    for (int i = 0; i < 2_000; i++) {
      var typed = new StringBuilder();
      BigDecimal expected = BigDecimal.ZERO;
      int terms = 1 + random.nextInt(5);
      for (int j = 0; j < terms; j++) {
        int times = 1 + random.nextInt(9);
        BigDecimal each = BigDecimal.valueOf(random.nextInt(10_000), 2);
        boolean minus = j > 0 && random.nextBoolean();
        typed.append(j == 0 ? "" : minus ? " - " : "+").append(times).append('*').append(each);
        BigDecimal product = each.multiply(BigDecimal.valueOf(times));
        expected = minus ? expected.subtract(product) : expected.add(product);
      }
      if (typed.length() <= 60) {
        assertEquals(
            read(typed.toString(), Formats.DEFAULT),
            new Typed.Means<>(Amount.of(expected, CurrencyUnit.EUR)),
            typed.toString());
      }
    }
  }

  @Test
  public void whateverIsTypedIsAnsweredWithinBounds() {
    var random = new Random(23);
    String letters = "0123456789.,' +-*/()\u2212eur\u20ac";
    var answers = new ArrayList<Typed<Amount>>();
    for (int i = 0; i < 20_000; i++) {
      var typed = new StringBuilder();
      int length = random.nextInt(14);
      for (int j = 0; j < length; j++) {
        typed.append(letters.charAt(random.nextInt(letters.length())));
      }
      answers.add(read(typed.toString(), formats(random)));
    }
    assertTrue(answers.stream().anyMatch(a -> a instanceof Typed.Unclear<Amount>));
    assertTrue(answers.stream().anyMatch(a -> a instanceof Typed.Means<Amount>));
  }

  @Test
  public void aPartGoesTheWayOfItsWholeUnlessItHasASign() {
    Amount out = eur("-50.00");
    assertEquals(part("20", out), new Typed.Means<>(eur("-20.00")));
    assertEquals(part(" 2*10 ", out), new Typed.Means<>(eur("-20.00")));
    assertEquals(part("+20", out), new Typed.Means<>(eur("20.00")));
    assertEquals(part("-20", out), new Typed.Means<>(eur("-20.00")));
    assertEquals(part("\u221220", out), new Typed.Means<>(eur("-20.00")));
    assertEquals(part("20", eur("50.00")), new Typed.Means<>(eur("20.00")));
    assertEquals(part("-20", eur("50.00")), new Typed.Means<>(eur("-20.00")));
    assertTrue(
        part("1.234", out) instanceof Typed.Unclear<Amount>(var question, var choices)
            && choices.equals(List.of(eur("-1234.00"), eur("-1.23"))));
    assertTrue(part("half", out) instanceof Typed.Unreadable<Amount>);
  }

  /** A part that is written without the sign of its whole is read as what it was. */
  @Test
  public void aPartThatIsWrittenIsReadAgain() {
    var random = new Random(24);
    for (int i = 0; i < 2_000; i++) {
      Amount whole = Amount.ofMinor(random.nextLong(-1_000_000, 1_000_000), CurrencyUnit.EUR);
      Amount amount = Amount.ofMinor(random.nextLong(-1_000_000, 1_000_000), CurrencyUnit.EUR);
      String size = amount.size().decimal().toPlainString();
      String typed =
          whole.sign() >= 0 || amount.sign() == 0
              ? amount.decimal().toPlainString()
              : amount.sign() < 0 ? size : "+" + size;
      assertEquals(part(typed, whole), new Typed.Means<>(amount), typed + " of " + whole);
    }
  }

  private static Typed<Amount> part(String typed, Amount whole) {
    return AmountText.partOf(typed, whole, Formats.DEFAULT);
  }
}
