package org.yewledger.app.connection;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.yewledger.app.bankline.BatchEntity;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.connection.ConnectionEntity.Status;
import org.yewledger.app.event.Events;
import org.yewledger.app.gather.GatherService;
import org.yewledger.app.opening.OpeningService;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.gather.Days;
import org.yewledger.core.gather.FeedSchedule;
import org.yewledger.core.gather.LineSource;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;

/**
 * Fetches the lines of one connected account. All pages are read first, with their count kept for
 * whoever watches; then everything is taken in in one transaction. Broken off at any moment it has
 * changed nothing but the count, and the next run does the same again.
 */
@Service
class SyncService {
  private static final Logger LOG = LoggerFactory.getLogger(SyncService.class);

  /** Banks deliver lines late and with changed texts; so far back every refresh looks again. */
  private static final int DAYS_AGAIN = 14;

  /** Banks send some hundred lines on a page; a page that leads to itself would go on for ever. */
  private static final int MOST_PAGES = 5_000;

  private static final Duration SHORTEST_WAIT = Duration.ofSeconds(1);

  private final EntityManager entities;
  private final TransactionTemplate transaction;
  private final BankClient bank;
  private final GatherService gather;
  private final OpeningService openings;
  private final ChartService charts;
  private final FeedBalances balances;
  private final KeptConsents consents;
  private final HouseholdDays days;
  private final Clock clock;
  private final Events events;

  SyncService(
      EntityManager entities,
      PlatformTransactionManager transactions,
      BankClient bank,
      GatherService gather,
      OpeningService openings,
      ChartService charts,
      FeedBalances balances,
      KeptConsents consents,
      HouseholdDays days,
      Clock clock,
      Events events) {
    this.events = events;
    this.entities = entities;
    this.transaction = new TransactionTemplate(transactions);
    this.bank = bank;
    this.gather = gather;
    this.openings = openings;
    this.charts = charts;
    this.balances = balances;
    this.consents = consents;
    this.days = days;
    this.clock = clock;
  }

  /** What one run needs to know. */
  private record Run(
      UUID connectedId,
      UUID accountId,
      String institution,
      String institutionName,
      String consent,
      String resourceId,
      String number,
      org.joda.money.CurrencyUnit currency,
      LocalDate from,
      LocalDate startOn,
      boolean opening,
      FeedSchedule schedule) {}

  /** What the bank has said. */
  private record Fetched(List<BankLine> lines, @Nullable Balance balance) {}

  /**
   * Runs once.
   *
   * @return when to run again; empty if a person has to do something first
   */
  Optional<Instant> sync(UUID connectedId) {
    try {
      return fetchAndTakeIn(connectedId);
    } catch (BankProblem problem) {
      return failed(connectedId, problem);
    } catch (Refusal refusal) {
      String why = String.valueOf(refusal.getMessage());
      return failed(connectedId, new BankProblem(BankProblem.Kind.FATAL, why, null));
    } catch (RuntimeException fault) {
      // Nobody waits at this job: without an end it would seem to fetch for ever.
      LOG.error("fetching failed", fault);
      String why = "Fetching failed here, not at the bank.";
      return failed(connectedId, new BankProblem(BankProblem.Kind.LATER, why, null));
    }
  }

  private Optional<Instant> fetchAndTakeIn(UUID connectedId) {
    Run run = transaction.execute(status -> begin(connectedId).orElse(null));
    if (run == null) {
      return Optional.empty();
    }
    Fetched fetched = fetch(run);
    Instant next = run.schedule().next(clock.instant());
    transaction.executeWithoutResult(status -> takeIn(run, fetched, next));
    return Optional.of(next);
  }

  private Optional<Run> begin(UUID connectedId) {
    ConnectedAccountEntity connected = entities.find(ConnectedAccountEntity.class, connectedId);
    if (connected == null || connected.accountId() == null || connected.startOn() == null) {
      return Optional.empty();
    }
    ConnectionEntity connection = entities.find(ConnectionEntity.class, connected.connectionId());
    if (connection.status() != Status.ACTIVE) {
      connected.stop();
      return Optional.empty();
    }
    connected.fetching(0);
    LocalDate start = connected.startOn();
    LocalDate through = connected.syncedThrough();
    LocalDate again = through == null ? start : through.minusDays(DAYS_AGAIN);
    return Optional.of(
        new Run(
            connectedId,
            connected.accountId(),
            connection.institutionId(),
            connection.institutionName(),
            consents.of(connection),
            connected.resourceId(),
            connected.number(),
            connected.currency(),
            again.isBefore(start) ? start : again,
            start,
            connected.openingToCome(),
            connection.schedule()));
  }

  private Fetched fetch(Run run) {
    LocalDate today = today();
    var lines = new ArrayList<BankLine>();
    BankWire.Page page =
        bank.transactions(run.institution(), run.consent(), run.resourceId(), run.from());
    for (int pages = 1; ; pages++) {
      if (pages > MOST_PAGES) {
        throw new BankProblem(
            BankProblem.Kind.FATAL, "The bank's pages of lines have no end.", null);
      }
      add(page.booked(), false, run, today, lines);
      add(page.pending(), true, run, today, lines);
      transaction.executeWithoutResult(status ->
          entities.find(ConnectedAccountEntity.class, run.connectedId()).fetching(lines.size()));
      events.changed(SignedIn.now().householdId());
      Optional<BankWire.Page> next = bank.next(page, run.consent());
      if (next.isEmpty()) {
        break;
      }
      page = next.get();
    }
    Long booked =
        FeedLines.booked(
            bank.balances(run.institution(), run.consent(), run.resourceId()), run.currency());
    return new Fetched(
        lines, booked == null ? null : new Balance(today, Amount.ofMinor(booked, run.currency())));
  }

  private static void add(
      @Nullable List<BankWire.Transaction> transactions,
      boolean pending,
      Run run,
      LocalDate today,
      List<BankLine> lines) {
    if (transactions != null) {
      transactions.stream()
          .map(t -> FeedLines.line(t, run.currency(), pending, today))
          .filter(line -> !line.bookedOn().isBefore(run.startOn()))
          .forEach(lines::add);
    }
  }

  private void takeIn(Run run, Fetched fetched, Instant next) {
    ConnectedAccountEntity connected =
        entities.find(ConnectedAccountEntity.class, run.connectedId());
    Balance balance = fetched.balance();
    if (run.opening() && balance != null) {
      long lines =
          fetched.lines().stream()
              .filter(l -> !l.isPending())
              .mapToLong(BankLine::amountMinor)
              .sum();
      openings.set(
          List.of(
              new OpeningService.Wanted(
                  run.accountId(),
                  run.startOn(),
                  balance.amount().minus(Amount.ofMinor(lines, run.currency())))));
      entities.flush();
      entities.clear();
      connected = entities.find(ConnectedAccountEntity.class, run.connectedId());
    }
    Account account = charts.chart().account(run.accountId());
    var statement =
        new BankStatement(
            run.number(),
            run.currency(),
            fetched.lines(),
            balance,
            null,
            null,
            new Days(run.from(), today()),
            List.of());
    var origin =
        new BatchEntity.Origin(
            run.institutionName(), LineSource.FEED, clock.instant(), SignedIn.now().personId());
    int newLines = gather.takeFeedIn(account, statement, origin);
    if (balance != null) {
      connected.bankSays(balance.amount().minor(), balance.on());
      balances.keep(run.accountId(), balance);
    }
    connected.done(newLines, clock.instant(), today(), next);
  }

  private Optional<Instant> failed(UUID connectedId, BankProblem problem) {
    return transaction.execute(status -> {
      ConnectedAccountEntity connected = entities.find(ConnectedAccountEntity.class, connectedId);
      return connected == null ? Optional.empty() : failed(connected, problem);
    });
  }

  private Optional<Instant> failed(ConnectedAccountEntity connected, BankProblem problem) {
    ConnectionEntity connection = entities.find(ConnectionEntity.class, connected.connectionId());
    LOG.info("{}: {}", connection.institutionId(), problem.getMessage());
    String message = Objects.requireNonNull(problem.getMessage());
    if (problem.kind() == BankProblem.Kind.LATER) {
      Duration backOff = FeedSchedule.waitAfter(connected.failures() + 1);
      Duration asked = problem.retryAfter();
      Duration wait = asked == null ? backOff : asked;
      Instant next = clock.instant().plus(wait.compareTo(SHORTEST_WAIT) < 0 ? SHORTEST_WAIT : wait);
      connected.failed(message, next);
      return Optional.of(next);
    }
    connected.failed(message, null);
    if (problem.kind() == BankProblem.Kind.CONSENT) {
      connection.become(Status.NEEDS_CONSENT);
    }
    return Optional.empty();
  }

  private LocalDate today() {
    return days.today();
  }
}
