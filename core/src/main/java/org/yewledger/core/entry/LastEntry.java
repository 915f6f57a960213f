package org.yewledger.core.entry;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Marks;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.ledger.PostingTax;
import org.yewledger.core.ledger.SalesTaxes;
import org.yewledger.core.money.Amount;
import org.yewledger.core.tax.TaxChoice;

/**
 * How a payee was booked last, as money that went from one place to another: what an empty field of
 * its next entry means.
 *
 * @param from where it came from; null if it came from several places
 * @param to where it went; null if it went to several
 * @param amount what left {@code from}, or else arrived at {@code to}, gross and above zero; null
 *     if both are several
 * @param tax what was said of its sales tax
 * @param marks its method and tags; a reference is of one entry only
 */
public record LastEntry(
    @Nullable Account from,
    @Nullable Account to,
    @Nullable Amount amount,
    TaxChoice tax,
    Marks marks) {

  /**
   * What an entry of that day says; accounts that are closed since are no longer usual. Cost:
   * linear in the postings.
   */
  public static LastEntry of(LocalDate day, List<Posting> postings, Marks marks, SalesTaxes taxes) {
    Map<Account, Amount> places = new LinkedHashMap<>();
    TaxChoice tax = TaxChoice.AS_USUAL;
    Account net = null;
    for (Posting posting : postings) {
      boolean isTax = posting.tax() != null && posting.tax().role() == PostingTax.Role.TAX;
      // The tax stands behind its net amount: together they are what was paid.
      Account account = isTax && net != null ? net : posting.account();
      if (account.kind() == AccountKind.DRAWINGS || account.kind() == AccountKind.EXCHANGE) {
        continue;
      }
      places.merge(account, posting.amount(), Amount::plus);
      if (!isTax) {
        net = account;
        if (account.accountClass().isCategory()) {
          tax = taxes.choiceOf(account, posting.tax(), day);
        }
      }
    }
    List<Account> from = places(places, -1);
    List<Account> to = places(places, 1);
    Account told = from.size() == 1 ? from.getFirst() : to.size() == 1 ? to.getFirst() : null;
    return new LastEntry(
        only(from),
        only(to),
        told == null ? null : Objects.requireNonNull(places.get(told)).size(),
        tax,
        new Marks("", marks.method(), marks.tags()));
  }

  private static List<Account> places(Map<Account, Amount> places, int sign) {
    return places.entrySet().stream()
        .filter(place -> place.getValue().sign() == sign)
        .map(Map.Entry::getKey)
        .toList();
  }

  private static @Nullable Account only(List<Account> accounts) {
    return accounts.size() == 1 && accounts.getFirst().closedOn() == null
        ? accounts.getFirst()
        : null;
  }

  /** Whether it went from and to the same places as another. */
  public boolean isLike(LastEntry other) {
    return from != null && to != null && from.equals(other.from) && to.equals(other.to);
  }

  /** The other place, seen from an account of one's own. */
  @Nullable Account across(Account account) {
    if (account.equals(from)) {
      return to;
    }
    if (account.equals(to)) {
      return from;
    }
    return goesOut() ? to : from;
  }

  /** Whether money went out: to a category, or from one account of one's own to another. */
  boolean goesOut() {
    return from == null || !from.accountClass().isCategory();
  }
}
