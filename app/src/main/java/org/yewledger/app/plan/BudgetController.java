package org.yewledger.app.plan;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.time.YearMonth;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.plan.BudgetJson.BudgetPageJson;
import org.yewledger.app.plan.BudgetJson.CarryJson;
import org.yewledger.app.plan.BudgetJson.PlanMonthsJson;
import org.yewledger.app.plan.BudgetJson.PlanYearJson;
import org.yewledger.app.plan.BudgetJson.PlannedJson;
import org.yewledger.app.plan.BudgetJson.PlannedYearJson;

/** Budgets of categories; each is known by its account. */
@RestController
@RequestMapping("/api/budgets")
@Tag(name = "plan")
class BudgetController {
  private final BudgetService budgets;
  private final Planning planning;

  BudgetController(BudgetService budgets, Planning planning) {
    this.budgets = budgets;
    this.planning = planning;
  }

  /** The month of every category that something is planned for or was spent on. */
  @GetMapping
  BudgetPageJson month(@RequestParam YearMonth month, @RequestParam @Nullable UUID book) {
    return budgets.page(month, book);
  }

  /** A category over the fiscal year that a month is in. */
  @GetMapping("/{id}")
  PlannedYearJson year(@PathVariable UUID id, @RequestParam YearMonth month) {
    return budgets.year(id, month);
  }

  /** Plans months of a category anew, each by itself or all together. */
  @PutMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void plan(@PathVariable UUID id, @Valid @RequestBody PlanMonthsJson wanted) {
    planning.plan(id, wanted);
  }

  /** Whether what is left of a category goes on to the next month. */
  @PutMapping("/{id}/carrying")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void carry(@PathVariable UUID id, @Valid @RequestBody CarryJson wanted) {
    planning.carry(id, wanted.carries());
  }

  /** Plans a fiscal year from what was spent in the year before. */
  @PostMapping("/from-last-year")
  PlannedJson planYear(@Valid @RequestBody PlanYearJson wanted) {
    return new PlannedJson(planning.planYear(wanted.bookId(), wanted.month()));
  }
}
