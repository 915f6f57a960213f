package org.yewledger.app.rules;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.platform.Ids;
import org.yewledger.core.rules.Rule;
import org.yewledger.core.rules.Words;

/** The rules in their order. */
@RestController
@RequestMapping("/api/rules")
@Tag(name = "rules")
class RuleController {
  /** A rule as the person writes it. {@code onAccountId} null: any account. */
  record RuleDraftJson(
      @NotNull @Size(max = 200) String words,
      @NotNull Rule.Direction direction,
      @Nullable UUID onAccountId,
      @NotNull @Size(max = 200) String payee,
      @NotNull UUID toAccountId) {

    Rule toRule(UUID id) {
      return new Rule(
          id,
          new Rule.When(Words.of(words), direction, onAccountId),
          new Rule.Then(payee.strip(), toAccountId));
    }
  }

  /** {@code reach} says what it would have caught so far. */
  record RuleJson(
      UUID id,
      int version,
      int no,
      String words,
      Rule.Direction direction,
      @Nullable UUID onAccountId,
      @Nullable String onAccountName,
      String payee,
      UUID toAccountId,
      String toAccountName,
      UUID bookId,
      int waiting) {}

  /**
   * What a rule would catch: of the waiting lines, and of those that wait, the ones no rule takes
   * yet.
   */
  record ReachJson(int waiting, int unanswered) {}

  /** What to begin a rule with, from a bank line. */
  record SuggestionJson(String words, Rule.Direction direction) {}

  record MoveJson(int no) {}

  private final RuleService rules;
  private final RuleReach reach;
  private final ChartService charts;

  RuleController(RuleService rules, RuleReach reach, ChartService charts) {
    this.rules = rules;
    this.reach = reach;
    this.charts = charts;
  }

  @GetMapping
  List<RuleJson> rules() {
    Chart chart = charts.chart();
    List<RuleEntity> inOrder = rules.inOrder();
    var waiting = reach.waitingByRule(chart);
    var list = new ArrayList<RuleJson>();
    for (int i = 0; i < inOrder.size(); i++) {
      list.add(json(inOrder.get(i), i + 1, chart, waiting.getOrDefault(inOrder.get(i).id(), 0)));
    }
    return list;
  }

  /** Makes a rule. It is tried last, and applies at once to what waits. */
  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  RuleJson make(@Valid @RequestBody RuleDraftJson draft) {
    RuleEntity made = rules.add(draft.toRule(Ids.next()));
    Chart chart = charts.chart();
    return json(made, made.place(), chart, reach.waitingByRule(chart).getOrDefault(made.id(), 0));
  }

  @PutMapping("/{id}")
  void change(
      @PathVariable UUID id, @RequestParam int version, @Valid @RequestBody RuleDraftJson draft) {
    rules.change(draft.toRule(id), version);
  }

  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable UUID id, @RequestParam int version) {
    rules.remove(id, version);
  }

  /** Moves a rule to a place in the order, counted from 1. */
  @PostMapping("/{id}/move")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void move(@PathVariable UUID id, @RequestBody MoveJson to) {
    rules.move(id, to.no());
  }

  /** How many waiting lines a rule would catch. Nothing is saved. */
  @PostMapping("/reach")
  ReachJson reach(@Valid @RequestBody RuleDraftJson draft) {
    return reach.of(draft.toRule(Ids.next()), charts.chart());
  }

  @GetMapping("/suggestion")
  SuggestionJson suggestion(@RequestParam UUID line) {
    return reach.suggestion(line);
  }

  private static RuleJson json(RuleEntity row, int no, Chart chart, int waiting) {
    Rule rule = row.toRule();
    UUID on = rule.when().accountId();
    var to = chart.account(rule.then().accountId());
    return new RuleJson(
        rule.id(),
        row.version(),
        no,
        rule.when().words().toString(),
        rule.when().direction(),
        on,
        on == null ? null : chart.account(on).name(),
        rule.then().payee(),
        to.id(),
        to.name(),
        RuleService.bookOf(rule, chart),
        waiting);
  }
}
