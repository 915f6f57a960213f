package org.yewledger.app.worth;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.worth.Investments.KeptInvestment;
import org.yewledger.app.worth.Investments.KeptTrade;
import org.yewledger.app.worth.Things.WorthEntry;
import org.yewledger.core.money.Amount;
import org.yewledger.core.worth.Holding;
import org.yewledger.core.worth.Investment;
import org.yewledger.core.worth.Prices;
import org.yewledger.core.worth.Trade;

/** Loads what worths are worked out from. Cost: all trades, prices and valuations. */
@Component
class Valued {
  private final Investments investments;
  private final Securities securities;
  private final Things things;

  Valued(Investments investments, Securities securities, Things things) {
    this.investments = investments;
    this.securities = securities;
    this.things = things;
  }

  /** Everything of a household, once. */
  record Loaded(
      Map<UUID, KeptInvestment> investments,
      List<KeptTrade> trades,
      Map<UUID, Map<LocalDate, BigDecimal>> prices,
      Map<UUID, NavigableMap<LocalDate, Amount>> valuations,
      List<WorthEntry> entries) {

    /** The securities that were ever in an account, in the order in which they came. */
    Set<UUID> securitiesIn(UUID accountId) {
      Set<UUID> held = new LinkedHashSet<>();
      for (KeptTrade kept : trades) {
        if (kept.accountId().equals(accountId)) {
          held.add(kept.securityId());
        }
      }
      return held;
    }

    /** Through a day. */
    List<Trade> trades(UUID accountId, UUID securityId, LocalDate day) {
      return Investments.of(trades, accountId, securityId).stream()
          .filter(trade -> !trade.day().isAfter(day))
          .toList();
    }

    Holding holding(Investment in, UUID securityId, LocalDate day) {
      return Holding.after(
          in.method(), in.account().currency(), trades(in.account().id(), securityId, day));
    }

    Optional<Prices.Price> price(UUID securityId, LocalDate day) {
      List<Trade> all = new ArrayList<>();
      for (KeptTrade kept : trades) {
        if (kept.securityId().equals(securityId) && !kept.trade().day().isAfter(day)) {
          all.add(kept.trade());
        }
      }
      return new Prices(prices.getOrDefault(securityId, Map.of()), all).on(day);
    }

    /** By how much what is held is worth more than it cost. */
    Amount unrealised(Investment in, LocalDate day) {
      Amount sum = Amount.zero(in.account().currency());
      for (UUID security : securitiesIn(in.account().id())) {
        Holding holding = holding(in, security, day);
        sum = sum.plus(holding.worth(price(security, day)).minus(holding.cost()));
      }
      return sum;
    }

    /** What entries brought an account to, of that, through a day. */
    Amount adjusted(Investment in, LocalDate day) {
      Amount sum = Amount.zero(in.account().currency());
      for (WorthEntry entry : entries) {
        if (entry.accountId().equals(in.account().id()) && !entry.day().isAfter(day)) {
          sum = sum.plus(entry.amount());
        }
      }
      return sum;
    }

    /** What is not booked of it. */
    Amount beyond(Investment in, LocalDate day) {
      return unrealised(in, day).minus(adjusted(in, day));
    }
  }

  @Transactional(propagation = Propagation.MANDATORY)
  Loaded load(Chart chart) {
    return new Loaded(
        investments.all(chart),
        investments.trades(chart),
        securities.prices(),
        things.valuations(chart),
        things.entries(chart));
  }
}
