package org.yewledger.app.rules;

import java.sql.Date;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.rules.BookedLines.Booked;
import org.yewledger.app.rules.RuleResults.CaughtJson;
import org.yewledger.app.rules.RuleResults.ResultJson;
import org.yewledger.app.rules.RuleResults.ReviewJson;
import org.yewledger.app.rules.RuleResults.SuggestedJson;
import org.yewledger.app.rules.RuleResults.WarningJson;
import org.yewledger.app.rules.RuleResults.WarningKind;
import org.yewledger.core.rules.Rule;
import org.yewledger.core.rules.RuleBook;
import org.yewledger.core.rules.RuleReview;
import org.yewledger.core.rules.Suggestion;
import org.yewledger.core.rules.Trial;
import org.yewledger.core.rules.Warning;

/** What came of the rules in the last twelve months, and which more could be made. */
@Service
class ReviewService {
  private static final int MONTHS = 12;
  private static final int SUGGESTED_AT_MOST = 12;
  private static final int EVIDENCE_SHOWN = 5;

  private final ChartService charts;
  private final RuleService rules;
  private final YearsLines years;
  private final BookedLines bookedLines;
  private final JdbcClient jdbc;

  ReviewService(
      ChartService charts,
      RuleService rules,
      YearsLines years,
      BookedLines bookedLines,
      JdbcClient jdbc) {
    this.charts = charts;
    this.rules = rules;
    this.years = years;
    this.bookedLines = bookedLines;
    this.jdbc = jdbc;
  }

  /** Of all books. Cost: that of trying all rules on the lines of twelve months. */
  @Transactional(readOnly = true)
  ReviewJson review() {
    Chart chart = charts.chart();
    YearsLines.Year year = years.year(chart);
    Map<UUID, Booked> booked =
        bookedLines.of(
            year.byBook().values().stream().flatMap(lines -> lines.ids().stream()).toList(), chart);
    Map<UUID, Fired> fired = fired(year.since());
    var results = new ArrayList<ResultJson>();
    var suggested = new ArrayList<SuggestedJson>();
    List<Rule> all = rules.inOrder().stream().map(RuleEntity::toRule).toList();
    chart
        .books()
        .forEach(book -> {
          List<Rule> own = all.stream().filter(r -> r.bookId().equals(book.id())).toList();
          YearsLines.Lines lines = year.of(book.id());
          Map<UUID, RuleReview.Result> reviewed =
              RuleReview.of(
                  own,
                  RuleService.accounts(chart),
                  IntStream.range(0, lines.ids().size())
                      .mapToObj(at ->
                          new RuleReview.Line(lines.lines().get(at), accounts(at, lines, booked)))
                      .toList());
          own.forEach(rule ->
              results.add(
                  json(
                      rule,
                      Objects.requireNonNull(reviewed.get(rule.id())),
                      fired.getOrDefault(rule.id(), Fired.NEVER),
                      chart)));
          suggested.addAll(suggested(book.id(), own, lines, booked, chart));
        });
    return new ReviewJson(year.since(), results, suggested);
  }

  private static Set<UUID> accounts(int at, YearsLines.Lines lines, Map<UUID, Booked> booked) {
    Booked how = booked.get(lines.ids().get(at));
    return how == null ? Set.of() : how.accounts();
  }

  /** How often a rule booked something in each of twelve months, and when last. */
  private record Fired(int[] byMonth, @org.jspecify.annotations.Nullable LocalDate last) {
    static final Fired NEVER = new Fired(new int[MONTHS], null);
  }

  private Map<UUID, Fired> fired(LocalDate since) {
    var counts = new HashMap<UUID, int[]>();
    YearMonth first = YearMonth.from(since);
    jdbc.sql(
            """
            select rule_id, date_trunc('month', date)::date, count(*) from entry
             where household_id = ? and rule_id is not null and date >= ? group by 1, 2\
            """)
        .params(SignedIn.now().householdId(), Date.valueOf(since))
        .query(row -> {
          YearMonth month = YearMonth.from(row.getObject(2, LocalDate.class));
          // The year of the lines may begin within a month: it counts to the first whole one.
          int at = (int) Math.clamp(ChronoUnit.MONTHS.between(first, month), 0, MONTHS - 1L);
          counts.computeIfAbsent(row.getObject(1, UUID.class), r -> new int[MONTHS])[at] +=
              row.getInt(3);
        });
    var fired = new HashMap<UUID, Fired>();
    jdbc.sql(
            """
            select r.id, (select e.date from entry e where e.household_id = :household and e.rule_id = r.id
                           order by e.date desc, e.no desc limit 1)
              from rule r where r.household_id = :household\
            """)
        .param("household", SignedIn.now().householdId())
        .query(row -> {
          UUID rule = row.getObject(1, UUID.class);
          fired.put(
              rule,
              new Fired(
                  counts.getOrDefault(rule, new int[MONTHS]), row.getObject(2, LocalDate.class)));
        });
    return fired;
  }

  private static ResultJson json(Rule rule, RuleReview.Result result, Fired fired, Chart chart) {
    return new ResultJson(
        rule.id(),
        result.fits(),
        result.decides(),
        IntStream.of(fired.byMonth()).sum(),
        IntStream.of(fired.byMonth()).boxed().toList(),
        fired.last(),
        result.warnings().stream().map(warning -> json(warning, chart)).toList());
  }

  private static WarningJson json(Warning warning, Chart chart) {
    return switch (warning) {
      case Warning.NeverFires(UUID by, int lines, boolean proved) ->
          new WarningJson(WarningKind.NEVER_FIRES, by, proved, lines, null, null);
      case Warning.BookedElsewhere(int lines, int of) ->
          new WarningJson(WarningKind.BOOKED_ELSEWHERE, null, null, lines, of, null);
      case Warning.BothWays(int in, int out) ->
          new WarningJson(WarningKind.BOTH_WAYS, null, null, in, in + out, null);
      case Warning.Idle() -> new WarningJson(WarningKind.IDLE, null, null, null, null, null);
      case Warning.Quiet(UUID account) ->
          new WarningJson(WarningKind.QUIET, null, null, null, null, chart.account(account).name());
    };
  }

  private static List<SuggestedJson> suggested(
      UUID bookId, List<Rule> own, YearsLines.Lines all, Map<UUID, Booked> booked, Chart chart) {
    List<Integer> byHand =
        IntStream.range(0, all.ids().size())
            .boxed()
            .filter(at -> {
              Booked how = booked.get(all.ids().get(at));
              return how != null && !how.byRule() && !how.accounts().isEmpty();
            })
            .toList();
    List<Suggestion.Line> lines =
        byHand.stream()
            .map(at -> {
              Booked how = Objects.requireNonNull(booked.get(all.ids().get(at)));
              return new Suggestion.Line(all.lines().get(at), how.accounts(), how.payee());
            })
            .toList();
    return Suggestion.of(lines, RuleBook.of(own, RuleService.accounts(chart))).stream()
        .filter(s -> chart.account(s.accountId()).kind().isBookable())
        .limit(SUGGESTED_AT_MOST)
        .map(s ->
            new SuggestedJson(
                s.words().toString(),
                s.direction(),
                bookId,
                s.accountId(),
                chart.account(s.accountId()).name(),
                s.payee(),
                s.lines().size(),
                newest(s.lines().stream().map(byHand::get).toList(), all, booked, chart)))
        .toList();
  }

  private static List<CaughtJson> newest(
      List<Integer> places, YearsLines.Lines all, Map<UUID, Booked> booked, Chart chart) {
    return places.stream()
        .sorted(Comparator.reverseOrder())
        .limit(EVIDENCE_SHOWN)
        .map(at ->
            TrialService.json(
                new TrialService.Caught(
                    all.ids().get(at),
                    all.lines().get(at),
                    Trial.Standing.AGREES,
                    booked.get(all.ids().get(at))),
                chart))
        .toList();
  }
}
