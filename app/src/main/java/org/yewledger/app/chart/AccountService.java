package org.yewledger.app.chart;

import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.chart.AccountUse;
import org.yewledger.core.ledger.Account;

/** Changes the chart of accounts without losing history. */
@Service
@ForBookkeepers
public class AccountService {
  private final EntityManager entities;
  private final ChartService charts;
  private final JdbcClient jdbc;
  private final AccountLocks locks;
  private final OpeningMerge openings;
  private final ObjectProvider<AccountFollower> followers;
  private final Acts acts;
  private final HouseholdDays days;

  AccountService(
      EntityManager entities,
      ChartService charts,
      JdbcClient jdbc,
      AccountLocks locks,
      OpeningMerge openings,
      ObjectProvider<AccountFollower> followers,
      Acts acts,
      HouseholdDays days) {
    this.entities = entities;
    this.charts = charts;
    this.jdbc = jdbc;
    this.locks = locks;
    this.openings = openings;
    this.followers = followers;
    this.acts = acts;
    this.days = days;
  }

  /** Adds an account or a group at the end of its group. */
  @Transactional
  public Account add(Account account, @Nullable UUID parentId, AccountFacts facts) {
    return add(charts.chart(), account, parentId, facts);
  }

  /** The same for many: the chart is read once, and knows each account that was added to it. */
  @Transactional
  public Account add(Chart chart, Account account, @Nullable UUID parentId, AccountFacts facts) {
    String name = chart.tree().requireName(account.bookId(), account.name(), null);
    Account named = account.withName(name);
    requireKindByHand(named);
    requireTaxRate(facts, named);
    if (parentId != null) {
      chart.account(parentId);
    }
    chart.tree().requireMove(named, parentId);
    acts.begin(ActKind.ADD_ACCOUNT, "Added " + name);
    var row = new AccountEntity(named, parentId, facts, lastPlace(chart, named, parentId));
    entities.persist(row);
    chart.add(row);
    return named;
  }

  /**
   * Changes name, kind, currency, opening day and facts.
   *
   * @throws Refusal if what was posted already stands in the way
   */
  @Transactional
  public void change(Account wanted, AccountFacts facts, int version) {
    Chart chart = charts.chart();
    Account before = chart.account(wanted.id());
    AccountEntity row = row(chart, wanted.id(), version);
    Account named =
        wanted.withName(chart.tree().requireName(before.bookId(), wanted.name(), before.id()));
    AccountUse use = charts.use(before);
    if (named.kind() != before.kind()) {
      requireKindByHand(named);
      requireSameClass(before, named);
      use.requireKindFree(named.kind());
    }
    if (!named.currency().equals(before.currency())) {
      use.requireCurrencyFree();
    }
    if (named.opensOn() != null) {
      use.requireOpensOn(named.opensOn());
    }
    if (!Objects.equals(named.opensOn(), before.opensOn())) {
      requireNoOpeningBalance(before);
    }
    requireTaxRate(facts, named);
    acts.begin(ActKind.CHANGE_ACCOUNT, changed(before, named));
    row.become(named);
    row.become(facts);
  }

  /**
   * Moves an account or a group into a group, or to the top of its book.
   *
   * @param place where among its new neighbours, counted from 0
   */
  @Transactional
  public void move(UUID id, @Nullable UUID parentId, int place) {
    Chart chart = charts.chart();
    Account account = chart.account(id);
    if (parentId != null) {
      chart.account(parentId);
    }
    chart.tree().requireMove(account, parentId);
    List<AccountEntity> neighbours = new ArrayList<>();
    UUID above = parentId == null ? account.bookId() : parentId;
    chart.tree().children(above).forEach(n -> neighbours.add(chart.row(n.account().id())));
    acts.begin(
        ActKind.MOVE_ACCOUNT,
        "Moved %s to %s"
            .formatted(
                account.name(), parentId == null ? "the top" : chart.account(parentId).name()));
    AccountEntity row = chart.row(id);
    neighbours.remove(row);
    neighbours.add(Math.clamp(place, 0, neighbours.size()), row);
    for (int i = 0; i < neighbours.size(); i++) {
      neighbours.get(i).moveTo(parentId, i);
    }
  }

  /**
   * Merges an account into another: its postings, rules and children move, then it is gone.
   *
   * @return how many postings moved
   */
  @Transactional
  public long merge(UUID id, UUID intoId) {
    locks.exclusive(List.of(id, intoId));
    Chart chart = charts.chart();
    Account from = chart.account(id);
    Account into = chart.account(intoId);
    charts.use(from).requireMergeableInto(into);
    if (chart.tree().isWithin(intoId, id)) {
      throw Refusal.ofField(
          "circle",
          "intoId",
          "%s stands in %s itself. Move it out first.".formatted(into.name(), from.name()));
    }
    acts.begin(ActKind.MERGE_ACCOUNT, "Merged %s into %s".formatted(from.name(), into.name()));
    entities.flush();
    jdbc.sql(
            "update account set parent_id = :into, version = version + 1 where household_id = :household and parent_id = :from")
        .param("household", SignedIn.now().householdId())
        .param("into", intoId)
        .param("from", id)
        .update();
    openings.merge(from, into);
    long moved = followers.stream().mapToLong(follower -> follower.merged(id, intoId)).sum();
    entities.clear();
    entities.remove(charts.chart().row(id));
    entities.flush();
    return moved;
  }

  /**
   * Closes an account: it stays in all reports and takes no more entries.
   *
   * @throws Refusal {@code balance-not-zero}, with the amount
   */
  @Transactional
  public void close(UUID id, int version) {
    locks.exclusive(List.of(id));
    Chart chart = charts.chart();
    Account account = chart.account(id);
    if (account.closedOn() != null) {
      throw new Conflict("already-closed", account.name() + " is closed already.");
    }
    charts.use(account).requireClosable();
    LocalDate today = days.today();
    acts.begin(ActKind.CLOSE_ACCOUNT, "Closed " + account.name());
    row(chart, id, version).become(account.closedOn(today));
  }

  @Transactional
  public void reopen(UUID id, int version) {
    Chart chart = charts.chart();
    Account account = chart.account(id);
    acts.begin(ActKind.REOPEN_ACCOUNT, "Reopened " + account.name());
    row(chart, id, version).become(account.closedOn(null));
  }

  /** Deletes an account that was never used. */
  @Transactional
  public void delete(UUID id, int version) {
    locks.exclusive(List.of(id));
    Chart chart = charts.chart();
    Account account = chart.account(id);
    AccountEntity row = row(chart, id, version);
    charts.use(account).requireNeverUsed();
    acts.begin(ActKind.DELETE_ACCOUNT, "Deleted " + account.name());
    followers.forEach(follower -> follower.deleted(id));
    entities.remove(row);
  }

  private static String changed(Account before, Account named) {
    return before.name().equals(named.name())
        ? "Changed the facts of " + named.name()
        : "Renamed %s to %s".formatted(before.name(), named.name());
  }

  private static int lastPlace(Chart chart, Account account, @Nullable UUID parentId) {
    return chart.tree().children(parentId == null ? account.bookId() : parentId).size();
  }

  private static AccountEntity row(Chart chart, UUID id, int version) {
    AccountEntity row = chart.row(id);
    if (row.version() != version) {
      throw Conflict.changedMeanwhile("account");
    }
    return row;
  }

  private static void requireKindByHand(Account account) {
    if (account.kind().isKeptByCore() && !account.group()) {
      throw Refusal.ofField(
          "kept-by-core",
          "kind",
          "Each book has one such account, made by itself when it is first needed.");
    }
  }

  private static void requireSameClass(Account before, Account wanted) {
    if (before.accountClass() != wanted.accountClass()) {
      throw Refusal.ofField(
          "other-class",
          "kind",
          "%s is %s, and entries were made for that. Make a new account and move the balance by a transfer."
              .formatted(before.name(), before.accountClass().singular()));
    }
  }

  private void requireNoOpeningBalance(Account account) {
    if (openings.isThere(account)) {
      throw Refusal.ofField(
          "has-opening-balance",
          "opensOn",
          "%s has an opening balance for %s. Change the day together with the balance, on the sheet of opening balances."
              .formatted(account.name(), account.opensOn()));
    }
  }

  private void requireTaxRate(AccountFacts facts, Account account) {
    if (facts.taxRateId() != null) {
      long found =
          jdbc.sql(
                  "select count(*) from tax_rate where household_id = ? and id = ? and book_id = ?")
              .params(SignedIn.now().householdId(), facts.taxRateId(), account.bookId())
              .query(Long.class)
              .single();
      if (found == 0) {
        throw Refusal.ofField(
            "unknown-tax-rate",
            "taxRateId",
            "%s has no such tax rate.".formatted(account.book().name()));
      }
    }
  }
}
