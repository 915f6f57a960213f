package org.yewledger.core.money;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.Refusal;

/**
 * Dated rates between currencies. The rate of a day is the last one on or before it, as it stands
 * or turned round. Cost of a look-up: logarithmic in the rates of the pair.
 */
public final class ExchangeRates {
  public static final ExchangeRates NONE = new ExchangeRates(List.of());

  private record Pair(CurrencyUnit from, CurrencyUnit to) {}

  private final Map<Pair, NavigableMap<LocalDate, BigDecimal>> byPair = new HashMap<>();

  public ExchangeRates(List<ExchangeRate> rates) {
    for (ExchangeRate r : rates) {
      byPair
          .computeIfAbsent(new Pair(r.from(), r.to()), pair -> new TreeMap<>())
          .put(r.day(), r.rate());
    }
  }

  /** The rate of a day: the later of the last one known each way round; empty if there is none. */
  public Optional<ExchangeRate> on(LocalDate day, CurrencyUnit from, CurrencyUnit to) {
    var straight = floor(from, to, day);
    var turned = floor(to, from, day);
    if (straight != null && (turned == null || !turned.getKey().isAfter(straight.getKey()))) {
      return Optional.of(new ExchangeRate(from, to, straight.getKey(), straight.getValue()));
    }
    if (turned != null) {
      BigDecimal inverse = BigDecimal.ONE.divide(turned.getValue(), MathContext.DECIMAL64);
      BigDecimal rate = inverse.setScale(10, RoundingMode.HALF_EVEN);
      return rate.signum() == 0
          ? Optional.empty()
          : Optional.of(new ExchangeRate(from, to, turned.getKey(), rate));
    }
    return Optional.empty();
  }

  /**
   * An amount in another currency at the rate of the day, rounded half-even to its minor units.
   *
   * @throws Refusal {@code rate-missing}, saying which and for what day
   */
  public Amount convert(Amount amount, CurrencyUnit to, LocalDate day) {
    CurrencyUnit from = amount.currency();
    if (from.equals(to) || amount.isZero()) {
      return from.equals(to) ? amount : Amount.zero(to);
    }
    BigDecimal decimal = amount.decimal();
    int decimals = to.getDecimalPlaces();
    var straight = floor(from, to, day);
    var turned = floor(to, from, day);
    BigDecimal worth;
    if (straight != null && (turned == null || !turned.getKey().isAfter(straight.getKey()))) {
      worth = decimal.multiply(straight.getValue()).setScale(decimals, RoundingMode.HALF_EVEN);
    } else if (turned != null) {
      worth = decimal.divide(turned.getValue(), decimals, RoundingMode.HALF_EVEN);
    } else {
      throw Refusal.ofField(
          "rate-missing",
          "rate",
          "There is no rate from %s to %s on or before %s. Type one under Rates, then go on."
              .formatted(from, to, day));
    }
    return Amount.of(worth, to);
  }

  private Map.@org.jspecify.annotations.Nullable Entry<LocalDate, BigDecimal> floor(
      CurrencyUnit from, CurrencyUnit to, LocalDate day) {
    var rates = byPair.get(new Pair(from, to));
    return rates == null ? null : rates.floorEntry(day);
  }

  /**
   * The rate that two amounts of an exchange imply: how much of {@code to} one of {@code from} was.
   */
  public static BigDecimal implied(Amount from, Amount to) {
    return to.size().decimal().divide(from.size().decimal(), 6, RoundingMode.HALF_EVEN);
  }
}
