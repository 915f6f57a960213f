package org.yewledger.core.report;

import java.time.LocalDate;
import java.util.List;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Draft;
import org.yewledger.core.ledger.Marks;
import org.yewledger.core.money.Amount;

/** Sales tax that is paid to the tax office, or that it pays back. */
public final class TaxPayment {
  private TaxPayment() {}

  /**
   * @param amount in the book's currency; above zero what is paid, below what is paid back
   * @param salesTax where the book's sales tax stands
   * @throws Refusal {@code zero-payment}; {@code payment-abroad} on an account of another book or
   *     currency
   */
  public static Draft of(
      Account from, Account salesTax, LocalDate on, Amount amount, String payee, Span about) {
    if (amount.isZero()) {
      throw Refusal.ofField("zero-payment", "amount", "Say how much was paid.");
    }
    if (from.isForeign() || !from.book().equals(salesTax.book())) {
      throw Refusal.ofField(
          "payment-abroad",
          "accountId",
          "%s is of another book or in another currency. Choose an account of %s in %s."
              .formatted(from.name(), salesTax.book().name(), salesTax.book().currency()));
    }
    return new Draft(
        on,
        payee,
        "Sales tax %s to %s".formatted(about.first(), about.last()),
        List.of(new Draft.Line(salesTax, amount, ""), new Draft.Line(from, amount.negated(), "")),
        Marks.NONE);
  }
}
