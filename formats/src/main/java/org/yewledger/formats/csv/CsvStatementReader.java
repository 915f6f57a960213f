package org.yewledger.formats.csv;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.formats.DecimalText;
import org.yewledger.formats.Excerpt;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.csv.CsvLayout.DecimalMark;
import org.yewledger.formats.csv.CsvLayout.Meaning;

/** Reads the rows of a table as bank lines, once a layout says what its columns mean. */
public final class CsvStatementReader {
  private final CsvTable table;
  private final CsvLayout layout;
  private final CurrencyUnit currency;

  private CsvStatementReader(CsvTable table, CsvLayout layout, CurrencyUnit currency) {
    this.table = table;
    this.layout = layout;
    this.currency = currency;
  }

  /**
   * @param currency that of the account: tables rarely name one
   * @return the statement; its closing balance is that of the latest row, if a column has balances
   * @throws UnreadableFile with the line and the column's name, at the first cell that does not fit
   */
  public static BankStatement read(CsvTable table, CsvLayout layout, CurrencyUnit currency) {
    if (layout.meanings().size() != table.header().size()) {
      throw UnreadableFile.whole(
          "The layout has %d columns, the file has %d."
              .formatted(layout.meanings().size(), table.header().size()));
    }
    List<String> problems = layout.problems();
    if (!problems.isEmpty()) {
      throw UnreadableFile.whole(String.join(" ", problems));
    }
    return new CsvStatementReader(table, layout, currency).statement();
  }

  private BankStatement statement() {
    var lines = new ArrayList<BankLine>();
    var balances = new ArrayList<@Nullable Balance>();
    for (CsvTable.Row row : table.data()) {
      BankLine line = line(row);
      lines.add(line);
      String balance = text(row, Meaning.BALANCE);
      balances.add(
          balance.isEmpty() ? null : new Balance(line.bookedOn(), amount(row, Meaning.BALANCE)));
    }
    boolean newestFirst =
        lines.size() > 1 && lines.getFirst().bookedOn().isAfter(lines.getLast().bookedOn());
    Balance closing =
        balances.isEmpty() ? null : newestFirst ? balances.getFirst() : balances.getLast();
    return new BankStatement(
        "",
        currency,
        newestFirst ? lines.reversed() : lines,
        closing,
        opening(lines, balances, newestFirst));
  }

  /** The balance before the first line, where every line has one after it. */
  private static @Nullable Long opening(
      List<BankLine> lines, List<@Nullable Balance> balances, boolean newestFirst) {
    if (balances.isEmpty() || balances.size() != lines.size()) {
      return null;
    }
    int first = newestFirst ? lines.size() - 1 : 0;
    Balance after = balances.get(first);
    return after == null ? null : after.amountMinor() - lines.get(first).amountMinor();
  }

  private BankLine line(CsvTable.Row row) {
    String valueOn = text(row, Meaning.VALUE_ON);
    return new BankLine(
        date(row, Meaning.BOOKED_ON),
        valueOn.isEmpty() ? null : date(row, Meaning.VALUE_ON),
        lineAmount(row),
        text(row, Meaning.PAYEE),
        memo(row),
        text(row, Meaning.REFERENCE),
        "",
        null,
        String.join(String.valueOf(table.separator()), row.cells()),
        row.line());
  }

  private long lineAmount(CsvTable.Row row) {
    if (layout.has(Meaning.AMOUNT)) {
      return amount(row, Meaning.AMOUNT);
    }
    boolean in = !text(row, Meaning.IN).isEmpty();
    boolean out = !text(row, Meaning.OUT).isEmpty();
    if (in == out) {
      throw UnreadableFile.at(
          row.line(),
          in
              ? "both money in and money out are given."
              : "neither money in nor money out is given.");
    }
    return in ? Math.abs(amount(row, Meaning.IN)) : -Math.abs(amount(row, Meaning.OUT));
  }

  private long amount(CsvTable.Row row, Meaning meaning) {
    String cell = text(row, meaning).replace('\u2212', '-').replaceAll("[ '\u00a0]", "");
    char thousands = layout.decimalMark() == DecimalMark.COMMA ? '.' : ',';
    if (!cell.matches(
        "[+-]?\\d{1,3}(?:\\%c\\d{3})*(?:\\D\\d*)?[+-]?|[+-]?\\d*(?:\\D\\d*)?[+-]?"
            .formatted(thousands))) {
      throw notAnAmount(row, meaning);
    }
    String plain = cell.replace(String.valueOf(thousands), "").replace(',', '.');
    if (plain.endsWith("-") || plain.endsWith("+")) {
      plain = plain.charAt(plain.length() - 1) + plain.substring(0, plain.length() - 1);
    }
    if (cell.indexOf(thousands) >= 0
        && !cell.matches(".*\\%c\\d{3}(\\D.*)?".formatted(thousands))) {
      throw notAnAmount(row, meaning);
    }
    return DecimalText.toMinor(plain, currency, row.line(), columnName(meaning));
  }

  private UnreadableFile notAnAmount(CsvTable.Row row, Meaning meaning) {
    return UnreadableFile.at(
        row.line(),
        columnName(meaning),
        "%s is not an amount with a decimal %s."
            .formatted(
                Excerpt.of(text(row, meaning)),
                layout.decimalMark() == DecimalMark.COMMA ? "comma" : "point"));
  }

  private LocalDate date(CsvTable.Row row, Meaning meaning) {
    String cell = text(row, meaning);
    int[] parts = dateParts(cell);
    if (parts.length != 3) {
      throw UnreadableFile.at(
          row.line(),
          columnName(meaning),
          cell.isEmpty() ? "the date is missing." : Excerpt.of(cell) + " is not a date.");
    }
    try {
      return switch (layout.dateOrder()) {
        case DAY_MONTH_YEAR -> LocalDate.of(year(parts[2]), parts[1], parts[0]);
        case MONTH_DAY_YEAR -> LocalDate.of(year(parts[2]), parts[0], parts[1]);
        case YEAR_MONTH_DAY -> LocalDate.of(year(parts[0]), parts[1], parts[2]);
      };
    } catch (DateTimeException e) {
      throw UnreadableFile.at(
          row.line(),
          columnName(meaning),
          "%s is not a day of the calendar in the order %s."
              .formatted(
                  Excerpt.of(cell),
                  layout.dateOrder().name().toLowerCase(java.util.Locale.ROOT).replace('_', ' ')));
    }
  }

  private static int[] dateParts(String cell) {
    if (CellKinds.COMPACT_DATE.matcher(cell).matches()) {
      return new int[] {
        Integer.parseInt(cell.substring(0, 4)),
        Integer.parseInt(cell.substring(4, 6)),
        Integer.parseInt(cell.substring(6))
      };
    }
    Matcher date = CellKinds.DATE.matcher(cell);
    if (!date.matches()) {
      return new int[0];
    }
    return IntStream.rangeClosed(1, 3).map(i -> Integer.parseInt(date.group(i))).toArray();
  }

  /** Two digits mean this century: bank files are not older. */
  private static int year(int year) {
    return year < 100 ? 2000 + year : year;
  }

  /** Text may be spread over several columns; they are joined in their order. */
  private String memo(CsvTable.Row row) {
    return IntStream.range(0, layout.meanings().size())
        .filter(i -> layout.meanings().get(i) == Meaning.MEMO)
        .mapToObj(i -> row.cells().get(i))
        .filter(cell -> !cell.isEmpty())
        .collect(Collectors.joining(" "));
  }

  private String text(CsvTable.Row row, Meaning meaning) {
    int index = layout.indexOf(meaning);
    return index < 0 ? "" : row.cells().get(index);
  }

  private String columnName(Meaning meaning) {
    return table.header().get(layout.indexOf(meaning));
  }
}
