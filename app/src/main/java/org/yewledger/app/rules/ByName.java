package org.yewledger.app.rules;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.TaxRateService;
import org.yewledger.core.ledger.Account;

/** What rules name, found by its name: in tables, and in another book. */
record ByName(Chart chart, List<TaxRateService.Kept> rates) {
  Optional<UUID> account(String name, UUID bookId) {
    return chart.accountsOf(bookId).filter(a -> isCalled(a, name)).map(Account::id).findFirst();
  }

  /** Of the book, or else of any. */
  Optional<UUID> accountAnywhere(String name, UUID bookId) {
    return account(name, bookId)
        .or(() -> chart.accounts().filter(a -> isCalled(a, name)).map(Account::id).findFirst());
  }

  private static boolean isCalled(Account account, String name) {
    return !account.group() && account.name().equalsIgnoreCase(name.strip());
  }

  Optional<UUID> rate(String name, UUID bookId) {
    return rates.stream()
        .filter(kept -> kept.bookId().equals(bookId) && kept.rate().name().equalsIgnoreCase(name))
        .map(TaxRateService.Kept::id)
        .findFirst();
  }

  String nameOfRate(UUID id) {
    return rates.stream()
        .filter(kept -> kept.id().equals(id))
        .map(kept -> kept.rate().name())
        .findFirst()
        .orElse("");
  }
}
