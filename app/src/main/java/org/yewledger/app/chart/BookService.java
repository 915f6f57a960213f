package org.yewledger.app.chart;

import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.time.Month;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.Ids;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.chart.StarterChart;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.report.ReturnPeriod;

/** Makes books and keeps what is said of them. */
@Service
@ForBookkeepers
public class BookService {
  /** What of a book can change. The currency stays: every value in the book is in it. */
  public record BookFacts(
      String name,
      Month fiscalYearStartsIn,
      String taxNumber,
      @Nullable LocalDate taxedFrom,
      @Nullable UUID usualTaxRateId,
      ReturnPeriod taxPeriod) {}

  private final EntityManager entities;
  private final ChartService charts;
  private final KeptAccounts keptAccounts;
  private final TaxRateService taxRates;
  private final Acts acts;

  BookService(
      EntityManager entities,
      ChartService charts,
      KeptAccounts keptAccounts,
      TaxRateService taxRates,
      Acts acts) {
    this.entities = entities;
    this.charts = charts;
    this.keptAccounts = keptAccounts;
    this.taxRates = taxRates;
    this.acts = acts;
  }

  /** Makes a book with groups of categories, and what the core keeps in it. */
  @Transactional
  public Book add(
      String name,
      CurrencyUnit currency,
      Month fiscalYearStartsIn,
      List<StarterChart.Group> groups) {
    Chart chart = charts.chart();
    var book = new Book(Ids.next(), requireName(name, null, chart), currency);
    acts.begin(ActKind.ADD_BOOK, "Added the book " + book.name());
    entities.persist(new BookEntity(book, fiscalYearStartsIn, (int) chart.books().count()));
    entities.flush();
    keptAccounts.of(book, AccountKind.OPENING_EQUITY, chart);
    keptAccounts.of(book, AccountKind.DRAWINGS, chart);
    addGroups(book, groups);
    return book;
  }

  private void addGroups(Book book, List<StarterChart.Group> groups) {
    int place = 0;
    for (StarterChart.Group group : groups) {
      AccountKind kind =
          group.accountClass() == AccountClass.INCOME ? AccountKind.INCOME : AccountKind.EXPENSE;
      var account = new Account(Ids.next(), book, group.name(), kind, book.currency(), true, null);
      entities.persist(new AccountEntity(account, null, AccountFacts.NONE, 100 + place++));
      entities.flush();
      int below = 0;
      for (String category : group.categories()) {
        var leaf = new Account(Ids.next(), book, category, kind, book.currency(), false, null);
        entities.persist(new AccountEntity(leaf, account.id(), AccountFacts.NONE, below++));
      }
    }
    entities.flush();
  }

  @Transactional
  public void change(UUID id, BookFacts wanted, int version) {
    Chart chart = charts.chart();
    BookEntity book = chart.book(id);
    if (book.version() != version) {
      throw Conflict.changedMeanwhile("book");
    }
    String name = requireName(wanted.name(), id, chart);
    if (wanted.taxedFrom() != null && wanted.taxNumber().isBlank()) {
      throw Refusal.ofField(
          "tax-number-missing", "taxNumber", "Say the number under which the book is registered.");
    }
    if (wanted.usualTaxRateId() != null) {
      taxRates.requireOf(wanted.usualTaxRateId(), id);
    }
    acts.begin(ActKind.CHANGE_BOOK, "Changed the facts of the book " + name);
    book.become(
        name,
        wanted.fiscalYearStartsIn(),
        wanted.taxNumber().strip(),
        wanted.taxedFrom(),
        wanted.usualTaxRateId(),
        wanted.taxPeriod());
  }

  private static String requireName(String name, @Nullable UUID except, Chart chart) {
    String wanted = name.strip();
    if (wanted.isEmpty()) {
      throw Refusal.ofField("name-missing", "name", "Give the book a name.");
    }
    boolean taken =
        chart
            .books()
            .anyMatch(b ->
                !b.id().equals(except)
                    && b.name().toLowerCase(Locale.ROOT).equals(wanted.toLowerCase(Locale.ROOT)));
    if (taken) {
      throw Refusal.ofField(
          "name-taken",
          "name",
          "There is a book %s already. Choose another name.".formatted(wanted));
    }
    return wanted;
  }
}
