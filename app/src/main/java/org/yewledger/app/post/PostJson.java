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
import org.yewledger.app.chart.TaxChoices;
import org.yewledger.app.journal.BookPostingsJson;
import org.yewledger.app.journal.PartJson;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.gather.LineDetail;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.BetweenBooks;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Marks;
import org.yewledger.core.money.Amount;
import org.yewledger.core.post.Booking;
import org.yewledger.core.post.Evidence;
import org.yewledger.core.post.Reason;
import org.yewledger.core.schedule.Schedule;

/** What the API says about waiting lines. */
final class PostJson {
  private PostJson() {}

  record SumJson(String currency, BigDecimal amount) {}

  /**
   * The rule that fits.
   *
   * @param told which of the texts that it looks for stand in the line; all it looks for if none
   * @param atRateOfTheDay whether what arrives in another currency is worked out, to be corrected
   */
  record RuleFitsJson(UUID ruleId, int ruleNo, String told, boolean atRateOfTheDay) {}

  /**
   * The posting that the line is already.
   *
   * @param sharedWords what the bank's text and the entry both say
   * @param rivalled whether another one is as likely to be it
   */
  record StandsInTheBooksJson(
      UUID postingId,
      UUID entryId,
      long entryNo,
      LocalDate date,
      String payee,
      long daysApart,
      List<String> sharedWords,
      boolean rivalled) {}

  /** An entry that a line may be, with the posting that the line would confirm. */
  record KnownEntryJson(
      UUID postingId,
      UUID entryId,
      long entryNo,
      LocalDate date,
      String payee,
      BigDecimal amount) {}

  /**
   * An entry that a line may be, as a person finds it.
   *
   * @param beyond what the line moves beyond it, with the line's sign; zero where both say the same
   */
  record OpenEntryJson(KnownEntryJson entry, BigDecimal beyond) {}

  /** Entries that add up to the line. */
  record SeveralJson(List<KnownEntryJson> entries, List<String> sharedWords, boolean rivalled) {}

  /** A waiting line that is part of the same entry. */
  record PartLineJson(UUID lineId, int version, LocalDate bookedOn, BigDecimal amount) {}

  /** The entry that the line and others add up to. */
  record PartOfJson(KnownEntryJson entry, List<PartLineJson> others, boolean rivalled) {}

  /**
   * An entry that the line is but for a little.
   *
   * @param difference what the line moves beyond it, with the line's sign
   */
  record NearlyJson(
      KnownEntryJson entry, BigDecimal difference, long daysApart, List<String> sharedWords) {}

  /**
   * The waiting line that is the other half of the transfer.
   *
   * @param version that of its state, to be sent back when posting
   * @param named whether the text of one line names the account of the other
   * @param rivalled whether another one is as likely to be the other half
   */
  record OtherHalfJson(
      UUID lineId,
      int version,
      String accountName,
      LocalDate bookedOn,
      BigDecimal amount,
      String currency,
      long daysApart,
      boolean named,
      boolean rivalled) {}

  /**
   * That the payee was booked so before.
   *
   * @param always whether all that were looked at show it
   * @param likeTexts where the line's text is new: those of the payee that begin alike
   */
  record BookedBeforeJson(List<PastEntryJson> entries, boolean always, List<String> likeTexts) {
    static BookedBeforeJson of(Evidence.BookedBefore before) {
      return new BookedBeforeJson(
          before.entries().stream().map(e -> new PastEntryJson(e.id(), e.no(), e.date())).toList(),
          before.always(),
          before.likeTexts());
    }
  }

  /**
   * That an item of a schedule is expected about now.
   *
   * @param due the day that it is due on
   * @param usual the amount that comes as a rule
   * @param daysApart by how many days the line is after it, below zero if before
   * @param named whether the line's text tells its payee
   * @param expected whether the amount is one that is expected
   * @param rivalled whether another item, or another line, is as likely
   */
  record IsDueJson(
      UUID scheduleId,
      String payee,
      String inWords,
      LocalDate due,
      BigDecimal usual,
      int daysApart,
      boolean named,
      boolean expected,
      boolean rivalled) {
    static IsDueJson of(Evidence.IsDue is) {
      Schedule schedule = is.item().schedule();
      return new IsDueJson(
          schedule.id(),
          schedule.payee(),
          schedule.inWords(),
          is.item().due(),
          schedule.whole().decimal(),
          is.daysApart(),
          is.named(),
          is.expected(),
          is.rivalled());
    }
  }

  record PastEntryJson(UUID entryId, long entryNo, LocalDate date) {}

  /**
   * What is suggested for a line, and why: exactly one of the facts is there.
   *
   * @param sure whether nothing else is as likely, by what is known
   * @param parts how it would be booked; none where it stands in the books already
   * @param books the entry that it would become
   * @param betweenBooks what moves between books, in words; empty where one book is touched
   * @param refusal why it cannot be booked so; the entry is missing then
   */
  record ProposalJson(
      boolean sure,
      String payee,
      String note,
      List<String> tags,
      List<ProposedPartJson> parts,
      List<BookPostingsJson> books,
      String betweenBooks,
      @Nullable String refusal,
      @Nullable RuleFitsJson rule,
      @Nullable StandsInTheBooksJson standing,
      @Nullable SeveralJson several,
      @Nullable PartOfJson part,
      @Nullable NearlyJson nearly,
      @Nullable OtherHalfJson half,
      @Nullable BookedBeforeJson before,
      @Nullable IsDueJson due) {}

  record ProposedPartJson(
      UUID accountId,
      BigDecimal amount,
      @Nullable BigDecimal otherAmount,
      @Nullable UUID taxRateId,
      @Nullable Boolean untaxed) {
    static ProposedPartJson of(Booking.Part part) {
      Amount other = part.other();
      return new ProposedPartJson(
          part.account().id(),
          part.amount().decimal(),
          other == null ? null : other.decimal(),
          part.tax().rateId(),
          TaxChoices.untaxed(part.tax()));
    }
  }

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
