package org.yewledger.core.ledger;

import java.util.List;
import org.yewledger.core.money.Amount;

/** All opening balances of a book on one sheet, with the opening equity that balances them. */
public record OpeningSheet(Book book, List<Row> rows) {

  /**
   * An account's opening balance.
   *
   * @param amount in the account's currency, a debt below zero
   * @param value what it is worth in the book's base currency
   */
  public record Row(String name, Amount amount, Amount value) {}

  /** What opening equity has to be, debits positive. */
  public Amount equity() {
    return Amount.sum(book.currency(), rows.stream().map(Row::value).toList()).negated();
  }

  /** The sum of both sides, which the equity makes equal. */
  public Amount total() {
    return Amount.sum(book.currency(), rows.stream().map(r -> r.value().ifAbove()).toList())
        .plus(equity().ifAbove());
  }
}
