package org.yewledger.app.gather;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.bankline.BankLineStore;
import org.yewledger.app.bankline.BatchEntity;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.event.Events;
import org.yewledger.app.gather.FileReading.FileRead;
import org.yewledger.app.gather.FileReading.Part;
import org.yewledger.app.gather.FileReading.Upload;
import org.yewledger.app.gather.FileRouting.Route;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.HouseholdNumbers;
import org.yewledger.app.platform.HouseholdNumbers.Of;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.reconcile.StatementService;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.gather.Arrival;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.Days;
import org.yewledger.core.gather.Gathering;
import org.yewledger.core.gather.KnownLine;
import org.yewledger.core.gather.LineSource;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.reconcile.StatementFigures;

/** Shows what statement files would bring, and takes files and feeds in. */
@Service
public class GatherService {
  /** Banks move a line by some days between exports; further away a line is another one. */
  private static final int DAYS_AROUND = 10;

  /**
   * What the part of a file that is of one account would bring.
   *
   * @param gathering null until the account is settled, or if it cannot take the lines
   * @param refusal why the account cannot take the lines
   * @param isOfAnother whether the number in the file is not that of the account
   */
  record PartPreview(
      BankStatement statement,
      @Nullable Route route,
      @Nullable Gathering gathering,
      @Nullable Refusal refusal,
      boolean makesStatement,
      boolean isOfAnother) {}

  /** What a file would bring. */
  record Preview(FileRead read, List<PartPreview> parts) {}

  /**
   * The account that a person settled for a number in the file.
   *
   * @param discrepanciesSeen whether the lines are taken although figures of the file do not come
   *     out
   */
  record Choice(
      String accountNumber, UUID accountId, boolean makeStatement, boolean discrepanciesSeen) {}

  /** What a file or a sync has brought for an account; ids in the order of its lines. */
  public record TakenIn(BatchEntity batch, List<UUID> lineIds, @Nullable UUID statementId) {}

  private final EntityManager entities;
  private final ChartService charts;
  private final StatementService statements;
  private final FileReading files;
  private final FileRouting routing;
  private final RememberedLayouts layouts;
  private final BankLineStore lines;
  private final AccountLocks locks;
  private final HouseholdNumbers numbers;
  private final Acts acts;
  private final Events events;
  private final Clock clock;

  GatherService(
      EntityManager entities,
      ChartService charts,
      StatementService statements,
      FileReading files,
      FileRouting routing,
      RememberedLayouts layouts,
      BankLineStore lines,
      AccountLocks locks,
      HouseholdNumbers numbers,
      Acts acts,
      Events events,
      Clock clock) {
    this.entities = entities;
    this.charts = charts;
    this.statements = statements;
    this.files = files;
    this.routing = routing;
    this.layouts = layouts;
    this.lines = lines;
    this.locks = locks;
    this.numbers = numbers;
    this.acts = acts;
    this.events = events;
    this.clock = clock;
  }

  /** Reads a file without taking anything in. */
  @Transactional(readOnly = true)
  Preview preview(Upload upload) {
    Chart chart = charts.chart();
    FileRead read = files.read(upload, chart);
    LineSource source = read.reading().source();
    return new Preview(
        read, read.parts().stream().map(part -> preview(part, source, chart)).toList());
  }

  private PartPreview preview(Part part, LineSource source, Chart chart) {
    BankStatement file = part.statement();
    Route route = part.route();
    if (route == null) {
      return new PartPreview(file, null, null, null, false, false);
    }
    Account account = route.account();
    boolean isOfAnother =
        route.why() == FileRouting.Why.CHOSEN
            && routing.isOfAnother(chart, account, file.accountNumber());
    try {
      Gathering gathering = Gathering.of(account, file, known(account, file), source);
      boolean makes = file.closing() != null && statements.hasRoomFor(account, file.closing().on());
      return new PartPreview(file, route, gathering, null, makes, isOfAnother);
    } catch (Refusal refusal) {
      return new PartPreview(file, route, null, refusal, false, isOfAnother);
    }
  }

  /**
   * Takes the new lines of a file in, all or nothing, over all of its accounts. Which account was
   * chosen for which number is remembered, and so is the layout of a table.
   */
  @Transactional
  @ForBookkeepers
  List<TakenIn> takeIn(Upload upload, List<Choice> choices, boolean keepLayout) {
    Chart chart = charts.chart();
    UUID only = choices.size() == 1 ? choices.getFirst().accountId() : null;
    boolean isTable = StatementReading.isTable(upload.bytes());
    var forAccount =
        new Upload(
            upload.fileName(), upload.bytes(), isTable ? only : null, Map.of(), upload.layout());
    progress(upload, "reading the file");
    FileRead read = files.read(forAccount, chart);
    StatementReading reading = read.reading().settledBy(upload.layout()).required();
    var origin =
        new BatchEntity.Origin(
            upload.fileName(), reading.source(), clock.instant(), SignedIn.now().personId());
    var taken = new ArrayList<TakenIn>();
    for (Part part : read.parts()) {
      Choice choice =
          read.parts().size() == 1 && choices.size() == 1
              ? choices.getFirst()
              : choice(part.statement(), choices);
      Account account = chart.account(choice.accountId());
      Gathering.requireSeen(part.statement(), choice.discrepanciesSeen());
      progress(
          upload,
          "comparing and keeping %,d lines for %s"
              .formatted(part.statement().lines().size(), account.name()));
      taken.add(takeIn(account, part.statement(), origin, choice.makeStatement()));
      routing.keep(part.statement().accountNumber(), account.id());
      StatementReading.TableReadAs table = reading.table();
      if (table != null && keepLayout) {
        layouts.keep(
            account.id(),
            table.cells().headerKey(),
            LayoutJson.of(table.cells(), table.layout(), table.mayLeaveOut()));
      }
    }
    return taken;
  }

  /** Told to the person's windows as it goes; that it is over is told by who began it. */
  private void progress(Upload upload, String step) {
    events.progress(new Events.Progress(upload.fileName(), step));
  }

  private static Choice choice(BankStatement part, List<Choice> choices) {
    return choices.stream()
        .filter(c -> c.accountNumber().equals(part.accountNumber()))
        .findFirst()
        .orElseThrow(() ->
            Refusal.ofField(
                "account-missing",
                "account",
                "Choose the account for the lines of %s."
                    .formatted(
                        part.accountNumber().isEmpty() ? "the file" : part.accountNumber())));
  }

  /**
   * Takes the new lines of a statement in and makes the statement of its closing balance, if asked
   * to and if there is room for it. The account is locked meanwhile: of two windows with the same
   * file the second finds all lines known.
   */
  @Transactional
  @ForBookkeepers
  public TakenIn takeIn(
      Account account, BankStatement file, BatchEntity.Origin origin, boolean makeStatement) {
    Gathering gathering = lockedAndCompared(account, file, origin.source());
    return keep(account, file, origin, gathering, makeStatement);
  }

  private Gathering lockedAndCompared(Account account, BankStatement file, LineSource source) {
    locks.exclusive(List.of(account.id()));
    return Gathering.of(account, file, known(account, file), source);
  }

  private TakenIn keep(
      Account account,
      BankStatement file,
      BatchEntity.Origin origin,
      Gathering gathering,
      boolean makeStatement) {
    UUID act =
        acts.begin(ActKind.GATHER, "Gathered %s for %s".formatted(origin.name(), account.name()));
    long no = numbers.take(Of.BATCH, 1, act);
    var batch = new BatchEntity(Ids.next(), no, account.id(), origin, file, gathering);
    entities.persist(batch);
    List<UUID> lineIds = lines.add(batch, gathering.comingIn());
    UUID statementId = null;
    if (makeStatement
        && file.closing() != null
        && statements.hasRoomFor(account, file.closing().on())) {
      LocalDate closesOn = file.closing().on();
      var says =
          StatementFigures.ofLines(openingSaid(account, file, closesOn), file.lines(), closesOn);
      statementId = statements.begin(account, file.closing(), says, batch.id()).id();
      statements.keepLines(statementId, linesOf(gathering, lineIds, closesOn));
    }
    return new TakenIn(batch, lineIds, statementId);
  }

  /** The booked lines of a file up to a day, those that were here before among them. */
  private static List<UUID> linesOf(Gathering gathering, List<UUID> cameIn, LocalDate closesOn) {
    var ids = new ArrayList<UUID>();
    Iterator<UUID> next = cameIn.iterator();
    for (Arrival arrival : gathering.arrivals()) {
      UUID id = arrival.comesIn() ? next.next() : arrival.knownAs();
      BankLine line = arrival.line();
      if (id != null && !line.isPending() && !line.bookedOn().isAfter(closesOn)) {
        ids.add(id);
      }
    }
    return ids;
  }

  /**
   * Takes in what a feed says. Where nothing is new there is no batch. What was pending and is not
   * announced any more is done with: a feed always says all that is pending.
   *
   * @return how many lines came in
   */
  @Transactional
  @ForBookkeepers
  public int takeFeedIn(Account account, BankStatement feed, BatchEntity.Origin origin) {
    int came = 0;
    if (!feed.lines().isEmpty()) {
      Gathering gathering = lockedAndCompared(account, feed, origin.source());
      came = gathering.comingIn().size();
      if (came > 0) {
        keep(account, feed, origin, gathering, false);
      }
    }
    Set<String> announced =
        feed.lines().stream()
            .filter(BankLine::isPending)
            .map(l -> String.valueOf(l.identity()))
            .collect(Collectors.toSet());
    for (BankLineEntity pending : lines.pendingOfFeed(account.id())) {
      if (!announced.contains(String.valueOf(pending.toBankLine().identity()))) {
        lines.replaced(pending.id(), null, origin.gatheredAt(), origin.gatheredBy());
      }
    }
    return came;
  }

  /** A file that reaches back into the statement before says nothing of where this one opens. */
  private @Nullable Amount openingSaid(Account account, BankStatement file, LocalDate closesOn) {
    LocalDate firstDay = file.firstDay();
    boolean overlaps =
        firstDay == null
            || statements
                .chain(account)
                .before(closesOn)
                .filter(link -> !firstDay.isAfter(link.closesOn()))
                .isPresent();
    return overlaps ? null : file.opening();
  }

  private List<KnownLine> known(Account account, BankStatement file) {
    LocalDate first = file.firstDay();
    LocalDate last = file.lastDay();
    return first == null || last == null
        ? List.of()
        : lines.known(
            account.id(), new Days(first.minusDays(DAYS_AROUND), last.plusDays(DAYS_AROUND)));
  }
}
