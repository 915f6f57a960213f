package org.yewledger.app.gather;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.bankline.BankLineStateEntity;
import org.yewledger.app.chart.AccountEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.platform.AuditTrail;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.reconcile.StatementService;
import org.yewledger.core.gather.Arrival;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.Gathering;
import org.yewledger.core.gather.LineKey;
import org.yewledger.core.ledger.Account;
import org.yewledger.formats.csv.CsvLayout;

/** Reads statement files, shows what they would bring, and takes them in. */
@Service
public class GatherService {
  /** Banks move a line by some days between exports; further away a line is another one. */
  private static final int DAYS_AROUND = 10;

  /** A file as uploaded. {@code accountId} null: find the account by the number in the file. */
  record Upload(
      String fileName, byte[] bytes, @Nullable UUID accountId, @Nullable CsvLayout layout) {}

  /** What a file would bring. {@code gathering} is null until account and layout are settled. */
  record Preview(
      StatementReading reading,
      @Nullable Account account,
      @Nullable Gathering gathering,
      boolean makesStatement) {}

  /** What a file has brought. */
  public record TakenIn(
      BatchEntity batch, List<BankLineEntity> lines, @Nullable UUID statementId) {}

  private final EntityManager entities;
  private final ChartService charts;
  private final StatementService statements;
  private final AuditTrail audit;
  private final Clock clock;

  GatherService(
      EntityManager entities,
      ChartService charts,
      StatementService statements,
      AuditTrail audit,
      Clock clock) {
    this.entities = entities;
    this.charts = charts;
    this.statements = statements;
    this.audit = audit;
    this.clock = clock;
  }

  /** Reads a file without taking anything in. */
  @Transactional(readOnly = true)
  Preview preview(Upload upload) {
    Chart chart = charts.chart();
    Account account = upload.accountId() == null ? null : chart.account(upload.accountId());
    StatementReading reading = StatementReading.of(upload.bytes(), account, upload.layout());
    if (account == null) {
      account = accountInFile(chart, reading).orElse(null);
    }
    BankStatement file = reading.statement();
    if (account == null || file == null) {
      return new Preview(reading, account, null, false);
    }
    Gathering gathering = Gathering.of(account, file, known(account, file));
    boolean makes = file.closing() != null && statements.hasRoomFor(account, file.closing().on());
    return new Preview(reading, account, gathering, makes);
  }

  /** Takes the new lines of a file in, all or nothing. */
  @Transactional
  @ForBookkeepers
  TakenIn takeIn(Upload upload, boolean makeStatement) {
    Account account =
        charts
            .chart()
            .account(
                Optional.ofNullable(upload.accountId()).orElseThrow(() -> new NotFound("account")));
    StatementReading reading = StatementReading.of(upload.bytes(), account, upload.layout());
    var source =
        new BatchEntity.Source(
            upload.fileName(), reading.format(), clock.instant(), SignedIn.now().personId());
    return takeIn(account, reading.required(), source, makeStatement);
  }

  /**
   * Takes the new lines of a statement in and makes the statement of its closing balance, if asked
   * to and if there is room for it. The account is locked meanwhile: of two windows with the same
   * file the second finds all lines known.
   */
  @Transactional
  @ForBookkeepers
  public TakenIn takeIn(
      Account account, BankStatement file, BatchEntity.Source source, boolean makeStatement) {
    entities.find(AccountEntity.class, account.id(), LockModeType.PESSIMISTIC_WRITE);
    Gathering gathering = Gathering.of(account, file, known(account, file));
    var batch = new BatchEntity(Ids.next(), takeNumber(), account.id(), source, file, gathering);
    entities.persist(batch);
    List<BankLineEntity> lines =
        gathering.newLines().stream()
            .map(arrival -> new BankLineEntity(Ids.next(), batch.id(), account.id(), arrival))
            .toList();
    lines.forEach(entities::persist);
    Instant now = source.gatheredAt();
    lines.forEach(l -> entities.persist(new BankLineStateEntity(l, now, source.gatheredBy())));
    audit.write("gather", "batch", batch.id(), null, summary(batch));
    UUID statementId = null;
    if (makeStatement
        && file.closing() != null
        && statements.hasRoomFor(account, file.closing().on())) {
      Long opening = openingSaid(account, file, file.closing().on());
      statementId = statements.begin(account, file.closing(), opening, batch.id()).id();
    }
    return new TakenIn(batch, lines, statementId);
  }

  /** A file that reaches back into the statement before says nothing of where this one opens. */
  private @Nullable Long openingSaid(Account account, BankStatement file, LocalDate closesOn) {
    LocalDate firstDay = file.firstDay();
    boolean overlaps =
        firstDay == null
            || statements
                .chain(account)
                .before(closesOn)
                .filter(link -> !firstDay.isAfter(link.closesOn()))
                .isPresent();
    return overlaps ? null : file.openingMinor();
  }

  private record BatchSummary(
      long no, UUID accountId, String fileName, int newLines, int knownLines) {}

  private static BatchSummary summary(BatchEntity batch) {
    return new BatchSummary(
        batch.no(), batch.accountId(), batch.fileName(), batch.newLines(), batch.knownLines());
  }

  /** The one account whose number ends like the file's. */
  private static Optional<Account> accountInFile(Chart chart, StatementReading reading) {
    BankStatement file = reading.statement();
    if (file == null) {
      return Optional.empty();
    }
    List<Account> candidates =
        chart
            .bankAccounts(null)
            .filter(a -> !chart.tail(a.id()).isEmpty())
            .filter(a -> file.accountNumber().endsWith(chart.tail(a.id())))
            .toList();
    return candidates.size() == 1 ? Optional.of(candidates.getFirst()) : Optional.empty();
  }

  private List<LineKey> known(Account account, BankStatement file) {
    LocalDate first = file.firstDay();
    LocalDate last = file.lastDay();
    if (first == null || last == null) {
      return List.of();
    }
    return entities
        .createQuery(
            """
            from BankLine where accountId = :account and bookedOn between :first and :last
            order by bookedOn, id\
            """,
            BankLineEntity.class)
        .setParameter("account", account.id())
        .setParameter("first", first.minusDays(DAYS_AROUND))
        .setParameter("last", last.plusDays(DAYS_AROUND))
        .getResultStream()
        .map(line -> line.toBankLine().key())
        .toList();
  }

  private long takeNumber() {
    Object no =
        entities
            .createNativeQuery(
                """
                update household set next_batch_no = next_batch_no + 1 where id = :household
                returning next_batch_no - 1\
                """,
                Long.class)
            .setParameter("household", SignedIn.now().householdId())
            .getSingleResult();
    return (Long) no;
  }

  /**
   * A bank line's arrivals for the preview are bounded, so that a huge file stays a small answer.
   */
  static List<Arrival> firstOf(Gathering gathering, int atMost) {
    return gathering.arrivals().stream().limit(atMost).toList();
  }
}
