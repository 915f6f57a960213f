package org.yewledger.e2e;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Page;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.springframework.util.FileSystemUtils;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/**
 * What a household takes out is read by the reference library of the Data Package standard, which
 * knows nothing of Yew Ledger: ../validator.
 */
public class DataPackageStandardTest extends BrowserTest {
  private static final Path VALIDATOR = Path.of("validator");

  private Path folder;

  /** What the validator said, and with what it ended. */
  private record Validated(int ended, String said) {}

  @BeforeMethod
  void takeOut() throws IOException {
    Page page = signedInAt("/");
    folder = Files.createTempDirectory("data-package");
    URI address = URI.create(page.url()).resolve("/api/data-package");
    byte[] whole = page.request().get(address.toString()).body();
    try (var zip = new ZipInputStream(new ByteArrayInputStream(whole))) {
      for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
        Path file = folder.resolve(entry.getName());
        Files.createDirectories(file.getParent());
        Files.write(file, zip.readAllBytes());
      }
    }
  }

  @AfterMethod(alwaysRun = true)
  void clear() throws IOException {
    FileSystemUtils.deleteRecursively(folder);
  }

  private Validated validated() throws Exception {
    Process node =
        new ProcessBuilder("node", "validate.mjs", folder.resolve("datapackage.json").toString())
            .directory(VALIDATOR.toFile())
            .redirectErrorStream(true)
            .start();
    String said = new String(node.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    return new Validated(node.waitFor(), said);
  }

  @Test
  public void everyTableFitsItsSchemaAndWhatItRefersToIsThere() throws Exception {
    Validated read = validated();
    assertEquals(read.ended(), 0, read.said());
    assertTrue(read.said().matches("(?s).*\\nentry [1-9]\\d+\\n.*"), read.said());
  }

  @Test
  public void whatDoesNotFitIsFound() throws Exception {
    Path postings = folder.resolve("data/posting.csv");
    String csv = Files.readString(postings);
    Files.writeString(postings, csv.replaceFirst("\n[^,]+,", "\nno identity,"));
    Validated read = validated();
    assertEquals(read.ended(), 1, read.said());
    assertTrue(read.said().contains("posting: "), read.said());
  }
}
