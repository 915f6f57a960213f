package org.yewledger.app.plan;

import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** What the API says about budgets. Amounts are in the book's currency. */
final class BudgetJson {
  private BudgetJson() {}

  /** Brought + planned - booked - to come = left. */
  record BudgetFiguresJson(
      BigDecimal brought,
      BigDecimal planned,
      BigDecimal booked,
      BigDecimal toCome,
      BigDecimal left) {}

  /** What was spent on a category on a day. */
  record BookedOnJson(LocalDate date, BigDecimal amount) {}

  /**
   * A category in the month.
   *
   * @param holds of a group that is planned together: its categories that have no plan of their
   *     own; null of a category
   * @param planned whether anything is planned for it in the month
   * @param carries whether what is left goes on to the next month
   * @param spread what of it are parts of bills that serve several months
   * @param year what is planned in the fiscal year
   * @param days on which something was booked, in their order; parts of bills of other months on
   *     the first
   */
  record BudgetRowJson(
      UUID accountId,
      String name,
      @Nullable List<String> holds,
      boolean planned,
      boolean carries,
      BudgetFiguresJson month,
      BigDecimal spread,
      BigDecimal year,
      List<BookedOnJson> days) {}

  /**
   * The categories of a group of the chart.
   *
   * @param accountId null for those at the top
   * @param name empty for those at the top
   * @param left of all of them
   */
  record BudgetGroupJson(
      @Nullable UUID accountId, String name, BigDecimal left, List<BudgetRowJson> rows) {}

  /**
   * @param yearFirst the first month of the fiscal year, {@code yearLast} its last
   * @param all what all rows come to
   * @param year what is planned in the year
   */
  record BudgetBookJson(
      UUID bookId,
      String bookName,
      String currency,
      YearMonth yearFirst,
      YearMonth yearLast,
      List<BudgetGroupJson> groups,
      BudgetFiguresJson all,
      BigDecimal year) {}

  /**
   * @param today the household's day
   * @param without the payees of due items that are not in what is to come, since no rate tells
   *     their amount
   */
  record BudgetPageJson(
      YearMonth month, LocalDate today, List<String> without, List<BudgetBookJson> books) {}

  /**
   * A month of a category's fiscal year.
   *
   * @param first of the months that are planned together with it, {@code last} the last; null where
   *     nothing is planned
   * @param planned of several months together, in each of them
   * @param lastYear what was spent in the same month of the year before
   */
  record PlannedMonthJson(
      YearMonth month,
      @Nullable YearMonth first,
      @Nullable YearMonth last,
      @Nullable BigDecimal planned,
      BigDecimal booked,
      BigDecimal lastYear) {}

  /** A category over its fiscal year. */
  record PlannedYearJson(UUID accountId, List<PlannedMonthJson> months) {}

  /**
   * Plans months anew.
   *
   * @param amount null to plan nothing any more
   * @param together whether the amount is for all of the months, and not for each
   */
  record PlanMonthsJson(
      @NotNull YearMonth first,
      @NotNull YearMonth last,
      @Nullable BigDecimal amount,
      @NotNull Boolean together) {}

  record CarryJson(@NotNull Boolean carries) {}

  /**
   * @param month any of the fiscal year that is planned
   */
  record PlanYearJson(@NotNull UUID bookId, @NotNull YearMonth month) {}

  /**
   * @param categories how many were planned
   */
  record PlannedJson(int categories) {}
}
