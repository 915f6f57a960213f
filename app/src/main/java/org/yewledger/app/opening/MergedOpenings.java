package org.yewledger.app.opening;

import java.sql.Date;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.yewledger.app.chart.AgreedThrough;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.chart.KeptAccounts;
import org.yewledger.app.chart.OpeningMerge;
import org.yewledger.app.currency.RateService;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.opening.OpeningService.Opening;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.chart.MergedOpening;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.money.Amount;

/** One opening entry takes the place of the two that merged accounts have had. */
@Component
class MergedOpenings implements OpeningMerge {
  private final OpeningService openings;
  private final ChartService charts;
  private final KeptAccounts keptAccounts;
  private final RateService rates;
  private final AgreedThrough agreed;
  private final EntryStore entries;
  private final JdbcClient jdbc;

  MergedOpenings(
      OpeningService openings,
      ChartService charts,
      KeptAccounts keptAccounts,
      RateService rates,
      AgreedThrough agreed,
      EntryStore entries,
      JdbcClient jdbc) {
    this.openings = openings;
    this.charts = charts;
    this.keptAccounts = keptAccounts;
    this.rates = rates;
    this.agreed = agreed;
    this.entries = entries;
    this.jdbc = jdbc;
  }

  @Override
  public void merge(Account from, Account into) {
    Map<UUID, Opening> set = openings.openings();
    Opening first = set.get(from.id());
    Opening second = set.get(into.id());
    var merged =
        MergedOpening.of(
            new MergedOpening.One(from, amount(first)),
            new MergedOpening.One(into, amount(second)),
            charts.use(into).firstEntry(),
            agreed.byAccount().get(into.id()));
    if (first == null) {
      return;
    }
    var old = new ArrayList<UUID>(List.of(first.entryId()));
    if (second != null) {
      old.add(second.entryId());
    }
    entries.remove(old);
    LocalDate opensOn = merged.opensOn();
    jdbc.sql(
            "update account set opens_on = ?, version = version + 1 where household_id = ? and id = ?")
        .params(Date.valueOf(opensOn), SignedIn.now().householdId(), into.id())
        .update();
    if (!merged.balance().isZero()) {
      Account equity = keptAccounts.of(into.book(), AccountKind.OPENING_EQUITY, charts.chart());
      entries.add(
          List.of(Entry.opening(into.openingOn(opensOn), merged.balance(), equity, rates.rates())));
    }
  }

  @Override
  public boolean isThere(Account account) {
    return openings.openings().containsKey(account.id());
  }

  private static @Nullable Amount amount(@Nullable Opening opening) {
    return opening == null ? null : opening.position().amount();
  }
}
