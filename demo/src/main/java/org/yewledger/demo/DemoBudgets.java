package org.yewledger.demo;

import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.List;
import org.yewledger.core.report.Span;

/** What the Aldercotts plan to spend, from October 2025 on. */
public final class DemoBudgets {
  public static final YearMonth FIRST = YearMonth.of(2025, 10);
  public static final YearMonth LAST = YearMonth.of(2026, 9);

  /** Who is paid once for a whole year. */
  public static final String YEARLY_BILL = "Hollin Mutual";

  public static final Span YEARLY_BILL_SERVES =
      new Span(YearMonth.of(2025, 11), YearMonth.of(2026, 10));

  private DemoBudgets() {}

  /**
   * @param amount in each month, or in the whole year
   * @param yearly whether it is spent at some time of the year, and not each month
   * @param carries whether what is left of a month goes on to the next
   */
  public record Planned(String category, BigDecimal amount, boolean yearly, boolean carries) {
    static Planned monthly(String category, String amount) {
      return new Planned(category, new BigDecimal(amount), false, false);
    }

    static Planned carried(String category, String amount) {
      return new Planned(category, new BigDecimal(amount), false, true);
    }

    static Planned yearly(String category, String amount) {
      return new Planned(category, new BigDecimal(amount), true, false);
    }
  }

  public static List<Planned> planned() {
    return List.of(
        Planned.monthly("Groceries", "480.00"),
        Planned.monthly("Bakery", "50.00"),
        Planned.monthly("School", "62.00"),
        Planned.monthly("Day care", "180.00"),
        Planned.monthly("Music and swimming", "95.00"),
        Planned.monthly("Pocket cash", "90.00"),
        Planned.carried("Energy", "105.00"),
        Planned.monthly("Internet and phone", "39.90"),
        Planned.monthly("Town rate", "118.30"),
        Planned.carried("House upkeep", "42.00"),
        Planned.monthly("Insurance", "41.00"),
        Planned.monthly("Fuel", "110.00"),
        Planned.monthly("Bus and ferry", "30.00"),
        Planned.carried("Health", "40.00"),
        Planned.carried("Clothes", "85.00"),
        Planned.monthly("Outings and gifts", "60.00"),
        Planned.monthly("Loan interest", "605.00"),
        Planned.monthly("Bank charges", "6.00"),
        Planned.monthly("Paper and ink", "150.00"),
        Planned.monthly("Workshop", "200.00"),
        Planned.monthly("Post and couriers", "60.00"),
        Planned.yearly("Stalls", "300.00"));
  }
}
