package org.yewledger.app.report;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** What the API says about a month against the month before. Amounts are in the book's currency. */
final class MonthAgainstJson {
  private MonthAgainstJson() {}

  /**
   * What was spent up to a day of the month.
   *
   * @param spent null on days that are still to come
   */
  record SpentDayJson(int day, @Nullable BigDecimal spent, BigDecimal before) {}

  record SpentCategoryJson(
      UUID accountId,
      String name,
      String groupName,
      BigDecimal spent,
      BigDecimal before,
      BigDecimal change) {}

  /** What is unusual about something. */
  enum UnusualKind {
    BEYOND,
    NEW_PAYEE,
    PRICE_ROSE
  }

  /**
   * @param accountId of a category
   * @param name of the category or the payee
   * @param query finds the entries of the payee in the journal
   * @param amount what was spent
   * @param low of what is usual, {@code high} its other end, in {@code times} months
   * @param before what it was {@code times} times before
   */
  record UnusualJson(
      UnusualKind kind,
      @Nullable UUID accountId,
      String name,
      @Nullable String query,
      BigDecimal amount,
      @Nullable LocalDate on,
      @Nullable BigDecimal low,
      @Nullable BigDecimal high,
      @Nullable BigDecimal before,
      int times) {}

  /**
   * @param monthBefore the one that it is held against
   * @param over whether the month is
   * @param spent up to its last day, or today
   * @param beforeByNow of the month before up to the same day, {@code before} in all of it
   */
  record MonthTableJson(
      UUID bookId,
      String bookName,
      String currency,
      YearMonth month,
      YearMonth monthBefore,
      boolean over,
      BigDecimal spent,
      BigDecimal beforeByNow,
      BigDecimal before,
      List<SpentDayJson> days,
      List<SpentCategoryJson> categories,
      List<UnusualJson> unusual) {}

  record MonthAgainstPageJson(List<MonthTableJson> tables) {}
}
