-- What an account took and gave in a calendar year, kept from its months: ten years read like one.
create table account_year (
  household_id uuid not null,
  account_id uuid not null,
  year date not null check (year = date_trunc('year', year)),
  amount_minor bigint not null,
  base_minor bigint not null,
  primary key (household_id, account_id, year),
  foreign key (household_id, account_id) references account on delete cascade
);
insert into account_year
  select household_id, account_id, date_trunc('year', month)::date,
         sum(debit_minor - credit_minor), sum(debit_base_minor - credit_base_minor)
    from account_month group by 1, 2, 3;

alter table account_year enable row level security;
create policy own_household on account_year using (household_id = current_household());

create function keep_account_years() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  if tg_op = 'INSERT' then
    insert into account_year as kept
      select household_id, account_id, date_trunc('year', month)::date,
             sum(debit_minor - credit_minor), sum(debit_base_minor - credit_base_minor)
        from changed_to where (debit_minor, credit_minor, debit_base_minor, credit_base_minor) <> (0, 0, 0, 0)
       group by 1, 2, 3 order by 1, 2, 3
      on conflict (household_id, account_id, year) do update
        set amount_minor = kept.amount_minor + excluded.amount_minor, base_minor = kept.base_minor + excluded.base_minor;
  elsif tg_op = 'UPDATE' then
    insert into account_year as kept
      select household_id, account_id, date_trunc('year', month)::date, sum(amount), sum(base)
        from (select household_id, account_id, month, debit_minor - credit_minor as amount,
                     debit_base_minor - credit_base_minor as base from changed_to
              union all
              select household_id, account_id, month, credit_minor - debit_minor,
                     credit_base_minor - debit_base_minor from changed_from) both_sides
       group by 1, 2, 3 having sum(amount) <> 0 or sum(base) <> 0 order by 1, 2, 3
      on conflict (household_id, account_id, year) do update
        set amount_minor = kept.amount_minor + excluded.amount_minor, base_minor = kept.base_minor + excluded.base_minor;
  else
    -- Months go with their account, and so do its years.
    update account_year kept
       set amount_minor = kept.amount_minor - gone.amount, base_minor = kept.base_minor - gone.base
      from (select household_id, account_id, date_trunc('year', month)::date as year,
                   sum(debit_minor - credit_minor) as amount, sum(debit_base_minor - credit_base_minor) as base
              from changed_from group by 1, 2, 3) gone
     where (kept.household_id, kept.account_id, kept.year) = (gone.household_id, gone.account_id, gone.year);
  end if;
  return null;
end $$;
create trigger account_month_arrived after insert on account_month
  referencing new table as changed_to for each statement execute function keep_account_years();
create trigger account_month_changed after update on account_month
  referencing old table as changed_from new table as changed_to for each statement execute function keep_account_years();
create trigger account_month_gone after delete on account_month
  referencing old table as changed_from for each statement execute function keep_account_years();

-- The totals that postings will touch are locked in one order for everybody: the months, then their years.
create or replace function hold_account_months(accounts uuid[], months date[]) returns void language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
declare house uuid := current_household();
begin
  if house is null then return; end if;
  insert into account_month (household_id, account_id, month, debit_minor, credit_minor, debit_base_minor, credit_base_minor)
    select distinct house, a, m, 0, 0, 0, 0 from unnest(accounts, months) as x(a, m) order by 2, 3
    on conflict (household_id, account_id, month) do nothing;
  perform 1 from account_month k
    where k.household_id = house and (k.account_id, k.month) in (select a, m from unnest(accounts, months) as x(a, m))
    order by k.account_id, k.month for no key update;
  insert into account_year (household_id, account_id, year, amount_minor, base_minor)
    select distinct house, a, date_trunc('year', m)::date, 0, 0 from unnest(accounts, months) as x(a, m) order by 2, 3
    on conflict (household_id, account_id, year) do nothing;
  perform 1 from account_year k
    where k.household_id = house
      and (k.account_id, k.year) in (select a, date_trunc('year', m)::date from unnest(accounts, months) as x(a, m))
    order by k.account_id, k.year for no key update;
end $$;
