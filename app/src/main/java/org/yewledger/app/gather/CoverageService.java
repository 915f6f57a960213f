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
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.gather.GatherJson.BatchJson;
import org.yewledger.app.gather.GatherJson.CoverageJson;
import org.yewledger.app.gather.GatherJson.GatheredJson;
import org.yewledger.app.gather.GatherJson.SpanJson;
import org.yewledger.app.reconcile.StatementEntity;
import org.yewledger.core.ledger.Account;
import org.yewledger.formats.StatementFormat;

/** Which days of a month are here, by which batch, and what is still to come. */
@Service
class CoverageService {
  private record LineDay(UUID accountId, LocalDate day, long count) {}

  private final EntityManager entities;
  private final ChartService charts;

  CoverageService(EntityManager entities, ChartService charts) {
    this.entities = entities;
    this.charts = charts;
  }

  @Transactional(readOnly = true)
  GatheredJson gathered(YearMonth month, @Nullable UUID bookId) {
    Chart chart = charts.chart();
    List<Account> accounts =
        chart.bankAccounts(bookId).filter(a -> a.isOpenOn(month.atEndOfMonth())).toList();
    List<UUID> ids = accounts.stream().map(Account::id).toList();
    List<BatchEntity> batches = batches(ids, month);
    Map<UUID, List<BatchEntity>> byAccount =
        batches.stream().collect(Collectors.groupingBy(BatchEntity::accountId));
    List<LineDay> days = lineDays(ids, month);
    List<StatementEntity> statements = statements(ids, month);
    return new GatheredJson(
        accounts.stream()
            .map(a ->
                coverage(
                    a, chart, month, byAccount.getOrDefault(a.id(), List.of()), days, statements))
            .toList(),
        batches.stream().map(b -> batchJson(b, chart)).toList(),
        (int) days.stream().mapToLong(LineDay::count).sum(),
        waiting(ids, month));
  }

  private static CoverageJson coverage(
      Account account,
      Chart chart,
      YearMonth month,
      List<BatchEntity> batches,
      List<LineDay> days,
      List<StatementEntity> statements) {
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
            .map(BatchEntity::format)
            .collect(Collectors.toCollection(TreeSet<StatementFormat>::new))
            .stream()
            .toList(),
        batches.stream().map(b -> span(b, month)).toList(),
        days.stream()
            .filter(d -> d.accountId().equals(account.id()))
            .map(d -> d.day().getDayOfMonth())
            .toList(),
        statement == null ? null : statement.closesOn(),
        statement != null && statement.isFinished(),
        latest);
  }

  private static SpanJson span(BatchEntity batch, YearMonth month) {
    LocalDate first = batch.firstDay();
    LocalDate last = batch.lastDay();
    return new SpanJson(
        batch.no(),
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

  private static BatchJson batchJson(BatchEntity b, Chart chart) {
    return new BatchJson(
        b.id(),
        b.no(),
        b.accountId(),
        chart.account(b.accountId()).name(),
        b.fileName(),
        b.format(),
        b.gatheredAt(),
        b.firstDay(),
        b.lastDay(),
        b.newLines(),
        b.knownLines());
  }
}
