package org.yewledger.app.gather;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.Arrival;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.gather.Gathering;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amounts;
import org.yewledger.formats.StatementFormat;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.csv.CsvLayout;
import org.yewledger.formats.csv.CsvLayout.DateOrder;
import org.yewledger.formats.csv.CsvLayout.DecimalMark;
import org.yewledger.formats.csv.CsvLayout.Meaning;
import org.yewledger.formats.csv.CsvTable;

/** What the API says about files and batches. */
final class GatherJson {
  private static final int LINES_SHOWN = 400;

  private GatherJson() {}

  record LayoutJson(List<Meaning> meanings, DateOrder dateOrder, DecimalMark decimalMark) {
    CsvLayout toLayout() {
      return new CsvLayout(meanings, dateOrder, decimalMark);
    }
  }

  /** A row of the table, with {@code line} as in the file. */
  record RowJson(int line, List<String> cells) {}

  record TableJson(
      String encoding,
      String separator,
      int headerLine,
      List<String> header,
      List<RowJson> rows,
      int rowCount,
      LayoutJson layout,
      boolean dateOrderCertain,
      String dateEvidence,
      int dateEvidenceLine) {

    static TableJson of(StatementReading.Table table) {
      CsvTable cells = table.cells();
      CsvLayout layout = table.layout();
      return new TableJson(
          cells.encodingName(),
          String.valueOf(cells.separator()),
          cells.rows().get(cells.headerIndex()).line(),
          cells.header(),
          cells.data().stream()
              .limit(LINES_SHOWN)
              .map(r -> new RowJson(r.line(), r.cells()))
              .toList(),
          cells.data().size(),
          new LayoutJson(layout.meanings(), layout.dateOrder(), layout.decimalMark()),
          table.detected().dateOrderCertain(),
          table.detected().dateEvidence(),
          table.detected().dateEvidenceLine());
    }
  }

  record ArrivalJson(
      int sourceLine,
      LocalDate bookedOn,
      BigDecimal amount,
      String text,
      String reference,
      Arrival.Standing standing) {}

  record FileBalanceJson(LocalDate on, BigDecimal amount) {
    static @Nullable FileBalanceJson of(@Nullable Balance balance, Account account) {
      return balance == null
          ? null
          : new FileBalanceJson(
              balance.on(), Amounts.toDecimal(balance.amountMinor(), account.currency()));
    }
  }

  record ReadingProblemJson(@Nullable Integer line, @Nullable String field, String reason) {
    static @Nullable ReadingProblemJson of(@Nullable UnreadableFile problem) {
      return problem == null
          ? null
          : new ReadingProblemJson(
              problem.line() == 0 ? null : problem.line(), problem.field(), problem.reason());
    }
  }

  /**
   * @param accountId null while the account has to be chosen
   * @param makesStatement whether taking the file in can make a statement of its closing balance
   */
  record PreviewJson(
      String fileName,
      StatementFormat format,
      @Nullable UUID accountId,
      @Nullable TableJson table,
      @Nullable ReadingProblemJson problem,
      int newLines,
      int knownLines,
      List<ArrivalJson> lines,
      @Nullable FileBalanceJson closing,
      boolean makesStatement) {

    static PreviewJson of(String fileName, GatherService.Preview preview) {
      StatementReading reading = preview.reading();
      Gathering gathering = preview.gathering();
      Account account = preview.account();
      BankStatement file = reading.statement();
      return new PreviewJson(
          fileName,
          reading.format(),
          account == null ? null : account.id(),
          reading.table() == null ? null : TableJson.of(reading.table()),
          ReadingProblemJson.of(reading.problem()),
          gathering == null ? 0 : gathering.newLines().size(),
          gathering == null ? 0 : gathering.knownCount(),
          gathering == null || account == null ? List.of() : lines(gathering, account),
          file == null || account == null ? null : FileBalanceJson.of(file.closing(), account),
          preview.makesStatement());
    }

    private static List<ArrivalJson> lines(Gathering gathering, Account account) {
      return GatherService.firstOf(gathering, LINES_SHOWN).stream()
          .map(a ->
              new ArrivalJson(
                  a.line().sourceLine(),
                  a.line().bookedOn(),
                  Amounts.toDecimal(a.line().amountMinor(), account.currency()),
                  a.line().text(),
                  a.line().reference(),
                  a.standing()))
          .toList();
    }
  }

  record TakenInJson(
      UUID batchId, long no, int newLines, int knownLines, @Nullable UUID statementId) {
    static TakenInJson of(GatherService.TakenIn taken) {
      BatchEntity batch = taken.batch();
      return new TakenInJson(
          batch.id(), batch.no(), batch.newLines(), batch.knownLines(), taken.statementId());
    }
  }

  record BatchJson(
      UUID id,
      long no,
      UUID accountId,
      String accountName,
      String fileName,
      StatementFormat format,
      Instant gatheredAt,
      @Nullable LocalDate firstDay,
      @Nullable LocalDate lastDay,
      int newLines,
      int knownLines) {}

  /**
   * @param statementOn the closing day of the month's statement, null if there is none yet
   * @param lineDays the days of the month that have lines
   */
  record CoverageJson(
      UUID accountId,
      String accountName,
      String tail,
      UUID bookId,
      String currency,
      List<StatementFormat> comesBy,
      List<SpanJson> spans,
      List<Integer> lineDays,
      @Nullable LocalDate statementOn,
      boolean statementAgreed,
      @Nullable Instant gatheredAt) {}

  /** The days of the month that a batch covers. */
  record SpanJson(long batchNo, int firstDay, int lastDay) {}

  record GatheredJson(
      List<CoverageJson> accounts, List<BatchJson> batches, int linesHere, int waiting) {}
}
