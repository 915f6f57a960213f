package org.yewledger.app.rules;

import java.util.ArrayList;
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
import org.yewledger.app.journal.EntryEntity;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.journal.EntryTags;
import org.yewledger.app.journal.LedgerService;
import org.yewledger.app.journal.PostingEntity;
import org.yewledger.app.journal.RevisionService;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.rules.RuleResults.ApplicableJson;
import org.yewledger.app.rules.RuleResults.EntryToChangeJson;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Draft;
import org.yewledger.core.ledger.Ledger;
import org.yewledger.core.ledger.Marks;
import org.yewledger.core.post.Because;
import org.yewledger.core.post.Booking;
import org.yewledger.core.post.Reason;
import org.yewledger.core.rules.Rule;
import org.yewledger.core.rules.Trial;

/** Books entries that stand in the books as a rule says: listed first, then all as one act. */
@Service
class RuleApplication {
  private final ChartService charts;
  private final RuleService rules;
  private final TrialService trials;
  private final EntryStore entries;
  private final LineLinks links;
  private final EntryTags tags;
  private final LedgerService ledgers;
  private final RevisionService revisions;
  private final AccountLocks locks;
  private final Acts acts;

  RuleApplication(
      ChartService charts,
      RuleService rules,
      TrialService trials,
      EntryStore entries,
      LineLinks links,
      EntryTags tags,
      LedgerService ledgers,
      RevisionService revisions,
      AccountLocks locks,
      Acts acts) {
    this.charts = charts;
    this.rules = rules;
    this.trials = trials;
    this.entries = entries;
    this.links = links;
    this.tags = tags;
    this.ledgers = ledgers;
    this.revisions = revisions;
    this.locks = locks;
    this.acts = acts;
  }

  /** An entry that a rule would book otherwise, with what it takes to change it. */
  private record Target(
      Rule rule,
      TrialService.Caught caught,
      EntryEntity entry,
      List<PostingEntity> postings,
      List<Link> links,
      List<String> tags) {

    /** Why it stays as it is; empty if it changes. */
    String stays(Chart chart) {
      if (links.size() != 1) {
        return "More than one bank line confirms it.";
      }
      if (postings.stream().anyMatch(p -> p.statementId() != null)) {
        return "It is ticked for a statement.";
      }
      boolean foreign =
          java.util.stream.Stream.concat(
                  postings.stream().map(PostingEntity::accountId),
                  rule.then().division().accounts().stream())
              .anyMatch(id -> chart.account(id).isForeign());
      return foreign ? "An account in another currency is part of it." : "";
    }

    Account bank(Chart chart) {
      return chart.account(caught.line().accountId());
    }

    /** The form that the rule gives it; what the bank says of it stays. */
    Draft draft(Chart chart, Ledger ledger) {
      Account bank = bank(chart);
      Rule.Then then = rule.then();
      BankLine line = caught.line().line();
      List<Booking.Part> parts =
          then.division().of(line.amount(bank.currency())).stream()
              .map(part ->
                  new Booking.Part(
                      chart.account(part.accountId()), part.amount(), "", null, part.tax()))
              .toList();
      String payee = then.payee().isEmpty() ? entry.payee() : then.payee();
      List<Draft.Line> lines =
          new Booking(payee, "", parts)
              .entryFor(bank, line, ledger).entry().postings().stream()
                  .filter(p -> p.account().kind() != AccountKind.DRAWINGS)
                  .map(p -> new Draft.Line(p.account(), p.amount(), p.note(), p.tax()))
                  .toList();
      var marked = new ArrayList<>(tags);
      marked.addAll(then.tags());
      return new Draft(
          entry.date(),
          payee,
          entry.note().isEmpty() ? then.note() : entry.note(),
          lines,
          Marks.of(entry.reference(), entry.method(), marked));
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
    targets(rule, chart).forEach(target -> byEntry.put(target.entry().id(), target));
    var drafts = new LinkedHashMap<EntryToChangeJson, Draft>();
    Set<UUID> accounts = new HashSet<>();
    for (EntryToChangeJson one : wanted) {
      Target target = byEntry.get(one.entryId());
      if (target == null) {
        throw Conflict.changedMeanwhile("entry");
      }
      requireApplicable(target, chart);
      target.postings().forEach(p -> accounts.add(p.accountId()));
      accounts.addAll(rule.then().division().accounts());
      drafts.put(one, target.draft(chart, ledger));
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
          "not-applicable", "No. %d stays as it is. %s".formatted(target.entry().no(), why));
    }
  }

  private List<Target> targets(Rule rule, Chart chart) {
    List<TrialService.Caught> differing =
        trials.caught(rule, chart).stream()
            .filter(caught -> caught.standing() == Trial.Standing.DIFFERS)
            .toList();
    List<UUID> ids =
        differing.stream().map(c -> Objects.requireNonNull(c.booked()).entryId()).toList();
    Map<UUID, EntryEntity> stored = entries.byId(ids);
    Map<UUID, List<PostingEntity>> postings =
        entries.postingsOf(ids).stream().collect(Collectors.groupingBy(PostingEntity::entryId));
    Map<UUID, List<Link>> linked =
        links.ofEntries(ids).stream().collect(Collectors.groupingBy(Link::entryId));
    Map<UUID, List<String>> marked = tags.of(ids);
    return differing.stream()
        .map(caught -> {
          UUID id = Objects.requireNonNull(caught.booked()).entryId();
          return new Target(
              rule,
              caught,
              Objects.requireNonNull(stored.get(id)),
              postings.getOrDefault(id, List.of()),
              linked.getOrDefault(id, List.of()),
              marked.getOrDefault(id, List.of()));
        })
        .toList();
  }

  private static ApplicableJson json(Target target, Chart chart) {
    Account bank = target.bank(chart);
    return new ApplicableJson(
        target.entry().id(),
        target.entry().version(),
        target.entry().no(),
        target.entry().date(),
        target.entry().payee(),
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
