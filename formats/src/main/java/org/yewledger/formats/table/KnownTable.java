package org.yewledger.formats.table;

import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.yewledger.formats.UnreadableFile;

/**
 * A table as it was read before.
 *
 * @param headerKey as {@link Table#headerKey}
 * @param reading how it was cut into cells
 */
public record KnownTable(String headerKey, TableReading reading) {
  /**
   * The cells as found out, or as they were cut before where that gives column names known. Cost:
   * the file is read once for each different reading, until one fits.
   *
   * @throws UnreadableFile if no table can be found in the file
   */
  public static Table cells(byte[] bytes, Collection<KnownTable> known) {
    Table found = null;
    UnreadableFile problem = null;
    for (TableReading reading : readings(known)) {
      try {
        Table cells = Table.parse(bytes, reading);
        if (known.stream().anyMatch(k -> k.headerKey().equals(cells.headerKey()))) {
          return cells;
        }
        found = found == null ? cells : found;
      } catch (UnreadableFile e) {
        problem = problem == null ? e : problem;
      }
    }
    return required(found, problem);
  }

  private static Set<TableReading> readings(Collection<KnownTable> known) {
    Set<TableReading> readings = new LinkedHashSet<>();
    readings.add(TableReading.FIND_OUT);
    known.forEach(k -> readings.add(k.reading()));
    return readings;
  }

  private static Table required(@Nullable Table found, @Nullable UnreadableFile problem) {
    if (found == null) {
      throw problem == null ? UnreadableFile.whole("No table is in the file.") : problem;
    }
    return found;
  }
}
