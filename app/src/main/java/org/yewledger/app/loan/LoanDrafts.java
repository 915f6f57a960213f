package org.yewledger.app.loan;

import java.util.List;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.loan.LoanJson.KeepYearJson;
import org.yewledger.app.loan.LoanJson.LoanDraftJson;
import org.yewledger.app.loan.LoanJson.LoanTermsJson;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.loan.LenderYear;
import org.yewledger.core.loan.Loan;
import org.yewledger.core.money.Amount;
import org.yewledger.core.schedule.Recurrence;
import org.yewledger.core.schedule.Rhythm;
import org.yewledger.core.schedule.Schedule;

/** Reads loans, and what lenders say, from what the API is told. */
final class LoanDrafts {
  private LoanDrafts() {}

  /**
   * @throws Refusal as {@link Loan#require} does
   */
  static Loan loan(LoanDraftJson draft, UUID id, UUID scheduleId, Chart chart) {
    Account account = chart.account(draft.accountId());
    CurrencyUnit currency = account.currency();
    List<Loan.Terms> terms =
        draft.terms().stream()
            .map(one -> new Loan.Terms(one.from(), one.rate(), payment(one, draft, currency)))
            .toList();
    Rhythm rhythm =
        new Rhythm(
            Rhythm.Unit.MONTH,
            draft.months(),
            draft.lastDay() ? Rhythm.On.LAST_DAY : Rhythm.On.DAY);
    Account interest = chart.account(draft.interestId());
    Schedule payments =
        new Schedule(
            scheduleId,
            draft.payee().strip(),
            "",
            chart.account(draft.fromId()),
            List.of(
                new Schedule.Part(account, terms.getLast().payment().negated(), "repaid"),
                new Schedule.Part(interest, Amount.zero(currency), "interest")),
            Amount.zero(currency),
            Recurrence.of(rhythm, draft.first(), null, null),
            draft.shift(),
            draft.trusted());
    return new Loan(id, payments, account, interest, draft.count(), terms, draft.fixedUntil())
        .require();
  }

  /** Where it is to be worked out, the least for now. */
  private static Amount payment(LoanTermsJson one, LoanDraftJson draft, CurrencyUnit currency) {
    if (one.payment() != null) {
      return Amount.of(one.payment(), currency);
    }
    if (draft.lastOn() == null) {
      throw Refusal.ofField(
          "payment-missing", "terms", "Say the payment, or the day of the last one.");
    }
    return Amount.ofMinor(1, currency);
  }

  /**
   * @throws Refusal as {@link LenderYear#require} does
   */
  static LenderYear year(KeepYearJson wanted, Loan loan) {
    CurrencyUnit currency = loan.account().currency();
    return new LenderYear(
            wanted.after(),
            wanted.through(),
            Amount.of(wanted.owedBefore(), currency),
            Amount.of(wanted.paid(), currency),
            Amount.of(wanted.interest(), currency),
            Amount.of(wanted.owedAfter(), currency))
        .require();
  }
}
