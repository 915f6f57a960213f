package org.yewledger.app.reconcile;

import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** What the API says about statements. */
final class StatementJson {
  private StatementJson() {}

  /** A balance as typed from a statement. */
  record ClosingJson(@NotNull LocalDate closesOn, @NotNull BigDecimal closing) {}

  /** {@code opening} is what the statement says it opens with, where that was typed. */
  record NewStatementJson(
      @NotNull UUID accountId,
      @NotNull LocalDate closesOn,
      @NotNull BigDecimal closing,
      @Nullable BigDecimal opening) {}

  record TicksJson(@NotEmpty List<UUID> postingIds, boolean ticked) {}

  record StatementIdJson(UUID id) {}

  /**
   * An account in the list of what there is to reconcile.
   *
   * @param agreedThrough the last day agreed, null if none
   * @param agreedBalance the balance of that day, or the opening balance
   * @param statements the statements that are not finished
   */
  record AccountToReconcileJson(
      UUID accountId,
      String accountName,
      String tail,
      UUID bookId,
      String currency,
      @Nullable LocalDate agreedThrough,
      BigDecimal agreedBalance,
      LocalDate nextClosesOn,
      List<OpenStatementJson> statements) {}

  record OpenStatementJson(
      UUID id,
      LocalDate closesOn,
      BigDecimal closing,
      BigDecimal tickedBalance,
      BigDecimal difference,
      int ticked,
      int toTick,
      int agreedShare) {}

  /**
   * A posting that the statement may cover; {@code bankText} is null if no bank line confirms it.
   */
  record TickableJson(
      UUID postingId,
      UUID entryId,
      long entryNo,
      LocalDate date,
      String payee,
      String note,
      String otherSide,
      BigDecimal amount,
      @Nullable String bankText,
      boolean ticked,
      @Nullable BigDecimal balance) {}

  /** A bank line that the books do not have yet. */
  record UnpostedJson(UUID lineId, LocalDate date, String text, BigDecimal amount) {}

  /** Amounts of the equation: opening + in - out = ticked; closing - ticked = difference. */
  /**
   * What the statement says it opens with, where that is not what the books open with.
   *
   * @param first whether it is the account's first statement, so that the opening balance can be
   *     corrected
   * @param words what is wrong, and what may have happened
   */
  record OpeningApartJson(
      LocalDate balanceOn,
      BigDecimal books,
      BigDecimal statement,
      BigDecimal apart,
      boolean first,
      String words) {}

  record SheetJson(
      UUID id,
      int version,
      UUID accountId,
      String accountName,
      String tail,
      String currency,
      LocalDate closesOn,
      @Nullable LocalDate opensAfter,
      boolean finished,
      boolean fromFile,
      BigDecimal opening,
      BigDecimal in,
      BigDecimal out,
      BigDecimal tickedBalance,
      BigDecimal closing,
      BigDecimal difference,
      boolean agrees,
      int agreedShare,
      List<TickableJson> postings,
      List<UnpostedJson> unposted,
      BigDecimal unpostedSum,
      @Nullable OpeningApartJson openingApart) {}
}
