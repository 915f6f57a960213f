package org.yewledger.app.post;

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
import org.yewledger.app.journal.BookPostingsJson;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.gather.LineDetail;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.BetweenBooks;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.money.Amount;
import org.yewledger.core.post.Booking;
import org.yewledger.core.post.Reason;

/** What the API says about waiting lines. */
final class PostJson {
  private PostJson() {}

  record SumJson(String currency, BigDecimal amount) {}

  /**
   * The facts for a line's proposal by rule, and the entry that it would become.
   *
   * @param betweenBooks what moves between books, in words; empty where one book is touched
   * @param refusal why it cannot be booked so; the postings are missing then
   */
  record ProposalJson(
      UUID ruleId,
      int ruleNo,
      String words,
      String payee,
      UUID toAccountId,
      List<BookPostingsJson> books,
      String betweenBooks,
      @Nullable String refusal) {}

  /** A posting in the books that the line may be. */
  record AlternativeJson(
      UUID postingId, long entryNo, LocalDate date, String payee, long daysApart) {}

  /** What the bank says beside text, reference and kind. */
  record LineDetailJson(LineDetail detail, String text) {}

  record WaitingJson(
      UUID id,
      int version,
      UUID accountId,
      String accountName,
      UUID bookId,
      String currency,
      LocalDate bookedOn,
      @Nullable LocalDate valueOn,
      BigDecimal amount,
      String text,
      String payee,
      String memo,
      String reference,
      String type,
      long batchNo,
      String sourceName,
      int sourceLine,
      List<LineDetailJson> details,
      @Nullable ProposalJson proposal,
      List<AlternativeJson> alternatives) {}

  /** {@code count} may be more than the lines listed: the rest comes when these are done. */
  record StackJson(Reason reason, int count, List<SumJson> sums, List<WaitingJson> lines) {}

  record StacksJson(int count, List<SumJson> sums, int accounts, List<StackJson> stacks) {}

  /** {@code otherAmount}: on an account in another currency, what arrives or leaves there. */
  record PartJson(
      @NotNull UUID accountId,
      @NotNull BigDecimal amount,
      @Nullable @Size(max = Texts.NOTE) String note,
      @Nullable BigDecimal otherAmount) {

    Booking.Part toPart(Account bankAccount, Chart chart) {
      Account account = chart.account(accountId);
      return new Booking.Part(
          account,
          Amount.of(amount, bankAccount.currency()),
          note == null ? "" : note.strip(),
          otherAmount == null ? null : Amount.of(otherAmount, account.currency()));
    }
  }

  record BookingJson(
      @NotNull @Size(max = Texts.NAME) String payee,
      @Nullable @Size(max = Texts.NOTE) String note,
      @NotNull List<@NotNull @Valid PartJson> parts,
      @Nullable Boolean restToSuspense)
      implements PostService.Typed {
    @Override
    public List<UUID> accountIds() {
      return parts.stream().map(PartJson::accountId).toList();
    }

    @Override
    public Booking on(Account bankAccount, Chart chart) {
      return new Booking(
          payee.strip(),
          note == null ? "" : note.strip(),
          parts.stream().map(p -> p.toPart(bankAccount, chart)).toList(),
          Boolean.TRUE.equals(restToSuspense));
    }
  }

  record AcceptedJson(@NotNull UUID lineId, int version, @NotNull @Valid BookingJson booking) {}

  record AcceptedLinesJson(@NotEmpty List<@Valid AcceptedJson> lines) {}

  record PostedJson(List<Long> entryNos) {}

  record PairJson(int version, @NotNull UUID postingId) {}

  record TakeBackJson(@NotEmpty List<UUID> lineIds) {}

  /** An entry that is not booked yet. */
  record WouldBookJson(List<BookPostingsJson> books, String betweenBooks) {
    static WouldBookJson of(Entry entry) {
      return new WouldBookJson(
          BookPostingsJson.of(entry.postings()), BetweenBooks.inWords(entry.postings()));
    }
  }
}
