package org.yewledger.app.worth;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.worth.BeyondBooks.Booked;
import org.yewledger.app.worth.Investments.KeptInvestment;
import org.yewledger.app.worth.Investments.KeptTrade;
import org.yewledger.app.worth.WorthJson.HoldingJson;
import org.yewledger.app.worth.WorthJson.InvestmentJson;
import org.yewledger.app.worth.WorthJson.LotJson;
import org.yewledger.app.worth.WorthJson.PriceJson;
import org.yewledger.app.worth.WorthJson.SecurityJson;
import org.yewledger.app.worth.WorthJson.ThingJson;
import org.yewledger.app.worth.WorthJson.TradeJson;
import org.yewledger.app.worth.WorthJson.ValuationJson;
import org.yewledger.app.worth.WorthJson.WorthPageJson;
import org.yewledger.app.worth.WorthJson.WriteDownJson;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.money.Amount;
import org.yewledger.core.worth.Holding;
import org.yewledger.core.worth.Investment;
import org.yewledger.core.worth.Prices;
import org.yewledger.core.worth.Security;
import org.yewledger.core.worth.Trade;
import org.yewledger.core.worth.WriteDown;

/** Tells what is held, what it cost and what it is worth. */
@Service
class WorthService {
  private final ChartService charts;
  private final Valued valued;
  private final Securities securities;
  private final Things things;
  private final BeyondBooks beyond;
  private final JdbcClient jdbc;

  WorthService(
      ChartService charts,
      Valued valued,
      Securities securities,
      Things things,
      BeyondBooks beyond,
      JdbcClient jdbc) {
    this.charts = charts;
    this.valued = valued;
    this.securities = securities;
    this.things = things;
    this.beyond = beyond;
    this.jdbc = jdbc;
  }

  /** At the end of a day, of a book or of all. */
  @Transactional(readOnly = true)
  WorthPageJson page(LocalDate on, @Nullable UUID bookId) {
    Chart chart = charts.chart();
    Valued.Loaded loaded = valued.load(chart);
    List<Security> all = securities.all();
    Map<UUID, Long> numbers = entryNumbers();
    Map<UUID, WriteDown> downs = things.writeDowns(chart);
    List<Account> depots = chart.openAccounts(AccountKind.INVESTMENT, bookId).toList();
    List<Account> owned = chart.openAccounts(AccountKind.PROPERTY, bookId).toList();
    Booked booked = beyond.booked(Stream.concat(depots.stream(), owned.stream()).toList(), on);
    return new WorthPageJson(
        on,
        depots.stream()
            .map(account -> investment(account, loaded, all, numbers, booked.of(account), on))
            .toList(),
        owned.stream()
            .map(one -> thing(one, loaded, downs.get(one.id()), booked.of(one), on))
            .toList(),
        all.stream().map(WorthService::json).toList());
  }

  static SecurityJson json(Security one) {
    return new SecurityJson(one.id(), one.name(), one.code(), one.currency().getCode());
  }

  private Map<UUID, Long> entryNumbers() {
    Map<UUID, Long> numbers = new HashMap<>();
    jdbc.sql(
            """
            select e.id, e.no from trade t join entry e on e.household_id = :household and e.id = t.entry_id
             where t.household_id = :household\
            """)
        .param("household", SignedIn.now().householdId())
        .query(row -> {
          numbers.put(row.getObject(1, UUID.class), row.getLong(2));
        });
    return numbers;
  }

  private static InvestmentJson investment(
      Account account,
      Valued.Loaded loaded,
      List<Security> all,
      Map<UUID, Long> numbers,
      Amount booked,
      LocalDate on) {
    KeptInvestment kept = loaded.investments().get(account.id());
    if (kept == null) {
      BigDecimal zero = Amount.zero(account.currency()).decimal();
      return new InvestmentJson(
          account.id(),
          account.bookId(),
          account.name(),
          account.currency().getCode(),
          0,
          null,
          null,
          null,
          null,
          null,
          booked.decimal(),
          zero,
          zero,
          zero,
          zero,
          zero,
          booked.decimal(),
          List.of());
    }
    Investment in = kept.investment();
    Set<UUID> held = loaded.securitiesIn(account.id());
    List<HoldingJson> holdings = new ArrayList<>();
    Amount cost = Amount.zero(account.currency());
    for (Security security : all) {
      if (held.contains(security.id())) {
        holdings.add(holding(in, security, loaded, numbers, on));
        cost = cost.plus(loaded.holding(in, security.id(), on).cost());
      }
    }
    Amount unrealised = loaded.unrealised(in, on);
    Amount adjusted = loaded.adjusted(in, on);
    return new InvestmentJson(
        account.id(),
        account.bookId(),
        account.name(),
        account.currency().getCode(),
        kept.version(),
        in.method(),
        in.cash().id(),
        in.gain().id(),
        in.dividends().id(),
        in.fees().id(),
        booked.decimal(),
        cost.decimal(),
        cost.plus(unrealised).decimal(),
        unrealised.decimal(),
        adjusted.decimal(),
        unrealised.minus(adjusted).decimal(),
        booked.minus(cost).minus(adjusted).decimal(),
        holdings);
  }

  private static HoldingJson holding(
      Investment in,
      Security security,
      Valued.Loaded loaded,
      Map<UUID, Long> numbers,
      LocalDate on) {
    Holding holding = loaded.holding(in, security.id(), on);
    Optional<Prices.Price> price = loaded.price(security.id(), on);
    Amount worth = holding.worth(price);
    Amount realised = Amount.zero(in.account().currency());
    Amount dividends = realised;
    List<TradeJson> trades = new ArrayList<>();
    for (KeptTrade kept : loaded.trades()) {
      Trade trade = kept.trade();
      if (kept.accountId().equals(in.account().id())
          && kept.securityId().equals(security.id())
          && !trade.day().isAfter(on)) {
        realised = realised.plus(trade.gain());
        dividends = trade.kind() == Trade.Kind.DIVIDEND ? dividends.plus(trade.whole()) : dividends;
        trades.addFirst(json(kept, numbers));
      }
    }
    return new HoldingJson(
        security.id(),
        security.name(),
        security.code(),
        plain(holding.quantity()),
        price.map(WorthService::json).orElse(null),
        holding.cost().decimal(),
        worth.decimal(),
        worth.minus(holding.cost()).decimal(),
        realised.decimal(),
        dividends.decimal(),
        holding.lots().stream()
            .map(lot -> new LotJson(lot.bought(), plain(lot.quantity()), lot.cost().decimal()))
            .toList(),
        trades,
        prices(loaded.prices().getOrDefault(security.id(), Map.of())));
  }

  private static BigDecimal plain(BigDecimal number) {
    return number.scale() < 0 ? number.setScale(0) : number;
  }

  private static PriceJson json(Prices.Price price) {
    return new PriceJson(price.day(), plain(price.price()), price.traded());
  }

  private static List<PriceJson> prices(Map<LocalDate, BigDecimal> told) {
    return new TreeMap<>(told)
        .descendingMap().entrySet().stream()
            .map(one -> new PriceJson(one.getKey(), plain(one.getValue()), false))
            .toList();
  }

  private static TradeJson json(KeptTrade kept, Map<UUID, Long> numbers) {
    Trade trade = kept.trade();
    UUID entry = kept.entryId();
    return new TradeJson(
        trade.id(),
        trade.day(),
        trade.kind(),
        plain(trade.quantity()),
        trade.amount().decimal(),
        trade.fee().decimal(),
        trade.cost().decimal(),
        trade.gain().decimal(),
        entry,
        entry == null ? null : numbers.get(entry));
  }

  private static ThingJson thing(
      Account account,
      Valued.Loaded loaded,
      @Nullable WriteDown down,
      Amount booked,
      LocalDate on) {
    NavigableMap<LocalDate, Amount> told =
        loaded.valuations().getOrDefault(account.id(), new TreeMap<>());
    Amount more = BeyondBooks.beyond(told, booked, on);
    return new ThingJson(
        account.id(),
        account.bookId(),
        account.name(),
        account.currency().getCode(),
        booked.decimal(),
        booked.plus(more).decimal(),
        more.decimal(),
        told.floorKey(on),
        told.descendingMap().entrySet().stream()
            .map(one -> new ValuationJson(one.getKey(), one.getValue().decimal()))
            .toList(),
        down == null ? null : json(down, loaded, on));
  }

  private static WriteDownJson json(WriteDown down, Valued.Loaded loaded, LocalDate on) {
    return new WriteDownJson(
        down.expense().id(),
        down.expense().name(),
        down.cost().decimal(),
        down.left().decimal(),
        down.first(),
        down.last(),
        down.months(),
        down.of(down.first()).decimal(),
        down.due(on, booked(loaded, down.thing())));
  }

  /** The months in which a thing was written down. */
  static Set<YearMonth> booked(Valued.Loaded loaded, Account thing) {
    return loaded.entries().stream()
        .filter(entry -> entry.accountId().equals(thing.id()))
        .map(entry -> YearMonth.from(entry.day()))
        .collect(Collectors.toSet());
  }
}
