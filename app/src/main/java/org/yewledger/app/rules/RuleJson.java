package org.yewledger.app.rules;

import com.fasterxml.jackson.annotation.JsonInclude;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.chart.TaxChoices;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.Refusal;
import org.yewledger.core.rules.Condition;
import org.yewledger.core.rules.Division;
import org.yewledger.core.rules.Rule;
import org.yewledger.core.rules.TextMatch;
import org.yewledger.core.rules.TextPlace;
import org.yewledger.core.tax.TaxChoice;

/** What the API says about rules, and how they are stored. */
final class RuleJson {
  /** Stands for an account that is still to be chosen; there is none of this identity. */
  static final UUID NOT_SAID = new UUID(0, 0);

  private RuleJson() {}

  enum Kind {
    ALL,
    ANY,
    TEXT,
    WAY,
    AMOUNT,
    ON,
    DAYS
  }

  /**
   * A condition; which of the fields say something follows from its kind.
   *
   * @param parts of ALL and ANY
   * @param text what the text of TEXT is compared with
   * @param from the least amount of AMOUNT, without sign; null for whatever little
   * @param accountIds of ON
   * @param firstDay of DAYS, the day of the month
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record ConditionJson(
      @NotNull Kind kind,
      @Nullable @Size(max = Condition.MOST) List<@NotNull @Valid ConditionJson> parts,
      @Nullable TextPlace place,
      @Nullable TextMatch match,
      @Nullable @Size(max = Texts.NAME) String text,
      Condition.@Nullable Direction direction,
      @Nullable BigDecimal from,
      @Nullable BigDecimal to,
      @Nullable List<@NotNull UUID> accountIds,
      @Nullable Integer firstDay,
      @Nullable Integer lastDay) {

    static ConditionJson of(Condition when) {
      return switch (when) {
        case Condition.All(var parts) -> group(Kind.ALL, parts);
        case Condition.Any(var parts) -> group(Kind.ANY, parts);
        case Condition.Text text ->
            new ConditionJson(
                Kind.TEXT,
                null,
                text.place(),
                text.match(),
                text.what(),
                null,
                null,
                null,
                null,
                null,
                null);
        case Condition.Way(var direction) ->
            new ConditionJson(
                Kind.WAY, null, null, null, null, direction, null, null, null, null, null);
        case Condition.AmountIs(var from, var to) ->
            new ConditionJson(
                Kind.AMOUNT, null, null, null, null, null, from, to, null, null, null);
        case Condition.On(var accounts) ->
            new ConditionJson(
                Kind.ON,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                accounts.stream().sorted().toList(),
                null,
                null);
        case Condition.Days(int from, int to) ->
            new ConditionJson(Kind.DAYS, null, null, null, null, null, null, null, null, from, to);
      };
    }

    private static ConditionJson group(Kind kind, List<Condition> parts) {
      return new ConditionJson(
          kind,
          parts.stream().map(ConditionJson::of).toList(),
          null,
          null,
          null,
          null,
          null,
          null,
          null,
          null,
          null);
    }

    /**
     * @param at the path of this condition, by which a refusal names its field
     */
    Condition toCondition(String at) {
      try {
        return switch (kind) {
          case ALL -> new Condition.All(conditions(at));
          case ANY -> new Condition.Any(conditions(at));
          case TEXT ->
              Condition.Text.of(
                  said(place, at, "place"), said(match, at, "match"), said(text, at, "text"));
          case WAY -> new Condition.Way(said(direction, at, "direction"));
          case AMOUNT -> new Condition.AmountIs(from, to);
          case ON -> new Condition.On(Set.copyOf(said(accountIds, at, "accountIds")));
          case DAYS ->
              new Condition.Days(said(firstDay, at, "firstDay"), said(lastDay, at, "lastDay"));
        };
      } catch (Refusal e) {
        String field = e.field();
        throw field == null || field.startsWith("when")
            ? e
            : Refusal.ofField(e.code(), at + '.' + field, e.getMessage());
      }
    }

    private List<Condition> conditions(String at) {
      var all = new ArrayList<Condition>();
      List<ConditionJson> given = said(parts, at, "parts");
      for (int i = 0; i < given.size(); i++) {
        all.add(given.get(i).toCondition(at + ".parts." + i));
      }
      return all;
    }

    private static <T> T said(@Nullable T value, String at, String field) {
      if (value == null) {
        throw Refusal.ofField(
            "condition-unfinished", at + '.' + field, "Finish this condition, or take it out.");
      }
      return value;
    }
  }

  /** A part of what is booked: a fixed amount, or a percentage of what these leave, or the rest. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record ShareJson(
      @NotNull UUID accountId,
      @Nullable BigDecimal fixed,
      @Nullable BigDecimal percent,
      @Nullable UUID taxRateId,
      @Nullable Boolean untaxed) {
    private static ShareJson of(
        UUID accountId, @Nullable BigDecimal fixed, @Nullable BigDecimal percent, TaxChoice tax) {
      return new ShareJson(accountId, fixed, percent, tax.rateId(), TaxChoices.untaxed(tax));
    }

    static ShareJson of(Division.Share share) {
      return switch (share.size()) {
        case Division.Fixed(BigDecimal amount) -> of(share.accountId(), amount, null, share.tax());
        case Division.Percent(BigDecimal percent) ->
            of(share.accountId(), null, percent, share.tax());
        case Division.Rest() -> of(share.accountId(), null, null, share.tax());
      };
    }

    Division.Share toShare() {
      if (fixed != null && percent != null) {
        throw Refusal.ofField(
            "rest-to-one", "shares", "A part is an amount or a percentage, not both.");
      }
      return new Division.Share(
          accountId,
          fixed != null
              ? new Division.Fixed(fixed)
              : percent != null ? new Division.Percent(percent) : new Division.Rest(),
          TaxChoices.of(taxRateId, untaxed, "shares"));
    }

    static Division division(List<ShareJson> shares) {
      return new Division(shares.stream().map(ShareJson::toShare).toList());
    }
  }

  /**
   * A rule as the person writes it.
   *
   * @param payee empty to keep the name that is known
   * @param trustedUpTo up to which amount it posts by itself; null if it waits for the person
   */
  record RuleDraftJson(
      @NotNull UUID bookId,
      @NotNull @Valid ConditionJson when,
      @NotNull @Size(max = Texts.NAME) String payee,
      @NotNull @Size(max = 20) List<@NotNull @Valid ShareJson> shares,
      @NotNull @Size(max = 20) List<@NotNull String> tags,
      @NotNull @Size(max = Texts.NOTE) String note,
      boolean on,
      @Nullable BigDecimal trustedUpTo) {

    static RuleDraftJson of(Rule rule) {
      return new RuleDraftJson(
          rule.bookId(),
          ConditionJson.of(rule.when()),
          rule.then().payee(),
          rule.then().division().shares().stream().map(ShareJson::of).toList(),
          rule.then().tags(),
          rule.then().note(),
          rule.isOn(),
          rule.trustedUpTo());
    }

    /**
     * The same where it is not said yet what is booked: what it looks for can be tried all the
     * same.
     */
    RuleDraftJson orNowhere() {
      return shares.isEmpty()
          ? new RuleDraftJson(
              bookId,
              when,
              payee,
              List.of(ShareJson.of(NOT_SAID, null, null, TaxChoice.AS_USUAL)),
              tags,
              note,
              on,
              trustedUpTo)
          : this;
    }

    Rule toRule(UUID id) {
      Condition condition = when.toCondition("when");
      return new Rule(
          id,
          bookId,
          Condition.parts(condition).isEmpty() ? new Condition.All(List.of(condition)) : condition,
          new Rule.Then(payee, ShareJson.division(shares), tags, note),
          on,
          trustedUpTo);
    }
  }

  /**
   * A rule that is kept.
   *
   * @param told its conditions in words
   * @param quiet the closed account for which it is not tried; empty if it is
   * @param waiting how many of the waiting lines it decides
   */
  record KeptRuleJson(
      UUID id, int version, int no, RuleDraftJson rule, String told, String quiet, int waiting) {}

  /** What to begin a rule with, from bank lines that look alike. */
  record BeginningJson(
      UUID bookId, String words, Condition.@Nullable Direction direction, String payee) {}

  record MoveJson(int no) {}

  record CopyRuleJson(@NotNull UUID bookId) {}

  /** Bank lines to begin a rule with. */
  record LinesJson(@NotNull @Size(min = 1, max = 500) List<@NotNull UUID> lineIds) {}

  /**
   * A rule to be tried.
   *
   * @param draft it may say nothing yet of what is booked: then nothing agrees or differs
   * @param ruleId the rule that it is a change of, in whose place it is tried; null if it is new
   */
  record TrialOfJson(@NotNull @Valid RuleDraftJson draft, @Nullable UUID ruleId) {}
}
