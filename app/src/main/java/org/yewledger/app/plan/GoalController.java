package org.yewledger.app.plan;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.time.YearMonth;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.plan.GoalJson.GoalsPageJson;
import org.yewledger.app.plan.GoalJson.SetBalanceGoalJson;
import org.yewledger.app.plan.GoalJson.SetProfitGoalJson;

/** Goals: what a book is to earn in a year, what is to stand on an account by a day. */
@RestController
@RequestMapping("/api/goals")
@Tag(name = "plan")
class GoalController {
  private final GoalService goals;

  GoalController(GoalService goals) {
    this.goals = goals;
  }

  /** As they stand at a month, of each book or of one. */
  @GetMapping
  GoalsPageJson goals(@RequestParam YearMonth month, @RequestParam @Nullable UUID book) {
    return goals.page(month, book);
  }

  /** Sets what a book is to earn in a fiscal year, or gives the goal up. */
  @PutMapping("/profit")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void setProfit(@Valid @RequestBody SetProfitGoalJson wanted) {
    goals.setProfit(wanted.bookId(), wanted.month(), wanted.amount());
  }

  /** Sets what is to stand on an account by a day, or gives the goal up. */
  @PutMapping("/balance")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void setBalance(@Valid @RequestBody SetBalanceGoalJson wanted) {
    goals.setBalance(wanted.accountId(), wanted.amount(), wanted.by());
  }
}
