package org.yewledger.app.chart;

import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.yewledger.app.chart.AccountUsage.Part;
import org.yewledger.app.platform.InTransaction;
import org.yewledger.app.platform.KeptByHousehold;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.chart.AccountUse;
import org.yewledger.core.ledger.Account;

/** Reads the chart of accounts. */
@Service
public class ChartService {
  private static final LocalDate EVER = LocalDate.of(9999, 12, 31);

  private record Kept(String state, Chart chart) {}

  /** Of all households together. */
  private static final int MOST_ACCOUNTS_KEPT = 200_000;

  private final KeptByHousehold<Kept> kept =
      new KeptByHousehold<>(MOST_ACCOUNTS_KEPT, k -> (int) k.chart().accounts().count());
  private final InTransaction<Chart> inTransaction = new InTransaction<>();
  private final EntityManager entities;
  private final JdbcClient jdbc;
  private final AccountBalances balances;
  private final List<AccountUsage> usages;

  ChartService(
      EntityManager entities,
      JdbcClient jdbc,
      AccountBalances balances,
      List<AccountUsage> usages) {
    this.entities = entities;
    this.jdbc = jdbc;
    this.balances = balances;
    this.usages = usages;
  }

  /**
   * The books and accounts. While only reading, the chart is kept until one of them changes, and is
   * shared: its rows belong to no session. Cost: a look at whether one has changed, once in a
   * transaction; otherwise linear in their number.
   */
  @Transactional(readOnly = true)
  public Chart chart() {
    if (!TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
      return read();
    }
    Chart seen = inTransaction.get();
    if (seen == null) {
      seen = toLookAt();
      inTransaction.put(seen);
    }
    return seen;
  }

  /**
   * The same, to be looked at only, also within a transaction that changes something else: what is
   * kept is shared, as far as it still holds.
   */
  @Transactional(readOnly = true)
  public Chart toLookAt() {
    UUID household = SignedIn.now().householdId();
    String state = state(household);
    Kept known = kept.get(household);
    if (known != null && known.state().equals(state)) {
      return known.chart();
    }
    Chart chart = read();
    if (TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
      kept.put(household, new Kept(state, chart));
    }
    return chart;
  }

  private String state(UUID household) {
    return jdbc.sql(
            """
            select (select count(*) || ',' || coalesce(sum(uuid_hash_extended(id, version)), 0)
                      from account where household_id = :household) || '/' ||
                   (select count(*) || ',' || coalesce(sum(uuid_hash_extended(id, version)), 0)
                      from book where household_id = :household)\
            """)
        .param("household", household)
        .query(String.class)
        .single();
  }

  private Chart read() {
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
    Part part = usages.stream().map(u -> u.of(id)).reduce(Part.NONE, Part::and);
    return new AccountUse(
        account,
        balances.of(account, EVER),
        part.postings(),
        part.firstEntry(),
        part.lines(),
        part.firstLine(),
        part.undecided(),
        part.statements(),
        part.openStatements(),
        part.feeds(),
        part.rules(),
        below(id));
  }

  /** How many lines wait, by account. */
  @Transactional(readOnly = true)
  Map<UUID, Integer> waiting() {
    var waiting = new HashMap<UUID, Integer>();
    usages.forEach(usage -> waiting.putAll(usage.waiting()));
    return waiting;
  }

  private long below(UUID id) {
    return jdbc.sql(
            "select count(*) from account where household_id = ? and parent_id = ? and closed_on is null")
        .params(SignedIn.now().householdId(), id)
        .query(Long.class)
        .single();
  }
}
