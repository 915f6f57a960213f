package org.yewledger.app.report;

import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Balances of all accounts at the end of a day. */
@Component
public class AccountBalances {
  private final EntityManager entities;

  AccountBalances(EntityManager entities) {
    this.entities = entities;
  }

  /**
   * Minor units by account, debits positive; accounts without postings are missing. Whole months
   * come from the kept totals, only the begun month from its postings.
   */
  @Transactional(readOnly = true)
  public Map<UUID, Long> at(LocalDate day) {
    LocalDate begun = day.plusDays(1).withDayOfMonth(1);
    @SuppressWarnings("unchecked")
    List<Object[]> rows =
        entities
            .createNativeQuery(
                """
                select account_id, sum(minor)::bigint from (
                  select account_id, debit_minor - credit_minor as minor from account_month where month < :begun
                  union all
                  select account_id, amount_minor from posting where date >= :begun and date <= :day
                ) all_of_them group by account_id\
                """)
            .setParameter("begun", begun)
            .setParameter("day", day)
            .getResultList();
    var balances = new HashMap<UUID, Long>();
    rows.forEach(row -> balances.put((UUID) row[0], ((Number) row[1]).longValue()));
    return balances;
  }
}
