package org.yewledger.demo;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import org.yewledger.core.worth.Trade;

/**
 * What the Aldercotts own besides money: shares of a fund, their house, which was valued, and the
 * press.
 */
public final class DemoWorth {
  public static final String HOUSE = "House in Ferrygate";
  public static final String PRESS = "Platen press";

  /** The category that the press is written down to. */
  public static final String WRITTEN_DOWN = "Press written down";

  /** What the press was bought for, in minor units. */
  public static final long PRESS_COST = 1_480_00;

  public static final YearMonth FIRST_WRITTEN_DOWN = YearMonth.of(2026, 9);
  public static final int MONTHS_WRITTEN_DOWN = 60;

  static final long HOUSE_COST = 238_500_00;

  public static final String DEPOT = "Tideway Depot";

  public static final LocalDate DEPOT_OPENED = AldercottChart.START;

  public static final String FUND = "Coastline Index Fund";
  public static final String PAID_FROM = "Harbour Savings";
  public static final String DIVIDENDS = "Dividends";
  public static final String GAINS = "Gains on shares";
  public static final String FEES = "Bank charges";

  /** What the shares cost that were held already. */
  static final long HELD_COST = 3_180_00;

  private DemoWorth() {}

  /** What happened in the depot, as it was told. */
  public record Traded(Trade.Kind kind, LocalDate day, String quantity, long minor, long fee) {}

  public static List<Traded> trades() {
    return List.of(
        new Traded(Trade.Kind.HELD, DEPOT_OPENED, "42.5", HELD_COST, 0),
        new Traded(Trade.Kind.BUY, LocalDate.of(2026, 10, 1), "6", 501_60, 3_90),
        new Traded(Trade.Kind.DIVIDEND, LocalDate.of(2026, 10, 2), "0", 28_40, 0));
  }

  /** What a share of the fund was worth. */
  public static List<Valued> fund() {
    return List.of(
        Valued.of("2025-09-30", "74.95"),
        Valued.of("2025-12-31", "77.20"),
        Valued.of("2026-03-31", "75.40"),
        Valued.of("2026-06-30", "79.05"),
        Valued.of("2026-08-31", "80.15"),
        Valued.of("2026-09-30", "83.60"),
        Valued.of("2026-10-02", "84.10"));
  }

  /** What the house was worth from a day on. */
  public record Valued(LocalDate day, BigDecimal worth) {
    private static Valued of(String day, String worth) {
      return new Valued(LocalDate.parse(day), new BigDecimal(worth));
    }
  }

  public static List<Valued> house() {
    return List.of(Valued.of("2025-12-31", "243000.00"), Valued.of("2026-08-31", "246500.00"));
  }
}
