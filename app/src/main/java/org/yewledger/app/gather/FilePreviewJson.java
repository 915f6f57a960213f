package org.yewledger.app.gather;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.gather.FileRouting.Route;
import org.yewledger.app.gather.GatherService.PartPreview;
import org.yewledger.app.gather.StatementReading.TableReadAs;
import org.yewledger.core.Refusal;
import org.yewledger.core.gather.Arrival;
import org.yewledger.core.gather.Arrival.Standing;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.gather.Days;
import org.yewledger.core.gather.Discrepancy;
import org.yewledger.core.gather.Gathering;
import org.yewledger.core.gather.LineSource;
import org.yewledger.core.gather.RunningBalance;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.table.Table;

/**
 * What a file would bring.
 *
 * @param routedTo the account of a table, whose rows may not be readable yet
 * @param parts one for each account in the file
 */
record FilePreviewJson(
    String fileName,
    LineSource source,
    @Nullable UUID routedTo,
    @Nullable TableJson table,
    @Nullable ReadingProblemJson problem,
    List<FilePartJson> parts) {
  private static final int LINES_SHOWN = 400;
  private static final int OTHERS_SHOWN = 20;

  static FilePreviewJson of(String fileName, GatherService.Preview preview) {
    StatementReading reading = preview.read().reading();
    Route route = preview.read().route();
    TableReadAs table = reading.table();
    return new FilePreviewJson(
        fileName,
        reading.source(),
        route == null ? null : route.account().id(),
        table == null ? null : TableJson.of(table, reading, route),
        ReadingProblemJson.of(reading.problem()),
        preview.parts().stream().map(FilePartJson::of).toList());
  }

  /** A row of the table, with {@code line} as in the file. */
  record RowJson(int line, List<String> cells) {}

  /** Where the balance column does not run on; {@code line} as in the file. */
  record BalanceBreakJson(
      int line, BigDecimal before, BigDecimal amount, BigDecimal said, BigDecimal apart) {}

  /**
   * @param remembered whether the layout was kept from an earlier file with these column names
   * @param others the first of the rows that are no lines
   */
  record TableJson(
      List<String> header,
      List<RowJson> rows,
      int rowCount,
      LayoutJson layout,
      boolean remembered,
      boolean dateOrderCertain,
      String dateEvidence,
      int dateEvidenceLine,
      boolean decimalMarkCertain,
      boolean signCertain,
      List<BalanceBreakJson> breaks,
      int otherCount,
      List<RowJson> others) {

    static TableJson of(TableReadAs table, StatementReading reading, @Nullable Route route) {
      Table cells = table.cells();
      List<BalanceBreakJson> breaks =
          route == null || reading.statements().isEmpty()
              ? List.of()
              : breaks(table, reading.statements().getFirst(), route.account());
      return new TableJson(
          cells.header(),
          cells.data().stream()
              .limit(LINES_SHOWN)
              .map(r -> new RowJson(r.line(), r.cells()))
              .toList(),
          cells.data().size(),
          LayoutJson.of(cells, table.layout(), table.mayLeaveOut()),
          table.remembered(),
          table.detected().dateOrderCertain(),
          table.detected().dateEvidence(),
          table.detected().dateEvidenceLine(),
          table.detected().decimalMarkCertain(),
          table.detected().signCertain(),
          breaks,
          table.others().size(),
          table.others().stream()
              .limit(OTHERS_SHOWN)
              .map(r -> new RowJson(r.line(), r.cells()))
              .toList());
    }

    private static List<BalanceBreakJson> breaks(
        TableReadAs table, BankStatement statement, Account account) {
      return table.breaks().stream()
          .map(b -> balanceBreak(b, statement.lines().get(b.index()).sourceLine()))
          .toList();
    }

    private static BalanceBreakJson balanceBreak(RunningBalance.Break b, int line) {
      return new BalanceBreakJson(
          line,
          b.before().decimal(),
          b.amount().decimal(),
          b.said().decimal(),
          b.apart().decimal());
    }
  }

  record ArrivalJson(
      int sourceLine,
      LocalDate bookedOn,
      BigDecimal amount,
      String text,
      String reference,
      Standing standing,
      boolean pending) {
    static ArrivalJson of(Arrival arrival, Account account) {
      BankLine line = arrival.line();
      return new ArrivalJson(
          line.sourceLine(),
          line.bookedOn(),
          Amount.ofMinor(line.amountMinor(), account.currency()).decimal(),
          line.text(),
          line.reference(),
          arrival.standing(),
          line.isPending());
    }
  }

  record FileBalanceJson(LocalDate on, BigDecimal amount) {
    static @Nullable FileBalanceJson of(@Nullable Balance balance) {
      return balance == null ? null : new FileBalanceJson(balance.on(), balance.amount().decimal());
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
   * Where the figures of a file do not come out.
   *
   * @param apart what a line would have to bring or take to mend it; a count for COUNT
   */
  record DiscrepancyJson(
      Discrepancy.Kind kind,
      @Nullable LocalDate on,
      @Nullable Integer line,
      String words,
      BigDecimal apart) {
    static DiscrepancyJson of(Discrepancy d) {
      return new DiscrepancyJson(
          d.kind(), d.on(), d.line() == 0 ? null : d.line(), d.inWords(), d.apart());
    }
  }

  /**
   * @param accountId null while the account has to be chosen
   * @param refusal why the account cannot take the lines
   * @param isOfAnother whether the number in the file is not that of the chosen account
   * @param makesStatement whether taking the file in can make a statement of its closing balance
   */
  record FilePartJson(
      String accountNumber,
      String currency,
      @Nullable UUID accountId,
      FileRouting.@Nullable Why routedBy,
      boolean isOfAnother,
      @Nullable String refusal,
      int lineCount,
      int newLines,
      int knownLines,
      int doubtfulLines,
      @Nullable LocalDate firstDay,
      @Nullable LocalDate lastDay,
      @Nullable BigDecimal opening,
      @Nullable FileBalanceJson closing,
      boolean makesStatement,
      List<DiscrepancyJson> discrepancies,
      List<ArrivalJson> lines) {

    static FilePartJson of(PartPreview part) {
      BankStatement file = part.statement();
      Gathering gathering = part.gathering();
      Route route = part.route();
      Refusal refusal = part.refusal();
      Days days = file.covers();
      Amount opening = file.opening();
      return new FilePartJson(
          file.accountNumber(),
          file.currency().getCode(),
          route == null ? null : route.account().id(),
          route == null ? null : route.why(),
          part.isOfAnother(),
          refusal == null ? null : refusal.getMessage(),
          file.lines().size(),
          count(gathering, Standing.NEW),
          count(gathering, Standing.KNOWN),
          count(gathering, Standing.DOUBTFUL),
          days == null ? null : days.first(),
          days == null ? null : days.last(),
          opening == null ? null : opening.decimal(),
          FileBalanceJson.of(file.closing()),
          part.makesStatement(),
          file.discrepancies().stream().map(DiscrepancyJson::of).toList(),
          gathering == null || route == null ? List.of() : lines(gathering, route.account()));
    }

    private static int count(@Nullable Gathering gathering, Standing standing) {
      return gathering == null ? 0 : gathering.count(standing);
    }

    /** Bounded, so that a huge file stays a small answer. */
    private static List<ArrivalJson> lines(Gathering gathering, Account account) {
      return gathering.arrivals().stream()
          .limit(LINES_SHOWN)
          .map(a -> ArrivalJson.of(a, account))
          .toList();
    }
  }
}
