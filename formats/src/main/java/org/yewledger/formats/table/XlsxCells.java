package org.yewledger.formats.table;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.apache.commons.compress.utils.SeekableInMemoryByteChannel;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.ReadingOptions;
import org.dhatim.fastexcel.reader.Sheet;
import org.yewledger.core.gather.LineSource;
import org.yewledger.core.money.Decimals;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.table.Table.Row;

/**
 * The cells of the first sheet that has a table, as text: dates as ISO 8601, numbers with a decimal
 * point. The parts are unpacked once to be measured before anything is read from them: a small file
 * can claim to hold gigabytes.
 */
final class XlsxCells {
  private static final long MOST_UNPACKED = 150_000_000;
  private static final int MOST_PARTS = 500;
  private static final int MOST_COLUMNS = 100;
  private static final int MOST_ROWS = 200_000;
  private static final int LONGEST_CELL = 10_000;

  private static final BigDecimal FIRST_DAY = BigDecimal.valueOf(60);
  private static final BigDecimal LAST_DAY = BigDecimal.valueOf(2_958_466); // after 9999-12-31

  private XlsxCells() {}

  static Table parse(byte[] bytes, TableReading reading) {
    requireHarmless(bytes);
    try (var workbook =
        new ReadableWorkbook(new ByteArrayInputStream(bytes), new ReadingOptions(true, false))) {
      UnreadableFile first = null;
      for (Sheet sheet : workbook.getSheets().toList()) {
        try {
          return Table.of(LineSource.XLSX, null, '\t', rows(sheet), reading.headerLine());
        } catch (UnreadableFile e) {
          first = first == null ? e : first;
        }
      }
      throw first == null ? UnreadableFile.whole("The workbook has no sheet.") : first;
    } catch (UnreadableFile e) {
      throw e;
    } catch (IOException | RuntimeException e) {
      // The library fails in many ways on a damaged workbook.
      throw UnreadableFile.whole(
          "The workbook cannot be read; it may be cut off. Save it again as XLSX, or as CSV.");
    }
  }

  private static void requireHarmless(byte[] bytes) {
    long unpacked = 0;
    int parts = 0;
    boolean isWorkbook = false;
    try (ZipFile zip =
        ZipFile.builder().setSeekableByteChannel(new SeekableInMemoryByteChannel(bytes)).get()) {
      for (ZipArchiveEntry entry : Collections.list(zip.getEntries())) {
        isWorkbook |= entry.getName().endsWith("workbook.xml");
        if (++parts > MOST_PARTS) {
          throw UnreadableFile.whole("The workbook has more than 500 parts.");
        }
        try (InputStream part = zip.getInputStream(entry)) {
          unpacked += measured(part, entry.getName(), MOST_UNPACKED - unpacked);
        }
      }
    } catch (IOException | RuntimeException e) {
      if (e instanceof UnreadableFile known) {
        throw known;
      }
      throw UnreadableFile.whole(
          "The workbook cannot be unpacked; it may be cut off. Export it again.");
    }
    if (!isWorkbook) {
      throw UnreadableFile.whole("This is a ZIP file, but no XLSX workbook is in it.");
    }
  }

  /** Unpacks a part without keeping it; what it claims to hold is not believed. */
  private static long measured(InputStream part, String name, long atMost) throws IOException {
    var buffer = new byte[64 * 1024];
    long size = 0;
    for (int n = part.read(buffer); n >= 0; n = part.read(buffer)) {
      if (size == 0 && declaresType(buffer, n)) {
        throw UnreadableFile.whole(
            "%s declares a document type; a workbook has none.".formatted(name));
      }
      size += n;
      if (size > atMost) {
        throw UnreadableFile.whole(
            "The workbook unpacks to more than 150 MB. Export fewer lines, or as CSV.");
      }
    }
    return size;
  }

  private static boolean declaresType(byte[] buffer, int length) {
    String head =
        new String(buffer, 0, Math.min(length, 4096), StandardCharsets.ISO_8859_1)
            .toUpperCase(Locale.ROOT);
    return head.contains("<!DOCTYPE") || head.contains("<!ENTITY");
  }

  private static List<Row> rows(Sheet sheet) throws IOException {
    var rows = new ArrayList<Row>();
    try (Stream<org.dhatim.fastexcel.reader.Row> read = sheet.openStream()) {
      for (var row : (Iterable<org.dhatim.fastexcel.reader.Row>) read::iterator) {
        if (rows.size() >= MOST_ROWS) {
          throw UnreadableFile.at(row.getRowNum(), "the sheet has more than 200,000 rows.");
        }
        List<String> cells = cells(row);
        if (cells.stream().anyMatch(cell -> !cell.isEmpty())) {
          rows.add(new Row(row.getRowNum(), cells));
        }
      }
    }
    return padded(rows);
  }

  private static List<String> cells(org.dhatim.fastexcel.reader.Row row) {
    if (row.getCellCount() > MOST_COLUMNS) {
      throw UnreadableFile.at(row.getRowNum(), "the row has more than 100 columns.");
    }
    var cells = new ArrayList<String>();
    for (int i = 0; i < row.getCellCount(); i++) {
      String text = row.getOptionalCell(i).map(XlsxCells::text).orElse("").strip();
      if (text.length() > LONGEST_CELL) {
        throw UnreadableFile.at(row.getRowNum(), "a cell is longer than 10,000 characters.");
      }
      cells.add(text);
    }
    while (!cells.isEmpty() && cells.getLast().isEmpty()) {
      cells.removeLast();
    }
    return cells;
  }

  /** A sheet leaves out cells at the end of a row that are empty; the table has them again. */
  private static List<Row> padded(List<Row> rows) {
    int width = rows.stream().mapToInt(row -> row.cells().size()).max().orElse(0);
    return rows.stream().map(row -> new Row(row.line(), padded(row.cells(), width))).toList();
  }

  private static List<String> padded(List<String> cells, int width) {
    var padded = new ArrayList<>(cells);
    while (padded.size() < width) {
      padded.add("");
    }
    return padded;
  }

  /** A formula counts as what it gave when the workbook was saved; an error as its name. */
  private static String text(Cell cell) {
    Optional<BigDecimal> number = number(cell);
    if (number.isEmpty()) {
      return Optional.ofNullable(cell.getText()).orElse("");
    }
    if (isDate(cell)) {
      return date(cell, number.get());
    }
    // Spreadsheets keep binary fractions: 12.1 may be stored as 12.100000000000001.
    if (!Decimals.isWritable(number.get())) {
      return Optional.ofNullable(cell.getRawValue()).orElse("");
    }
    return number.get().setScale(6, RoundingMode.HALF_EVEN).stripTrailingZeros().toPlainString();
  }

  private static Optional<BigDecimal> number(Cell cell) {
    if (cell.getType() == CellType.NUMBER) {
      return Optional.of(cell.asNumber());
    }
    String kept = cell.getType() == CellType.FORMULA ? cell.getRawValue() : null;
    return kept == null ? Optional.empty() : Decimals.read(kept);
  }

  private static String date(Cell cell, BigDecimal number) {
    if (cell.getType() == CellType.NUMBER) {
      return cell.asDate().toLocalDate().toString();
    }
    // The library gives dates of plain numbers only; day 1 of a workbook is 1900-01-01, and its
    // calendar has a 29 February 1900 (ECMA-376, part 1, section 18.17.4.1).
    boolean isDay = number.compareTo(FIRST_DAY) > 0 && number.compareTo(LAST_DAY) < 0;
    return isDay
        ? LocalDate.of(1899, 12, 30).plusDays(number.longValue()).toString()
        : number.toPlainString();
  }

  private static boolean isDate(Cell cell) {
    String format = cell.getDataFormatString();
    if (format == null) {
      return false;
    }
    String plain = format.replaceAll("\"[^\"]*\"|\\[[^\\]]*]|\\\\.", "").toLowerCase(Locale.ROOT);
    return plain.contains("y") || plain.contains("d") && plain.contains("m");
  }
}
