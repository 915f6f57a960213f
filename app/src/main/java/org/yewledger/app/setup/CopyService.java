package org.yewledger.app.setup;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AccountFacts;
import org.yewledger.app.chart.AccountService;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.chart.TaxRateService;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.rules.RuleTableService;
import org.yewledger.core.Refusal;
import org.yewledger.core.chart.AccountTree;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.money.Amount;

/** Copies what books can share from one to another; what is there already stays as it is. */
@Service
public class CopyService {
  /** How many of each were copied. */
  public record Copied(int categories, int rules, int taxRates) {}

  /** What to copy. */
  public record Wanted(boolean chart, boolean rules, boolean taxRates) {}

  private final ChartService charts;
  private final AccountService accounts;
  private final TaxRateService taxRates;
  private final RuleTableService rules;

  CopyService(
      ChartService charts,
      AccountService accounts,
      TaxRateService taxRates,
      RuleTableService rules) {
    this.charts = charts;
    this.accounts = accounts;
    this.taxRates = taxRates;
    this.rules = rules;
  }

  /** Categories with their groups, tax rates, and the rules whose category is there then. */
  @Transactional
  @ForBookkeepers
  public Copied copy(UUID fromId, UUID toId, Wanted wanted) {
    Chart chart = charts.chart();
    chart.book(fromId);
    Book to = chart.book(toId).toBook();
    if (fromId.equals(toId)) {
      throw Refusal.ofField("same-book", "fromId", "Choose another book to copy from.");
    }
    int copiedRates = wanted.taxRates() ? copyTaxRates(fromId, toId) : 0;
    int copiedCategories = wanted.chart() ? copyCategories(fromId, to, chart) : 0;
    int copiedRules = wanted.rules() ? rules.copy(fromId, toId) : 0;
    return new Copied(copiedCategories, copiedRules, copiedRates);
  }

  private int copyTaxRates(UUID fromId, UUID toId) {
    List<TaxRateService.Kept> all = taxRates.all();
    Set<String> there =
        all.stream()
            .filter(k -> k.bookId().equals(toId))
            .map(k -> key(k.rate().name()))
            .collect(Collectors.toSet());
    List<TaxRateService.Kept> missing =
        all.stream()
            .filter(k -> k.bookId().equals(fromId) && !there.contains(key(k.rate().name())))
            .toList();
    missing.forEach(k -> taxRates.add(toId, k.rate()));
    return missing.size();
  }

  private int copyCategories(UUID fromId, Book to, Chart chart) {
    Map<String, UUID> there = new HashMap<>();
    chart.accountsOf(to.id()).forEach(a -> there.put(key(a.name()), a.id()));
    var before = new HashSet<>(there.keySet());
    int copied = 0;
    for (AccountTree.Row row : chart.tree().rows(fromId, a -> Amount.zero(a.currency()))) {
      Account a = row.node().account();
      boolean category = a.accountClass().isCategory() && !a.kind().isKeptByCore();
      if (!category || a.closedOn() != null || before.contains(key(a.name()))) {
        continue;
      }
      UUID parent = there.get(key(chart.groupName(a.id())));
      var copy = new Account(Ids.next(), to, a.name(), a.kind(), to.currency(), a.group(), null);
      String line = chart.facts(a.id()).taxFormLine();
      accounts.add(chart, copy, parent, AccountFacts.NONE.withTaxFormLine(line));
      there.put(key(a.name()), copy.id());
      copied++;
    }
    return copied;
  }

  private static String key(String name) {
    return name.toLowerCase(Locale.ROOT);
  }
}
