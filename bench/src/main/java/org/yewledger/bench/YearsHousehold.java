package org.yewledger.bench;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.UUID;

/**
 * A household of twenty accounts at banks that has kept its books for some years: every month of
 * every account agreed but the last, and lines of the last month waiting under rules. Written
 * directly, past the walls, so that ten years take seconds.
 */
final class YearsHousehold {
  /**
   * How much there is in it.
   *
   * @param waiting bank lines that wait to be posted
   */
  record Size(int entriesAYear, int waiting, int rules) {
    /** More than a household has: what is slow shows. */
    static final Size LARGE = new Size(20_000, 5_000, 200);
  }

  private static final String[] TABLES = {
    "entry",
    "posting",
    "bank_line",
    "bank_line_state",
    "line_link",
    "statement",
    "account",
    "book",
    "rule",
    "batch"
  };

  private final String id;
  private final int years;
  private final Size size;

  YearsHousehold(UUID household, int years, Size size) {
    this.id = "'" + household + "'";
    this.years = years;
    this.size = size;
  }

  void fill(Connection database) throws SQLException {
    try (Statement sql = database.createStatement()) {
      for (String table : TABLES) {
        sql.execute("alter table " + table + " disable trigger user");
      }
      chart(sql);
      statements(sql);
      entries(sql);
      lines(sql);
      waiting(sql);
      totals(sql);
      for (String table : TABLES) {
        sql.execute("alter table " + table + " enable trigger user");
      }
      sql.execute("analyze");
    }
  }

  private void run(Statement sql, String text, Object... values) throws SQLException {
    sql.execute(text.replace(":h", id).formatted(values));
  }

  private void chart(Statement sql) throws SQLException {
    run(
        sql,
        "insert into book (household_id, id, name, currency, place) values (:h, md5('yb')::uuid, 'Household', 'EUR', 0)");
    run(
        sql,
        """
        insert into account (household_id, id, book_id, name, kind, currency, is_group, place, opens_on)
        select :h, md5('ya' || n)::uuid, md5('yb')::uuid, 'Bank ' || n, 'CURRENT', 'EUR', false, n, date '2026-10-01' - interval '%d years'
          from generate_series(0, 19) n\
        """,
        years);
    run(
        sql,
        """
        insert into account (household_id, id, book_id, name, kind, currency, is_group, place)
        select :h, md5('yc' || n)::uuid, md5('yb')::uuid, 'Category ' || n, 'EXPENSE', 'EUR', false, 20 + n
          from generate_series(0, 79) n\
        """);
    run(
        sql,
        """
        insert into rule (household_id, id, place, book_id, conditions, payee, shares)
        select :h, md5('yr' || n)::uuid, n, md5('yb')::uuid,
               jsonb_build_object('kind', 'ALL', 'parts', jsonb_build_array(jsonb_build_object(
                 'kind', 'TEXT', 'place', 'ANY', 'match', 'HAS_WORDS', 'text', 'SHOP ' || n))),
               'Shop ' || n, jsonb_build_array(jsonb_build_object('accountId', md5('yc' || n %% 80)::uuid))
          from generate_series(1, %d) n\
        """,
        size.rules());
  }

  /** What the banks sent, month by month, and what each month closed with. */
  private void statements(Statement sql) throws SQLException {
    run(
        sql,
        """
        create temp table made as
        select n, md5('ye' || n)::uuid as id, (date '2026-10-01' - interval '%1$d years')::date + (n::bigint * (365 * %1$d - 31) / %2$d)::int as day,
               n %% 20 as bank, n %% 80 as category, 100 + n * 37 %% 9000 as amount
          from generate_series(1, %2$d) n\
        """,
        years,
        size.entriesAYear() * years);
    run(
        sql,
        """
        insert into batch (household_id, id, no, account_id, source_name, source, gathered_at, gathered_by, first_day, last_day, new_lines, known_lines)
        select :h, md5('yt' || bank || month)::uuid, row_number() over (), md5('ya' || bank)::uuid, month || '.ofx', 'OFX', now(), :h,
               first, last, lines, 0
          from (select bank, to_char(day, 'YYYYMM') as month, min(day) as first, max(day) as last, count(*) as lines from made group by 1, 2) m\
        """);
    run(
        sql,
        """
        insert into statement (household_id, id, account_id, closes_on, closing_minor, batch_id, finished_at, finished_by)
        select :h, md5('ys' || bank || month)::uuid, md5('ya' || bank)::uuid, closes, sum(-total) over (partition by bank order by closes),
               md5('yt' || bank || month)::uuid, now(), :h
          from (select bank, to_char(day, 'YYYYMM') as month, (date_trunc('month', day) + interval '1 month - 1 day')::date as closes,
                       sum(amount) as total from made group by 1, 2, 3) m\
        """);
  }

  /**
   * Each entry on its day: one posting at a bank, one at a category; the amounts cancel by month.
   */
  private void entries(Statement sql) throws SQLException {
    run(
        sql,
        """
        insert into payee (household_id, id, name)
        select :h, md5('yy' || n)::uuid, 'Payee ' || n from generate_series(0, 399) n\
        """);
    run(
        sql,
        """
        insert into entry (household_id, id, no, date, payee_id, note, origin, made_at, made_by, moved_minor, moved_currency, transfer)
        select :h, id, n, day, md5('yy' || n %% 400)::uuid, case when n %% 50 = 0 then 'paid late, parcel ' || n else '' end,
               'BANK_LINE', now(), :h, -amount, 'EUR', false from made\
        """);
    // Whoever books next takes the number after these.
    run(
        sql,
        """
        insert into household_number select :h, what, top + 1
          from (select 'ENTRY' as what, max(no) as top from entry where household_id = :h
                union all select 'BATCH', max(no) from batch where household_id = :h) taken
        on conflict (household_id, what) do update set next_no = excluded.next_no\
        """);
    run(
        sql,
        """
        insert into posting (household_id, id, entry_id, place, account_id, book_id, date, amount_minor, base_minor, statement_id)
        select :h, md5('yp' || n)::uuid, id, 0, md5('ya' || bank)::uuid, md5('yb')::uuid, day, -amount, -amount,
               md5('ys' || bank || to_char(day, 'YYYYMM'))::uuid from made\
        """);
    run(
        sql,
        """
        insert into posting (household_id, id, entry_id, place, account_id, book_id, date, amount_minor, base_minor)
        select :h, md5('yq' || n)::uuid, id, 1, md5('yc' || category)::uuid, md5('yb')::uuid, day, amount, amount from made\
        """);
    run(
        sql,
        """
        insert into agreement
        select s.household_id, s.id, s.closing_minor - t.total, t.ins, t.outs, s.closing_minor, 1, t.postings, '[]'
          from statement s, lateral (
            select sum(p.amount_minor)::bigint as total, sum(greatest(p.amount_minor, 0))::bigint as ins,
                   sum(greatest(-p.amount_minor, 0))::bigint as outs,
                   jsonb_agg(jsonb_build_object('postingId', p.id, 'entryNo', 1, 'date', p.date, 'payee', 'Payee', 'amountMinor', p.amount_minor)) as postings
              from posting p where p.household_id = s.household_id and p.statement_id = s.id) t
         where s.household_id = :h and s.finished_at is not null\
        """);
  }

  private void lines(Statement sql) throws SQLException {
    run(
        sql,
        """
        insert into bank_line (household_id, id, batch_id, account_id, booked_on, amount_minor, payee, memo, reference, type, raw, source_line, text_key, ordinal)
        select :h, md5('yl' || n)::uuid, md5('yt' || bank || to_char(day, 'YYYYMM'))::uuid, md5('ya' || bank)::uuid, day, -amount,
               'PAYEE ' || n, '', '', '', 'raw', 1, 'PAYEE' || n, 1 from made\
        """);
    run(
        sql,
        """
        insert into bank_line_state (household_id, bank_line_id, account_id, booked_on, state, changed_at, changed_by)
        select :h, md5('yl' || n)::uuid, md5('ya' || bank)::uuid, day, 'POSTED', now(), :h from made\
        """);
    run(
        sql,
        """
        insert into line_link (household_id, bank_line_id, posting_id, entry_id, account_id, amount_minor, made_entry)
        select :h, md5('yl' || n)::uuid, md5('yp' || n)::uuid, id, md5('ya' || bank)::uuid, -amount, true from made\
        """);
    sql.execute("drop table made");
  }

  private void waiting(Statement sql) throws SQLException {
    run(
        sql,
        """
        insert into batch (household_id, id, no, account_id, source_name, source, gathered_at, gathered_by, first_day, last_day, new_lines, known_lines)
        select :h, md5('yw' || n)::uuid, 1000000 + n, md5('ya' || n)::uuid, 'september.ofx', 'OFX', now(), :h,
               date '2026-09-01', date '2026-09-30', %d, 0 from generate_series(0, 19) n\
        """,
        Math.max(1, size.waiting() / 20));
    run(
        sql,
        """
        insert into bank_line (household_id, id, batch_id, account_id, booked_on, amount_minor, payee, memo, reference, type, raw, source_line, text_key, ordinal)
        select :h, md5('yx' || n)::uuid, md5('yw' || n %% 20)::uuid, md5('ya' || n %% 20)::uuid, date '2026-09-01' + n %% 30, -100 - n,
               'SHOP ' || n %% 300 || ' BRANCH ' || n, '', '', '', 'raw', n, 'SHOP' || n, 1 from generate_series(1, %d) n\
        """,
        size.waiting());
    run(
        sql,
        """
        insert into bank_line_state (household_id, bank_line_id, account_id, booked_on, state, changed_at, changed_by)
        select :h, md5('yx' || n)::uuid, md5('ya' || n %% 20)::uuid, date '2026-09-01' + n %% 30, 'WAITING', now(), :h
          from generate_series(1, %d) n\
        """,
        size.waiting());
    run(
        sql,
        """
        insert into statement (household_id, id, account_id, closes_on, closing_minor, batch_id)
        select :h, md5('yz' || n)::uuid, md5('ya' || n)::uuid, date '2026-09-30', 0, md5('yw' || n)::uuid from generate_series(0, 19) n\
        """);
  }

  private void totals(Statement sql) throws SQLException {
    run(
        sql,
        """
        insert into account_month (household_id, account_id, month, debit_minor, credit_minor, debit_base_minor, credit_base_minor)
        select household_id, account_id, date_trunc('month', date)::date, sum(greatest(amount_minor, 0)),
               sum(greatest(-amount_minor, 0)), sum(greatest(base_minor, 0)), sum(greatest(-base_minor, 0))
          from posting where household_id = :h group by 1, 2, 3\
        """);
  }
}
