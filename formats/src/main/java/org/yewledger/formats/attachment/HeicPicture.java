package org.yewledger.formats.attachment;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;

/**
 * Reads HEIC pictures (ISO/IEC 23008-12) by libheif's {@code heif-convert}, since Java has no
 * reader for them. It runs with little memory and time of its own; it is asked for only by {@link
 * DrawingProcess}.
 */
final class HeicPicture {
  private static final String READER = "heif-convert";

  private static final List<String> WITHIN_LIMITS =
      List.of("prlimit", "--cpu=20", "--as=1073741824", "--fsize=268435456");

  /** Of prlimit, where the program is not there. */
  private static final int NO_SUCH_PROGRAM = 127;

  private HeicPicture() {}

  /** No program is installed that reads such pictures. */
  static final class NoReaderException extends IOException {
    private static final long serialVersionUID = 1;

    NoReaderException(String message) {
      super(message);
    }
  }

  /**
   * The picture as a JPEG that stands upright.
   *
   * @throws NoReaderException if libheif's programs are not installed
   * @throws IOException if it cannot be read
   */
  static byte[] asJpeg(byte[] content) throws IOException {
    Path folder = Files.createTempDirectory("yew-heic");
    try {
      Path heic = folder.resolve("picture.heic");
      Files.write(heic, content);
      int ended = convert(heic, folder.resolve("picture.jpg"));
      if (ended == NO_SUCH_PROGRAM) {
        throw new NoReaderException(READER + " is not installed");
      }
      // A file with several pictures gives several, the first of which it is known by.
      for (String name : List.of("picture.jpg", "picture-1.jpg")) {
        Path jpeg = folder.resolve(name);
        if (ended == 0 && Files.exists(jpeg)) {
          return Files.readAllBytes(jpeg);
        }
      }
      throw new IOException("the picture cannot be read");
    } finally {
      remove(folder);
    }
  }

  private static int convert(Path from, Path to) throws IOException {
    Process process =
        new ProcessBuilder(
                Stream.concat(
                        WITHIN_LIMITS.stream(),
                        Stream.of(READER, "-q", "92", from.toString(), to.toString()))
                    .toList())
            .redirectErrorStream(true)
            .redirectOutput(ProcessBuilder.Redirect.DISCARD)
            .start();
    try {
      return process.waitFor();
    } catch (InterruptedException e) {
      process.destroyForcibly();
      throw new IOException("was not waited for", e);
    }
  }

  private static void remove(Path folder) throws IOException {
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.toList()) {
        Files.delete(file);
      }
    }
    Files.delete(folder);
  }
}
