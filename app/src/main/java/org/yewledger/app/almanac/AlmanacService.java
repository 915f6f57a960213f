package org.yewledger.app.almanac;

import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.almanac.AlmanacJson.AccountRowJson;
import org.yewledger.app.almanac.AlmanacJson.AlmanacPageJson;
import org.yewledger.app.almanac.AlmanacJson.BackupToldJson;
import org.yewledger.app.almanac.AlmanacJson.BookRowsJson;
import org.yewledger.app.almanac.AlmanacJson.CellJson;
import org.yewledger.app.almanac.AlmanacJson.Source;
import org.yewledger.app.backup.BackupTimes;
import org.yewledger.app.chart.AccountBalances;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.connection.FeedBalances;
import org.yewledger.app.export.UnwrittenExports;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.post.WaitingCounts;
import org.yewledger.app.post.WaitingCounts.Count;
import org.yewledger.app.reconcile.StatementEntity;
import org.yewledger.app.setup.SetupService;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Position;
import org.yewledger.core.money.Amount;
import org.yewledger.core.reconcile.AccountMonth;
import org.yewledger.core.reconcile.AccountMonth.State;
import org.yewledger.core.reconcile.MonthsOfAccounts;
import org.yewledger.core.reconcile.Reconciliation;

/** Puts the home view together: accounts by months, what is left, what is next. */
@Service
class AlmanacService {
  private final EntityManager entities;
  private final ChartService charts;
  private final AccountStatements accountStatements;
  private final WaitingCounts waitingCounts;
  private final AccountBalances balances;
  private final FeedBalances feeds;
  private final SetupService setup;
  private final NextSteps next;
  private final HouseholdDays days;
  private final BackupTimes backups;
  private final UnwrittenExports unwritten;

  AlmanacService(
      EntityManager entities,
      ChartService charts,
      AccountStatements accountStatements,
      WaitingCounts waitingCounts,
      AccountBalances balances,
      FeedBalances feeds,
      SetupService setup,
      NextSteps next,
      HouseholdDays days,
      BackupTimes backups,
      UnwrittenExports unwritten) {
    this.entities = entities;
    this.charts = charts;
    this.accountStatements = accountStatements;
    this.waitingCounts = waitingCounts;
    this.balances = balances;
    this.feeds = feeds;
    this.setup = setup;
    this.next = next;
    this.days = days;
    this.backups = backups;
    this.unwritten = unwritten;
  }

  /** What every row of one page shares. */
  private record Page(
      YearMonth month,
      List<YearMonth> months,
      Map<UUID, Position> balances,
      Map<UUID, Balance> feeds,
      List<Count> waiting) {
    int waitingOn(Account account) {
      return waiting.stream()
          .filter(c -> c.account().id().equals(account.id()) && !c.month().isAfter(month))
          .mapToInt(Count::lines)
          .sum();
    }
  }

  /**
   * @param months how many are shown beside each other
   */
  @Transactional(readOnly = true)
  AlmanacPageJson page(@Nullable YearMonth chosen, @Nullable UUID bookId, int months) {
    Chart chart = charts.chart();
    List<AccountStatements.Of> all =
        accountStatements.of(chart.reconciledAccounts(bookId).toList(), chart);
    var allMonths = new MonthsOfAccounts(all.stream().map(AccountStatements.Of::monthly).toList());
    LocalDate today = days.today();
    YearMonth lastPossible = YearMonth.from(today);
    YearMonth working = allMonths.firstNotAgreed(lastPossible);
    YearMonth month = chosen == null ? working : chosen;
    List<YearMonth> window = window(month, working, months);
    List<AccountStatements.Of> accounts =
        accountStatements.showing(all, window.getFirst(), window.getLast());
    List<Count> waiting =
        waitingCounts.all(chart).stream()
            .filter(c -> bookId == null || c.account().bookId().equals(bookId))
            .toList();
    Page page =
        new Page(
            month,
            window,
            balances.at(
                month.atEndOfMonth(),
                accounts.stream().map(AccountStatements.Of::account).toList()),
            feeds.lastIn(month),
            waiting);
    List<OneBook> books = books(chart, bookId, accounts);
    NextSteps.Left left =
        next.left(chart, accounts, waiting, books.stream().flatMap(b -> b.toClose(today)).toList());
    List<AccountMonth> now = accounts.stream().map(a -> a.monthly().in(month)).toList();
    return new AlmanacPageJson(
        month,
        working,
        today,
        reel(window, allMonths),
        window,
        books.stream().map(b -> book(b, page, today)).toList(),
        (int) now.stream().filter(m -> m.state().isAgreed()).count(),
        (int) now.stream().filter(m -> m.state() != State.NOT_OPEN).count(),
        left.stations(working),
        left.next(bookId, month),
        lastGathered(),
        backups
            .told()
            .map(told -> new BackupToldJson(told.lastGood(), told.failing()))
            .orElse(null),
        unwritten.names(),
        chart.books().findAny().isPresent(),
        setup.missing(chart));
  }

  /** So many months that end with the month to work on, moved only if another month was chosen. */
  private static List<YearMonth> window(YearMonth month, YearMonth working, int months) {
    YearMonth last = month.isAfter(working) ? month : working;
    if (month.isBefore(last.minusMonths(months - 1L))) {
      last = month.plusMonths(months - 1L);
    }
    YearMonth end = last;
    return Stream.iterate(end.minusMonths(months - 1L), m -> m.plusMonths(1))
        .limit(months)
        .toList();
  }

  private static List<CellJson> reel(List<YearMonth> window, MonthsOfAccounts all) {
    return Stream.concat(window.stream(), Stream.of(window.getLast().plusMonths(1)))
        .map(m -> new CellJson(m, all.over(m).state(), all.over(m).agreedShare(), null, null))
        .toList();
  }

  /** A book with its accounts that statements come for. */
  private record OneBook(BookEntity book, List<AccountStatements.Of> accounts) {
    MonthsOfAccounts months() {
      return new MonthsOfAccounts(accounts.stream().map(AccountStatements.Of::monthly).toList());
    }

    Stream<NextSteps.ToClose> toClose(LocalDate today) {
      return months().toClose(today).stream()
          .map(month -> new NextSteps.ToClose(book, month, accounts.size()));
    }
  }

  private static List<OneBook> books(
      Chart chart, @Nullable UUID bookId, List<AccountStatements.Of> accounts) {
    return chart
        .books(bookId)
        .map(book ->
            new OneBook(
                book,
                accounts.stream().filter(a -> a.account().bookId().equals(book.id())).toList()))
        .filter(book -> !book.accounts().isEmpty())
        .toList();
  }

  private BookRowsJson book(OneBook one, Page page, LocalDate today) {
    BookEntity book = one.book();
    MonthsOfAccounts months = one.months();
    return new BookRowsJson(
        book.id(),
        book.name(),
        months.agreedThrough(page.months().getLast()).orElse(null),
        months.closedThrough().orElse(null),
        months.toClose(today).orElse(null),
        one.accounts().stream().map(a -> row(a, page)).toList());
  }

  private AccountRowJson row(AccountStatements.Of of, Page page) {
    Account account = of.account();
    BankAndBooks said = bankAndBooks(of, page);
    Amount apart = said.apart();
    return new AccountRowJson(
        account.id(),
        account.name(),
        of.tail(),
        account.currency().getCode(),
        page.months().stream().map(m -> cell(of, m)).toList(),
        said.source(),
        said.bank() == null ? null : said.bank().on(),
        said.bank() == null ? null : said.bank().amount().decimal(),
        said.books().decimal(),
        apart == null ? null : apart.decimal(),
        page.waitingOn(account));
  }

  /** What bank and books say of an account in a month; the bank may have said nothing. */
  private record BankAndBooks(Source source, @Nullable Balance bank, Amount books) {
    @Nullable Amount apart() {
      return bank == null ? null : bank.amount().minus(books);
    }
  }

  /**
   * A statement is held against what is ticked for it; where only a feed is, its balance against
   * the books of that day.
   */
  private BankAndBooks bankAndBooks(AccountStatements.Of of, Page page) {
    UUID account = of.account().id();
    StatementEntity statement = of.closingIn(page.month()).orElse(null);
    if (statement != null) {
      Reconciliation sum = of.reconciliation(statement);
      return new BankAndBooks(
          sourceOf(of.account(), statement),
          new Balance(statement.closesOn(), sum.closing()),
          sum.ticked());
    }
    Balance feed = page.feeds().get(account);
    if (feed != null) {
      return new BankAndBooks(Source.FEED, feed, balances.whole(of.account(), feed.on()).amount());
    }
    Amount books = page.balances().getOrDefault(account, Position.empty(of.account())).amount();
    boolean counted = of.account().kind().isCounted();
    return new BankAndBooks(counted ? Source.TO_COUNT : Source.TO_COME, null, books);
  }

  private static Source sourceOf(Account account, StatementEntity statement) {
    if (account.kind().isCounted()) {
      return Source.COUNT;
    }
    return statement.batchId() == null ? Source.PAPER : Source.FILE;
  }

  private static CellJson cell(AccountStatements.Of of, YearMonth month) {
    AccountMonth state = of.monthly().in(month);
    StatementEntity statement = of.closingIn(month).orElse(null);
    BigDecimal difference =
        state.state() == State.IN_PROGRESS && statement != null
            ? of.reconciliation(statement).difference().decimal()
            : null;
    return new CellJson(
        month,
        state.state(),
        state.agreedShare(),
        difference,
        statement == null ? null : statement.id());
  }

  private @Nullable Instant lastGathered() {
    return entities
        .createQuery("select max(gatheredAt) from Batch", Instant.class)
        .getSingleResult();
  }
}
