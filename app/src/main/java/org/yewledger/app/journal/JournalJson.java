package org.yewledger.app.journal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Draft;
import org.yewledger.core.money.Amounts;
import org.yewledger.core.reconcile.PostingState;

/** What the API says about entries and registers. */
final class JournalJson {
  private JournalJson() {}

  /** A posting as typed, in the account's own currency: debits above zero, credits below. */
  record DraftLineJson(
      @NotNull UUID accountId,
      @NotNull BigDecimal amount,
      @Nullable @Size(max = Texts.NOTE) String note) {
    Draft.Line toLine(Chart chart) {
      Account account = chart.account(accountId);
      return new Draft.Line(
          account, Amounts.toMinor(amount, account.currency()), note == null ? "" : note.strip());
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
      @NotEmpty @Size(max = 500) List<@NotNull @Valid DraftLineJson> postings) {
    Draft toDraft(Chart chart) {
      return new Draft(
          date,
          payee,
          note == null ? "" : note,
          postings.stream().map(p -> p.toLine(chart)).toList());
    }
  }

  /**
   * @param version to be sent back when it is changed
   * @param amount what the entry moved, seen from the money: spent is negative, earned positive,
   *     moved between own accounts positive and marked as {@code transfer}
   * @param from where the money came from: an account, or how many
   * @param to where it went
   * @param betweenBooks what moves between books, in words; empty where one book is touched
   * @param state that of its least confirmed posting at a bank
   */
  record EntryJson(
      UUID id,
      int version,
      long no,
      LocalDate date,
      String payee,
      String note,
      BigDecimal amount,
      boolean transfer,
      String currency,
      String from,
      String to,
      PostingState state,
      List<BookPostingsJson> books,
      String betweenBooks) {}

  /**
   * A page of the journal; {@code next} leads on to older entries, null at the end. {@code count}
   * goes up to 10,000; one more says that there are more.
   */
  record JournalPageJson(List<EntryJson> entries, int count, @Nullable String next) {}

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
