package org.yewledger.app.reconcile;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.WaitingRows;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.reconcile.GapJson.GapItemJson;
import org.yewledger.app.reconcile.GapJson.GapReasonsJson;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.reconcile.OpeningCheck;
import org.yewledger.core.reconcile.gap.Gap;
import org.yewledger.core.reconcile.gap.Gap.Item;
import org.yewledger.core.reconcile.gap.GapFinder;
import org.yewledger.core.reconcile.gap.GapReasons;

/** Gives the gap finder what it looks at: the postings and lines that a statement may cover. */
@Service
class GapService {
  /** An item, with what it is in the books. */
  private record Read(Item item, UUID entryId, long entryNo, Place place) {}

  private enum Place {
    TICKED,
    /** Ticked, and a bank line shows that it is right. */
    CONFIRMED,
    OPEN
  }

  /** A gap, and where its items are in the books. */
  record GapOf(Gap gap, CurrencyUnit currency, Map<UUID, UUID> entries, Map<UUID, Long> numbers) {
    /** The item as the API tells it. */
    GapItemJson json(Item item) {
      return new GapItemJson(
          item.id(),
          entries.get(item.id()),
          numbers.get(item.id()),
          item.date(),
          item.payee(),
          Amount.ofMinor(item.minor(), currency).decimal());
    }

    GapReasons reasons() {
      return GapFinder.of(gap);
    }
  }

  private static final String ITEMS =
      """
      select p.id, p.date, y.name, p.amount_minor, e.id, e.no,
             case when p.statement_id is null then 'OPEN'
                  when exists (select 1 from line_link k where k.household_id = p.household_id and k.posting_id = p.id)
                  then 'CONFIRMED' else 'TICKED' end
        from posting p
        join entry e on e.household_id = p.household_id and e.id = p.entry_id
        join payee y on y.household_id = e.household_id and y.id = e.payee_id
       where p.household_id = :household and p.account_id = any(:accounts) and e.origin <> 'OPENING'
         and (p.statement_id = :statement or (p.statement_id is null and p.amount_minor <> 0 and p.date <= :day))
       order by p.date, e.no, p.place\
      """;

  private final StatementService statements;
  private final ChartService charts;
  private final UnpostedLines unposted;
  private final JdbcClient jdbc;

  GapService(
      StatementService statements, ChartService charts, UnpostedLines unposted, JdbcClient jdbc) {
    this.statements = statements;
    this.unposted = unposted;
    this.charts = charts;
    this.jdbc = jdbc;
  }

  /** Why a statement and what is ticked for it may be apart; nothing where they agree. */
  @Transactional(readOnly = true)
  GapReasonsJson reasons(UUID statementId) {
    GapOf of = gap(statementId);
    return GapJson.of(of.gap().difference(), of.reasons(), of.currency(), of::json);
  }

  @Transactional(readOnly = true)
  GapOf gap(UUID statementId) {
    StatementEntity statement = statements.find(statementId);
    Account account = charts.chart().account(statement.accountId());
    List<Read> read = read(statement);
    long openingApart =
        statements
            .openingCheck(statement)
            .map(OpeningCheck::difference)
            .map(Amount::minor)
            .orElse(0L);
    var gap =
        new Gap(
            statements.reconciliation(statement).difference().minor(),
            openingApart,
            at(Place.TICKED, read),
            at(Place.OPEN, read),
            unposted.of(statement).stream().map(GapService::waiting).toList());
    Map<UUID, UUID> entries = new HashMap<>();
    Map<UUID, Long> numbers = new HashMap<>();
    for (Read one : read) {
      entries.put(one.item().id(), one.entryId());
      numbers.put(one.item().id(), one.entryNo());
    }
    return new GapOf(gap, account.currency(), entries, numbers);
  }

  private static Item waiting(WaitingRows.Row row) {
    String text = BankLine.textOf(row.payee(), row.memo());
    return new Item(row.id(), row.bookedOn(), text, row.amountMinor());
  }

  private static List<Item> at(Place place, List<Read> read) {
    return read.stream().filter(r -> r.place() == place).map(Read::item).toList();
  }

  private List<Read> read(StatementEntity statement) {
    return jdbc.sql(ITEMS)
        .param("household", SignedIn.now().householdId())
        .param("accounts", charts.chart().atBank(statement.accountId()).toArray(UUID[]::new))
        .param("statement", statement.id())
        .param("day", statement.closesOn())
        .query((row, no) ->
            new Read(
                new Item(
                    Objects.requireNonNull(row.getObject(1, UUID.class)),
                    row.getDate(2).toLocalDate(),
                    row.getString(3),
                    row.getLong(4)),
                Objects.requireNonNull(row.getObject(5, UUID.class)),
                row.getLong(6),
                Place.valueOf(row.getString(7))))
        .list();
  }
}
