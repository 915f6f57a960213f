package org.yewledger.formats.datapackage;

import java.util.List;

/**
 * What a table holds, as the Table Schema standard says it.
 *
 * @param primaryKey the fields that tell its rows apart; empty without any
 */
public record TableSchema(
    List<Field> fields, List<String> primaryKey, List<ForeignKey> foreignKeys) {
  public TableSchema {
    fields = List.copyOf(fields);
    primaryKey = List.copyOf(primaryKey);
    foreignKeys = List.copyOf(foreignKeys);
  }

  /**
   * @param description for who reads the table; empty if the name says it all
   */
  public record Field(String name, Type type, String description) {}

  /** Fields that name a row of a table. */
  public record ForeignKey(List<String> fields, String table, List<String> itsFields) {
    public ForeignKey {
      fields = List.copyOf(fields);
      itsFields = List.copyOf(itsFields);
    }
  }

  /** How values are written. */
  public enum Type {
    STRING("string", "default"),
    UUID("string", "uuid"),
    INTEGER("integer", "default"),
    NUMBER("number", "default"),
    BOOLEAN("boolean", "default"),
    /** ISO 8601: 2026-09-30. */
    DATE("date", "default"),
    /** ISO 8601 in UTC: 2026-09-30T08:05:00Z. */
    DATETIME("datetime", "any"),
    /** A value in JSON (RFC 8259). */
    JSON("any", "default");

    private final String type;
    private final String format;

    Type(String type, String format) {
      this.type = type;
      this.format = format;
    }

    String type() {
      return type;
    }

    String format() {
      return format;
    }
  }
}
