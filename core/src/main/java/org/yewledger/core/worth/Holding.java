package org.yewledger.core.worth;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amount;
import org.yewledger.core.worth.Trade.Kind;

/**
 * So much of a security in an account, and what it cost.
 *
 * @param lots what was bought at once and is still held, the oldest first; by average cost a single
 *     one
 */
public record Holding(CostMethod method, CurrencyUnit currency, List<Lot> lots) {
  /**
   * A quantity that was bought at once.
   *
   * @param bought the day; by average cost that of the first
   * @param quantity above zero
   * @param cost what is held of it had cost
   */
  public record Lot(LocalDate bought, BigDecimal quantity, Amount cost) {}

  public Holding {
    lots = List.copyOf(lots);
  }

  public static Holding nothing(CostMethod method, CurrencyUnit currency) {
    return new Holding(method, currency, List.of());
  }

  /** In the order in which trades happened. */
  public static final Comparator<Trade> ORDER =
      Comparator.comparing(Trade::day).thenComparing(Trade::no);

  /**
   * What is held after some trades. A sale that is booked keeps its cost: where these trades would
   * make it another one, they are refused.
   *
   * <p>Cost: the trades, times the lots that each sale or split goes through.
   *
   * @throws Refusal {@code more-than-held}, {@code nothing-held}, {@code sale-booked}
   */
  public static Holding after(CostMethod method, CurrencyUnit currency, List<Trade> trades) {
    Holding holding = nothing(method, currency);
    for (Trade trade : trades.stream().sorted(ORDER).toList()) {
      if (trade.kind() == Kind.SELL && !holding.costOf(trade).equals(trade.cost())) {
        throw Refusal.ofField(
            "sale-booked",
            "day",
            "The sale of %s is booked with a cost of %s, which this would make %s. Take that sale out first."
                .formatted(trade.day(), trade.cost().shown(), holding.costOf(trade).shown()));
      }
      holding = holding.after(trade);
    }
    return holding;
  }

  /**
   * One more trade among others: a sale with the cost that goes along, if all of them can be so.
   *
   * @throws Refusal {@code more-than-held}, {@code nothing-held}, {@code sale-booked}
   */
  public static Trade withCost(
      CostMethod method, CurrencyUnit currency, List<Trade> others, Trade trade) {
    List<Trade> before = others.stream().filter(other -> ORDER.compare(other, trade) < 0).toList();
    Trade costed =
        trade.kind() == Kind.SELL ? trade.at(after(method, currency, before).costOf(trade)) : trade;
    List<Trade> all = new ArrayList<>(others);
    all.add(costed);
    after(method, currency, all);
    return costed;
  }

  /**
   * What is held after one more trade.
   *
   * @throws Refusal {@code more-than-held}, {@code nothing-held}
   */
  public Holding after(Trade trade) {
    return switch (trade.kind()) {
      case HELD, BUY -> bought(new Lot(trade.day(), trade.quantity(), trade.whole()));
      case SELL -> without(trade);
      case SPLIT -> split(trade);
      case DIVIDEND, FEE -> this;
    };
  }

  private Holding bought(Lot lot) {
    if (method == CostMethod.AVERAGE && !lots.isEmpty()) {
      Lot held = lots.getFirst();
      return with(
          List.of(
              new Lot(
                  held.bought(),
                  held.quantity().add(lot.quantity()),
                  held.cost().plus(lot.cost()))));
    }
    List<Lot> all = new ArrayList<>(lots);
    all.add(lot);
    return with(all);
  }

  private Holding with(List<Lot> other) {
    return new Holding(method, currency, other);
  }

  /**
   * What the sold part had cost.
   *
   * @throws Refusal {@code more-than-held}
   */
  public Amount costOf(Trade sale) {
    return cost().minus(without(sale).cost());
  }

  private Holding without(Trade sale) {
    if (sale.quantity().compareTo(quantity()) > 0) {
      throw Refusal.ofField(
          "more-than-held",
          "quantity",
          "%s are held on %s, not %s."
              .formatted(quantity().toPlainString(), sale.day(), sale.quantity().toPlainString()));
    }
    List<Lot> left = new ArrayList<>();
    BigDecimal sold = sale.quantity();
    for (Lot lot : lots) {
      BigDecimal of = sold.min(lot.quantity());
      sold = sold.subtract(of);
      if (of.compareTo(lot.quantity()) < 0) {
        Amount gone = part(lot.cost(), of, lot.quantity());
        left.add(new Lot(lot.bought(), lot.quantity().subtract(of), lot.cost().minus(gone)));
      }
    }
    return with(left);
  }

  /** Rounded half up to the minor unit. */
  private static Amount part(Amount whole, BigDecimal part, BigDecimal of) {
    return Amount.ofMinor(
        BigDecimal.valueOf(whole.minor())
            .multiply(part)
            .divide(of, 0, RoundingMode.HALF_UP)
            .longValueExact(),
        whole.currency());
  }

  /** Each lot in proportion, so that all together are what is held after the split. */
  private Holding split(Trade trade) {
    if (lots.isEmpty()) {
      throw Refusal.ofField(
          "nothing-held", "quantity", "Nothing is held on %s.".formatted(trade.day()));
    }
    BigDecimal held = quantity();
    BigDecimal before = BigDecimal.ZERO;
    BigDecimal placed = BigDecimal.ZERO;
    List<Lot> after = new ArrayList<>();
    for (Lot lot : lots) {
      before = before.add(lot.quantity());
      // The step between two rounded sums, so that the steps make the whole.
      BigDecimal through = before.multiply(trade.quantity()).divide(held, 8, RoundingMode.HALF_UP);
      after.add(new Lot(lot.bought(), through.subtract(placed), lot.cost()));
      placed = through;
    }
    return with(after);
  }

  public BigDecimal quantity() {
    return lots.stream()
        .map(Lot::quantity)
        .reduce(new BigDecimal(BigInteger.ZERO), BigDecimal::add)
        .stripTrailingZeros();
  }

  /** What is held had cost. */
  public Amount cost() {
    return Amount.sum(currency, lots.stream().map(Lot::cost).toList());
  }

  /** At a price; as long as none is known it is worth what it cost. */
  public Amount worth(Optional<Prices.Price> price) {
    return price.map(known -> worth(known.price())).orElseGet(this::cost);
  }

  /** At a price, rounded half up to the minor unit. */
  public Amount worth(BigDecimal price) {
    return Amount.ofMinor(
        quantity()
            .multiply(price)
            .movePointRight(currency.getDecimalPlaces())
            .setScale(0, RoundingMode.HALF_UP)
            .longValueExact(),
        currency);
  }
}
