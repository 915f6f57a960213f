package org.yewledger.app.opening;

import java.sql.Date;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AgreedThrough;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.chart.KeptAccounts;
import org.yewledger.app.currency.RateService;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.platform.AuditTrail;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.core.chart.AccountUse;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Position;
import org.yewledger.core.money.Amounts;
import org.yewledger.core.money.ExchangeRates;

/** Sets and corrects opening balances; each is an entry against the book's opening equity. */
@Service
public class OpeningService {
  /** The opening entry of an account and what it says. */
  public record Opening(UUID entryId, long entryNo, Position position) {}

  /** What an account is to open with. {@code balanceMinor} null: not known yet. */
  public record Wanted(UUID accountId, LocalDate opensOn, @Nullable Long balanceMinor) {}

  /** How the audit trail tells an opening balance: as a person reads it. */
  private record Told(LocalDate opensOn, @Nullable String balance) {
    static Told of(LocalDate opensOn, @Nullable Long minor, CurrencyUnit currency) {
      return new Told(opensOn, minor == null ? null : Amounts.shown(minor, currency));
    }
  }

  private final ChartService charts;
  private final KeptAccounts keptAccounts;
  private final EntryStore entries;
  private final RateService rates;
  private final AgreedThrough agreed;
  private final JdbcClient jdbc;
  private final AuditTrail audit;

  OpeningService(
      ChartService charts,
      KeptAccounts keptAccounts,
      EntryStore entries,
      RateService rates,
      AgreedThrough agreed,
      JdbcClient jdbc,
      AuditTrail audit) {
    this.charts = charts;
    this.keptAccounts = keptAccounts;
    this.entries = entries;
    this.rates = rates;
    this.agreed = agreed;
    this.jdbc = jdbc;
    this.audit = audit;
  }

  /** The opening balances that are set, by account. */
  @Transactional(readOnly = true)
  public Map<UUID, Opening> openings() {
    var openings = new HashMap<UUID, Opening>();
    jdbc.sql(
            """
            select p.account_id, e.id, e.no, p.amount_minor, p.base_minor
              from entry e join posting p on p.household_id = e.household_id and p.entry_id = e.id
              join account a on a.household_id = p.household_id and a.id = p.account_id
             where e.origin = 'OPENING' and a.kind <> 'OPENING_EQUITY'\
            """)
        .query(row -> {
          openings.put(
              row.getObject(1, UUID.class),
              new Opening(
                  row.getObject(2, UUID.class),
                  row.getLong(3),
                  new Position(row.getLong(4), row.getLong(5))));
        });
    return openings;
  }

  /** Sets the opening days and balances of several accounts, all or none. */
  @Transactional
  @ForBookkeepers
  public void set(List<Wanted> all) {
    Map<UUID, Opening> before = openings();
    Map<UUID, LocalDate> agreedDays = agreed.byAccount();
    ExchangeRates known = rates.rates();
    for (Wanted wanted : all) {
      set(wanted, before.get(wanted.accountId()), agreedDays.get(wanted.accountId()), known);
    }
  }

  private void set(
      Wanted wanted,
      @Nullable Opening before,
      @Nullable LocalDate agreedThrough,
      ExchangeRates known) {
    Chart chart = charts.chart();
    Account account = chart.account(wanted.accountId());
    Long minorBefore = before == null ? null : Long.valueOf(before.position().ownMinor());
    boolean sameDay = wanted.opensOn().equals(account.opensOn());
    boolean zeroKept = before == null && Objects.equals(wanted.balanceMinor(), 0L);
    if (sameDay && (zeroKept || Objects.equals(wanted.balanceMinor(), minorBefore))) {
      return;
    }
    AccountUse use = charts.use(account);
    use.requireOpeningFree(agreedThrough);
    use.requireOpensOn(wanted.opensOn());
    if (before != null) {
      entries.remove(before.entryId());
      entries.flush();
    }
    Account dated = account.openingOn(wanted.opensOn());
    jdbc.sql("update account set opens_on = ?, version = version + 1 where id = ?")
        .params(Date.valueOf(wanted.opensOn()), account.id())
        .update();
    if (wanted.balanceMinor() != null && wanted.balanceMinor() != 0) {
      Account equity = keptAccounts.of(account.book(), AccountKind.OPENING_EQUITY, chart);
      entries.add(List.of(Entry.opening(dated, wanted.balanceMinor(), equity, known)));
      entries.flush();
    }
    entries.forgetRead();
    LocalDate dayBefore = account.opensOn();
    Object told = dayBefore == null ? null : Told.of(dayBefore, minorBefore, account.currency());
    audit.write(
        before == null ? "set opening balance" : "correct opening balance",
        "account",
        account.id(),
        told,
        Told.of(wanted.opensOn(), wanted.balanceMinor(), account.currency()));
  }

  /** The value of an amount in its book's currency on the day before an account opens. */
  static long value(
      long minor, CurrencyUnit from, CurrencyUnit to, LocalDate opensOn, ExchangeRates rates) {
    return rates.convert(minor, from, to, opensOn.minusDays(1));
  }
}
