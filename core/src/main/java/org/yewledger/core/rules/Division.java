package org.yewledger.core.rules;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amount;
import org.yewledger.core.tax.TaxChoice;

/**
 * Where a rule books the amount of a line: all of it to one account, or fixed amounts first, then
 * percentages of what these leave, the rest to one. The parts add up to the line, always.
 */
public record Division(List<Share> shares) {
  private static final int MOST_SHARES = 20;
  private static final BigDecimal HUNDRED = new BigDecimal(100);

  /** How much of a line an account gets. */
  public sealed interface Size {}

  /** So much, in the currency of the line, whatever its sign. */
  public record Fixed(BigDecimal amount) implements Size {}

  /** So many percent of what the fixed amounts leave. */
  public record Percent(BigDecimal percent) implements Size {}

  /** What the others leave. */
  public record Rest() implements Size {}

  /**
   * @param tax which sales tax its part, which is gross, contains
   */
  public record Share(UUID accountId, Size size, TaxChoice tax) {
    /** A share with the tax that its category has. */
    public Share(UUID accountId, Size size) {
      this(accountId, size, TaxChoice.AS_USUAL);
    }
  }

  /** A part of a line's amount, with its sign. */
  public record Part(UUID accountId, Amount amount, TaxChoice tax) {}

  /** All to one account. */
  public static Division wholeTo(UUID accountId) {
    return new Division(List.of(new Share(accountId, new Rest())));
  }

  /**
   * @throws Refusal at field {@code shares.N.…} if it cannot be carried out whatever the line
   */
  public Division {
    shares = List.copyOf(shares);
    require(
        shares.size() <= MOST_SHARES,
        "too-many-shares",
        "shares",
        "A rule divides a line into at most %d parts.".formatted(MOST_SHARES));
    requireOneRest(shares);
    BigDecimal percents = BigDecimal.ZERO;
    for (int i = 0; i < shares.size(); i++) {
      Share share = shares.get(i);
      String field = "shares." + i + '.';
      if (share.size() instanceof Fixed(BigDecimal amount)) {
        require(
            amount.signum() > 0 && isPlain(amount),
            "amount-out-of-range",
            field + "fixed",
            "A fixed part is above zero, with at most four decimals.");
      }
      if (share.size() instanceof Percent(BigDecimal percent)) {
        require(
            percent.signum() > 0 && isPlain(percent),
            "percent-out-of-range",
            field + "percent",
            "A percentage is above zero, with at most four decimals.");
        percents = percents.add(percent);
        require(
            percents.compareTo(HUNDRED) <= 0,
            "over-hundred-percent",
            field + "percent",
            "The percentages add up to %s: at most 100 can be given away."
                .formatted(percents.stripTrailingZeros().toPlainString()));
      }
    }
  }

  private static boolean isPlain(BigDecimal number) {
    return number.stripTrailingZeros().scale() <= 4 && number.precision() - number.scale() <= 12;
  }

  private static void requireOneRest(List<Share> shares) {
    long rests = shares.stream().filter(s -> s.size() instanceof Rest).count();
    require(
        rests == 1,
        "rest-to-one",
        "shares",
        rests == 0
            ? "Say which account gets the rest."
            : "Only one account gets the rest. Say how much the others get.");
  }

  private static void require(boolean holds, String code, String field, String message) {
    if (!holds) {
      throw Refusal.ofField(code, field, message);
    }
  }

  public Set<UUID> accounts() {
    return shares.stream().map(Share::accountId).collect(Collectors.toUnmodifiableSet());
  }

  /** The same shares to other accounts. */
  public Division withAccounts(UnaryOperator<UUID> others) {
    return new Division(
        shares.stream()
            .map(share -> new Share(others.apply(share.accountId()), share.size(), share.tax()))
            .toList());
  }

  /** What the fixed parts take together. */
  public BigDecimal fixed() {
    return shares.stream()
        .map(share -> share.size() instanceof Fixed(var amount) ? amount : BigDecimal.ZERO)
        .reduce(BigDecimal.ZERO, BigDecimal::add);
  }

  /**
   * The parts of a line's amount in the order of the shares; one that comes to nothing is missing.
   * Each percentage takes the step between two rounded sums, so that they round to what they are
   * together.
   *
   * @throws Refusal {@code fixed-over-line} if the fixed parts are more than the line
   */
  public List<Part> of(Amount whole) {
    BigDecimal size = whole.size().decimal();
    BigDecimal divisible = size.subtract(fixed());
    if (divisible.signum() < 0) {
      throw Refusal.ofField(
          "fixed-over-line",
          "parts",
          "The rule's fixed parts come to %s, which is more than the line."
              .formatted(fixed().toPlainString()));
    }
    List<BigDecimal> sizes = sizes(divisible, whole.currency().getDecimalPlaces());
    BigDecimal rest = size;
    for (BigDecimal part : sizes) {
      rest = rest.subtract(part);
    }
    var parts = new ArrayList<Part>();
    for (int i = 0; i < shares.size(); i++) {
      BigDecimal part = shares.get(i).size() instanceof Rest ? rest : sizes.get(i);
      if (part.signum() > 0) {
        Amount amount = Amount.of(part, whole.currency());
        parts.add(
            new Part(
                shares.get(i).accountId(),
                whole.sign() < 0 ? amount.negated() : amount,
                shares.get(i).tax()));
      }
    }
    return parts;
  }

  /** What each share but the rest takes; zero for the rest. */
  private List<BigDecimal> sizes(BigDecimal divisible, int decimals) {
    var sizes = new ArrayList<BigDecimal>();
    BigDecimal percents = BigDecimal.ZERO;
    BigDecimal given = BigDecimal.ZERO;
    for (Share share : shares) {
      switch (share.size()) {
        case Fixed(BigDecimal amount) ->
            sizes.add(amount.setScale(decimals, RoundingMode.HALF_EVEN));
        case Percent(BigDecimal percent) -> {
          percents = percents.add(percent);
          BigDecimal soFar =
              divisible.multiply(percents).divide(HUNDRED, decimals, RoundingMode.HALF_EVEN);
          sizes.add(soFar.subtract(given));
          given = soFar;
        }
        case Rest() -> sizes.add(BigDecimal.ZERO);
      }
    }
    return sizes;
  }
}
