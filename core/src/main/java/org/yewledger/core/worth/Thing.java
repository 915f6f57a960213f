package org.yewledger.core.worth;

import java.time.LocalDate;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.money.Amount;

/** Something that is owned and stands in an account of its own: a house, a press, a car. */
public final class Thing {
  private Thing() {}

  /**
   * @throws Refusal {@code not-a-thing}
   */
  public static void require(Account account) {
    if (account.kind() != AccountKind.PROPERTY
        || account.group()
        || account.closedOn() != null
        || !account.currency().equals(account.book().currency())) {
      throw Refusal.ofField(
          "not-a-thing",
          "accountId",
          "%s is no thing in use that is booked in its book's currency.".formatted(account.name()));
    }
  }

  /**
   * Whether a thing can be worth so much from a day on.
   *
   * @throws Refusal {@code not-a-thing}, {@code worth-below-zero}, {@code valued-before-bought}
   */
  public static void requireValuation(Account account, LocalDate day, Amount worth) {
    require(account);
    if (worth.sign() < 0) {
      throw Refusal.ofField("worth-below-zero", "worth", "A thing is worth zero or more.");
    }
    if (account.opensOn() != null && day.isBefore(account.opensOn())) {
      throw Refusal.ofField(
          "valued-before-bought",
          "day",
          "%s stands in the books from %s on.".formatted(account.name(), account.opensOn()));
    }
  }
}
