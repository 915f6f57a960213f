package org.yewledger.app.journal;

import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.AccountBalances;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.chart.TaxChoices;
import org.yewledger.app.chart.TaxRateService;
import org.yewledger.app.household.OwnFormats;
import org.yewledger.app.journal.EntryReader.EntryView;
import org.yewledger.app.journal.EntryReader.PostingView;
import org.yewledger.app.journal.QuickEntryJson.HoldsJson;
import org.yewledger.app.journal.QuickEntryJson.PlaceJson;
import org.yewledger.app.journal.QuickEntryJson.QuickMissingJson;
import org.yewledger.app.journal.QuickEntryJson.QuickReadJson;
import org.yewledger.app.journal.QuickEntryJson.QuickTypedJson;
import org.yewledger.app.journal.QuickEntryJson.ReadDayJson;
import org.yewledger.app.journal.QuickEntryJson.ReadMoneyJson;
import org.yewledger.app.journal.QuickEntryJson.UsualJson;
import org.yewledger.app.payee.PayeeNames;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.entry.LastEntry;
import org.yewledger.core.entry.QuickEntry;
import org.yewledger.core.entry.Typed;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.BetweenBooks;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Marks;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.ledger.SalesTaxes;
import org.yewledger.core.money.Amount;

/** Entries that are typed on one line: what the fields mean as one types, and the entry itself. */
@Service
class QuickEntryService {
  private static final int LOOKED_AT = 3;

  private final JdbcClient jdbc;
  private final PayeeNames payees;
  private final ChartService charts;
  private final TaxRateService taxRates;
  private final OwnFormats formats;
  private final HouseholdDays days;
  private final AccountBalances balances;
  private final AccountLocks locks;
  private final LedgerService ledgers;
  private final EntryReader reader;
  private final EntryStore entries;
  private final Acts acts;

  QuickEntryService(
      JdbcClient jdbc,
      PayeeNames payees,
      ChartService charts,
      TaxRateService taxRates,
      OwnFormats formats,
      HouseholdDays days,
      AccountBalances balances,
      AccountLocks locks,
      LedgerService ledgers,
      EntryReader reader,
      EntryStore entries,
      Acts acts) {
    this.jdbc = jdbc;
    this.payees = payees;
    this.charts = charts;
    this.taxRates = taxRates;
    this.formats = formats;
    this.days = days;
    this.balances = balances;
    this.locks = locks;
    this.ledgers = ledgers;
    this.reader = reader;
    this.entries = entries;
    this.acts = acts;
  }

  /** What the fields mean, and the entry that they would become. Books nothing. */
  @Transactional(readOnly = true)
  QuickReadJson read(QuickTypedJson typed) {
    Chart chart = charts.chart();
    Earlier earlier = earlier(typed.payee(), LOOKED_AT, chart);
    QuickEntry quick = quick(typed, earlier, chart);
    List<Posting> postings = List.of();
    QuickMissingJson missing = null;
    try {
      postings = quick.entry(ledgers.lookingAhead(chart)).postings();
    } catch (Refusal refusal) {
      missing = new QuickMissingJson(refusal.field(), refusal.getMessage());
    }
    Account account = quick.account();
    return new QuickReadJson(
        ReadDayJson.of(quick.day()),
        ReadMoneyJson.of(quick.amount()),
        currency(account, chart).getCode(),
        account == null ? null : account.id(),
        account == null ? null : account.bookId(),
        quick.signed().map(Amount::decimal).orElse(null),
        quick.arrives() == null ? null : ReadMoneyJson.of(quick.arrives()),
        usual(earlier),
        PlaceJson.of(quick.from()),
        PlaceJson.of(quick.to()),
        quick.marks().method(),
        quick.marks().tags(),
        quick.tax().rateId(),
        TaxChoices.untaxed(quick.tax()),
        holds(quick),
        BookPostingsJson.of(postings),
        BetweenBooks.inWords(postings),
        missing);
  }

  /**
   * Books what was typed.
   *
   * @return the identity of the entry
   * @throws Refusal as {@link QuickEntry#entry} does
   */
  @Transactional
  @ForBookkeepers
  public UUID enter(QuickTypedJson typed) {
    locks.shared(
        typed.namesAllAccounts() ? typed.accountIds() : touched(quick(typed, charts.chart())));
    // Somebody may have closed one of them until they were held.
    entries.forgetRead();
    Chart chart = charts.chart();
    QuickEntry quick = quick(typed, chart);
    Entry ahead = quick.entry(ledgers.lookingAhead(chart));
    acts.begin(
        ActKind.ENTER,
        "Entered %s, %s".formatted(ahead.payee(), ahead.postings().getFirst().amount().shown()));
    Entry entry = quick.entry(ledgers.ledger(chart));
    return entries.add(List.of(entry)).getFirst().entry().id();
  }

  private static Set<UUID> touched(QuickEntry quick) {
    Set<UUID> accounts = new HashSet<>();
    Stream.of(quick.account(), quick.from(), quick.to())
        .filter(Objects::nonNull)
        .forEach(account -> accounts.add(account.id()));
    quick.typing().parts().forEach(part -> accounts.add(part.account().id()));
    return accounts;
  }

  private QuickEntry quick(QuickTypedJson typed, Chart chart) {
    // Of earlier entries only the newest fills in what was left out.
    return quick(typed, earlier(typed.payee(), 1, chart), chart);
  }

  private QuickEntry quick(QuickTypedJson typed, Earlier earlier, Chart chart) {
    LocalDate today = days.today();
    QuickEntry.Typing typing = typed.toTyping(chart);
    return QuickEntry.of(
        typing,
        new QuickEntry.Context(
            typed.base() == null ? today : typed.base(),
            today,
            formats.formats(),
            currency(typing.fixed(), chart),
            earlier.places().stream().findFirst(),
            payees.categoryOf(typed.payee()).map(chart::account).orElse(null)));
  }

  private static CurrencyUnit currency(@Nullable Account account, Chart chart) {
    return account == null
        ? chart.books().findFirst().orElseThrow().toBook().currency()
        : account.currency();
  }

  private static LastEntry last(EntryView entry, SalesTaxes taxes) {
    return LastEntry.of(
        entry.entry().date(),
        entry.postings().stream().map(PostingView::posting).toList(),
        new Marks("", entry.entry().method(), entry.tags()),
        taxes);
  }

  /** The newest entries with a payee, the newest first. Cost: by an index, however many it has. */
  private List<EntryView> lastOf(String payee, int most, Chart chart) {
    if (payee.isBlank()) {
      return List.of();
    }
    List<UUID> ids =
        jdbc.sql(
                """
                select e.id from payee y
                  cross join lateral (
                    select id, date, no from entry
                     where household_id = :household and payee_id = y.id and origin <> 'OPENING' and counters_id is null
                     order by date desc, no desc limit :most) e
                 where y.household_id = :household and lower(y.name) = lower(:name) order by e.date desc, e.no desc\
                """)
            .param("household", SignedIn.now().householdId())
            .param("name", payee.strip())
            .param("most", most)
            .query((row, no) -> Objects.requireNonNull(row.getObject(1, UUID.class)))
            .list();
    EntryReader.EntryViews read = reader.byId(ids, chart);
    return ids.stream().map(read::of).toList();
  }

  /** The newest entries with a payee, the newest first, and where their money went. */
  private record Earlier(List<EntryView> entries, List<LastEntry> places) {}

  private Earlier earlier(String payee, int most, Chart chart) {
    List<EntryView> entries = lastOf(payee, most, chart);
    if (entries.isEmpty()) {
      return new Earlier(List.of(), List.of());
    }
    SalesTaxes taxes = taxRates.taxes(chart);
    return new Earlier(entries, entries.stream().map(entry -> last(entry, taxes)).toList());
  }

  private @Nullable UsualJson usual(Earlier earlier) {
    if (earlier.entries().isEmpty()) {
      return null;
    }
    EntryView first = earlier.entries().getFirst();
    LastEntry newest = earlier.places().getFirst();
    int alike = (int) earlier.places().stream().filter(newest::isLike).count();
    return new UsualJson(count(first), alike, first.no(), first.entry().date());
  }

  private int count(EntryView entry) {
    return jdbc.sql("select count(*) from entry where household_id = ? and payee_id = ?")
        .params(SignedIn.now().householdId(), entry.entry().payeeId())
        .query(Integer.class)
        .single();
  }

  /** What the account of the line holds at the end of the day, before and after. */
  private @Nullable HoldsJson holds(QuickEntry quick) {
    Account account = quick.account();
    if (account == null
        || !account.kind().hasOpeningBalance()
        || !(quick.day() instanceof Typed.Means<LocalDate>(LocalDate day))) {
      return null;
    }
    Amount before = balances.of(account, day).amount();
    return new HoldsJson(
        account.name(),
        account.currency().getCode(),
        before.decimal(),
        quick.signed().map(before::plus).orElse(before).decimal());
  }
}
