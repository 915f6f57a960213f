package org.yewledger.app.demo;

import jakarta.persistence.EntityManager;
import java.util.List;
import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.yewledger.app.journal.ServingService;
import org.yewledger.app.plan.Planning;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.plan.PlannedSpan;
import org.yewledger.core.report.Span;
import org.yewledger.demo.DemoBudgets;

/** What the Aldercotts plan. */
@Component
@ConditionalOnProperty("yew.demo")
class DemoPlans {
  private final EntityManager entities;
  private final Planning planning;
  private final ServingService serving;

  DemoPlans(EntityManager entities, Planning planning, ServingService serving) {
    this.entities = entities;
    this.planning = planning;
    this.serving = serving;
  }

  /** Once the year is booked. */
  void load(DemoChart chart) {
    budgets(chart);
    yearlyBill();
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

  private void yearlyBill() {
    entities
        .createQuery("select e.id from Entry e where e.payee.name = :payee", UUID.class)
        .setParameter("payee", DemoBudgets.YEARLY_BILL)
        .getResultList()
        .forEach(id -> serving.serve(id, DemoBudgets.YEARLY_BILL_SERVES));
  }
}
