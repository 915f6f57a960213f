package org.yewledger.app.chart;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.platform.NotFound;
import org.yewledger.core.ledger.Account;

/** All books and accounts of the household, in their order. Dozens to hundreds; read whole. */
public final class Chart {
  private final Map<UUID, BookEntity> books = new LinkedHashMap<>();
  private final Map<UUID, AccountEntity> rows = new LinkedHashMap<>();
  private final Map<UUID, Account> accounts = new LinkedHashMap<>();

  Chart(List<BookEntity> books, List<AccountEntity> rows) {
    books.forEach(book -> this.books.put(book.id(), book));
    for (AccountEntity row : rows) {
      Account account = row.toAccount();
      this.rows.put(account.id(), row);
      accounts.put(account.id(), account);
    }
  }

  /**
   * @throws NotFound if the household has no such account
   */
  public Account account(UUID id) {
    Account account = accounts.get(id);
    if (account == null) {
      throw new NotFound("account");
    }
    return account;
  }

  public BookEntity book(UUID id) {
    BookEntity book = books.get(id);
    if (book == null) {
      throw new NotFound("book");
    }
    return book;
  }

  public Stream<BookEntity> books() {
    return books.values().stream();
  }

  /** The books that a view is about: one, or all where none is chosen. */
  public Stream<BookEntity> books(@Nullable UUID chosen) {
    return chosen == null ? books() : Stream.of(book(chosen));
  }

  public Stream<Account> accounts() {
    return accounts.values().stream();
  }

  /** The accounts at banks of the chosen book, or of all books where none is chosen. */
  public Stream<Account> bankAccounts(@Nullable UUID chosenBook) {
    return accounts()
        .filter(a -> a.kind().hasStatements() && !a.group())
        .filter(a -> chosenBook == null || a.bookId().equals(chosenBook));
  }

  public String tail(UUID accountId) {
    AccountEntity row = rows.get(accountId);
    return row == null ? "" : row.tail();
  }

  public @Nullable UUID parentId(UUID accountId) {
    AccountEntity row = rows.get(accountId);
    return row == null ? null : row.parentId();
  }

  /** The name of the group that an account stands in; empty at the top. */
  public String groupName(UUID accountId) {
    UUID parent = parentId(accountId);
    return parent == null ? "" : account(parent).name();
  }
}
