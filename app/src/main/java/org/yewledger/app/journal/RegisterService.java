package org.yewledger.app.journal;

import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AgreedThrough;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.EntryReader.EntryView;
import org.yewledger.app.journal.EntryReader.EntryViews;
import org.yewledger.app.journal.JournalJson.RegisterJson;
import org.yewledger.app.journal.JournalJson.RegisterRowJson;
import org.yewledger.app.journal.StatementDays.StatementDay;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.RunningBalance;

/** An account's postings with its running balance, newest first. */
@Service
class RegisterService {
  private static final int PAGE = 200;

  private record Row(PostingEntity posting, EntryEntity entry) {}

  private final EntityManager entities;
  private final ChartService charts;
  private final EntryReader reader;
  private final StatementDays days;
  private final AgreedThrough agreed;

  RegisterService(
      EntityManager entities,
      ChartService charts,
      EntryReader reader,
      StatementDays days,
      AgreedThrough agreed) {
    this.entities = entities;
    this.charts = charts;
    this.reader = reader;
    this.days = days;
    this.agreed = agreed;
  }

  @Transactional(readOnly = true)
  RegisterJson register(UUID accountId, PageKey after) {
    Chart chart = charts.chart();
    Account account = chart.account(accountId);
    List<Row> rows = rows(accountId, after);
    Map<UUID, StatementDay> statements =
        days.of(
            rows.stream()
                .map(r -> r.posting().statementId())
                .filter(Objects::nonNull)
                .collect(Collectors.toSet()));
    Amount balance = balanceThrough(account, after);
    String next = null;
    if (rows.size() == PAGE) {
      Row last = rows.getLast();
      next = new PageKey(last.entry().date(), last.entry().no(), last.posting().place()).toString();
    }
    return new RegisterJson(
        account.id(),
        account.name(),
        chart.tail(accountId),
        account.bookId(),
        chart.book(account.bookId()).name(),
        account.currency().getCode(),
        balanceThrough(account, PageKey.START).decimal(),
        agreed.byAccount().get(accountId),
        json(rows, balance, account, statements),
        next);
  }

  private List<RegisterRowJson> json(
      List<Row> rows, Amount balance, Account account, Map<UUID, StatementDay> statements) {
    List<Amount> amounts = rows.stream().map(r -> r.posting().amount(account.currency())).toList();
    List<Amount> balances = RunningBalance.newestFirst(balance, amounts);
    EntryViews views = reader.byId(rows.stream().map(r -> r.entry().id()).toList());
    var list = new ArrayList<RegisterRowJson>(rows.size());
    for (int i = 0; i < rows.size(); i++) {
      list.add(json(rows.get(i), amounts.get(i), balances.get(i), views, statements));
    }
    return list;
  }

  private static RegisterRowJson json(
      Row row,
      Amount amount,
      Amount balance,
      EntryViews views,
      Map<UUID, StatementDay> statements) {
    PostingEntity p = row.posting();
    EntryView view = views.of(row.entry().id());
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

  private List<Row> rows(UUID accountId, PageKey after) {
    return entities
        .createQuery(
            """
            select new %s(p, e) from Posting p join Entry e on e.id = p.entryId
            where p.accountId = :account
              and (p.date < :date or (p.date = :date and (e.no < :no or (e.no = :no and p.place < :place))))
            order by p.date desc, e.no desc, p.place desc\
            """
                .formatted(Row.class.getName()),
            Row.class)
        .setParameter("account", accountId)
        .setParameter("date", after.date())
        .setParameter("no", after.no())
        .setParameter("place", after.place())
        .setMaxResults(PAGE)
        .getResultList();
  }

  /**
   * The balance before the key's entry: whole years and months from the kept totals, the rest from
   * postings.
   */
  private Amount balanceThrough(Account account, PageKey key) {
    LocalDate month = key.date().withDayOfMonth(1);
    Long kept =
        (Long)
            entities
                .createNativeQuery(
                    """
                    select coalesce(sum(total), 0)::bigint from (
                      select amount_minor as total from account_year
                       where household_id = :household and account_id = :account and year < :year
                      union all
                      select debit_minor - credit_minor from account_month
                       where household_id = :household and account_id = :account and month >= :year and month < :month) kept\
                    """,
                    Long.class)
                .setParameter("household", SignedIn.now().householdId())
                .setParameter("account", account.id())
                .setParameter("year", month.withDayOfYear(1))
                .setParameter("month", month)
                .getSingleResult();
    Long rest =
        entities
            .createQuery(
                """
                select sum(p.amountMinor) from Posting p join Entry e on e.id = p.entryId
                where p.accountId = :account and p.date >= :month
                  and (p.date < :date or (p.date = :date and (e.no < :no or (e.no = :no and p.place < :place))))\
                """,
                Long.class)
            .setParameter("account", account.id())
            .setParameter("month", month)
            .setParameter("date", key.date())
            .setParameter("no", key.no())
            .setParameter("place", key.place())
            .getSingleResult();
    return Amount.ofMinor(kept + Objects.requireNonNullElse(rest, 0L), account.currency());
  }
}
