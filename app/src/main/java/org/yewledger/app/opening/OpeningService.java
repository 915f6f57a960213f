package org.yewledger.app.opening;

import java.sql.Date;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.chart.AccountOpenings;
import org.yewledger.app.chart.AgreedThrough;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.chart.KeptAccounts;
import org.yewledger.app.currency.RateService;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.chart.AccountUse;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Position;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.ExchangeRates;

/** Sets and corrects opening balances; each is an entry against the book's opening equity. */
@Service
public class OpeningService implements AccountOpenings {
  /** The opening entry of an account and what it says. */
  public record Opening(UUID entryId, long entryNo, Position position) {}

  /** What an account is to open with. {@code balance} null: not known yet. */
  public record Wanted(UUID accountId, LocalDate opensOn, @Nullable Amount balance) {}

  private final ChartService charts;
  private final KeptAccounts keptAccounts;
  private final EntryStore entries;
  private final RateService rates;
  private final AgreedThrough agreed;
  private final JdbcClient jdbc;
  private final AccountLocks locks;
  private final Acts acts;

  OpeningService(
      ChartService charts,
      KeptAccounts keptAccounts,
      EntryStore entries,
      RateService rates,
      AgreedThrough agreed,
      JdbcClient jdbc,
      AccountLocks locks,
      Acts acts) {
    this.charts = charts;
    this.keptAccounts = keptAccounts;
    this.entries = entries;
    this.rates = rates;
    this.agreed = agreed;
    this.jdbc = jdbc;
    this.locks = locks;
    this.acts = acts;
  }

  /** The opening balances that are set, by account. */
  @Transactional(readOnly = true)
  public Map<UUID, Opening> openings() {
    var openings = new HashMap<UUID, Opening>();
    jdbc.sql(
            """
            select p.account_id, e.id, e.no, p.amount_minor, a.currency, p.base_minor, b.currency
              from entry e join posting p on p.household_id = e.household_id and p.entry_id = e.id
              join account a on a.household_id = p.household_id and a.id = p.account_id
              join book b on b.household_id = a.household_id and b.id = a.book_id
             where e.origin = 'OPENING' and a.kind <> 'OPENING_EQUITY'\
            """)
        .query(row -> {
          openings.put(
              row.getObject(1, UUID.class),
              new Opening(
                  row.getObject(2, UUID.class),
                  row.getLong(3),
                  new Position(
                      Amount.ofMinor(row.getLong(4), CurrencyUnit.of(row.getString(5))),
                      Amount.ofMinor(row.getLong(6), CurrencyUnit.of(row.getString(7))))));
        });
    return openings;
  }

  @Override
  @Transactional
  public void open(UUID accountId, LocalDate opensOn, Amount balance) {
    set(List.of(new Wanted(accountId, opensOn, balance)));
  }

  /** Sets the opening days and balances of several accounts, all or none. */
  @Transactional
  @ForBookkeepers
  public void set(List<Wanted> all) {
    locks.exclusive(all.stream().map(Wanted::accountId).toList());
    Map<UUID, Opening> before = openings();
    Map<UUID, LocalDate> agreedDays = agreed.byAccount();
    ExchangeRates known = rates.rates();
    Chart chart = charts.chart();
    List<Wanted> changes =
        all.stream().filter(w -> changes(w, before.get(w.accountId()), chart)).toList();
    if (changes.isEmpty()) {
      return;
    }
    acts.begin(ActKind.OPENING_BALANCES, inWords(changes, before, chart));
    for (Wanted wanted : changes) {
      set(wanted, before.get(wanted.accountId()), agreedDays.get(wanted.accountId()), known);
    }
  }

  /** Whether the sheet says something else than the books. */
  private static boolean changes(Wanted wanted, @Nullable Opening before, Chart chart) {
    Amount balance = wanted.balance();
    boolean sameDay = wanted.opensOn().equals(chart.account(wanted.accountId()).opensOn());
    boolean same =
        before == null
            ? balance == null || balance.isZero()
            : before.position().amount().equals(balance);
    return !sameDay || !same;
  }

  private static String inWords(List<Wanted> changes, Map<UUID, Opening> before, Chart chart) {
    if (changes.size() > 1) {
      return "Set the opening balances of %d accounts".formatted(changes.size());
    }
    Wanted only = changes.getFirst();
    Account account = chart.account(only.accountId());
    Opening was = before.get(account.id());
    String now = shown(only.balance()) + ", opening on " + only.opensOn();
    return was == null
        ? "Opening balance of %s set to %s".formatted(account.name(), now)
        : "Opening balance of %s corrected from %s to %s"
            .formatted(account.name(), shown(was.position().amount()), now);
  }

  private static String shown(@Nullable Amount balance) {
    return balance == null ? "not known" : balance.shown();
  }

  private void set(
      Wanted wanted,
      @Nullable Opening before,
      @Nullable LocalDate agreedThrough,
      ExchangeRates known) {
    Chart chart = charts.chart();
    Account account = chart.account(wanted.accountId());
    AccountUse use = charts.use(account);
    use.requireOpeningFree(agreedThrough);
    use.requireOpensOn(wanted.opensOn());
    if (before != null) {
      entries.remove(List.of(before.entryId()));
    }
    Account dated = account.openingOn(wanted.opensOn());
    jdbc.sql(
            "update account set opens_on = ?, version = version + 1 where household_id = ? and id = ?")
        .params(Date.valueOf(wanted.opensOn()), SignedIn.now().householdId(), account.id())
        .update();
    Amount balance = wanted.balance();
    if (balance != null && !balance.isZero()) {
      Account equity = keptAccounts.of(account.book(), AccountKind.OPENING_EQUITY, chart);
      entries.add(List.of(Entry.opening(dated, balance, equity, known)));
    }
    entries.forgetRead();
  }
}
