package org.yewledger.app;

import static org.testng.Assert.assertEquals;

import java.sql.SQLException;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Takings of before they remembered what they covered: it is known afterwards, each once. */
public class TakingsMigrationTest {
  private static final String DATABASE = "yew_takings_test";

  /**
   * The purpose P of the account A pays for C since 2 September. Entry 2 was before that; 3 and 4
   * were covered by the taking 5, the later 6 by the taking 8; 7 is a void of 4; 9 is not covered.
   */
  private static final String BOOKS =
      """
      insert into household (id, name) values (:h, 'Old');
      insert into person (id, email, name, password_hash) values (:h, 'wren@old.example', 'Wren', '');
      insert into book (household_id, id, name, currency, place) values (:h, :b, 'Household', 'EUR', 0);
      insert into account (household_id, id, book_id, parent_id, name, kind, currency, is_group, place, opens_on) values
        (:h, :a, :b, null, 'Current', 'CURRENT', 'EUR', false, 0, '2026-08-01'),
        (:h, :p, :b, :a, 'Purpose', 'SET_ASIDE', 'EUR', false, 1, null),
        (:h, :c, :b, null, 'Category', 'EXPENSE', 'EUR', false, 2, null);
      insert into payee (household_id, id, name) values (:h, :b, 'Shop');
      insert into purpose_category (household_id, category_id, purpose_id, since) values (:h, :c, :p, '2026-09-02');
      insert into entry (household_id, id, no, date, note, origin, made_at, made_by, payee_id, counters_id, counters)
        select :h, ('00000000-0000-7000-8000-00000000000' || no)::uuid, no, day::date, '', 'BY_HAND', now(), :h, :b,
               case no when 7 then '00000000-0000-7000-8000-000000000004'::uuid end, case no when 7 then 'VOID' end
          from (values (2, '2026-09-01'), (3, '2026-09-03'), (4, '2026-09-04'), (5, '2026-09-05'), (6, '2026-09-06'),
                       (7, '2026-09-04'), (8, '2026-09-08'), (9, '2026-09-09')) e (no, day);
      insert into posting (household_id, id, entry_id, place, account_id, book_id, date, amount_minor, base_minor)
        select :h, gen_random_uuid(), e.id, p.place, case p.place when 0 then :a::uuid else p.other end, :b, e.date,
               case p.place when 0 then -p.minor else p.minor end, case p.place when 0 then -p.minor else p.minor end
          from entry e join (
            select no, place, minor, case when no in (5, 8) then :p::uuid else :c::uuid end as other
              from (values (2, 100), (3, 200), (4, 300), (5, -500), (6, 400), (7, -300), (8, -100), (9, 700)) v (no, minor)
              cross join (values (0), (1)) w (place)) p on p.no = e.no;
      insert into purpose_taking (household_id, entry_id)
        select :h, id from entry where no in (5, 8)\
      """
          .replace(":h", "'01900000-0000-7000-8000-000000000001'")
          .replace(":b", "'01900000-0000-7000-8000-000000000002'")
          .replace(":a", "'01900000-0000-7000-8000-000000000003'")
          .replace(":p", "'01900000-0000-7000-8000-000000000004'")
          .replace(":c", "'01900000-0000-7000-8000-000000000005'");

  private OldSchema old;

  @BeforeClass
  void carryOver() throws SQLException {
    old = new OldSchema(DATABASE);
    old.migrate("53");
    old.run(BOOKS);
    old.migrateToLatest();
  }

  @AfterClass(alwaysRun = true)
  void clear() throws SQLException {
    old.close();
  }

  @Test
  public void whatWasTakenThenIsKnownToBeCovered() throws SQLException {
    // The void of 4 came before the second taking: together they come to nothing.
    assertEquals(
        old.one(
            """
            select string_agg(format('%s by %s: %s', s.no, t.no, k.amount_minor), ', ' order by s.no)
              from taken_spending k join entry t on t.id = k.entry_id join entry s on s.id = k.spent_entry_id\
            """),
        "3 by 5: 200, 6 by 8: 400");
  }
}
