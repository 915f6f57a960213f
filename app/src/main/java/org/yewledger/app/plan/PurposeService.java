package org.yewledger.app.plan;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.EntryEntity;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.plan.SetAsideJson.DividedJson;
import org.yewledger.app.plan.SetAsideJson.KeepPaysJson;
import org.yewledger.app.plan.SetAsideJson.KeepTemplateJson;
import org.yewledger.app.plan.SetAsideJson.PlacedJson;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.NotFound;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.money.Amount;
import org.yewledger.core.plan.Division;
import org.yewledger.core.plan.SetAsides;
import org.yewledger.core.plan.Taking;

/** Says what purposes pay for and takes it out of them; keeps templates of divisions. */
@Service
class PurposeService {
  private final ChartService charts;
  private final SetAsideService setAsides;
  private final DivisionTemplates templates;
  private final PurposeSpending spending;
  private final AccountLocks locks;
  private final EntryStore entries;
  private final Acts acts;

  PurposeService(
      ChartService charts,
      SetAsideService setAsides,
      DivisionTemplates templates,
      PurposeSpending spending,
      AccountLocks locks,
      EntryStore entries,
      Acts acts) {
    this.charts = charts;
    this.setAsides = setAsides;
    this.templates = templates;
    this.spending = spending;
    this.locks = locks;
    this.entries = entries;
    this.acts = acts;
  }

  /**
   * Keeps how an account is divided, in place of a template of the same name.
   *
   * @throws Refusal {@code template-unnamed}, or as {@link Division#entry} does
   */
  @Transactional
  @ForBookkeepers
  void keepTemplate(UUID accountId, KeepTemplateJson wanted) {
    Chart chart = charts.chart();
    Account account = chart.account(accountId);
    Map<UUID, Amount> placed = new HashMap<>();
    for (PlacedJson one : wanted.placed()) {
      Amount amount = Amount.of(one.amount(), account.currency());
      if (!amount.isZero()) {
        placed.merge(one.accountId(), amount, Amount::plus);
      }
    }
    SetAsides of = setAsides.of(chart, account, LocalDate.EPOCH);
    new Division(of, Amount.sum(account.currency(), placed.values()), placed).require();
    acts.begin(
        ActKind.BUDGETS, "Kept the template %s of a division".formatted(wanted.name().strip()));
    templates.keep(account, wanted.name(), placed);
  }

  /**
   * @throws NotFound if the household has no such template
   */
  @Transactional
  @ForBookkeepers
  void removeTemplate(UUID id) {
    String name = templates.find(id).name();
    acts.begin(ActKind.BUDGETS, "Gave the template %s up".formatted(name));
    templates.remove(id);
  }

  /**
   * Says what a purpose pays for; for nothing if there are none.
   *
   * @throws NotFound if the account is no set-aside
   * @throws Refusal as {@link Taking.Pays#require} does
   */
  @Transactional
  @ForBookkeepers
  void keepPays(UUID purposeId, KeepPaysJson wanted) {
    Chart chart = charts.chart();
    Account purpose = chart.account(purposeId);
    if (!purpose.kind().isPart()) {
      throw new NotFound("set-aside");
    }
    Map<UUID, Taking.Pays> others = spending.pays(chart);
    others.remove(purposeId);
    Taking.Pays pays =
        new Taking.Pays(
                purpose,
                wanted.categories().stream().distinct().map(chart::account).toList(),
                wanted.since(),
                wanted.asPosted())
            .require(List.copyOf(others.values()));
    acts.begin(ActKind.BUDGETS, "Said what %s pays for".formatted(purpose.name()));
    spending.keep(pays);
  }

  /**
   * Takes out of the purposes of an account what was spent on what they pay for.
   *
   * @throws Refusal {@code nothing-to-take}
   */
  @Transactional
  @ForBookkeepers
  DividedJson takeOut(UUID accountId, LocalDate day) {
    // Alone: two takings at once would both cover the same.
    locks.exclusive(charts.chart().atBank(accountId));
    // Somebody may have spent, or taken out, until they were held.
    entries.forgetRead();
    Chart chart = charts.chart();
    SetAsides of = setAsides.of(chart, chart.account(accountId), day);
    Taking taking = spending.taking(of, spending.pays(chart).values());
    Entry entry = taking.entry(day);
    acts.begin(
        ActKind.ENTER,
        "Took %s out of what is set aside in %s"
            .formatted(taking.open().shown(), taking.of().account().name()));
    EntryEntity made = entries.add(List.of(entry)).getFirst().entry();
    spending.took(made.id(), taking.items(), UnaryOperator.identity());
    return new DividedJson(made.id(), made.no(), made.date(), taking.open().decimal());
  }
}
