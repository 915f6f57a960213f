package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import org.yewledger.app.platform.Ids;
import org.yewledger.core.act.ActKind;

/**
 * The second wall: what the database itself refuses, even to SQL that goes around the application.
 */
public class LedgerWallsTest extends AppTest {
  @Autowired private JdbcClient jdbc;
  private Household h;

  @BeforeClass
  void found() {
    h = found("walls");
    gather(h, september());
  }

  private UUID insertEntry() {
    UUID entry = Ids.next();
    jdbc.sql(
            """
            insert into entry (household_id, id, no, date, payee_id, note, origin, made_at, made_by)
            values (?, ?, (select coalesce(max(no), 0) + 1000 from entry), date '2026-09-01', (select min(id::text)::uuid from payee), '', 'BY_HAND', now(), ?)\
            """)
        .params(h.owner().householdId(), entry, h.owner().personId())
        .update();
    return entry;
  }

  private void insertPosting(UUID entry, int place, UUID account, UUID book, long amount) {
    jdbc.sql(
            """
            insert into posting (household_id, id, entry_id, place, account_id, book_id, date, amount_minor, base_minor)
            values (?, ?, ?, ?, ?, ?, date '2026-09-01', ?, ?)\
            """)
        .params(h.owner().householdId(), Ids.next(), entry, place, account, book, amount, amount)
        .update();
  }

  private void entryOf(UUID book, UUID otherBook, long debit, long credit) {
    inAct(
        h,
        ActKind.TICK,
        () -> {
          UUID entry = insertEntry();
          insertPosting(entry, 0, h.groceries().id(), book, debit);
          insertPosting(entry, 1, h.current().id(), otherBook, -credit);
          return true;
        });
  }

  @Test
  public void anEntryThatDoesNotBalanceIsRefusedAtCommit() {
    UUID book = h.current().bookId();
    Exception e = expectThrows(Exception.class, () -> entryOf(book, book, 500, 499));
    assertEquals(constraintOf(e), "entry_balances");
    Exception over =
        expectThrows(Exception.class, () -> entryOf(book, h.press().bookId(), 500, 500));
    assertEquals(constraintOf(over), "entry_balances");
  }

  @Test
  public void anEntryOfOnePostingIsRefused() {
    Exception e =
        expectThrows(
            Exception.class,
            () ->
                inAct(
                    h,
                    ActKind.TICK,
                    () -> {
                      insertPosting(
                          insertEntry(), 0, h.groceries().id(), h.groceries().bookId(), 500);
                      return true;
                    }));
    assertEquals(constraintOf(e), "entry_balances");
  }

  @Test
  public void bankLinesAndActsNeverChange() {
    for (String sql :
        new String[] {
          "update bank_line set amount_minor = 1",
          "delete from bank_line",
          "delete from batch",
          "update act set words = 'x'",
          "delete from act",
          "update act_change set after = null",
          "insert into act_change select * from act_change"
        }) {
      Exception e =
          expectThrows(Exception.class, () -> inAct(h, ActKind.TICK, () -> jdbc.sql(sql).update()));
      assertTrue(constraintOf(e).contains("permission denied"), constraintOf(e));
    }
  }

  @Test
  public void theFactsOfAPostingNeverChange() {
    Exception e =
        expectThrows(
            Exception.class,
            () ->
                inAct(
                    h,
                    ActKind.TICK,
                    () -> jdbc.sql("update posting set amount_minor = amount_minor * 2").update()));
    assertEquals(constraintOf(e), "posting_facts");
  }

  @Test
  public void keptTotalsFollowThePostings() {
    entryOf(h.current().bookId(), h.current().bookId(), 700, 700);
    long apart =
        founding.as(
            h.owner(),
            () ->
                jdbc.sql(
                        """
                        select count(*) from account_month m full join
                          (select account_id, date_trunc('month', date)::date as month,
                                  sum(greatest(amount_minor, 0)) d, sum(greatest(-amount_minor, 0)) c
                             from posting group by 1, 2) p using (account_id, month)
                         where (m.debit_minor, m.credit_minor) is distinct from (p.d, p.c)\
                        """)
                    .query(Long.class)
                    .single());
    assertEquals(apart, 0);
    long years =
        founding.as(
            h.owner(),
            () ->
                jdbc.sql(
                        """
                        select count(*) from account_year y full join
                          (select account_id, date_trunc('year', date)::date as year, sum(amount_minor) s, sum(base_minor) b
                             from posting group by 1, 2) p using (account_id, year)
                         where (y.amount_minor, y.base_minor) is distinct from (p.s, p.b)\
                        """)
                    .query(Long.class)
                    .single());
    assertEquals(years, 0);
  }

  /**
   * What a finished statement holds, tried as the application's own role in an act that may do
   * most.
   */
  @Test
  public void aFinishedStatementIsNotTouchedByAnySql() {
    Household agreed = found("agreed");
    gather(agreed, september());
    String statement = agree(agreed);
    String opening = "(select id from entry where origin = 'OPENING')";
    for (String[] tried :
        new String[][] {
          {"update statement set finished_at = null", "statement_finished"},
          {"update statement set closing_minor = 1", "statement_finished"},
          {"delete from statement", "statement_finished"},
          {"update posting set statement_id = null", "posting_reconciled"},
          {
            "update entry set date = date + 1 where origin <> 'OPENING'",
            "posting_facts, entry_facts"
          },
          {"delete from line_link", "line_links_agree, entry_has_its_line"},
          {"delete from posting where statement_id is not null", "posting_reconciled"},
          {"delete from posting where entry_id in " + opening, "opening_agreed"},
          {
            "update posting set account_id = '%s' where statement_id is not null"
                .formatted(agreed.card().id()),
            "posting_facts"
          },
          {"update bank_line_state set state = 'WAITING'", "line_links_agree"},
          {"update agreement set postings = '[]'", "permission denied"},
          {"delete from agreement", "permission denied"},
          {"update statement_lines set line_ids = '{}'", "permission denied"},
          {"update account_month set debit_minor = 0", "permission denied"},
          {"delete from account_month", "permission denied"},
          {"update account_year set amount_minor = 0", "permission denied"},
          {"update tax_month set tax_minor = 0", "permission denied"},
          {"update tax_return set last = first", "permission denied"},
          {"delete from entry_to_balance", "permission denied"},
          {"delete from link_to_check", "permission denied"},
          {"update household_number set next_no = 1", "permission denied"},
          {"insert into bank_line_state select * from bank_line_state", "permission denied"},
          {"update batch set new_lines = 0", "batch_facts"},
          {
            "select undo_step('%s', 1, 'posting', 'DELETE')".formatted(Ids.next()),
            "permission denied"
          },
          {"select undo_act('%s')".formatted(Ids.next()), "undone by the act that says so"}
        }) {
      for (ActKind kind : new ActKind[] {ActKind.TICK, ActKind.UNDO}) {
        Exception e = expectThrows(Exception.class, () -> inAct(agreed, kind, () -> run(tried[0])));
        String wall = constraintOf(e);
        assertTrue(
            Arrays.stream(tried[1].split(", ")).anyMatch(wall::contains), tried[0] + ": " + wall);
      }
    }
    assertEquals(
        agreed.api().get("/api/statements/" + statement).json().path("finished").asBoolean(), true);
  }

  private boolean run(String sql) {
    jdbc.sql(
            sql.startsWith("select") ? "do $$ begin perform " + sql.substring(7) + "; end $$" : sql)
        .update();
    return true;
  }

  @Test
  public void nothingChangesOutsideOfAnActNorWithinSomebodyElses() {
    Exception outside =
        expectThrows(
            Exception.class,
            () ->
                founding.as(h.owner(), () -> jdbc.sql("update account set notes = 'x'").update()));
    assertEquals(constraintOf(outside), "within_an_act");
    String earlier = inAct(h, ActKind.TICK, () -> acts.underWay().toString());
    Exception forged =
        expectThrows(
            Exception.class,
            () ->
                founding.as(
                    h.owner(),
                    () -> {
                      jdbc.sql("select set_config('yew.act', ?, true)")
                          .param(earlier)
                          .query(String.class)
                          .single();
                      return jdbc.sql("update account set notes = 'x'").update();
                    }));
    assertEquals(constraintOf(forged), "within_an_act");
  }

  @Test
  public void ownersFunctionsNeverLookIntoTheCallersTemporarySchemaFirst() {
    assertEquals(
        jdbc.sql(
                """
                select p.proname from pg_proc p where p.prosecdef and p.pronamespace = 'public'::regnamespace
                and not coalesce(p.proconfig @> array['search_path=pg_catalog, public, pg_temp'], false)\
                """)
            .query(String.class)
            .list(),
        List.of());
    assertTrue(
        jdbc.sql(
                    "select count(*) from pg_proc where prosecdef and proname in ('note_changes', 'undo_act')")
                .query(Long.class)
                .single()
            == 2);
  }

  @Test
  public void aClosedMonthTakesNothing() {
    Household closing = found("closing");
    gather(closing, september());
    inAct(
        closing,
        ActKind.AGREE,
        () ->
            jdbc.sql(
                    """
                    insert into closed_month (household_id, book_id, month, closed_at, closed_by)
                    values (?, ?, date '2026-09-01', now(), ?)\
                    """)
                .params(
                    closing.owner().householdId(),
                    closing.current().bookId(),
                    closing.owner().personId())
                .update());
    var waiting = closing.api().get("/api/waiting-lines").json().at("/stacks/0/lines/0");
    var answer =
        closing.api().post("/api/waiting-lines/post", posting(waiting, closing.groceries().id()));
    assertEquals(answer.status(), 409);
    assertEquals(answer.problem(), "month-closed");
  }
}
