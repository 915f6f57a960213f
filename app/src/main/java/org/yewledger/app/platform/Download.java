package org.yewledger.app.platform;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** A file that the application makes, as an answer for the browser to keep. */
public final class Download {
  public static final MediaType CSV = new MediaType("text", "csv", StandardCharsets.UTF_8);
  public static final MediaType WORKBOOK =
      MediaType.parseMediaType("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet");

  private Download() {}

  /** A title as the name of a file: its letters and digits, with hyphens between. */
  public static String named(String title) {
    return title.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
  }

  /**
   * @param name without its ending
   */
  public static ResponseEntity<byte[]> csv(String name, byte[] content) {
    return of(name + ".csv", CSV, content);
  }

  /**
   * @param name without its ending
   */
  public static ResponseEntity<byte[]> workbook(String name, byte[] content) {
    return of(name + ".xlsx", WORKBOOK, content);
  }

  /**
   * @param name without its ending
   */
  public static ResponseEntity<byte[]> pdf(String name, byte[] content) {
    return of(name + ".pdf", MediaType.APPLICATION_PDF, content);
  }

  public static ResponseEntity<byte[]> of(String fileName, MediaType type, byte[] content) {
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename(fileName).build().toString())
        .contentType(type)
        .body(content);
  }
}
