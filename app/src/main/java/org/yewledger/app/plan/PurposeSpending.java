package org.yewledger.app.plan;

import java.sql.Date;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.UnaryOperator;
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
  /**
   * What the account paid of the categories, or takings covered, and where these differ. What was
   * paid from a purpose itself needs no taking out; a void belongs to what it voids.
   */
  private static final String APART =
      """
      with covered as (
        select s.spent_entry_id, s.category_id, sum(s.amount_minor)::bigint as minor,
               (array_agg(s.purpose_id order by e.no desc))[1] as purpose_id
          from taken_spending s join entry e on e.household_id = :household and e.id = s.entry_id
         where s.household_id = :household and s.purpose_id = any(:purposes)
           and not exists (select 1 from entry v where v.household_id = :household and v.counters_id = s.entry_id)
         group by s.spent_entry_id, s.category_id),
      spent as (
        select coalesce(e.counters_id, e.id) as entry_id, c.account_id as category_id, sum(c.base_minor)::bigint as minor
          from posting c join entry e on e.household_id = :household and e.id = c.entry_id
         where c.household_id = :household
           and c.account_id in (select category_id from purpose_category where household_id = :household
                                   and purpose_id = any(:purposes) union select category_id from covered)
           and exists (select 1 from posting p where p.household_id = :household and p.entry_id = c.entry_id
                          and p.account_id = :account)
         group by coalesce(e.counters_id, e.id), c.account_id)
      select coalesce(s.entry_id, c.spent_entry_id), coalesce(s.category_id, c.category_id), r.date,
             coalesce(s.minor, 0), coalesce(c.minor, 0), c.purpose_id
        from spent s full join covered c on c.spent_entry_id = s.entry_id and c.category_id = s.category_id
        left join entry r on r.household_id = :household and r.id = s.entry_id
       where coalesce(s.minor, 0) <> coalesce(c.minor, 0)
         and (c.minor is not null or exists (
           select 1 from purpose_category k where k.household_id = :household and k.category_id = s.category_id
              and k.purpose_id = any(:purposes) and k.since <= r.date))
       order by r.date, 1\
      """;

  private final JdbcClient jdbc;

  PurposeSpending(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** By purpose, of all accounts; those that pay for nothing are left out. */
  Map<UUID, Taking.Pays> pays(Chart chart) {
    Map<UUID, List<Account>> categories = new LinkedHashMap<>();
    Map<UUID, LocalDate> since = new HashMap<>();
    Set<UUID> asPosted = new HashSet<>();
    jdbc.sql(
            "select purpose_id, category_id, since, as_posted from purpose_category where household_id = ?")
        .param(SignedIn.now().householdId())
        .query(row -> {
          UUID purpose = Objects.requireNonNull(row.getObject(1, UUID.class));
          UUID category = Objects.requireNonNull(row.getObject(2, UUID.class));
          categories.computeIfAbsent(purpose, id -> new ArrayList<>()).add(chart.account(category));
          since.put(purpose, row.getObject(3, LocalDate.class));
          if (row.getBoolean(4)) {
            asPosted.add(purpose);
          }
        });
    Map<UUID, Taking.Pays> pays = new HashMap<>();
    categories.forEach((purpose, of) ->
        pays.put(
            purpose,
            new Taking.Pays(
                chart.account(purpose),
                of,
                Objects.requireNonNull(since.get(purpose)),
                asPosted.contains(purpose))));
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
                    "insert into purpose_category (household_id, category_id, purpose_id, since, as_posted) values (?, ?, ?, ?, ?)")
                .params(
                    household,
                    category.id(),
                    pays.purpose().id(),
                    Date.valueOf(pays.since()),
                    pays.asPosted())
                .update());
  }

  /** Cost: the postings of what the purposes pay for, or paid for. */
  Taking taking(SetAsides of, Collection<Taking.Pays> pays) {
    List<Taking.Spending> apart = new ArrayList<>();
    jdbc.sql(APART)
        .param("household", SignedIn.now().householdId())
        .param("account", of.account().id())
        .param("purposes", of.purposes().stream().map(p -> p.account().id()).toArray(UUID[]::new))
        .query(row -> {
          LocalDate day = row.getObject(3, LocalDate.class);
          apart.add(
              new Taking.Spending(
                  row.getObject(1, UUID.class),
                  row.getObject(2, UUID.class),
                  // Of what is gone from the books; it was covered, so that its day plays no part.
                  day == null ? LocalDate.MIN : day,
                  Amount.ofMinor(row.getLong(4), of.account().currency()),
                  Amount.ofMinor(row.getLong(5), of.account().currency()),
                  row.getObject(6, UUID.class)));
        });
    return Taking.of(of, pays, apart);
  }

  /**
   * Remembers what a taking covered.
   *
   * @param spentEntries the entries that its items name, by their keys
   */
  void took(UUID entryId, List<Taking.Item> items, UnaryOperator<UUID> spentEntries) {
    UUID household = SignedIn.now().householdId();
    jdbc.sql("insert into purpose_taking (household_id, entry_id) values (?, ?)")
        .params(household, entryId)
        .update();
    jdbc.sql(
            """
            insert into taken_spending (household_id, entry_id, spent_entry_id, category_id, purpose_id, amount_minor)
            select ?, ?, * from unnest(?::uuid[], ?::uuid[], ?::uuid[], ?::bigint[])\
            """)
        .params(
            household,
            entryId,
            items.stream().map(i -> spentEntries.apply(i.entryId())).toArray(UUID[]::new),
            items.stream().map(Taking.Item::categoryId).toArray(UUID[]::new),
            items.stream().map(Taking.Item::purposeId).toArray(UUID[]::new),
            items.stream().map(i -> i.open().minor()).toArray(Long[]::new))
        .update();
  }
}
