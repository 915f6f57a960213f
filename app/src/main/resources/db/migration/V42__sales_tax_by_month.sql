-- Of tax the category that it is the tax of: that of the net amount at its rate that stands last before it.
alter table posting add column taxed_account_id uuid;
alter table posting disable trigger user;
update posting t set taxed_account_id = (
  select n.account_id from posting n
   where n.household_id = t.household_id and n.entry_id = t.entry_id and n.tax_role = 'NET'
     and n.tax_rate_id = t.tax_rate_id and n.place < t.place order by n.place desc limit 1)
 where t.tax_role = 'TAX';
alter table posting enable trigger user;
alter table posting
  add constraint posting_taxed_account check (taxed_account_id is null or tax_role = 'TAX'),
  add foreign key (household_id, taxed_account_id) references account;
create index posting_taxed on posting (household_id, taxed_account_id) where taxed_account_id is not null;

-- What was posted to a category at a rate of sales tax in a month, and the tax that was set apart from it; debits
-- are above zero. Reports of tax read these, not the postings.
create table tax_month (
  household_id uuid not null,
  account_id   uuid not null,
  rate_id      uuid not null,
  month        date not null check (extract(day from month) = 1),
  net_minor    bigint not null,
  tax_minor    bigint not null,
  primary key (household_id, account_id, rate_id, month),
  foreign key (household_id, account_id) references account on delete cascade,
  foreign key (household_id, rate_id) references tax_rate on delete cascade
);
create index tax_month_by_month on tax_month (household_id, month);
alter table tax_month enable row level security;
create policy own_household on tax_month using (household_id = current_household());
insert into tax_month
  select household_id, coalesce(taxed_account_id, account_id), tax_rate_id, date_trunc('month', date)::date,
         coalesce(sum(base_minor) filter (where tax_role = 'NET'), 0), coalesce(sum(base_minor) filter (where tax_role = 'TAX'), 0)
    from posting where tax_rate_id is not null group by 1, 2, 3, 4;

-- Held by the months of their accounts, which are locked before; in one order for everybody.
create function keep_tax_months() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  if tg_op = 'INSERT' then
    insert into tax_month as kept
      select household_id, coalesce(taxed_account_id, account_id), tax_rate_id, date_trunc('month', date)::date,
             coalesce(sum(base_minor) filter (where tax_role = 'NET'), 0), coalesce(sum(base_minor) filter (where tax_role = 'TAX'), 0)
        from changed_to where tax_rate_id is not null group by 1, 2, 3, 4 order by 1, 2, 3, 4
      on conflict (household_id, account_id, rate_id, month) do update
        set net_minor = kept.net_minor + excluded.net_minor, tax_minor = kept.tax_minor + excluded.tax_minor;
  elsif tg_op = 'UPDATE' then
    insert into tax_month as kept
      select household_id, coalesce(taxed_account_id, account_id), tax_rate_id, date_trunc('month', date)::date,
             coalesce(sum(side * base_minor) filter (where tax_role = 'NET'), 0), coalesce(sum(side * base_minor) filter (where tax_role = 'TAX'), 0)
        from (select household_id, account_id, taxed_account_id, tax_rate_id, tax_role, date, base_minor, 1 as side
                from changed_to where tax_rate_id is not null
              union all
              select household_id, account_id, taxed_account_id, tax_rate_id, tax_role, date, base_minor, -1
                from changed_from where tax_rate_id is not null) both_sides
       group by 1, 2, 3, 4
      having coalesce(sum(side * base_minor) filter (where tax_role = 'NET'), 0) <> 0
          or coalesce(sum(side * base_minor) filter (where tax_role = 'TAX'), 0) <> 0
       order by 1, 2, 3, 4
      on conflict (household_id, account_id, rate_id, month) do update
        set net_minor = kept.net_minor + excluded.net_minor, tax_minor = kept.tax_minor + excluded.tax_minor;
  else
    insert into tax_month as kept
      select household_id, coalesce(taxed_account_id, account_id), tax_rate_id, date_trunc('month', date)::date,
             -coalesce(sum(base_minor) filter (where tax_role = 'NET'), 0), -coalesce(sum(base_minor) filter (where tax_role = 'TAX'), 0)
        from changed_from where tax_rate_id is not null group by 1, 2, 3, 4 order by 1, 2, 3, 4
      on conflict (household_id, account_id, rate_id, month) do update
        set net_minor = kept.net_minor + excluded.net_minor, tax_minor = kept.tax_minor + excluded.tax_minor;
  end if;
  return null;
end $$;
create trigger posting_added_taxed after insert on posting
  referencing new table as changed_to for each statement execute function keep_tax_months();
create trigger posting_changed_taxed after update on posting
  referencing old table as changed_from new table as changed_to for each statement execute function keep_tax_months();
create trigger posting_removed_taxed after delete on posting
  referencing old table as changed_from for each statement execute function keep_tax_months();

-- How often a book's sales tax is returned.
alter table book add column tax_period text not null default 'QUARTER' check (tax_period in ('MONTH', 'QUARTER', 'YEAR'));

-- A return of sales tax as it was sent; it stays, whatever happens to the books later.
create table tax_return (
  household_id uuid not null,
  id           uuid not null,
  book_id      uuid not null,
  first        date not null check (extract(day from first) = 1),
  last         date not null check (extract(day from last) = 1 and last >= first),
  returned_at  timestamptz not null,
  returned_by  uuid not null,
  primary key (household_id, id),
  unique (household_id, book_id, first),
  foreign key (household_id, book_id) references book
);
-- What it says at a rate: of its own period, or as the correction of an earlier one.
create table tax_return_line (
  household_id    uuid not null,
  return_id       uuid not null,
  place           int not null,
  about_first     date not null,
  about_last      date not null check (about_last >= about_first),
  rate_id         uuid not null,
  sales_minor     bigint not null,
  collected_minor bigint not null,
  purchases_minor bigint not null,
  paid_minor      bigint not null,
  primary key (household_id, return_id, place),
  foreign key (household_id, return_id) references tax_return,
  foreign key (household_id, rate_id) references tax_rate
);
do $$ declare t text; begin
  foreach t in array array['tax_return', 'tax_return_line'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_household on %I using (household_id = current_household())', t);
  end loop;
end $$;
select follow_acts('tax_return', '{INSERT,DELETE}', 'id');
select follow_acts('tax_return_line', '{INSERT,DELETE}', 'return_id', 'place');
