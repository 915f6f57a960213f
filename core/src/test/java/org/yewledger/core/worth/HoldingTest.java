package org.yewledger.core.worth;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.refusalOf;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.money.Amount;
import org.yewledger.core.worth.Trade.Kind;

public class HoldingTest {
  private static final LocalDate DAY = LocalDate.of(2026, 1, 1);

  private static Trade trade(int no, Kind kind, String quantity, long amount, long fee) {
    return new Trade(
        new UUID(46, no),
        DAY.plusDays(no),
        no,
        kind,
        new BigDecimal(quantity),
        eur(amount),
        eur(fee),
        eur(0));
  }

  private static Holding nothing(CostMethod method) {
    return Holding.nothing(method, CurrencyUnit.EUR);
  }

  private static Holding twoLots(CostMethod method) {
    return nothing(method)
        .after(trade(1, Kind.BUY, "10", 100_00, 1_00))
        .after(trade(2, Kind.BUY, "20", 260_00, 2_00));
  }

  @Test
  public void aSaleTakesTheCostOfTheMethodAlong() {
    Trade sale = trade(3, Kind.SELL, "15", 200_00, 0);
    // 363.00 for 30: half of it; or all of the first lot and a quarter of the second.
    assertEquals(twoLots(CostMethod.AVERAGE).costOf(sale), eur(181_50));
    assertEquals(twoLots(CostMethod.FIRST_IN_FIRST_OUT).costOf(sale), eur(101_00 + 65_50));
    assertEquals(
        twoLots(CostMethod.FIRST_IN_FIRST_OUT).after(sale).lots(),
        List.of(new Holding.Lot(DAY.plusDays(2), new BigDecimal("15"), eur(196_50))));
    assertEquals(sale.at(eur(166_50)).gain(), eur(33_50));
  }

  @Test
  public void aSplitKeepsTheCostAndPartsTheQuantity() {
    Trade split = trade(3, Kind.SPLIT, "100", 0, 0);
    Holding after = twoLots(CostMethod.FIRST_IN_FIRST_OUT).after(split);
    assertEquals(after.cost(), eur(363_00));
    assertEquals(after.quantity(), new BigDecimal("1E+2"));
    assertEquals(after.lots().getFirst().quantity(), new BigDecimal("33.33333333"));
    assertEquals(after.lots().getLast().quantity(), new BigDecimal("66.66666667"));
    assertEquals(refusalOf(() -> nothing(CostMethod.AVERAGE).after(split)), "nothing-held");
  }

  @Test
  public void moreThanIsHeldIsNotSold() {
    Trade sale = trade(3, Kind.SELL, "30.00000001", 200_00, 0);
    assertEquals(refusalOf(() -> twoLots(CostMethod.AVERAGE).after(sale)), "more-than-held");
    assertEquals(
        refusalOf(() -> twoLots(CostMethod.FIRST_IN_FIRST_OUT).costOf(sale)), "more-than-held");
  }

  @Test
  public void aBookedSaleKeepsItsCost() {
    Trade first = trade(1, Kind.BUY, "10", 100_00, 0);
    Trade sale = trade(3, Kind.SELL, "10", 120_00, 0).at(eur(100_00));
    assertEquals(
        Holding.after(CostMethod.AVERAGE, CurrencyUnit.EUR, List.of(sale, first)).quantity(),
        BigDecimal.ZERO);
    Trade between = trade(2, Kind.BUY, "10", 150_00, 0);
    List<Trade> all = List.of(first, between, sale);
    assertEquals(
        refusalOf(() -> Holding.after(CostMethod.AVERAGE, CurrencyUnit.EUR, all)), "sale-booked");
    assertEquals(
        Holding.after(CostMethod.FIRST_IN_FIRST_OUT, CurrencyUnit.EUR, all).cost(), eur(150_00));
  }

  @Test
  public void whatNoTradeCanBeIsRefused() {
    assertEquals(refusalOf(trade(1, Kind.BUY, "0", 1, 0)::require), "bad-quantity");
    assertEquals(refusalOf(trade(1, Kind.SPLIT, "0.000000001", 0, 0)::require), "bad-quantity");
    assertEquals(refusalOf(trade(1, Kind.BUY, "12345678901", 1, 0)::require), "bad-quantity");
    assertEquals(refusalOf(trade(1, Kind.BUY, "1", 0, 0)::require), "trade-amount");
    assertEquals(refusalOf(trade(1, Kind.SELL, "1", 5, 6)::require), "trade-fee");
    assertEquals(refusalOf(trade(1, Kind.BUY, "1", 5, -1)::require), "trade-fee");
    assertEquals(refusalOf(trade(1, Kind.DIVIDEND, "0", 5, 5)::require), "nothing refused");
  }

  @Test
  public void costIsNeverBelowZeroAndGainsAreWorthLessPaid() {
    Random random = new Random(46);
    for (int run = 0; run < 400; run++) {
      CostMethod method = CostMethod.values()[random.nextInt(2)];
      Holding holding = nothing(method);
      List<Trade> booked = new ArrayList<>();
      long paid = 0;
      long received = 0;
      long realised = 0;
      for (int no = 1; no < 40; no++) {
        Trade trade = random(random, no, holding);
        if (trade.kind() == Kind.SELL) {
          trade = trade.at(holding.costOf(trade));
          received += trade.whole().minor();
          realised += trade.gain().minor();
        } else if (trade.kind() == Kind.BUY) {
          paid += trade.whole().minor();
        }
        holding = holding.after(trade);
        booked.add(trade);
        assertTrue(holding.cost().sign() >= 0, "cost of run " + run);
        assertTrue(holding.lots().stream().allMatch(lot -> lot.cost().sign() >= 0));
        if (holding.quantity().signum() == 0) {
          assertEquals(holding.cost(), eur(0));
        }
        Amount worth = holding.worth(new BigDecimal("12.3456"));
        long unrealised = worth.minus(holding.cost()).minor();
        assertEquals(realised + unrealised, received + worth.minor() - paid, "run " + run);
      }
      assertEquals(Holding.after(method, CurrencyUnit.EUR, booked).cost(), holding.cost());
    }
  }

  private static Trade random(Random random, int no, Holding held) {
    int what = held.quantity().signum() == 0 ? 0 : random.nextInt(5);
    return switch (what) {
      case 1, 2 ->
          trade(
              no,
              Kind.SELL,
              (random.nextInt(4) == 0
                      ? held.quantity()
                      : held.quantity()
                          .multiply(BigDecimal.valueOf(1 + random.nextInt(99), 2))
                          .setScale(8, RoundingMode.UP))
                  .toPlainString(),
              1_000 + random.nextInt(100_000),
              random.nextInt(900));
      case 3 ->
          trade(
              no,
              Kind.SPLIT,
              held.quantity().multiply(BigDecimal.valueOf(1 + random.nextInt(5))).toPlainString(),
              0,
              0);
      default ->
          trade(
              no,
              Kind.BUY,
              BigDecimal.valueOf(1 + random.nextInt(1_000_000), random.nextInt(5)).toPlainString(),
              1 + random.nextInt(1_000_000),
              random.nextInt(900));
    };
  }
}
