package org.yewledger.core.loan;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import org.yewledger.core.money.Amount;

/** The interest that runs on what is owed, exact until it is paid, then rounded half up. */
final class RunningInterest {
  private static final BigDecimal PERCENT = BigDecimal.valueOf(100);

  private final Loan loan;
  private LocalDate day;

  /** Minor units times percent times days. */
  private BigDecimal running = BigDecimal.ZERO;

  RunningInterest(Loan loan) {
    this.loan = loan;
    this.day = loan.begins();
  }

  /** Lets it run until a day on what is owed until then; a day that is over changes nothing. */
  void runTo(LocalDate to, Amount owed) {
    if (!to.isAfter(day)) {
      return;
    }
    for (Loan.Terms one : loan.terms()) {
      if (one.from().isAfter(day) && one.from().isBefore(to)) {
        run(one.from(), owed);
      }
    }
    run(to, owed);
  }

  private void run(LocalDate to, Amount owed) {
    if (owed.sign() > 0) {
      running =
          running.add(
              loan.on(day)
                  .rate()
                  .multiply(BigDecimal.valueOf(owed.minor()))
                  .multiply(BigDecimal.valueOf(loan.count().days(day, to))));
    }
    day = to;
  }

  /** What has run so far. */
  Amount now() {
    BigDecimal year = PERCENT.multiply(BigDecimal.valueOf(loan.count().daysOfYear()));
    return Amount.ofMinor(
        running.divide(year, 0, RoundingMode.HALF_UP).longValueExact(), loan.account().currency());
  }

  /** It is paid, and begins anew. */
  void paid() {
    running = BigDecimal.ZERO;
  }
}
