package org.yewledger.core.chart;

import java.time.LocalDate;
import java.time.Month;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.ledger.OpeningSheet;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.ExchangeRate;
import org.yewledger.core.money.ExchangeRates;

/**
 * A new household as it is being filled in: it may be unfinished at any time, and says what is
 * missing.
 *
 * @param beginsOn the first day with entries; opening balances stand at the end of the day before
 */
public record HouseholdPlan(
    String name, LocalDate beginsOn, List<BookPlan> books, List<AccountPlan> accounts) {

  public record BookPlan(
      String name,
      CurrencyUnit currency,
      Month fiscalYearStartsIn,
      List<StarterChart.Group> groups) {}

  /**
   * @param book the place of its book in {@link HouseholdPlan#books()}
   * @param balance at the end of the day before, a debt below zero; null while not known
   * @param rate what one unit of its currency was worth in the book's; null where that is the same
   */
  public record AccountPlan(
      int book,
      String name,
      AccountKind kind,
      String ending,
      CurrencyUnit currency,
      @Nullable Amount balance,
      @Nullable ExchangeRate rate) {}

  /** Something that stands in the way of opening the books, or that is only worth knowing. */
  public record Missing(boolean stops, String what) {}

  /** Everything that is missing, in the order of the page. */
  public List<Missing> missing() {
    var missing = new ArrayList<Missing>();
    if (name.isBlank()) {
      missing.add(new Missing(true, "The household has no name."));
    }
    if (books.isEmpty()) {
      missing.add(new Missing(true, "There is no book yet."));
    }
    for (int i = 0; i < books.size(); i++) {
      if (books.get(i).name().isBlank()) {
        missing.add(new Missing(true, "Book %d has no name.".formatted(i + 1)));
      }
    }
    addTwice(books.stream().map(BookPlan::name).toList(), "", missing);
    if (accounts.isEmpty()) {
      missing.add(new Missing(false, "There is no account yet."));
    }
    for (int book = 0; book < books.size(); book++) {
      addOfBook(book, missing);
    }
    accounts.forEach(a -> addOfAccount(a, missing));
    return missing;
  }

  private void addOfBook(int book, List<Missing> missing) {
    var names = new ArrayList<String>();
    for (StarterChart.Group group : books.get(book).groups()) {
      names.add(group.name());
      names.addAll(group.categories());
    }
    for (AccountPlan account : accounts) {
      if (account.book() == book) {
        names.add(account.name());
      }
    }
    addTwice(names, " in " + books.get(book).name(), missing);
  }

  private static void addTwice(List<String> names, String where, List<Missing> missing) {
    var seen = new HashSet<String>();
    for (String name : names) {
      if (!name.isBlank() && !seen.add(name.strip().toLowerCase(Locale.ROOT))) {
        missing.add(new Missing(true, "%s stands there twice%s.".formatted(name.strip(), where)));
      }
    }
  }

  private void addOfAccount(AccountPlan account, List<Missing> missing) {
    if (account.name().isBlank()) {
      missing.add(new Missing(true, "An account has no name."));
    } else if (account.balance() == null) {
      missing.add(new Missing(false, "%s has no opening balance yet.".formatted(account.name())));
    } else if (needsRate(account) && account.rate() == null) {
      missing.add(
          new Missing(
              true,
              "%s is in %s: say what 1 %s was worth."
                  .formatted(account.name(), account.currency(), account.currency())));
    }
  }

  private boolean needsRate(AccountPlan account) {
    Amount balance = account.balance();
    return balance != null && !balance.isZero() && !account.currency().equals(base(account));
  }

  private CurrencyUnit base(AccountPlan account) {
    return books.get(account.book()).currency();
  }

  /**
   * @throws Refusal {@code setup-unfinished}, with the first thing that stands in the way
   */
  public void requireWhole() {
    Optional<Missing> first = missing().stream().filter(Missing::stops).findFirst();
    if (first.isPresent()) {
      throw Refusal.of(
          "setup-unfinished", first.get().what() + " Fill that in, then open the books.");
    }
  }

  /**
   * The opening entry of a book as it would be now; balances without a rate are left out.
   *
   * @param index the place of the book in {@link #books()}
   */
  public OpeningSheet openings(int index, Book book) {
    var rows = new ArrayList<OpeningSheet.Row>();
    for (AccountPlan account : accounts) {
      Amount balance = account.balance();
      if (account.book() == index && balance != null && !balance.isZero()) {
        ExchangeRate rate = account.rate();
        if (account.currency().equals(book.currency())) {
          rows.add(new OpeningSheet.Row(account.name(), balance, balance));
        } else if (rate != null) {
          Amount value =
              new ExchangeRates(List.of(rate)).convert(balance, book.currency(), rate.day());
          rows.add(new OpeningSheet.Row(account.name(), balance, value));
        }
      }
    }
    return new OpeningSheet(book, rows);
  }

  /** A loan on a house that is not there makes opening equity look like a debt. */
  public Optional<String> advice() {
    boolean loan = accounts.stream().anyMatch(a -> a.kind() == AccountKind.LOAN);
    boolean property = accounts.stream().anyMatch(a -> a.kind() == AccountKind.PROPERTY);
    return loan && !property
        ? Optional.of("The loan is here, what it bought is not. So opening equity stands lower.")
        : Optional.empty();
  }
}
