package org.yewledger.app.datapackage;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.yewledger.formats.datapackage.TableSchema;
import org.yewledger.formats.datapackage.TableSchema.Type;

/** What the columns of packaged tables are, as the database knows them. */
@Component
class TableColumns {
  private static final String COLUMNS =
      """
      select a.attname, format_type(a.atttypid, null), a.attnotnull from pg_attribute a
       where a.attrelid = ?::regclass and a.attnum > 0 and not a.attisdropped and a.attgenerated = ''
         and a.attname <> 'household_id'
       order by a.attnum\
      """;

  private static final String KEYS =
      """
      select c.contype::text, c.confrelid::regclass::text,
             (select string_agg(a.attname, ',' order by k.place) from unnest(c.conkey) with ordinality k (no, place)
                join pg_attribute a on a.attrelid = c.conrelid and a.attnum = k.no where a.attname <> 'household_id'),
             (select string_agg(a.attname, ',' order by k.place) from unnest(c.confkey) with ordinality k (no, place)
                join pg_attribute a on a.attrelid = c.confrelid and a.attnum = k.no where a.attname <> 'household_id')
        from pg_constraint c where c.conrelid = ?::regclass and c.contype in ('p', 'f') order by c.conname\
      """;

  record Column(String name, String type, boolean required) {
    /** Whether it names who did something: a person, of whom a package has the name only. */
    boolean isPerson() {
      return type.equals("uuid") && name.endsWith("_by");
    }

    boolean isText() {
      return type.equals("text") || type.equals("character");
    }

    /** Whether its values are written in JSON. */
    boolean isJson() {
      return type.equals("jsonb") || type.endsWith("[]");
    }

    /** SQL that writes a value of it as the package has it. */
    String written() {
      return switch (type) {
        case "timestamp with time zone" ->
            "to_char(%s at time zone 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS.US\"Z\"')".formatted(name);
        case "bytea" -> "encode(%s, 'hex')".formatted(name);
        default -> isJson() ? "to_jsonb(%s)::text".formatted(name) : "%s::text".formatted(name);
      };
    }

    private Type shown() {
      return switch (type) {
        case "uuid" -> Type.UUID;
        case "bigint", "integer", "smallint" -> Type.INTEGER;
        case "numeric" -> Type.NUMBER;
        case "boolean" -> Type.BOOLEAN;
        case "date" -> Type.DATE;
        case "timestamp with time zone" -> Type.DATETIME;
        default -> isJson() ? Type.JSON : Type.STRING;
      };
    }

    private TableSchema.Field field() {
      return new TableSchema.Field(name, shown(), description());
    }

    private String description() {
      if (isPerson()) {
        return "a person of the table person";
      }
      return name.endsWith("_minor")
          ? "in minor units of its currency: 4820 is 48.20 in EUR"
          : type.equals("bytea") ? "in hexadecimal" : "";
    }
  }

  private final JdbcClient jdbc;

  TableColumns(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** In their order in the table; what the database reckons by itself is left out. */
  Map<String, Column> of(String table) {
    Map<String, Column> columns = new LinkedHashMap<>();
    jdbc.sql(COLUMNS)
        .param(table)
        .query(row -> {
          columns.put(
              row.getString(1), new Column(row.getString(1), row.getString(2), row.getBoolean(3)));
        });
    return columns;
  }

  /** As others may read it. References to tables that are not in the package are left out. */
  TableSchema schema(String table, Map<String, Column> columns, Set<String> packaged) {
    List<String> primary = new ArrayList<>();
    List<TableSchema.ForeignKey> foreign = new ArrayList<>();
    jdbc.sql(KEYS)
        .param(table)
        .query(row -> {
          String names = row.getString(3);
          if (names == null) {
            return;
          }
          if (row.getString(1).equals("p")) {
            primary.addAll(List.of(names.split(",")));
          } else if (packaged.contains(row.getString(2)) && row.getString(4) != null) {
            foreign.add(
                new TableSchema.ForeignKey(
                    List.of(names.split(",")),
                    row.getString(2),
                    List.of(row.getString(4).split(","))));
          }
        });
    return new TableSchema(columns.values().stream().map(Column::field).toList(), primary, foreign);
  }

  static Set<String> packaged() {
    return PackagedTable.all().map(PackagedTable::name).collect(Collectors.toSet());
  }
}
