package org.yewledger.app.export;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.platform.WholeFile;
import org.yewledger.core.Refusal;

/**
 * Where exports are written: a folder on the machine that runs the application, with one of its own
 * for each household. Nobody writes anywhere else.
 */
@Component
class ExportFolder {
  private final @Nullable Path root;

  ExportFolder(@Value("${yew.exports.folder}") String folder) {
    this.root = folder.isBlank() ? null : Path.of(folder).toAbsolutePath().normalize();
  }

  /** The household's own folder; empty if the machine has none for exports. */
  Optional<Path> ofHousehold() {
    return Optional.ofNullable(root)
        .map(folder -> folder.resolve(SignedIn.now().householdId().toString()));
  }

  /**
   * Checks that a file can be written, by writing beside it.
   *
   * @param name as {@link org.yewledger.core.export.ExportPlan.Delivery} allows it
   * @throws Refusal {@code export-folder-missing} or {@code export-folder-unwritable}
   */
  Path requireWritable(String name) {
    Path file = file(name);
    Path folder = file.getParent();
    try {
      Files.createDirectories(folder);
      Files.delete(Files.createTempFile(folder, "try", ".part"));
    } catch (IOException e) {
      throw unwritable(name, e);
    }
    if (Files.isDirectory(file)) {
      throw Refusal.ofField(
          "export-folder-unwritable", "file", "%s is a folder. Name a file.".formatted(name));
    }
    return file;
  }

  /** What the file holds; nothing if it is not there. */
  byte[] read(String name) {
    try {
      Path file = file(name);
      return Files.exists(file) ? Files.readAllBytes(file) : new byte[0];
    } catch (IOException e) {
      throw unwritable(name, e);
    }
  }

  /** Writes the file, whole or not at all. */
  void write(String name, byte[] content) {
    Path file = requireWritable(name);
    try {
      WholeFile.replace(file, begun -> Files.write(begun, content));
    } catch (IOException e) {
      throw unwritable(name, e);
    }
  }

  private Path file(String name) {
    return ofHousehold()
        .orElseThrow(() ->
            Refusal.ofField(
                "export-folder-missing",
                "file",
                "This machine has no folder for exports: whoever keeps it sets YEW_EXPORT_FOLDER. The export can be fetched all the same."))
        .resolve(name);
  }

  private static Refusal unwritable(String name, IOException e) {
    return Refusal.ofField(
        "export-folder-unwritable",
        "file",
        "%s cannot be written in the folder for exports: %s. Choose another name, or ask whoever keeps the machine."
            .formatted(name, reason(e)));
  }

  /** Without the path of the machine, which is nobody's business. */
  private static String reason(IOException e) {
    return switch (e) {
      case java.nio.file.AccessDeniedException denied -> "it may not be written";
      case java.nio.file.FileAlreadyExistsException there -> "a file stands where a folder should";
      case java.nio.file.FileSystemException system when system.getReason() != null ->
          system.getReason();
      default -> "the disk refuses it";
    };
  }
}
