package org.yewledger.core.loan;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.loan.LoanBook.Booked;
import org.yewledger.core.loan.LoanRow.Kind;
import org.yewledger.core.loan.LoanTable.Planned;
import org.yewledger.core.money.Amount;
import org.yewledger.core.schedule.DueItem;

/** Works the lines of a loan's table out, from the first to the last. */
final class LoanReckoning {
  private final Loan loan;
  private final LoanBook book;
  private final List<DueItem> items;
  private final List<Planned> planned;
  private final RunningInterest interest;
  private final List<LoanRow> rows = new ArrayList<>();
  private Amount owed;

  LoanReckoning(Loan loan, LoanBook book, List<DueItem> items, List<Planned> planned) {
    this.loan = loan;
    this.book = book;
    this.items = items;
    this.planned = planned;
    this.interest = new RunningInterest(loan);
    this.owed = book.before();
  }

  /** Something that happens to the loan, on the day it counts. */
  private record Step(
      LocalDate day,
      int order,
      long no,
      @Nullable DueItem item,
      @Nullable Booked booked,
      @Nullable Planned planned) {}

  List<LoanRow> rows() {
    for (Step step : steps()) {
      interest.runTo(step.day(), owed);
      if (step.item() != null) {
        payment(step, step.item());
      } else if (step.booked() != null) {
        besides(step, step.booked());
      } else if (step.planned() != null) {
        planned(step, step.planned());
      }
    }
    return List.copyOf(rows);
  }

  private List<Step> steps() {
    Map<UUID, Booked> besides = new HashMap<>();
    book.entries().forEach(entry -> besides.put(entry.entryId(), entry));
    List<Step> steps = new ArrayList<>();
    for (DueItem item : items) {
      Booked booked = item.entry() == null ? null : besides.remove(item.entry().entryId());
      steps.add(new Step(counts(item), 1, 0, item, booked, null));
    }
    for (Booked entry : besides.values()) {
      int order = entry.repaid().sign() < 0 ? 0 : 2;
      steps.add(new Step(entry.date(), order, entry.no(), null, entry, null));
    }
    for (Planned extra : planned) {
      steps.add(new Step(extra.day(), 3, 0, null, null, extra));
    }
    steps.sort(Comparator.comparing(Step::day).thenComparing(Step::order).thenComparing(Step::no));
    return steps;
  }

  private LocalDate counts(DueItem item) {
    if (loan.count() == InterestCount.MONTHS) {
      return item.nominal();
    }
    return item.entry() == null ? item.due() : item.entry().date();
  }

  private void payment(Step step, DueItem item) {
    Amount ran = interest.now();
    if (item.entry() != null) {
      Booked booked = step.booked();
      Amount zero = Amount.zero(loan.account().currency());
      Amount repaid = booked == null ? zero : booked.repaid();
      add(
          new LoanRow(
              item.entry().date(),
              Kind.PAID,
              item.entry().amount().negated(),
              booked == null ? zero : booked.interest(),
              repaid,
              owed.minus(repaid),
              ran,
              item,
              booked));
      interest.paid();
    } else if (item.state() == DueItem.State.SKIPPED) {
      Amount zero = Amount.zero(loan.account().currency());
      add(new LoanRow(item.due(), Kind.SKIPPED, zero, zero, zero, owed, zero, item, null));
    } else if (owed.plus(ran).sign() > 0) {
      Amount whole = owed.plus(ran);
      Amount agreed = loan.on(item.nominal()).payment();
      Amount paid = agreed.compareTo(whole) < 0 ? agreed : whole;
      Amount repaid = paid.minus(ran);
      add(
          new LoanRow(
              item.due(), Kind.DUE, paid, ran, repaid, owed.minus(repaid), ran, item, null));
      interest.paid();
    }
  }

  /** What holds no interest leaves it running: an extra payment, or more that is borrowed. */
  private void besides(Step step, Booked entry) {
    Amount ran = entry.interest().isZero() ? entry.interest() : interest.now();
    if (!entry.interest().isZero()) {
      interest.paid();
    }
    add(
        new LoanRow(
            step.day(),
            Kind.EXTRA,
            entry.repaid().plus(entry.interest()),
            entry.interest(),
            entry.repaid(),
            owed.minus(entry.repaid()),
            ran,
            null,
            entry));
  }

  private void planned(Step step, Planned extra) {
    if (owed.sign() > 0) {
      Amount paid = extra.amount().compareTo(owed) < 0 ? extra.amount() : owed;
      Amount zero = Amount.zero(paid.currency());
      add(
          new LoanRow(
              step.day(), Kind.PLANNED, paid, zero, paid, owed.minus(paid), zero, null, null));
    }
  }

  private void add(LoanRow row) {
    rows.add(row);
    owed = row.owed();
  }
}
