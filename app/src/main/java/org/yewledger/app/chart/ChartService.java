package org.yewledger.app.chart;

import jakarta.persistence.EntityManager;
import java.sql.Date;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.chart.AccountUse;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Position;

/** Reads the chart of accounts. */
@Service
public class ChartService {
  private static final LocalDate EVER = LocalDate.of(9999, 12, 31);

  private record Counts(
      long postings,
      @Nullable Date firstEntry,
      long lines,
      @Nullable Date firstLine,
      long undecided,
      long statements,
      long openStatements,
      long feeds,
      long rules,
      long below) {}

  private final EntityManager entities;
  private final JdbcClient jdbc;
  private final AccountBalances balances;

  ChartService(EntityManager entities, JdbcClient jdbc, AccountBalances balances) {
    this.entities = entities;
    this.jdbc = jdbc;
    this.balances = balances;
  }

  @Transactional(readOnly = true)
  public Chart chart() {
    return new Chart(
        entities.createQuery("from Book order by place", BookEntity.class).getResultList(),
        entities
            .createQuery("from Account order by place, name", AccountEntity.class)
            .getResultList());
  }

  /**
   * What an account was used for so far. Cost: the same however much that is; counts are bounded.
   */
  @Transactional(readOnly = true)
  public AccountUse use(Account account) {
    UUID id = account.id();
    Counts counts =
        jdbc.sql(
                """
                select (select count(*) from (select 1 from posting
                           where household_id = :h and account_id = :id limit :most) few) as postings,
                       (select p.date from posting p where p.household_id = :h and p.account_id = :id
                          and not exists (select 1 from entry e
                            where e.household_id = p.household_id and e.id = p.entry_id and e.origin = 'OPENING')
                         order by p.date limit 1) as first_entry,
                       (select count(*) from (select 1 from bank_line
                           where household_id = :h and account_id = :id limit :most) few) as lines,
                       (select booked_on from bank_line where household_id = :h and account_id = :id
                          and taken_back_at is null order by booked_on limit 1) as first_line,
                       (select count(*) from (select 1 from bank_line_state
                           where household_id = :h and account_id = :id
                             and state in ('WAITING', 'DOUBTFUL', 'PENDING') limit :most) few) as undecided,
                       (select count(*) from statement where household_id = :h and account_id = :id) as statements,
                       (select count(*) from statement where household_id = :h and account_id = :id
                          and finished_at is null) as open_statements,
                       (select count(*) from connected_account a
                          join bank_connection c on c.household_id = a.household_id and c.id = a.connection_id
                         where a.household_id = :h and a.account_id = :id and c.status <> 'ENDED') as feeds,
                       (select count(*) from rule where household_id = :h and (to_account_id = :id or on_account_id = :id)) as rules,
                       (select count(*) from account where household_id = :h and parent_id = :id and closed_on is null) as below\
                """)
            .param("h", SignedIn.now().householdId())
            .param("id", id)
            .param("most", AccountUse.MOST_COUNTED + 1)
            .query(Counts.class)
            .single();
    LocalDate first = day(counts.firstEntry());
    Position position = balances.of(id, EVER);
    return new AccountUse(
        account,
        position,
        counts.postings(),
        first,
        counts.lines(),
        day(counts.firstLine()),
        counts.undecided(),
        counts.statements(),
        counts.openStatements(),
        counts.feeds(),
        counts.rules(),
        counts.below());
  }

  private static @Nullable LocalDate day(@Nullable Date date) {
    return date == null ? null : date.toLocalDate();
  }
}
