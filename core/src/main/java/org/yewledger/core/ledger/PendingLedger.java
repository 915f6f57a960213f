package org.yewledger.core.ledger;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.yewledger.core.money.ExchangeRates;
import org.yewledger.core.tax.TaxChoice;
import org.yewledger.core.tax.TaxOnDay;

/**
 * A ledger with entries that are made but not stored yet: of several lines booked at once, each
 * meets the position that those before have left. Cost of a position: linear in what is pending on
 * accounts in other currencies, which alone are asked for.
 */
public final class PendingLedger implements Ledger {
  private record Pending(LocalDate day, Posting posting) {}

  private final Ledger stored;
  private final List<Pending> pending = new ArrayList<>();

  public PendingLedger(Ledger stored) {
    this.stored = stored;
  }

  /** Counts an entry that is going to be stored. */
  public void note(Entry entry) {
    entry.postings().stream()
        .filter(p -> p.account().isForeign())
        .forEach(p -> pending.add(new Pending(entry.date(), p)));
  }

  @Override
  public ExchangeRates rates() {
    return stored.rates();
  }

  @Override
  public Position position(Account account, LocalDate day) {
    Position position = stored.position(account, day);
    for (Pending p : pending) {
      if (p.posting().account().id().equals(account.id()) && !p.day().isAfter(day)) {
        position = position.plus(new Position(p.posting().amount(), p.posting().value()));
      }
    }
    return position;
  }

  @Override
  public Account drawings(Book book) {
    return stored.drawings(book);
  }

  @Override
  public Account suspense(Book book) {
    return stored.suspense(book);
  }

  @Override
  public Optional<TaxOnDay> tax(Account account, TaxChoice choice, LocalDate day) {
    return stored.tax(account, choice, day);
  }

  @Override
  public Account salesTax(Book book) {
    return stored.salesTax(book);
  }

  @Override
  public Account exchangeDifferences(Book book) {
    return stored.exchangeDifferences(book);
  }
}
