package org.yewledger.core.worth;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amount;

/**
 * An account that stands at what the securities in it cost, and where their trades are booked.
 *
 * @param cash pays for what is bought and receives what is sold
 * @param gain what sales gain over their cost, losses as the other side of it
 * @param dividends what the securities bring
 * @param fees what keeping them costs
 */
public record Investment(
    Account account,
    CostMethod method,
    Account cash,
    Account gain,
    Account dividends,
    Account fees) {

  /**
   * Whether trades can be booked so.
   *
   * @throws Refusal {@code not-an-investment}, {@code cash-elsewhere}, {@code gain-no-income},
   *     {@code dividends-no-income}, {@code fees-no-expense}
   */
  public Investment require() {
    boolean base = account.currency().equals(account.book().currency());
    if (account.kind() != AccountKind.INVESTMENT
        || account.group()
        || account.closedOn() != null
        || !base) {
      throw Refusal.ofField(
          "not-an-investment",
          "accountId",
          "%s is no investment account in use in its book's currency.".formatted(account.name()));
    }
    boolean own =
        cash.kind().hasOpeningBalance()
            && !cash.group()
            && cash.bookId().equals(account.bookId())
            && cash.currency().equals(account.currency())
            && !cash.id().equals(account.id());
    if (!own) {
      throw Refusal.ofField(
          "cash-elsewhere",
          "cashId",
          "Choose another account of yours in the same book and currency.");
    }
    if (!isCategory(gain, AccountClass.INCOME)) {
      throw Refusal.ofField(
          "gain-no-income",
          "gainId",
          "Choose a category of income in the book of %s.".formatted(account.name()));
    }
    if (!isCategory(dividends, AccountClass.INCOME)) {
      throw Refusal.ofField(
          "dividends-no-income",
          "dividendsId",
          "Choose a category of income in the book of %s.".formatted(account.name()));
    }
    if (!isCategory(fees, AccountClass.EXPENSE)) {
      throw Refusal.ofField(
          "fees-no-expense",
          "feesId",
          "Choose a category of expenses in the book of %s.".formatted(account.name()));
    }
    return this;
  }

  /** All that its trades are booked on. */
  public Set<UUID> accounts() {
    return Stream.of(account, cash, gain, dividends, fees)
        .map(Account::id)
        .collect(Collectors.toSet());
  }

  private boolean isCategory(Account category, AccountClass of) {
    return !category.group()
        && category.accountClass() == of
        && !category.kind().isKeptByCore()
        && category.bookId().equals(account.bookId());
  }

  /**
   * The entry that a trade is; null of one that moves no money.
   *
   * @param trade a sale with the cost that goes along
   */
  public @Nullable Entry entry(Trade trade, Security security) {
    List<Posting> postings = new ArrayList<>();
    switch (trade.kind()) {
      case BUY -> {
        add(postings, account, trade.whole());
        add(postings, cash, trade.whole().negated());
      }
      case SELL -> {
        add(postings, cash, trade.whole());
        add(postings, account, trade.cost().negated());
        add(postings, gain, trade.gain().negated());
      }
      case DIVIDEND -> {
        add(postings, cash, trade.whole());
        add(postings, fees, trade.fee());
        add(postings, dividends, trade.amount().negated());
      }
      case FEE -> {
        add(postings, fees, trade.whole());
        add(postings, cash, trade.whole().negated());
      }
      case HELD, SPLIT -> {
        return null;
      }
    }
    return new Entry(trade.day(), security.name(), note(trade), Entry.Origin.BY_HAND, postings);
  }

  /**
   * Brings the account to what its holdings are worth, at the end of a period.
   *
   * @param change by how much it rises, below zero if it falls
   * @throws Refusal {@code nothing-to-adjust}
   */
  public Entry adjustment(LocalDate day, Amount change) {
    if (change.isZero()) {
      throw Refusal.ofField(
          "nothing-to-adjust",
          "day",
          "%s stands at what its holdings are worth on %s already.".formatted(account.name(), day));
    }
    List<Posting> postings =
        List.of(new Posting(account, change), new Posting(gain, change.negated()));
    return new Entry(day, account.name(), "worth on " + day, Entry.Origin.BY_HAND, postings);
  }

  private static void add(List<Posting> postings, Account account, Amount amount) {
    if (!amount.isZero()) {
      postings.add(new Posting(account, amount));
    }
  }

  private static String note(Trade trade) {
    return switch (trade.kind()) {
      case BUY -> "bought " + trade.quantity().toPlainString();
      case SELL -> "sold " + trade.quantity().toPlainString();
      case DIVIDEND -> "dividend";
      case FEE -> "fee";
      case HELD, SPLIT -> "";
    };
  }
}
