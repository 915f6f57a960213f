package org.yewledger.formats.attachment;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.exif.ExifIFD0Directory;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/**
 * Draws the pages of a file as pictures of our own, so that nothing of the file itself ever runs or
 * is read in a browser. Whoever draws files of strangers does it where running out of memory or
 * time hurts nobody: see {@link DrawingProcess}.
 */
final class PageDrawing {
  /** The longer side of a page, in pixels: small print can be read. */
  static final int PAGE = 1600;

  /** The longer side of a small picture, in pixels: sharp at half of it. */
  static final int THUMBNAIL = 240;

  /** How many pages of a document are drawn. */
  static final int MOST_PAGES = 40;

  private PageDrawing() {}

  /** Takes what is drawn, page by page. */
  interface Sink {
    /**
     * @param pages how many the document has
     */
    void begin(int pages) throws IOException;

    /** The pictures in their order: that of the first page small, then each page. */
    void picture(byte[] png) throws IOException;
  }

  /**
   * @throws IOException if the content cannot be read as what it says it is
   */
  static void draw(byte[] content, AttachmentType type, Sink sink) throws IOException {
    switch (type) {
      case PDF -> drawDocument(content, sink);
      case JPEG, PNG -> drawPicture(content, sink);
      case HEIC -> drawPicture(HeicPicture.asJpeg(content), sink);
    }
  }

  private static void drawDocument(byte[] content, Sink sink) throws IOException {
    try (PDDocument document = Loader.loadPDF(content)) {
      var renderer = new PDFRenderer(document);
      renderer.setSubsamplingAllowed(true);
      int pages = document.getNumberOfPages();
      sink.begin(pages);
      for (int i = 0; i < Math.min(pages, MOST_PAGES); i++) {
        PDRectangle box = document.getPage(i).getCropBox();
        float longer = Math.max(1, Math.max(box.getWidth(), box.getHeight()));
        BufferedImage page = renderer.renderImage(i, PAGE / longer, ImageType.RGB);
        if (i == 0) {
          sink.picture(png(within(page, THUMBNAIL)));
        }
        sink.picture(png(page));
      }
    }
  }

  private static void drawPicture(byte[] content, Sink sink) throws IOException {
    BufferedImage page = upright(within(read(content), PAGE), orientation(content));
    sink.begin(1);
    sink.picture(png(within(page, THUMBNAIL)));
    sink.picture(png(page));
  }

  /** Reads a picture no finer than it is shown: every second, third ... of its pixels. */
  private static BufferedImage read(byte[] content) throws IOException {
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(content))) {
      var readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext()) {
        throw new IOException("no reader for the picture");
      }
      ImageReader reader = readers.next();
      try {
        reader.setInput(in, true, true);
        int longer = Math.max(reader.getWidth(0), reader.getHeight(0));
        ImageReadParam coarse = reader.getDefaultReadParam();
        int step = Math.max(1, longer / (2 * PAGE));
        coarse.setSourceSubsampling(step, step, 0, 0);
        return reader.read(0, coarse);
      } finally {
        reader.dispose();
      }
    }
  }

  /** Scaled down to fit, on white; never up. */
  private static BufferedImage within(BufferedImage image, int longest) {
    double scale = Math.min(1, longest / (double) Math.max(image.getWidth(), image.getHeight()));
    int width = Math.max(1, (int) Math.round(image.getWidth() * scale));
    int height = Math.max(1, (int) Math.round(image.getHeight() * scale));
    // Halved as often as needed first: one large step would drop lines of print.
    BufferedImage source = image;
    while (source.getWidth() > 2 * width && source.getHeight() > 2 * height) {
      source = scaled(source, source.getWidth() / 2, source.getHeight() / 2);
    }
    return scaled(source, width, height);
  }

  private static BufferedImage scaled(BufferedImage image, int width, int height) {
    var scaled = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    Graphics2D canvas = scaled.createGraphics();
    canvas.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
    canvas.drawImage(image, 0, 0, width, height, Color.WHITE, null);
    canvas.dispose();
    return scaled;
  }

  /** How a camera was held (Exif 2.32, tag 274); 1 if it says nothing. */
  private static int orientation(byte[] content) {
    try {
      var exif =
          ImageMetadataReader.readMetadata(new ByteArrayInputStream(content))
              .getFirstDirectoryOfType(ExifIFD0Directory.class);
      Integer held = exif == null ? null : exif.getInteger(ExifIFD0Directory.TAG_ORIENTATION);
      return held == null ? 1 : held;
    } catch (ImageProcessingException | IOException e) {
      // A picture that can be read is shown, whatever its notes are like.
      return 1;
    }
  }

  private static BufferedImage upright(BufferedImage image, int orientation) {
    int width = image.getWidth();
    int height = image.getHeight();
    var turn = new AffineTransform();
    switch (orientation) {
      case 2 -> turn.setTransform(-1, 0, 0, 1, width, 0);
      case 3 -> turn.setTransform(-1, 0, 0, -1, width, height);
      case 4 -> turn.setTransform(1, 0, 0, -1, 0, height);
      case 5 -> turn.setTransform(0, 1, 1, 0, 0, 0);
      case 6 -> turn.setTransform(0, 1, -1, 0, height, 0);
      case 7 -> turn.setTransform(0, -1, -1, 0, height, width);
      case 8 -> turn.setTransform(0, -1, 1, 0, 0, width);
      default -> {
        return image;
      }
    }
    boolean onItsSide = orientation >= 5;
    var upright =
        new BufferedImage(
            onItsSide ? height : width, onItsSide ? width : height, BufferedImage.TYPE_INT_RGB);
    Graphics2D canvas = upright.createGraphics();
    canvas.drawImage(image, turn, null);
    canvas.dispose();
    return upright;
  }

  private static byte[] png(BufferedImage image) throws IOException {
    var bytes = new ByteArrayOutputStream();
    ImageIO.write(image, "png", bytes);
    return bytes.toByteArray();
  }
}
