package org.yewledger.app.gather;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.bankline.BatchEntity;
import org.yewledger.core.gather.LineSource;

/** What the API says about batches, doubts and what is here. */
final class GatherJson {
  private GatherJson() {}

  /**
   * The account that the lines of a number in the file go to.
   *
   * @param discrepanciesSeen whether the lines are taken although figures of the file do not come
   *     out
   */
  record FileChoiceJson(
      String accountNumber,
      UUID accountId,
      boolean makeStatement,
      @Nullable Boolean discrepanciesSeen) {
    GatherService.Choice toChoice() {
      return new GatherService.Choice(
          accountNumber, accountId, makeStatement, Boolean.TRUE.equals(discrepanciesSeen));
    }
  }

  record TakenInJson(
      UUID batchId,
      long no,
      UUID accountId,
      int newLines,
      int knownLines,
      int doubtfulLines,
      @Nullable UUID statementId) {
    static TakenInJson of(GatherService.TakenIn taken) {
      BatchEntity batch = taken.batch();
      return new TakenInJson(
          batch.id(),
          batch.no(),
          batch.accountId(),
          batch.newLines(),
          batch.knownLines(),
          batch.doubtfulLines(),
          taken.statementId());
    }
  }

  record LeftLineJson(LocalDate bookedOn, String text, String why) {}

  /**
   * @param statementToo whether the statement that the batch made went with it
   */
  record BatchTakenBackJson(long no, int taken, List<LeftLineJson> left, boolean statementToo) {
    static BatchTakenBackJson of(BatchService.TakenBack taken) {
      return new BatchTakenBackJson(
          taken.batch().no(),
          taken.taken(),
          taken.left().stream()
              .map(
                  l -> new LeftLineJson(l.line().bookedOn(), l.line().toBankLine().text(), l.why()))
              .toList(),
          taken.statementToo());
    }
  }

  record DecisionJson(DoubtService.Decision decision) {}

  /**
   * @param bookedAsNo the number of the entry that the line became, null if it is not posted
   */
  record DoubtSideJson(
      UUID lineId,
      long batchNo,
      LineSource source,
      String sourceName,
      int sourceLine,
      LocalDate bookedOn,
      @Nullable LocalDate valueOn,
      String text,
      String reference,
      @Nullable Long bookedAsNo,
      @Nullable String bookedAsPayee) {}

  record DoubtJson(
      UUID lineId,
      UUID accountId,
      String accountName,
      String tail,
      String currency,
      BigDecimal amount,
      DoubtSideJson arrived,
      DoubtSideJson here,
      int daysApart,
      boolean sameReference,
      List<String> wordsInBoth) {}

  /**
   * @param settled how many lines are reconciled and would stay if the batch were taken back
   */
  record BatchJson(
      UUID id,
      long no,
      UUID accountId,
      String accountName,
      String sourceName,
      LineSource source,
      Instant gatheredAt,
      @Nullable LocalDate firstDay,
      @Nullable LocalDate lastDay,
      @Nullable BigDecimal opening,
      @Nullable BigDecimal closing,
      int newLines,
      int knownLines,
      int doubtfulLines,
      int settled,
      boolean takenBack) {}

  /**
   * @param statementOn the closing day of the month's statement, null if there is none yet
   * @param lineDays the days of the month that have lines
   * @param pending how many lines the bank has announced and not booked
   */
  record CoverageJson(
      UUID accountId,
      String accountName,
      String tail,
      UUID bookId,
      String currency,
      List<LineSource> comesBy,
      List<SpanJson> spans,
      List<Integer> lineDays,
      @Nullable LocalDate statementOn,
      boolean statementAgreed,
      @Nullable Instant gatheredAt,
      int pending) {}

  /** The days of the month that a batch covers. */
  record SpanJson(long batchNo, LineSource source, int firstDay, int lastDay) {}

  record GatheredJson(
      List<CoverageJson> accounts,
      List<BatchJson> batches,
      int linesHere,
      int waiting,
      List<DoubtJson> doubts) {}
}
