package org.yewledger.app.worth;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.worth.CostMethod;
import org.yewledger.core.worth.Trade;

/** What the API says about holdings and things. */
final class WorthJson {
  private WorthJson() {}

  /**
   * A security that can be held.
   *
   * @param code by which a depot names it; empty if it has none
   */
  record SecurityJson(UUID id, String name, String code, String currency) {}

  record NewSecurityJson(
      @NotNull @Size(max = Texts.NAME) String name,
      @Nullable @Size(max = Texts.SHORT) String code,
      @NotNull @Size(max = Texts.SHORT) String currency) {}

  /**
   * Something that happened to a holding.
   *
   * @param quantity what was bought or sold; of a split how much is held after it
   * @param amount without the fee
   * @param cost of a sale: what the sold part had cost
   * @param gain of a sale
   */
  record TradeJson(
      UUID id,
      LocalDate day,
      Trade.Kind kind,
      BigDecimal quantity,
      BigDecimal amount,
      BigDecimal fee,
      BigDecimal cost,
      BigDecimal gain,
      @Nullable UUID entryId,
      @Nullable Long entryNo) {}

  record LotJson(LocalDate bought, BigDecimal quantity, BigDecimal cost) {}

  /**
   * @param traded whether it is that of a trade, since nobody told one
   */
  record PriceJson(LocalDate day, BigDecimal price, boolean traded) {}

  /**
   * So much of a security in an account.
   *
   * @param price the newest; null if none is known: it then stands at its cost
   * @param unrealised worth less cost
   * @param realised what its sales gained
   * @param dividends what it brought
   * @param prices those that were told, the newest first
   */
  record HoldingJson(
      UUID securityId,
      String name,
      String code,
      BigDecimal quantity,
      @Nullable PriceJson price,
      BigDecimal cost,
      BigDecimal worth,
      BigDecimal unrealised,
      BigDecimal realised,
      BigDecimal dividends,
      List<LotJson> lots,
      List<TradeJson> trades,
      List<PriceJson> prices) {}

  /**
   * An account that stands at what its holdings cost.
   *
   * @param version 0 where its trades are not told how to be booked yet
   * @param booked what it stands at
   * @param cost of what is held, {@code worth} what it is worth
   * @param unrealised worth less cost, {@code adjusted} what of it is booked
   * @param besides what it stands at besides cost and what is booked of its worth
   */
  record InvestmentJson(
      UUID accountId,
      UUID bookId,
      String name,
      String currency,
      int version,
      @Nullable CostMethod method,
      @Nullable UUID cashId,
      @Nullable UUID gainId,
      @Nullable UUID dividendsId,
      @Nullable UUID feesId,
      BigDecimal booked,
      BigDecimal cost,
      BigDecimal worth,
      BigDecimal unrealised,
      BigDecimal adjusted,
      BigDecimal toAdjust,
      BigDecimal besides,
      List<HoldingJson> holdings) {}

  record ValuationJson(LocalDate day, BigDecimal worth) {}

  /**
   * @param left what is still worth at the end
   * @param first the first month that takes its part
   * @param due the months that are over and not booked
   * @param perMonth what a month takes, to the minor unit
   */
  record WriteDownJson(
      UUID expenseId,
      String expenseName,
      BigDecimal cost,
      BigDecimal left,
      YearMonth first,
      YearMonth last,
      int months,
      BigDecimal perMonth,
      List<YearMonth> due) {}

  /**
   * A thing that is owned.
   *
   * @param booked what it stands at
   * @param worth by its newest valuation; as it is booked where there is none
   * @param valuedOn that valuation's day
   */
  record ThingJson(
      UUID accountId,
      UUID bookId,
      String name,
      String currency,
      BigDecimal booked,
      BigDecimal worth,
      BigDecimal beyond,
      @Nullable LocalDate valuedOn,
      List<ValuationJson> valuations,
      @Nullable WriteDownJson writeDown) {}

  /**
   * @param securities all that the household knows
   */
  record WorthPageJson(
      LocalDate on,
      List<InvestmentJson> investments,
      List<ThingJson> things,
      List<SecurityJson> securities) {}

  /**
   * How trades of an account are booked.
   *
   * @param version as it was seen; 0 for the first time
   */
  record InvestmentDraftJson(
      int version,
      @NotNull CostMethod method,
      @NotNull UUID cashId,
      @NotNull UUID gainId,
      @NotNull UUID dividendsId,
      @NotNull UUID feesId) {}

  /**
   * @param quantity of a split how much is held after it; null of a dividend or a fee
   * @param amount without the fee; null of a split
   */
  record NewTradeJson(
      @NotNull UUID securityId,
      @NotNull LocalDate day,
      Trade.@NotNull Kind kind,
      @Nullable BigDecimal quantity,
      @Nullable BigDecimal amount,
      @Nullable BigDecimal fee) {}

  record NewPriceJson(@NotNull LocalDate day, @NotNull BigDecimal price) {}

  record PricesKeptJson(int prices) {}

  record NewValuationJson(@NotNull LocalDate day, @NotNull BigDecimal worth) {}

  /**
   * @param cost what the thing was bought for
   */
  record WriteDownDraftJson(
      @NotNull UUID expenseId,
      @NotNull BigDecimal cost,
      @NotNull BigDecimal left,
      @NotNull YearMonth first,
      int months) {}

  record WrittenDownJson(int entries, BigDecimal amount) {}

  record WrittenThroughJson(@NotNull YearMonth month) {}

  record AdjustJson(@NotNull LocalDate on) {}
}
