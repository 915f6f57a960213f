package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.Optional;
import org.testng.annotations.Test;

/**
 * The audit from outside: silent on sound books, and finding what was broken behind everybody's
 * back.
 */
public class BooksAuditTest extends AppTest {
  private static String env(String name) {
    return Optional.ofNullable(System.getenv(name))
        .orElseThrow(() -> new AssertionError(name + " is not set; use ./yew test"));
  }

  private static AuditRun audit() throws Exception {
    return AuditRun.of(env("YEW_DB_NAME"));
  }

  private static void asOwner(String... statements) throws SQLException {
    try (Connection owner =
            DriverManager.getConnection(
                env("YEW_DB_URL"), env("YEW_DB_OWNER"), env("YEW_DB_OWNER_PASSWORD"));
        var statement = owner.createStatement()) {
      for (String sql : statements) {
        statement.execute(sql);
      }
    }
  }

  @Test
  public void findsNothingInSoundBooksAndEveryKindOfDamage() throws Exception {
    Household h = found("audit");
    gather(h, september());
    AuditRun sound = audit();
    assertEquals(sound.exit(), 0, sound.says());
    assertTrue(sound.says().contains("0 findings"), sound.says());

    String id = "'" + h.owner().householdId() + "'";
    damage(
        "kept totals of months and years",
        "update account_month set debit_minor = debit_minor + 1 where household_id = " + id,
        "update account_month set debit_minor = debit_minor - 1 where household_id = " + id);
    damage(
        "kept totals of months and years",
        "update account_year set amount_minor = amount_minor + 1 where household_id = " + id,
        "update account_year set amount_minor = amount_minor - 1 where household_id = " + id);
    damage(
        "bank lines and their postings",
        behindTheWalls(
            "bank_line_state",
            "update bank_line_state set state = 'POSTED' where household_id = " + id),
        behindTheWalls(
            "bank_line_state",
            "update bank_line_state set state = 'WAITING' where household_id = " + id));
    damage(
        "bank lines and their postings",
        behindTheWalls("entry", "update entry set origin = 'BANK_LINE' where household_id = " + id),
        behindTheWalls("entry", "update entry set origin = 'OPENING' where household_id = " + id));
    damage(
        "history leads to the entries",
        behindTheWalls("entry", "update entry set note = 'another' where household_id = " + id),
        behindTheWalls("entry", "update entry set note = '' where household_id = " + id));
    damage(
        "finished reconciliations",
        behindTheWalls(
            "statement", "update statement set finished_at = now() where household_id = " + id),
        behindTheWalls(
            "statement", "update statement set finished_at = null where household_id = " + id));
    damage(
        "entries balance",
        "alter table posting disable trigger user; update posting set amount_minor = amount_minor +"
            + " 1 where place = 0 and household_id = "
            + id,
        "update posting set amount_minor = amount_minor - 1 where place = 0 and household_id = "
            + id
            + "; alter table posting enable trigger user");
    assertEquals(audit().exit(), 0);
  }

  private static String behindTheWalls(String table, String sql) {
    return "alter table %s disable trigger user; %s; alter table %s enable trigger user"
        .formatted(table, sql, table);
  }

  private static void damage(String check, String breaking, String mending) throws Exception {
    asOwner(breaking);
    AuditRun broken = audit();
    asOwner(mending);
    assertNotEquals(broken.exit(), 0, broken.says());
    assertTrue(
        broken.says().lines().anyMatch(l -> l.startsWith("WRONG") && l.contains(check)),
        broken.says());
  }
}
