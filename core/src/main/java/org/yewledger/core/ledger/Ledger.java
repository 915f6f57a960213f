package org.yewledger.core.ledger;

import java.time.LocalDate;
import java.util.Optional;
import org.yewledger.core.money.ExchangeRates;
import org.yewledger.core.tax.TaxChoice;
import org.yewledger.core.tax.TaxOnDay;

/** What an entry needs to know of the books around it while it is being made. */
public interface Ledger {
  ExchangeRates rates();

  /** What stands on an account at the end of a day. */
  Position position(Account account, LocalDate day);

  /** The account of drawings and contributions of a book. */
  Account drawings(Book book);

  /** Where the part of an entry stands that is not placed yet, in a book. */
  Account suspense(Book book);

  /**
   * The sales tax in what is booked to an account on a day; empty where there is none.
   *
   * @throws org.yewledger.core.Refusal if a rate that was chosen cannot be
   */
  Optional<TaxOnDay> tax(Account account, TaxChoice choice, LocalDate day);

  /** Where the sales tax of a book stands until it is paid. */
  Account salesTax(Book book);

  /** The account of exchange gains and losses of a book. */
  Account exchangeDifferences(Book book);
}
