package org.yewledger.formats.table;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Collections;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.apache.commons.compress.utils.SeekableInMemoryByteChannel;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.LineSource;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.UnreadableFile;

public class XlsxTest {
  private static byte[] zip(String name, byte[] content) throws IOException {
    var out = new ByteArrayOutputStream();
    try (var zip = new ZipOutputStream(out)) {
      zip.putNextEntry(new ZipEntry("xl/workbook.xml"));
      zip.write("<workbook/>".getBytes(StandardCharsets.UTF_8));
      zip.putNextEntry(new ZipEntry(name));
      zip.write(content);
    }
    return out.toByteArray();
  }

  private static String refusal(byte[] bytes) {
    return expectThrows(UnreadableFile.class, () -> Table.parse(bytes)).getMessage();
  }

  @Test
  public void readsDatesNumbersAndTextsOfTheFirstSheetWithATable() throws IOException {
    Table table = Table.parse(XlsxSample.workbook());
    assertEquals(table.source(), LineSource.XLSX);
    assertEquals(table.numberAbove(), "NL00DEMO004417");
    TableDetection detected = TableDetection.of(table);
    assertTrue(detected.dateOrderCertain() && detected.decimalMarkCertain());
    TableStatement read = TableStatementReader.read(table, detected.layout(), CurrencyUnit.EUR);
    List<BankLine> lines = read.statement().lines();
    assertEquals(
        lines.stream().map(BankLine::amountMinor).toList(), List.of(-320L, 32600L, -6392L));
    assertEquals(lines.getFirst().bookedOn(), LocalDate.parse("2026-09-04"));
    assertEquals(lines.getFirst().memo(), "Café");
    assertEquals(lines.getFirst().sourceLine(), 4);
    assertEquals(read.breaks(), List.of());
    assertEquals(read.statement().opening(), Amount.ofMinor(10_000, CurrencyUnit.EUR));
  }

  @Test(timeOut = 60_000)
  public void refusesWhatUnpacksToGigabytes() throws IOException {
    byte[] bomb = zip("xl/worksheets/sheet1.xml", new byte[200_000_000]);
    assertTrue(bomb.length < 1_000_000, "the bomb is small itself");
    assertTrue(refusal(bomb).contains("150 MB"));
  }

  @Test
  public void refusesDocumentTypesOtherZipsAndDamagedWorkbooks() throws IOException {
    String type = "<!DOCTYPE x [<!ENTITY a \"b\">]><worksheet/>";
    assertTrue(
        refusal(zip("xl/worksheets/sheet1.xml", type.getBytes(StandardCharsets.UTF_8)))
            .contains("document type"));
    byte[] good = XlsxSample.workbook();
    assertTrue(refusal(java.util.Arrays.copyOf(good, good.length / 2)).contains("cut off"));
    var out = new ByteArrayOutputStream();
    try (var zip = new ZipOutputStream(out)) {
      zip.putNextEntry(new ZipEntry("letter.txt"));
    }
    assertTrue(refusal(out.toByteArray()).contains("no XLSX workbook"));
  }

  @Test(timeOut = 20_000)
  public void aNumberOfAHundredMillionDigitsStaysAText() throws IOException {
    Table table = Table.parse(withCell("<v>-3.2</v>", "<v>1E+100000000</v>"));
    assertTrue(
        table.rows().stream().anyMatch(row -> row.cells().contains("1E+100000000")),
        "the cell is shown as it stands");
    assertTrue(
        Table.parse(withCell("<v>-3.2</v>", "<v>-3.2000000000000001776E0</v>")).rows().stream()
            .anyMatch(row -> row.cells().contains("-3.2")),
        "binary noise is not");
  }

  /** The sample with one cell written otherwise. */
  private static byte[] withCell(String was, String wanted) throws IOException {
    var out = new ByteArrayOutputStream();
    try (var zip = new ZipOutputStream(out);
        var sample =
            ZipFile.builder()
                .setSeekableByteChannel(new SeekableInMemoryByteChannel(XlsxSample.workbook()))
                .get()) {
      for (ZipArchiveEntry entry : Collections.list(sample.getEntries())) {
        String text =
            new String(sample.getInputStream(entry).readAllBytes(), StandardCharsets.UTF_8);
        zip.putNextEntry(new ZipEntry(entry.getName()));
        zip.write(text.replace(was, wanted).getBytes(StandardCharsets.UTF_8));
      }
    }
    return out.toByteArray();
  }

  /** The sample with its first sheet changed, as other programs than ours write sheets. */
  private static Table rewritten(UnaryOperator<String> sheet) throws IOException {
    var out = new ByteArrayOutputStream();
    try (ZipFile in =
            ZipFile.builder()
                .setSeekableByteChannel(new SeekableInMemoryByteChannel(XlsxSample.workbook()))
                .get();
        var zip = new ZipOutputStream(out)) {
      for (ZipArchiveEntry entry : Collections.list(in.getEntries())) {
        zip.putNextEntry(new ZipEntry(entry.getName()));
        String part = new String(in.getInputStream(entry).readAllBytes(), StandardCharsets.UTF_8);
        boolean isSheet = entry.getName().endsWith("sheet1.xml");
        zip.write((isSheet ? sheet.apply(part) : part).getBytes(StandardCharsets.UTF_8));
      }
    }
    return Table.parse(out.toByteArray());
  }

  @Test
  public void rowsAndCellsWithoutNumbersStandInTheirOrder() throws IOException {
    Table table = rewritten(xml -> xml.replaceAll(" r=\"[A-Z]*\\d+\"", ""));
    assertEquals(table.data().size(), 3);
    assertEquals(table.data().getFirst().cells().get(2), "-3.2");
  }

  @Test
  public void formulasCountAsWhatTheyGaveAndErrorsByTheirName() throws IOException {
    Table table =
        rewritten(xml ->
            xml.replaceFirst("<v>-3.2</v>", "<f>1-4.2</f><v>-3.2000000000000002</v>")
                .replaceFirst("(<c r=\"A4\"[^>]*>)<v>", "$1<f>TODAY()</f><v>")
                .replaceFirst(
                    "<c r=\"C5\"[^>]*><v>326(?:\\.0)?</v>", "<c r=\"C5\" t=\"e\"><v>#REF!</v>"));
    assertEquals(table.data().getFirst().cells().getFirst(), "2026-09-04");
    assertEquals(table.data().getFirst().cells().get(2), "-3.2");
    assertEquals(table.data().get(1).cells().get(2), "#REF!");
  }
}
