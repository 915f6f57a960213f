package org.yewledger.app.rules;

import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.bankline.LineLinks;
import org.yewledger.app.bankline.LineLinks.Link;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.EntryReader;
import org.yewledger.app.journal.EntryReader.EntryView;
import org.yewledger.app.journal.EntryReader.EntryViews;
import org.yewledger.app.journal.EntryReader.PostingView;
import org.yewledger.app.journal.LedgerService;
import org.yewledger.app.journal.RevisionService;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.rules.RuleResults.ApplicableJson;
import org.yewledger.app.rules.RuleResults.EntryToChangeJson;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Draft;
import org.yewledger.core.ledger.Ledger;
import org.yewledger.core.post.Because;
import org.yewledger.core.post.ByRule;
import org.yewledger.core.post.Reason;
import org.yewledger.core.rules.Rule;
import org.yewledger.core.rules.Trial;

/** Books entries that stand in the books as a rule says: listed first, then all as one act. */
@Service
class RuleApplication {
  private final ChartService charts;
  private final RuleService rules;
  private final TrialService trials;
  private final EntryReader reader;
  private final LineLinks links;
  private final LedgerService ledgers;
  private final RevisionService revisions;
  private final AccountLocks locks;
  private final Acts acts;

  RuleApplication(
      ChartService charts,
      RuleService rules,
      TrialService trials,
      EntryReader reader,
      LineLinks links,
      LedgerService ledgers,
      RevisionService revisions,
      AccountLocks locks,
      Acts acts) {
    this.charts = charts;
    this.rules = rules;
    this.trials = trials;
    this.reader = reader;
    this.links = links;
    this.ledgers = ledgers;
    this.revisions = revisions;
    this.locks = locks;
    this.acts = acts;
  }

  /** An entry that a rule would book otherwise, with the lines that confirm it. */
  private record Target(Rule rule, TrialService.Caught caught, EntryView view, List<Link> links) {

    /** Why it stays as it is; empty if it changes. */
    String stays(Chart chart) {
      if (links.size() != 1) {
        return "More than one bank line confirms it.";
      }
      if (view.postings().stream().anyMatch(PostingView::ticked)) {
        return "It is ticked for a statement.";
      }
      return ByRule.canRebook(view.toEntry(), rule, chart::account)
          ? ""
          : "An account in another currency is part of it.";
    }

    Account bank(Chart chart) {
      return chart.account(caught.line().accountId());
    }
  }

  /** The entries that are booked otherwise than the rule would, the newest first. */
  @Transactional(readOnly = true)
  public List<ApplicableJson> applicable(UUID ruleId) {
    Chart chart = charts.chart();
    return targets(rules.find(ruleId).toRule(), chart).stream()
        .map(target -> json(target, chart))
        .toList();
  }

  /**
   * Books entries as the rule says, all or none, as one act.
   *
   * @return how many were changed
   * @throws Conflict if one was changed since it was listed
   * @throws Refusal {@code not-applicable} if one of them cannot change, saying why
   */
  @Transactional
  @ForBookkeepers
  public int apply(UUID ruleId, List<EntryToChangeJson> wanted) {
    Chart chart = charts.chart();
    Ledger ledger = ledgers.ledger(chart);
    Rule rule = rules.find(ruleId).toRule();
    Map<UUID, Target> byEntry = new HashMap<>();
    targets(rule, chart).forEach(target -> byEntry.put(target.view().entry().id(), target));
    var drafts = new LinkedHashMap<EntryToChangeJson, Draft>();
    Set<UUID> accounts = new HashSet<>();
    for (EntryToChangeJson one : wanted) {
      Target target = byEntry.get(one.entryId());
      if (target == null) {
        throw Conflict.changedMeanwhile("entry");
      }
      requireApplicable(target, chart);
      target.view().postings().forEach(p -> accounts.add(p.account().id()));
      accounts.addAll(rule.then().division().accounts());
      drafts.put(
          one,
          ByRule.rebooked(
              target.view().toEntry(),
              rule,
              target.bank(chart),
              target.caught().line().line(),
              chart::account,
              ledger));
    }
    locks.shared(accounts);
    acts.begin(
        ActKind.REVISE,
        "Applied a rule to %d %s: %s"
            .formatted(
                drafts.size(),
                drafts.size() == 1 ? "entry" : "entries",
                RuleService.told(rule, chart)));
    drafts.forEach((one, draft) ->
        revisions.revise(one.entryId(), one.version(), draft, new Because(Reason.RULE, rule.id())));
    return drafts.size();
  }

  private static void requireApplicable(Target target, Chart chart) {
    String why = target.stays(chart);
    if (!why.isEmpty()) {
      throw Refusal.of(
          "not-applicable", "No. %d stays as it is. %s".formatted(target.view().no(), why));
    }
  }

  private List<Target> targets(Rule rule, Chart chart) {
    List<TrialService.Caught> differing =
        trials.caught(rule, chart).stream()
            .filter(caught -> caught.standing() == Trial.Standing.DIFFERS)
            .toList();
    List<UUID> ids =
        differing.stream().map(c -> Objects.requireNonNull(c.booked()).entryId()).toList();
    EntryViews read = reader.byId(ids);
    Map<UUID, List<Link>> linked =
        links.ofEntries(ids).stream().collect(Collectors.groupingBy(Link::entryId));
    return differing.stream()
        .map(caught -> {
          UUID id = Objects.requireNonNull(caught.booked()).entryId();
          return new Target(rule, caught, read.of(id), linked.getOrDefault(id, List.of()));
        })
        .toList();
  }

  private static ApplicableJson json(Target target, Chart chart) {
    Account bank = target.bank(chart);
    return new ApplicableJson(
        target.view().entry().id(),
        target.view().entry().version(),
        target.view().no(),
        target.view().entry().date(),
        target.view().entry().payee(),
        target.caught().line().line().amount(bank.currency()).decimal(),
        bank.currency().getCode(),
        names(Objects.requireNonNull(target.caught().booked()).accounts(), chart),
        names(target.rule().then().division().accounts(), chart),
        target.stays(chart));
  }

  private static List<String> names(Collection<UUID> accounts, Chart chart) {
    return accounts.stream().map(id -> chart.account(id).name()).toList();
  }
}
