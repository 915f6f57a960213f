package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.UUID;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import org.yewledger.core.act.ActKind;

/** What the database refuses of bank lines and their states, whatever SQL is sent. */
public class BankLineWallsTest extends AppTest {
  @Autowired private JdbcClient jdbc;
  private Household h;

  @BeforeClass
  void found() {
    h = found("line walls");
    gather(h, september());
  }

  @Test
  public void aBankLineIsOfTheAccountOfItsBatch() {
    Exception e =
        expectThrows(
            Exception.class,
            () ->
                inAct(
                    h,
                    ActKind.TICK,
                    () -> jdbc.sql(insertLine("gen_random_uuid()", false)).update()));
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
                inAct(
                    h,
                    ActKind.TICK,
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
    return inAct(
        h,
        ActKind.TICK,
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
}
