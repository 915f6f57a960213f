package org.yewledger.app.journal;

import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** What the API says about the months that entries serve. */
final class ServedMonthsJson {
  private ServedMonthsJson() {}

  /**
   * @param first null, as {@code last}, where the entry is to serve just the month it is booked in
   */
  record ServeJson(@Nullable YearMonth first, @Nullable YearMonth last) {}

  /**
   * What each month bears of an entry.
   *
   * @param categories those that it is on
   */
  record ServedJson(YearMonth first, YearMonth last, List<ServedCategoryJson> categories) {}

  /**
   * @param amount the whole, above zero whichever way it goes if it is usual for the category
   * @param months one part for each month, which add up to it
   */
  record ServedCategoryJson(
      UUID accountId,
      String accountName,
      String currency,
      BigDecimal amount,
      List<ServedPartJson> months) {}

  record ServedPartJson(YearMonth month, BigDecimal amount) {}
}
