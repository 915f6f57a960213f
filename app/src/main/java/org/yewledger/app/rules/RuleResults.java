package org.yewledger.app.rules;

import com.fasterxml.jackson.annotation.JsonInclude;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.rules.Condition;
import org.yewledger.core.rules.Trial;

/** What the API says of what comes of rules: trials, reviews, and entries to be changed. */
final class RuleResults {
  private RuleResults() {}

  /**
   * A line that a rule catches.
   *
   * @param bookedTo the names of the accounts that it went to; empty while it waits
   */
  record CaughtJson(
      UUID lineId,
      Trial.Standing standing,
      LocalDate date,
      String accountName,
      String text,
      BigDecimal amount,
      String currency,
      List<String> bookedTo,
      @Nullable UUID entryId,
      @Nullable Long entryNo) {}

  /**
   * What a rule would have caught since a day.
   *
   * @param takenEarlier how many more it fits that an earlier rule takes
   * @param lines the newest of each standing
   */
  record TrialJson(
      LocalDate since,
      int caught,
      int agreeing,
      int differing,
      int waiting,
      int takenEarlier,
      List<CaughtJson> lines) {}

  /** Something to be said of a rule: exactly one of the facts is there. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record WarningJson(
      @NotNull WarningKind kind,
      @Nullable UUID byRuleId,
      @Nullable Boolean proved,
      @Nullable Integer lines,
      @Nullable Integer of,
      @Nullable String accountName) {}

  enum WarningKind {
    NEVER_FIRES,
    BOOKED_ELSEWHERE,
    BOTH_WAYS,
    IDLE,
    QUIET
  }

  /**
   * What came of a rule in the last twelve months.
   *
   * @param fits how many lines it fits
   * @param decides how many of them no earlier rule takes
   * @param fired how many entries it booked
   * @param byMonth of these, by month, the oldest first
   * @param lastFired the day of the last one, however long ago
   */
  record ResultJson(
      UUID ruleId,
      int fits,
      int decides,
      int fired,
      List<Integer> byMonth,
      @Nullable LocalDate lastFired,
      List<WarningJson> warnings) {}

  /** A rule that could be made of how lines were booked by hand, and the newest of them. */
  record SuggestedJson(
      String words,
      Condition.Direction direction,
      UUID bookId,
      UUID accountId,
      String accountName,
      String payee,
      int lines,
      List<CaughtJson> newest) {}

  record ReviewJson(LocalDate since, List<ResultJson> results, List<SuggestedJson> suggested) {}

  /**
   * An entry that would become what a rule says.
   *
   * @param stays why it stays as it is; empty if it changes
   */
  record ApplicableJson(
      UUID entryId,
      int version,
      long entryNo,
      LocalDate date,
      String payee,
      BigDecimal amount,
      String currency,
      List<String> from,
      List<String> to,
      String stays) {}

  record ApplyJson(
      @NotNull @Size(min = 1, max = 5_000) List<@NotNull @Valid EntryToChangeJson> entries) {}

  /** {@code version} is what the person saw. */
  record EntryToChangeJson(@NotNull UUID entryId, int version) {}

  record AppliedJson(int changed) {}
}
