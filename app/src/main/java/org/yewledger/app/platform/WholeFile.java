package org.yewledger.app.platform;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.FileAttribute;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Set;

/**
 * Files that are whole wherever they are seen: until it is on the disk, what is written has another
 * name.
 */
public final class WholeFile {
  /** For what only the owner of the machine's process may read. */
  public static final FileAttribute<Set<PosixFilePermission>> ONLY_THE_OWNERS =
      PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------"));

  /** Writes into a file that is there and empty. */
  public interface Writing<T> {
    T to(Path begun) throws IOException;
  }

  private WholeFile() {}

  /**
   * Writes a file that is not there yet.
   *
   * @throws FileAlreadyExistsException if it is
   */
  public static <T> T write(Path file, Writing<T> writing, FileAttribute<?>... attributes)
      throws IOException {
    return write(file, writing, false, attributes);
  }

  /** Writes a file, in place of what is there. */
  public static <T> T replace(Path file, Writing<T> writing, FileAttribute<?>... attributes)
      throws IOException {
    return write(file, writing, true, attributes);
  }

  private static <T> T write(
      Path file, Writing<T> writing, boolean replaces, FileAttribute<?>... attributes)
      throws IOException {
    Path begun = file.resolveSibling(file.getFileName() + ".part");
    try {
      Files.deleteIfExists(begun);
      Files.createFile(begun, attributes);
      T written = writing.to(begun);
      try (FileChannel channel = FileChannel.open(begun, StandardOpenOption.WRITE)) {
        channel.force(true);
      }
      if (!replaces && Files.exists(file)) {
        throw new FileAlreadyExistsException(file.toString());
      }
      Files.move(begun, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
      return written;
    } finally {
      Files.deleteIfExists(begun);
    }
  }
}
