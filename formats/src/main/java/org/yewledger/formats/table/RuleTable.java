package org.yewledger.formats.table;

import java.util.List;

/**
 * Rules as a table, in their order: what each looks for in words, what it books, whether it is
 * tried and trusted. The words are read by {@code core.rules.ConditionReader}.
 */
public final class RuleTable {
  private static final List<String> REQUIRED = List.of("when", "book to");
  private static final List<String> OPTIONAL =
      List.of("payee", "tags", "note", "switched", "trusted up to");
  private static final List<String> COLUMNS =
      List.of("when", "payee", "book to", "tags", "note", "switched", "trusted up to");

  /**
   * A rule in the words of the table.
   *
   * @param bookTo an account by its name, or "60 Rent; 25 % Workshop; rest Groceries"
   * @param tags separated by commas
   * @param switched "off" for one that is not tried
   * @param trustedUpTo an amount with a decimal point; empty if it waits for the person
   */
  public record RuleRow(
      int line,
      String when,
      String payee,
      String bookTo,
      String tags,
      String note,
      String switched,
      String trustedUpTo) {}

  private RuleTable() {}

  public static List<RuleRow> read(byte[] bytes) {
    return NamedRows.read(bytes, REQUIRED, OPTIONAL).stream()
        .map(r ->
            new RuleRow(
                r.line(),
                r.cell("when"),
                r.cell("payee"),
                r.cell("book to"),
                r.cell("tags"),
                r.cell("note"),
                r.cell("switched"),
                r.cell("trusted up to")))
        .toList();
  }

  public static byte[] write(List<RuleRow> rows) {
    return NamedRows.write(
        COLUMNS,
        rows.stream()
            .map(r ->
                List.of(
                    r.when(),
                    r.payee(),
                    r.bookTo(),
                    r.tags(),
                    r.note(),
                    r.switched(),
                    r.trustedUpTo()))
            .toList());
  }
}
