package org.yewledger.app.plan;

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
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;

/** Keeps by name how an account is divided over its purposes. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class DivisionTemplates {
  private static final int LONGEST_NAME = 60;

  private final JdbcClient jdbc;

  DivisionTemplates(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * @param placed by purpose, in minor units of the account's currency
   */
  record Template(UUID id, UUID accountId, String name, Map<UUID, Long> placed) {}

  /** Of all accounts, by name. Cost: one query. */
  List<Template> all() {
    Map<UUID, Template> all = new LinkedHashMap<>();
    jdbc.sql(
            """
            select t.id, t.account_id, t.name, p.purpose_id, p.amount_minor from division_template t
              join division_template_part p on p.household_id = :household and p.template_id = t.id
             where t.household_id = :household order by lower(t.name)\
            """)
        .param("household", SignedIn.now().householdId())
        .query(row -> {
          UUID id = Objects.requireNonNull(row.getObject(1, UUID.class));
          UUID account = Objects.requireNonNull(row.getObject(2, UUID.class));
          String name = row.getString(3);
          all.computeIfAbsent(id, of -> new Template(of, account, name, new HashMap<>()))
              .placed()
              .put(row.getObject(4, UUID.class), row.getLong(5));
        });
    return List.copyOf(all.values());
  }

  /**
   * Keeps it in place of one of the same name.
   *
   * @throws Refusal {@code template-unnamed}
   */
  void keep(Account account, String name, Map<UUID, Amount> placed) {
    String kept = name.strip();
    if (kept.isEmpty() || kept.length() > LONGEST_NAME) {
      throw Refusal.ofField(
          "template-unnamed",
          "name",
          "Give it a name of %d letters at most.".formatted(LONGEST_NAME));
    }
    all().stream()
        .filter(one -> one.accountId().equals(account.id()) && one.name().equalsIgnoreCase(kept))
        .forEach(one -> remove(one.id()));
    UUID household = SignedIn.now().householdId();
    UUID id = Ids.next();
    jdbc.sql(
            "insert into division_template (household_id, id, account_id, name) values (?, ?, ?, ?)")
        .params(household, id, account.id(), kept)
        .update();
    placed.forEach((purpose, amount) ->
        jdbc.sql(
                "insert into division_template_part (household_id, template_id, purpose_id, amount_minor) values (?, ?, ?, ?)")
            .params(household, id, purpose, amount.minor())
            .update());
  }

  /**
   * @throws NotFound if the household has no such template
   */
  Template find(UUID id) {
    return all().stream()
        .filter(one -> one.id().equals(id))
        .findFirst()
        .orElseThrow(() -> new NotFound("template"));
  }

  void remove(UUID id) {
    UUID household = SignedIn.now().householdId();
    jdbc.sql("delete from division_template_part where household_id = ? and template_id = ?")
        .params(household, id)
        .update();
    jdbc.sql("delete from division_template where household_id = ? and id = ?")
        .params(household, id)
        .update();
  }
}
