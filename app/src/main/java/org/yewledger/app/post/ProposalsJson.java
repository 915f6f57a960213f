package org.yewledger.app.post;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.chart.TaxChoices;
import org.yewledger.app.journal.BookPostingsJson;
import org.yewledger.core.money.Amount;
import org.yewledger.core.post.Booking;
import org.yewledger.core.post.Evidence;
import org.yewledger.core.schedule.Schedule;

/** What the API says of proposals: what is suggested for a line, and the facts behind it. */
final class ProposalsJson {
  private ProposalsJson() {}

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
}
