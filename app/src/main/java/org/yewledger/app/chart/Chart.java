package org.yewledger.app.chart;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.platform.NotFound;
import org.yewledger.core.chart.AccountTree;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;

/** All books and accounts of the household, in their order. Dozens to hundreds; read whole. */
public final class Chart {
  private final Map<UUID, BookEntity> books = new LinkedHashMap<>();
  private final Map<UUID, AccountEntity> rows = new LinkedHashMap<>();
  private final Map<UUID, Account> accounts = new LinkedHashMap<>();

  private volatile @Nullable String state;

  Chart(List<BookEntity> books, List<AccountEntity> rows) {
    books.forEach(book -> this.books.put(book.id(), book));
    rows.forEach(this::add);
  }

  void add(AccountEntity row) {
    state = null;
    rows.put(row.id(), row);
    accounts.put(row.id(), row.toAccount(book(row.bookId()).toBook()));
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

  /**
   * @throws NotFound if the household has no such book
   */
  public BookEntity book(UUID id) {
    BookEntity book = books.get(id);
    if (book == null) {
      throw new NotFound("book");
    }
    return book;
  }

  /** What a bank means by one of its accounts: that and the set-asides in it. */
  public List<UUID> atBank(UUID accountId) {
    return rows.values().stream()
        .filter(row ->
            row.id().equals(accountId)
                || accountId.equals(row.parentId())
                    && account(row.id()).kind() == AccountKind.SET_ASIDE)
        .map(AccountEntity::id)
        .toList();
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

  public Stream<Account> accountsOf(UUID bookId) {
    return accounts().filter(a -> a.bookId().equals(bookId));
  }

  /** The accounts at banks of the chosen book, or of all books where none is chosen. */
  public Stream<Account> bankAccounts(@Nullable UUID chosenBook) {
    return accounts()
        .filter(a -> a.kind().hasStatements() && !a.group() && a.closedOn() == null)
        .filter(a -> chosenBook == null || a.bookId().equals(chosenBook));
  }

  /** The same with cash, which is counted: all that are reconciled. */
  public Stream<Account> reconciledAccounts(@Nullable UUID chosenBook) {
    return accounts()
        .filter(a -> a.kind().isReconciled() && !a.group() && a.closedOn() == null)
        .filter(a -> chosenBook == null || a.bookId().equals(chosenBook));
  }

  /** The open accounts of a kind, of one book or of all. */
  public Stream<Account> openAccounts(AccountKind kind, @Nullable UUID chosenBook) {
    return accounts()
        .filter(a -> a.kind() == kind && !a.group() && a.closedOn() == null)
        .filter(a -> chosenBook == null || a.bookId().equals(chosenBook));
  }

  /** The account that the core keeps for a purpose, if the book has it yet. */
  public Optional<Account> keptByCore(UUID bookId, AccountKind kind) {
    return accountsOf(bookId).filter(a -> a.kind() == kind && !a.group()).findFirst();
  }

  public AccountTree tree() {
    return new AccountTree(
        rows.values().stream()
            .map(row -> new AccountTree.Node(account(row.id()), row.parentId(), row.place()))
            .toList());
  }

  AccountEntity row(UUID accountId) {
    AccountEntity row = rows.get(accountId);
    if (row == null) {
      throw new NotFound("account");
    }
    return row;
  }

  /** What the chart says, in one text; the same for the same books and accounts. */
  public String state() {
    String known = state;
    if (known == null) {
      var told = new StringBuilder();
      books.values().forEach(b -> told.append(b.id()).append(b.version()).append(';'));
      rows.values().forEach(a -> told.append(a.id()).append(a.version()).append(';'));
      known = told.toString();
      state = known;
    }
    return known;
  }

  /** Sent back with a change, so that two windows do not overwrite each other. */
  public int version(UUID accountId) {
    return row(accountId).version();
  }

  public AccountFacts facts(UUID accountId) {
    return row(accountId).facts();
  }

  public String tail(UUID accountId) {
    return row(accountId).facts().tail();
  }

  public @Nullable UUID parentId(UUID accountId) {
    return row(accountId).parentId();
  }

  /** The groups around an account, the nearest first. */
  public List<Account> groupsAround(UUID accountId) {
    List<Account> groups = new ArrayList<>();
    for (UUID id = parentId(accountId); id != null; id = parentId(id)) {
      groups.add(account(id));
    }
    return groups;
  }

  /** The name of the group that an account stands in; empty at the top. */
  public String groupName(UUID accountId) {
    UUID parent = parentId(accountId);
    return parent == null ? "" : account(parent).name();
  }
}
