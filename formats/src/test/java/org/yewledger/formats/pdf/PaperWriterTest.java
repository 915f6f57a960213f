package org.yewledger.formats.pdf;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.Test;
import org.yewledger.formats.pdf.Paper.Column;
import org.yewledger.formats.pdf.Paper.Look;
import org.yewledger.formats.pdf.Paper.Part;
import org.yewledger.formats.pdf.Paper.Row;

public class PaperWriterTest {
  private static final List<Column> COLUMNS =
      List.of(Column.text("Payee", 3), Column.figures("Amount", 1));

  private static byte[] write(Part... parts) {
    return PaperWriter.write(new Paper("Agreed", "Aldercott", false, List.of(parts)));
  }

  private static Paper.Table table(int rows) {
    var all = new ArrayList<Row>();
    for (int i = 1; i <= rows; i++) {
      all.add(Row.of(Look.PLAIN, "Payee %04d".formatted(i), "\u22121,234.56"));
    }
    all.add(Row.of(Look.TOTAL, "Total", "0.00"));
    return new Paper.Table("33 postings", "agreed", COLUMNS, all);
  }

  private static String textOf(PDDocument document, int page) throws IOException {
    var stripper = new PDFTextStripper();
    stripper.setStartPage(page);
    stripper.setEndPage(page);
    return stripper.getText(document);
  }

  @Test
  public void everyRowIsOnOnePageAndEveryPageHasTheHeadAndItsNumber() throws IOException {
    byte[] pdf = write(new Paper.Head("Harbour Current", "agreed"), table(200));
    try (PDDocument document = Loader.loadPDF(pdf)) {
      int pages = document.getNumberOfPages();
      assertTrue(pages > 2, pages + " pages");
      var all = new StringBuilder();
      for (int page = 1; page <= pages; page++) {
        String text = textOf(document, page);
        assertTrue(text.contains("Payee Amount"), "head on page " + page);
        assertTrue(text.contains("%d of %d".formatted(page, pages)), text);
        assertTrue(text.contains("Aldercott"), "foot on page " + page);
        all.append(text);
      }
      for (int i = 1; i <= 200; i++) {
        String row = "Payee %04d \u22121,234\\.56".formatted(i);
        assertEquals(Pattern.compile(row).matcher(all).results().count(), 1, row);
      }
      assertEquals(document.getDocumentInformation().getTitle(), "Agreed");
    }
  }

  @Test
  public void lettersOfManyScriptsAreSetAndOthersAreSeenToBeMissing() throws IOException {
    String payee = "Łódź Ωμέγα Кафе café 大";
    byte[] pdf =
        write(
            new Paper.Head("Žluť", ""),
            new Paper.Table("", "", COLUMNS, List.of(Row.of(Look.PLAIN, payee, "1\u202f234,00"))));
    try (PDDocument document = Loader.loadPDF(pdf)) {
      String text = textOf(document, 1);
      assertTrue(text.contains("Łódź Ωμέγα Кафе café ?"), text);
      assertTrue(text.contains("1 234,00"), text);
    }
  }

  @Test
  public void theFontsComeWithIt() throws IOException {
    try (PDDocument document = Loader.loadPDF(write(new Paper.Head("Harbour", "x"), table(2)))) {
      PDPage page = document.getPage(0);
      for (var name : page.getResources().getFontNames()) {
        var font = page.getResources().getFont(name);
        assertTrue(font.isEmbedded(), font.getName());
      }
    }
  }

  @Test
  public void eachReportBeginsOnItsOwnPage() throws IOException {
    byte[] pdf =
        write(new Paper.Head("First", ""), table(1), new Paper.Head("Second", ""), table(1));
    try (PDDocument document = Loader.loadPDF(pdf)) {
      assertEquals(document.getNumberOfPages(), 2);
      assertFalse(textOf(document, 1).contains("Second"));
      assertTrue(textOf(document, 2).startsWith("Second"));
    }
  }

  @Test
  public void aRowThatDoesNotFitItsTableIsAFault() {
    Paper.Table table = new Paper.Table("", "", COLUMNS, List.of(Row.of(Look.PLAIN, "only one")));
    expectThrows(IllegalArgumentException.class, () -> write(table));
  }
}
