package org.yewledger.app.rules;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.rules.BookedLines.Booked;
import org.yewledger.app.rules.RuleResults.CaughtJson;
import org.yewledger.app.rules.RuleResults.TrialJson;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.rules.Rule;
import org.yewledger.core.rules.RuleBook;
import org.yewledger.core.rules.RuleLine;
import org.yewledger.core.rules.Trial;
import org.yewledger.core.rules.Trial.Standing;

/** Tries rules on the lines of the last twelve months. */
@Service
class TrialService {
  /** Of each standing; there may be thousands. */
  private static final int LINES_SHOWN = 60;

  private static final RuleBook NO_RULES = new RuleBook(List.of());

  /** A line that a rule decides, and how it was booked; null while it waits. */
  record Caught(UUID lineId, RuleLine line, Standing standing, @Nullable Booked booked) {}

  private final ChartService charts;
  private final RuleService rules;
  private final YearsLines years;
  private final BookedLines bookedLines;
  private final SoundRules sound;

  TrialService(
      ChartService charts,
      RuleService rules,
      YearsLines years,
      BookedLines bookedLines,
      SoundRules sound) {
    this.charts = charts;
    this.rules = rules;
    this.years = years;
    this.bookedLines = bookedLines;
    this.sound = sound;
  }

  /**
   * What a rule would have caught.
   *
   * @param inPlaceOf the rule that it is a change of; null if it is new, and tried last
   */
  @Transactional(readOnly = true)
  TrialJson trial(Rule rule, @Nullable UUID inPlaceOf) {
    Chart chart = charts.chart();
    sound.require(rule, chart);
    YearsLines.Year year = years.year(chart);
    Result result = result(rule, inPlaceOf, year, chart);
    Map<Standing, Integer> counts = new EnumMap<>(Standing.class);
    var shown = new ArrayList<CaughtJson>();
    for (Caught caught : result.caught()) {
      if (counts.merge(caught.standing(), 1, Integer::sum) <= LINES_SHOWN) {
        shown.add(json(caught, chart));
      }
    }
    return new TrialJson(
        year.since(),
        result.caught().size(),
        counts.getOrDefault(Standing.AGREES, 0),
        counts.getOrDefault(Standing.DIFFERS, 0),
        counts.getOrDefault(Standing.WAITS, 0),
        result.takenEarlier(),
        shown);
  }

  private record Result(List<Caught> caught, int takenEarlier) {}

  /** The lines of a rule that is kept, the newest first. */
  List<Caught> caught(Rule rule, Chart chart) {
    return result(rule, rule.id(), years.year(chart), chart).caught();
  }

  private Result result(Rule rule, @Nullable UUID inPlaceOf, YearsLines.Year year, Chart chart) {
    YearsLines.Lines of = year.of(rule.bookId());
    Trial trial = Trial.of(rule, earlier(rule, inPlaceOf, chart), of.lines());
    Map<UUID, Booked> booked =
        bookedLines.of(trial.decided().stream().map(of.ids()::get).toList(), chart);
    List<Caught> caught =
        trial.decided().stream()
            .map(at -> {
              UUID id = of.ids().get(at);
              Booked how = booked.get(id);
              Set<UUID> accounts = how == null ? Set.of() : how.accounts();
              return new Caught(id, of.lines().get(at), Trial.standing(rule, accounts), how);
            })
            .sorted(Comparator.comparing((Caught c) -> c.line().line().bookedOn()).reversed())
            .toList();
    return new Result(caught, trial.takenEarlier());
  }

  private RuleBook earlier(Rule rule, @Nullable UUID inPlaceOf, Chart chart) {
    if (inPlaceOf == null) {
      return rules.ruleBooks(chart).getOrDefault(rule.bookId(), NO_RULES);
    }
    List<Rule> before =
        rules.of(rule.bookId()).stream().takeWhile(r -> !r.id().equals(inPlaceOf)).toList();
    return RuleBook.of(before, RuleService.accounts(chart));
  }

  static CaughtJson json(Caught caught, Chart chart) {
    Account account = chart.account(caught.line().accountId());
    Booked booked = caught.booked();
    return new CaughtJson(
        caught.lineId(),
        caught.standing(),
        caught.line().line().bookedOn(),
        account.name(),
        caught.line().line().text(),
        caught.line().line().amount(account.currency()).decimal(),
        account.currency().getCode(),
        booked == null
            ? List.of()
            : booked.accounts().stream().map(id -> chart.account(id).name()).toList(),
        booked == null ? null : booked.entryId(),
        booked == null ? null : booked.no());
  }
}
