package org.yewledger.core.report;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.money.Amount;

/**
 * The spending of a month against that of the month before.
 *
 * @param days added up day by day
 * @param categories those with most spending in either month first
 * @param unusual the greatest amounts first
 */
public record MonthAgainst(
    YearMonth month, List<Day> days, List<Category> categories, List<Unusual> unusual) {
  /** Of how many months before what is usual is worked out. */
  public static final int MONTHS_BEFORE = 12;

  /** A payment was the same at least so often before a higher one is a price that rose. */
  private static final int SAME_BEFORE = 3;

  /**
   * All that was spent up to a day of the month.
   *
   * @param spent null on days that are still to come
   * @param before up to the same day of the month before; its last day where it is shorter
   */
  public record Day(int of, @Nullable Amount spent, Amount before) {}

  public record Category(Account account, Amount spent, Amount before) {
    public Amount change() {
      return spent.minus(before);
    }
  }

  /** Something about the month that is not as it usually is. */
  public sealed interface Unusual {
    /** How much it is about, above zero. */
    Amount size();

    /**
     * A category beyond what is usual for it.
     *
     * @param months of how many the band was worked out
     */
    record Beyond(Account category, Amount spent, Amount low, Amount high, int months)
        implements Unusual {
      @Override
      public Amount size() {
        Amount over = spent.minus(high);
        return over.sign() > 0 ? over : low.minus(spent);
      }
    }

    /** Somebody who was never paid before. */
    record NewPayee(String payee, LocalDate first, Amount size) implements Unusual {}

    /**
     * A payment that was the same for a while and is higher now.
     *
     * @param times how often it was the same
     */
    record PriceRose(String payee, LocalDate on, Amount before, int times, Amount now)
        implements Unusual {
      @Override
      public Amount size() {
        return now.minus(before);
      }
    }
  }

  /**
   * What was paid to somebody in one entry; above zero.
   *
   * @param sole whether it is the only one of its payee in its month
   */
  public record Payment(LocalDate on, Amount amount, boolean sole) {}

  /**
   * @param known whether entries with it are older than what is told of it
   * @param payments up to the month's end, by day
   */
  public record Payee(String name, boolean known, List<Payment> payments) {}

  /**
   * @param today days after it are still to come
   * @param complete whether all of the month is in the books: until then nothing is too little
   * @param spentOn what was spent on each day of both months
   * @param totals of all accounts, by month over the {@link #MONTHS_BEFORE} before and the month
   * @param payees who were paid in the month
   */
  public static MonthAgainst of(
      CurrencyUnit base,
      YearMonth month,
      LocalDate today,
      boolean complete,
      Map<LocalDate, Amount> spentOn,
      List<AccountTotals> totals,
      List<Payee> payees) {
    List<AccountTotals> spending =
        totals.stream().filter(t -> t.account().accountClass() == AccountClass.EXPENSE).toList();
    Stream<Unusual> unusual =
        Stream.concat(
            spending.stream().flatMap(t -> beyond(t, month, complete)),
            payees.stream().flatMap(payee -> ofPayee(payee, month)));
    return new MonthAgainst(
        month,
        days(base, month, today, spentOn),
        spending.stream()
            .map(t -> new Category(t.account(), in(t, month), in(t, month.minusMonths(1))))
            .filter(c -> !c.spent().isZero() || !c.before().isZero())
            .sorted(
                Comparator.comparing((Category c) -> max(c.spent(), c.before()))
                    .reversed()
                    .thenComparing(c -> c.account().name()))
            .toList(),
        unusual.sorted(Comparator.comparing(Unusual::size).reversed()).toList());
  }

  private static Amount in(AccountTotals totals, YearMonth month) {
    return totals.within(new Span(month, month));
  }

  private static Amount max(Amount one, Amount other) {
    return one.compareTo(other) >= 0 ? one : other;
  }

  private static List<Day> days(
      CurrencyUnit base, YearMonth month, LocalDate today, Map<LocalDate, Amount> spentOn) {
    Amount none = Amount.zero(base);
    Amount spent = none;
    Amount before = none;
    YearMonth last = month.minusMonths(1);
    List<Day> days = new ArrayList<>();
    for (int of = 1; of <= month.lengthOfMonth(); of++) {
      LocalDate day = month.atDay(of);
      spent = spent.plus(spentOn.getOrDefault(day, none));
      if (of <= last.lengthOfMonth()) {
        before = before.plus(spentOn.getOrDefault(last.atDay(of), none));
      }
      // A longer month before ends with the last day of this one.
      for (int more = of + 1; of == month.lengthOfMonth() && more <= last.lengthOfMonth(); more++) {
        before = before.plus(spentOn.getOrDefault(last.atDay(more), none));
      }
      days.add(new Day(of, day.isAfter(today) ? null : spent, before));
    }
    return days;
  }

  /** While more may come, it can only be too much already. */
  private static Stream<Unusual> beyond(AccountTotals totals, YearMonth month, boolean complete) {
    List<Long> before = new ArrayList<>();
    for (int back = MONTHS_BEFORE; back > 0; back--) {
      before.add(in(totals, month.minusMonths(back)).minor());
    }
    // Months before the first with anything say nothing: the books may be younger.
    while (!before.isEmpty() && before.getFirst() == 0) {
      before.removeFirst();
    }
    Amount spent = in(totals, month);
    CurrencyUnit base = spent.currency();
    return UsualBand.of(before).stream()
        .filter(band -> spent.minor() > band.high() || (complete && spent.minor() < band.low()))
        .map(band ->
            new Unusual.Beyond(
                totals.account(),
                spent,
                Amount.ofMinor(band.low(), base),
                Amount.ofMinor(band.high(), base),
                band.months()));
  }

  private static Stream<Unusual> ofPayee(Payee payee, YearMonth month) {
    List<Payment> now =
        payee.payments().stream().filter(p -> YearMonth.from(p.on()).equals(month)).toList();
    List<Payment> before =
        payee.payments().stream().filter(p -> p.on().isBefore(month.atDay(1))).toList();
    if (now.isEmpty()) {
      return Stream.empty();
    }
    if (!payee.known() && before.isEmpty()) {
      Amount paid =
          Amount.sum(
              now.getFirst().amount().currency(), now.stream().map(Payment::amount).toList());
      return paid.sign() > 0
          ? Stream.of(new Unusual.NewPayee(payee.name(), now.getFirst().on(), paid))
          : Stream.empty();
    }
    return now.size() == 1 && before.size() >= SAME_BEFORE
        ? rose(payee.name(), now.getFirst(), before.reversed())
        : Stream.empty();
  }

  /**
   * @param before the latest first
   */
  private static Stream<Unusual> rose(String payee, Payment now, List<Payment> before) {
    Amount usual = before.getFirst().amount();
    int times = (int) before.stream().takeWhile(p -> p.amount().equals(usual) && p.sole()).count();
    return times >= SAME_BEFORE && now.amount().compareTo(usual) > 0
        ? Stream.of(new Unusual.PriceRose(payee, now.on(), usual, times, now.amount()))
        : Stream.empty();
  }
}
