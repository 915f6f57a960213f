package org.yewledger.app.account;

import java.sql.Date;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.account.AccountPageJson.BankJson;
import org.yewledger.app.account.AccountPageJson.DayJson;
import org.yewledger.app.account.AccountPageJson.OpeningOnPageJson;
import org.yewledger.app.account.AccountPageJson.RuleOnPageJson;
import org.yewledger.app.account.AccountPageJson.StatementOnPageJson;
import org.yewledger.app.chart.AccountBalances;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.chart.FactsJson;
import org.yewledger.app.chart.TaxRateService;
import org.yewledger.app.connection.FeedBalances;
import org.yewledger.app.opening.OpeningService;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.reconcile.ChainBreakService;
import org.yewledger.app.reconcile.StatementEntity;
import org.yewledger.app.reconcile.StatementService;
import org.yewledger.app.rules.RuleEntity;
import org.yewledger.app.rules.RuleService;
import org.yewledger.core.Refusal;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Position;
import org.yewledger.core.money.Amount;
import org.yewledger.core.reconcile.Reconciliation;
import org.yewledger.core.rules.Rule;

/** Puts an account's page together. */
@Service
class AccountPageService {
  private final ChartService charts;
  private final AccountBalances balances;
  private final FeedBalances feeds;
  private final TaxRateService taxRates;
  private final OpeningService openings;
  private final StatementService statements;
  private final ChainBreakService breaks;
  private final RuleService rules;
  private final AccountHistory history;
  private final JdbcClient jdbc;

  AccountPageService(
      ChartService charts,
      AccountBalances balances,
      FeedBalances feeds,
      TaxRateService taxRates,
      OpeningService openings,
      StatementService statements,
      ChainBreakService breaks,
      RuleService rules,
      AccountHistory history,
      JdbcClient jdbc) {
    this.charts = charts;
    this.balances = balances;
    this.feeds = feeds;
    this.taxRates = taxRates;
    this.openings = openings;
    this.statements = statements;
    this.breaks = breaks;
    this.rules = rules;
    this.history = history;
    this.jdbc = jdbc;
  }

  /** The account as it stands at the end of a day. */
  @Transactional(readOnly = true)
  AccountPageJson page(UUID id, LocalDate on) {
    Chart chart = charts.chart();
    Account account = chart.account(id);
    Position position = balances.of(account, on);
    Amount seen =
        account.kind().hasStatements()
            ? seenAtBank(id, on, position.amount())
            : Amount.zero(account.currency());
    List<StatementOnPageJson> all =
        account.kind().isReconciled() ? statementsOf(account) : List.of();
    var book = account.book();
    return new AccountPageJson(
        id,
        chart.version(id),
        book.id(),
        book.name(),
        chart.parentId(id),
        chart.groupName(id),
        account.name(),
        account.kind(),
        account.accountClass(),
        account.group(),
        account.kind().isKeptByCore(),
        account.kind().hasStatements(),
        account.currency().getCode(),
        book.currency().getCode(),
        account.opensOn(),
        account.closedOn(),
        FactsJson.of(chart.facts(id), account.currency()),
        taxRate(chart.facts(id).taxRateId(), on),
        on,
        position.amount().decimal(),
        position.value().decimal(),
        seen.decimal(),
        position.amount().minus(seen).decimal(),
        bank(account, on),
        opening(account, chart),
        days(account, on),
        all,
        rulesOf(id, chart),
        history.of(id),
        whyNotDeleted(account));
  }

  private @Nullable String taxRate(@Nullable UUID rateId, LocalDate on) {
    return taxRates.all().stream()
        .filter(k -> k.id().equals(rateId))
        .map(k ->
            k.rate().name()
                + k.rate().percentOn(on).map(p -> ", " + p.toPlainString() + " %").orElse(""))
        .findFirst()
        .orElse(null);
  }

  /** In the month of the day a statement first, then a feed; without either what was said last. */
  private @Nullable BankJson bank(Account account, LocalDate on) {
    List<StatementEntity> all = account.kind().isReconciled() ? statements.of(account) : List.of();
    YearMonth month = YearMonth.from(on);
    StatementEntity ofMonth =
        all.stream()
            .filter(s -> YearMonth.from(s.closesOn()).equals(month))
            .reduce((earlier, later) -> later)
            .orElse(null);
    if (ofMonth != null) {
      return bankByStatement(ofMonth, account);
    }
    Balance feed = feeds.lastIn(month).get(account.id());
    if (feed != null) {
      return bankByFeed(feed, account);
    }
    return all.isEmpty()
        ? feeds.last(account.id()).map(last -> bankByFeed(last, account)).orElse(null)
        : bankByStatement(all.getLast(), account);
  }

  private BankJson bankByStatement(StatementEntity statement, Account account) {
    Reconciliation sum = statements.reconciliation(statement);
    return new BankJson(
        statement.closesOn(),
        sum.closing().decimal(),
        sum.ticked().decimal(),
        sum.difference().decimal());
  }

  private BankJson bankByFeed(Balance feed, Account account) {
    Amount books = balances.whole(account, feed.on()).amount();
    return new BankJson(
        feed.on(), feed.amount().decimal(), books.decimal(), feed.amount().minus(books).decimal());
  }

  private List<StatementOnPageJson> statementsOf(Account account) {
    return statements.of(account).stream()
        .map(s ->
            new StatementOnPageJson(
                s.id(),
                s.closesOn(),
                s.closing(account.currency()).decimal(),
                s.isFinished(),
                (s.isFinished()
                        ? Amount.zero(account.currency())
                        : statements.reconciliation(s).difference())
                    .decimal(),
                breaks.of(s.id()).orElse(null)))
        .toList();
  }

  private @Nullable OpeningOnPageJson opening(Account account, Chart chart) {
    OpeningService.Opening opening = openings.openings().get(account.id());
    LocalDate opensOn = account.opensOn();
    if (opening == null || opensOn == null) {
      return null;
    }
    String equity =
        chart
            .keptByCore(account.bookId(), AccountKind.OPENING_EQUITY)
            .map(Account::name)
            .orElse("");
    return new OpeningOnPageJson(
        opensOn.minusDays(1),
        opening.entryNo(),
        opening.position().amount().decimal(),
        opening.position().value().decimal(),
        equity);
  }

  /** The balance before the twelve months, then after each day that changed it. */
  private List<DayJson> days(Account account, LocalDate on) {
    LocalDate first = on.plusDays(1).minusYears(1);
    var days = new ArrayList<DayJson>();
    var balance = new AtomicReference<>(balances.of(account, first.minusDays(1)).amount());
    if (account.opensOn() == null || account.opensOn().isBefore(first)) {
      days.add(new DayJson(first.minusDays(1), balance.get().decimal()));
    }
    jdbc.sql(
            """
            select date, sum(amount_minor) from posting
             where household_id = ? and account_id = ? and date between ? and ? group by 1 order by 1\
            """)
        .params(SignedIn.now().householdId(), account.id(), Date.valueOf(first), Date.valueOf(on))
        .query(row -> {
          Amount moved = Amount.ofMinor(row.getLong(2), account.currency());
          days.add(
              new DayJson(
                  row.getDate(1).toLocalDate(),
                  balance.updateAndGet(before -> before.plus(moved)).decimal()));
        });
    return days;
  }

  /** Few postings are not confirmed yet; what is, is the rest of the balance. */
  private Amount seenAtBank(UUID id, LocalDate on, Amount balance) {
    long open =
        jdbc.sql(
                """
                select coalesce(sum(p.amount_minor), 0)::bigint from posting p
                  join entry e on e.household_id = p.household_id and e.id = p.entry_id
                 where p.household_id = ? and p.account_id = ? and p.statement_id is null and p.date <= ?
                   and e.origin <> 'OPENING'
                   and not exists (select 1 from line_link k where k.household_id = p.household_id and k.posting_id = p.id)\
                """)
            .params(SignedIn.now().householdId(), id, Date.valueOf(on))
            .query(Long.class)
            .single();
    return balance.minus(Amount.ofMinor(open, balance.currency()));
  }

  private List<RuleOnPageJson> rulesOf(UUID id, Chart chart) {
    return rules.inOrder().stream()
        .map(RuleEntity::toRule)
        .filter(r -> r.accounts().contains(id))
        .map(r -> rule(r, id, chart))
        .toList();
  }

  private static RuleOnPageJson rule(Rule rule, UUID id, Chart chart) {
    return new RuleOnPageJson(
        rule.id(),
        RuleService.told(rule, chart),
        rule.then().payee(),
        rule.then().division().accounts().contains(id));
  }

  private String whyNotDeleted(Account account) {
    try {
      charts.use(account).requireNeverUsed();
      return "";
    } catch (Refusal refusal) {
      return refusal.getMessage();
    }
  }
}
