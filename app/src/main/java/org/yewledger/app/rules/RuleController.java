package org.yewledger.app.rules;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
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
import org.yewledger.app.rules.RuleJson.BeginningJson;
import org.yewledger.app.rules.RuleJson.CopyRuleJson;
import org.yewledger.app.rules.RuleJson.KeptRuleJson;
import org.yewledger.app.rules.RuleJson.LinesJson;
import org.yewledger.app.rules.RuleJson.MoveJson;
import org.yewledger.app.rules.RuleJson.RuleDraftJson;
import org.yewledger.app.rules.RuleJson.TrialOfJson;
import org.yewledger.app.rules.RuleResults.ApplicableJson;
import org.yewledger.app.rules.RuleResults.AppliedJson;
import org.yewledger.app.rules.RuleResults.ApplyJson;
import org.yewledger.app.rules.RuleResults.ReviewJson;
import org.yewledger.app.rules.RuleResults.TrialJson;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.rules.Rule;

/** The rules in their order, and what comes of them. */
@RestController
@RequestMapping("/api/rules")
@Tag(name = "rules")
class RuleController {
  private final RuleService rules;
  private final RuleReach reach;
  private final TrialService trials;
  private final ReviewService reviews;
  private final RuleCopies copies;
  private final RuleApplication applications;
  private final ChartService charts;

  RuleController(
      RuleService rules,
      RuleReach reach,
      TrialService trials,
      ReviewService reviews,
      RuleCopies copies,
      RuleApplication applications,
      ChartService charts) {
    this.rules = rules;
    this.reach = reach;
    this.trials = trials;
    this.reviews = reviews;
    this.copies = copies;
    this.applications = applications;
    this.charts = charts;
  }

  /** The rules of the books in their order, with what they catch now. */
  @GetMapping
  List<KeptRuleJson> rules() {
    Chart chart = charts.chart();
    List<RuleEntity> inOrder = rules.inOrder();
    var waiting = reach.waitingByRule(chart);
    Map<UUID, Account> accounts = RuleService.accounts(chart);
    var list = new ArrayList<KeptRuleJson>();
    for (int i = 0; i < inOrder.size(); i++) {
      RuleEntity row = inOrder.get(i);
      list.add(json(row, i + 1, chart, accounts, waiting.getOrDefault(row.id(), 0)));
    }
    return list;
  }

  /** Makes a rule. It is tried last, and applies at once to what waits. */
  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  KeptRuleJson make(@Valid @RequestBody RuleDraftJson draft) {
    return made(rules.add(rule(draft, Ids.next())));
  }

  private KeptRuleJson made(RuleEntity made) {
    Chart chart = charts.chart();
    int waiting = reach.waitingByRule(chart).getOrDefault(made.id(), 0);
    return json(made, made.place(), chart, RuleService.accounts(chart), waiting);
  }

  /** Changes a rule. */
  @PutMapping("/{id}")
  void change(
      @PathVariable UUID id, @RequestParam int version, @Valid @RequestBody RuleDraftJson draft) {
    rules.change(rule(draft, id), version);
  }

  /** Deletes a rule. */
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

  /** Makes the same rule for a book, with the accounts of the same names there. */
  @PostMapping("/{id}/copy")
  @ResponseStatus(HttpStatus.CREATED)
  KeptRuleJson copyRule(@PathVariable UUID id, @Valid @RequestBody CopyRuleJson to) {
    return made(copies.copy(id, to.bookId()));
  }

  /** What a rule would have caught in the last twelve months. Nothing is saved. */
  @PostMapping("/trial")
  TrialJson tryRule(@Valid @RequestBody TrialOfJson trial) {
    UUID id = trial.ruleId() == null ? Ids.next() : trial.ruleId();
    return trials.trial(rule(trial.draft().orNowhere(), id), trial.ruleId());
  }

  /** What came of all rules in the last twelve months, and which more could be made. */
  @GetMapping("/review")
  ReviewJson review() {
    return reviews.review();
  }

  /** What to begin a rule with, from bank lines. Changes nothing. */
  @PostMapping("/beginning")
  BeginningJson beginRule(@Valid @RequestBody LinesJson lines) {
    return reach.beginning(lines.lineIds(), charts.chart());
  }

  /** The entries that are booked otherwise than a rule would book their lines. */
  @GetMapping("/{id}/applicable")
  List<ApplicableJson> applicable(@PathVariable UUID id) {
    return applications.applicable(id);
  }

  /** Books entries as a rule says, all or none, as one act. */
  @PostMapping("/{id}/apply")
  AppliedJson applyRule(@PathVariable UUID id, @Valid @RequestBody ApplyJson apply) {
    return new AppliedJson(applications.apply(id, apply.entries()));
  }

  /** Whose book it is comes before what is written for it. */
  private Rule rule(RuleDraftJson draft, UUID id) {
    charts.chart().book(draft.bookId());
    return draft.toRule(id);
  }

  private static KeptRuleJson json(
      RuleEntity row, int no, Chart chart, Map<UUID, Account> accounts, int waiting) {
    Rule rule = row.toRule();
    return new KeptRuleJson(
        rule.id(),
        row.version(),
        no,
        RuleDraftJson.of(rule),
        RuleService.told(rule, chart),
        rule.quietSince(accounts).map(Account::name).orElse(""),
        waiting);
  }
}
