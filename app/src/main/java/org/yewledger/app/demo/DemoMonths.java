package org.yewledger.app.demo;

import jakarta.persistence.EntityManager;
import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.bankline.BankLineStateEntity.State;
import org.yewledger.app.bankline.BatchEntity;
import org.yewledger.app.bankline.LineLinks;
import org.yewledger.app.bankline.LineLinks.Link;
import org.yewledger.app.bankline.LineStates;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.close.CloseService;
import org.yewledger.app.gather.GatherService;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.journal.LedgerService;
import org.yewledger.app.journal.PostingEntity;
import org.yewledger.app.payee.PayeeTexts;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.reconcile.CoveredPostings;
import org.yewledger.app.reconcile.StatementEntity;
import org.yewledger.app.reconcile.StatementService;
import org.yewledger.app.rules.RuleService;
import org.yewledger.app.tax.TaxReturning;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.gather.LineSource;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Ledger;
import org.yewledger.core.ledger.PendingLedger;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amount;
import org.yewledger.core.post.Because;
import org.yewledger.core.post.Booking;
import org.yewledger.core.post.Reason;
import org.yewledger.core.reconcile.StatementFigures;
import org.yewledger.core.rules.LastingWords;
import org.yewledger.core.rules.RuleBook;
import org.yewledger.core.rules.RuleLine;
import org.yewledger.core.tax.TaxChoice;
import org.yewledger.demo.AldercottChart;
import org.yewledger.demo.AldercottChart.ChartAccount;
import org.yewledger.demo.AldercottYear;
import org.yewledger.demo.DemoStatements;
import org.yewledger.demo.DemoTyped;
import org.yewledger.demo.Happening;
import org.yewledger.demo.Happening.Line;
import org.yewledger.demo.SampleFiles;

/**
 * Does the family's bookkeeping of twelve months the way a person would: gather, post, reconcile.
 * The month before the last agrees and can be closed; the last is left to do, but for the card's
 * file, which is gathered and waits.
 */
@Component
@ConditionalOnProperty("yew.demo")
class DemoMonths {
  private static final String GATHERED_BUT_WAITING = "Quillon Card";

  private final EntityManager entities;
  private final GatherService gather;
  private final EntryStore entries;
  private final LedgerService ledgers;
  private final ChartService charts;
  private final StatementService statements;
  private final CoveredPostings covered;
  private final LineLinks links;
  private final PayeeTexts texts;
  private final LineStates states;
  private final RuleService rules;
  private final TaxReturning tax;
  private final CloseService closing;

  DemoMonths(
      EntityManager entities,
      GatherService gather,
      EntryStore entries,
      LedgerService ledgers,
      ChartService charts,
      StatementService statements,
      CoveredPostings covered,
      LineLinks links,
      PayeeTexts texts,
      LineStates states,
      RuleService rules,
      TaxReturning tax,
      CloseService closing) {
    this.entities = entities;
    this.gather = gather;
    this.entries = entries;
    this.ledgers = ledgers;
    this.charts = charts;
    this.statements = statements;
    this.covered = covered;
    this.links = links;
    this.texts = texts;
    this.states = states;
    this.rules = rules;
    this.tax = tax;
    this.closing = closing;
  }

  void load(DemoChart chart) {
    List<Happening> happenings = AldercottYear.happenings();
    var banks = new DemoStatements(happenings);
    Ledger ledger = ledgers.ledger(charts.chart());
    Map<UUID, RuleBook> tried = rules.ruleBooks(charts.chart());
    for (YearMonth m = AldercottYear.FIRST; m.isBefore(AldercottYear.LAST); m = m.plusMonths(1)) {
      YearMonth month = m;
      Map<Line, UUID> lines = new HashMap<>();
      Map<String, UUID> batches = new HashMap<>();
      for (ChartAccount account : accountsWithLines(banks, month)) {
        batches.put(account.name(), gather(account, banks, month, chart, lines));
      }
      post(
          happenings.stream().filter(h -> YearMonth.from(h.line().day()).equals(month)).toList(),
          chart,
          ledger,
          tried,
          lines);
      entries.add(List.of(DemoDivisions.of(month, chart)));
      entities.flush();
      reconcile(banks, month, chart, batches);
      entities.flush();
      if (month.isBefore(AldercottYear.LAST.minusMonths(1))) {
        close(month);
      }
      entities.clear();
    }
    accountsWithLines(banks, AldercottYear.LAST).stream()
        .filter(a -> a.name().equals(GATHERED_BUT_WAITING))
        .forEach(a -> begin(a, banks, chart));
    entries.add(List.of(DemoDivisions.of(AldercottYear.LAST, chart)));
    entries.add(DemoTyped.entries().stream().map(typed -> entry(typed, chart)).toList());
  }

  private void close(YearMonth month) {
    for (BookEntity book : charts.chart().books().toList()) {
      if (book.taxedFrom() != null && book.taxPeriod().of(month).last().equals(month)) {
        tax.record(book.id(), month);
      }
      closing.close(book.id(), month);
    }
  }

  private static Entry entry(DemoTyped.TypedEntry typed, DemoChart chart) {
    Account account = chart.account(typed.account());
    Amount amount = Amount.ofMinor(typed.minor(), account.currency());
    return new Entry(
        typed.day(),
        typed.payee(),
        "",
        Entry.Origin.BY_HAND,
        List.of(
            new Posting(account, amount),
            new Posting(chart.account(typed.category()), amount.negated())));
  }

  private void begin(ChartAccount account, DemoStatements banks, DemoChart chart) {
    BankStatement file = banks.statement(account, AldercottYear.LAST);
    gather.takeIn(chart.account(account.name()), file, source(account, AldercottYear.LAST), true);
  }

  private UUID gather(
      ChartAccount account,
      DemoStatements banks,
      YearMonth month,
      DemoChart chart,
      Map<Line, UUID> lines) {
    BankStatement file = banks.statement(account, month);
    var taken = gather.takeIn(chart.account(account.name()), file, source(account, month), false);
    List<Line> happened = banks.lines(account.name(), month);
    for (int i = 0; i < happened.size(); i++) {
      lines.put(happened.get(i), taken.lineIds().get(i));
    }
    return taken.batch().id();
  }

  private static BatchEntity.Origin source(ChartAccount account, YearMonth month) {
    Instant gatheredAt = month.plusMonths(1).atDay(3).atTime(8, 5).toInstant(ZoneOffset.UTC);
    String file = SampleFiles.fileName(account, month);
    LineSource format = file.endsWith("csv") ? LineSource.CSV : LineSource.OFX;
    return new BatchEntity.Origin(file, format, gatheredAt, SignedIn.now().personId());
  }

  private static @Nullable Amount other(Happening.Share share, DemoChart chart) {
    return share.otherMinor() == 0
        ? null
        : Amount.ofMinor(share.otherMinor(), chart.account(share.account()).currency());
  }

  /** Posts what happened in a month, all at once. */
  private void post(
      List<Happening> happenings,
      DemoChart chart,
      Ledger stored,
      Map<UUID, RuleBook> tried,
      Map<Line, UUID> lines) {
    var ledger = new PendingLedger(stored);
    var booked = new ArrayList<Booking.Booked>();
    var because = new ArrayList<Because>();
    for (Happening happening : happenings) {
      Account bank = chart.account(happening.line().account());
      BankLine line = lineOf(happening, lines);
      Booking booking = booking(happening, bank, chart);
      booked.add(booking.entryFor(bank, line, ledger));
      because.add(because(tried.get(bank.bookId()), bank, line, booking));
      ledger.note(booked.getLast().entry());
    }
    List<EntryStore.Stored> made =
        entries.add(booked.stream().map(Booking.Booked::entry).toList(), because);
    var confirmed = new ArrayList<Link>();
    Map<String, UUID> payees = new HashMap<>();
    for (int i = 0; i < made.size(); i++) {
      int at = i;
      Happening happening = happenings.get(i);
      List<PostingEntity> postings = made.get(i).postings();
      int bankPosting = booked.get(i).bankPosting();
      confirmed.add(link(postings.get(bankPosting), lines.get(happening.line()), true));
      happening
          .twin()
          .ifPresentOrElse(
              twin -> confirmed.add(link(postings.get(1 - bankPosting), lines.get(twin), false)),
              () ->
                  payees.put(
                      LastingWords.of(lineOf(happening, lines)).toString(),
                      made.get(at).entry().payeeId()));
    }
    links.add(confirmed);
    texts.learn(payees);
    states.become(confirmed.stream().map(Link::bankLineId).toList(), State.POSTED);
  }

  private BankLine lineOf(Happening happening, Map<Line, UUID> lines) {
    return entities.find(BankLineEntity.class, lines.get(happening.line())).toBankLine();
  }

  private static Booking booking(Happening happening, Account bank, DemoChart chart) {
    return new Booking(
        happening.payee(),
        happening.note(),
        happening.shares().stream()
            .map(s ->
                new Booking.Part(
                    chart.account(s.account()),
                    Amount.ofMinor(s.amountMinor(), bank.currency()),
                    s.note(),
                    other(s, chart),
                    // What is sold abroad carries no tax.
                    bank.isForeign() ? TaxChoice.NONE : TaxChoice.AS_USUAL))
            .toList());
  }

  /** What a rule fits was booked by it, if it says the same; the rest was answered by hand. */
  private static Because because(
      @Nullable RuleBook tried, Account bank, BankLine line, Booking booking) {
    Set<UUID> accounts =
        booking.parts().stream().map(p -> p.account().id()).collect(Collectors.toSet());
    return Optional.ofNullable(tried)
        .flatMap(book -> book.firstMatch(RuleLine.of(bank, line)))
        .filter(rule -> rule.then().division().accounts().equals(accounts))
        .map(rule -> new Because(Reason.RULE, rule.id()))
        .orElse(Because.OF_AN_ANSWER);
  }

  private static Link link(PostingEntity posting, @Nullable UUID lineId, boolean madeEntry) {
    return new Link(
        Objects.requireNonNull(lineId),
        posting.id(),
        posting.entryId(),
        posting.accountId(),
        posting.amountMinor(),
        madeEntry);
  }

  private void reconcile(
      DemoStatements banks, YearMonth month, DemoChart chart, Map<String, UUID> batches) {
    for (ChartAccount account : AldercottChart.accounts()) {
      if (!account.kind().isReconciled()
          || account.opensOn() == null
          || account.opensOn().isAfter(month.atEndOfMonth())) {
        continue;
      }
      LocalDate end = month.atEndOfMonth();
      var closing = new Balance(end, banks.balance(account, end));
      StatementEntity statement =
          statements.begin(
              chart.account(account.name()),
              closing,
              StatementFigures.NONE,
              batches.get(account.name()));
      entities.flush();
      List<UUID> all = covered.open(statement);
      statements.tick(statement.id(), all, true);
      entities.flush();
      statements.finish(statement.id(), 0);
    }
  }

  private static List<ChartAccount> accountsWithLines(DemoStatements banks, YearMonth month) {
    return AldercottChart.accounts().stream()
        .filter(a -> !banks.lines(a.name(), month).isEmpty())
        .toList();
  }
}
