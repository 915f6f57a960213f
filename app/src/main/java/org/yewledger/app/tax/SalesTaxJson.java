package org.yewledger.app.tax;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.report.ReturnPeriod;

/** What the API says about sales tax. Amounts are in the book's currency. */
final class SalesTaxJson {
  private SalesTaxJson() {}

  /**
   * What was sold and bought at a rate.
   *
   * @param first the first month that it is about, {@code last} the last
   * @param percent of the rate on its last day; null if it had none then
   * @param sales without tax; {@code collected} the tax on them
   * @param salesQuery finds the entries behind the sales in the journal; empty without any
   * @param purchases without tax; {@code paid} the tax on them
   * @param due what is owed: collected less paid
   */
  record TaxLineJson(
      YearMonth first,
      YearMonth last,
      UUID rateId,
      String rateName,
      @Nullable BigDecimal percent,
      BigDecimal sales,
      BigDecimal collected,
      String salesQuery,
      BigDecimal purchases,
      BigDecimal paid,
      String purchasesQuery,
      BigDecimal due) {}

  /** What all lines of a kind come to. */
  record TaxSumJson(
      BigDecimal sales,
      BigDecimal collected,
      BigDecimal purchases,
      BigDecimal paid,
      BigDecimal due) {}

  /**
   * The account on which sales tax stands; what is owed is above zero.
   *
   * @param before what was owed when the period began
   * @param arose what entries of the period added to it
   * @param settled what else moved: payments to the tax office less what it paid back
   * @param owed what is owed at the period's end
   * @param owedToday by the household's day
   */
  record TaxAccountJson(
      String names,
      BigDecimal before,
      BigDecimal arose,
      BigDecimal settled,
      BigDecimal owed,
      BigDecimal owedToday) {}

  /**
   * A return as it was sent.
   *
   * @param since what the books say of its period beyond what was returned; 0 where nothing changed
   */
  record TaxReturnJson(
      UUID id,
      YearMonth first,
      YearMonth last,
      Instant at,
      String who,
      BigDecimal due,
      BigDecimal since) {}

  /**
   * @param number under which the book is registered
   * @param over whether the period is
   * @param corrections of earlier periods that were returned
   * @param due of the lines and the corrections together
   * @param returned the return of this very period
   * @param mayTakeBack whether it is the last one, which can be taken back
   * @param returns all of the book, the latest first
   */
  record SalesTaxTableJson(
      UUID bookId,
      String bookName,
      String currency,
      String number,
      ReturnPeriod period,
      YearMonth first,
      YearMonth last,
      boolean over,
      List<TaxLineJson> lines,
      TaxSumJson sum,
      List<TaxLineJson> corrections,
      BigDecimal correctionsDue,
      BigDecimal due,
      TaxAccountJson account,
      @Nullable TaxReturnJson returned,
      boolean mayTakeBack,
      List<TaxReturnJson> returns) {}

  /** The books that are registered for sales tax. */
  record SalesTaxPageJson(List<SalesTaxTableJson> tables) {}

  /**
   * Says that the tax of a period was returned as the books say it.
   *
   * @param month any of the period
   * @param due what the person saw
   */
  record NewTaxReturnJson(
      @NotNull UUID bookId, @NotNull YearMonth month, @NotNull BigDecimal due) {}

  /**
   * A payment to the tax office; below zero what it paid back.
   *
   * @param month any of the period that it is for
   * @param accountId from which it was paid
   */
  record TaxPaymentJson(
      @NotNull UUID bookId,
      @NotNull YearMonth month,
      @NotNull UUID accountId,
      @NotNull LocalDate date,
      @NotNull BigDecimal amount,
      @NotNull @Size(max = Texts.NAME) String payee) {}
}
