package org.yewledger.app.journal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Countering;
import org.yewledger.core.ledger.Draft;
import org.yewledger.core.ledger.Marks;
import org.yewledger.core.ledger.Method;
import org.yewledger.core.ledger.PostingTax;
import org.yewledger.core.money.Amount;
import org.yewledger.core.post.Reason;
import org.yewledger.core.reconcile.PostingState;

/** What the API says about entries and registers. */
final class JournalJson {
  private JournalJson() {}

  /** A posting as typed, in the account's own currency: debits above zero, credits below. */
  record DraftLineJson(
      @NotNull UUID accountId,
      @NotNull BigDecimal amount,
      @Nullable @Size(max = Texts.NOTE) String note,
      @Nullable UUID taxRateId,
      PostingTax.@Nullable Role taxRole) {
    Draft.Line toLine(Chart chart) {
      Account account = chart.account(accountId);
      return new Draft.Line(
          account, Amount.of(amount, account.currency()), note == null ? "" : note.strip(), tax());
    }

    private @Nullable PostingTax tax() {
      if ((taxRateId == null) != (taxRole == null)) {
        throw Refusal.ofField(
            "tax-half-said", "postings", "A posting has a tax rate and its part, or neither.");
      }
      return taxRateId == null || taxRole == null ? null : new PostingTax(taxRateId, taxRole);
    }
  }

  /**
   * An entry as typed over the one that is there.
   *
   * @param postings without those that the core adds between books
   */
  record DraftJson(
      int version,
      @NotNull LocalDate date,
      @NotNull @Size(max = Texts.NAME) String payee,
      @Nullable @Size(max = Texts.NOTE) String note,
      @Nullable @Size(max = Texts.NAME) String reference,
      @Nullable Method method,
      @Nullable @Size(max = 20) List<@NotNull @Size(max = 40) String> tags,
      @NotEmpty @Size(max = 500) List<@NotNull @Valid DraftLineJson> postings) {
    Draft toDraft(Chart chart) {
      return new Draft(
          date,
          payee,
          note == null ? "" : note,
          postings.stream().map(p -> p.toLine(chart)).toList(),
          Marks.of(reference == null ? "" : reference, method, tags == null ? List.of() : tags));
    }
  }

  /**
   * @param version of the entry that is taken back
   * @param date of a reversal; null for the entry's own day, as a void always is
   */
  record CounterJson(int version, @NotNull Countering how, @Nullable LocalDate date) {}

  record AgainJson(@NotNull LocalDate date) {}

  /**
   * Two entries that are one thing booked twice.
   *
   * @param version of the one that stays, as it was seen
   * @param goes the entry that goes into it
   */
  record MergeEntriesJson(int version, @NotNull UUID goes, int goesVersion) {}

  /**
   * @param version to be sent back when it is changed
   * @param amount what the entry moved, seen from the money: spent is negative, earned positive,
   *     moved between own accounts positive and marked as {@code transfer}
   * @param reason why it was booked so, where a bank line led to it; {@code ruleId} where that was
   *     a rule
   * @param countersId the entry that this one takes back
   * @param from where the money came from: an account, or how many
   * @param to where it went
   * @param betweenBooks what moves between books, in words; empty where one book is touched
   * @param tax the sales tax in it, whichever way it goes
   * @param state that of its least confirmed posting at a bank; null if it has none
   * @param atBank whether bank lines confirm it
   * @param attachments how many files are attached to it
   * @param servesFrom the first month that it serves, {@code servesTo} the last, where they are not
   *     just its own
   */
  record EntryJson(
      UUID id,
      int version,
      long no,
      LocalDate date,
      UUID payeeId,
      String payee,
      String note,
      String reference,
      @Nullable Method method,
      List<String> tags,
      @Nullable Reason reason,
      @Nullable UUID ruleId,
      @Nullable UUID countersId,
      @Nullable Countering counters,
      BigDecimal amount,
      boolean transfer,
      String currency,
      String from,
      String to,
      @Nullable BigDecimal tax,
      @Nullable PostingState state,
      boolean atBank,
      int attachments,
      @Nullable YearMonth servesFrom,
      @Nullable YearMonth servesTo,
      List<BookPostingsJson> books,
      String betweenBooks) {}

  /** A page of the journal; {@code next} leads on, null at the end. */
  record JournalPageJson(List<EntryJson> entries, @Nullable String next) {}

  /**
   * What entries come to, in one currency.
   *
   * @param in what came in; {@code out} what went out, below zero; transfers are in neither
   */
  record MovedJson(String currency, long count, BigDecimal in, BigDecimal out, long transfers) {
    static MovedJson of(EntrySearch.Moved moved) {
      CurrencyUnit currency = CurrencyUnit.of(moved.currency());
      return new MovedJson(
          moved.currency(),
          moved.count(),
          Amount.ofMinor(moved.in(), currency).decimal(),
          Amount.ofMinor(moved.out(), currency).decimal(),
          moved.transfers());
    }
  }

  record RegisterRowJson(
      UUID postingId,
      UUID entryId,
      long entryNo,
      LocalDate date,
      String payee,
      String note,
      String otherSide,
      @Nullable BigDecimal out,
      @Nullable BigDecimal in,
      BigDecimal balance,
      PostingState state,
      @Nullable LocalDate statementOn) {}

  /** What postings of a register come to; {@code out} is above zero. */
  record RegisterTotalsJson(long count, BigDecimal in, BigDecimal out) {}

  record RegisterJson(
      UUID accountId,
      String accountName,
      String tail,
      UUID bookId,
      String bookName,
      String currency,
      BigDecimal balance,
      @Nullable LocalDate agreedThrough,
      List<RegisterRowJson> rows,
      @Nullable String next) {}
}
