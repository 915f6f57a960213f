package org.yewledger.app.sheet;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.AccountFacts;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.chart.AccountService;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.chart.TaxRateService;
import org.yewledger.app.journal.ClosedMonths;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.journal.LedgerService;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.sheet.EntrySheetJson.MadeCategory;
import org.yewledger.app.sheet.EntrySheetJson.SheetAskedJson;
import org.yewledger.app.sheet.EntrySheetJson.SheetLayoutJson;
import org.yewledger.app.sheet.EntrySheetJson.SheetNameSaidJson;
import org.yewledger.core.BadRows;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.ledger.Ledger;
import org.yewledger.core.sheet.EntrySheet;
import org.yewledger.core.sheet.EntrySheet.Booked;
import org.yewledger.core.sheet.EntrySheet.Named;
import org.yewledger.core.sheet.SheetDoubles;
import org.yewledger.core.sheet.SheetName;
import org.yewledger.core.sheet.SheetNames;
import org.yewledger.formats.UnreadableFile;

/** Says what a person's own sheet would bring into a book, and takes it in. */
@Service
class EntrySheetService {
  /**
   * What a sheet would bring.
   *
   * @param result what its rows become, as far as their names are known
   * @param doubles which of them would be in the books twice
   */
  record SheetPreview(
      SheetReading reading, List<Named> names, EntrySheet.Result result, SheetDoubles doubles) {}

  /** How many entries came, and how many categories were made for them. */
  record SheetTaken(int entries, int leftOut, int categories) {}

  /** Makes a category of a name in the sheet. */
  private interface Making {
    Account category(Account wanted);
  }

  private final ChartService charts;
  private final AccountService accounts;
  private final AccountLocks locks;
  private final TaxRateService taxRates;
  private final ClosedMonths closed;
  private final LedgerService ledgers;
  private final EntryStore entries;
  private final AlreadyThere alreadyThere;
  private final KeptSheets kept;
  private final Acts acts;

  EntrySheetService(
      ChartService charts,
      AccountService accounts,
      AccountLocks locks,
      TaxRateService taxRates,
      ClosedMonths closed,
      LedgerService ledgers,
      EntryStore entries,
      AlreadyThere alreadyThere,
      KeptSheets kept,
      Acts acts) {
    this.charts = charts;
    this.accounts = accounts;
    this.locks = locks;
    this.taxRates = taxRates;
    this.closed = closed;
    this.ledgers = ledgers;
    this.entries = entries;
    this.alreadyThere = alreadyThere;
    this.kept = kept;
    this.acts = acts;
  }

  /**
   * Reads a sheet without keeping anything of it.
   *
   * @throws UnreadableFile if no table is in the file
   */
  @Transactional(readOnly = true)
  SheetPreview preview(byte[] bytes, SheetAskedJson asked) {
    Chart chart = charts.chart();
    chart.book(asked.bookId());
    SheetReading reading = read(bytes, asked);
    EntrySheet sheet = sheet(reading, asked, chart, wanted -> wanted);
    EntrySheet.Result result = booked(sheet, ledgers.lookingAhead(chart), chart);
    return new SheetPreview(reading, sheet.names(), result, doubles(result.booked()));
  }

  /**
   * Makes entries of all rows of a sheet, as one act, and keeps how it was read and what its names
   * mean.
   *
   * @throws Refusal {@code layout-open}, {@code sheet-name-open}, {@code sheet-alike-open} or
   *     {@code sheet-twins-open} for what has to be said first
   * @throws BadRows with every row that cannot be taken in
   */
  @Transactional
  @ForBookkeepers
  public SheetTaken takeIn(String fileName, byte[] bytes, SheetAskedJson asked) {
    charts.chart().book(asked.bookId());
    SheetReading reading = read(bytes, asked).settled();
    EntrySheet known = sheet(reading, asked, charts.chart(), wanted -> wanted);
    requireNamed(known);
    locks.shared(existing(known, charts.chart()));
    // Somebody may have changed one of them until they were held.
    entries.forgetRead();
    Chart chart = charts.chart();
    Book book = chart.book(asked.bookId()).toBook();
    acts.begin(
        ActKind.ENTER,
        "Took in %,d rows of %s into %s".formatted(reading.rows().size(), fileName, book.name()));
    var made = new HashSet<UUID>();
    EntrySheet sheet =
        sheet(
            reading,
            asked,
            chart,
            wanted -> {
              made.add(wanted.id());
              return accounts.add(chart, wanted, null, AccountFacts.NONE);
            });
    List<Booked> booked = booked(sheet, ledgers.ledger(chart), chart).all();
    SheetDoubles doubles = doubles(booked);
    doubles.requireSaid(asked.answers());
    List<Booked> coming = doubles.coming(booked, asked.answers());
    entries.add(coming.stream().map(Booked::entry).toList());
    kept.keepNames(book.id(), said(sheet, asked));
    kept.keepLayout(book.id(), reading.table().headerKey(), SheetLayoutJson.of(reading));
    return new SheetTaken(coming.size(), booked.size() - coming.size(), made.size());
  }

  private SheetReading read(byte[] bytes, SheetAskedJson asked) {
    return SheetReading.of(bytes, asked.layout(), kept.layouts(asked.bookId()));
  }

  private SheetDoubles doubles(List<Booked> booked) {
    return SheetDoubles.of(booked, alreadyThere.traces(booked));
  }

  /** What names are said to mean. Rows without a name mean what they do in this sheet only. */
  private static Map<SheetName, UUID> said(EntrySheet sheet, SheetAskedJson asked) {
    Set<SheetName> said = asked.said().keySet();
    Map<SheetName, UUID> meanings = new HashMap<>();
    for (Named named : sheet.names()) {
      Account account = named.account();
      if (account != null && said.contains(named.name()) && !named.name().text().isEmpty()) {
        meanings.put(named.name(), account.id());
      }
    }
    return meanings;
  }

  private static Set<UUID> existing(EntrySheet sheet, Chart chart) {
    Set<UUID> all = new HashSet<>(chart.accounts().map(Account::id).toList());
    Set<UUID> named = new HashSet<>();
    sheet.names().stream()
        .map(Named::account)
        .filter(Objects::nonNull)
        .map(Account::id)
        .filter(all::contains)
        .forEach(named::add);
    return named;
  }

  private EntrySheet sheet(SheetReading reading, SheetAskedJson asked, Chart chart, Making making) {
    Book book = chart.book(asked.bookId()).toBook();
    List<Account> ofBook = chart.accountsOf(book.id()).toList();
    Map<SheetName, Account> before = new HashMap<>();
    kept.names(book.id()).forEach((name, account) -> before.put(name, chart.account(account)));
    var unsaid =
        new EntrySheet(
            reading.rows(), new SheetNames(ofBook, Map.of(), before), reading.layout().signMeant());
    Map<SheetName, SheetNameSaidJson> choices = asked.said();
    Map<SheetName, Account> said = new HashMap<>();
    for (Named named : unsaid.names()) {
      SheetNameSaidJson choice = choices.get(named.name());
      Account account = choice == null ? null : chosen(choice, named, book, chart, making);
      if (account != null) {
        said.put(named.name(), account);
      }
    }
    return new EntrySheet(
        reading.rows(), new SheetNames(ofBook, said, before), reading.layout().signMeant());
  }

  /** Null where nothing is chosen yet, or nothing that could be made. */
  private static @Nullable Account chosen(
      SheetNameSaidJson choice, Named named, Book book, Chart chart, Making making) {
    UUID id = choice.accountId();
    if (id != null) {
      return chart.account(id);
    }
    MadeCategory make = choice.make();
    return make == null || named.written().isEmpty()
        ? null
        : making.category(
            new Account(
                Ids.next(), book, named.written(), make.kind(), book.currency(), false, null));
  }

  private EntrySheet.Result booked(EntrySheet sheet, Ledger ledger, Chart chart) {
    Map<UUID, LocalDate> firstDays = new HashMap<>();
    closed.through().forEach((book, month) -> firstDays.put(book, month.plusMonths(1).atDay(1)));
    return sheet.booked(ledger, taxRates.taxes(chart), firstDays);
  }

  private static void requireNamed(EntrySheet sheet) {
    List<String> open =
        sheet.names().stream()
            .filter(n -> n.account() == null)
            .map(n -> n.written().isEmpty() ? "rows without a name" : n.written())
            .toList();
    if (!open.isEmpty()) {
      throw Refusal.ofField(
          "sheet-name-open",
          "names",
          "Say which account or category is meant by %s%s."
              .formatted(
                  String.join(", ", open.subList(0, Math.min(3, open.size()))),
                  open.size() > 3 ? " and %d more names".formatted(open.size() - 3) : ""));
    }
  }
}
