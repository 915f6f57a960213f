package org.yewledger.core.ledger;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.ExchangeRate;

/**
 * Brings what a book holds in other currencies to its worth at the end of a period. Amounts stay,
 * only values change; the difference is an exchange gain or loss that is not realised yet.
 */
public record Revaluation(Book book, LocalDate day, List<Line> lines) {

  /** One account: its amount, the value it is carried at, the rate of the day, and its worth. */
  public record Line(Account account, Position position, ExchangeRate rate, Amount worth) {
    /** Above zero where the value rises. */
    public Amount change() {
      return worth.minus(position.value());
    }
  }

  /**
   * @param accounts those of the book; only assets and debts in another currency count
   * @throws org.yewledger.core.Refusal {@code rate-missing}
   */
  public static Revaluation of(Book book, LocalDate day, List<Account> accounts, Ledger ledger) {
    var lines = new ArrayList<Line>();
    for (Account account : accounts) {
      Position position = ledger.position(account, day);
      if (isRevalued(account, book) && !position.isEmpty()) {
        Amount worth = ledger.rates().convert(position.amount(), book.currency(), day);
        ExchangeRate rate =
            ledger.rates().on(day, account.currency(), book.currency()).orElse(null);
        if (rate != null) {
          lines.add(new Line(account, position, rate, worth));
        }
      }
    }
    return new Revaluation(book, day, lines);
  }

  private static boolean isRevalued(Account account, Book book) {
    return account.book().equals(book)
        && account.isForeign()
        && !account.group()
        && account.closedOn() == null
        && account.kind().hasOpeningBalance();
  }

  /** The proposed entry; empty where every account already stands at its worth. */
  public Optional<Entry> entry(Account exchangeDifferences) {
    var postings = new ArrayList<Posting>();
    for (Line line : lines) {
      if (!line.change().isZero()) {
        postings.add(
            new Posting(
                line.account(),
                Amount.zero(line.account().currency()),
                line.change(),
                "at " + line.rate().rate().stripTrailingZeros().toPlainString()));
      }
    }
    if (postings.isEmpty()) {
      return Optional.empty();
    }
    // One posting for each account, so that a gain on one and a loss on another both show.
    for (Posting p : List.copyOf(postings)) {
      postings.add(new Posting(exchangeDifferences, p.value().negated(), p.account().name()));
    }
    return Optional.of(new Entry(day, "Revaluation", "", Entry.Origin.REVALUATION, postings));
  }
}
