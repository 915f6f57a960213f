package org.yewledger.formats.attachment;

import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;

/**
 * Draws the pages of a file in a process of its own, with little memory and a limit of time: a file
 * made to exhaust its reader ends that process, and not the books.
 */
public final class DrawingProcess {
  private static final int MOST_BYTES = 64 << 20;

  private final Duration limit;

  /**
   * @param limit how long a file may take
   */
  public DrawingProcess(Duration limit) {
    this.limit = limit;
  }

  /**
   * What was drawn.
   *
   * @param pages how many the file has; there are fewer pictures where one could not be drawn
   * @param thumbnail of the first page, as PNG
   * @param pictures of the pages in their order, as PNG
   */
  public record Drawn(int pages, byte[] thumbnail, List<byte[]> pictures) {}

  /**
   * Cost: starting a process, and some tenths of a second for each page.
   *
   * @throws IOException if the file cannot be drawn, or not within the limits
   */
  public Drawn draw(byte[] content, AttachmentType type) throws IOException {
    Process process = start(type);
    Thread feeding = Thread.ofVirtual().start(() -> feed(process, content));
    Thread watching = Thread.ofVirtual().start(() -> endInTime(process));
    try (var in = new DataInputStream(process.getInputStream())) {
      return read(in);
    } catch (EOFException e) {
      throw new IOException("the file cannot be drawn", e);
    } finally {
      process.destroyForcibly();
      watching.interrupt();
      feeding.interrupt();
    }
  }

  private static Process start(AttachmentType type) throws IOException {
    String java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
    return new ProcessBuilder(
            java,
            "-Xmx400m",
            "-XX:+UseSerialGC",
            "-XX:TieredStopAtLevel=1",
            "-XX:-UsePerfData",
            "-Xlog:disable",
            "-Djava.awt.headless=true",
            "-cp",
            System.getProperty("java.class.path"),
            DrawingProcess.class.getName(),
            type.name())
        .redirectError(ProcessBuilder.Redirect.DISCARD)
        .start();
  }

  private static void feed(Process process, byte[] content) {
    try (OutputStream out = process.getOutputStream()) {
      out.write(content);
    } catch (IOException e) {
      // It has ended before it read all; what it answered, or did not, tells.
    }
  }

  private void endInTime(Process process) {
    try {
      if (!process.waitFor(limit.toMillis(), TimeUnit.MILLISECONDS)) {
        process.destroyForcibly();
      }
    } catch (InterruptedException e) {
      // All was read.
    }
  }

  private static Drawn read(DataInputStream in) throws IOException {
    int pages = in.readInt();
    byte[] thumbnail = picture(in);
    var pictures = new ArrayList<byte[]>();
    try {
      while (pictures.size() < Math.min(pages, PageDrawing.MOST_PAGES)) {
        pictures.add(picture(in));
      }
    } catch (EOFException e) {
      // A page that cannot be drawn, or not in time, does not take those before it away.
    }
    return new Drawn(pages, thumbnail, pictures);
  }

  private static byte[] picture(DataInputStream in) throws IOException {
    int length = in.readInt();
    if (length < 0 || length > MOST_BYTES) {
      throw new IOException("the file cannot be drawn");
    }
    byte[] picture = new byte[length];
    in.readFully(picture);
    return picture;
  }

  /**
   * Reads a file from its input and writes the number of its pages and the pictures, each after its
   * length.
   */
  public static void main(String[] args) throws IOException {
    byte[] content = System.in.readNBytes(AttachmentType.LARGEST);
    var out = new DataOutputStream(System.out);
    // What a library has to say must not come in between.
    System.setOut(System.err);
    PageDrawing.draw(
        content,
        AttachmentType.valueOf(args[0]),
        new PageDrawing.Sink() {
          @Override
          public void begin(int pages) throws IOException {
            out.writeInt(pages);
          }

          @Override
          public void picture(byte[] png) throws IOException {
            out.writeInt(png.length);
            out.write(png);
            out.flush();
          }
        });
  }
}
