package org.yewledger.core.post;

import java.util.ArrayList;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Draft;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amount;

/** What a bank line moves beyond the entry that it is, such as a tip or a fee. */
public final class Difference {
  private Difference() {}

  /**
   * The entry with the line's amount at the bank, and what that is beyond it placed.
   *
   * @param atBank the place of the posting that the line is
   * @param line what the line moves, in the currency of that posting's account
   * @param to where the difference is booked
   * @throws Refusal {@code difference-abroad} where an account in another currency is part of it:
   *     what that is worth does not follow from the line
   */
  public static Draft placed(Entry entry, int atBank, Amount line, Account to) {
    var lines = new ArrayList<Draft.Line>();
    for (int place = 0; place < entry.postings().size(); place++) {
      Posting posting = entry.postings().get(place);
      requireAtHome(posting.account());
      // What keeps each book balanced is worked out anew.
      if (posting.account().kind() != AccountKind.DRAWINGS) {
        Amount amount = place == atBank ? line : posting.amount();
        lines.add(new Draft.Line(posting.account(), amount, posting.note(), posting.tax()));
      }
    }
    requireAtHome(to);
    Amount beyond = line.minus(entry.postings().get(atBank).amount());
    lines.add(new Draft.Line(to, beyond.negated(), ""));
    return new Draft(entry.date(), entry.payee(), entry.note(), lines, entry.marks());
  }

  private static void requireAtHome(Account account) {
    if (account.isForeign()) {
      throw Refusal.ofField(
          "difference-abroad",
          "lines",
          "%s is in another currency. Change the amounts in the journal."
              .formatted(account.name()));
    }
  }
}
