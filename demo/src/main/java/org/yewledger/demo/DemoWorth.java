package org.yewledger.demo;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;

/** What the Aldercotts own besides money: their house, which was valued, and the press. */
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

  private DemoWorth() {}

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
