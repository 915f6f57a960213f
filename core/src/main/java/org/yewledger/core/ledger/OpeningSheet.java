package org.yewledger.core.ledger;

import java.util.List;

/** All opening balances of a book on one sheet, with the opening equity that balances them. */
public record OpeningSheet(Book book, List<Row> rows) {

  /**
   * An account's opening balance.
   *
   * @param amountMinor minor units of the account's currency, a debt below zero
   * @param baseMinor its value in the book's base currency
   */
  public record Row(String name, long amountMinor, long baseMinor) {}

  /** What opening equity has to be, debits positive. */
  public long equityMinor() {
    return -rows.stream().mapToLong(Row::baseMinor).sum();
  }

  /** The sum of both sides, which the equity makes equal. */
  public long totalMinor() {
    long debits = rows.stream().mapToLong(r -> Math.max(r.baseMinor(), 0)).sum();
    return debits + Math.max(equityMinor(), 0);
  }
}
