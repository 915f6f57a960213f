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
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
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
  private final Acts acts;

  RuleService(EntityManager entities, ChartService charts, Acts acts) {
    this.entities = entities;
    this.charts = charts;
    this.acts = acts;
  }

  /** All rules in the order in which they are tried. */
  @Transactional(readOnly = true)
  public List<RuleEntity> inOrder() {
    return entities.createQuery("from Rule order by place, id", RuleEntity.class).getResultList();
  }

  /**
   * The rules for the lines of each book: those that book into it, and those for one of its own
   * accounts, which may book into another book. They are kept until a rule changes. Cost: a look at
   * whether one has; linear in their number when it has.
   */
  @Transactional(readOnly = true)
  public Map<UUID, RuleBook> ruleBooks(Chart chart) {
    UUID household = SignedIn.now().householdId();
    String state = state();
    RuleBooks known = kept.get(household);
    if (known == null || !known.state().equals(state)) {
      known = new RuleBooks(state, read(chart));
      if (state().equals(state)) {
        kept.put(household, known);
      }
    }
    return known.byBook();
  }

  private Map<UUID, RuleBook> read(Chart chart) {
    Map<UUID, List<Rule>> byBook =
        inOrder().stream()
            .map(RuleEntity::toRule)
            .collect(Collectors.groupingBy(rule -> bookOf(rule, chart)));
    return byBook.entrySet().stream()
        .collect(Collectors.toMap(Map.Entry::getKey, e -> new RuleBook(e.getValue())));
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

  /** The book whose lines a rule is for. */
  static UUID bookOf(Rule rule, Chart chart) {
    UUID on = rule.when().accountId();
    return chart.account(on == null ? rule.then().accountId() : on).bookId();
  }

  /** Adds a rule at the end of the order. */
  @Transactional
  @ForBookkeepers
  public RuleEntity add(Rule rule) {
    requireBookable(rule);
    acts.begin(ActKind.RULES, "Made a rule for " + rule.when().words());
    var row = new RuleEntity(rule, inOrder().size() + 1);
    entities.persist(row);
    return row;
  }

  @Transactional
  @ForBookkeepers
  public RuleEntity change(Rule rule, int version) {
    requireBookable(rule);
    RuleEntity row = find(rule.id(), version);
    acts.begin(ActKind.RULES, "Changed the rule for " + rule.when().words());
    row.become(rule);
    return row;
  }

  @Transactional
  @ForBookkeepers
  public void remove(UUID id, int version) {
    RuleEntity row = find(id, version);
    acts.begin(ActKind.RULES, "Removed the rule for " + row.toRule().when().words());
    List<RuleEntity> rest = new ArrayList<>(inOrder());
    rest.remove(row);
    renumber(rest);
    entities.remove(row);
  }

  /** Moves a rule to a place of the order, counted from 1; the others close up. */
  @Transactional
  @ForBookkeepers
  public void move(UUID id, int place) {
    RuleEntity row = find(id);
    List<RuleEntity> order = new ArrayList<>(inOrder());
    acts.begin(ActKind.RULES, "Moved the rule for " + row.toRule().when().words());
    order.remove(row);
    order.add(Math.clamp(place - 1L, 0, order.size()), row);
    renumber(order);
  }

  private static void renumber(List<RuleEntity> order) {
    for (int i = 0; i < order.size(); i++) {
      order.get(i).moveTo(i + 1);
    }
  }

  private RuleEntity find(UUID id) {
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

  private void requireBookable(Rule rule) {
    Chart chart = charts.chart();
    Account to = chart.account(rule.then().accountId());
    if (to.group()) {
      throw Refusal.ofField(
          "posting-to-group",
          "toAccountId",
          "%s is a group. Choose one of the accounts in it.".formatted(to.name()));
    }
    if (to.kind().isKeptByCore()) {
      throw Refusal.ofField(
          "kept-by-core",
          "toAccountId",
          "%s is kept by itself. Choose the category, or the account in the other book."
              .formatted(to.name()));
    }
    if (rule.when().accountId() != null) {
      chart.account(rule.when().accountId());
    }
  }
}
