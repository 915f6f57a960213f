package org.yewledger.core.worth;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.yewledger.core.Fixtures.BOOK;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.OPENS;
import static org.yewledger.core.Fixtures.SALES;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.refusalOf;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.IntStream;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.worth.Trade.Kind;

public class WorthTest {
  private static final LocalDate DAY = LocalDate.of(2026, 3, 2);
  private static final Account DEPOT = account(1, "Heron Depot", AccountKind.INVESTMENT);
  private static final Account GAINS = account(2, "Gains", AccountKind.INCOME);
  private static final Account PRESS = account(3, "Platen press", AccountKind.PROPERTY);
  private static final Security FUND =
      new Security(new UUID(46, 9), "Estuary Fund", "", CurrencyUnit.EUR);
  private static final Investment HERON =
      new Investment(DEPOT, CostMethod.AVERAGE, CURRENT, GAINS, GAINS, GROCERIES);

  private static Account account(int no, String name, AccountKind kind) {
    LocalDate opens = kind == AccountKind.INCOME ? null : OPENS;
    return new Account(new UUID(46, no), BOOK, name, kind, CurrencyUnit.EUR, false, opens);
  }

  private static Trade trade(Kind kind, LocalDate day, String quantity, long amount, long fee) {
    return new Trade(
        new UUID(46, 99),
        day,
        1,
        kind,
        new BigDecimal(quantity),
        eur(amount),
        eur(fee),
        eur(kind == Kind.SELL ? 70_00 : 0));
  }

  private static List<String> booked(Trade trade) {
    return HERON.entry(trade, FUND).postings().stream().map(WorthTest::told).toList();
  }

  private static String told(Posting posting) {
    return posting.account().name() + " " + posting.amount().shown();
  }

  @Test
  public void eachTradeIsABalancedEntry() {
    assertEquals(
        booked(trade(Kind.BUY, DAY, "10", 100_00, 1_50)),
        List.of("Heron Depot 101.50", "Harbour Current \u2212101.50"));
    assertEquals(
        booked(trade(Kind.SELL, DAY, "5", 80_00, 1_50)),
        List.of("Harbour Current 78.50", "Heron Depot \u221270.00", "Gains \u22128.50"));
    assertEquals(
        booked(trade(Kind.DIVIDEND, DAY, "0", 12_00, 3_00)),
        List.of("Harbour Current 9.00", "Groceries 3.00", "Gains \u221212.00"));
    assertEquals(
        booked(trade(Kind.FEE, DAY, "0", 4_00, 0)),
        List.of("Groceries 4.00", "Harbour Current \u22124.00"));
    assertNull(HERON.entry(trade(Kind.SPLIT, DAY, "20", 0, 0), FUND));
  }

  @Test
  public void whereTradesCannotBeBookedIsRefused() {
    assertEquals(refusalOf(HERON::require), "nothing refused");
    assertEquals(
        refusalOf(
            new Investment(PRESS, CostMethod.AVERAGE, CURRENT, GAINS, GAINS, GROCERIES)::require),
        "not-an-investment");
    assertEquals(
        refusalOf(
            new Investment(DEPOT, CostMethod.AVERAGE, DEPOT, GAINS, GAINS, GROCERIES)::require),
        "cash-elsewhere");
    assertEquals(
        refusalOf(
            new Investment(DEPOT, CostMethod.AVERAGE, CURRENT, SALES, GAINS, GROCERIES)::require),
        "gain-no-income");
    assertEquals(
        refusalOf(
            new Investment(DEPOT, CostMethod.AVERAGE, CURRENT, GAINS, GROCERIES, GROCERIES)
                ::require),
        "dividends-no-income");
    assertEquals(
        refusalOf(new Investment(DEPOT, CostMethod.AVERAGE, CURRENT, GAINS, GAINS, GAINS)::require),
        "fees-no-expense");
  }

  @Test
  public void theNewestPriceHoldsAndTradesTellOneWhereNobodyDid() {
    var prices =
        new Prices(
            Map.of(DAY.plusDays(10), new BigDecimal("11.5")),
            List.of(
                trade(Kind.BUY, DAY, "10", 100_00, 1_00),
                trade(Kind.BUY, DAY.plusDays(10), "10", 130_00, 1_00)));
    assertEquals(prices.on(DAY.minusDays(1)).isPresent(), false);
    assertEquals(
        prices.on(DAY).orElseThrow(),
        new Prices.Price(DAY, BigDecimal.TEN.stripTrailingZeros(), true));
    assertEquals(prices.on(DAY.plusDays(99)).orElseThrow().price(), new BigDecimal("11.5"));
    var split =
        new Prices(
            Map.of(),
            List.of(
                trade(Kind.BUY, DAY, "10", 100_00, 0),
                trade(Kind.SPLIT, DAY.plusDays(5), "20", 0, 0)));
    assertEquals(split.on(DAY.plusDays(9)).isPresent(), false);
    for (String bad : List.of("-1", "1E+13", "0.000000001")) {
      assertEquals(refusalOf(() -> Prices.require(new BigDecimal(bad))), "bad-price");
    }
  }

  @Test
  public void aThingIsWrittenDownEvenlyToWhatIsLeft() {
    var down = new WriteDown(PRESS, SCHOOL, eur(1_000_00), eur(100_00), YearMonth.of(2026, 2), 7);
    down.require();
    assertEquals(
        IntStream.range(0, 7).mapToLong(i -> down.of(YearMonth.of(2026, 2 + i)).minor()).sum(),
        900_00);
    assertEquals(down.of(YearMonth.of(2026, 1)), eur(0));
    assertEquals(down.of(YearMonth.of(2026, 9)), eur(0));
    assertEquals(down.last(), YearMonth.of(2026, 8));
    assertEquals(
        refusalOf(new WriteDown(PRESS, SCHOOL, eur(1), eur(1), down.first(), 7)::require),
        "write-down-left");
    assertEquals(
        refusalOf(new WriteDown(PRESS, SCHOOL, eur(1), eur(0), down.first(), 0)::require),
        "write-down-months");
    assertEquals(
        refusalOf(new WriteDown(PRESS, SALES, eur(1), eur(0), down.first(), 7)::require),
        "write-down-expense");
  }
}
