package org.yewledger.core.sheet;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.ledger.SalesTaxes;
import org.yewledger.core.money.Decimals;
import org.yewledger.core.tax.TaxChoice;

/** Reads what a sheet says of the sales tax in an amount. */
final class SheetTax {
  private static final Set<String> NONE = Set.of("none", "no", "-", "0", "0%", "0 %");

  private SheetTax() {}

  /**
   * A rate by its name or by its percentage on the day; empty text leaves what is usual.
   *
   * @throws Refusal {@code sheet-tax-unknown} if no rate of the book is meant, or more than one
   */
  static TaxChoice of(String text, Book book, LocalDate day, SalesTaxes taxes) {
    String said = text.strip().toLowerCase(Locale.ROOT);
    if (said.isEmpty()) {
      return TaxChoice.AS_USUAL;
    }
    if (NONE.contains(said)) {
      return TaxChoice.NONE;
    }
    List<UUID> named = ratesOf(book, taxes, rate -> rate.rate().name().equalsIgnoreCase(said));
    Optional<BigDecimal> percent = Decimals.read(said.replace("%", "").strip());
    List<UUID> meant =
        named.isEmpty() && percent.isPresent()
            ? ratesOf(
                book,
                taxes,
                rate ->
                    rate.rate().percentOn(day).filter(p -> isSame(p, percent.get())).isPresent())
            : named;
    if (meant.size() != 1) {
      throw Refusal.ofField(
          "sheet-tax-unknown",
          "tax",
          "%s %s on %s. Write the name of a rate, or none."
              .formatted(
                  book.name(),
                  meant.isEmpty()
                      ? "has no tax rate " + text.strip()
                      : "has more than one tax rate of " + text.strip(),
                  day));
    }
    return TaxChoice.at(meant.getFirst());
  }

  private static boolean isSame(BigDecimal one, BigDecimal other) {
    return one.compareTo(other) == 0;
  }

  private static List<UUID> ratesOf(Book book, SalesTaxes taxes, Predicate<SalesTaxes.Rate> fits) {
    return taxes.rates().entrySet().stream()
        .filter(e -> e.getValue().bookId().equals(book.id()) && fits.test(e.getValue()))
        .map(Map.Entry::getKey)
        .toList();
  }
}
