package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.ArrayList;
import java.util.List;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** One household never sees or touches another's rows, whatever SQL is sent. */
public class TenancyTest extends AppTest {
  @Autowired private JdbcClient jdbc;
  private Household ours;
  private Household theirs;

  @BeforeClass
  void foundTwo() {
    ours = found("ours");
    theirs = found("theirs");
    gather(theirs, september());
    theirs
        .api()
        .post("/api/rules", RuleDrafts.out("GREENGAGE", "Greengage Market", theirs.groceries()));
  }

  private List<String> tables() {
    return jdbc.sql(
            """
            select table_name from information_schema.columns
            where table_schema = 'public' and column_name = 'household_id' order by 1\
            """)
        .query(String.class)
        .list();
  }

  @Test
  public void rawSqlOnTheApplicationsConnectionSeesOnlyItsOwnHousehold() {
    List<String> tables = tables();
    assertTrue(
        tables.containsAll(
            List.of(
                "account",
                "bank_line",
                "entry",
                "posting",
                "rule",
                "act",
                "act_change",
                "line_link")),
        "" + tables);
    var filled = new ArrayList<String>();
    for (String table : tables) {
      if (rowsOf(theirs, table) > 0) {
        filled.add(table);
      }
      long seen =
          founding.as(
              ours.owner(),
              () ->
                  jdbc.sql("select count(*) from " + table + " where household_id <> ?")
                      .param(ours.owner().householdId())
                      .query(Long.class)
                      .single());
      assertEquals(seen, 0, table);
    }
    // What is not seen proves nothing where there is nothing to see.
    assertTrue(
        filled.containsAll(
            List.of(
                "account",
                "account_month",
                "account_year",
                "act",
                "act_change",
                "bank_line",
                "bank_line_state",
                "batch",
                "book",
                "entry",
                "posting",
                "membership",
                "rule",
                "statement",
                "numbers_taken")),
        "" + filled);
    long lines =
        founding.as(
            theirs.owner(),
            () -> jdbc.sql("select count(*) from bank_line").query(Long.class).single());
    assertEquals(lines, 3);
  }

  private long rowsOf(Household h, String table) {
    return founding.as(
        h.owner(), () -> jdbc.sql("select count(*) from " + table).query(Long.class).single());
  }

  @Test
  public void everyTableOfHouseholdsIsUnderRowLevelSecurity() {
    List<String> open =
        jdbc.sql(
                """
                select relname from pg_class join information_schema.columns c on c.table_name = relname
                where c.column_name = 'household_id' and relkind = 'r' and not relrowsecurity\
                """)
            .query(String.class)
            .list();
    assertEquals(open, List.of());
    Boolean strong =
        jdbc.sql("select rolsuper or rolbypassrls from pg_roles where rolname = current_user")
            .query(Boolean.class)
            .single();
    assertEquals(strong, Boolean.FALSE);
  }

  @Test
  public void withoutAHouseholdNothingIsSeen() {
    for (String table : tables()) {
      assertEquals(jdbc.sql("select count(*) from " + table).query(Long.class).single(), 0L, table);
    }
    assertEquals(jdbc.sql("select count(*) from person").query(Long.class).single(), 0L);
  }

  @Test
  public void writingIntoAnotherHouseholdIsRefused() {
    expectThrows(
        DataAccessException.class,
        () ->
            founding.as(
                ours.owner(),
                () ->
                    jdbc.sql(
                            "insert into book (household_id, id, name, currency, place) values (?,"
                                + " ?, 'x', 'EUR', 9)")
                        .params(theirs.owner().householdId(), ours.owner().personId())
                        .update()));
    int changed =
        founding.as(ours.owner(), () -> jdbc.sql("update rule set payee = 'stolen'").update());
    assertTrue(rowsOf(theirs, "rule") > 0);
    assertEquals(changed, 0);
  }

  @Test
  public void thingsOfAnotherHouseholdAreNotThere() {
    String line =
        theirs.api().get("/api/waiting-lines").json().at("/stacks/0/lines/0/id").asString();
    String account = theirs.current().id().toString();
    assertEquals(ours.api().get("/api/accounts/" + account + "/register").status(), 404);
    assertEquals(
        ours.api().post("/api/rules/beginning", "{\"lineIds\":[\"" + line + "\"]}").status(), 404);
    assertEquals(
        ours.api()
            .post("/api/waiting-lines/take-back", "{\"lineIds\":[\"" + line + "\"]}")
            .status(),
        404);
    assertEquals(
        ours.api()
            .upload("/api/gather/preview?account=" + account, "a.ofx", september(), null)
            .status(),
        404);
    assertEquals(ours.api().get("/api/waiting-lines").json().path("count").asInt(), 0);
  }
}
