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

  /** Why nothing was drawn. */
  public enum Reason {
    /** The file is damaged or protected: it never will be drawn. */
    UNREADABLE,
    /** Nothing here reads such files; it may be installed. */
    NO_READER,
    /** It took too long or too much memory; another time may do. */
    TOO_MUCH
  }

  /** Nothing was drawn. */
  public static final class NotDrawnException extends IOException {
    private static final long serialVersionUID = 1;
    private final Reason reason;

    NotDrawnException(Reason reason) {
      super(reason.name());
      this.reason = reason;
    }

    public Reason reason() {
      return reason;
    }
  }

  /** What the process ends with where it cannot draw. */
  private static final int UNREADABLE = 10;

  private static final int NO_READER = 11;

  /**
   * Cost: starting a process, and some tenths of a second for each page.
   *
   * @throws NotDrawnException if the file cannot be drawn, or not within the limits
   */
  public Drawn draw(byte[] content, AttachmentType type) throws IOException {
    Process process = start(type);
    Thread feeding = Thread.ofVirtual().start(() -> feed(process, content));
    Thread watching = Thread.ofVirtual().start(() -> endInTime(process));
    try (var in = new DataInputStream(process.getInputStream())) {
      return read(in);
    } catch (EOFException e) {
      throw new NotDrawnException(reason(process));
    } finally {
      process.destroyForcibly();
      watching.interrupt();
      feeding.interrupt();
    }
  }

  /** Of a process that has closed its output before anything was drawn. */
  private static Reason reason(Process process) throws IOException {
    try {
      return switch (process.waitFor()) {
        case UNREADABLE -> Reason.UNREADABLE;
        case NO_READER -> Reason.NO_READER;
        default -> Reason.TOO_MUCH;
      };
    } catch (InterruptedException e) {
      throw new IOException("was not waited for", e);
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
      throw new NotDrawnException(Reason.TOO_MUCH);
    }
    byte[] picture = new byte[length];
    in.readFully(picture);
    return picture;
  }

  /**
   * Reads a file from its input and writes the number of its pages and the pictures, each after its
   * length.
   */
  public static void main(String[] args) {
    var out = new DataOutputStream(System.out);
    // What a library has to say must not come in between.
    System.setOut(System.err);
    try {
      byte[] content = System.in.readNBytes(AttachmentType.LARGEST);
      PageDrawing.draw(content, AttachmentType.valueOf(args[0]), new Writing(out));
    } catch (HeicPicture.NoReaderException e) {
      System.exit(NO_READER);
    } catch (IOException | RuntimeException e) {
      // Libraries tell of damage by either.
      System.exit(UNREADABLE);
    }
  }

  private record Writing(DataOutputStream out) implements PageDrawing.Sink {
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
  }
}
