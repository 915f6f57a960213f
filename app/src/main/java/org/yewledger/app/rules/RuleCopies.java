package org.yewledger.app.rules;

import java.util.UUID;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.chart.TaxRateService;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.Ids;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.rules.Division;
import org.yewledger.core.rules.Rule;
import org.yewledger.core.tax.TaxChoice;

/** Copies rules, in their book or into another one. */
@Service
class RuleCopies {
  private final RuleService rules;
  private final ChartService charts;
  private final TaxRateService taxRates;

  RuleCopies(RuleService rules, ChartService charts, TaxRateService taxRates) {
    this.rules = rules;
    this.charts = charts;
    this.taxRates = taxRates;
  }

  /**
   * Makes the same rule at the end of the order. It is not trusted: what is new is looked at first.
   *
   * @throws Refusal {@code unknown-account} if the book has no account of a name that the rule
   *     names
   */
  @Transactional
  @ForBookkeepers
  public RuleEntity copy(UUID id, UUID bookId) {
    Rule rule = rules.find(id).toRule();
    return rules.add(moved(rule, bookId, new ByName(charts.chart(), taxRates.all())));
  }

  /** Whether the other book has all that a rule names. */
  static boolean canMove(Rule rule, UUID bookId, ByName names) {
    try {
      moved(rule, bookId, names);
      return true;
    } catch (Refusal e) {
      return false;
    }
  }

  /**
   * The rule with its accounts and tax rates of the same names in another book.
   *
   * @throws Refusal {@code unknown-account} or {@code tax-rate-unknown} if one is not there
   */
  static Rule moved(Rule rule, UUID bookId, ByName names) {
    if (rule.bookId().equals(bookId)) {
      return new Rule(Ids.next(), bookId, rule.when(), rule.then(), rule.isOn(), null);
    }
    UnaryOperator<UUID> there = account -> sameName(account, bookId, names);
    Rule.Then then = rule.then();
    var division =
        new Division(
            then.division().withAccounts(there).shares().stream()
                .map(share -> atRateOf(share, bookId, names))
                .toList());
    return new Rule(
        Ids.next(),
        bookId,
        rule.when().withAccounts(there),
        new Rule.Then(then.payee(), division, then.tags(), then.note()),
        rule.isOn(),
        null);
  }

  /** A rate is of its book: there it is the one of the same name. */
  private static Division.Share atRateOf(Division.Share share, UUID bookId, ByName names) {
    UUID rate = share.tax().rateId();
    if (rate == null) {
      return share;
    }
    String name = names.nameOfRate(rate);
    UUID there =
        names.rate(name, bookId).orElseThrow(() -> missing("tax-rate-unknown", "tax rate " + name));
    return new Division.Share(share.accountId(), share.size(), TaxChoice.at(there));
  }

  private static UUID sameName(UUID accountId, UUID bookId, ByName names) {
    Account account = names.chart().account(accountId);
    return account.bookId().equals(bookId)
        ? accountId
        : names
            .account(account.name(), bookId)
            .orElseThrow(() -> missing("unknown-account", "account " + account.name()));
  }

  private static Refusal missing(String code, String what) {
    return Refusal.ofField(
        code,
        "bookId",
        "The book has no %s, which the rule names. Make one there first.".formatted(what));
  }
}
