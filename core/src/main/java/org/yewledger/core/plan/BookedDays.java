package org.yewledger.core.plan;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.SpreadBill;

/** What was spent on a category on each day of a month. */
public final class BookedDays {
  private BookedDays() {}

  /**
   * The same with what the month bears of bills that are spread: on the bill's own day if that is
   * in the month, else on the first.
   *
   * @param booked by day, as it stands in the books
   * @param bills of the category
   * @return the days on which anything is left, in their order
   */
  public static SortedMap<LocalDate, Amount> spread(
      YearMonth month, Map<LocalDate, Amount> booked, List<SpreadBill> bills) {
    SortedMap<LocalDate, Amount> days = new TreeMap<>(booked);
    for (SpreadBill bill : bills) {
      boolean own = YearMonth.from(bill.booked()).equals(month);
      if (own) {
        days.merge(bill.booked(), bill.amount().negated(), Amount::plus);
      }
      days.merge(own ? bill.booked() : month.atDay(1), bill.in(month), Amount::plus);
    }
    days.values().removeIf(Amount::isZero);
    return days;
  }
}
