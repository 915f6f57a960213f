package org.yewledger.app.rules;

import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.KeptByHousehold;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.rules.ConditionText;
import org.yewledger.core.rules.Rule;
import org.yewledger.core.rules.RuleBook;

/** Keeps the rules and their order. Places run from 1 without gaps. */
@Service
public class RuleService {
  private record RuleBooks(String state, Map<UUID, RuleBook> byBook) {}

  /** Of all households together, counted in books. */
  private static final int MOST_BOOKS_KEPT = 2_000;

  private final KeptByHousehold<RuleBooks> kept =
      new KeptByHousehold<>(MOST_BOOKS_KEPT, books -> books.byBook().size());
  private final EntityManager entities;
  private final ChartService charts;
  private final SoundRules sound;
  private final Acts acts;

  RuleService(EntityManager entities, ChartService charts, SoundRules sound, Acts acts) {
    this.entities = entities;
    this.charts = charts;
    this.sound = sound;
    this.acts = acts;
  }

  /** All rules in the order in which they are tried. */
  @Transactional(readOnly = true)
  public List<RuleEntity> inOrder() {
    return entities.createQuery("from Rule order by place, id", RuleEntity.class).getResultList();
  }

  /** Whether any rule posts by itself. */
  @Transactional(readOnly = true)
  public boolean anyIsTrusted() {
    return entities
        .createQuery(
            "select count(*) > 0 from Rule where isOn and trustedUpTo is not null", Boolean.class)
        .getSingleResult();
  }

  /** All rules of a book in the order in which they are tried, those that are not tried too. */
  @Transactional(readOnly = true)
  public List<Rule> of(UUID bookId) {
    return inOrder().stream()
        .map(RuleEntity::toRule)
        .filter(rule -> rule.bookId().equals(bookId))
        .toList();
  }

  /**
   * The rules for the lines of each book. They are kept until a rule or an account changes. Cost: a
   * look at whether one has; linear in their number when it has.
   */
  @Transactional(readOnly = true)
  public Map<UUID, RuleBook> ruleBooks(Chart chart) {
    UUID household = SignedIn.now().householdId();
    String state = state() + '/' + chart.state();
    RuleBooks known = kept.get(household);
    if (known == null || !known.state().equals(state)) {
      known = new RuleBooks(state, read(chart));
      if (state.equals(state() + '/' + chart.state())) {
        kept.put(household, known);
      }
    }
    return known.byBook();
  }

  private Map<UUID, RuleBook> read(Chart chart) {
    Map<UUID, Account> accounts = accounts(chart);
    Map<UUID, List<Rule>> byBook =
        inOrder().stream().map(RuleEntity::toRule).collect(Collectors.groupingBy(Rule::bookId));
    return byBook.entrySet().stream()
        .collect(Collectors.toMap(Map.Entry::getKey, e -> RuleBook.of(e.getValue(), accounts)));
  }

  static Map<UUID, Account> accounts(Chart chart) {
    return chart.accounts().collect(Collectors.toMap(Account::id, account -> account));
  }

  /** What the rules say, in one short text; the same for the same rules. */
  @Transactional(readOnly = true)
  public String state() {
    return entities
        .createNativeQuery(
            """
            select count(*) || ',' || coalesce(sum(uuid_hash_extended(id, version)), 0)
              from rule where household_id = :household\
            """,
            String.class)
        .setParameter("household", SignedIn.now().householdId())
        .getSingleResult()
        .toString();
  }

  /** Adds a rule at the end of the order. */
  @Transactional
  @ForBookkeepers
  public RuleEntity add(Rule rule) {
    Chart chart = charts.chart();
    sound.requireWhole(rule, chart);
    acts.begin(ActKind.RULES, "Made a rule: " + told(rule, chart));
    var row = new RuleEntity(rule, lastPlace() + 1);
    entities.persist(row);
    return row;
  }

  private int lastPlace() {
    return entities
        .createQuery("select coalesce(max(place), 0) from Rule", Integer.class)
        .getSingleResult();
  }

  @Transactional
  @ForBookkeepers
  public RuleEntity change(Rule rule, int version) {
    Chart chart = charts.chart();
    sound.requireWhole(rule, chart);
    RuleEntity row = find(rule.id(), version);
    Rule before = row.toRule();
    acts.begin(ActKind.RULES, changeInWords(before, rule) + told(rule, chart));
    row.become(rule);
    return row;
  }

  private static String changeInWords(Rule before, Rule after) {
    if (before.isOn() == after.isOn()) {
      return "Changed the rule: ";
    }
    return after.isOn() ? "Switched on the rule: " : "Switched off the rule: ";
  }

  @Transactional
  @ForBookkeepers
  public void remove(UUID id, int version) {
    RuleEntity row = find(id, version);
    acts.begin(ActKind.RULES, "Removed the rule: " + told(row.toRule(), charts.chart()));
    List<RuleEntity> rest = new ArrayList<>(inOrder());
    rest.remove(row);
    renumber(rest);
    entities.remove(row);
  }

  /** What a rule looks for, in words. */
  public static String told(Rule rule, Chart chart) {
    return ConditionText.of(rule.when(), id -> chart.account(id).name());
  }

  /** Moves a rule to a place of the order, counted from 1; the others close up. */
  @Transactional
  @ForBookkeepers
  public void move(UUID id, int place) {
    RuleEntity row = find(id);
    List<RuleEntity> order = new ArrayList<>(inOrder());
    acts.begin(ActKind.RULES, "Moved the rule: " + told(row.toRule(), charts.chart()));
    order.remove(row);
    order.add(Math.clamp(place - 1L, 0, order.size()), row);
    renumber(order);
  }

  private static void renumber(List<RuleEntity> order) {
    for (int i = 0; i < order.size(); i++) {
      order.get(i).moveTo(i + 1);
    }
  }

  RuleEntity find(UUID id) {
    RuleEntity row = entities.find(RuleEntity.class, id);
    if (row == null) {
      throw new NotFound("rule");
    }
    return row;
  }

  private RuleEntity find(UUID id, int version) {
    RuleEntity row = find(id);
    if (row.version() != version) {
      throw Conflict.changedMeanwhile("rule");
    }
    return row;
  }
}
