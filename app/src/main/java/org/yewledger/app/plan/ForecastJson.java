package org.yewledger.app.plan;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;

/** What the API says about forecasts. */
final class ForecastJson {
  private ForecastJson() {}

  /**
   * How an account stands at the end of a day.
   *
   * @param due with what is due alone, {@code usual} with what usually moves too
   * @param low as far as half of the months strayed one way, {@code high} the other
   */
  record ForecastDayJson(
      LocalDate date, BigDecimal due, BigDecimal usual, BigDecimal low, BigDecimal high) {}

  /**
   * Due alone at the end, with what is usual, less what budgets plan, and what that is in place of,
   * make what stands there as usual.
   *
   * @param now what stands there at the end of today, set-asides among it
   * @param setAside what of that is set aside
   * @param dueToday what is due today, and what is overdue
   * @param usualPerMonth what moves in a month besides what is due: the median of the last twelve
   * @param lowPerMonth the lower quartile of these, {@code highPerMonth} the upper
   * @param usualThrough what is usual until the end
   * @param planned what budgets plan until then
   * @param inPlaceOf what was spent on that on average, and does not count beside it
   * @param lowest the first of the days on which it stands lowest
   * @param days on which something is due and those before them, each seventh, and the last
   */
  record ForecastAccountJson(
      UUID accountId,
      String accountName,
      String currency,
      BigDecimal now,
      BigDecimal setAside,
      BigDecimal dueToday,
      BigDecimal usualPerMonth,
      BigDecimal lowPerMonth,
      BigDecimal highPerMonth,
      BigDecimal usualThrough,
      BigDecimal planned,
      BigDecimal inPlaceOf,
      ForecastDayJson lowest,
      List<ForecastDayJson> days) {}

  /** An entry that is not booked: what it would move on an account, below zero if it is paid. */
  record TriedJson(UUID accountId, LocalDate on, BigDecimal amount) {}

  /**
   * @param plannedWithout budgets that nobody is known to pay, which no account is told of
   */
  record ForecastPageJson(
      LocalDate today,
      LocalDate through,
      List<String> plannedWithout,
      List<ForecastAccountJson> accounts) {}
}
