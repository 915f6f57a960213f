package org.yewledger.app.report;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** What the API says about reports: tables of amounts, one column for each span. */
public final class ReportJson {
  private ReportJson() {}

  /**
   * The months that a column is about; of balances, those up to its last day.
   *
   * @param besides what it tells of them beside the first column; null of what was asked for
   */
  public record ReportColumnJson(YearMonth first, YearMonth last, @Nullable Besides besides) {
    /** In words, where it is not told by its months. */
    @Nullable String inWords() {
      return besides == null ? null : besides == Besides.PLANNED ? "planned" : "booked";
    }
  }

  /** What a second column tells of the same months. */
  public enum Besides {
    PLANNED,
    /** As it stands in the books, where the first column spreads bills. */
    BOOKED
  }

  /** What a row of a report is. */
  public enum RowLook {
    /** The name of what follows. */
    GROUP,
    ACCOUNT,
    /** What is worked out and stands on no account. */
    DERIVED,
    SUM,
    TOTAL
  }

  /**
   * @param accountId of an account's row
   * @param groupName what the account stands below; may be empty
   * @param amounts one for each column; none in the name of a group
   * @param total of all columns, where they can be added up
   * @param share of the account in its group, in tenths of a percent
   * @param change of the first column against the second, where that is what it is seen beside
   * @param query finds the entries behind it in the journal, where it is of no account
   */
  public record ReportRowJson(
      RowLook look,
      @Nullable UUID accountId,
      String name,
      String groupName,
      List<BigDecimal> amounts,
      @Nullable BigDecimal total,
      @Nullable Integer share,
      @Nullable BigDecimal change,
      @Nullable String query) {}

  /**
   * @param share of the total of all, in tenths of a percent
   */
  public record DrawnRowJson(String name, List<BigDecimal> amounts, BigDecimal total, int share) {}

  /**
   * At which rate an account in a currency of its own is told.
   *
   * @param amount what stands on it at the end of the last column, {@code value} what that is told
   *     at; null where the report is of what moved
   * @param low for one unit of its currency, of all its entries in the columns; {@code high} the
   *     highest
   */
  public record ReportRateJson(
      UUID accountId,
      String name,
      String currency,
      @Nullable BigDecimal amount,
      @Nullable BigDecimal value,
      BigDecimal low,
      BigDecimal high) {}

  /**
   * What a drawing shows of an own report.
   *
   * @param rows the greatest, and the others as one; they add up to the totals
   * @param whole whether they are parts of a whole
   * @param apart whether each amount is in one row only
   */
  public record ReportDrawnJson(List<DrawnRowJson> rows, boolean whole, boolean apart) {}

  /**
   * @param first the span that it is about; books whose years begin in different months have
   *     different ones
   * @param bookId null where all books are seen as one
   * @param balances whether both sides of a balance sheet are equal; null of other reports
   * @param drawn what a drawing shows of an own report; null of other reports
   * @param rates of accounts in other currencies
   * @param spread the bills that are spread, and are booked in its months or serve any of them
   */
  public record ReportTableJson(
      YearMonth first,
      YearMonth last,
      @Nullable UUID bookId,
      String bookName,
      String currency,
      List<ReportColumnJson> columns,
      List<ReportRowJson> rows,
      @Nullable Boolean balances,
      @Nullable ReportDrawnJson drawn,
      List<ReportRateJson> rates,
      List<ReportSpreadJson> spread) {}

  /**
   * A bill that is spread.
   *
   * @param amount all of it; above zero if it goes the usual way of its category
   * @param first the first month that it serves, {@code last} the last
   * @param within what the span of the report bears of it
   */
  public record ReportSpreadJson(
      UUID entryId,
      long no,
      LocalDate date,
      String payee,
      UUID accountId,
      String accountName,
      BigDecimal amount,
      YearMonth first,
      YearMonth last,
      BigDecimal within) {}

  /**
   * @param first the span that the report is about, however it was asked for: that of all tables
   * @param tables one for each book, and one for all of them together
   */
  public record ReportPageJson(YearMonth first, YearMonth last, List<ReportTableJson> tables) {}
}
