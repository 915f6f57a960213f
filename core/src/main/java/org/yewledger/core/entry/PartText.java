package org.yewledger.core.entry;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.yewledger.core.money.Amount;
import org.yewledger.core.tax.TaxOnDay;

/**
 * Reads how much of a whole a part of a split is: an amount, which is gross; a share of the whole
 * such as {@code 30%}, rounded half to even; or {@code 100 net}, to which the sales tax is added.
 * Without a sign it goes the way of the whole.
 */
public final class PartText {
  private static final Pattern SHARE = Pattern.compile("(.+?)\\s*%");
  private static final Pattern NET =
      Pattern.compile("(?:net\\s+(.+)|(.+?)\\s*net)", Pattern.CASE_INSENSITIVE);
  private static final BigDecimal MOST_PERCENT = new BigDecimal(1_000);

  private PartText() {}

  /**
   * @param tax that of the place where it is booked; empty if there is none
   */
  public static Typed<Amount> read(
      String typed, Amount whole, Optional<TaxOnDay> tax, Formats formats) {
    Matcher share = SHARE.matcher(typed.strip());
    if (share.matches()) {
      return share(typed, share.group(1), whole, formats);
    }
    Matcher net = NET.matcher(typed.strip());
    if (!net.matches()) {
      return AmountText.partOf(typed, whole, formats);
    }
    if (tax.isEmpty()) {
      return new Typed.Unreadable<>("There is no sales tax on it: type the amount without “net”.");
    }
    String amount = net.group(1) == null ? net.group(2) : net.group(1);
    return each(AmountText.partOf(amount, whole, formats), tax.get()::grossOf);
  }

  private static Typed<Amount> share(String typed, String number, Amount whole, Formats formats) {
    return switch (NumberText.read(number, formats)) {
      case Typed.Means<BigDecimal>(BigDecimal percent)
          when percent.abs().compareTo(MOST_PERCENT) <= 0 ->
          new Typed.Means<>(shareOf(whole, percent));
      case Typed.Unclear<BigDecimal>(String question, List<BigDecimal> choices) ->
          new Typed.Unclear<>(
              question,
              choices.stream()
                  .filter(percent -> percent.abs().compareTo(MOST_PERCENT) <= 0)
                  .map(percent -> shareOf(whole, percent))
                  .distinct()
                  .toList());
      default ->
          new Typed.Unreadable<>(
              "%s is no share. Type a number before the %%, such as 12.5%%."
                  .formatted(DayText.shortened(typed)));
    };
  }

  private static Amount shareOf(Amount whole, BigDecimal percent) {
    return Amount.of(
        whole
            .decimal()
            .multiply(percent)
            .movePointLeft(2)
            .setScale(whole.currency().getDecimalPlaces(), RoundingMode.HALF_EVEN),
        whole.currency());
  }

  private static Typed<Amount> each(Typed<Amount> read, UnaryOperator<Amount> worked) {
    return switch (read) {
      case Typed.Means<Amount>(Amount amount) -> new Typed.Means<>(worked.apply(amount));
      case Typed.Unclear<Amount>(String question, List<Amount> choices) ->
          new Typed.Unclear<>(question, choices.stream().map(worked).toList());
      case Typed.Unreadable<Amount> unreadable -> unreadable;
    };
  }
}
