package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.UUID;
import org.flywaydb.core.Flyway;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/**
 * Books of the schema before acts and links, carried over: nothing is lost, what was told is told
 * still, and the audit finds nothing.
 */
public class MigrationTest {
  private static final String BEFORE = "11";

  private final String household = UUID.randomUUID().toString();
  private String url;

  private static String env(String name) {
    return System.getenv(name);
  }

  private Connection asOwner() throws SQLException {
    return DriverManager.getConnection(url, env("YEW_DB_OWNER"), env("YEW_DB_OWNER_PASSWORD"));
  }

  private Flyway flyway(String target) {
    return Flyway.configure()
        .dataSource(url, env("YEW_DB_OWNER"), env("YEW_DB_OWNER_PASSWORD"))
        .locations("classpath:db/migration")
        .target(target)
        // What is granted is granted on the tables of today.
        .repeatableSqlMigrationPrefix(target.equals(BEFORE) ? "none" : "R")
        .load();
  }

  @BeforeClass
  void carryOver() throws SQLException {
    url = env("YEW_DB_URL").replaceAll("/[a-z_0-9]+$", "/yew_migration_test");
    flyway(BEFORE).migrate();
    try (Connection database = asOwner();
        Statement sql = database.createStatement()) {
      for (String text : OLD_BOOKS.replace(":h", "'" + household + "'").split(";\\s*\\n")) {
        sql.execute(text);
      }
    }
    flyway("latest").migrate();
  }

  private String one(String query) throws SQLException {
    try (Connection database = asOwner();
        Statement sql = database.createStatement();
        ResultSet rows = sql.executeQuery(query.replace(":h", "'" + household + "'"))) {
      assertTrue(rows.next(), query);
      return rows.getString(1);
    }
  }

  @Test
  public void linesKeepTheirPostingsAndKnowWhichEntryTheyMade() throws SQLException {
    assertEquals(one("select count(*) from line_link where household_id = :h"), "3");
    assertEquals(one("select count(*) from line_link where household_id = :h and made_entry"), "1");
    assertEquals(
        one("select origin from entry where household_id = :h and no = 4"),
        "BY_HAND",
        "an entry whose line was taken back stands by itself");
  }

  @Test
  public void whatTheAuditTrailToldIsToldByActs() throws SQLException {
    assertEquals(
        one("select words from act where household_id = :h order by at limit 1"), "Added Purse");
    assertEquals(
        one("select string_agg(words, ', ' order by at) from act where household_id = :h"),
        "Added Purse, Posted as no. 2");
    assertEquals(
        one(
            "select count(*) from act_change c join entry e on e.id = c.entry_id where c.household_id = :h and e.no = 2"),
        "1");
  }

  @Test
  public void numbersGoOnWhereTheyWere() throws SQLException {
    assertEquals(
        one("select next_no from household_number where household_id = :h and what = 'ENTRY'"),
        "5");
  }

  @Test
  public void namesOfPayeesBecameRecords() throws Exception {
    assertEquals(
        one(
            "select p.name from entry e join payee p on p.household_id = e.household_id and p.id = e.payee_id where e.household_id = :h and e.no = 2"),
        "Greengage Market");
    assertEquals(
        one("select count(*) from payee where household_id = :h and name = 'Greengage Market'"),
        "1");
  }

  @Test
  public void entriesKnowWhatTheyMove() throws SQLException {
    assertEquals(
        one(
            "select string_agg(concat_ws(' ', no, moved_minor, moved_currency, transfer), ', ' order by no) from entry where household_id = :h"),
        "1 100000 EUR t, 2 -4820 EUR f, 3 10000 EUR t, 4 -500 EUR f");
  }

  @Test
  public void theAuditFindsNothing() throws Exception {
    AuditRun audit = AuditRun.of("yew_migration_test");
    assertEquals(audit.exit(), 0, audit.says());
  }

  /** A household as it was: opening, two posted lines, a pairing, an entry that lost its line. */
  private static final String OLD_BOOKS =
      """
      insert into household (id, name, next_entry_no, next_batch_no) values (:h, 'Before', 5, 2);
      insert into person (id, email, name, password_hash) values (:h, :h || '@aldercott.example', 'Wren', 'x');
      insert into membership (household_id, person_id, role) values (:h, :h, 'OWNER');
      insert into book (household_id, id, name, currency, place) values (:h, md5('b')::uuid, 'Household', 'EUR', 0);
      insert into account (household_id, id, book_id, name, kind, currency, is_group, place, opens_on)
        select :h, md5(n)::uuid, md5('b')::uuid, n, k, 'EUR', false, 0, d::date from (values ('Current', 'CURRENT', '2026-08-01'),
          ('Card', 'CARD', '2026-08-01'), ('Groceries', 'EXPENSE', null), ('Opening equity', 'OPENING_EQUITY', null)) v(n, k, d);
      insert into entry (household_id, id, no, date, payee, note, origin, made_at, made_by)
        select :h, md5('e' || n)::uuid, n, d::date, p, '', o, now(), :h from (values (1, '2026-07-31', 'Opening balance', 'OPENING'),
          (2, '2026-09-04', 'Greengage Market', 'BANK_LINE'), (3, '2026-09-05', 'To the card', 'BY_HAND'), (4, '2026-09-06', 'Left', 'BANK_LINE')) v(n, d, p, o);
      insert into batch (household_id, id, no, account_id, file_name, source, gathered_at, gathered_by, new_lines, known_lines)
        select :h, md5('t' || n)::uuid, i, md5(n)::uuid, 'a.ofx', 'OFX', now(), :h, 1, 0 from (values ('Current', 1), ('Card', 2)) v(n, i);
      insert into bank_line (household_id, id, batch_id, account_id, booked_on, amount_minor, payee, memo, reference, type, raw, source_line, text_key, ordinal)
        select :h, md5('l' || n)::uuid, md5('t' || a)::uuid, md5(a)::uuid, d::date, m, '', '', '', '', '', 1, 'L' || n, 1
          from (values (1, 'Current', '2026-09-04', -4820), (2, 'Current', '2026-09-05', -10000), (3, 'Card', '2026-09-06', 10000)) v(n, a, d, m);
      update bank_line_state set state = 'POSTED' where household_id = :h;
      insert into posting (household_id, id, entry_id, place, account_id, book_id, date, amount_minor, base_minor, bank_line_id)
        select :h, gen_random_uuid(), md5('e' || e)::uuid, p, md5(a)::uuid, md5('b')::uuid, d::date, m, m, case when l > 0 then md5('l' || l)::uuid end
          from (values (1, 0, 'Current', '2026-07-31', 100000, 0), (1, 1, 'Opening equity', '2026-07-31', -100000, 0),
            (2, 0, 'Current', '2026-09-04', -4820, 1), (2, 1, 'Groceries', '2026-09-04', 4820, 0),
            (3, 0, 'Current', '2026-09-05', -10000, 2), (3, 1, 'Card', '2026-09-05', 10000, 3),
            (4, 0, 'Card', '2026-09-06', -500, 0), (4, 1, 'Groceries', '2026-09-06', 500, 0)) v(e, p, a, d, m, l);
      insert into audit (household_id, id, at, person_id, act, subject, subject_id, before, after)
        select :h, gen_random_uuid(), now() + interval '1 second' * i, :h, a, s, md5(a)::uuid, null, j::jsonb
          from (values (1, 'add', 'account', '{"account": {"name": "Purse"}}'),
            (2, 'post', 'bank line', json_build_object('entryId', md5('e2')::uuid, 'entryNo', 2)::text)) v(i, a, s, j);
      """;
}
