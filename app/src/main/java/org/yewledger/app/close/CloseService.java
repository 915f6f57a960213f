package org.yewledger.app.close;

import java.time.Clock;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.AccountBalances;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.chart.AgreedThrough;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.close.CloseJson.BookToCloseJson;
import org.yewledger.app.close.CloseJson.CloseAccountJson;
import org.yewledger.app.close.CloseJson.CloseCheckJson;
import org.yewledger.app.journal.ClosedMonths;
import org.yewledger.app.journal.Differences;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.ForOwners;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.schedule.DueService;
import org.yewledger.app.tax.UnreturnedTax;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.close.CloseChecklist;
import org.yewledger.core.close.CloseChecklist.AccountThrough;
import org.yewledger.core.close.CloseChecklist.Shown;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.Span;

/** Closes the months of a book, and opens them again. */
@Service
public class CloseService {
  private final ChartService charts;
  private final AccountLocks locks;
  private final AgreedThrough agreed;
  private final AccountBalances balances;
  private final ClosedMonths months;
  private final Differences differences;
  private final UnreturnedTax unreturned;
  private final DueService due;
  private final HouseholdDays days;
  private final Acts acts;
  private final JdbcClient jdbc;
  private final Clock clock;

  CloseService(
      ChartService charts,
      AccountLocks locks,
      AgreedThrough agreed,
      AccountBalances balances,
      ClosedMonths months,
      Differences differences,
      UnreturnedTax unreturned,
      DueService due,
      HouseholdDays days,
      Acts acts,
      JdbcClient jdbc,
      Clock clock) {
    this.charts = charts;
    this.locks = locks;
    this.agreed = agreed;
    this.balances = balances;
    this.months = months;
    this.differences = differences;
    this.unreturned = unreturned;
    this.due = due;
    this.days = days;
    this.acts = acts;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /** Each book, or the chosen one, and whether it can be closed through a month. */
  @Transactional(readOnly = true)
  List<BookToCloseJson> books(YearMonth month, @Nullable UUID bookId) {
    Chart chart = charts.chart();
    Map<UUID, LocalDate> agreedThrough = agreed.byAccount();
    return chart.books(bookId).map(book -> book(chart, book, month, agreedThrough)).toList();
  }

  private BookToCloseJson book(
      Chart chart, BookEntity book, YearMonth month, Map<UUID, LocalDate> agreedThrough) {
    Optional<YearMonth> through = months.through(book.id());
    boolean closed = through.filter(last -> !last.isBefore(month)).isPresent();
    YearMonth from = firstOpen(book.id(), month);
    CloseChecklist list = checklist(chart, book, month, agreedThrough);
    return new BookToCloseJson(
        book.id(),
        book.name(),
        month,
        through.orElse(null),
        closed,
        from,
        closed ? months.entries(book.id(), month, month) : months.entries(book.id(), from, month),
        list.isReady(),
        list.checks().stream()
            .map(c -> new CloseCheckJson(c.kind(), c.kind().inWords(), c.isMet(), c.open()))
            .toList(),
        accounts(chart, book.id(), month.atEndOfMonth(), agreedThrough));
  }

  private static List<CloseAccountJson> accounts(
      Chart chart, UUID bookId, LocalDate last, Map<UUID, LocalDate> agreedThrough) {
    return chart
        .reconciledAccounts(bookId)
        .map(account ->
            new CloseAccountJson(
                account.id(),
                account.name(),
                agreedThrough.get(account.id()),
                through(account, agreedThrough).agrees(last)))
        .toList();
  }

  private static AccountThrough through(Account account, Map<UUID, LocalDate> agreedThrough) {
    return new AccountThrough(account.name(), account.opensOn(), agreedThrough.get(account.id()));
  }

  private CloseChecklist checklist(
      Chart chart, BookEntity book, YearMonth month, Map<UUID, LocalDate> agreedThrough) {
    LocalDate last = month.atEndOfMonth();
    List<Account> accounts = chart.reconciledAccounts(book.id()).toList();
    Optional<Amount> suspense =
        chart
            .keptByCore(book.id(), AccountKind.SUSPENSE)
            .map(account -> balances.of(account, last).amount());
    return CloseChecklist.of(
        book.name(),
        month,
        days.today(),
        new Shown(
            accounts.stream().map(account -> through(account, agreedThrough)).toList(),
            waiting(accounts, last),
            suspense,
            unexplained(chart, book.id(), last),
            unreturned.within(book, chart, new Span(firstOpen(book.id(), month), month)),
            due.overdue(chart, book.id(), last)));
  }

  /** Entries that only make a statement agree; one that was taken back is none any more. */
  private long unexplained(Chart chart, UUID bookId, LocalDate last) {
    return chart
        .keptByCore(bookId, AccountKind.DIFFERENCE)
        .map(account -> differences.unexplained(account.id(), last))
        .orElse(0L);
  }

  private long waiting(List<Account> accounts, LocalDate last) {
    return jdbc.sql(
            """
            select count(*) from bank_line_state
             where household_id = ? and state = 'WAITING' and account_id = any(?) and booked_on <= ?\
            """)
        .params(
            SignedIn.now().householdId(),
            accounts.stream().map(Account::id).toArray(UUID[]::new),
            last)
        .query(Long.class)
        .single();
  }

  /** The first month that is not closed, at most this one. */
  private YearMonth firstOpen(UUID bookId, YearMonth month) {
    YearMonth first =
        months
            .through(bookId)
            .map(last -> last.plusMonths(1))
            .or(() -> months.first(bookId))
            .orElse(month);
    return first.isAfter(month) ? month : first;
  }

  /**
   * Closes a book through a month: nothing up to its last day changes any more.
   *
   * @throws Refusal {@code month-not-ready}, with all that is left
   * @throws Conflict {@code month-closed-already}
   */
  @Transactional
  @ForBookkeepers
  public void close(UUID bookId, YearMonth month) {
    Chart chart = charts.chart();
    BookEntity book = chart.book(bookId);
    // Nobody posts in the book meanwhile.
    locks.exclusive(chart.accountsOf(bookId).map(Account::id).toList());
    if (months.through(bookId).filter(last -> !last.isBefore(month)).isPresent()) {
      throw new Conflict(
          "month-closed-already", "%s is closed through %s already.".formatted(book.name(), month));
    }
    checklist(chart, book, month, agreed.byAccount()).requireReady();
    acts.begin(ActKind.CLOSE_MONTH, "Closed %s through %s".formatted(book.name(), month));
    months.close(bookId, firstOpen(bookId, month), month, clock.instant());
  }

  /**
   * Opens a month of a book again, and all after it.
   *
   * @param because the reason, which history keeps
   * @throws Refusal {@code reason-missing}
   * @throws Conflict {@code month-open}
   */
  @Transactional
  @ForOwners
  void reopen(UUID bookId, YearMonth month, String because) {
    if (because.isBlank()) {
      throw Refusal.ofField("reason-missing", "because", "Say why it is opened again.");
    }
    Chart chart = charts.chart();
    BookEntity book = chart.book(bookId);
    locks.exclusive(chart.accountsOf(bookId).map(Account::id).toList());
    if (months.through(bookId).filter(last -> !last.isBefore(month)).isEmpty()) {
      throw new Conflict("month-open", "%s is open from %s on.".formatted(book.name(), month));
    }
    acts.begin(
        ActKind.REOPEN_MONTH,
        "Opened %s from %s on again: %s".formatted(book.name(), month, because.strip()));
    months.reopen(bookId, month);
  }
}
