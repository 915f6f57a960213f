package org.yewledger.formats.attachment;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.zip.CRC32;
import java.util.zip.DeflaterOutputStream;
import javax.imageio.ImageIO;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.testng.annotations.Test;
import org.yewledger.formats.attachment.DrawingProcess.Drawn;
import org.yewledger.formats.attachment.DrawingProcess.NotDrawnException;
import org.yewledger.formats.attachment.DrawingProcess.Reason;

public class DrawingProcessTest {
  private final DrawingProcess drawing = new DrawingProcess(Duration.ofSeconds(60));

  private static BufferedImage image(byte[] png) throws IOException {
    return ImageIO.read(new ByteArrayInputStream(png));
  }

  /** Red on the left, blue on the right. */
  private static byte[] picture(String format, int width, int height) throws IOException {
    var image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    var canvas = image.createGraphics();
    canvas.setColor(Color.RED);
    canvas.fillRect(0, 0, width / 2, height);
    canvas.setColor(Color.BLUE);
    canvas.fillRect(width / 2, 0, width, height);
    canvas.dispose();
    var bytes = new ByteArrayOutputStream();
    ImageIO.write(image, format, bytes);
    return bytes.toByteArray();
  }

  private static byte[] document(int pages) throws IOException {
    try (var document = new PDDocument()) {
      for (int i = 0; i < pages; i++) {
        var page = new PDPage(PDRectangle.A4);
        document.addPage(page);
        try (var text = new PDPageContentStream(document, page)) {
          text.beginText();
          text.setFont(new PDType1Font(Standard14Fonts.FontName.HELVETICA), 40);
          text.newLineAtOffset(50, 700);
          text.showText("Page " + (i + 1));
          text.endText();
        }
      }
      var bytes = new ByteArrayOutputStream();
      document.save(bytes);
      return bytes.toByteArray();
    }
  }

  @Test
  public void everyPageOfADocumentIsDrawnAndTheFirstSmallAsWell() throws IOException {
    Drawn drawn = drawing.draw(document(3), AttachmentType.PDF);
    assertEquals(drawn.pages(), 3);
    assertEquals(drawn.pictures().size(), 3);
    assertEquals(image(drawn.pictures().get(2)).getHeight(), PageDrawing.PAGE);
    assertEquals(image(drawn.thumbnail()).getHeight(), PageDrawing.THUMBNAIL);
    BufferedImage first = image(drawn.pictures().getFirst());
    long dark = 0;
    for (int x = 0; x < first.getWidth(); x++) {
      for (int y = 0; y < first.getHeight(); y++) {
        dark += (first.getRGB(x, y) & 0xFF) < 100 ? 1 : 0;
      }
    }
    assertTrue(dark > 500, "the words are there: " + dark);
  }

  @Test
  public void aLargePictureIsMadeSmallerAndASmallOneStaysAsItIs() throws IOException {
    Drawn large = drawing.draw(picture("png", 6400, 3200), AttachmentType.PNG);
    assertEquals(image(large.pictures().getFirst()).getWidth(), PageDrawing.PAGE);
    assertEquals(image(large.pictures().getFirst()).getHeight(), PageDrawing.PAGE / 2);
    Drawn small = drawing.draw(picture("jpg", 300, 200), AttachmentType.JPEG);
    assertEquals(image(small.pictures().getFirst()).getWidth(), 300);
  }

  /** A telephone held upright writes the picture on its side, and says so in its notes. */
  @Test
  public void aPictureTakenUprightStandsUpright() throws IOException {
    Drawn drawn = drawing.draw(turned(picture("jpg", 400, 200), 6), AttachmentType.JPEG);
    BufferedImage page = image(drawn.pictures().getFirst());
    assertEquals(page.getWidth(), 200);
    assertEquals(page.getHeight(), 400);
    assertTrue(new Color(page.getRGB(100, 20)).getRed() > 200, "what was left is above");
    assertTrue(new Color(page.getRGB(100, 380)).getBlue() > 200, "what was right is below");
  }

  /** With the tag of Exif that says how the camera was held. */
  private static byte[] turned(byte[] jpeg, int orientation) {
    byte[] exif = {
      (byte) 0xFF,
      (byte) 0xE1,
      0,
      34,
      'E',
      'x',
      'i',
      'f',
      0,
      0,
      'M',
      'M',
      0,
      42,
      0,
      0,
      0,
      8,
      0,
      1,
      0x01,
      0x12,
      0,
      3,
      0,
      0,
      0,
      1,
      0,
      (byte) orientation,
      0,
      0,
      0,
      0,
      0,
      0
    };
    byte[] all = Arrays.copyOf(jpeg, jpeg.length + exif.length);
    System.arraycopy(exif, 0, all, 2, exif.length);
    System.arraycopy(jpeg, 2, all, 2 + exif.length, jpeg.length - 2);
    return all;
  }

  /** As telephones take them. */
  @Test
  public void aHeicPictureIsDrawn() throws IOException, InterruptedException {
    Drawn drawn = drawing.draw(heic(picture("png", 400, 200)), AttachmentType.HEIC);
    BufferedImage page = image(drawn.pictures().getFirst());
    assertEquals(drawn.pages(), 1);
    assertEquals(page.getWidth(), 400);
    assertTrue(new Color(page.getRGB(100, 100)).getRed() > 200, "left");
    assertTrue(new Color(page.getRGB(300, 100)).getBlue() > 200, "right");
  }

  private static byte[] heic(byte[] png) throws IOException, InterruptedException {
    Path folder = Files.createTempDirectory("heic");
    Path from = folder.resolve("a.png");
    Path to = folder.resolve("a.heic");
    Files.write(from, png);
    var encoder = new ProcessBuilder("heif-enc", from.toString(), "-o", to.toString());
    assertEquals(encoder.redirectErrorStream(true).start().waitFor(), 0);
    return Files.readAllBytes(to);
  }

  private Reason whyNot(DrawingProcess drawing, byte[] content, AttachmentType type) {
    return expectThrows(NotDrawnException.class, () -> drawing.draw(content, type)).reason();
  }

  @Test
  public void whatCannotBeReadEndsWithAReasonAndNotWithTheBooks() throws IOException {
    byte[] torn = Arrays.copyOf(document(2), 300);
    assertEquals(whyNot(drawing, torn, AttachmentType.PDF), Reason.UNREADABLE);
    byte[] half = Arrays.copyOf(picture("png", 400, 200), 200);
    assertEquals(whyNot(drawing, half, AttachmentType.PNG), Reason.UNREADABLE);
    byte[] heic = "\0\0\0\u0018ftypheic".getBytes(StandardCharsets.ISO_8859_1);
    assertEquals(whyNot(drawing, heic, AttachmentType.HEIC), Reason.UNREADABLE);
  }

  @Test
  public void aPictureThatUnfoldsWithoutEndIsGivenUpOrDrawnSmall() throws IOException {
    byte[] bomb = endless(60_000, 60_000);
    assertTrue(bomb.length < AttachmentType.LARGEST, "small on disk: " + bomb.length);
    long before = Runtime.getRuntime().totalMemory();
    try {
      Drawn drawn = drawing.draw(bomb, AttachmentType.PNG);
      assertTrue(image(drawn.pictures().getFirst()).getWidth() <= PageDrawing.PAGE);
    } catch (IOException givenUp) {
      assertTrue(
          Runtime.getRuntime().totalMemory() - before < 200 << 20, "nothing of it came here");
    }
  }

  @Test
  public void aFileThatTakesTooLongIsGivenUp() throws IOException {
    var hasty = new DrawingProcess(Duration.ofMillis(1));
    byte[] content = document(30);
    assertEquals(whyNot(hasty, content, AttachmentType.PDF), Reason.TOO_MUCH);
  }

  /** A picture of one colour without end: some kilobytes that unfold to gigabytes. */
  private static byte[] endless(int width, int height) throws IOException {
    var out = new ByteArrayOutputStream();
    out.write(new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10});
    var head = new ByteArrayOutputStream();
    writeInt(head, width);
    writeInt(head, height);
    head.write(new byte[] {1, 0, 0, 0, 0});
    chunk(out, "IHDR", head.toByteArray());
    var data = new ByteArrayOutputStream();
    try (var deflate = new DeflaterOutputStream(data)) {
      byte[] row = new byte[1 + width / 8];
      for (int y = 0; y < height; y++) {
        deflate.write(row);
      }
    }
    chunk(out, "IDAT", data.toByteArray());
    chunk(out, "IEND", new byte[0]);
    return out.toByteArray();
  }

  private static void chunk(ByteArrayOutputStream out, String name, byte[] data)
      throws IOException {
    byte[] of = name.getBytes(java.nio.charset.StandardCharsets.US_ASCII);
    writeInt(out, data.length);
    out.write(of);
    out.write(data);
    var check = new CRC32();
    check.update(of);
    check.update(data);
    writeInt(out, (int) check.getValue());
  }

  private static void writeInt(ByteArrayOutputStream out, int value) {
    out.write(value >>> 24);
    out.write(value >>> 16);
    out.write(value >>> 8);
    out.write(value);
  }
}
