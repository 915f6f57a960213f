package org.yewledger.formats.table;

import java.util.List;

/** What was agreed in a statement as a table: what was ticked, and what stayed open. */
public final class AgreementTable {
  private static final List<String> COLUMNS = List.of("date", "no", "payee", "amount", "state");

  /**
   * A posting as it was agreed.
   *
   * @param date by ISO 8601
   * @param amount with a decimal point, money in above zero
   * @param state "agreed" or "open"
   */
  public record AgreedRow(String date, String no, String payee, String amount, String state) {}

  private AgreementTable() {}

  /** As CSV (RFC 4180), in UTF-8, in the order of the rows. */
  public static byte[] write(List<AgreedRow> rows) {
    return NamedRows.write(
        COLUMNS,
        rows.stream()
            .map(r -> List.of(r.date(), r.no(), r.payee(), r.amount(), r.state()))
            .toList());
  }
}
