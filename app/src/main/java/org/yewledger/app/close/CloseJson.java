package org.yewledger.app.close;

import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.close.CloseChecklist;

/** What the API says about closing months. */
final class CloseJson {
  private CloseJson() {}

  /**
   * @param name what the books must show
   * @param open what is left of it, in words; empty if it is met
   */
  record CloseCheckJson(CloseChecklist.Kind kind, String name, boolean met, String open) {}

  /**
   * An account that statements come for.
   *
   * @param agrees whether it agrees through the month, or is not there yet
   */
  record CloseAccountJson(
      UUID accountId, String name, @Nullable LocalDate agreedThrough, boolean agrees) {}

  /**
   * A book, and whether it can be closed through a month.
   *
   * @param closedThrough the last month that is closed; null if none is
   * @param closed whether this month is
   * @param from the first month that closing it would close
   * @param entries how many entries that would lock
   */
  record BookToCloseJson(
      UUID bookId,
      String bookName,
      YearMonth month,
      @Nullable YearMonth closedThrough,
      boolean closed,
      YearMonth from,
      long entries,
      boolean ready,
      List<CloseCheckJson> checks,
      List<CloseAccountJson> accounts) {}

  record CloseMonthJson(@NotNull UUID bookId, @NotNull YearMonth month) {}

  /**
   * @param because why it is opened again
   */
  record ReopenMonthJson(@NotNull UUID bookId, @NotNull YearMonth month, @NotNull String because) {}
}
