package org.yewledger.app.reconcile;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.EntryReader;
import org.yewledger.app.journal.EntryReader.EntryView;
import org.yewledger.app.journal.EntryReader.EntryViews;
import org.yewledger.app.journal.PostingEntity;
import org.yewledger.app.reconcile.OpenStatements.Sums;
import org.yewledger.app.reconcile.StatementJson.AccountToReconcileJson;
import org.yewledger.app.reconcile.StatementJson.OpenStatementJson;
import org.yewledger.app.reconcile.StatementJson.OpeningApartJson;
import org.yewledger.app.reconcile.StatementJson.SheetJson;
import org.yewledger.app.reconcile.StatementJson.TickJson;
import org.yewledger.app.reconcile.StatementJson.TickableJson;
import org.yewledger.app.reconcile.StatementJson.TickedJson;
import org.yewledger.app.reconcile.StatementJson.UnpostedJson;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.reconcile.Reconciliation;
import org.yewledger.core.reconcile.StatementChain;

/** Lays a statement out beside the postings that it may cover. */
@Service
class SheetService {
  private final UnpostedLines unpostedLines;
  private final ChartService charts;
  private final StatementService statements;
  private final StatementProgress progress;
  private final ProofService proofs;
  private final OpenStatements openStatements;
  private final EntryReader entries;

  SheetService(
      UnpostedLines unpostedLines,
      ChartService charts,
      StatementService statements,
      StatementProgress progress,
      ProofService proofs,
      OpenStatements openStatements,
      EntryReader entries) {
    this.unpostedLines = unpostedLines;
    this.charts = charts;
    this.statements = statements;
    this.progress = progress;
    this.proofs = proofs;
    this.openStatements = openStatements;
    this.entries = entries;
  }

  /** Every account at a bank, with its statements that are not finished. */
  @Transactional(readOnly = true)
  List<AccountToReconcileJson> toReconcile(@Nullable UUID bookId) {
    Chart chart = charts.chart();
    Map<UUID, List<StatementEntity>> byAccount =
        openStatements.unfinishedAndLastAgreed().stream()
            .collect(Collectors.groupingBy(StatementEntity::accountId));
    Map<UUID, Sums> sums = openStatements.sums();
    Map<UUID, Long> openings = openStatements.openings();
    return chart
        .bankAccounts(bookId)
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
        open);
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
    StatementEntity statement = statements.find(id);
    Chart chart = charts.chart();
    Account account = chart.account(statement.accountId());
    StatementChain chain = statements.chain(account);
    Reconciliation sum = statements.reconciliation(statement);
    List<PostingEntity> covered = progress.covered(statement);
    List<UnpostedJson> unposted = unposted(statement, account);
    return new SheetJson(
        id,
        statement.version(),
        account.id(),
        account.bookId(),
        account.name(),
        chart.tail(account.id()),
        account.currency().getCode(),
        statement.closesOn(),
        chain.before(statement.closesOn()).map(StatementChain.Link::closesOn).orElse(null),
        statement.isFinished(),
        statement.batchId() != null,
        proofs.proof(statement, account, chain, sum, covered),
        sum.opening().decimal(),
        sum.ticked().decimal(),
        sum.closing().decimal(),
        sum.difference().decimal(),
        sum.difference().isZero(),
        progress.of(statement, covered).agreedShare(),
        tickable(statement, account, sum, covered),
        unposted,
        unposted.stream().map(UnpostedJson::amount).reduce(BigDecimal.ZERO, BigDecimal::add),
        openingApart(statement, account, chain));
  }

  /**
   * What a sheet shows anew after ticking, without what ticking leaves alone: entries and texts are
   * not read.
   *
   * @param touched the postings that were ticked or unticked
   */
  @Transactional(readOnly = true)
  TickedJson ticked(UUID id, Set<UUID> touched) {
    StatementEntity statement = statements.find(id);
    Account account = charts.chart().account(statement.accountId());
    StatementChain chain = statements.chain(account);
    Reconciliation sum = statements.reconciliation(statement);
    List<PostingEntity> covered = progress.covered(statement);
    return new TickedJson(
        statement.version(),
        proofs.proof(statement, account, chain, sum, covered),
        sum.ticked().decimal(),
        sum.difference().decimal(),
        sum.difference().isZero(),
        progress.of(statement, covered).agreedShare(),
        ticks(statement, account, sum, covered).stream()
            .dropWhile(tick -> !touched.contains(tick.postingId()))
            .toList());
  }

  /** The postings in their order, with the balance down the page after each that is ticked. */
  private static List<TickJson> ticks(
      StatementEntity statement, Account account, Reconciliation sum, List<PostingEntity> covered) {
    Amount balance = sum.opening();
    var ticks = new ArrayList<TickJson>(covered.size());
    for (PostingEntity posting : covered) {
      boolean ticked = statement.id().equals(posting.statementId());
      balance = ticked ? balance.plus(posting.amount(account.currency())) : balance;
      ticks.add(new TickJson(posting.id(), ticked, ticked ? balance.decimal() : null));
    }
    return ticks;
  }

  private @Nullable OpeningApartJson openingApart(
      StatementEntity statement, Account account, StatementChain chain) {
    return statements
        .openingCheck(statement)
        .filter(check -> !check.difference().isZero())
        .map(check ->
            new OpeningApartJson(
                check.balanceOn(),
                check.books().decimal(),
                check.statement().decimal(),
                check.difference().decimal(),
                chain.before(statement.closesOn()).isEmpty(),
                check.inWords()))
        .orElse(null);
  }

  private List<TickableJson> tickable(
      StatementEntity statement,
      Account account,
      Reconciliation sum,
      List<PostingEntity> postings) {
    EntryViews views = entries.byId(postings.stream().map(PostingEntity::entryId).toList());
    Map<UUID, String> texts = entries.bankTexts(postings);
    List<TickJson> ticks = ticks(statement, account, sum, postings);
    var rows = new ArrayList<TickableJson>(postings.size());
    for (int i = 0; i < postings.size(); i++) {
      rows.add(row(postings.get(i), account, views, texts, ticks.get(i)));
    }
    return rows;
  }

  private static TickableJson row(
      PostingEntity posting,
      Account account,
      EntryViews views,
      Map<UUID, String> texts,
      TickJson tick) {
    EntryView view = views.of(posting.entryId());
    return new TickableJson(
        posting.id(),
        posting.entryId(),
        view.no(),
        posting.date(),
        view.payee(),
        view.note(),
        view.otherSideOf(posting.id()),
        posting.amount(account.currency()).decimal(),
        texts.get(posting.id()),
        tick.ticked(),
        tick.balance());
  }

  private List<UnpostedJson> unposted(StatementEntity statement, Account account) {
    return unpostedLines.of(statement).stream()
        .map(row -> {
          BankLine line = row.toBankLine();
          return new UnpostedJson(
              row.id(), line.bookedOn(), line.text(), line.amount(account.currency()).decimal());
        })
        .toList();
  }
}
