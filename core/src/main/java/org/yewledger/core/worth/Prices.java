package org.yewledger.core.worth;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Decimals;

/** What one of a security was worth by day: as it was told, or as it was last traded. */
public final class Prices {
  private static final BigDecimal HIGHEST = new BigDecimal("1000000000000");
  private static final int FINEST = 8;

  /**
   * A price on a day.
   *
   * @param traded whether it is that of a trade, since nobody told one
   */
  public record Price(LocalDate day, BigDecimal price, boolean traded) {}

  private final NavigableMap<LocalDate, Price> byDay = new TreeMap<>();

  /**
   * @param told by day
   * @param trades of the security, in any account; a told price of the same day goes first
   */
  public Prices(Map<LocalDate, BigDecimal> told, List<Trade> trades) {
    for (Trade trade : trades) {
      if (trade.kind() == Trade.Kind.BUY || trade.kind() == Trade.Kind.SELL) {
        byDay.put(trade.day(), new Price(trade.day(), traded(trade), true));
      }
      if (trade.kind() == Trade.Kind.SPLIT) {
        // What it was traded at before says nothing of it any more.
        byDay.headMap(trade.day(), false).values().removeIf(Price::traded);
      }
    }
    told.forEach((day, price) -> byDay.put(day, new Price(day, price, false)));
  }

  private static BigDecimal traded(Trade trade) {
    return trade
        .amount()
        .decimal()
        .divide(trade.quantity(), FINEST, RoundingMode.HALF_UP)
        .stripTrailingZeros();
  }

  /** The newest of a day or before it. */
  public Optional<Price> on(LocalDate day) {
    return Optional.ofNullable(byDay.floorEntry(day)).map(Map.Entry::getValue);
  }

  /**
   * @throws Refusal {@code bad-price}
   */
  public static BigDecimal require(BigDecimal price) {
    boolean good =
        Decimals.isBounded(price)
            && price.signum() >= 0
            && price.compareTo(HIGHEST) < 0
            && price.stripTrailingZeros().scale() <= FINEST;
    if (!good) {
      throw Refusal.ofField(
          "bad-price", "price", "A price is zero or more, with %d decimals.".formatted(FINEST));
    }
    return price.stripTrailingZeros();
  }
}
