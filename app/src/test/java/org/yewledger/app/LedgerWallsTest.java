package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.UUID;
import org.postgresql.util.PSQLException;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import org.yewledger.app.platform.Ids;

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
            insert into entry (household_id, id, no, date, payee, note, origin, made_at, made_by)
            values (?, ?, (select coalesce(max(no), 0) + 1000 from entry), date '2026-09-01', 'x', '', 'BANK_LINE', now(), ?)\
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

  private static String constraintOf(Throwable e) {
    Throwable cause = e;
    while (cause != null && !(cause instanceof PSQLException)) {
      cause = cause.getCause();
    }
    assertTrue(cause instanceof PSQLException, "" + e);
    var message = ((PSQLException) cause).getServerErrorMessage();
    return String.valueOf(
        message == null
            ? null
            : message.getConstraint() == null ? message.getMessage() : message.getConstraint());
  }

  private void entryOf(UUID book, UUID otherBook, long debit, long credit) {
    founding.as(
        h.owner(),
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
                founding.as(
                    h.owner(),
                    () -> {
                      insertPosting(
                          insertEntry(), 0, h.groceries().id(), h.groceries().bookId(), 500);
                      return true;
                    }));
    assertEquals(constraintOf(e), "entry_balances");
  }

  @Test
  public void bankLinesAndAuditRowsNeverChange() {
    for (String sql :
        new String[] {
          "update bank_line set amount_minor = 1",
          "delete from bank_line",
          "delete from batch",
          "update audit set act = 'x'",
          "delete from audit"
        }) {
      Exception e =
          expectThrows(Exception.class, () -> founding.as(h.owner(), () -> jdbc.sql(sql).update()));
      assertTrue(constraintOf(e).contains("append-only"), constraintOf(e));
    }
  }

  @Test
  public void theFactsOfAPostingNeverChange() {
    Exception e =
        expectThrows(
            Exception.class,
            () ->
                founding.as(
                    h.owner(),
                    () -> jdbc.sql("update posting set amount_minor = amount_minor * 2").update()));
    assertTrue(constraintOf(e).contains("facts"), constraintOf(e));
  }

  @Test
  public void aBankLineIsOfTheAccountOfItsBatch() {
    Exception e =
        expectThrows(
            Exception.class,
            () ->
                founding.as(
                    h.owner(), () -> jdbc.sql(insertLine("gen_random_uuid()", false)).update()));
    assertTrue(constraintOf(e).contains("bank line"), constraintOf(e));
  }

  @Test
  public void aStateBeginsWithItsLineAndInNoOtherWay() {
    assertEquals(stateOfNewLine(false), "WAITING");
    assertEquals(stateOfNewLine(true), "PENDING");
    Exception e =
        expectThrows(
            Exception.class,
            () ->
                founding.as(
                    h.owner(),
                    () ->
                        jdbc.sql(
                                """
                                insert into bank_line_state (household_id, bank_line_id, account_id, booked_on,
                                    state, changed_at, changed_by)
                                select household_id, gen_random_uuid(), account_id, booked_on, 'WAITING', now(),
                                    household_id
                                from bank_line limit 1\
                                """)
                            .update()));
    assertTrue(constraintOf(e).contains("permission denied"), constraintOf(e));
  }

  private String stateOfNewLine(boolean pending) {
    return founding.as(
        h.owner(),
        () -> {
          UUID line =
              jdbc.sql(insertLine("account_id", pending) + " returning id")
                  .query(UUID.class)
                  .single();
          return jdbc.sql("select state from bank_line_state where bank_line_id = ?")
              .param(line)
              .query(String.class)
              .single();
        });
  }

  private static String insertLine(String account, boolean pending) {
    return """
    insert into bank_line (household_id, id, batch_id, account_id, booked_on, amount_minor, payee, memo,
        reference, type, raw, source_line, text_key, ordinal, pending)
    select household_id, gen_random_uuid(), batch_id, %s, booked_on, amount_minor, '', '', '', '', '', 0,
        'OTHER', 1, %s from bank_line limit 1\
    """
        .formatted(account, pending);
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
  }
}
