package org.yewledger.app.reconcile;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.money.Amount;
import org.yewledger.core.reconcile.StatementFigures;
import org.yewledger.formats.table.AgreementTable.AgreedRow;
import tools.jackson.databind.json.JsonMapper;

/** What the API says about statements. */
final class StatementJson {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  private StatementJson() {}

  /** A balance as typed from a statement. */
  record ClosingJson(@NotNull LocalDate closesOn, @NotNull BigDecimal closing) {}

  /**
   * @param opening what the statement says it opens with, where that was typed
   * @param in what it says it brings in, where that was typed; {@code out} likewise, without a sign
   */
  record NewStatementJson(
      @NotNull UUID accountId,
      @NotNull LocalDate closesOn,
      @NotNull BigDecimal closing,
      @Nullable BigDecimal opening,
      @Nullable @PositiveOrZero BigDecimal in,
      @Nullable @PositiveOrZero BigDecimal out) {
    StatementFigures says(CurrencyUnit currency) {
      return new StatementFigures(
          amount(opening, currency), amount(in, currency), amount(out, currency));
    }

    private static @Nullable Amount amount(@Nullable BigDecimal amount, CurrencyUnit currency) {
      return amount == null ? null : Amount.of(amount, currency);
    }
  }

  /** So many pieces of one denomination. */
  record PiecesJson(@NotNull BigDecimal of, int count) {}

  /**
   * Cash as it was counted.
   *
   * @param pieces what was counted piece by piece; without them the sum is told
   */
  record CashCountJson(
      @NotNull UUID accountId,
      @NotNull LocalDate countedOn,
      @Nullable @Size(max = 30) List<@NotNull @Valid PiecesJson> pieces,
      @Nullable @PositiveOrZero BigDecimal total) {}

  /**
   * What nothing explains.
   *
   * @param difference as the person saw it
   */
  record LastResortJson(@NotNull BigDecimal difference) {}

  record TicksJson(@NotEmpty List<UUID> postingIds, boolean ticked) {}

  /**
   * A posting as ticking left it; {@code balance} is that of the ticked down to it, if it is one.
   */
  record TickJson(UUID postingId, boolean ticked, @Nullable BigDecimal balance) {}

  /**
   * What ticking changed of a sheet.
   *
   * @param postings those that were ticked or unticked, and all that are ticked with their balances
   */
  record TickedJson(
      int version,
      ProofJson proof,
      BigDecimal tickedBalance,
      BigDecimal difference,
      boolean agrees,
      int agreedShare,
      List<TickJson> postings) {}

  record StatementIdJson(UUID id) {}

  /**
   * @param because why it is opened again
   */
  record ReopenStatementJson(@NotNull String because) {}

  /**
   * An account in the list of what there is to reconcile.
   *
   * @param agreedThrough the last day agreed, null if none
   * @param agreedBalance the balance of that day, or the opening balance
   * @param statements the statements that are not finished
   * @param counted whether it is cash, which is counted
   * @param denominations the pieces of its currency, the largest first; none where it is not
   *     counted or they are not known
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
      List<OpenStatementJson> statements,
      boolean counted,
      List<BigDecimal> denominations) {}

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
   *
   * @param setAside the name of the set-aside that it is in; null on the account itself
   */
  record TickableJson(
      UUID postingId,
      @Nullable String setAside,
      UUID entryId,
      long entryNo,
      LocalDate date,
      String payee,
      String note,
      String reference,
      BigDecimal amount,
      @Nullable String bankText,
      boolean ticked,
      @Nullable BigDecimal balance) {}

  /** A bank line that the books do not have yet. */
  record UnpostedJson(UUID lineId, LocalDate date, String text, BigDecimal amount) {}

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

  /**
   * A posting as it was when it was agreed.
   *
   * @param adjustment whether its entry only made both agree, since nothing explained what was
   *     apart
   */
  record AgreedPostingJson(
      UUID postingId,
      long entryNo,
      LocalDate date,
      String payee,
      BigDecimal amount,
      boolean adjustment) {
    AgreedRow row(String state) {
      return new AgreedRow(
          date.toString(), Long.toString(entryNo), payee, amount.toPlainString(), state);
    }
  }

  /**
   * @param postings those that were agreed
   * @param stillOpen those up to the closing day that stayed open; not known of statements that
   *     were finished before this was kept
   * @param agreedBy the name of who agreed it
   */
  record AgreementJson(
      Instant agreedAt,
      String agreedBy,
      BigDecimal opening,
      BigDecimal in,
      BigDecimal out,
      BigDecimal closing,
      List<AgreedPostingJson> postings,
      List<AgreedPostingJson> stillOpen) {
    private record Kept(
        int form,
        long opening,
        long in,
        long out,
        long closing,
        List<AgreedPosting> postings,
        List<AgreedPosting> stillOpen) {}

    /** From the form in which {@link Agreements} keeps it. */
    static AgreementJson of(Agreements.Agreed agreed, CurrencyUnit currency) {
      Kept kept = JSON.readValue(agreed.kept(), Kept.class);
      return new AgreementJson(
          agreed.at(),
          agreed.who(),
          Amount.ofMinor(kept.opening(), currency).decimal(),
          Amount.ofMinor(kept.in(), currency).decimal(),
          Amount.ofMinor(kept.out(), currency).decimal(),
          Amount.ofMinor(kept.closing(), currency).decimal(),
          kept.postings().stream().map(p -> p.shown(currency)).toList(),
          kept.stillOpen().stream().map(p -> p.shown(currency)).toList());
    }
  }

  /** A posting as it was agreed, in the form in which {@link Agreements} keeps it. */
  record AgreedPosting(
      UUID postingId,
      long entryNo,
      LocalDate date,
      String payee,
      long amountMinor,
      @Nullable Boolean adjustment) {
    private AgreedPostingJson shown(CurrencyUnit currency) {
      return new AgreedPostingJson(
          postingId,
          entryNo,
          date,
          payee,
          Amount.ofMinor(amountMinor, currency).decimal(),
          Boolean.TRUE.equals(adjustment));
    }
  }

  /**
   * What history keeps of an agreement that was opened again.
   *
   * @param closing in minor units
   */
  record AgreedBefore(long closing, List<AgreedPosting> postings) {
    static AgreedBefore of(String kept) {
      return JSON.readValue(kept, AgreedBefore.class);
    }
  }

  /** A statement to be ticked off, with its proof. */
  record SheetJson(
      UUID id,
      int version,
      UUID accountId,
      UUID bookId,
      String accountName,
      String tail,
      String currency,
      LocalDate closesOn,
      @Nullable LocalDate opensAfter,
      boolean finished,
      boolean fromFile,
      boolean cash,
      List<PiecesJson> counted,
      ProofJson proof,
      BigDecimal opening,
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
