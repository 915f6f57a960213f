package org.yewledger.app;

import static org.testng.Assert.assertEquals;

import java.sql.SQLException;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/**
 * Books of the very first schema, brought up through every migration since: people sign in, the
 * books hold what they held, and the audit finds nothing.
 */
public class FirstSchemaTest {
  private static final String HOUSEHOLD = "'01900000-0000-7000-8000-0000000000f1'";

  private static final String PEOPLE =
      """
      insert into household (id, name, next_entry_no, next_batch_no) values (:h, 'First', 6, 3);
      insert into person (id, email, name, password_hash) values (:h, 'first@aldercott.example', 'Wren', 'kept as it was');
      insert into membership (household_id, person_id, role) values (:h, :h, 'OWNER');
      insert into audit (household_id, id, at, person_id, act, subject, subject_id, after)
        values (:h, gen_random_uuid(), now(), :h, 'add', 'account', md5('Current')::uuid, '{"account": {"name": "Current"}}')\
      """
          .replace(":h", HOUSEHOLD);

  /** August agreed; in September one line posted, one waiting, an entry by hand and a rule. */
  private static final String BOOKS =
      """
      insert into book (household_id, id, name, currency, place) values (:h, md5('b')::uuid, 'Household', 'EUR', 0);
      insert into account (household_id, id, book_id, name, kind, currency, is_group, place, opens_on, tail)
        select :h, md5(n)::uuid, md5('b')::uuid, n, k, 'EUR', g, p, d::date, t
          from (values ('Current', 'CURRENT', false, 0, '2026-08-01', '4417'), ('Card', 'CARD', false, 1, '2026-08-01', ''),
                       ('Food', 'EXPENSE', true, 2, null, ''), ('Groceries', 'EXPENSE', false, 3, null, ''),
                       ('Opening equity', 'OPENING_EQUITY', false, 4, null, '')) v(n, k, g, p, d, t);
      update account set parent_id = md5('Food')::uuid where name = 'Groceries';
      insert into batch (household_id, id, no, account_id, file_name, format, gathered_at, gathered_by, first_day, last_day, new_lines, known_lines)
        select :h, md5('t' || n)::uuid, n, md5('Current')::uuid, f, 'OFX', now(), :h, a::date, b::date, l, 0
          from (values (1, 'august.ofx', '2026-08-01', '2026-08-31', 1), (2, 'september.ofx', '2026-09-01', '2026-09-30', 2)) v(n, f, a, b, l);
      insert into bank_line (household_id, id, batch_id, account_id, booked_on, amount_minor, payee, memo, reference, type, raw, source_line, text_key, ordinal)
        select :h, md5('l' || n)::uuid, md5('t' || t)::uuid, md5('Current')::uuid, d::date, m, w, '', '', '', 'raw', n, w, 1
          from (values (1, 1, '2026-08-04', -4820, 'GREENGAGE'), (2, 2, '2026-09-04', -1000, 'GREENGAGE'), (3, 2, '2026-09-05', -500, 'MILL')) v(n, t, d, m, w);
      insert into bank_line_state (household_id, bank_line_id, account_id, booked_on, state, changed_at, changed_by)
        select household_id, id, account_id, booked_on, case when payee = 'MILL' then 'WAITING' else 'POSTED' end, now(), :h from bank_line;
      insert into statement (household_id, id, account_id, closes_on, closing_minor, batch_id)
        values (:h, md5('s')::uuid, md5('Current')::uuid, '2026-08-31', 95180, md5('t1')::uuid);
      insert into entry (household_id, id, no, date, payee, note, origin, made_at, made_by)
        select :h, md5('e' || n)::uuid, n, d::date, p, '', o, now(), :h
          from (values (1, '2026-07-31', 'Opening balance', 'OPENING'), (2, '2026-08-04', 'Greengage Market', 'BANK_LINE'),
                       (3, '2026-09-04', 'Greengage Market', 'BANK_LINE'), (4, '2026-09-06', 'Kiosk', 'BY_HAND'),
                       (5, '2026-09-07', 'To the card', 'BY_HAND')) v(n, d, p, o);
      insert into posting (household_id, id, entry_id, place, account_id, book_id, date, amount_minor, bank_line_id, statement_id)
        select :h, gen_random_uuid(), md5('e' || e)::uuid, p, md5(a)::uuid, md5('b')::uuid, d::date, m,
               case when l > 0 then md5('l' || l)::uuid end, case when l = 1 then md5('s')::uuid end
          from (values (1, 0, 'Current', '2026-07-31', 100000, 0), (1, 1, 'Opening equity', '2026-07-31', -100000, 0),
            (2, 0, 'Current', '2026-08-04', -4820, 1), (2, 1, 'Groceries', '2026-08-04', 4820, 0),
            (3, 0, 'Current', '2026-09-04', -1000, 2), (3, 1, 'Groceries', '2026-09-04', 1000, 0),
            (4, 0, 'Card', '2026-09-06', -300, 0), (4, 1, 'Groceries', '2026-09-06', 300, 0),
            (5, 0, 'Current', '2026-09-07', -300, 0), (5, 1, 'Card', '2026-09-07', 300, 0)) v(e, p, a, d, m, l);
      update statement set finished_at = now(), finished_by = :h;
      insert into rule (household_id, id, place, words, direction, payee, to_account_id)
        values (:h, md5('r')::uuid, 0, 'greengage', 'OUT', 'Greengage Market', md5('Groceries')::uuid)\
      """
          .replace(":h", HOUSEHOLD);

  private OldSchema old;

  @BeforeClass
  void carryOver() throws SQLException {
    old = new OldSchema("yew_first_schema_test");
    old.migrate("1");
    old.run(PEOPLE);
    old.migrate("3");
    old.run(BOOKS);
    old.migrateToLatest();
  }

  @AfterClass(alwaysRun = true)
  void clear() throws SQLException {
    old.close();
  }

  @Test
  public void peopleSignInAsBefore() throws SQLException {
    assertEquals(
        old.one(
            "select concat_ws(' ', name, password_hash, role) from person_signing_in('FIRST@aldercott.example') s"),
        "Wren kept as it was OWNER");
  }

  @Test
  public void theBooksHoldWhatTheyHeld() throws SQLException {
    assertEquals(
        old.one(
            """
            select string_agg(name || ' ' || minor, ', ' order by name) from (
              select a.name, sum(p.base_minor) as minor from posting p
                join account a on a.household_id = p.household_id and a.id = p.account_id group by a.name) held\
            """),
        "Card 0, Current 93880, Groceries 6120, Opening equity -100000");
    assertEquals(
        old.one(
            """
            select string_agg(a.name || ' ' || minor, ', ' order by a.name) from (
              select household_id, account_id, sum(debit_minor - credit_minor) as minor from account_month group by 1, 2) kept
              join account a on a.household_id = kept.household_id and a.id = kept.account_id\
            """),
        "Card 0, Current 93880, Groceries 6120, Opening equity -100000");
  }

  @Test
  public void whatWasAgreedIsAgreed() throws SQLException {
    assertEquals(
        old.one(
            """
            select concat_ws(' ', s.closing_minor, s.finished_at is not null, g.statement_id is not null)
              from statement s left join agreement g on g.household_id = s.household_id and g.statement_id = s.id\
            """),
        "95180 t t");
  }

  @Test
  public void linesRulesAndNumbersGoOn() throws SQLException {
    assertEquals(
        old.one("select string_agg(state, ', ' order by booked_on) from bank_line_state"),
        "POSTED, POSTED, WAITING");
    assertEquals(old.one("select count(*) from line_link where made_entry"), "2");
    assertEquals(
        old.one("select payee || ' ' || (conditions::text like '%greengage%') from rule"),
        "Greengage Market true");
    assertEquals(old.one("select next_no from household_number where what = 'ENTRY'"), "6");
    assertEquals(
        old.one(
            "select count(distinct payee_id) from entry e join payee p on p.id = e.payee_id where p.name = 'Greengage Market'"),
        "1");
  }

  @Test
  public void theAuditFindsNothing() throws Exception {
    AuditRun audit = old.audit();
    assertEquals(audit.exit(), 0, audit.says());
  }
}
