package org.yewledger.demo;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;

/** What the Aldercotts set aside of each month's pay, and what for. */
public final class DemoSetAsides {
  /** The account that it stays in. */
  public static final String ACCOUNT = "Harbour Current";

  private DemoSetAsides() {}

  /**
   * @param monthly what is set aside each month
   * @param needed what it is to be
   * @param inMonths in so many months from now
   */
  public record Purpose(String name, BigDecimal monthly, BigDecimal needed, int inMonths) {
    private static Purpose of(String name, String monthly, String needed, int inMonths) {
      return new Purpose(name, new BigDecimal(monthly), new BigDecimal(needed), inMonths);
    }
  }

  public static List<Purpose> purposes() {
    return List.of(
        Purpose.of("Roof", "60.00", "1500.00", 8),
        Purpose.of("Summer on the coast", "45.00", "800.00", 9),
        Purpose.of("Winter gifts", "30.00", "400.00", 3),
        Purpose.of("Insurance next year", "57.00", "684.00", 12));
  }

  /** When a month's pay is divided; of the last month, which is left to do, when it is over. */
  public static LocalDate dividedOn(YearMonth month) {
    return month.equals(AldercottYear.LAST)
        ? month.plusMonths(1).atDay(1)
        : month.atEndOfMonth().minusDays(1);
  }
}
