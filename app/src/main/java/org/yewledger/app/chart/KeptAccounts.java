package org.yewledger.app.chart;

import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.yewledger.app.platform.Ids;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Book;

/**
 * The accounts that the core keeps for itself, one of each kind in a book, made when first needed.
 */
@Component
public class KeptAccounts {
  private static final int LAST = 1_000_000;

  private final EntityManager entities;

  KeptAccounts(EntityManager entities) {
    this.entities = entities;
  }

  /** What becomes of an account that is not there yet. */
  public enum Missing {
    IS_MADE,
    /** Another one stands in for it, as while only reading. */
    STANDS_IN
  }

  /** The book's account of the kind. */
  @Transactional(propagation = Propagation.MANDATORY)
  public Account of(Book book, AccountKind kind, Chart chart) {
    return of(book, kind, chart, Missing.IS_MADE);
  }

  @Transactional(propagation = Propagation.MANDATORY)
  public Account of(Book book, AccountKind kind, Chart chart, Missing missing) {
    return chart.keptByCore(book.id(), kind).orElseGet(() -> make(book, kind, chart, missing));
  }

  /** Where the book's sales tax stands: its first such account that is open, or a new one. */
  @Transactional(propagation = Propagation.MANDATORY)
  public Account salesTax(Book book, Chart chart, Missing missing) {
    return chart
        .openAccounts(AccountKind.SALES_TAX, book.id())
        .findFirst()
        .orElseGet(() -> make(book, AccountKind.SALES_TAX, chart, missing));
  }

  private Account make(Book book, AccountKind kind, Chart chart, Missing missing) {
    String name = freeName(nameOf(kind), book, chart);
    // Nothing of the tax was owed before the book was registered.
    LocalDate opensOn = kind == AccountKind.SALES_TAX ? chart.book(book.id()).taxedFrom() : null;
    var account = new Account(Ids.next(), book, name, kind, book.currency(), false, opensOn);
    if (missing == Missing.IS_MADE
        && !TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
      entities.persist(new AccountEntity(account, null, AccountFacts.NONE, LAST));
      entities.flush();
    }
    return account;
  }

  private static String nameOf(AccountKind kind) {
    return switch (kind) {
      case OPENING_EQUITY -> "Opening equity";
      case DRAWINGS -> "Drawings and contributions";
      case EXCHANGE -> "Exchange gains and losses";
      case SUSPENSE -> "Suspense";
      case OVER_SHORT -> "Cash over or short";
      case DIFFERENCE -> "Reconciliation difference";
      case SALES_TAX -> "Sales tax";
      default -> throw new IllegalArgumentException(kind + " is not kept by the core");
    };
  }

  private static String freeName(String name, Book book, Chart chart) {
    boolean taken = chart.accountsOf(book.id()).anyMatch(a -> a.name().equalsIgnoreCase(name));
    return taken ? name + ", " + book.name() : name;
  }
}
