package org.yewledger.app.worth;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.UUID;
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
   * <p>Cost: all trades, prices and valuations; one query of balances for each month.
   */
  @Transactional(readOnly = true)
  public Map<UUID, List<Amount>> beyond(List<Account> accounts, List<YearMonth> ends) {
    Valued.Loaded loaded = valued.load(charts.chart());
    List<Account> valuedThings =
        accounts.stream().filter(one -> loaded.valuations().containsKey(one.id())).toList();
    Map<UUID, List<Amount>> beyond = new HashMap<>();
    for (YearMonth end : ends) {
      LocalDate day = end.atEndOfMonth();
      Booked booked = booked(valuedThings, day);
      for (Account account : accounts) {
        KeptInvestment kept = loaded.investments().get(account.id());
        NavigableMap<LocalDate, Amount> told = loaded.valuations().get(account.id());
        if (kept != null) {
          add(beyond, account, loaded.beyond(kept.investment(), day));
        } else if (told != null) {
          add(beyond, account, beyond(told, booked.of(account), day));
        }
      }
    }
    return beyond;
  }

  private static void add(Map<UUID, List<Amount>> beyond, Account account, Amount amount) {
    beyond.computeIfAbsent(account.id(), id -> new ArrayList<>()).add(amount);
  }

  /** Of a thing; before its first valuation it is worth what it is booked at. */
  static Amount beyond(NavigableMap<LocalDate, Amount> told, Amount booked, LocalDate day) {
    Map.Entry<LocalDate, Amount> newest = told.floorEntry(day);
    return newest == null ? booked.minus(booked) : newest.getValue().minus(booked);
  }

  /** What accounts stand at on a day. */
  record Booked(Map<UUID, Position> positions) {
    Amount of(Account account) {
      return positions.getOrDefault(account.id(), Position.empty(account)).amount();
    }
  }

  /** Cost: one query for all of them, none for none. */
  Booked booked(List<Account> accounts, LocalDate day) {
    return new Booked(accounts.isEmpty() ? Map.of() : balances.at(day, accounts));
  }
}
