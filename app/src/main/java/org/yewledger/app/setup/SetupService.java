package org.yewledger.app.setup;

import java.time.LocalDate;
import java.time.Month;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.AccountFacts;
import org.yewledger.app.chart.AccountService;
import org.yewledger.app.chart.BookService;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.currency.RateService;
import org.yewledger.app.opening.OpeningEntryJson;
import org.yewledger.app.opening.OpeningService;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.setup.SetupJson.MissingJson;
import org.yewledger.app.setup.SetupJson.SetupBookJson;
import org.yewledger.app.setup.SetupJson.SetupDraftJson;
import org.yewledger.app.setup.SetupJson.SetupGroupJson;
import org.yewledger.app.setup.SetupJson.SetupPageJson;
import org.yewledger.app.setup.SetupJson.StarterJson;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.chart.HouseholdPlan;
import org.yewledger.core.chart.HouseholdPlan.AccountPlan;
import org.yewledger.core.chart.HouseholdPlan.BookPlan;
import org.yewledger.core.chart.StarterChart;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.money.ExchangeRate;
import tools.jackson.databind.json.JsonMapper;

/**
 * A new household, filled in on one page. What is typed is kept as a draft, so that it can be left
 * and taken up again; opening the books makes everything at once.
 */
@Service
public class SetupService {
  private record Kept(String draft, int version) {}

  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final ChartService charts;
  private final BookService books;
  private final AccountService accounts;
  private final OpeningService openings;
  private final RateService rates;
  private final Acts acts;
  private final HouseholdDays days;

  SetupService(
      JdbcClient jdbc,
      JsonMapper json,
      ChartService charts,
      BookService books,
      AccountService accounts,
      OpeningService openings,
      RateService rates,
      Acts acts,
      HouseholdDays days) {
    this.jdbc = jdbc;
    this.json = json;
    this.charts = charts;
    this.books = books;
    this.accounts = accounts;
    this.openings = openings;
    this.rates = rates;
    this.acts = acts;
    this.days = days;
  }

  @Transactional(readOnly = true)
  SetupPageJson page() {
    requireNotOpen();
    Optional<Kept> kept = kept();
    SetupDraftJson draft =
        kept.map(k -> json.readValue(k.draft(), SetupDraftJson.class)).orElseGet(this::firstDraft);
    return page(draft, kept.map(Kept::version).orElse(0));
  }

  /** What is missing in a household whose books are not open yet; empty once they are. */
  @Transactional(readOnly = true)
  public List<String> missing(Chart chart) {
    if (chart.books().findAny().isPresent()) {
      return List.of();
    }
    return page().missing().stream().map(MissingJson::what).toList();
  }

  /**
   * Keeps the draft, whole or not.
   *
   * @throws Conflict if it was changed in another window
   */
  @Transactional
  @ForBookkeepers
  public SetupPageJson keep(SetupDraftJson draft, int version) {
    requireNotOpen();
    draft.toPlan();
    UUID household = SignedIn.now().householdId();
    int kept =
        jdbc.sql(
                """
                insert into household_setup as s (household_id, draft, version) values (:household, :draft::jsonb, 1)
                on conflict (household_id) do update set draft = excluded.draft, version = s.version + 1
                 where s.version = :version\
                """)
            .param("household", household)
            .param("draft", json.writeValueAsString(draft))
            .param("version", version)
            .update();
    if (kept == 0) {
      throw Conflict.changedMeanwhile("page");
    }
    return page(draft, kept().map(Kept::version).orElse(1));
  }

  /**
   * Makes books, charts, accounts and opening balances from the draft, all or none.
   *
   * @throws org.yewledger.core.Refusal {@code setup-unfinished}
   */
  @Transactional
  @ForBookkeepers
  public void openBooks(int version) {
    requireNotOpen();
    Kept kept = kept().orElseThrow(() -> Conflict.changedMeanwhile("page"));
    if (kept.version() != version) {
      throw Conflict.changedMeanwhile("page");
    }
    HouseholdPlan plan = json.readValue(kept.draft(), SetupDraftJson.class).toPlan();
    plan.requireWhole();
    acts.begin(ActKind.OPEN_BOOKS, "Opened the books of " + plan.name());
    jdbc.sql("update household set name = ? where id = ?")
        .params(plan.name(), SignedIn.now().householdId())
        .update();
    var made = new ArrayList<Book>();
    for (BookPlan book : plan.books()) {
      made.add(books.add(book.name(), book.currency(), book.fiscalYearStartsIn(), book.groups()));
    }
    List<ExchangeRate> typed =
        plan.accounts().stream()
            .map(AccountPlan::rate)
            .<ExchangeRate>mapMulti((rate, known) -> {
              if (rate != null) {
                known.accept(rate);
              }
            })
            .distinct()
            .toList();
    if (!typed.isEmpty()) {
      rates.keep(typed);
    }
    Chart chart = charts.chart();
    var wanted = new ArrayList<OpeningService.Wanted>();
    for (AccountPlan account : plan.accounts()) {
      UUID id = add(account, made.get(account.book()), chart);
      if (account.balance() != null) {
        wanted.add(new OpeningService.Wanted(id, plan.beginsOn(), account.balance()));
      }
    }
    openings.set(wanted);
    jdbc.sql("delete from household_setup where household_id = ?")
        .param(SignedIn.now().householdId())
        .update();
  }

  private UUID add(AccountPlan plan, Book book, Chart chart) {
    var account =
        new Account(Ids.next(), book, plan.name(), plan.kind(), plan.currency(), false, null);
    return accounts.add(chart, account, null, AccountFacts.ofTail(plan.ending())).id();
  }

  private SetupPageJson page(SetupDraftJson draft, int version) {
    HouseholdPlan plan = draft.toPlan();
    var sheets = new ArrayList<OpeningEntryJson>();
    for (int i = 0; i < plan.books().size(); i++) {
      BookPlan book = plan.books().get(i);
      sheets.add(
          OpeningEntryJson.of(
              plan.openings(i, new Book(new UUID(0, i), book.name(), book.currency()))));
    }
    return new SetupPageJson(
        version,
        draft,
        sheets,
        plan.missing().stream().map(m -> new MissingJson(m.stops(), m.what())).toList(),
        plan.advice().orElse(""),
        Arrays.stream(StarterChart.values())
            .map(s -> new StarterJson(s, s.groups().stream().map(SetupGroupJson::of).toList()))
            .toList());
  }

  /** Where the page begins: a family book in euros, from the first of this month. */
  private SetupDraftJson firstDraft() {
    @SuppressWarnings("NullAway")
    String name =
        jdbc.sql("select name from household where id = ?")
            .param(SignedIn.now().householdId())
            .query(String.class)
            .single();
    var family =
        new SetupBookJson(
            "Household",
            "EUR",
            Month.JANUARY.getValue(),
            StarterChart.FAMILY,
            StarterChart.FAMILY.groups().stream().map(SetupGroupJson::of).toList());
    LocalDate firstOfMonth = days.today().withDayOfMonth(1);
    return new SetupDraftJson(name, firstOfMonth, List.of(family), List.of());
  }

  private Optional<Kept> kept() {
    return jdbc.sql(
            "select draft::text as draft, version from household_setup where household_id = ?")
        .param(SignedIn.now().householdId())
        .query(Kept.class)
        .optional();
  }

  private void requireNotOpen() {
    if (charts.chart().books().findAny().isPresent()) {
      throw new Conflict(
          "books-open", "The books of this household are open. Change them in the Chart.");
    }
  }
}
