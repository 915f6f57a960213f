package org.yewledger.app.plan;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.AccountBalances;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.EntryEntity;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.plan.GoalJson.BalanceGoalJson;
import org.yewledger.app.plan.SetAsideJson.DivideJson;
import org.yewledger.app.plan.SetAsideJson.DividedJson;
import org.yewledger.app.plan.SetAsideJson.DivisionTemplateJson;
import org.yewledger.app.plan.SetAsideJson.PaidCategoryJson;
import org.yewledger.app.plan.SetAsideJson.PlacedJson;
import org.yewledger.app.plan.SetAsideJson.PurposeJson;
import org.yewledger.app.plan.SetAsideJson.SetAsidesJson;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Position;
import org.yewledger.core.money.Amount;
import org.yewledger.core.plan.BalanceGoal;
import org.yewledger.core.plan.Division;
import org.yewledger.core.plan.SetAsides;
import org.yewledger.core.plan.Taking;

/** Tells what is set aside in accounts, and divides what is free over purposes. */
@Service
class SetAsideService {
  /** The newest entry that moved only between an account and its purposes, and placed something. */
  private static final String LAST_DIVISION =
      """
      select e.date, p.account_id, p.amount_minor from posting p
        join entry e on e.household_id = :household and e.id = p.entry_id
       where p.household_id = :household and p.account_id = any(:purposes) and p.amount_minor > 0 and e.id = (
         select d.id from posting q join entry d on d.household_id = :household and d.id = q.entry_id
          where q.household_id = :household and q.account_id = :account and q.amount_minor < 0 and d.counters_id is null
            and not exists (select 1 from posting o where o.household_id = :household and o.entry_id = d.id
                               and o.account_id <> :account and not o.account_id = any(:purposes))
            and not exists (select 1 from entry c where c.household_id = :household and c.counters_id = d.id)
          order by d.date desc, d.no desc limit 1)\
      """;

  private final ChartService charts;
  private final AccountBalances balances;
  private final Goals goals;
  private final DivisionTemplates templates;
  private final PurposeSpending spending;
  private final AccountLocks locks;
  private final EntryStore entries;
  private final HouseholdDays days;
  private final Acts acts;
  private final JdbcClient jdbc;

  SetAsideService(
      ChartService charts,
      AccountBalances balances,
      Goals goals,
      DivisionTemplates templates,
      PurposeSpending spending,
      AccountLocks locks,
      EntryStore entries,
      HouseholdDays days,
      Acts acts,
      JdbcClient jdbc) {
    this.charts = charts;
    this.balances = balances;
    this.goals = goals;
    this.templates = templates;
    this.spending = spending;
    this.locks = locks;
    this.entries = entries;
    this.days = days;
    this.acts = acts;
    this.jdbc = jdbc;
  }

  /** The accounts in which anything is set aside, of a book or of all. */
  @Transactional(readOnly = true)
  List<SetAsidesJson> all(@Nullable UUID bookId) {
    Chart chart = charts.chart();
    LocalDate today = days.today();
    var kept = new Kept(spending.pays(chart), templates.all());
    return chart
        .reconciledAccounts(bookId)
        .map(account -> of(chart, account, today))
        .filter(one -> !one.purposes().isEmpty())
        .map(one -> json(one, kept, today))
        .toList();
  }

  /** What is set aside in an account at the end of a day. */
  SetAsides of(Chart chart, Account account, LocalDate day) {
    List<Account> purposes =
        chart.atBank(account.id()).stream()
            .filter(id -> !id.equals(account.id()))
            .map(chart::account)
            .filter(a -> a.closedOn() == null)
            .toList();
    if (purposes.isEmpty()) {
      return new SetAsides(account, Amount.zero(account.currency()), List.of());
    }
    List<Account> all = new ArrayList<>(purposes);
    all.add(account);
    Map<UUID, Position> stands = balances.at(day, all);
    return new SetAsides(
        account,
        stands.getOrDefault(account.id(), Position.empty(account)).amount(),
        purposes.stream()
            .map(p ->
                new SetAsides.Purpose(p, stands.getOrDefault(p.id(), Position.empty(p)).amount()))
            .toList());
  }

  private record Last(LocalDate day, Map<UUID, Amount> placed) {}

  private Optional<Last> last(SetAsides of) {
    Map<UUID, Amount> placed = new HashMap<>();
    List<LocalDate> day = new ArrayList<>();
    jdbc.sql(LAST_DIVISION)
        .param("household", SignedIn.now().householdId())
        .param("account", of.account().id())
        .param("purposes", of.purposes().stream().map(p -> p.account().id()).toArray(UUID[]::new))
        .query(row -> {
          day.add(row.getObject(1, LocalDate.class));
          placed.put(
              row.getObject(2, UUID.class),
              Amount.ofMinor(row.getLong(3), of.account().currency()));
        });
    return day.stream().findFirst().map(on -> new Last(on, placed));
  }

  /** What is kept for the set-asides of all accounts. */
  private record Kept(Map<UUID, Taking.Pays> pays, List<DivisionTemplates.Template> templates) {}

  private SetAsidesJson json(SetAsides of, Kept kept, LocalDate today) {
    Optional<Last> last = last(of);
    Map<Account, BalanceGoal> set =
        goals.balances(of.purposes().stream().map(SetAsides.Purpose::account).toList());
    Taking taking = spending.taking(of, kept.pays().values());
    return new SetAsidesJson(
        of.account().bookId(),
        of.account().id(),
        of.account().name(),
        of.account().currency().getCode(),
        of.setAside().decimal(),
        of.free().decimal(),
        of.whole().decimal(),
        last.map(Last::day).orElse(null),
        taking.open().decimal(),
        kept.templates().stream()
            .filter(one -> one.accountId().equals(of.account().id()))
            .map(one -> json(one, of.account()))
            .toList(),
        of.purposes().stream()
            .map(p ->
                json(
                    p,
                    last.map(l -> l.placed().get(p.account().id())).orElse(null),
                    goal(p, set.get(p.account()), today),
                    kept.pays().get(p.account().id()),
                    taking.open(p.account().id())))
            .toList());
  }

  private static PurposeJson json(
      SetAsides.Purpose purpose,
      @Nullable Amount lastTime,
      @Nullable BalanceGoalJson goal,
      Taking.@Nullable Pays pays,
      Amount toTakeOut) {
    return new PurposeJson(
        purpose.account().id(),
        purpose.account().name(),
        purpose.stands().decimal(),
        lastTime == null ? null : lastTime.decimal(),
        goal,
        pays == null
            ? List.of()
            : pays.categories().stream()
                .map(category -> new PaidCategoryJson(category.id(), category.name()))
                .toList(),
        pays == null ? null : pays.since(),
        pays != null && pays.asPosted(),
        toTakeOut.decimal());
  }

  private static DivisionTemplateJson json(DivisionTemplates.Template template, Account account) {
    return new DivisionTemplateJson(
        template.id(),
        template.name(),
        template.placed().entrySet().stream()
            .map(one ->
                new PlacedJson(
                    one.getKey(), Amount.ofMinor(one.getValue(), account.currency()).decimal()))
            .toList());
  }

  private static @Nullable BalanceGoalJson goal(
      SetAsides.Purpose purpose, @Nullable BalanceGoal goal, LocalDate today) {
    return goal == null
        ? null
        : BalanceGoalJson.of(purpose.account(), goal, goal.at(today, purpose.stands()));
  }

  /**
   * Books a division.
   *
   * @throws Refusal as {@link Division#entry} does
   */
  @Transactional
  @ForBookkeepers
  public DividedJson divide(UUID accountId, DivideJson wanted) {
    locks.shared(charts.chart().atBank(accountId));
    // Somebody may have changed them until they were held.
    entries.forgetRead();
    Chart chart = charts.chart();
    Account account = chart.account(accountId);
    Map<UUID, Amount> placed = new HashMap<>();
    for (PlacedJson one : wanted.placed()) {
      placed.merge(one.accountId(), Amount.of(one.amount(), account.currency()), Amount::plus);
    }
    Division division =
        new Division(
            of(chart, account, wanted.day()),
            Amount.of(wanted.toPlace(), account.currency()),
            placed);
    Entry entry = division.entry(wanted.day());
    acts.begin(
        ActKind.ENTER,
        "Set aside %s in %s".formatted(division.placedInAll().shown(), account.name()));
    EntryEntity made = entries.add(List.of(entry)).getFirst().entry();
    return new DividedJson(made.id(), made.no(), made.date(), division.placedInAll().decimal());
  }
}
