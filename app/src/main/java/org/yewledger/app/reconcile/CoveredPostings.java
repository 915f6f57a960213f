package org.yewledger.app.reconcile;

import java.sql.Date;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.core.simple.JdbcClient.StatementSpec;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.Flows;

/**
 * The postings that belong to a statement or, while it is open, may still: all up to its day that
 * no other statement has, also older ones, and those of the set-asides in the account, of which its
 * bank knows nothing. The opening balance is no posting to tick. They are read as rows: of twenty
 * thousand, entities would cost several times as much.
 */
@Component
public class CoveredPostings {
  private static final String COVERED =
      """
      from posting p join entry e on e.household_id = :household and e.id = p.entry_id
       where p.household_id = :household and p.account_id = any(:accounts) and e.origin <> 'OPENING'
         and (p.statement_id = :statement or (:open and p.statement_id is null and p.amount_minor <> 0 and p.date <= :day))
      """;

  /** Those that are open, without their entries: the few that open accounts are taken out. */
  private static final String OPEN =
      """
      from posting p
       where p.household_id = :household and p.account_id = any(:accounts) and p.statement_id is null
         and :open and p.amount_minor <> 0 and p.date <= :day
         and p.entry_id not in (select id from entry where household_id = :household and origin = 'OPENING')\
      """;

  /**
   * One of them; debits are above zero.
   *
   * @param accountId the statement's account, or a set-aside in it
   */
  record Covered(
      UUID id,
      UUID accountId,
      UUID entryId,
      long entryNo,
      LocalDate date,
      String payee,
      String note,
      String reference,
      long amountMinor,
      boolean ticked) {}

  /** One that is ticked. */
  record TickedPosting(UUID id, LocalDate date, long amountMinor) {
    Amount amount(CurrencyUnit currency) {
      return Amount.ofMinor(amountMinor, currency);
    }
  }

  private record Sums(long inMinor, long outMinor, int count) {}

  private record Text(UUID id, String payee, String memo) {}

  private final JdbcClient jdbc;
  private final ChartService charts;

  CoveredPostings(JdbcClient jdbc, ChartService charts) {
    this.jdbc = jdbc;
    this.charts = charts;
  }

  /** All of them by day, and by number and place within it. */
  @Transactional(readOnly = true)
  List<Covered> of(StatementEntity statement) {
    return of(
            """
            select c.id, c.account_id, c.entry_id, c.no, c.date, y.name, c.note, c.reference, c.amount_minor, c.ticked from (
              select p.id, p.account_id, p.entry_id, e.no, p.date, e.payee_id, e.note, e.reference, p.amount_minor, p.place, p.statement_id is not null as ticked
            %s) c join payee y on y.household_id = :household and y.id = c.payee_id order by c.date, c.no, c.place\
            """
                .formatted(COVERED),
            statement)
        .query((row, no) ->
            new Covered(
                Objects.requireNonNull(row.getObject(1, UUID.class)),
                Objects.requireNonNull(row.getObject(2, UUID.class)),
                Objects.requireNonNull(row.getObject(3, UUID.class)),
                row.getLong(4),
                Objects.requireNonNull(row.getObject(5, LocalDate.class)),
                row.getString(6),
                row.getString(7),
                row.getString(8),
                row.getLong(9),
                row.getBoolean(10)))
        .list();
  }

  /** Those that are not ticked yet. */
  @Transactional(readOnly = true)
  public List<UUID> open(StatementEntity statement) {
    return of("select p.id " + OPEN, statement)
        .query((row, no) -> Objects.requireNonNull(row.getObject(1, UUID.class)))
        .list();
  }

  /** What those that are not ticked come to. */
  @Transactional(readOnly = true)
  Flows openFlows(StatementEntity statement, CurrencyUnit currency) {
    Sums sums =
        of(
                """
                select coalesce(sum(greatest(p.amount_minor, 0)), 0)::bigint as in_minor,
                       coalesce(sum(greatest(-p.amount_minor, 0)), 0)::bigint as out_minor, count(*) as count
                %s\
                """
                    .formatted(OPEN),
                statement)
            .query(Sums.class)
            .single();
    return new Flows(
        Amount.ofMinor(sums.inMinor(), currency),
        Amount.ofMinor(sums.outMinor(), currency),
        sums.count());
  }

  /** Those that are ticked, in the order of all. */
  @Transactional(readOnly = true)
  List<TickedPosting> ticked(StatementEntity statement) {
    return jdbc.sql(
            """
            select p.id, p.date, p.amount_minor
              from posting p join entry e on e.household_id = :household and e.id = p.entry_id
             where p.household_id = :household and p.statement_id = :statement order by p.date, e.no, p.place\
            """)
        .param("household", SignedIn.now().householdId())
        .param("statement", statement.id())
        .query((row, no) ->
            new TickedPosting(
                Objects.requireNonNull(row.getObject(1, UUID.class)),
                Objects.requireNonNull(row.getObject(2, LocalDate.class)),
                row.getLong(3)))
        .list();
  }

  /** What the bank says of those that its lines confirm. */
  @Transactional(readOnly = true)
  Map<UUID, String> bankTexts(StatementEntity statement) {
    Map<UUID, String> texts = new HashMap<>();
    of(
            """
            select c.id, l.payee, l.memo from (select p.id %s) c
              join line_link k on k.household_id = :household and k.posting_id = c.id
              join bank_line l on l.household_id = :household and l.id = k.bank_line_id
             order by l.booked_on, l.id\
            """
                .formatted(COVERED),
            statement)
        .query(Text.class)
        .list()
        .forEach(line ->
            texts.merge(
                line.id(),
                BankLine.textOf(line.payee(), line.memo()),
                (first, second) -> first + " + " + second));
    return texts;
  }

  private StatementSpec of(String sql, StatementEntity statement) {
    return jdbc.sql(sql)
        .param("household", SignedIn.now().householdId())
        .param("accounts", charts.chart().atBank(statement.accountId()).toArray(UUID[]::new))
        .param("statement", statement.id())
        .param("day", Date.valueOf(statement.closesOn()))
        .param("open", !statement.isFinished());
  }
}
