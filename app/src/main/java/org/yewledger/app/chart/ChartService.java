package org.yewledger.app.chart;

import jakarta.persistence.EntityManager;
import java.sql.Date;
import java.time.LocalDate;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.core.chart.AccountUse;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Position;

/** Reads the chart of accounts. */
@Service
public class ChartService {
  private static final LocalDate EVER = LocalDate.of(9999, 12, 31);

  private record Counts(
      long postings, Date firstEntry, long lines, long statements, long rules, long below) {}

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

  /** What an account was used for so far. Cost: linear in its postings. */
  @Transactional(readOnly = true)
  public AccountUse use(Account account) {
    UUID id = account.id();
    Counts counts =
        jdbc.sql(
                """
                select (select count(*) from posting where account_id = :id) as postings,
                       (select min(e.date) from posting p join entry e on e.household_id = p.household_id and e.id = p.entry_id
                         where p.account_id = :id and e.origin <> 'OPENING') as first_entry,
                       (select count(*) from bank_line where account_id = :id) as lines,
                       (select count(*) from statement where account_id = :id) as statements,
                       (select count(*) from rule where to_account_id = :id or on_account_id = :id) as rules,
                       (select count(*) from account where parent_id = :id and closed_on is null) as below\
                """)
            .param("id", id)
            .query(Counts.class)
            .single();
    @SuppressWarnings("NullAway")
    LocalDate first = counts.firstEntry() == null ? null : counts.firstEntry().toLocalDate();
    Position position = balances.of(id, EVER);
    return new AccountUse(
        account,
        position,
        counts.postings(),
        first,
        counts.lines(),
        counts.statements(),
        counts.rules(),
        counts.below());
  }
}
