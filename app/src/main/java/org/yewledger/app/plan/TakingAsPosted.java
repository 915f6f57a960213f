package org.yewledger.app.plan;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.journal.EntryStore.Stored;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amount;
import org.yewledger.core.plan.SetAsides;
import org.yewledger.core.plan.Taking;

/** Takes out of purposes what is spent while lines are posted, where they were told to pay so. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
public class TakingAsPosted {
  private static final String PAYING =
      """
      select distinct k.purpose_id from purpose_category k
        join account a on a.household_id = :household and a.id = k.purpose_id
       where k.household_id = :household and k.as_posted and a.parent_id = any(:accounts)\
      """;

  private final PurposeSpending spending;
  private final JdbcClient jdbc;

  TakingAsPosted(PurposeSpending spending, JdbcClient jdbc) {
    this.spending = spending;
    this.jdbc = jdbc;
  }

  /** The set-asides in accounts that give while lines are posted there; to be held with these. */
  public List<UUID> giving(Collection<UUID> accountIds) {
    List<UUID> giving = new ArrayList<>();
    jdbc.sql(PAYING)
        .param("household", SignedIn.now().householdId())
        .param("accounts", accountIds.toArray(UUID[]::new))
        .query(row -> {
          giving.add(row.getObject(1, UUID.class));
        });
    return giving;
  }

  /**
   * What others that are about to be booked spend.
   *
   * @param keys of these, by which the takings name them
   */
  public record Takings(List<UUID> keys, List<Taking> each, List<Entry> entries) {}

  /**
   * The takings of entries that are about to be booked, to be stored right after these by the same
   * call.
   */
  public Takings of(List<Entry> booked, Chart chart) {
    List<UUID> keys = booked.stream().map(entry -> Ids.next()).toList();
    List<Account> banks =
        booked.stream()
            .flatMap(entry -> entry.postings().stream())
            .map(Posting::account)
            .distinct()
            .filter(account -> chart.atBank(account.id()).size() > 1)
            .toList();
    if (banks.isEmpty()) {
      return new Takings(keys, List.of(), List.of());
    }
    Map<UUID, Entry> byKey = new HashMap<>();
    for (int i = 0; i < booked.size(); i++) {
      byKey.put(keys.get(i), booked.get(i));
    }
    Collection<Taking.Pays> pays = spending.pays(chart).values();
    List<Taking> each =
        banks.stream()
            .map(bank -> Taking.asPosted(purposes(bank, chart), pays, byKey))
            .filter(Taking::isAnything)
            .toList();
    return new Takings(
        keys, each, each.stream().map(taking -> taking.entry(newest(taking, byKey))).toList());
  }

  private static SetAsides purposes(Account bank, Chart chart) {
    Amount none = Amount.zero(bank.currency());
    return new SetAsides(
        bank,
        none,
        chart.atBank(bank.id()).stream()
            .map(chart::account)
            .filter(account -> !account.equals(bank) && account.closedOn() == null)
            .map(account -> new SetAsides.Purpose(account, none))
            .toList());
  }

  private static LocalDate newest(Taking taking, Map<UUID, Entry> byKey) {
    return taking.items().stream()
        .map(item -> Objects.requireNonNull(byKey.get(item.entryId())).date())
        .max(Comparator.naturalOrder())
        .orElseThrow();
  }

  /**
   * Remembers what they covered.
   *
   * @param stored the entries booked, and the takings after them
   */
  public void took(Takings takings, List<Stored> stored) {
    int booked = takings.keys().size();
    Map<UUID, UUID> ids = new HashMap<>();
    for (int i = 0; i < booked; i++) {
      ids.put(takings.keys().get(i), stored.get(i).entry().id());
    }
    for (int i = 0; i < takings.each().size(); i++) {
      spending.took(
          stored.get(booked + i).entry().id(),
          takings.each().get(i).items(),
          key -> Objects.requireNonNull(ids.get(key)));
    }
  }
}
