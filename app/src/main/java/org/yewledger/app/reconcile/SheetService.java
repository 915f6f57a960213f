package org.yewledger.app.reconcile;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.reconcile.CoveredPostings.TickedPosting;
import org.yewledger.app.reconcile.OpenStatements.Sums;
import org.yewledger.app.reconcile.StatementJson.AccountToReconcileJson;
import org.yewledger.app.reconcile.StatementJson.OpenStatementJson;
import org.yewledger.app.reconcile.StatementJson.OpeningApartJson;
import org.yewledger.app.reconcile.StatementJson.PiecesJson;
import org.yewledger.app.reconcile.StatementJson.SheetJson;
import org.yewledger.app.reconcile.StatementJson.TickJson;
import org.yewledger.app.reconcile.StatementJson.TickableJson;
import org.yewledger.app.reconcile.StatementJson.TickedJson;
import org.yewledger.app.reconcile.StatementJson.UnpostedJson;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.Denominations;
import org.yewledger.core.money.Flows;
import org.yewledger.core.reconcile.AccountMonth.Progress;
import org.yewledger.core.reconcile.Reconciliation;
import org.yewledger.core.reconcile.StatementChain;
import org.yewledger.core.reconcile.StatementChain.Link;

/** Lays a statement out beside the postings that it may cover. */
@Service
class SheetService {
  private final UnpostedLines unpostedLines;
  private final ChartService charts;
  private final StatementService statements;
  private final ProofService proofs;
  private final OpenStatements openStatements;
  private final CoveredPostings covered;

  SheetService(
      UnpostedLines unpostedLines,
      ChartService charts,
      StatementService statements,
      ProofService proofs,
      OpenStatements openStatements,
      CoveredPostings covered) {
    this.unpostedLines = unpostedLines;
    this.charts = charts;
    this.statements = statements;
    this.proofs = proofs;
    this.openStatements = openStatements;
    this.covered = covered;
  }

  /** Every account that is reconciled, with its statements that are not finished. */
  @Transactional(readOnly = true)
  List<AccountToReconcileJson> toReconcile(@Nullable UUID bookId) {
    Chart chart = charts.chart();
    Map<UUID, List<StatementEntity>> byAccount =
        openStatements.unfinishedAndLastAgreed().stream()
            .collect(Collectors.groupingBy(StatementEntity::accountId));
    Map<UUID, Sums> sums = openStatements.sums();
    Map<UUID, Long> openings = openStatements.openings();
    return chart
        .reconciledAccounts(bookId)
        .map(account -> {
          List<StatementEntity> own = byAccount.getOrDefault(account.id(), List.of());
          var chain =
              new StatementChain(
                  account,
                  Amount.ofMinor(openings.getOrDefault(account.id(), 0L), account.currency()),
                  own.stream().map(s -> s.link(account)).toList());
          return toReconcile(account, chart, chain, own, sums);
        })
        .toList();
  }

  private static AccountToReconcileJson toReconcile(
      Account account,
      Chart chart,
      StatementChain chain,
      List<StatementEntity> own,
      Map<UUID, Sums> sums) {
    List<OpenStatementJson> open =
        own.stream()
            .filter(s -> !s.isFinished())
            .map(s -> open(s, account, chain, Objects.requireNonNull(sums.get(s.id()))))
            .toList();
    @Nullable LocalDate agreed = chain.agreedThrough().orElse(null);
    LocalDate day = agreed == null ? LocalDate.MIN : agreed.plusDays(1);
    Amount balance = agreed == null ? chain.openingBalance() : chain.opening(day);
    return new AccountToReconcileJson(
        account.id(),
        account.name(),
        chart.tail(account.id()),
        account.bookId(),
        account.currency().getCode(),
        agreed,
        balance.decimal(),
        nextMonthEnd(chain, account),
        open,
        account.kind().isCounted(),
        account.kind().isCounted()
            ? Denominations.of(account.currency()).stream().map(Amount::decimal).toList()
            : List.of());
  }

  /** Most statements close with a month: the end of the one after the last in the chain. */
  private static LocalDate nextMonthEnd(StatementChain chain, Account account) {
    if (!chain.links().isEmpty()) {
      return YearMonth.from(chain.links().getLast().closesOn().plusDays(1)).atEndOfMonth();
    }
    LocalDate opensOn = account.opensOn();
    return YearMonth.from(opensOn == null ? LocalDate.EPOCH : opensOn).atEndOfMonth();
  }

  private static OpenStatementJson open(
      StatementEntity statement, Account account, StatementChain chain, Sums sums) {
    var counts = sums.progress(statement.closesOn());
    Reconciliation sum =
        sums.reconciliation(
            chain.opening(statement.closesOn()), statement.closing(account.currency()));
    return new OpenStatementJson(
        statement.id(),
        statement.closesOn(),
        sum.closing().decimal(),
        sum.ticked().decimal(),
        sum.difference().decimal(),
        counts.ticked(),
        counts.toTick(),
        counts.agreedShare());
  }

  @Transactional(readOnly = true)
  SheetJson sheet(UUID id) {
    Read read = read(id);
    StatementEntity statement = read.statement();
    List<UnpostedJson> unposted = unposted(statement, read.account());
    return new SheetJson(
        id,
        statement.version(),
        read.account().id(),
        read.account().bookId(),
        read.account().name(),
        charts.chart().tail(read.account().id()),
        read.account().currency().getCode(),
        statement.closesOn(),
        read.chain().before(statement.closesOn()).map(Link::closesOn).orElse(null),
        statement.isFinished(),
        statement.batchId() != null,
        read.account().kind().isCounted(),
        counted(read),
        proof(read),
        read.sum().opening().decimal(),
        read.sum().ticked().decimal(),
        read.sum().closing().decimal(),
        read.sum().difference().decimal(),
        read.sum().difference().isZero(),
        agreedShare(read),
        tickable(read),
        unposted,
        unposted.stream().map(UnpostedJson::amount).reduce(BigDecimal.ZERO, BigDecimal::add),
        openingApart(read));
  }

  /**
   * What a sheet shows anew after ticking, without what ticking leaves alone: entries and texts are
   * not read. Cost: that of what is ticked, and of adding up what is open.
   *
   * @param touched the postings that were ticked or unticked
   */
  @Transactional(readOnly = true)
  TickedJson ticked(UUID id, Set<UUID> touched) {
    Read read = read(id);
    return new TickedJson(
        read.statement().version(),
        proof(read),
        read.sum().ticked().decimal(),
        read.sum().difference().decimal(),
        read.sum().difference().isZero(),
        agreedShare(read),
        ticks(read, touched));
  }

  private static List<PiecesJson> counted(Read read) {
    return read.statement().counted().stream()
        .map(one ->
            new PiecesJson(
                Amount.ofMinor(one.ofMinor(), read.account().currency()).decimal(), one.count()))
        .toList();
  }

  /** What a statement's figures follow from. */
  private record Read(
      StatementEntity statement,
      Account account,
      StatementChain chain,
      Reconciliation sum,
      List<TickedPosting> ticked,
      Flows open) {}

  private Read read(UUID id) {
    StatementEntity statement = statements.find(id);
    Account account = charts.chart().account(statement.accountId());
    StatementChain chain = statements.chain(account);
    List<TickedPosting> ticked = covered.ticked(statement);
    var sum =
        Reconciliation.of(
            chain.opening(statement.closesOn()),
            ticked.stream().map(p -> p.amount(account.currency())).toList(),
            statement.closing(account.currency()));
    return new Read(
        statement, account, chain, sum, ticked, covered.openFlows(statement, account.currency()));
  }

  private ProofJson proof(Read read) {
    return proofs.proof(
        read.statement(), read.account(), read.chain(), read.sum(), read.ticked(), read.open());
  }

  /** Waiting lines up to the statement's day are still to be ticked too. */
  private int agreedShare(Read read) {
    StatementEntity statement = read.statement();
    int ticked = read.ticked().size();
    int toTick = read.open().count() + unpostedLines.of(statement).size();
    return (statement.isFinished()
            ? new Progress(statement.closesOn(), true, 0, 0)
            : new Progress(statement.closesOn(), false, ticked, toTick))
        .agreedShare();
  }

  /** The balance down the page after each posting that is ticked. */
  private static Map<UUID, Amount> balances(Read read) {
    Map<UUID, Amount> balances = new LinkedHashMap<>();
    Amount balance = read.sum().opening();
    for (TickedPosting posting : read.ticked()) {
      balance = balance.plus(posting.amount(read.account().currency()));
      balances.put(posting.id(), balance);
    }
    return balances;
  }

  /** What ticking changed: what was touched, and the balances of all that is ticked. */
  private static List<TickJson> ticks(Read read, Set<UUID> touched) {
    var ticks = new ArrayList<TickJson>();
    Map<UUID, Amount> balances = balances(read);
    balances.forEach((id, balance) -> ticks.add(new TickJson(id, true, balance.decimal())));
    touched.stream()
        .filter(id -> !balances.containsKey(id))
        .forEach(id -> ticks.add(new TickJson(id, false, null)));
    return ticks;
  }

  private @Nullable OpeningApartJson openingApart(Read read) {
    return statements
        .openingCheck(read.statement())
        .filter(check -> !check.difference().isZero())
        .map(check ->
            new OpeningApartJson(
                check.balanceOn(),
                check.books().decimal(),
                check.statement().decimal(),
                check.difference().decimal(),
                read.chain().before(read.statement().closesOn()).isEmpty(),
                check.inWords()))
        .orElse(null);
  }

  private List<TickableJson> tickable(Read read) {
    Map<UUID, String> texts = covered.bankTexts(read.statement());
    Map<UUID, Amount> balances = balances(read);
    CurrencyUnit currency = read.account().currency();
    Chart chart = charts.chart();
    return covered.of(read.statement()).stream()
        .map(posting -> {
          Amount balance = balances.get(posting.id());
          return new TickableJson(
              posting.id(),
              posting.accountId().equals(read.account().id())
                  ? null
                  : chart.account(posting.accountId()).name(),
              posting.entryId(),
              posting.entryNo(),
              posting.date(),
              posting.payee(),
              posting.note(),
              posting.reference(),
              Amount.ofMinor(posting.amountMinor(), currency).decimal(),
              texts.get(posting.id()),
              posting.ticked(),
              balance == null ? null : balance.decimal());
        })
        .toList();
  }

  private List<UnpostedJson> unposted(StatementEntity statement, Account account) {
    return unpostedLines.of(statement).stream()
        .map(row ->
            new UnpostedJson(
                row.id(),
                row.bookedOn(),
                BankLine.textOf(row.payee(), row.memo()),
                Amount.ofMinor(row.amountMinor(), account.currency()).decimal()))
        .toList();
  }
}
