package org.yewledger.app.journal;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AgreedThrough;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.EntryReader.EntryView;
import org.yewledger.app.journal.JournalJson.RegisterJson;
import org.yewledger.app.journal.JournalJson.RegisterRowJson;
import org.yewledger.app.journal.JournalJson.RegisterTotalsJson;
import org.yewledger.app.journal.RegisterRows.Row;
import org.yewledger.app.journal.StatementDays.StatementDay;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.RunningBalance;

/** An account's postings, each with the balance after it in the order of days. */
@Service
class RegisterService {
  private static final int PAGE = 200;

  /**
   * Which part of a register is wanted.
   *
   * @param text a query, as the journal has it
   * @param order by which column
   * @param at the day to begin with; null for the newest
   * @param after the key of the page before; null for the first
   */
  record Part(String text, EntryOrder order, @Nullable LocalDate at, @Nullable String after) {
    private PageKey key() {
      return RegisterKey.parse(after).place().notAfter(at == null ? PageKey.START.date() : at);
    }
  }

  private final RegisterRows rows;
  private final RegisterBalances balances;
  private final QueryService queries;
  private final ChartService charts;
  private final StatementDays days;
  private final AgreedThrough agreed;

  RegisterService(
      RegisterRows rows,
      RegisterBalances balances,
      QueryService queries,
      ChartService charts,
      StatementDays days,
      AgreedThrough agreed) {
    this.rows = rows;
    this.balances = balances;
    this.queries = queries;
    this.charts = charts;
    this.days = days;
    this.agreed = agreed;
  }

  @Transactional(readOnly = true)
  RegisterJson register(UUID accountId, Part part) {
    Chart chart = charts.chart();
    Account account = chart.account(accountId);
    PageKey after = part.key();
    List<Row> page = page(accountId, part);
    Map<UUID, StatementDay> statements =
        days.of(
            page.stream()
                .map(r -> r.posting().statementId())
                .filter(Objects::nonNull)
                .collect(Collectors.toSet()));
    String next = page.size() == PAGE ? page.getLast().key().toString() : null;
    return new RegisterJson(
        account.id(),
        account.name(),
        chart.tail(accountId),
        account.bookId(),
        chart.book(account.bookId()).name(),
        account.currency().getCode(),
        balances.before(account, PageKey.START).decimal(),
        agreed.byAccount().get(accountId),
        json(page, balancesOf(page, account, part, after), account, statements),
        next);
  }

  private List<Row> page(UUID accountId, Part part) {
    EntrySought sought = sought(part.text());
    if (part.order().isNewestFirst()) {
      return rows.page(accountId, sought, part.key(), PAGE);
    }
    RegisterKey after =
        part.after() == null || part.after().isEmpty() ? null : RegisterKey.parse(part.after());
    return rows.page(accountId, sought, part.order(), after, PAGE);
  }

  /** How many postings fit, and what they come to. */
  @Transactional(readOnly = true)
  RegisterTotalsJson totals(UUID accountId, String text) {
    Account account = charts.chart().account(accountId);
    RegisterRows.Totals totals = rows.totals(accountId, sought(text));
    return new RegisterTotalsJson(
        totals.count(),
        Amount.ofMinor(totals.in(), account.currency()).decimal(),
        Amount.ofMinor(-totals.out(), account.currency()).decimal());
  }

  private EntrySought sought(String text) {
    return queries.sought(new JournalService.Filter(null, null, text));
  }

  /** Where every posting is there, each balance follows from the one before. */
  private List<Amount> balancesOf(List<Row> page, Account account, Part part, PageKey after) {
    if (part.text().isBlank() && part.order().isNewestFirst()) {
      return RunningBalance.newestFirst(
          balances.before(account, after),
          page.stream().map(r -> r.posting().amount(account.currency())).toList());
    }
    Map<UUID, Amount> each =
        balances.after(account, page.stream().map(r -> r.posting().id()).toList());
    return page.stream().map(r -> Objects.requireNonNull(each.get(r.posting().id()))).toList();
  }

  private static List<RegisterRowJson> json(
      List<Row> page, List<Amount> balances, Account account, Map<UUID, StatementDay> statements) {
    var list = new ArrayList<RegisterRowJson>(page.size());
    for (int i = 0; i < page.size(); i++) {
      Amount amount = page.get(i).posting().amount(account.currency());
      list.add(json(page.get(i), amount, balances.get(i), statements));
    }
    return list;
  }

  private static RegisterRowJson json(
      Row row, Amount amount, Amount balance, Map<UUID, StatementDay> statements) {
    PostingEntity p = row.posting();
    EntryView view = row.entry();
    BigDecimal size = amount.size().decimal();
    StatementDay statement = p.statementId() == null ? null : statements.get(p.statementId());
    boolean finished = statement != null && statement.isFinished();
    return new RegisterRowJson(
        p.id(),
        p.entryId(),
        view.no(),
        p.date(),
        view.payee(),
        p.note().isEmpty() ? view.note() : p.note(),
        view.otherSideOf(p.id()),
        amount.sign() < 0 ? size : null,
        amount.sign() > 0 ? size : null,
        balance.decimal(),
        view.stateOf(p.id()),
        finished && statement != null ? statement.closesOn() : null);
  }
}
