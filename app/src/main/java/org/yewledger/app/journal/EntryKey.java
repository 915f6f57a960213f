package org.yewledger.app.journal;

import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.Base64;
import org.yewledger.core.Refusal;

/**
 * Where a page of the sorted journal ended: the day and number of its last entry, and what it was
 * sorted by. Travels as {@code 2026-09-30_933_Z3JlZW5nYWdl}.
 */
record EntryKey(LocalDate date, long no, String value) {
  static EntryKey parse(String text) {
    String[] parts = text.split("_", 3);
    try {
      String value = new String(Base64.getUrlDecoder().decode(parts[2]), StandardCharsets.UTF_8);
      return new EntryKey(LocalDate.parse(parts[0]), Long.parseLong(parts[1]), value);
    } catch (DateTimeException | IllegalArgumentException | ArrayIndexOutOfBoundsException e) {
      throw Refusal.ofField("bad-page", "after", "%s is not the key of a page.".formatted(text));
    }
  }

  @Override
  public String toString() {
    byte[] bytes = value.getBytes(StandardCharsets.UTF_8);
    return date + "_" + no + "_" + Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
  }
}
