package org.yewledger.app.plan;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.plan.GoalJson.BalanceGoalJson;

/** What the API says about set-asides. */
final class SetAsideJson {
  private SetAsideJson() {}

  /**
   * @param stands what is set aside; below zero if more was spent
   * @param lastTime what the last division placed here; null if it placed nothing
   * @param goal what it needs by a day, and whether that is on course; null if nothing is said
   * @param pays the categories that it pays for, and their names
   * @param paysSince from which day on; null if it pays for nothing
   * @param paysAsPosted whether that is taken out while lines are posted
   * @param toTakeOut what was spent on these and is not taken out; below zero what is to be put
   *     back
   */
  record PurposeJson(
      UUID accountId,
      String name,
      BigDecimal stands,
      @Nullable BigDecimal lastTime,
      @Nullable BalanceGoalJson goal,
      List<PaidCategoryJson> pays,
      @Nullable LocalDate paysSince,
      boolean paysAsPosted,
      BigDecimal toTakeOut) {}

  record PaidCategoryJson(UUID accountId, String name) {}

  /** A division that is kept by name. */
  record DivisionTemplateJson(UUID id, String name, List<PlacedJson> placed) {}

  /**
   * An account with its purposes: set aside and free make the whole, which its bank sees.
   *
   * @param lastDivided the day of the last division; null without one
   * @param toTakeOut what its purposes pay for and is not taken out of them
   */
  record SetAsidesJson(
      UUID bookId,
      UUID accountId,
      String accountName,
      String currency,
      BigDecimal setAside,
      BigDecimal free,
      BigDecimal whole,
      @Nullable LocalDate lastDivided,
      BigDecimal toTakeOut,
      List<DivisionTemplateJson> templates,
      List<PurposeJson> purposes) {}

  /**
   * @param amount what is placed; below zero what is taken out
   */
  record PlacedJson(@NotNull UUID accountId, @NotNull BigDecimal amount) {}

  /**
   * Divides an amount over purposes.
   *
   * @param toPlace zero to move from one purpose to another
   */
  record DivideJson(
      @NotNull LocalDate day,
      @NotNull BigDecimal toPlace,
      @NotEmpty @Size(max = 200) List<@NotNull @Valid PlacedJson> placed) {}

  record KeepTemplateJson(
      @NotNull @Size(max = 200) String name,
      @NotEmpty @Size(max = 200) List<@NotNull @Valid PlacedJson> placed) {}

  /**
   * @param categories that the purpose pays for; none for nothing
   * @param asPosted whether it is taken out while lines are posted
   */
  record KeepPaysJson(
      @NotNull @Size(max = 200) List<@NotNull UUID> categories,
      @NotNull LocalDate since,
      @NotNull Boolean asPosted) {}

  record TakeOutJson(@NotNull LocalDate day) {}

  /** The entry that a division, or what was taken out, became. */
  record DividedJson(UUID entryId, long no, LocalDate date, BigDecimal placed) {}
}
