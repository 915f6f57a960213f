package org.yewledger.app.demo;

import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.Month;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.yewledger.app.chart.AccountEntity;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.BookService;
import org.yewledger.app.chart.TaxRateService;
import org.yewledger.app.currency.RateService;
import org.yewledger.app.household.HouseholdFounding;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.rules.RuleService;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.ExchangeRates;
import org.yewledger.core.rules.Condition;
import org.yewledger.core.rules.Division;
import org.yewledger.core.rules.Rule;
import org.yewledger.core.rules.TextMatch;
import org.yewledger.core.rules.TextPlace;
import org.yewledger.demo.AldercottChart;
import org.yewledger.demo.AldercottChart.ChartAccount;
import org.yewledger.demo.DemoRates;
import org.yewledger.demo.DemoRules;
import org.yewledger.demo.DemoRules.DemoRule;

/** Loads the Aldercotts' books at the first start with {@code yew.demo=true}. */
@Component
@ConditionalOnProperty("yew.demo")
class DemoHousehold implements ApplicationRunner {
  private static final Logger LOG = LoggerFactory.getLogger(DemoHousehold.class);
  private static final String EMAIL = "wren@aldercott.example";
  private static final String PASSWORD = "saltmarsh";

  private final HouseholdFounding founding;
  private final EntityManager entities;
  private final EntryStore entries;
  private final RuleService rules;
  private final RateService rates;
  private final TaxRateService taxRates;
  private final BookService bookService;
  private final DemoMonths months;
  private final DemoPlans plans;

  DemoHousehold(
      HouseholdFounding founding,
      EntityManager entities,
      EntryStore entries,
      RuleService rules,
      RateService rates,
      TaxRateService taxRates,
      BookService bookService,
      DemoMonths months,
      DemoPlans plans) {
    this.founding = founding;
    this.entities = entities;
    this.entries = entries;
    this.rules = rules;
    this.rates = rates;
    this.taxRates = taxRates;
    this.bookService = bookService;
    this.months = months;
    this.plans = plans;
  }

  @Override
  public void run(ApplicationArguments args) {
    SignedIn wren =
        HouseholdFounding.newOwner(fixed("wren"), "Wren Aldercott", EMAIL, fixed("aldercott"));
    if (!founding.isFounded(wren)) {
      founding.found("Aldercott", "Europe/Amsterdam", wren, PASSWORD, this::load);
      LOG.info("The demo household is loaded.");
    }
  }

  private void load() {
    DemoChart chart = makeChart();
    rates.keep(DemoRates.rates());
    openAccounts(chart);
    for (DemoRule rule : DemoRules.rules()) {
      rules.add(rule(rule, chart));
    }
    months.load(chart);
    plans.load(chart);
  }

  private DemoChart makeChart() {
    Map<String, Book> books = new HashMap<>();
    for (String name : List.of(AldercottChart.HOUSEHOLD, AldercottChart.PRESS)) {
      var book = new Book(Ids.next(), name, CurrencyUnit.EUR);
      entities.persist(new BookEntity(book, Month.OCTOBER, books.size()));
      books.put(name, book);
    }
    entities.flush();
    UUID exempt =
        DemoFacts.register(
            taxRates, bookService, Objects.requireNonNull(books.get(AldercottChart.PRESS)));
    var chart = new DemoChart();
    for (ChartAccount a : AldercottChart.accounts()) {
      var account =
          new Account(
              Ids.next(),
              Objects.requireNonNull(books.get(a.book())),
              a.name(),
              a.kind(),
              a.currency(),
              a.group(),
              a.opensOn());
      UUID parent = a.parent() == null ? null : chart.account(a.parent()).id();
      entities.persist(new AccountEntity(account, parent, DemoFacts.of(a, exempt), chart.size()));
      chart.add(account);
    }
    entities.flush();
    return chart;
  }

  private void openAccounts(DemoChart chart) {
    for (ChartAccount a : AldercottChart.accounts()) {
      if (a.openingMinor() != 0) {
        Account equity = openingEquity(a.book(), chart);
        entries.add(
            List.of(
                Entry.opening(
                    chart.account(a.name()),
                    Amount.ofMinor(a.openingMinor(), chart.account(a.name()).currency()),
                    equity,
                    ExchangeRates.NONE)));
      }
    }
  }

  private static Account openingEquity(String book, DemoChart chart) {
    return AldercottChart.accounts().stream()
        .filter(a -> a.book().equals(book) && a.kind() == AccountKind.OPENING_EQUITY)
        .map(a -> chart.account(a.name()))
        .findFirst()
        .orElseThrow();
  }

  private static Rule rule(DemoRule rule, DemoChart chart) {
    var when = new ArrayList<Condition>();
    when.add(Condition.Text.of(TextPlace.ANY, TextMatch.HAS_WORDS, rule.words()));
    when.add(new Condition.Way(rule.direction()));
    Account to = chart.account(rule.to());
    UUID bookId = to.bookId();
    if (!rule.onAccount().isEmpty()) {
      Account on = chart.account(rule.onAccount());
      when.add(new Condition.On(Set.of(on.id())));
      bookId = on.bookId();
    }
    return new Rule(
        Ids.next(),
        bookId,
        new Condition.All(when),
        new Rule.Then(rule.payee(), Division.wholeTo(to.id()), List.of(), ""),
        true,
        rule.trustedUpTo().isEmpty() ? null : new BigDecimal(rule.trustedUpTo()));
  }

  /** Fixed identities, so that a start finds the household that an earlier one has loaded. */
  private static UUID fixed(String name) {
    return UUID.nameUUIDFromBytes(("demo " + name).getBytes(StandardCharsets.UTF_8));
  }
}
