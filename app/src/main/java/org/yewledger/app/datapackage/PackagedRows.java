package org.yewledger.app.datapackage;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.postgresql.util.PSQLException;
import org.postgresql.util.ServerErrorMessage;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.yewledger.app.datapackage.TableColumns.Column;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.platform.Walls;
import org.yewledger.core.Refusal;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.datapackage.DataPackageFile;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The rows of a table of a package, as JSON that the database makes rows of. */
final class PackagedRows {
  private static final Logger LOG = LoggerFactory.getLogger(PackagedRows.class);
  private static final int AT_ONCE = 500;
  private static final JsonMapper JSON = JsonMapper.builder().build();

  /** Takes some rows of a table. */
  interface Some {
    void rows(List<String> header, ArrayNode rows);
  }

  private final String table;
  private final Map<String, Column> columns;
  private final Set<String> leftEmpty;
  private List<String> header = List.of();
  private ArrayNode gathered = JSON.createArrayNode();
  private long first;

  /**
   * @param leftEmpty columns whose values are not read
   */
  PackagedRows(String table, Map<String, Column> columns, Set<String> leftEmpty) {
    this.table = table;
    this.columns = columns;
    this.leftEmpty = leftEmpty;
  }

  /**
   * @throws UnreadableFile if the table has columns that are not known, or values that are none
   * @throws Refusal {@code package-refused} if the database takes them not
   */
  void read(DataPackageFile whole, Some some) throws IOException {
    whole.rows(
        table,
        (line, cells) -> {
          if (header.isEmpty()) {
            header = known(cells);
            return;
          }
          if (gathered.isEmpty()) {
            first = line;
          }
          gathered.add(row(line, cells));
          if (gathered.size() == AT_ONCE) {
            hand(some, line);
          }
        });
    if (!gathered.isEmpty()) {
      hand(some, first + gathered.size() - 1);
    }
  }

  private void hand(Some some, long last) {
    try {
      some.rows(header, gathered);
    } catch (DataAccessException e) {
      throw refused("data/%s.csv, lines %d to %d".formatted(table, first, last), e);
    }
    gathered = JSON.createArrayNode();
  }

  /** Says where; what the database has said of it is for whoever keeps the machine. */
  static Refusal refused(String where, DataAccessException e) {
    LOG.info(
        "{} was refused: {}",
        where,
        Walls.cause(e)
            .map(PSQLException::getServerErrorMessage)
            .map(ServerErrorMessage::getConstraint));
    return Refusal.of(
        "package-refused",
        "%s: what stands there cannot be in books, or does not fit the rest. Nothing was taken in."
            .formatted(where));
  }

  private List<String> known(List<String> names) {
    for (String name : names) {
      if (!columns.containsKey(name)) {
        throw UnreadableFile.whole(
            "data/%s.csv has a column %s, which is not known here.".formatted(table, name));
      }
    }
    return List.copyOf(names);
  }

  private ObjectNode row(long line, List<String> cells) {
    if (cells.size() != header.size()) {
      throw UnreadableFile.whole(
          "data/%s.csv, line %d: %d cells where there are %d columns."
              .formatted(table, line, cells.size(), header.size()));
    }
    ObjectNode row = JSON.createObjectNode();
    for (int i = 0; i < cells.size(); i++) {
      Column column = Objects.requireNonNull(columns.get(header.get(i)));
      String cell = cells.get(i);
      boolean missing =
          leftEmpty.contains(column.name())
              || cell.isEmpty() && !(column.isText() && column.required());
      if (!missing) {
        put(row, column, cell, line);
      }
    }
    return row;
  }

  private void put(ObjectNode row, Column column, String cell, long line) {
    if (column.isPerson()) {
      row.put(column.name(), SignedIn.now().personId().toString());
    } else if (column.type().equals("bytea")) {
      row.put(column.name(), "\\x" + cell);
    } else if (column.isJson()) {
      try {
        row.set(column.name(), JSON.readTree(cell));
      } catch (JacksonException e) {
        throw UnreadableFile.whole(
            "data/%s.csv, line %d, %s: this is no JSON.".formatted(table, line, column.name()));
      }
    } else {
      row.put(column.name(), cell);
    }
  }
}
