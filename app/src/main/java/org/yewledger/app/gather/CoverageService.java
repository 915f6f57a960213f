package org.yewledger.app.gather;

import jakarta.persistence.EntityManager;
import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.BatchEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.gather.GatherJson.BatchJson;
import org.yewledger.app.gather.GatherJson.CoverageJson;
import org.yewledger.app.gather.GatherJson.GatheredJson;
import org.yewledger.app.gather.GatherJson.SpanJson;
import org.yewledger.app.reconcile.StatementEntity;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.gather.LineSource;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;

/** Which days of a month are here, by which batch, and what is still to come. */
@Service
class CoverageService {
  private static final String PENDING =
      """
      select new %s(accountId, count(*)) from BankLineState
      where state = PENDING and accountId in :ids group by accountId\
      """;

  private static final String SETTLED =
      """
      select new %s(l.batchId, count(distinct l.id)) from BankLine l join LineLink k on k.bankLineId = l.id
      join Posting p on p.id = k.postingId join Statement s on s.id = p.statementId
      where l.batchId in :ids and s.finishedAt is not null group by l.batchId\
      """;

  private record LineDay(UUID accountId, LocalDate day, long count) {}

  private final EntityManager entities;
  private final ChartService charts;
  private final DoubtService doubts;

  CoverageService(EntityManager entities, ChartService charts, DoubtService doubts) {
    this.entities = entities;
    this.charts = charts;
    this.doubts = doubts;
  }

  @Transactional(readOnly = true)
  GatheredJson gathered(YearMonth month, @Nullable UUID bookId) {
    Chart chart = charts.chart();
    List<Account> accounts =
        chart.bankAccounts(bookId).filter(a -> a.isOpenOn(month.atEndOfMonth())).toList();
    List<UUID> ids = accounts.stream().map(Account::id).toList();
    List<BatchEntity> batches = batches(ids, month);
    Map<UUID, List<BatchEntity>> byAccount =
        batches.stream()
            .filter(b -> b.takenBackAt() == null)
            .collect(Collectors.groupingBy(BatchEntity::accountId));
    List<LineDay> days = lineDays(ids, month);
    List<StatementEntity> statements = statements(ids, month);
    Map<UUID, Integer> pending = counts(PENDING, ids);
    Map<UUID, Integer> settled = counts(SETTLED, batches.stream().map(BatchEntity::id).toList());
    return new GatheredJson(
        accounts.stream()
            .map(a ->
                coverage(
                    a,
                    chart,
                    month,
                    byAccount.getOrDefault(a.id(), List.of()),
                    days,
                    statements,
                    pending))
            .toList(),
        batches.stream().map(b -> batchJson(b, chart, settled.getOrDefault(b.id(), 0))).toList(),
        (int) days.stream().mapToLong(LineDay::count).sum(),
        waiting(ids, month),
        doubts.undecided(bookId));
  }

  private static CoverageJson coverage(
      Account account,
      Chart chart,
      YearMonth month,
      List<BatchEntity> batches,
      List<LineDay> days,
      List<StatementEntity> statements,
      Map<UUID, Integer> pending) {
    StatementEntity statement =
        statements.stream()
            .filter(s -> s.accountId().equals(account.id()))
            .findFirst()
            .orElse(null);
    Instant latest =
        batches.stream().map(BatchEntity::gatheredAt).max(Comparator.naturalOrder()).orElse(null);
    return new CoverageJson(
        account.id(),
        account.name(),
        chart.tail(account.id()),
        account.bookId(),
        account.currency().getCode(),
        batches.stream()
            .map(BatchEntity::source)
            .collect(Collectors.toCollection(TreeSet<LineSource>::new))
            .stream()
            .toList(),
        batches.stream().map(b -> span(b, month)).toList(),
        days.stream()
            .filter(d -> d.accountId().equals(account.id()))
            .map(d -> d.day().getDayOfMonth())
            .toList(),
        statement == null ? null : statement.closesOn(),
        statement != null && statement.isFinished(),
        latest,
        pending.getOrDefault(account.id(), 0));
  }

  private static SpanJson span(BatchEntity batch, YearMonth month) {
    LocalDate first = batch.firstDay();
    LocalDate last = batch.lastDay();
    return new SpanJson(
        batch.no(),
        batch.source(),
        first == null || first.isBefore(month.atDay(1)) ? 1 : first.getDayOfMonth(),
        last == null || last.isAfter(month.atEndOfMonth())
            ? month.lengthOfMonth()
            : last.getDayOfMonth());
  }

  private List<BatchEntity> batches(List<UUID> accounts, YearMonth month) {
    return entities
        .createQuery(
            """
            from Batch where accountId in :accounts and firstDay <= :end and lastDay >= :start
            order by no desc\
            """,
            BatchEntity.class)
        .setParameter("accounts", accounts)
        .setParameter("start", month.atDay(1))
        .setParameter("end", month.atEndOfMonth())
        .setMaxResults(200)
        .getResultList();
  }

  private List<LineDay> lineDays(List<UUID> accounts, YearMonth month) {
    return entities
        .createQuery(
            """
            select new LineDay(accountId, bookedOn, count(*)) from BankLine
            where accountId in :accounts and bookedOn between :start and :end
            group by accountId, bookedOn order by bookedOn\
            """
                .replace("new LineDay", "new " + LineDay.class.getName()),
            LineDay.class)
        .setParameter("accounts", accounts)
        .setParameter("start", month.atDay(1))
        .setParameter("end", month.atEndOfMonth())
        .getResultList();
  }

  private List<StatementEntity> statements(List<UUID> accounts, YearMonth month) {
    return entities
        .createQuery(
            """
            from Statement where accountId in :accounts and closesOn between :start and :end
            order by closesOn desc\
            """,
            StatementEntity.class)
        .setParameter("accounts", accounts)
        .setParameter("start", month.atDay(1))
        .setParameter("end", month.atEndOfMonth())
        .getResultList();
  }

  private int waiting(List<UUID> accounts, YearMonth month) {
    return entities
        .createQuery(
            """
            select count(*) from BankLineState where state = WAITING and accountId in :accounts
            and bookedOn between :start and :end\
            """,
            Long.class)
        .setParameter("accounts", accounts)
        .setParameter("start", month.atDay(1))
        .setParameter("end", month.atEndOfMonth())
        .getSingleResult()
        .intValue();
  }

  private static BatchJson batchJson(BatchEntity b, Chart chart, int settled) {
    Account account = chart.account(b.accountId());
    Balance closing = b.closing(account.currency());
    Amount opening = b.opening(account.currency());
    return new BatchJson(
        b.id(),
        b.no(),
        b.accountId(),
        account.name(),
        b.sourceName(),
        b.source(),
        b.gatheredAt(),
        b.firstDay(),
        b.lastDay(),
        opening == null ? null : opening.decimal(),
        closing == null ? null : closing.amount().decimal(),
        b.newLines(),
        b.knownLines(),
        b.doubtfulLines(),
        settled,
        b.takenBackAt() != null);
  }

  /** A count by an id. Public for the queries. */
  public record Counted(UUID id, long count) {}

  private Map<UUID, Integer> counts(String query, List<UUID> ids) {
    return entities
        .createQuery(query.formatted(Counted.class.getName()), Counted.class)
        .setParameter("ids", ids)
        .getResultStream()
        .collect(Collectors.toMap(Counted::id, c -> (int) c.count()));
  }
}
