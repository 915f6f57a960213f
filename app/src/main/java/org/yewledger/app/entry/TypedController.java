package org.yewledger.app.entry;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.chart.TaxChoices;
import org.yewledger.app.chart.TaxRateService;
import org.yewledger.app.household.OwnFormats;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.entry.AmountText;
import org.yewledger.core.entry.DayText;
import org.yewledger.core.entry.NumberText;
import org.yewledger.core.entry.PartText;
import org.yewledger.core.entry.TimeText;
import org.yewledger.core.entry.Typed;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.Currencies;

/** What a typed day or amount means, in the person's own formats. */
@RestController
@RequestMapping("/api/typed")
@Tag(name = "typed")
class TypedController {
  /**
   * @param day what it means; null if that is unclear or nothing
   * @param problem the question or the reason, for the person; null if it is clear
   * @param choices what it may mean, where it is unclear
   */
  record TypedDayJson(@Nullable LocalDate day, @Nullable String problem, List<LocalDate> choices) {}

  /**
   * @param time what it means; null if that cannot be said
   * @param problem the reason, for the person; null if it is clear
   */
  record TypedTimeJson(@Nullable LocalTime time, @Nullable String problem) {}

  record MoneyJson(BigDecimal amount, String currency) {
    static MoneyJson of(Amount amount) {
      return new MoneyJson(amount.decimal(), amount.currency().getCode());
    }
  }

  /**
   * @param money what it means; null if that is unclear or nothing
   * @param problem the question or the reason, for the person; null if it is clear
   * @param choices what it may mean, where it is unclear
   */
  record TypedAmountJson(
      @Nullable MoneyJson money, @Nullable String problem, List<MoneyJson> choices) {}

  /**
   * @param number what it means; null if that is unclear or nothing
   * @param problem the question or the reason, for the person; null if it is clear
   * @param choices what it may mean, where it is unclear
   */
  record TypedNumberJson(
      @Nullable BigDecimal number, @Nullable String problem, List<BigDecimal> choices) {}

  private final OwnFormats formats;
  private final HouseholdDays days;
  private final TaxRateService taxRates;

  TypedController(OwnFormats formats, HouseholdDays days, TaxRateService taxRates) {
    this.formats = formats;
    this.days = days;
    this.taxRates = taxRates;
  }

  /** Reads a day as a person types it: 5.9. or yesterday. */
  @GetMapping("/day")
  TypedDayJson day(@RequestParam @Size(max = Texts.SHORT) String text) {
    return switch (DayText.read(text, days.today(), formats.formats().dayOrder())) {
      case Typed.Means<LocalDate>(LocalDate day) -> new TypedDayJson(day, null, List.of());
      case Typed.Unclear<LocalDate>(String question, List<LocalDate> choices) ->
          new TypedDayJson(null, question, choices);
      case Typed.Unreadable<LocalDate>(String reason) -> new TypedDayJson(null, reason, List.of());
    };
  }

  /**
   * Reads an amount as a person types it: 4,82 or 40+2.50.
   *
   * @param currency that it is in
   * @param mayBeOther whether the text may name another currency
   */
  @GetMapping("/amount")
  TypedAmountJson amount(
      @RequestParam @Size(max = Texts.SHORT) String text,
      @RequestParam @Size(max = Texts.SHORT) String currency,
      @RequestParam(defaultValue = "false") boolean mayBeOther) {
    return json(
        AmountText.read(text, Currencies.of(currency, "currency"), formats.formats(), mayBeOther));
  }

  /**
   * A part of a split: an amount, a share such as {@code 30%}, or {@code 100 net}, to which the
   * sales tax of its place is added.
   *
   * @param currency of the whole
   * @param whole with its sign, whose way the part goes if it has none
   * @param accountId where the part is booked; null while that is not known
   * @param day on which the tax is as it is added
   */
  @GetMapping("/part")
  TypedAmountJson part(
      @RequestParam @Size(max = Texts.SHORT) String text,
      @RequestParam @Size(max = Texts.SHORT) String currency,
      @RequestParam BigDecimal whole,
      @RequestParam(required = false) @Nullable UUID accountId,
      @RequestParam(required = false) @Nullable UUID taxRateId,
      @RequestParam(required = false) @Nullable Boolean untaxed,
      @RequestParam LocalDate day) {
    return json(
        PartText.read(
            text,
            Amount.of(whole, Currencies.of(currency, "currency")),
            accountId == null
                ? Optional.empty()
                : taxRates.on(accountId, TaxChoices.of(taxRateId, untaxed, "taxRateId"), day),
            formats.formats()));
  }

  private static TypedAmountJson json(Typed<Amount> read) {
    return switch (read) {
      case Typed.Means<Amount>(Amount amount) ->
          new TypedAmountJson(MoneyJson.of(amount), null, List.of());
      case Typed.Unclear<Amount>(String question, List<Amount> choices) ->
          new TypedAmountJson(null, question, choices.stream().map(MoneyJson::of).toList());
      case Typed.Unreadable<Amount>(String reason) -> new TypedAmountJson(null, reason, List.of());
    };
  }

  /** Reads a time of the day as a person types it. */
  @GetMapping("/time")
  TypedTimeJson time(@RequestParam @Size(max = Texts.SHORT) String text) {
    return switch (TimeText.read(text)) {
      case Typed.Means<LocalTime>(LocalTime time) -> new TypedTimeJson(time, null);
      case Typed.Unclear<LocalTime>(String question, var choices) ->
          new TypedTimeJson(null, question);
      case Typed.Unreadable<LocalTime>(String reason) -> new TypedTimeJson(null, reason);
    };
  }

  /** A rate or a percentage. */
  @GetMapping("/number")
  TypedNumberJson number(@RequestParam @Size(max = Texts.SHORT) String text) {
    return switch (NumberText.read(text, formats.formats())) {
      case Typed.Means<BigDecimal>(BigDecimal number) ->
          new TypedNumberJson(number, null, List.of());
      case Typed.Unclear<BigDecimal>(String question, List<BigDecimal> choices) ->
          new TypedNumberJson(null, question, choices);
      case Typed.Unreadable<BigDecimal>(String reason) ->
          new TypedNumberJson(null, reason, List.of());
    };
  }
}
