package org.yewledger.app.worth;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.worth.Investments.KeptInvestment;
import org.yewledger.app.worth.Investments.KeptTrade;
import org.yewledger.app.worth.WorthJson.InvestmentDraftJson;
import org.yewledger.app.worth.WorthJson.NewTradeJson;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.money.Amount;
import org.yewledger.core.worth.CostMethod;
import org.yewledger.core.worth.Holding;
import org.yewledger.core.worth.Investment;
import org.yewledger.core.worth.Security;
import org.yewledger.core.worth.Trade;

/**
 * Books trades of securities, takes them out, and keeps prices; each is an act that can be undone.
 */
@Service
public class TradeService {
  private final ChartService charts;
  private final Investments investments;
  private final Securities securities;
  private final Valued valued;
  private final Things things;
  private final AccountLocks locks;
  private final EntryStore entries;
  private final Acts acts;

  TradeService(
      ChartService charts,
      Investments investments,
      Securities securities,
      Valued valued,
      Things things,
      AccountLocks locks,
      EntryStore entries,
      Acts acts) {
    this.charts = charts;
    this.investments = investments;
    this.securities = securities;
    this.valued = valued;
    this.things = things;
    this.locks = locks;
    this.entries = entries;
    this.acts = acts;
  }

  /**
   * Says how trades of an account are booked.
   *
   * @throws Conflict {@code changed-meanwhile}
   * @throws Refusal as {@link Investment#require} does, or {@code sale-booked} if another method
   *     would change the cost of a sale that is booked
   */
  @Transactional
  @ForBookkeepers
  void keep(UUID accountId, InvestmentDraftJson draft) {
    Chart chart = charts.chart();
    keep(
        new Investment(
            chart.account(accountId),
            draft.method(),
            chart.account(draft.cashId()),
            chart.account(draft.gainId()),
            chart.account(draft.dividendsId()),
            chart.account(draft.feesId())),
        draft.version());
  }

  /**
   * The same.
   *
   * @param version as it was seen; 0 for the first time
   */
  @Transactional
  @ForBookkeepers
  public void keep(Investment investment, int version) {
    investment.require();
    acts.begin(
        ActKind.WORTH, "Told how trades in %s are booked".formatted(investment.account().name()));
    investments.keep(investment, version);
    List<KeptTrade> all = investments.trades(charts.chart());
    Set<UUID> held = valued.load(charts.chart()).securitiesIn(investment.account().id());
    for (UUID security : held) {
      requireCosts(investment, Investments.of(all, investment.account().id(), security));
    }
  }

  private static void requireCosts(Investment in, List<Trade> trades) {
    Holding.after(in.method(), in.account().currency(), trades);
  }

  /**
   * @return its identity
   * @throws Conflict {@code security-twice}
   * @throws Refusal {@code security-unnamed}
   */
  @Transactional
  @ForBookkeepers
  public UUID add(Security security) {
    security.require();
    acts.begin(ActKind.WORTH, "Made the security %s".formatted(security.name()));
    securities.add(security);
    return security.id();
  }

  /**
   * Books what happened to a holding.
   *
   * @return the trade's identity
   * @throws NotFound if trades of the account are not told how to be booked
   * @throws Refusal as {@link Trade#require} and {@link Holding#after(CostMethod,
   *     org.joda.money.CurrencyUnit, List)} do, or {@code security-currency}
   */
  @Transactional
  @ForBookkeepers
  public UUID book(UUID accountId, NewTradeJson wanted) {
    Investment seen = investments.find(accountId, charts.chart()).investment();
    return book(seen, securities.find(wanted.securityId()), trade(wanted, seen));
  }

  private Trade trade(NewTradeJson wanted, Investment in) {
    Amount zero = Amount.zero(in.account().currency());
    return new Trade(
        Ids.next(),
        wanted.day(),
        0,
        wanted.kind(),
        wanted.quantity() == null ? BigDecimal.ZERO : wanted.quantity(),
        amount(wanted.amount(), zero),
        amount(wanted.fee(), zero),
        zero);
  }

  private static Amount amount(@Nullable BigDecimal typed, Amount zero) {
    return typed == null ? zero : Amount.of(typed, zero.currency());
  }

  /** The same; the place within its day follows. */
  @Transactional
  @ForBookkeepers
  public UUID book(Investment seen, Security security, Trade wanted) {
    wanted.require();
    if (!security.currency().equals(seen.account().currency())) {
      throw Refusal.ofField(
          "security-currency",
          "securityId",
          "%s is in %s, and %s in %s."
              .formatted(
                  security.name(),
                  security.currency(),
                  seen.account().name(),
                  seen.account().currency()));
    }
    locks.shared(seen.accounts());
    UUID accountId = seen.account().id();
    investments.hold(accountId);
    // Somebody may have changed them until they were held.
    entries.forgetRead();
    Chart chart = charts.chart();
    Investment in = investments.find(accountId, chart).investment();
    List<Trade> others = Investments.of(investments.trades(chart), accountId, security.id());
    Trade trade = costed(in, others, placed(wanted));
    acts.begin(
        ActKind.WORTH,
        "%s %s, %s"
            .formatted(
                trade.kind().name().charAt(0)
                    + trade.kind().name().substring(1).toLowerCase(Locale.ROOT),
                security.name(),
                trade.day()));
    Entry entry = in.entry(trade, security);
    UUID entryId = entry == null ? null : entries.add(List.of(entry)).getFirst().entry().id();
    investments.add(new KeptTrade(trade, accountId, security.id(), entryId));
    return trade.id();
  }

  private Trade placed(Trade trade) {
    return new Trade(
        trade.id(),
        trade.day(),
        investments.nextNo(),
        trade.kind(),
        trade.quantity(),
        trade.amount(),
        trade.fee(),
        trade.cost());
  }

  private static Trade costed(Investment in, List<Trade> others, Trade trade) {
    return Holding.withCost(in.method(), in.account().currency(), others, trade);
  }

  /**
   * Takes a trade out, with its entry.
   *
   * @throws NotFound if the household has no such trade
   * @throws Refusal {@code sale-booked} or {@code more-than-held} if a later sale needs it, {@code
   *     line-linked} or {@code reconciled} if its entry has to stay
   */
  @Transactional
  @ForBookkeepers
  void remove(UUID tradeId) {
    KeptTrade seen = find(tradeId);
    investments.hold(seen.accountId());
    Chart chart = charts.chart();
    KeptTrade kept = find(tradeId);
    Investment in = investments.find(kept.accountId(), chart).investment();
    List<Trade> others =
        new ArrayList<>(
            Investments.of(investments.trades(chart), kept.accountId(), kept.securityId()));
    others.removeIf(trade -> trade.id().equals(tradeId));
    requireCosts(in, others);
    acts.begin(
        ActKind.WORTH,
        "Took a trade of %s out, %s"
            .formatted(securities.find(kept.securityId()).name(), kept.trade().day()));
    investments.remove(tradeId);
    if (kept.entryId() != null) {
      entries.remove(List.of(kept.entryId()));
    }
  }

  private KeptTrade find(UUID tradeId) {
    return investments.trades(charts.chart()).stream()
        .filter(kept -> kept.trade().id().equals(tradeId))
        .findFirst()
        .orElseThrow(() -> new NotFound("trade"));
  }

  /**
   * Books what the holdings of an account are worth more than they are booked at.
   *
   * @throws Refusal as {@link Investment#adjustment} does
   */
  @Transactional
  @ForBookkeepers
  void adjust(UUID accountId, LocalDate on) {
    KeptInvestment seen = investments.find(accountId, charts.chart());
    locks.shared(seen.investment().accounts());
    investments.hold(accountId);
    entries.forgetRead();
    Chart chart = charts.chart();
    Investment in = investments.find(accountId, chart).investment();
    Amount change = valued.load(chart).beyond(in, on);
    Entry entry = in.adjustment(on, change);
    acts.begin(ActKind.WORTH, "Booked %s at its worth on %s".formatted(in.account().name(), on));
    UUID entryId = entries.add(List.of(entry)).getFirst().entry().id();
    things.addEntry(entryId, in.account(), on);
  }
}
