-- Entries that recur: when, by a rule of RFC 5545 (empty for once) from a first day on, and how they are booked.
create table schedule (
  household_id uuid not null references household,
  id           uuid not null,
  version      int not null default 0,
  payee_id     uuid not null,
  note         text not null default '',
  account_id   uuid not null,
  about_minor  bigint not null default 0 check (about_minor >= 0),
  rule         text not null check (length(rule) <= 200),
  first        date not null,
  trusted      boolean not null default false,
  shift        text not null check (shift in ('NONE', 'WORKING_DAY_BEFORE', 'NEXT_WORKING_DAY')),
  primary key (household_id, id),
  foreign key (household_id, payee_id) references payee,
  foreign key (household_id, account_id) references account
);
create index schedule_payee on schedule (household_id, payee_id);
create table schedule_part (
  household_id uuid not null,
  schedule_id  uuid not null,
  place        int not null,
  account_id   uuid not null,
  amount_minor bigint not null,
  note         text not null default '',
  primary key (household_id, schedule_id, place),
  foreign key (household_id, schedule_id) references schedule,
  foreign key (household_id, account_id) references account
);
-- What was said of one due item, known by the day that the rule gives it: skipped, moved, or that entry.
create table due_item (
  household_id uuid not null,
  schedule_id  uuid not null,
  day          date not null,
  reason       text,
  moved_to     date,
  entry_id     uuid,
  primary key (household_id, schedule_id, day),
  foreign key (household_id, schedule_id) references schedule,
  foreign key (household_id, entry_id) references entry,
  check (num_nonnulls(reason, moved_to, entry_id) = 1)
);
create index due_item_entry on due_item (household_id, entry_id) where entry_id is not null;
-- Days off, besides weekends.
create table holiday (
  household_id uuid not null references household,
  day          date not null,
  name         text not null check (name = btrim(name) and name <> ''),
  primary key (household_id, day)
);
do $$ declare t text; begin
  foreach t in array array['schedule', 'schedule_part', 'due_item', 'holiday'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_household on %I using (household_id = current_household())', t);
  end loop;
end $$;
select follow_acts('schedule', '{INSERT,UPDATE,DELETE}', 'id');
select follow_acts('schedule_part', '{INSERT,UPDATE,DELETE}', 'schedule_id', 'place');
select follow_acts('due_item', '{INSERT,UPDATE,DELETE}', 'schedule_id', 'day');
select follow_acts('holiday', '{INSERT,UPDATE,DELETE}', 'day');

-- As with templates: before the entry goes, and its item is expected again.
create function let_go_of_due_items() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  delete from due_item where household_id = old.household_id and entry_id = old.id;
  return old;
end $$;
create trigger entry_due_items before delete on entry for each row execute function let_go_of_due_items();
