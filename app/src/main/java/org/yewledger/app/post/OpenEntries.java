package org.yewledger.app.post;

import java.sql.Date;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.bankline.LineStates;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.post.PostJson.OpenEntryJson;
import org.yewledger.app.post.ProposalsJson.KnownEntryJson;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;

/** Looks for the entry that a person knows a waiting line to be. */
@Service
class OpenEntries {
  private static final int DAYS = 92;
  private static final int MOST = 30;

  private final JdbcClient jdbc;
  private final LineStates lines;
  private final ChartService charts;

  OpenEntries(JdbcClient jdbc, LineStates lines, ChartService charts) {
    this.jdbc = jdbc;
    this.lines = lines;
    this.charts = charts;
  }

  /**
   * Entries of three months around the line that go its way on its account and that no line
   * confirms; those of its amount first, then the nearest.
   *
   * @param text a part of the payee, the note or the number; empty for all
   */
  @Transactional(readOnly = true)
  List<OpenEntryJson> of(UUID lineId, String text) {
    BankLineEntity line = lines.lines(List.of(lineId)).of(lineId);
    Chart chart = charts.chart();
    Account account = chart.account(line.accountId());
    LocalDate day = line.bookedOn();
    return jdbc.sql(
            """
            select p.id, e.id, e.no, e.date, y.name, p.amount_minor
              from posting p
              join entry e on e.household_id = :household and e.id = p.entry_id
              join payee y on y.household_id = :household and y.id = e.payee_id
             where p.household_id = :household and p.account_id = :account and p.statement_id is null
               and p.date between :from and :to and sign(p.amount_minor) = sign(:amount::bigint) and e.origin <> 'OPENING'
               and (strpos(lower(y.name || ' ' || e.note), lower(:text)) > 0 or e.no::text = :text)
               and not exists (select 1 from line_link k where k.household_id = :household and k.posting_id = p.id)
             order by abs(p.amount_minor - :amount), abs(p.date - :day::date), e.no limit :most\
            """)
        .param("household", SignedIn.now().householdId())
        .param("account", account.id())
        .param("from", Date.valueOf(day.minusDays(DAYS)))
        .param("to", Date.valueOf(day.plusDays(DAYS)))
        .param("day", Date.valueOf(day))
        .param("amount", line.amountMinor())
        .param("text", text.strip())
        .param("most", MOST)
        .query((row, no) ->
            new OpenEntryJson(
                new KnownEntryJson(
                    row.getObject(1, UUID.class),
                    row.getObject(2, UUID.class),
                    row.getLong(3),
                    row.getObject(4, LocalDate.class),
                    row.getString(5),
                    Amount.ofMinor(row.getLong(6), account.currency()).decimal()),
                Amount.ofMinor(line.amountMinor() - row.getLong(6), account.currency()).decimal()))
        .list();
  }
}
