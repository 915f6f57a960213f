package org.yewledger.app.plan;

import java.sql.Date;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.plan.SetAsides;
import org.yewledger.core.plan.Taking;

/** Keeps what purposes pay for, and finds what was spent on that and what was taken out for it. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class PurposeSpending {
  /** What the account paid; what was paid from a purpose itself needs no taking out. */
  private static final String SPENT =
      """
      select k.purpose_id, sum(c.base_minor)::bigint from purpose_category k
        join posting c on c.household_id = :household and c.account_id = k.category_id and c.date >= k.since
       where k.household_id = :household and k.purpose_id = any(:purposes)
         and exists (select 1 from posting p where p.household_id = :household and p.entry_id = c.entry_id
                        and p.account_id = :account)
       group by k.purpose_id\
      """;

  /** What was taken out, less what was voided of that. */
  private static final String TAKEN =
      """
      select p.account_id, -sum(p.amount_minor)::bigint from purpose_taking t
        join entry e on e.household_id = :household and (e.id = t.entry_id or e.counters_id = t.entry_id)
        join posting p on p.household_id = :household and p.entry_id = e.id and p.account_id = any(:purposes)
        join (select purpose_id, min(since) as since from purpose_category where household_id = :household
               group by purpose_id) k on k.purpose_id = p.account_id and p.date >= k.since
       where t.household_id = :household group by p.account_id\
      """;

  private final JdbcClient jdbc;

  PurposeSpending(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** By purpose, of all accounts; those that pay for nothing are left out. */
  Map<UUID, Taking.Pays> pays(Chart chart) {
    Map<UUID, List<Account>> categories = new LinkedHashMap<>();
    Map<UUID, LocalDate> since = new HashMap<>();
    jdbc.sql("select purpose_id, category_id, since from purpose_category where household_id = ?")
        .param(SignedIn.now().householdId())
        .query(row -> {
          UUID purpose = Objects.requireNonNull(row.getObject(1, UUID.class));
          UUID category = Objects.requireNonNull(row.getObject(2, UUID.class));
          categories.computeIfAbsent(purpose, id -> new ArrayList<>()).add(chart.account(category));
          since.put(purpose, row.getObject(3, LocalDate.class));
        });
    Map<UUID, Taking.Pays> pays = new HashMap<>();
    categories.forEach((purpose, of) ->
        pays.put(
            purpose,
            new Taking.Pays(
                chart.account(purpose), of, Objects.requireNonNull(since.get(purpose)))));
    return pays;
  }

  /** In place of what it paid for before. */
  void keep(Taking.Pays pays) {
    UUID household = SignedIn.now().householdId();
    jdbc.sql("delete from purpose_category where household_id = ? and purpose_id = ?")
        .params(household, pays.purpose().id())
        .update();
    pays.categories()
        .forEach(category ->
            jdbc.sql(
                    "insert into purpose_category (household_id, category_id, purpose_id, since) values (?, ?, ?, ?)")
                .params(household, category.id(), pays.purpose().id(), Date.valueOf(pays.since()))
                .update());
  }

  /** Cost: the postings of what the purposes pay for, since they do. */
  Taking taking(SetAsides of) {
    return new Taking(of, amounts(SPENT, of), amounts(TAKEN, of));
  }

  private Map<UUID, Amount> amounts(String sql, SetAsides of) {
    Map<UUID, Amount> amounts = new HashMap<>();
    jdbc.sql(sql)
        .param("household", SignedIn.now().householdId())
        .param("account", of.account().id())
        .param("purposes", of.purposes().stream().map(p -> p.account().id()).toArray(UUID[]::new))
        .query(row -> {
          amounts.put(
              row.getObject(1, UUID.class),
              Amount.ofMinor(row.getLong(2), of.account().currency()));
        });
    return amounts;
  }

  void took(UUID entryId) {
    jdbc.sql("insert into purpose_taking (household_id, entry_id) values (?, ?)")
        .params(SignedIn.now().householdId(), entryId)
        .update();
  }
}
