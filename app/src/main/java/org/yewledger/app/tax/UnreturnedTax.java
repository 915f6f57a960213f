package org.yewledger.app.tax;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.report.Span;
import org.yewledger.core.report.TaxReturn;

/** Knows the periods whose sales tax is still to be returned. */
@Component
public class UnreturnedTax {
  private final TaxReturns returns;

  UnreturnedTax(TaxReturns returns) {
    this.returns = returns;
  }

  /**
   * Those that end within some months; empty if the book is not registered. What was before the
   * book began was returned without it.
   */
  @Transactional(readOnly = true)
  public Optional<List<Span>> within(BookEntity book, Chart chart, Span months) {
    LocalDate registered = later(book.taxedFrom(), began(book, chart));
    return registered == null
        ? Optional.empty()
        : Optional.of(
            TaxReturn.missing(
                book.taxPeriod(),
                registered,
                months,
                returns.of(book.id(), book.toBook().currency()).stream()
                    .map(TaxReturns.Kept::is)
                    .toList()));
  }

  private static @Nullable LocalDate began(BookEntity book, Chart chart) {
    return chart
        .accountsOf(book.id())
        .filter(account -> account.kind().isReconciled())
        .map(Account::opensOn)
        .filter(Objects::nonNull)
        .min(Comparator.naturalOrder())
        .orElse(null);
  }

  private static @Nullable LocalDate later(@Nullable LocalDate one, @Nullable LocalDate other) {
    return one == null || other == null || one.isAfter(other) ? one : other;
  }
}
