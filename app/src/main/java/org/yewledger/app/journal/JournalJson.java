package org.yewledger.app.journal;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.reconcile.PostingState;

/** What the API says about entries and registers. */
final class JournalJson {
  private JournalJson() {}

  /**
   * @param amount what the entry moved, seen from the money: spent is negative, earned positive,
   *     moved between own accounts positive and marked as {@code transfer}
   * @param from where the money came from: an account, or how many
   * @param to where it went
   * @param betweenBooks what moves between books, in words; empty where one book is touched
   * @param state that of its least confirmed posting at a bank
   */
  record EntryJson(
      UUID id,
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

  /** A page of the journal; {@code next} leads on to older entries, null at the end. */
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
