package org.yewledger.app.rules;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.TaxRateService;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.rules.Division;
import org.yewledger.core.rules.Rule;

/** Whether a rule that a person writes can be carried out with the accounts that there are. */
@Component
class SoundRules {
  private final TaxRateService taxRates;

  SoundRules(TaxRateService taxRates) {
    this.taxRates = taxRates;
  }

  /**
   * What it looks for, and what it books as far as that is said.
   *
   * @throws Refusal naming the field at fault
   */
  void require(Rule rule, Chart chart) {
    chart.book(rule.bookId());
    rule.requireSound();
    for (UUID id : rule.accounts()) {
      if (!id.equals(RuleJson.NOT_SAID)) {
        requireInUse(chart.account(id), rule);
      }
    }
  }

  /**
   * The same, with all accounts that it books to.
   *
   * @throws Refusal naming the field at fault
   */
  void requireWhole(Rule rule, Chart chart) {
    require(rule, chart);
    List<Division.Share> shares = rule.then().division().shares();
    for (int i = 0; i < shares.size(); i++) {
      requireBookable(chart.account(shares.get(i).accountId()), "shares." + i + ".accountId");
      UUID rate = shares.get(i).tax().rateId();
      if (rate != null) {
        taxRates.requireOf(rate, chart.account(shares.get(i).accountId()).bookId());
      }
    }
  }

  private static void requireBookable(Account to, String field) {
    if (to.group()) {
      throw Refusal.ofField(
          "posting-to-group",
          field,
          "%s is a group. Choose one of the accounts in it.".formatted(to.name()));
    }
    if (to.kind().isKeptByCore()) {
      throw Refusal.ofField(
          "kept-by-core",
          field,
          "%s is kept by itself. Choose the category, or the account in the other book."
              .formatted(to.name()));
    }
  }

  /** A rule that is switched off may name what is closed. */
  private static void requireInUse(Account account, Rule rule) {
    if (account.closedOn() != null && rule.isOn()) {
      throw Refusal.ofField(
          "account-closed",
          rule.then().division().accounts().contains(account.id()) ? "shares" : "when",
          "%s was closed on %s. Reopen it in the Chart first, or choose another account."
              .formatted(account.name(), account.closedOn()));
    }
  }
}
