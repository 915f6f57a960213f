package org.yewledger.core.loan;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.loan.ExtraPayment.Keep;
import org.yewledger.core.loan.LoanTable.Planned;
import org.yewledger.core.money.Amount;
import org.yewledger.core.schedule.Recurrence;
import org.yewledger.core.schedule.Rhythm;
import org.yewledger.core.schedule.Schedule;
import org.yewledger.core.schedule.Shift;

/**
 * A loan with an extra payment, beside the loan as it is agreed.
 *
 * @param payment each time after it
 */
public record WhatIf(ExtraPayment extra, LoanTable agreed, LoanTable with, Amount payment) {

  /**
   * @throws Refusal {@code extra-not-above-zero}, {@code extra-in-the-past}, {@code
   *     extra-after-end}, {@code extra-for-nothing}, {@code end-not-known} if the loan never ends
   *     and its end should be kept
   */
  public static WhatIf of(LoanTable agreed, ExtraPayment extra, LocalDate today) {
    extra.require(agreed, today);
    List<Planned> days = extra.days(agreed);
    LocalDate after = extra.from().plusDays(1);
    Amount payment = agreed.loan().on(after).payment();
    LoanTable with = agreed.with(days);
    if (extra.keep() == Keep.END) {
      LocalDate last =
          agreed
              .left()
              .last()
              .orElseThrow(
                  () -> Refusal.ofField("end-not-known", "keep", "The loan has no end to keep."));
      payment = with.paymentToEndBy(after, last).orElse(payment);
      with = with.with(agreed.loan().paying(after, payment));
    }
    return new WhatIf(extra, agreed, with, payment);
  }

  /** What else one could think of. */
  public List<WhatIf> others(LocalDate today) {
    return extra.others().stream().map(other -> of(agreed, other, today)).toList();
  }

  /**
   * What is expected if it is put in the plan: so often, until the loan's last payment.
   *
   * @param pays the account that pays it
   * @throws Refusal as {@link Schedule#require} does
   */
  public Schedule schedule(UUID id, Account pays) {
    Loan loan = agreed.loan();
    Rhythm rhythm =
        switch (extra.often()) {
          case ONCE -> Rhythm.ONCE;
          case EACH_PAYMENT -> loan.payments().when().rhythm().orElse(Rhythm.ONCE);
          case YEARLY -> new Rhythm(Rhythm.Unit.YEAR, 1, Rhythm.On.DAY);
        };
    LocalDate first = extra.days(agreed).getFirst().day();
    return new Schedule(
            id,
            loan.payments().payee(),
            "extra",
            pays,
            List.of(new Schedule.Part(loan.account(), extra.amount().negated(), "extra")),
            Amount.zero(extra.amount().currency()),
            Recurrence.of(rhythm, first, with.left().last().orElse(null), null),
            Shift.NONE)
        .require();
  }

  /** The interest that is saved. */
  public Amount saved() {
    return agreed.left().interest().minus(with.left().interest());
  }
}
