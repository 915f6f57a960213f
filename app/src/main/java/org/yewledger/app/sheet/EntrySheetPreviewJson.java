package org.yewledger.app.sheet;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.sheet.EntrySheetJson.SheetAskedJson;
import org.yewledger.app.sheet.EntrySheetJson.SheetLayoutJson;
import org.yewledger.app.sheet.EntrySheetJson.SheetNameSaidJson;
import org.yewledger.app.sheet.EntrySheetService.SheetPreview;
import org.yewledger.core.BadRows;
import org.yewledger.core.gather.LineSource;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.sheet.EntrySheet.Booked;
import org.yewledger.core.sheet.EntrySheet.Named;
import org.yewledger.core.sheet.SheetName;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.table.EntryTableDetection;
import org.yewledger.formats.table.Table;

/** What the API says of what a person's own sheet would bring. */
final class EntrySheetPreviewJson {
  private static final int ROWS_SHOWN = 400;
  private static final int FEW_SHOWN = 20;

  private EntrySheetPreviewJson() {}

  /** A row of the table, with {@code line} as in the file. */
  record SheetRowJson(int line, List<String> cells) {
    static List<SheetRowJson> of(List<Table.Row> rows, int most) {
      return rows.stream().limit(most).map(r -> new SheetRowJson(r.line(), r.cells())).toList();
    }
  }

  /**
   * The sheet as a table.
   *
   * @param rows the first of its rows
   * @param remembered whether it is read as a sheet with these columns was before
   * @param others the first of the rows that are no entries
   */
  record SheetTableJson(
      List<String> header,
      List<SheetRowJson> rows,
      int rowCount,
      SheetLayoutJson layout,
      boolean remembered,
      boolean dateOrderCertain,
      String dateEvidence,
      int dateEvidenceLine,
      boolean decimalMarkCertain,
      boolean signCertain,
      int otherCount,
      List<SheetRowJson> others) {
    static SheetTableJson of(SheetReading reading) {
      Table table = reading.table();
      EntryTableDetection detected = reading.detected();
      return new SheetTableJson(
          table.header(),
          SheetRowJson.of(table.data(), ROWS_SHOWN),
          table.data().size(),
          SheetLayoutJson.of(reading),
          reading.remembered(),
          detected.dateOrderCertain(),
          detected.dateEvidence(),
          detected.dateEvidenceLine(),
          detected.decimalMarkCertain(),
          detected.signCertain(),
          reading.read().others().size(),
          SheetRowJson.of(reading.read().others(), FEW_SHOWN));
    }
  }

  /** A cell that does not fit; {@code line} as in the file, null where all of it is meant. */
  record SheetProblemJson(@Nullable Integer line, String column, String reason) {
    static SheetProblemJson of(BadRows.Problem problem) {
      return new SheetProblemJson(problem.line(), problem.column(), problem.reason());
    }

    static @Nullable SheetProblemJson of(@Nullable UnreadableFile problem) {
      return problem == null
          ? null
          : new SheetProblemJson(
              problem.line() == 0 ? null : problem.line(),
              problem.field() == null ? "" : problem.field(),
              problem.reason());
    }
  }

  /**
   * A name in the sheet.
   *
   * @param accountId what it means; null while that has to be said, or where it is made
   * @param asBefore whether it means that because it was said so of an earlier sheet
   */
  record SheetNameJson(
      SheetName.Side side,
      String name,
      int rows,
      boolean known,
      @Nullable UUID accountId,
      boolean asBefore) {
    static SheetNameJson of(Named named, Map<SheetName, SheetNameSaidJson> choices) {
      SheetNameSaidJson said = choices.get(named.name());
      Account account = named.account();
      boolean isMade = said != null && said.make() != null && said.accountId() == null;
      return new SheetNameJson(
          named.name().side(),
          named.written(),
          named.rows(),
          account != null,
          account == null || isMade ? null : account.id(),
          named.asBefore());
    }
  }

  /**
   * What a row becomes.
   *
   * @param alike whether it may be in the books already
   * @param twin whether it is the second row of a transfer
   */
  record SheetEntryJson(
      int line,
      LocalDate day,
      String payee,
      String account,
      String category,
      BigDecimal amount,
      String currency,
      boolean alike,
      boolean twin) {
    static SheetEntryJson of(Booked booked, SheetPreview preview, Set<Integer> twins) {
      return new SheetEntryJson(
          booked.row().line(),
          booked.row().day(),
          booked.entry().payee(),
          booked.account().name(),
          booked.category().name(),
          booked.amount().decimal(),
          booked.amount().currency().getCode(),
          preview.doubles().alike().contains(booked.row().line()),
          twins.contains(booked.row().line()));
    }
  }

  /** What comes to an account: {@code out} is below zero. */
  record SheetTotalJson(
      String account, String currency, int entries, BigDecimal in, BigDecimal out, BigDecimal sum) {
    static List<SheetTotalJson> of(List<Booked> coming) {
      Map<Account, SheetTotalJson> totals = new LinkedHashMap<>();
      for (Booked booked : coming) {
        booked
            .comesTo()
            .forEach((account, amount) ->
                totals.merge(account, of(account, amount), SheetTotalJson::plus));
      }
      return List.copyOf(totals.values());
    }

    private static SheetTotalJson of(Account account, Amount amount) {
      BigDecimal none = Amount.zero(amount.currency()).decimal();
      boolean in = amount.sign() > 0;
      return new SheetTotalJson(
          account.name(),
          amount.currency().getCode(),
          1,
          in ? amount.decimal() : none,
          in ? none : amount.decimal(),
          amount.decimal());
    }

    private SheetTotalJson plus(SheetTotalJson other) {
      return new SheetTotalJson(
          account,
          currency,
          entries + other.entries,
          in.add(other.in),
          out.add(other.out),
          sum.add(other.sum));
    }
  }

  /**
   * What a sheet would bring.
   *
   * @param problem why its rows cannot be read yet
   * @param problems the first of the rows that cannot be taken in, of {@code problemCount}
   * @param entries what the first rows become
   * @param alikeCount how many rows may be in the books already
   * @param twinCount how many transfers stand in the sheet twice, as far as they are asked about
   * @param totals what comes to each account; without the rows that are left out
   */
  record SheetPreviewJson(
      String fileName,
      LineSource source,
      SheetTableJson table,
      @Nullable SheetProblemJson problem,
      List<SheetProblemJson> problems,
      int problemCount,
      List<SheetNameJson> names,
      List<SheetEntryJson> entries,
      int entryCount,
      int alikeCount,
      int twinCount,
      @Nullable LocalDate firstDay,
      @Nullable LocalDate lastDay,
      List<SheetTotalJson> totals) {
    static SheetPreviewJson of(String fileName, SheetPreview preview, SheetAskedJson asked) {
      SheetReading reading = preview.reading();
      List<BadRows.Problem> problems =
          Stream.concat(reading.read().problems().stream(), preview.result().problems().stream())
              .sorted(Comparator.comparingInt(BadRows.Problem::line))
              .toList();
      List<Booked> coming = preview.doubles().coming(preview.result().booked(), asked.answers());
      Set<Integer> twins = preview.doubles().twinsToAsk(asked.answers());
      Map<SheetName, SheetNameSaidJson> said = asked.said();
      return new SheetPreviewJson(
          fileName,
          reading.table().source(),
          SheetTableJson.of(reading),
          SheetProblemJson.of(reading.problem()),
          problems.stream().limit(FEW_SHOWN).map(SheetProblemJson::of).toList(),
          problems.size(),
          preview.names().stream().map(n -> SheetNameJson.of(n, said)).toList(),
          preview.result().booked().stream()
              .sorted(Comparator.comparingInt(b -> b.row().line()))
              .limit(ROWS_SHOWN)
              .map(b -> SheetEntryJson.of(b, preview, twins))
              .toList(),
          coming.size(),
          preview.doubles().alike().size(),
          twins.size(),
          coming.isEmpty() ? null : coming.getFirst().row().day(),
          coming.isEmpty() ? null : coming.getLast().row().day(),
          SheetTotalJson.of(coming));
    }
  }
}
