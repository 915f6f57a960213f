-- A posting of a closed month that its bank has not shown yet, such as an uncashed cheque, is ticked for a later
-- statement: that changes nothing of the month.
create or replace function keep_closed_months() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
declare what text;
begin
  if tg_op = 'UPDATE' then
    select b.name || ', ' || to_char(c.month, 'YYYY-MM') into what
      from changed_from f
      join changed_to t on t.household_id = f.household_id and t.id = f.id
      join closed_month c on c.household_id = f.household_id and
           ((c.book_id = f.book_id and c.month = date_trunc('month', f.date)::date)
         or (c.book_id = t.book_id and c.month = date_trunc('month', t.date)::date))
      join book b on b.household_id = c.household_id and b.id = c.book_id
     where (f.entry_id, f.account_id, f.book_id, f.date, f.amount_minor, f.base_minor, f.note, f.place, f.tax_rate_id, f.tax_role)
           is distinct from
           (t.entry_id, t.account_id, t.book_id, t.date, t.amount_minor, t.base_minor, t.note, t.place, t.tax_rate_id, t.tax_role)
     limit 1;
  elsif tg_op = 'DELETE' then
    select b.name || ', ' || to_char(c.month, 'YYYY-MM') into what
      from changed_from p join closed_month c on c.household_id = p.household_id and c.book_id = p.book_id
                                             and c.month = date_trunc('month', p.date)::date
      join book b on b.household_id = c.household_id and b.id = c.book_id limit 1;
  else
    select b.name || ', ' || to_char(c.month, 'YYYY-MM') into what
      from changed_to p join closed_month c on c.household_id = p.household_id and c.book_id = p.book_id
                                           and c.month = date_trunc('month', p.date)::date
      join book b on b.household_id = c.household_id and b.id = c.book_id limit 1;
  end if;
  if what is not null then
    raise exception '% is closed', what using errcode = 'restrict_violation', constraint = 'month_closed';
  end if;
  return null;
end $$;

-- What a closed month agrees with stays agreed: its last day is between this statement's and the one before.
create function keep_statements_of_closed_months() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  if exists (select 1 from account a
               join closed_month c on c.household_id = a.household_id and c.book_id = a.book_id
              where a.household_id = old.household_id and a.id = old.account_id
                and (c.month + interval '1 month')::date - 1 <= old.closes_on
                and not exists (select 1 from statement b
                      where b.household_id = old.household_id and b.account_id = old.account_id
                        and b.closes_on < old.closes_on and b.closes_on >= (c.month + interval '1 month')::date - 1)) then
    raise exception 'the month of the statement is closed' using errcode = 'restrict_violation', constraint = 'month_closed';
  end if;
  return case when tg_op = 'DELETE' then old else new end;
end $$;
create trigger statement_in_month before update or delete on statement
  for each row when (old.finished_at is not null) execute function keep_statements_of_closed_months();
