package org.yewledger.core.ledger;

import java.time.LocalDate;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.tax.TaxChoice;
import org.yewledger.core.tax.TaxOnDay;
import org.yewledger.core.tax.TaxRate;

/**
 * The sales tax of all books.
 *
 * @param books those that are registered, by their identity
 * @param rates by their identity
 * @param ofAccounts the rate that an account's entries have unless said otherwise
 */
public record SalesTaxes(
    Map<UUID, Registration> books, Map<UUID, Rate> rates, Map<UUID, UUID> ofAccounts) {
  public static final SalesTaxes NONE = new SalesTaxes(Map.of(), Map.of(), Map.of());

  /**
   * @param from the first day of registration
   * @param usualRateId the rate of categories that have none of their own; null if they have none
   */
  public record Registration(LocalDate from, @Nullable UUID usualRateId) {}

  /** A rate, and the book that it is of. */
  public record Rate(UUID bookId, TaxRate rate) {}

  public SalesTaxes {
    books = Map.copyOf(books);
    rates = Map.copyOf(rates);
    ofAccounts = Map.copyOf(ofAccounts);
  }

  /**
   * The tax in what is booked to an account on a day; empty where there is none: the book is not
   * registered then, the account is no category, or nothing says a rate.
   *
   * @throws Refusal {@code not-registered} or {@code tax-rate-unknown} for a rate that was chosen
   */
  public Optional<TaxOnDay> on(Account account, TaxChoice choice, LocalDate day) {
    UUID chosen = choice.rateId();
    boolean isCategory =
        account.kind() == AccountKind.INCOME || account.kind() == AccountKind.EXPENSE;
    Registration registration = books.get(account.bookId());
    boolean isRegistered = registration != null && !day.isBefore(registration.from());
    if (chosen != null) {
      requireUse(account, isCategory && isRegistered, day);
      return Optional.of(percent(chosen, account, day).orElseThrow(() -> unknown(account, day)));
    }
    if (choice.untaxed() || !isCategory || registration == null || !isRegistered) {
      return Optional.empty();
    }
    UUID usual = ofAccounts.getOrDefault(account.id(), registration.usualRateId());
    return usual == null ? Optional.empty() : percent(usual, account, day);
  }

  /** What was said of the tax of a posting: nothing where it has the one that is usual. */
  public TaxChoice choiceOf(Account account, @Nullable PostingTax tax, LocalDate day) {
    UUID usual = on(account, TaxChoice.AS_USUAL, day).map(TaxOnDay::rateId).orElse(null);
    UUID said = tax == null ? null : tax.rateId();
    if (Objects.equals(usual, said)) {
      return TaxChoice.AS_USUAL;
    }
    return said == null ? TaxChoice.NONE : TaxChoice.at(said);
  }

  private Optional<TaxOnDay> percent(UUID rateId, Account account, LocalDate day) {
    Rate rate = rates.get(rateId);
    return rate == null || !rate.bookId().equals(account.bookId())
        ? Optional.empty()
        : rate.rate().percentOn(day).map(percent -> new TaxOnDay(rateId, percent));
  }

  private static void requireUse(Account account, boolean isTaxed, LocalDate day) {
    if (!isTaxed) {
      throw Refusal.ofField(
          "not-registered",
          "parts",
          "%s carries no sales tax on %s: it is no category of a book that is registered then."
              .formatted(account.name(), day));
    }
  }

  private static Refusal unknown(Account account, LocalDate day) {
    return Refusal.ofField(
        "tax-rate-unknown",
        "parts",
        "%s has no such tax rate on %s. Choose another, or add the day to the rate."
            .formatted(account.book().name(), day));
  }
}
