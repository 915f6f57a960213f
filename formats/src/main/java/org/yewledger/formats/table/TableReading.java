package org.yewledger.formats.table;

import java.nio.charset.Charset;
import org.jspecify.annotations.Nullable;

/**
 * How a person wants a table to be cut into cells; what is null is found out.
 *
 * @param headerLine the line of the file that names the columns, from 1
 */
public record TableReading(
    @Nullable Charset charset, @Nullable Character separator, @Nullable Integer headerLine) {
  public static final TableReading FIND_OUT = new TableReading(null, null, null);
}
