package org.yewledger.app.journal;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.ledger.CurrencyTransfer;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Ledger;
import org.yewledger.core.ledger.Revaluation;

/** Entries made by hand that concern currencies: transfers between accounts, and revaluations. */
@Service
public class TransferService {
  private final ChartService charts;
  private final LedgerService ledgers;
  private final EntryStore entries;
  private final AccountLocks locks;
  private final Acts acts;

  TransferService(
      ChartService charts,
      LedgerService ledgers,
      EntryStore entries,
      AccountLocks locks,
      Acts acts) {
    this.charts = charts;
    this.ledgers = ledgers;
    this.entries = entries;
    this.locks = locks;
    this.acts = acts;
  }

  /** How a transfer would be booked, without booking it. */
  @Transactional(readOnly = true)
  public CurrencyTransfer.Booked preview(CurrencyTransfer transfer) {
    return booked(transfer);
  }

  @Transactional
  @ForBookkeepers
  public EntryStore.Stored book(CurrencyTransfer transfer) {
    locks.shared(List.of(transfer.from().id(), transfer.to().id()));
    acts.begin(
        ActKind.TRANSFER,
        "Transferred from %s to %s".formatted(transfer.from().name(), transfer.to().name()));
    return entries.add(List.of(booked(transfer).entry())).getFirst();
  }

  private CurrencyTransfer.Booked booked(CurrencyTransfer transfer) {
    requireOwn(transfer.from(), "fromId");
    requireOwn(transfer.to(), "toId");
    Ledger ledger = ledgers.ledger(charts.chart());
    return transfer.booked(
        ledger,
        "%s to %s".formatted(transfer.from().name(), transfer.to().name()),
        Entry.Origin.BY_HAND);
  }

  private static void requireOwn(Account account, String field) {
    if (!account.kind().hasOpeningBalance()) {
      throw Refusal.ofField(
          "not-an-own-account",
          field,
          "%s is no account that money stands on. A transfer is between two of your own accounts."
              .formatted(account.name()));
    }
  }

  /** What a book's holdings in other currencies are worth at the end of a day. */
  @Transactional(readOnly = true)
  public Revaluation revaluation(UUID bookId, LocalDate day) {
    Chart chart = charts.chart();
    return revaluation(chart.book(bookId).toBook(), day, chart);
  }

  /**
   * Books the proposed revaluation.
   *
   * @throws Conflict {@code nothing-to-revalue}
   */
  @Transactional
  @ForBookkeepers
  public EntryStore.Stored revalue(UUID bookId, LocalDate day) {
    Chart chart = charts.chart();
    Book book = chart.book(bookId).toBook();
    Ledger ledger = ledgers.ledger(chart);
    Entry entry =
        revaluation(book, day, chart)
            .entry(ledger.exchangeDifferences(book))
            .orElseThrow(() ->
                new Conflict(
                    "nothing-to-revalue",
                    "Every account of %s already stands at its worth of %s."
                        .formatted(book.name(), day)));
    acts.begin(ActKind.REVALUE, "Revalued %s on %s".formatted(book.name(), day));
    return entries.add(List.of(entry)).getFirst();
  }

  private Revaluation revaluation(Book book, LocalDate day, Chart chart) {
    List<Account> accounts =
        chart
            .accountsOf(book.id())
            .filter(a -> a.isForeign() && a.kind() != AccountKind.DRAWINGS)
            .toList();
    return Revaluation.of(book, day, accounts, ledgers.ledger(chart));
  }
}
