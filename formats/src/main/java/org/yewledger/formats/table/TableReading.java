package org.yewledger.formats.table;

import java.nio.charset.Charset;
import org.jspecify.annotations.Nullable;
import org.yewledger.formats.TextDecoding;

/**
 * How a person wants a table to be cut into cells; what is null is found out.
 *
 * @param headerLine the line of the file that names the columns, from 1
 */
public record TableReading(
    @Nullable Charset charset, @Nullable Character separator, @Nullable Integer headerLine) {
  public static final TableReading FIND_OUT = new TableReading(null, null, null);

  /**
   * As a person says it in words.
   *
   * @param encoding the name of one of {@link TextDecoding#ENCODINGS}
   * @param separator what stands between cells; its first character counts
   * @throws org.yewledger.core.Refusal {@code unknown-encoding}
   */
  public static TableReading said(
      @Nullable String encoding, @Nullable String separator, @Nullable Integer headerLine) {
    return new TableReading(
        encoding == null ? null : TextDecoding.named(encoding),
        separator == null || separator.isEmpty() ? null : separator.charAt(0),
        headerLine);
  }
}
