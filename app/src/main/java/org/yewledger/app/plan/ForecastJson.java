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
   * @param now what stands there at the end of today
   * @param dueToday what is due today, and what is overdue
   * @param usualPerMonth what moves in a month besides what is due: the median of the last twelve
   * @param lowPerMonth the lower quartile of these, {@code highPerMonth} the upper
   * @param lowest the first of the days on which it stands lowest
   * @param days on which something is due and those before them, each seventh, and the last
   */
  record ForecastAccountJson(
      UUID accountId,
      String accountName,
      String currency,
      BigDecimal now,
      BigDecimal dueToday,
      BigDecimal usualPerMonth,
      BigDecimal lowPerMonth,
      BigDecimal highPerMonth,
      ForecastDayJson lowest,
      List<ForecastDayJson> days) {}

  /** An entry that is not booked: what it would move on an account, below zero if it is paid. */
  record TriedJson(UUID accountId, LocalDate on, BigDecimal amount) {}

  record ForecastPageJson(LocalDate today, LocalDate through, List<ForecastAccountJson> accounts) {}
}
