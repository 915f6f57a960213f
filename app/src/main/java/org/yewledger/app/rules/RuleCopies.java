package org.yewledger.app.rules;

import java.util.List;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
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
    Chart chart = charts.chart();
    Rule rule = rules.find(id).toRule();
    return rules.add(moved(rule, bookId, chart));
  }

  /** The rule with its accounts of the same names in another book. */
  Rule moved(Rule rule, UUID bookId, Chart chart) {
    UnaryOperator<UUID> there =
        account ->
            chart.account(account).bookId().equals(bookId)
                ? account
                : sameName(chart.account(account), bookId, chart);
    return new Rule(
        Ids.next(),
        bookId,
        rule.bookId().equals(bookId) ? rule.when() : rule.when().withAccounts(there),
        new Rule.Then(
            rule.then().payee(),
            rule.bookId().equals(bookId)
                ? rule.then().division()
                : new Division(
                    rule.then().division().withAccounts(there).shares().stream()
                        .map(share -> atRateOf(share, bookId))
                        .toList()),
            rule.then().tags(),
            rule.then().note()),
        rule.isOn(),
        null);
  }

  /** A rate is of its book: there it is the one of the same name. */
  private Division.Share atRateOf(Division.Share share, UUID bookId) {
    UUID rate = share.tax().rateId();
    if (rate == null) {
      return share;
    }
    List<TaxRateService.Kept> all = taxRates.all();
    String name =
        all.stream()
            .filter(kept -> kept.id().equals(rate))
            .map(kept -> kept.rate().name())
            .findFirst()
            .orElse("");
    return new Division.Share(
        share.accountId(),
        share.size(),
        RuleTableService.rateNamed(name, bookId, all)
            .map(TaxChoice::at)
            .orElseThrow(() ->
                Refusal.ofField(
                    "tax-rate-unknown",
                    "bookId",
                    "The book has no tax rate %s, which the rule names.".formatted(name))));
  }

  private static UUID sameName(Account account, UUID bookId, Chart chart) {
    return chart
        .accountsOf(bookId)
        .filter(other -> other.name().equalsIgnoreCase(account.name()))
        .findFirst()
        .orElseThrow(() ->
            Refusal.ofField(
                "unknown-account",
                "bookId",
                "%s has no account %s, which the rule names. Make one there first."
                    .formatted(chart.book(bookId).toBook().name(), account.name())))
        .id();
  }
}
