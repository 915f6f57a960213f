package org.yewledger.app.loan;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.loan.ExtraPayment;
import org.yewledger.core.loan.InterestCount;
import org.yewledger.core.loan.LoanRow;
import org.yewledger.core.schedule.Shift;

/**
 * What the API says about loans. Amounts are in the loan's currency; what is owed is above zero.
 */
final class LoanJson {
  private LoanJson() {}

  /**
   * What is agreed from a day on.
   *
   * @param rate percent in a year
   * @param payment each time; null where it follows from the last payment's day
   */
  record LoanTermsJson(
      @NotNull LocalDate from, @NotNull BigDecimal rate, @Nullable BigDecimal payment) {}

  /**
   * A loan as it is to be.
   *
   * @param version of the one that is changed; 0 for a new one
   * @param accountId where the loan stands
   * @param fromId the account that pays
   * @param interestId the category of its interest
   * @param months it is paid every so many months
   * @param lastDay whether on their last day; otherwise on the day of the first
   * @param terms what is agreed, by the days it begins on
   * @param lastOn the day on which the last payment is due: the newest terms' payment follows from
   *     it; null if the payment is agreed
   * @param trusted whether a line that is surely a payment is posted without being looked at
   */
  record LoanDraftJson(
      int version,
      @NotNull @Size(max = Texts.NAME) String payee,
      @NotNull UUID accountId,
      @NotNull UUID fromId,
      @NotNull UUID interestId,
      int months,
      @NotNull Boolean lastDay,
      @NotNull LocalDate first,
      @NotNull Shift shift,
      @NotNull InterestCount count,
      @NotEmpty @Size(max = 100) List<@NotNull @Valid LoanTermsJson> terms,
      @Nullable LocalDate lastOn,
      @Nullable LocalDate fixedUntil,
      @NotNull Boolean trusted) {}

  /**
   * @param last the day that the last payment is due on; null if nothing is owed, or if the
   *     payments never end it
   * @param payments how many are left
   */
  record LoanLeftJson(@Nullable LocalDate last, int payments, BigDecimal interest) {}

  /**
   * @param owed today
   * @param next the day on which the next payment is due
   */
  record LoanListedJson(
      UUID id,
      UUID accountId,
      String name,
      String currency,
      BigDecimal owed,
      BigDecimal rate,
      BigDecimal payment,
      @Nullable LocalDate next,
      LoanLeftJson left) {}

  /**
   * A line of a loan's table.
   *
   * @param overdue whether its day is over and it did not come
   * @param interestApart by how much the booked interest is more than the terms say
   * @param besides what a payment moved besides interest and the loan, such as a fee
   */
  record LoanRowJson(
      LocalDate day,
      LoanRow.Kind kind,
      boolean overdue,
      BigDecimal payment,
      BigDecimal interest,
      BigDecimal repaid,
      BigDecimal owed,
      BigDecimal interestApart,
      BigDecimal besides,
      @Nullable UUID entryId,
      @Nullable Long entryNo) {}

  /**
   * Lines of a loan's table together.
   *
   * @param payments how many payments by the terms, {@code payment} what they are
   * @param repaid by them; {@code extra} besides, below zero if more was borrowed
   * @param owed after the last of them
   */
  record LoanSumJson(
      int payments,
      BigDecimal payment,
      BigDecimal interest,
      BigDecimal repaid,
      BigDecimal extra,
      BigDecimal owed) {}

  record LoanYearJson(int year, LoanSumJson sum, List<LoanRowJson> rows) {}

  /**
   * @param sum of all lines; null if there are none
   */
  record LoanTableJson(List<LoanYearJson> years, @Nullable LoanSumJson sum) {}

  /**
   * @param months it is paid every so many months
   * @param now the terms that hold today
   * @param inWords when it is paid
   * @param owed today
   */
  record LoanPageJson(
      UUID id,
      int version,
      UUID scheduleId,
      String payee,
      UUID bookId,
      UUID accountId,
      String accountName,
      String currency,
      UUID fromId,
      String fromName,
      UUID interestId,
      int months,
      boolean lastDay,
      LocalDate first,
      Shift shift,
      InterestCount count,
      List<LoanTermsJson> terms,
      LoanTermsJson now,
      @Nullable LocalDate fixedUntil,
      boolean trusted,
      String inWords,
      LocalDate today,
      BigDecimal owed,
      LoanLeftJson left,
      LoanTableJson table,
      List<LenderYearJson> lenderYears) {}

  /** What was owed, paid and owed then. */
  record YearFiguresJson(
      BigDecimal owedBefore,
      BigDecimal paid,
      BigDecimal interest,
      BigDecimal repaid,
      BigDecimal owedAfter) {}

  /**
   * A lender's year beside the same year in the books.
   *
   * @param entries how many the books have of it
   * @param apart by how much the books say more
   * @param parting payments that did not come, or whose interest is not what the terms say
   */
  record LenderYearJson(
      LocalDate after,
      LocalDate through,
      String note,
      YearFiguresJson lender,
      YearFiguresJson books,
      YearFiguresJson apart,
      int entries,
      boolean agrees,
      List<LoanRowJson> parting) {}

  /**
   * What a lender says of a year.
   *
   * @param after the day at whose end {@code owedBefore} was owed
   * @param through the day at whose end {@code owedAfter} was owed
   */
  record KeepYearJson(
      @NotNull LocalDate after,
      @NotNull LocalDate through,
      @NotNull BigDecimal owedBefore,
      @NotNull BigDecimal paid,
      @NotNull BigDecimal interest,
      @NotNull BigDecimal owedAfter,
      @Nullable @Size(max = Texts.NAME) String note) {}

  /**
   * What could be paid besides.
   *
   * @param from its day, or the first of them
   */
  record ExtraPaymentJson(
      @NotNull BigDecimal amount,
      ExtraPayment.@NotNull Often often,
      @NotNull LocalDate from,
      ExtraPayment.@NotNull Keep keep) {}

  /**
   * @param payment each time after it
   * @param saved the interest that is saved
   */
  record WhatIfComparedJson(
      ExtraPaymentJson extra, BigDecimal payment, LoanLeftJson left, BigDecimal saved) {}

  /**
   * @param table the loan with it
   * @param others what else one could think of
   */
  record WhatIfJson(
      WhatIfComparedJson compared, LoanTableJson table, List<WhatIfComparedJson> others) {}

  /**
   * An extra payment that is put in the plan.
   *
   * @param fromId the account that pays it
   */
  record PlanExtraJson(@NotNull UUID fromId, @NotNull @Valid ExtraPaymentJson extra) {}
}
