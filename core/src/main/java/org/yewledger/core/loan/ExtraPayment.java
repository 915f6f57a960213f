package org.yewledger.core.loan;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.yewledger.core.Refusal;
import org.yewledger.core.loan.LoanTable.Planned;
import org.yewledger.core.money.Amount;

/**
 * What could be paid besides the agreed payments.
 *
 * @param amount above zero
 * @param from its only day, or the first
 * @param keep what stays as agreed
 */
public record ExtraPayment(Amount amount, Often often, LocalDate from, Keep keep) {
  private static final int MOST_YEARS = 100;
  private static final int PER_MONTH = 100;

  /** How often it is paid. */
  public enum Often {
    ONCE,
    /** With each payment. */
    EACH_PAYMENT,
    YEARLY
  }

  /** What stays as agreed. */
  public enum Keep {
    /** The payment: the loan ends sooner. */
    PAYMENT,
    /** The end: the payments become smaller. Only with one that is paid once. */
    END
  }

  /**
   * @throws Refusal {@code extra-not-above-zero}, {@code extra-in-the-past}, {@code
   *     extra-after-end}, {@code extra-for-nothing}
   */
  ExtraPayment require(LoanTable agreed, LocalDate today) {
    if (amount.sign() <= 0) {
      throw Refusal.ofField("extra-not-above-zero", "amount", "Type an amount above zero.");
    }
    if (from.isBefore(today)) {
      throw Refusal.ofField(
          "extra-in-the-past", "from", "%s is over. Choose today or later.".formatted(from));
    }
    if (often != Often.ONCE && keep == Keep.END) {
      throw Refusal.ofField(
          "extra-for-nothing",
          "keep",
          "More again and again and smaller payments make up for each other. Choose one of them.");
    }
    boolean within =
        agreed.left().last().map(last -> !from.isAfter(last)).orElse(!agreed.due().isEmpty());
    if (!within) {
      throw Refusal.ofField("extra-after-end", "from", "The loan is repaid by then.");
    }
    return this;
  }

  /** The days on which it is paid while the loan runs. */
  List<Planned> days(LoanTable agreed) {
    return switch (often) {
      case ONCE -> List.of(new Planned(from, amount));
      case EACH_PAYMENT ->
          agreed.due().stream()
              .filter(row -> !row.day().isBefore(from))
              .map(row -> new Planned(agreed.counts(row), amount))
              .toList();
      case YEARLY -> yearly(agreed);
    };
  }

  private List<Planned> yearly(LoanTable agreed) {
    LocalDate end = agreed.left().last().orElse(from.plusYears(MOST_YEARS));
    List<Planned> days = new ArrayList<>();
    for (int year = 0; year < MOST_YEARS && !from.plusYears(year).isAfter(end); year++) {
      days.add(new Planned(from.plusYears(year), amount));
    }
    return days;
  }

  /** What else one could think of: once, or a little each time; the other end; twice as much. */
  public List<ExtraPayment> others() {
    List<ExtraPayment> others = new ArrayList<>();
    if (often == Often.ONCE) {
      Keep other = keep == Keep.PAYMENT ? Keep.END : Keep.PAYMENT;
      others.add(new ExtraPayment(amount, often, from, other));
      others.add(new ExtraPayment(little(), Often.EACH_PAYMENT, from, Keep.PAYMENT));
    } else {
      others.add(new ExtraPayment(amount, Often.ONCE, from, Keep.PAYMENT));
    }
    others.add(new ExtraPayment(amount.plus(amount), often, from, keep));
    return others;
  }

  /** A hundredth of it, in whole units. */
  private Amount little() {
    long unit = (long) Math.pow(10, amount.currency().getDecimalPlaces());
    return Amount.ofMinor(
        Math.max(unit, amount.minor() / PER_MONTH / unit * unit), amount.currency());
  }
}
