package org.yewledger.app.datapackage;

import java.io.FilterInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** Reads a file that goes once it is read. */
final class FileThatGoes extends FilterInputStream {
  private final Path file;

  FileThatGoes(Path file) throws IOException {
    super(Files.newInputStream(file));
    this.file = file;
  }

  @Override
  public void close() throws IOException {
    super.close();
    Files.deleteIfExists(file);
  }
}
