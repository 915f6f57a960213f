package org.yewledger.app.demo;

import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.yewledger.app.journal.ServingService;
import org.yewledger.app.loan.LoanService;
import org.yewledger.app.plan.GoalService;
import org.yewledger.app.plan.Planning;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.schedule.ScheduleService;
import org.yewledger.app.worth.PriceService;
import org.yewledger.app.worth.ThingService;
import org.yewledger.app.worth.TradeService;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.loan.InterestCount;
import org.yewledger.core.loan.LenderYear;
import org.yewledger.core.loan.Loan;
import org.yewledger.core.money.Amount;
import org.yewledger.core.plan.PlannedSpan;
import org.yewledger.core.report.Span;
import org.yewledger.core.schedule.Recurrence;
import org.yewledger.core.schedule.Rhythm;
import org.yewledger.core.schedule.Schedule;
import org.yewledger.core.schedule.Shift;
import org.yewledger.core.worth.CostMethod;
import org.yewledger.core.worth.Investment;
import org.yewledger.core.worth.Security;
import org.yewledger.core.worth.Trade;
import org.yewledger.core.worth.WriteDown;
import org.yewledger.demo.DemoBudgets;
import org.yewledger.demo.DemoGoals;
import org.yewledger.demo.DemoLoan;
import org.yewledger.demo.DemoSchedules;
import org.yewledger.demo.DemoSetAsides;
import org.yewledger.demo.DemoWorth;

/** What the Aldercotts plan. */
@Component
@ConditionalOnProperty("yew.demo")
class DemoPlans {
  private final EntityManager entities;
  private final Planning planning;
  private final ServingService serving;
  private final ScheduleService schedules;
  private final LoanService loans;
  private final ThingService things;
  private final TradeService trades;
  private final PriceService prices;
  private final GoalService goals;
  private final HouseholdDays days;

  DemoPlans(
      EntityManager entities,
      Planning planning,
      ServingService serving,
      ScheduleService schedules,
      LoanService loans,
      ThingService things,
      TradeService trades,
      PriceService prices,
      GoalService goals,
      HouseholdDays days) {
    this.entities = entities;
    this.planning = planning;
    this.serving = serving;
    this.schedules = schedules;
    this.loans = loans;
    this.things = things;
    this.trades = trades;
    this.prices = prices;
    this.goals = goals;
    this.days = days;
  }

  /** Once the year is booked. */
  void load(DemoChart chart) {
    budgets(chart);
    yearlyBill();
    DemoSchedules.expected().forEach(expected -> schedules.add(schedule(expected, chart)));
    loan(chart);
    worth(chart);
    depot(chart);
    goals(chart);
  }

  private void budgets(DemoChart chart) {
    Span year = new Span(DemoBudgets.FIRST, DemoBudgets.LAST);
    for (DemoBudgets.Planned planned : DemoBudgets.planned()) {
      Account category = chart.account(planned.category());
      Amount amount = Amount.of(planned.amount(), category.book().currency());
      planning.plan(
          category.id(),
          year,
          planned.yearly()
              ? List.of(new PlannedSpan(year, amount))
              : PlannedSpan.each(year, amount));
      if (planned.carries()) {
        planning.carry(category.id(), true);
      }
    }
  }

  private static Schedule schedule(DemoSchedules.Expected expected, DemoChart chart) {
    Account account = chart.account(expected.account());
    return new Schedule(
            Ids.next(),
            expected.payee(),
            "",
            account,
            expected.parts().stream()
                .map(part ->
                    new Schedule.Part(
                        chart.account(part.account()),
                        Amount.of(part.amount(), account.currency()),
                        ""))
                .toList(),
            Amount.of(expected.about(), account.currency()),
            Recurrence.of(expected.rhythm(), expected.first(), null, null),
            expected.shift())
        .require();
  }

  private void loan(DemoChart chart) {
    Account account = chart.account(DemoLoan.ACCOUNT);
    Account interest = chart.account(DemoLoan.INTEREST);
    Amount payment = Amount.ofMinor(DemoLoan.PAYMENT, account.currency());
    Amount nothing = Amount.zero(account.currency());
    Schedule payments =
        new Schedule(
            Ids.next(),
            DemoLoan.LENDER,
            "",
            chart.account(DemoLoan.PAID_FROM),
            List.of(
                new Schedule.Part(account, payment.negated(), "repaid"),
                new Schedule.Part(interest, nothing, "interest")),
            nothing,
            Recurrence.of(
                new Rhythm(Rhythm.Unit.MONTH, 1, Rhythm.On.DAY), DemoLoan.FIRST, null, null),
            Shift.NEXT_WORKING_DAY);
    Loan loan =
        new Loan(
                Ids.next(),
                payments,
                account,
                interest,
                InterestCount.MONTHS,
                List.of(new Loan.Terms(DemoLoan.FIRST, DemoLoan.RATE, payment)),
                DemoLoan.FIXED_UNTIL)
            .require();
    loans.add(loan);
    DemoLoan.LenderSays says = DemoLoan.lenderSays();
    loans.keepYear(
        loan,
        new LenderYear(
                DemoLoan.YEAR_BEGAN,
                DemoLoan.YEAR_ENDED,
                Amount.ofMinor(says.owedBefore(), account.currency()),
                Amount.ofMinor(says.paid(), account.currency()),
                Amount.ofMinor(says.interest(), account.currency()),
                Amount.ofMinor(says.owedAfter(), account.currency()))
            .require(),
        DemoLoan.LETTER);
  }

  private void worth(DemoChart chart) {
    Account house = chart.account(DemoWorth.HOUSE);
    DemoWorth.house().forEach(valued -> things.value(house.id(), valued.day(), valued.worth()));
    Account press = chart.account(DemoWorth.PRESS);
    things.keep(
        new WriteDown(
            press,
            chart.account(DemoWorth.WRITTEN_DOWN),
            Amount.ofMinor(DemoWorth.PRESS_COST, press.currency()),
            Amount.zero(press.currency()),
            DemoWorth.FIRST_WRITTEN_DOWN,
            DemoWorth.MONTHS_WRITTEN_DOWN));
  }

  private void depot(DemoChart chart) {
    Account depot = chart.account(DemoWorth.DEPOT);
    var investment =
        new Investment(
            depot,
            CostMethod.AVERAGE,
            chart.account(DemoWorth.PAID_FROM),
            chart.account(DemoWorth.GAINS),
            chart.account(DemoWorth.DIVIDENDS),
            chart.account(DemoWorth.FEES));
    trades.keep(investment, 0);
    var fund = new Security(Ids.next(), DemoWorth.FUND, "", depot.currency());
    trades.add(fund);
    DemoWorth.fund().forEach(one -> prices.keepPrice(fund.id(), one.day(), one.worth()));
    for (DemoWorth.Traded traded : DemoWorth.trades()) {
      trades.book(
          investment,
          fund,
          new Trade(
              Ids.next(),
              traded.day(),
              0,
              traded.kind(),
              new BigDecimal(traded.quantity()),
              Amount.ofMinor(traded.minor(), depot.currency()),
              Amount.ofMinor(traded.fee(), depot.currency()),
              Amount.zero(depot.currency())));
    }
  }

  private void goals(DemoChart chart) {
    UUID press = chart.account(DemoWorth.PRESS).bookId();
    goals.setProfit(press, DemoBudgets.LAST, DemoGoals.PROFIT);
    goals.setProfit(press, DemoBudgets.LAST.plusMonths(1), DemoGoals.PROFIT_NEXT_YEAR);
    // A goal is to come, whenever the demo is loaded.
    LocalDate today = days.today();
    goals.setBalance(
        chart.account(DemoWorth.PAID_FROM).id(),
        DemoGoals.SAVED,
        today.plusMonths(DemoGoals.SAVED_IN_MONTHS));
    DemoSetAsides.purposes()
        .forEach(purpose ->
            goals.setBalance(
                chart.account(purpose.name()).id(),
                purpose.needed(),
                today.plusMonths(purpose.inMonths())));
  }

  private void yearlyBill() {
    entities
        .createQuery("select e.id from Entry e where e.payee.name = :payee", UUID.class)
        .setParameter("payee", DemoBudgets.YEARLY_BILL)
        .getResultList()
        .forEach(id -> serving.serve(id, DemoBudgets.YEARLY_BILL_SERVES));
  }
}
