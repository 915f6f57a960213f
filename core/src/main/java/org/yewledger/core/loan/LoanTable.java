package org.yewledger.core.loan;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.yewledger.core.Refusal;
import org.yewledger.core.loan.LoanRow.Kind;
import org.yewledger.core.money.Amount;
import org.yewledger.core.schedule.DueItem;
import org.yewledger.core.schedule.Schedule;

/**
 * A loan from its first payment to its last: as booked as far as it is booked, and as its terms
 * work out from there on.
 *
 * <p>Cost: the items and entries, sorted.
 */
public final class LoanTable {
  /**
   * An extra payment that is expected.
   *
   * @param amount above zero
   */
  public record Planned(LocalDate day, Amount amount) {}

  /**
   * What is left to pay.
   *
   * @param last the day that the last payment is due on; empty if nothing is owed, or if the
   *     payments never end it
   * @param payments how many by the terms
   */
  public record Left(Optional<LocalDate> last, int payments, Amount interest) {}

  private final Loan loan;
  private final LoanBook book;
  private final List<DueItem> items;
  private final List<Planned> planned;
  private final List<LoanRow> rows;

  private LoanTable(Loan loan, LoanBook book, List<DueItem> items, List<Planned> planned) {
    this.loan = loan;
    this.book = book;
    this.items = items;
    this.planned = planned;
    this.rows = new LoanReckoning(loan, book, items, planned).rows();
  }

  /**
   * @param items all due items of the loan's payments, from the first on, as far as the table is to
   *     reach
   * @param planned extra payments that are expected
   */
  public static LoanTable of(Loan loan, LoanBook book, List<DueItem> items, List<Planned> planned) {
    return new LoanTable(loan, book, List.copyOf(items), List.copyOf(planned));
  }

  /** What other schedules are expected to pay on a loan. */
  public static List<Planned> planned(Loan loan, List<DueItem> others) {
    List<Planned> planned = new ArrayList<>();
    for (DueItem item : others) {
      for (Schedule.Part part : item.schedule().parts()) {
        if (part.account().id().equals(loan.account().id()) && part.amount().sign() < 0) {
          planned.add(new Planned(item.due(), part.amount().negated()));
        }
      }
    }
    return planned;
  }

  public Loan loan() {
    return loan;
  }

  public LoanBook book() {
    return book;
  }

  /** By the days they count on; none after the loan is repaid. */
  public List<LoanRow> rows() {
    return rows;
  }

  /** The due items, each with the schedule as it is for it; none after the loan is repaid. */
  public List<DueItem> items() {
    List<DueItem> split = new ArrayList<>();
    for (LoanRow row : rows) {
      DueItem item = row.item();
      if (item != null) {
        boolean told = row.kind() == Kind.DUE || row.kind() == Kind.PAID;
        split.add(told ? item.with(loan.paid(row.repaid(), row.interest())) : item);
      }
    }
    return split;
  }

  /** The payments that are still to come. */
  public List<LoanRow> due() {
    return rows.stream().filter(row -> row.kind() == Kind.DUE).toList();
  }

  public Left left() {
    List<LoanRow> due = due();
    boolean ends = !rows.isEmpty() && rows.getLast().owed().sign() <= 0;
    Amount interest =
        Amount.sum(loan.account().currency(), due.stream().map(LoanRow::interest).toList());
    return new Left(
        ends && !due.isEmpty() ? Optional.of(rows.getLast().day()) : Optional.empty(),
        due.size(),
        interest);
  }

  /**
   * Sees that the payments repay it one day.
   *
   * @throws Refusal {@code payment-below-interest}
   */
  public void requireRepaid() {
    if (!due().isEmpty() && left().last().isEmpty()) {
      LoanRow next = due().getFirst();
      throw Refusal.ofField(
          "payment-below-interest",
          "terms",
          "With %s each time it is never repaid: the interest until %s alone is %s."
              .formatted(next.payment().shown(), next.day(), next.interest().shown()));
    }
  }

  /**
   * The loan with the payment, from its newest terms on, by which it ends on a day.
   *
   * @throws Refusal {@code end-too-soon} if no payment is due until then
   */
  public Loan endingOn(LocalDate last) {
    LocalDate from = loan.terms().getLast().from();
    Amount payment =
        paymentToEndBy(from, last)
            .orElseThrow(() ->
                Refusal.ofField(
                    "end-too-soon", "lastOn", "No payment is due until %s.".formatted(last)));
    return loan.paying(from, payment);
  }

  /** The day on which a payment counts. */
  LocalDate counts(LoanRow payment) {
    DueItem item = payment.item();
    return loan.count() == InterestCount.MONTHS && item != null ? item.nominal() : payment.day();
  }

  /** The same with other extra payments besides those that are expected. */
  LoanTable with(List<Planned> more) {
    List<Planned> all = new ArrayList<>(planned);
    all.addAll(more);
    return of(loan, book, items, all);
  }

  /** The same with other terms. */
  LoanTable with(Loan other) {
    return of(other, book, items, planned);
  }

  /**
   * The least payment from a day on with which it is repaid by another; empty if no payment is due
   * between them. Cost: some sixty tables.
   */
  Optional<Amount> paymentToEndBy(LocalDate from, LocalDate last) {
    Amount anything = Amount.ofMinor(Long.MAX_VALUE / 2, loan.account().currency());
    if (!with(loan.paying(from, anything)).endsBy(last)) {
      return Optional.empty();
    }
    long low = 0;
    long high = anything.minor();
    while (high - low > 1) {
      long middle = (low + high) / 2;
      Amount tried = Amount.ofMinor(middle, loan.account().currency());
      if (with(loan.paying(from, tried)).endsBy(last)) {
        high = middle;
      } else {
        low = middle;
      }
    }
    return Optional.of(Amount.ofMinor(high, loan.account().currency()));
  }

  private boolean endsBy(LocalDate day) {
    return left().last().map(last -> !last.isAfter(day)).orElse(false);
  }
}
