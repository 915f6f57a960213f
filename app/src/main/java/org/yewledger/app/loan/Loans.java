package org.yewledger.app.loan;

import java.sql.Date;
import java.sql.Types;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.schedule.Schedules;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.loan.InterestCount;
import org.yewledger.core.loan.Loan;
import org.yewledger.core.money.Amount;

/** Keeps loans; their payments are schedules. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class Loans {
  /**
   * A loan as it is kept.
   *
   * @param version to be sent back when it is changed
   * @param payments the schedule of its payments as it is kept
   */
  record KeptLoan(Loan loan, int version, Schedules.Kept payments) {}

  private final Schedules schedules;
  private final JdbcClient jdbc;

  Loans(Schedules schedules, JdbcClient jdbc) {
    this.schedules = schedules;
    this.jdbc = jdbc;
  }

  private record Row(
      UUID id,
      int version,
      UUID scheduleId,
      UUID accountId,
      UUID interestId,
      InterestCount count,
      @Nullable LocalDate fixedUntil) {}

  /** All of them, by their accounts' names. */
  List<KeptLoan> all(Chart chart) {
    List<Row> rows =
        jdbc.sql(
                """
                select l.id, l.version, l.schedule_id, l.account_id, l.interest_id, l.count, l.fixed_until from loan l
                  join account a on a.household_id = :household and a.id = l.account_id
                 where l.household_id = :household order by lower(a.name), l.id\
                """)
            .param("household", SignedIn.now().householdId())
            .query((row, at) ->
                new Row(
                    Objects.requireNonNull(row.getObject(1, UUID.class)),
                    row.getInt(2),
                    Objects.requireNonNull(row.getObject(3, UUID.class)),
                    Objects.requireNonNull(row.getObject(4, UUID.class)),
                    Objects.requireNonNull(row.getObject(5, UUID.class)),
                    InterestCount.valueOf(row.getString(6)),
                    row.getObject(7, LocalDate.class)))
            .list();
    if (rows.isEmpty()) {
      return List.of();
    }
    Map<UUID, Schedules.Kept> kept = new HashMap<>();
    schedules.all(chart).forEach(one -> kept.put(one.schedule().id(), one));
    Map<UUID, List<Loan.Terms>> terms = terms(chart);
    return rows.stream().map(row -> loan(row, chart, kept, terms)).toList();
  }

  private static KeptLoan loan(
      Row row, Chart chart, Map<UUID, Schedules.Kept> kept, Map<UUID, List<Loan.Terms>> terms) {
    Schedules.Kept payments = Objects.requireNonNull(kept.get(row.scheduleId()));
    return new KeptLoan(
        new Loan(
            row.id(),
            payments.schedule(),
            chart.account(row.accountId()),
            chart.account(row.interestId()),
            row.count(),
            terms.getOrDefault(row.id(), List.of()),
            row.fixedUntil()),
        row.version(),
        payments);
  }

  private Map<UUID, List<Loan.Terms>> terms(Chart chart) {
    Map<UUID, List<Loan.Terms>> terms = new HashMap<>();
    jdbc.sql(
            """
            select t.loan_id, t.first, t.rate, t.payment_minor, l.account_id from loan_terms t
              join loan l on l.household_id = :household and l.id = t.loan_id
             where t.household_id = :household\
            """)
        .param("household", SignedIn.now().householdId())
        .query(row -> {
          Account account = chart.account(row.getObject(5, UUID.class));
          terms
              .computeIfAbsent(row.getObject(1, UUID.class), id -> new ArrayList<>())
              .add(
                  new Loan.Terms(
                      Objects.requireNonNull(row.getObject(2, LocalDate.class)),
                      row.getBigDecimal(3).stripTrailingZeros(),
                      Amount.ofMinor(row.getLong(4), account.currency())));
        });
    return terms;
  }

  /**
   * @throws NotFound if the household has no such loan
   */
  KeptLoan find(UUID id, Chart chart) {
    return all(chart).stream()
        .filter(kept -> kept.loan().id().equals(id))
        .findFirst()
        .orElseThrow(() -> new NotFound("loan"));
  }

  void add(Loan loan) {
    jdbc.sql(
            """
            insert into loan (household_id, id, account_id, interest_id, schedule_id, count, fixed_until)
            values (:household, :id, :account, :interest, :schedule, :count, :fixed)\
            """)
        .param("household", SignedIn.now().householdId())
        .param("id", loan.id())
        .param("account", loan.account().id())
        .param("interest", loan.interest().id())
        .param("schedule", loan.payments().id())
        .param("count", loan.count().name())
        .param("fixed", loan.fixedUntil(), Types.DATE)
        .update();
    addTerms(loan);
  }

  private void addTerms(Loan loan) {
    for (Loan.Terms one : loan.terms()) {
      jdbc.sql(
              "insert into loan_terms (household_id, loan_id, first, rate, payment_minor) values (?, ?, ?, ?, ?)")
          .params(
              SignedIn.now().householdId(),
              loan.id(),
              Date.valueOf(one.from()),
              one.rate(),
              one.payment().minor())
          .update();
    }
  }

  /**
   * @param version as the person saw it
   * @throws Conflict {@code changed-meanwhile}
   */
  void change(Loan loan, int version) {
    requireChanged(
        jdbc.sql(
                """
                update loan set account_id = :account, interest_id = :interest, count = :count, fixed_until = :fixed,
                       version = version + 1
                 where household_id = :household and id = :id and version = :version\
                """)
            .param("account", loan.account().id())
            .param("interest", loan.interest().id())
            .param("count", loan.count().name())
            .param("fixed", loan.fixedUntil(), Types.DATE)
            .param("household", SignedIn.now().householdId())
            .param("id", loan.id())
            .param("version", version)
            .update());
    removeTerms(loan.id());
    addTerms(loan);
  }

  private void removeTerms(UUID loanId) {
    jdbc.sql("delete from loan_terms where household_id = ? and loan_id = ?")
        .params(SignedIn.now().householdId(), loanId)
        .update();
  }

  /**
   * Takes it away with what its lender said; the schedule of its payments stays, and entries do.
   *
   * @param version as the person saw it
   * @throws Conflict {@code changed-meanwhile}
   */
  void remove(UUID id, int version) {
    jdbc.sql("delete from lender_year where household_id = ? and loan_id = ?")
        .params(SignedIn.now().householdId(), id)
        .update();
    removeTerms(id);
    requireChanged(
        jdbc.sql("delete from loan where household_id = ? and id = ? and version = ?")
            .params(SignedIn.now().householdId(), id, version)
            .update());
  }

  private static void requireChanged(int rows) {
    if (rows == 0) {
      throw new Conflict("changed-meanwhile", "The loan was changed meanwhile. Look at it again.");
    }
  }
}
