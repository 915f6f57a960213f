package org.yewledger.formats.pdf;

import java.awt.Color;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.openpdf.text.Document;
import org.openpdf.text.Element;
import org.openpdf.text.Font;
import org.openpdf.text.Image;
import org.openpdf.text.PageSize;
import org.openpdf.text.Paragraph;
import org.openpdf.text.Phrase;
import org.openpdf.text.Rectangle;
import org.openpdf.text.pdf.BaseFont;
import org.openpdf.text.pdf.PdfPCell;
import org.openpdf.text.pdf.PdfPTable;
import org.openpdf.text.pdf.PdfWriter;
import org.yewledger.formats.pdf.Paper.Column;
import org.yewledger.formats.pdf.Paper.Look;
import org.yewledger.formats.pdf.Paper.Part;
import org.yewledger.formats.pdf.Paper.Row;

/** Sets a paper as PDF (ISO 32000), its fonts with it. */
public final class PaperWriter {
  static final Color INK = new Color(0x21, 0x25, 0x23);
  static final Color INK_2 = new Color(0x5A, 0x61, 0x5D);
  private static final Color HAIRLINE = new Color(0xD5, 0xD3, 0xCA);
  private static final float SIDE = 48;
  private static final float TOP = 44;
  private static final float BOTTOM = 54;
  private static final float BODY = 9;

  /** What has to fit below the title of a table, so that it does not stand alone. */
  private static final float WITH_TITLE = 96;

  private final ByteArrayOutputStream out = new ByteArrayOutputStream();
  private final Document document;
  private final PdfWriter writer;
  private boolean begun;

  private PaperWriter(Paper paper) {
    document =
        new Document(paper.wide() ? PageSize.A4.rotate() : PageSize.A4, SIDE, SIDE, TOP, BOTTOM);
    writer = PdfWriter.getInstance(document, out);
    writer.setPageEvent(new PageFoot(paper.foot()));
    document.addTitle(paper.title());
    document.addCreator("Yew Ledger");
    document.setDocumentLanguage("en");
    document.open();
  }

  /** The whole document. Cost: that of its rows; a page of fifty takes about a millisecond. */
  public static byte[] write(Paper paper) {
    var writer = new PaperWriter(paper);
    paper.parts().forEach(writer::add);
    writer.document.close();
    return writer.out.toByteArray();
  }

  private void add(Part part) {
    switch (part) {
      case Paper.Head head -> head(head);
      case Paper.Note note -> note(note.text());
      case Paper.Table table -> table(table);
      case Paper.Picture picture -> picture(picture);
    }
    begun = true;
  }

  private void head(Paper.Head head) {
    if (begun) {
      document.newPage();
    }
    document.add(paragraph(head.title(), PaperFonts.TITLE, 17, INK, 0));
    if (!head.about().isEmpty()) {
      document.add(paragraph(head.about(), PaperFonts.REGULAR, 10, INK_2, 0));
    }
  }

  private void note(String text) {
    document.add(paragraph(text, PaperFonts.REGULAR, BODY, INK_2, 8));
  }

  private void picture(Paper.Picture picture) {
    if (begun) {
      document.newPage();
    }
    document.add(titled(picture.title(), picture.about(), 0));
    float room = writer.getVerticalPosition(true) - BOTTOM - BODY;
    try {
      Image image = Image.getInstance(picture.png().get());
      image.scaleToFit(document.getPageSize().getWidth() - 2 * SIDE, room);
      image.setSpacingBefore(BODY);
      document.add(image);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static Paragraph titled(String title, String about, float before) {
    Paragraph titled = paragraph(title, PaperFonts.TITLE, 11.5f, INK, before);
    if (!about.isEmpty()) {
      titled.add(PaperFonts.phrase("  " + about, PaperFonts.REGULAR, BODY, INK_2));
    }
    return titled;
  }

  private static Paragraph paragraph(
      String text, List<BaseFont> fonts, float size, Color colour, float before) {
    var paragraph = new Paragraph(PaperFonts.phrase(text, fonts, size, colour));
    paragraph.setFont(new Font(fonts.getFirst(), size));
    paragraph.setLeading(size * 1.35f);
    paragraph.setSpacingBefore(before);
    return paragraph;
  }

  private void table(Paper.Table table) {
    if (!table.title().isEmpty()) {
      tableTitle(table);
    }
    var set = new PdfPTable(table.columns().size());
    set.setWidthPercentage(table.percent());
    set.setHorizontalAlignment(Element.ALIGN_LEFT);
    set.setWidths(widths(table.columns()));
    set.setSpacingBefore(table.title().isEmpty() ? 10 : 3);
    set.setHeaderRows(1);
    // A row that does not fit goes to the next page whole.
    set.setSplitRows(false);
    for (Column column : table.columns()) {
      set.addCell(cell(column.head(), column, PaperFonts.REGULAR, INK_2, Look.PLAIN));
    }
    for (Row row : table.rows()) {
      row(set, table.columns(), row);
    }
    document.add(set);
  }

  private void tableTitle(Paper.Table table) {
    if (writer.getVerticalPosition(true) < BOTTOM + WITH_TITLE) {
      document.newPage();
    }
    document.add(titled(table.title(), table.about(), 14));
  }

  private static float[] widths(List<Column> columns) {
    var widths = new float[columns.size()];
    for (int i = 0; i < widths.length; i++) {
      widths[i] = columns.get(i).share();
    }
    return widths;
  }

  private static void row(PdfPTable set, List<Column> columns, Row row) {
    if (row.cells().size() != columns.size()) {
      throw new IllegalArgumentException(
          "%d cells in a table of %d columns".formatted(row.cells().size(), columns.size()));
    }
    boolean strong = row.look() != Look.PLAIN && row.look() != Look.WITHIN;
    for (int i = 0; i < columns.size(); i++) {
      PdfPCell cell =
          cell(
              row.cells().get(i),
              columns.get(i),
              strong ? PaperFonts.STRONG : PaperFonts.REGULAR,
              INK,
              row.look());
      if (i == 0 && row.look() == Look.WITHIN) {
        cell.setPaddingLeft(12);
      }
      set.addCell(cell);
    }
  }

  private static PdfPCell cell(
      String text, Column column, List<BaseFont> fonts, Color colour, Look look) {
    Phrase phrase = PaperFonts.phrase(text, fonts, BODY, colour);
    var cell = new PdfPCell(phrase);
    cell.setHorizontalAlignment(column.figures() ? Element.ALIGN_RIGHT : Element.ALIGN_LEFT);
    cell.setLeading(0, 1.25f);
    cell.setPadding(0);
    cell.setPaddingTop(look == Look.GROUP ? 8 : 2.5f);
    cell.setPaddingBottom(3.5f);
    cell.setPaddingLeft(column.figures() ? 6 : 0);
    cell.setPaddingRight(column.figures() ? 0 : 6);
    cell.setBorder(Rectangle.BOTTOM);
    cell.setBorderColor(HAIRLINE);
    cell.setBorderWidth(0.5f);
    if (look == Look.SUM || look == Look.TOTAL) {
      cell.setBorder(Rectangle.TOP | Rectangle.BOTTOM);
      cell.setBorderColor(INK);
      cell.setBorderWidthTop(0.7f);
      cell.setBorderWidthBottom(look == Look.TOTAL ? 1.4f : 0);
    }
    return cell;
  }
}
