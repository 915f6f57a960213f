package org.yewledger.app.post;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.journal.BookPostingsJson;
import org.yewledger.app.journal.PartJson;
import org.yewledger.app.platform.Texts;
import org.yewledger.app.post.ProposalsJson.KnownEntryJson;
import org.yewledger.app.post.ProposalsJson.ProposalJson;
import org.yewledger.core.gather.LineDetail;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.BetweenBooks;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Marks;
import org.yewledger.core.post.Booking;
import org.yewledger.core.post.Reason;

/** What the API says about waiting lines. */
final class PostJson {
  private PostJson() {}

  record SumJson(String currency, BigDecimal amount) {}

  /**
   * An entry that a line may be, as a person finds it.
   *
   * @param beyond what the line moves beyond it, with the line's sign; zero where both say the same
   */
  record OpenEntryJson(KnownEntryJson entry, BigDecimal beyond) {}

  /** A posting in the books that the line may be. */
  record AlternativeJson(
      UUID postingId, long entryNo, LocalDate date, String payee, long daysApart) {}

  /** What the bank says beside text, reference and kind. */
  record LineDetailJson(LineDetail detail, String text) {}

  /**
   * @param alike the same for lines that look alike
   * @param name its payee as far as the text tells, or a name to begin with
   */
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
      String alike,
      String name,
      long batchNo,
      String sourceName,
      int sourceLine,
      List<LineDetailJson> details,
      @Nullable ProposalJson proposal,
      List<AlternativeJson> alternatives) {}

  /**
   * @param count of all its lines, of which one page is listed
   * @param page which one, from 1 on
   */
  record StackJson(
      Reason reason, int count, List<SumJson> sums, int page, int pages, List<WaitingJson> lines) {}

  /**
   * @param sure lines whose proposal can be taken without a second look
   * @param likely lines with another proposal; the rest is to be answered
   */
  record StacksJson(
      int count, int sure, int likely, List<SumJson> sums, int accounts, List<StackJson> stacks) {}

  record BookingJson(
      @NotNull @Size(max = Texts.NAME) String payee,
      @Nullable @Size(max = Texts.NOTE) String note,
      @NotNull List<@NotNull @Valid PartJson> parts,
      @Nullable Boolean restToSuspense,
      @Nullable @Size(max = 20) List<@NotNull String> tags)
      implements Accepted.Typed {
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
          Boolean.TRUE.equals(restToSuspense),
          Marks.of("", null, tags == null ? List.of() : tags));
    }
  }

  /** The other half of a transfer, which is posted with the first. */
  record TwinJson(@NotNull UUID lineId, int version) {
    Accepted.Half toHalf() {
      return new Accepted.Half(lineId, version);
    }
  }

  /**
   * What a line is in the books already.
   *
   * @param postingIds one, or several that add up to the line
   * @param withLines the other lines that add up with it to the one posting
   * @param differenceTo where what the line moves beyond the one posting is booked
   */
  record KnownJson(
      @NotNull @Size(min = 1, max = 5) List<@NotNull UUID> postingIds,
      @Nullable @Size(max = 4) List<@NotNull @Valid TwinJson> withLines,
      @Nullable UUID differenceTo) {
    Accepted.Known toKnown() {
      return new Accepted.Known(
          postingIds,
          withLines == null ? List.of() : withLines.stream().map(TwinJson::toHalf).toList(),
          differenceTo);
    }
  }

  /** A line as the person accepts it: booked, alone or with its other half, or known. */
  record AcceptedJson(
      @NotNull UUID lineId,
      int version,
      @Nullable @Valid BookingJson booking,
      @Nullable @Valid TwinJson twin,
      @Nullable @Valid KnownJson known) {
    Accepted toAccepted() {
      return new Accepted(
          lineId,
          version,
          booking,
          twin == null ? null : twin.toHalf(),
          known == null ? null : known.toKnown());
    }
  }

  /**
   * @param someMayStay true if what cannot be posted stays, and the others are posted
   */
  record AcceptedLinesJson(
      @NotEmpty List<@Valid AcceptedJson> lines, @Nullable Boolean someMayStay) {}

  /**
   * @param entryNos of the entries that were made
   * @param knownNos of those that stood in the books already
   * @param stayed the lines that could not be posted
   */
  record PostedJson(List<Long> entryNos, List<Long> knownNos, List<StayedJson> stayed) {}

  /**
   * @param why in words for the person
   */
  record StayedJson(UUID lineId, String why) {}

  /** A line that a trusted rule has posted. */
  record TrustedLineJson(
      UUID lineId,
      UUID entryId,
      long entryNo,
      LocalDate date,
      String payee,
      String accountName,
      BigDecimal amount,
      String currency,
      @Nullable UUID ruleId) {}

  /** What trusted rules have posted when lines arrived; one act, undone as a whole. */
  record TrustedPostJson(UUID actId, Instant at, List<TrustedLineJson> lines) {}

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
