package org.yewledger.core.ledger;

import java.time.LocalDate;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;

/**
 * An account as far as the rules of the ledger need it.
 *
 * @param group whether it only gathers accounts below it; nothing is posted to a group
 * @param opensOn the first day with entries of its own; its opening balance stands on the day
 *     before. Null for accounts that were always there, such as categories.
 * @param closedOn the day on which it was closed; null while it is in use
 */
public record Account(
    UUID id,
    Book book,
    String name,
    AccountKind kind,
    CurrencyUnit currency,
    boolean group,
    @Nullable LocalDate opensOn,
    @Nullable LocalDate closedOn) {

  /** An account in use. */
  public Account(
      UUID id,
      Book book,
      String name,
      AccountKind kind,
      CurrencyUnit currency,
      boolean group,
      @Nullable LocalDate opensOn) {
    this(id, book, name, kind, currency, group, opensOn, null);
  }

  public Account withName(String name) {
    return new Account(id, book, name, kind, currency, group, opensOn, closedOn);
  }

  /** The same account with another first day. */
  public Account openingOn(LocalDate day) {
    return new Account(id, book, name, kind, currency, group, day, closedOn);
  }

  /** The same account closed on a day, or in use again where {@code day} is null. */
  public Account closedOn(@Nullable LocalDate day) {
    return new Account(id, book, name, kind, currency, group, opensOn, day);
  }

  /**
   * Checks that a bank's lines and statements may come for it.
   *
   * @param field the field of the request that names the account
   * @throws Refusal {@code not-at-a-bank} or {@code account-closed}
   */
  public void requireAtBank(String field) {
    if (group || !kind.hasStatements()) {
      throw Refusal.ofField(
          "not-at-a-bank", field, "%s is not an account at a bank.".formatted(name));
    }
    if (closedOn != null) {
      throw Refusal.ofField(
          "account-closed",
          field,
          "%s was closed on %s. Reopen it in the Chart first, or choose another account."
              .formatted(name, closedOn));
    }
  }

  /**
   * Checks that it can be reconciled, with a statement or with a count.
   *
   * @param field the field of the request that names the account
   * @throws Refusal {@code not-at-a-bank} or {@code account-closed}
   */
  public void requireReconciled(String field) {
    if (kind.isCounted() && !group && closedOn == null) {
      return;
    }
    requireAtBank(field);
  }

  public UUID bookId() {
    return book.id();
  }

  public AccountClass accountClass() {
    return kind.accountClass();
  }

  /**
   * @throws Refusal {@code not-a-category} if it is no account of income or expense
   */
  public void requireCategory() {
    if (!accountClass().isCategory()) {
      throw Refusal.ofField("not-a-category", "categoryId", "%s is no category.".formatted(name));
    }
  }

  /** Whether its own currency is another than its book's, so that its balance has two values. */
  public boolean isForeign() {
    return !currency.equals(book.currency());
  }

  /** Whether an ordinary entry of this day may touch the account. */
  public boolean isOpenOn(LocalDate day) {
    return opensOn == null || !day.isBefore(opensOn);
  }
}
