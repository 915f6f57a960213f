package org.yewledger.core.loan;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.money.Amount;
import org.yewledger.core.schedule.Rhythm;
import org.yewledger.core.schedule.Schedule;

/**
 * A loan that is repaid in equal payments, each of which pays the interest since the last one and
 * repays with the rest.
 *
 * @param payments when it is paid, by whom and from which account
 * @param account where the loan stands
 * @param interest the category of its interest
 * @param terms by the days they begin on, the oldest first; the oldest hold before that day too
 * @param fixedUntil the day until which the lender keeps the newest rate; null where nothing is
 *     agreed
 */
public record Loan(
    UUID id,
    Schedule payments,
    Account account,
    Account interest,
    InterestCount count,
    List<Terms> terms,
    @Nullable LocalDate fixedUntil) {
  private static final BigDecimal HIGHEST_RATE = BigDecimal.valueOf(100);
  private static final int FINEST_RATE = 6;
  private static final int MOST_TERMS = 100;
  private static final int MONTHS_OF_YEAR = 12;

  /**
   * What is agreed from a day on.
   *
   * @param rate percent in a year
   * @param payment each time, in the loan's currency
   */
  public record Terms(LocalDate from, BigDecimal rate, Amount payment) {}

  public Loan {
    terms = terms.stream().sorted(Comparator.comparing(Terms::from)).toList();
  }

  /**
   * Whether a loan can be so.
   *
   * @throws Refusal {@code not-a-loan}, {@code loan-currency}, {@code interest-no-expense}, {@code
   *     loan-rhythm}, {@code loan-before-account}, {@code terms-missing}, {@code terms-twice},
   *     {@code bad-interest-rate}, {@code bad-payment}, or as {@link Schedule#require} does
   */
  public Loan require() {
    if (account.kind() != AccountKind.LOAN || account.group() || account.closedOn() != null) {
      throw Refusal.ofField(
          "not-a-loan", "accountId", "%s is no loan in use.".formatted(account.name()));
    }
    if (!account.currency().equals(account.book().currency())) {
      throw Refusal.ofField(
          "loan-currency",
          "accountId",
          "%s is in %s and its book in %s. Only loans in the book's currency are worked out."
              .formatted(account.name(), account.currency(), account.book().currency()));
    }
    if (interest.kind().accountClass() != AccountClass.EXPENSE
        || interest.group()
        || !interest.bookId().equals(account.bookId())) {
      throw Refusal.ofField(
          "interest-no-expense",
          "interestId",
          "Choose a category of expenses in the book of %s.".formatted(account.name()));
    }
    payments.require();
    requireRhythm();
    requireTerms();
    return this;
  }

  private void requireRhythm() {
    Rhythm rhythm = payments.when().rhythm().orElse(Rhythm.ONCE);
    boolean monthly =
        rhythm.unit() == Rhythm.Unit.MONTH
            && MONTHS_OF_YEAR % rhythm.interval() == 0
            && (rhythm.on() == Rhythm.On.DAY || rhythm.on() == Rhythm.On.LAST_DAY);
    if (!monthly) {
      throw Refusal.ofField(
          "loan-rhythm", "interval", "A loan is paid every 1, 2, 3, 4, 6 or 12 months.");
    }
    if (account.opensOn() != null && payments.when().first().isBefore(account.opensOn())) {
      throw Refusal.ofField(
          "loan-before-account",
          "first",
          "%s opens on %s. Its first payment is then or later."
              .formatted(account.name(), account.opensOn()));
    }
  }

  private void requireTerms() {
    if (terms.isEmpty()) {
      throw Refusal.ofField("terms-missing", "terms", "Say the rate and the payment.");
    }
    if (terms.size() > MOST_TERMS
        || terms.stream().map(Terms::from).distinct().count() < terms.size()) {
      throw Refusal.ofField(
          "terms-twice", "terms", "Two rates begin on one day, or there are too many.");
    }
    for (Terms one : terms) {
      if (one.rate().signum() < 0
          || one.rate().compareTo(HIGHEST_RATE) > 0
          || one.rate().stripTrailingZeros().scale() > FINEST_RATE) {
        throw Refusal.ofField(
            "bad-interest-rate", "terms", "A rate is from 0 to 100 percent in a year.");
      }
      if (one.payment().sign() <= 0) {
        throw Refusal.ofField("bad-payment", "terms", "A payment is above zero.");
      }
    }
  }

  /** What holds on a day. */
  public Terms on(LocalDate day) {
    Terms holds = terms.getFirst();
    for (Terms one : terms) {
      if (!one.from().isAfter(day)) {
        holds = one;
      }
    }
    return holds;
  }

  /** The same with another payment from a day on, at the rates that are agreed. */
  public Loan paying(LocalDate from, Amount payment) {
    List<Terms> others = new ArrayList<>();
    for (Terms one : terms) {
      others.add(one.from().isBefore(from) ? one : new Terms(one.from(), one.rate(), payment));
    }
    if (terms.stream().noneMatch(one -> one.from().equals(from))) {
      others.add(new Terms(from, on(from).rate(), payment));
    }
    return new Loan(id, payments, account, interest, count, others, fixedUntil);
  }

  /** The day from which the first payment pays interest: one interval before it. */
  LocalDate begins() {
    LocalDate first = payments.when().first();
    Rhythm rhythm = payments.when().rhythm().orElse(Rhythm.ONCE);
    LocalDate before = first.minusMonths(rhythm.interval());
    return rhythm.on() == Rhythm.On.LAST_DAY ? YearMonth.from(before).atEndOfMonth() : before;
  }

  /** The schedule for a payment that is made of these. */
  Schedule paid(Amount repaid, Amount ofInterest) {
    List<Schedule.Part> parts = new ArrayList<>();
    parts.add(new Schedule.Part(account, repaid.negated(), "repaid"));
    if (!ofInterest.isZero()) {
      parts.add(new Schedule.Part(interest, ofInterest.negated(), "interest"));
    }
    return payments.with(parts);
  }

  /** The schedule for a payment before it is known what it is made of. */
  public Schedule payments(LocalDate nominal) {
    return paid(on(nominal).payment(), Amount.zero(account.currency()));
  }
}
