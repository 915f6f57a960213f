package org.yewledger.formats.table;

import java.util.List;

/** Rules as a table, in their order: words, direction, on account, payee, book to. */
public final class RuleTable {
  private static final List<String> REQUIRED = List.of("words", "book to");
  private static final List<String> OPTIONAL = List.of("direction", "on account", "payee");
  private static final List<String> COLUMNS =
      List.of("words", "direction", "on account", "payee", "book to");

  /** A rule in the words of the table; accounts by their names, an empty one is any. */
  public record RuleRow(
      int line, String words, String direction, String onAccount, String payee, String bookTo) {}

  private RuleTable() {}

  public static List<RuleRow> read(byte[] bytes) {
    return NamedRows.read(bytes, REQUIRED, OPTIONAL).stream()
        .map(r ->
            new RuleRow(
                r.line(),
                r.cell("words"),
                r.cell("direction"),
                r.cell("on account"),
                r.cell("payee"),
                r.cell("book to")))
        .toList();
  }

  public static byte[] write(List<RuleRow> rows) {
    return NamedRows.write(
        COLUMNS,
        rows.stream()
            .map(r -> List.of(r.words(), r.direction(), r.onAccount(), r.payee(), r.bookTo()))
            .toList());
  }
}
