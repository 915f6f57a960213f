package org.yewledger.core.ledger;

import java.time.LocalDate;
import org.yewledger.core.money.ExchangeRates;

/** What an entry needs to know of the books around it while it is being made. */
public interface Ledger {
  ExchangeRates rates();

  /** What stands on an account at the end of a day. */
  Position position(Account account, LocalDate day);

  /** The account of drawings and contributions of a book. */
  Account drawings(Book book);

  /** Where the part of an entry stands that is not placed yet, in a book. */
  Account suspense(Book book);

  /** The account of exchange gains and losses of a book. */
  Account exchangeDifferences(Book book);
}
