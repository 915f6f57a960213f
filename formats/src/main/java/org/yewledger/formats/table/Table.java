package org.yewledger.formats.table;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.LineSource;
import org.yewledger.formats.Sha256;
import org.yewledger.formats.UnreadableFile;

/**
 * The cells of a file, before anybody knows what they mean.
 *
 * @param source CSV for all delimited text, or XLSX
 * @param charset how the bytes were read; null for XLSX
 * @param separator the character between cells; a tab for XLSX
 * @param headerIndex which of {@code rows} names the columns; what stands above is preamble
 * @param rows all rows that are not blank
 */
public record Table(
    LineSource source, @Nullable Charset charset, char separator, int headerIndex, List<Row> rows) {
  /** A database cannot find a row by a key of any length. */
  private static final int LONGEST_KEY = 600;

  private static final Pattern ACCOUNT_NUMBER =
      Pattern.compile("[A-Z]{2}\\d{2}[A-Z0-9]{4,30}|\\d{7,30}");

  /** One row; {@code line} is the line or row of the file on which it begins, from 1. */
  public record Row(int line, List<String> cells) {
    /** Whether a date and an amount stand in it, each in a cell of its own. */
    boolean looksLikeLine() {
      boolean hasDate = cells.stream().anyMatch(CellKinds::isDate);
      return hasDate && cells.stream().anyMatch(c -> CellKinds.isAmount(c) && !CellKinds.isDate(c));
    }
  }

  /** Reads the table, finding encoding, separator and header by itself. */
  public static Table parse(byte[] bytes) {
    return parse(bytes, TableReading.FIND_OUT);
  }

  /**
   * @throws UnreadableFile if no table can be found in the file, with the line at fault
   */
  public static Table parse(byte[] bytes, TableReading reading) {
    boolean zip = bytes.length > 1 && bytes[0] == 'P' && bytes[1] == 'K';
    return zip ? XlsxCells.parse(bytes, reading) : DelimitedCells.parse(bytes, reading);
  }

  /** The names of the columns. */
  public List<String> header() {
    return rows.get(headerIndex).cells();
  }

  /** The rows below the header. */
  public List<Row> data() {
    return rows.subList(headerIndex + 1, rows.size());
  }

  /** The cells of one column below the header. */
  public List<String> column(int index) {
    return data().stream().map(row -> row.cells().get(index)).toList();
  }

  /** The cells of all columns below the header that hold figures and nothing else. */
  List<String> figures() {
    return IntStream.range(0, header().size())
        .mapToObj(this::column)
        .filter(ColumnMeanings::isFigures)
        .flatMap(List::stream)
        .toList();
  }

  /**
   * The table with those rows only that look like lines, to find out from what stands in its
   * columns; totals and remarks would mislead. All rows where hardly any looks like a line.
   */
  Table ofLines() {
    List<Row> lines = data().stream().filter(Row::looksLikeLine).toList();
    if (lines.size() * 2 < data().size()) {
      return this;
    }
    return new Table(
        source,
        charset,
        separator,
        0,
        Stream.concat(Stream.of(rows.get(headerIndex)), lines.stream()).toList());
  }

  /**
   * By what a table of the same layout is recognised next time: the names, evened out, or the
   * SHA-256 of these where they are long. At most {@value #LONGEST_KEY} characters.
   */
  public String headerKey() {
    String names =
        header().stream()
            .map(name -> name.strip().replaceAll("\\s+", " ").toLowerCase(Locale.ROOT))
            .collect(Collectors.joining("\u001f"));
    return names.length() <= LONGEST_KEY
        ? names
        : Sha256.hexOf(names.getBytes(StandardCharsets.UTF_8));
  }

  /** The account's number, if the preamble has something that looks like one; else empty. */
  public String numberAbove() {
    return rows.subList(0, headerIndex).stream()
        .flatMap(row -> row.cells().stream())
        .map(Table::accountNumber)
        .filter(number -> !number.isEmpty())
        .findFirst()
        .orElse("");
  }

  private static String accountNumber(String cell) {
    Matcher number =
        ACCOUNT_NUMBER.matcher(cell.replaceAll("[ .\\-]", "").toUpperCase(Locale.ROOT));
    return cell.length() <= 80 && !CellKinds.isDateOrAmount(cell) && number.find()
        ? number.group()
        : "";
  }

  /** The name of the encoding for people; empty for XLSX. */
  public String encodingName() {
    return charset == null ? "" : charset.name();
  }

  /** A table of these rows. */
  static Table of(
      LineSource source,
      @Nullable Charset charset,
      char separator,
      List<Row> rows,
      @Nullable Integer headerLine) {
    int header = TableHeader.find(rows, headerLine);
    return new Table(source, charset, separator, header, TableHeader.evenRows(rows, header));
  }
}
