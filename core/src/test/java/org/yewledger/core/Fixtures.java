package org.yewledger.core;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.ledger.Ledger;
import org.yewledger.core.ledger.Position;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.ledger.SalesTaxes;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.ExchangeRate;
import org.yewledger.core.money.ExchangeRates;
import org.yewledger.core.rules.Condition;
import org.yewledger.core.rules.Condition.Direction;
import org.yewledger.core.rules.Division;
import org.yewledger.core.rules.Rule;
import org.yewledger.core.rules.TextMatch;
import org.yewledger.core.rules.TextPlace;
import org.yewledger.core.tax.TaxChoice;
import org.yewledger.core.tax.TaxOnDay;
import org.yewledger.core.tax.TaxRate;

/** A small household for tests. */
public final class Fixtures {
  public static final Book BOOK = new Book(new UUID(0, 1), "Household", CurrencyUnit.EUR);
  public static final Book OTHER_BOOK = new Book(new UUID(0, 2), "Press", CurrencyUnit.EUR);
  public static final LocalDate OPENS = LocalDate.of(2025, 10, 1);
  public static final Account CURRENT =
      account(BOOK, "Harbour Current", AccountKind.CURRENT, OPENS);
  public static final Account CARD = account(BOOK, "Quillon Card", AccountKind.CARD, OPENS);
  public static final Account GROCERIES = account(BOOK, "Groceries", AccountKind.EXPENSE, null);
  public static final Account SCHOOL = account(BOOK, "School", AccountKind.EXPENSE, null);
  public static final Account EQUITY =
      account(BOOK, "Opening equity", AccountKind.OPENING_EQUITY, null);
  public static final Account PAPER =
      account(OTHER_BOOK, "Paper and ink", AccountKind.EXPENSE, null);

  /** Of the other book, 21 % from its registration on. */
  public static final UUID STANDARD = new UUID(0, 21);

  public static final UUID REDUCED = new UUID(0, 9);
  public static final Account COURIERS =
      account(OTHER_BOOK, "Post and couriers", AccountKind.EXPENSE, null);

  /** The other book is registered from October 2026 on; its couriers are at the reduced rate. */
  public static final SalesTaxes TAXES =
      new SalesTaxes(
          Map.of(OTHER_BOOK.id(), new SalesTaxes.Registration(LocalDate.of(2026, 10, 1), STANDARD)),
          Map.of(
              STANDARD, new SalesTaxes.Rate(OTHER_BOOK.id(), rate("standard", "21")),
              REDUCED, new SalesTaxes.Rate(OTHER_BOOK.id(), rate("reduced", "9"))),
          Map.of(COURIERS.id(), REDUCED));

  private static TaxRate rate(String name, String percent) {
    return new TaxRate(
        name, List.of(new TaxRate.Step(LocalDate.of(2024, 1, 1), new BigDecimal(percent))));
  }

  public static final Account SALES = account(OTHER_BOOK, "Online shop", AccountKind.INCOME, null);
  public static final Account KESTREL =
      account(OTHER_BOOK, "Kestrel Current", AccountKind.CURRENT, OPENS);
  public static final Account SHOP_USD =
      account(OTHER_BOOK, "Shop takings", AccountKind.PAYOUT, CurrencyUnit.USD, OPENS);

  private Fixtures() {}

  /** A ledger with these rates in which every account stands at the same position. */
  public static Ledger ledger(Position position, ExchangeRate... rates) {
    return new Ledger() {
      @Override
      public Account suspense(Book book) {
        return account(book, "Suspense, " + book.name(), AccountKind.SUSPENSE, null);
      }

      @Override
      public ExchangeRates rates() {
        return new ExchangeRates(List.of(rates));
      }

      @Override
      public Position position(Account account, LocalDate day) {
        return position;
      }

      @Override
      public Account drawings(Book book) {
        return account(book, "Drawings, " + book.name(), AccountKind.DRAWINGS, null);
      }

      @Override
      public Optional<TaxOnDay> tax(Account account, TaxChoice choice, LocalDate day) {
        return TAXES.on(account, choice, day);
      }

      @Override
      public Account salesTax(Book book) {
        return account(book, "Sales tax, " + book.name(), AccountKind.SALES_TAX, null);
      }

      @Override
      public Account exchangeDifferences(Book book) {
        return account(book, "Exchange, " + book.name(), AccountKind.EXCHANGE, null);
      }
    };
  }

  public static final Ledger LEDGER = ledger(dollars(0, 0));

  public static Amount eur(long minor) {
    return Amount.ofMinor(minor, CurrencyUnit.EUR);
  }

  public static Amount usd(long minor) {
    return Amount.ofMinor(minor, CurrencyUnit.USD);
  }

  /** So many cents of dollars that the books value at so many cents of euros. */
  public static Position dollars(long dollars, long euros) {
    return new Position(usd(dollars), eur(euros));
  }

  /** A posting in minor units of the account's currency, which is that of its book. */
  public static Posting posting(Account account, long amount) {
    return new Posting(account, Amount.ofMinor(amount, account.currency()));
  }

  /** A posting in minor units of the account's currency and of its book's. */
  public static Posting posting(Account account, long amount, long value) {
    return new Posting(
        account,
        Amount.ofMinor(amount, account.currency()),
        Amount.ofMinor(value, account.book().currency()),
        "");
  }

  public static ExchangeRate dollarsToEuros(String day, String rate) {
    return new ExchangeRate(
        CurrencyUnit.USD, CurrencyUnit.EUR, LocalDate.parse(day), new BigDecimal(rate));
  }

  public static Account account(
      Book book, String name, AccountKind kind, CurrencyUnit currency, LocalDate opensOn) {
    UUID id = UUID.nameUUIDFromBytes(name.getBytes(java.nio.charset.StandardCharsets.UTF_8));
    return new Account(id, book, name, kind, currency, false, opensOn);
  }

  public static Account account(Book book, String name, AccountKind kind, LocalDate opensOn) {
    return account(book, name, kind, CurrencyUnit.EUR, opensOn);
  }

  public static BankLine line(String day, long amount, String text) {
    return line(day, amount, text, null);
  }

  public static BankLine line(String day, long amount, String text, String identity) {
    return new BankLine(LocalDate.parse(day), null, amount, "", text, "", "", identity, text, 1);
  }

  /** The code of the refusal that the work ends with. */
  public static String refusalOf(Runnable work) {
    try {
      work.run();
    } catch (Refusal e) {
      return e.code();
    }
    return "nothing refused";
  }

  /**
   * A rule for the lines that have the words, on or off an account.
   *
   * @param direction null for either
   * @param on null for any account
   */
  public static Rule rule(
      String words, @Nullable Direction direction, @Nullable Account on, String payee, Account to) {
    var when = new ArrayList<Condition>();
    when.add(Condition.Text.of(TextPlace.ANY, TextMatch.HAS_WORDS, words));
    if (direction != null) {
      when.add(new Condition.Way(direction));
    }
    if (on != null) {
      when.add(new Condition.On(Set.of(on.id())));
    }
    return rule(new Condition.All(when), payee, Division.wholeTo(to.id()));
  }

  public static Rule rule(Condition when, String payee, Division division) {
    return new Rule(
        UUID.randomUUID(),
        BOOK.id(),
        when,
        new Rule.Then(payee, division, List.of(), ""),
        true,
        null);
  }
}
