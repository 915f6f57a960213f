package org.yewledger.app.compare;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.compare.BothLedgers.Beside;
import org.yewledger.app.compare.BothLedgers.Written;
import org.yewledger.app.compare.ComparisonJson.ComparedLineJson;
import org.yewledger.app.compare.ComparisonJson.ComparedPostingJson;
import org.yewledger.app.compare.ComparisonJson.MatchJson;
import org.yewledger.app.compare.ComparisonJson.OnlyAtBankJson;
import org.yewledger.app.compare.ComparisonJson.SidesJson;
import org.yewledger.app.post.WaitingLines.Waiting;
import org.yewledger.app.reconcile.StatementService;
import org.yewledger.core.compare.Match;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.post.OpenPosting;
import org.yewledger.core.post.WaitingLine;

/** Tells what the two ledgers of a statement have in common, and what not. */
@Service
class ComparisonService {
  private final StatementService statements;
  private final ChartService charts;
  private final BothLedgers ledgers;

  ComparisonService(StatementService statements, ChartService charts, BothLedgers ledgers) {
    this.statements = statements;
    this.charts = charts;
    this.ledgers = ledgers;
  }

  @Transactional(readOnly = true)
  ComparisonJson of(UUID statementId) {
    Chart chart = charts.chart();
    Beside beside = ledgers.of(statements.find(statementId), chart);
    List<Match> matches = beside.comparison().matches();
    List<Match> same = matches.stream().filter(match -> !match.kind().disagrees()).toList();
    List<Match> disagree = matches.stream().filter(match -> match.kind().disagrees()).toList();
    return new ComparisonJson(
        matches.stream().map(match -> match(match, beside)).toList(),
        beside.comparison().onlyAtBank().stream()
            .map(line -> onlyAtBank(waiting(beside, line), beside.account(), chart))
            .toList(),
        agreed(beside),
        sides(disagree, beside),
        sides(same, beside),
        sides(beside.comparison().onlyAtBank(), List.of(), beside.account()),
        inBooks(beside));
  }

  private static OnlyAtBankJson onlyAtBank(Waiting waiting, Account account, Chart chart) {
    return new OnlyAtBankJson(
        line(waiting, account),
        ProposedPosting.of(waiting, chart).map(ProposedPosting::json).orElse(null));
  }

  private static Waiting waiting(Beside beside, WaitingLine line) {
    return Objects.requireNonNull(beside.waiting().get(line.id()));
  }

  private static ComparedLineJson line(Waiting waiting, Account account) {
    return new ComparedLineJson(
        waiting.row().id(),
        waiting.version(),
        waiting.line().bookedOn(),
        waiting.line().text(),
        waiting.line().amount(account.currency()).decimal());
  }

  private static MatchJson match(Match match, Beside beside) {
    List<Written> postings = written(match.postings(), beside);
    return new MatchJson(
        match.kind(),
        match.lines().stream().map(line -> line(waiting(beside, line), beside.account())).toList(),
        postings.stream().map(posting -> posting(posting, beside.account())).toList(),
        sides(match.lines(), postings, beside.account()),
        match.sharedWords(),
        match.daysApart(),
        match.rivalled(),
        match.isSure());
  }

  private static List<Written> written(Collection<OpenPosting> postings, Beside beside) {
    return postings.stream()
        .map(posting -> Objects.requireNonNull(beside.written().get(posting.id())))
        .toList();
  }

  private static ComparedPostingJson posting(Written posting, Account account) {
    return new ComparedPostingJson(
        posting.id(),
        posting.entryId(),
        posting.entryNo(),
        posting.date(),
        posting.payee(),
        Amount.ofMinor(posting.amountMinor(), account.currency()).decimal(),
        posting.ticked());
  }

  /** What a line confirms is the same on both sides. */
  private static SidesJson agreed(Beside beside) {
    List<Written> agreed =
        beside.written().values().stream()
            .filter(posting -> posting.linked() && beside.isCovered(posting))
            .toList();
    long both = agreed.stream().mapToLong(Written::amountMinor).sum();
    return sides(agreed.size(), both, agreed, beside.account());
  }

  /** What no line has, that of set-asides among it. */
  private static SidesJson inBooks(Beside beside) {
    List<UUID> matched =
        beside.comparison().matches().stream()
            .flatMap(match -> match.postings().stream())
            .map(OpenPosting::id)
            .toList();
    var open = new HashMap<>(beside.written());
    matched.forEach(open::remove);
    List<Written> only =
        open.values().stream()
            .filter(posting -> !posting.linked() && beside.isCovered(posting))
            .toList();
    return sides(only.size(), 0, only, beside.account());
  }

  private static SidesJson sides(List<Match> matches, Beside beside) {
    var lines = new ArrayList<WaitingLine>();
    var postings = new ArrayList<Written>();
    for (Match match : matches) {
      lines.addAll(match.lines());
      postings.addAll(written(match.postings(), beside));
    }
    SidesJson all = sides(lines, postings, beside.account());
    return new SidesJson(matches.size(), all.bank(), all.books(), all.apart());
  }

  private static SidesJson sides(List<WaitingLine> lines, List<Written> postings, Account account) {
    long bank = lines.stream().mapToLong(line -> line.line().amountMinor()).sum();
    return sides(Math.max(lines.size(), postings.size()), bank, postings, account);
  }

  private static SidesJson sides(
      int count, long bankMinor, Collection<Written> postings, Account account) {
    long books = postings.stream().mapToLong(Written::amountMinor).sum();
    long ticked = postings.stream().filter(Written::ticked).mapToLong(Written::amountMinor).sum();
    return new SidesJson(
        count,
        Amount.ofMinor(bankMinor, account.currency()).decimal(),
        Amount.ofMinor(books, account.currency()).decimal(),
        Amount.ofMinor(bankMinor - ticked, account.currency()).decimal());
  }
}
