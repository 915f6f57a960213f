-- Exports that a household makes again and again: what they hold, in which form, and where they are written.
create table kept_export (
  household_id  uuid not null references household,
  id            uuid not null,
  name          text not null check (name = btrim(name) and length(name) between 1 and 80),
  rows_are      text not null check (rows_are in ('ENTRIES', 'POSTINGS', 'LINES')),
  book_id       uuid,
  account_id    uuid,
  filter        text not null check (length(filter) <= 500),
  days          text not null,
  columns       jsonb not null,
  format        text not null check (format in ('CSV', 'XLSX', 'JSON', 'OFX', 'CAMT')),
  day_form      text not null,
  decimal_comma boolean not null,
  -- The file, whether rows are added to it, and when; null if it is fetched only.
  delivery      jsonb,
  version       integer not null default 0,
  -- As whom it is written when its time comes.
  made_by       uuid not null references person,
  primary key (household_id, id),
  foreign key (household_id, book_id) references book,
  foreign key (household_id, account_id) references account
);
create unique index kept_export_name on kept_export (household_id, lower(name));
create index kept_export_account on kept_export (household_id, account_id) where account_id is not null;
create index kept_export_book on kept_export (household_id, book_id) where book_id is not null;

-- When an export is written next, and how it went last. No part of the books: no act changes it.
create table export_run (
  household_id uuid not null,
  export_id    uuid not null,
  next_at      timestamptz,
  ran_at       timestamptz,
  row_count    integer,
  -- Why nothing was written; null if it was.
  problem      text,
  primary key (household_id, export_id),
  foreign key (household_id, export_id) references kept_export on delete cascade
);
create index export_run_next on export_run (next_at) where next_at is not null;

do $$ declare t text; begin
  foreach t in array array['kept_export', 'export_run'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_household on %I using (household_id = current_household())', t);
  end loop;
end $$;
select follow_acts('kept_export', '{INSERT,UPDATE,DELETE}', 'id');

-- Of all households, for the job that writes them: those whose time has come, and those that have no time yet.
create function exports_due(moment timestamptz)
  returns table (household_id uuid, id uuid, made_by uuid)
  language sql stable security definer set search_path = pg_catalog, public, pg_temp as $$
    select e.household_id, e.id, e.made_by
      from kept_export e
      left join export_run r on r.household_id = e.household_id and r.export_id = e.id
     where e.delivery is not null and (r.next_at is null or r.next_at <= moment)
     order by r.next_at nulls first, e.id
     limit 100 $$;
