package org.yewledger.core.report;

import java.util.List;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amount;

/**
 * What an entry moved, as one figure: seen from the money of the book that it begins in. Earned is
 * above zero and spent below, after whatever was kept back of it; between own accounts it is what
 * was moved.
 *
 * @param transfer whether no category is touched
 */
public record Movement(Amount amount, boolean transfer) {

  /**
   * Cost: linear in the postings.
   *
   * @param postings of one entry, at least one
   */
  public static Movement of(List<Posting> postings) {
    Book book = postings.getFirst().account().book();
    List<Posting> own =
        postings.stream()
            .filter(p -> p.account().book().equals(book))
            .filter(p -> p.account().kind() != AccountKind.DRAWINGS)
            .toList();
    boolean category = postings.stream().anyMatch(p -> p.account().accountClass().isCategory());
    if (category && own.stream().anyMatch(Movement::isMoney)) {
      List<Amount> money = own.stream().filter(Movement::isMoney).map(Posting::value).toList();
      return new Movement(Amount.sum(book.currency(), money), false);
    }
    // To another book it only leaves this one; within one, as much arrives as leaves.
    Amount arrived = Amount.sum(book.currency(), own.stream().map(Posting::debit).toList());
    Amount left = Amount.sum(book.currency(), own.stream().map(Posting::credit).toList());
    return new Movement(arrived.isZero() ? left : arrived, !category);
  }

  private static boolean isMoney(Posting posting) {
    AccountClass accountClass = posting.account().accountClass();
    return accountClass == AccountClass.ASSET || accountClass == AccountClass.LIABILITY;
  }
}
