package org.yewledger.formats.pdf;

import org.jspecify.annotations.Nullable;
import org.openpdf.text.Document;
import org.openpdf.text.Element;
import org.openpdf.text.pdf.BaseFont;
import org.openpdf.text.pdf.ColumnText;
import org.openpdf.text.pdf.PdfContentByte;
import org.openpdf.text.pdf.PdfPageEventHelper;
import org.openpdf.text.pdf.PdfTemplate;
import org.openpdf.text.pdf.PdfWriter;

/** Whose books, and which page of how many, at the foot of every page. */
final class PageFoot extends PdfPageEventHelper {
  private static final float SIZE = 8;

  /** Below the text, within the margin. */
  private static final float ABOVE_EDGE = 30;

  private static final BaseFont FONT = PaperFonts.REGULAR.getFirst();

  private final String foot;

  /** How many pages there are is known at the end; each page has a place for it. */
  private @Nullable PdfTemplate total;

  PageFoot(String foot) {
    this.foot = foot;
  }

  @Override
  public void onOpenDocument(PdfWriter writer, Document document) {
    total = writer.getDirectContent().createTemplate(30, 12);
  }

  @Override
  public void onEndPage(PdfWriter writer, Document document) {
    PdfContentByte page = writer.getDirectContent();
    ColumnText.showTextAligned(
        page,
        Element.ALIGN_LEFT,
        PaperFonts.phrase(foot, PaperFonts.REGULAR, SIZE, PaperWriter.INK_2),
        document.left(),
        ABOVE_EDGE,
        0);
    String number = "%d of ".formatted(writer.getPageNumber());
    float place = document.right() - 18;
    ColumnText.showTextAligned(
        page,
        Element.ALIGN_RIGHT,
        PaperFonts.phrase(number, PaperFonts.REGULAR, SIZE, PaperWriter.INK_2),
        place,
        ABOVE_EDGE,
        0);
    if (total != null) {
      page.addTemplate(total, place, ABOVE_EDGE);
    }
  }

  @Override
  public void onCloseDocument(PdfWriter writer, Document document) {
    if (total == null) {
      return;
    }
    total.beginText();
    total.setFontAndSize(FONT, SIZE);
    total.setColorFill(PaperWriter.INK_2);
    total.setTextMatrix(1, 0);
    total.showText(String.valueOf(writer.getPageNumber() - 1));
    total.endText();
  }
}
