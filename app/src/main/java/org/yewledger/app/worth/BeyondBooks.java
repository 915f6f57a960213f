package org.yewledger.app.worth;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AccountBalances;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.worth.Investments.KeptInvestment;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Position;
import org.yewledger.core.money.Amount;

/** By how much what is owned is worth more than it is booked at. */
@Service
public class BeyondBooks {
  private final ChartService charts;
  private final Valued valued;
  private final AccountBalances balances;

  BeyondBooks(ChartService charts, Valued valued, AccountBalances balances) {
    this.charts = charts;
    this.valued = valued;
    this.balances = balances;
  }

  /**
   * By account, at the ends of months; accounts without holdings or valuations are missing.
   *
   * <p>Cost: all trades, prices and valuations; a balance of each valued thing and month.
   */
  @Transactional(readOnly = true)
  public Map<UUID, List<Amount>> beyond(List<Account> accounts, List<YearMonth> ends) {
    Valued.Loaded loaded = valued.load(charts.chart());
    Map<UUID, List<Amount>> beyond = new HashMap<>();
    for (Account account : accounts) {
      KeptInvestment kept = loaded.investments().get(account.id());
      NavigableMap<LocalDate, Amount> told = loaded.valuations().get(account.id());
      if (kept != null) {
        beyond.put(account.id(), each(ends, day -> loaded.beyond(kept.investment(), day)));
      } else if (told != null) {
        beyond.put(account.id(), each(ends, day -> beyond(account, told, day)));
      }
    }
    return beyond;
  }

  private static List<Amount> each(List<YearMonth> ends, Function<LocalDate, Amount> on) {
    return ends.stream().map(end -> on.apply(end.atEndOfMonth())).toList();
  }

  /** Of a thing; before its first valuation it is worth what it is booked at. */
  Amount beyond(Account thing, NavigableMap<LocalDate, Amount> told, LocalDate day) {
    Map.Entry<LocalDate, Amount> newest = told.floorEntry(day);
    return newest == null
        ? Amount.zero(thing.currency())
        : newest.getValue().minus(booked(thing, day));
  }

  Amount booked(Account account, LocalDate day) {
    return balances
        .at(day, List.of(account))
        .getOrDefault(account.id(), Position.empty(account))
        .amount();
  }
}
