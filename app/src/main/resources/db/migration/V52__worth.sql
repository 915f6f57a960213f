-- What is owned without a bank's balance. An investment account stands at what its holdings cost.
create table investment (
  household_id uuid not null references household,
  account_id   uuid not null,
  version      int not null default 0,
  method       text not null check (method in ('AVERAGE', 'FIRST_IN_FIRST_OUT')),
  cash_id      uuid not null,
  gain_id      uuid not null,
  dividends_id uuid not null,
  fees_id      uuid not null,
  primary key (household_id, account_id),
  foreign key (household_id, account_id) references account,
  foreign key (household_id, cash_id) references account,
  foreign key (household_id, gain_id) references account,
  foreign key (household_id, dividends_id) references account,
  foreign key (household_id, fees_id) references account
);
create table security (
  household_id uuid not null references household,
  id           uuid not null,
  version      int not null default 0,
  name         text not null check (name = btrim(name) and name <> ''),
  code         text not null default '',
  currency     text not null,
  primary key (household_id, id)
);
create unique index security_name on security (household_id, lower(name));
create unique index security_code on security (household_id, lower(code)) where code <> '';
create table trade (
  household_id uuid not null,
  id           uuid not null,
  account_id   uuid not null,
  security_id  uuid not null,
  day          date not null,
  no           bigint not null,
  kind         text not null check (kind in ('HELD', 'BUY', 'SELL', 'DIVIDEND', 'FEE', 'SPLIT')),
  quantity     numeric(18, 8) not null check (quantity >= 0),
  amount_minor bigint not null check (amount_minor >= 0),
  fee_minor    bigint not null check (fee_minor >= 0),
  cost_minor   bigint not null check (cost_minor >= 0),
  entry_id     uuid,
  primary key (household_id, id),
  unique (household_id, entry_id),
  foreign key (household_id, account_id) references investment,
  foreign key (household_id, security_id) references security,
  foreign key (household_id, entry_id) references entry
);
create index trade_of_holding on trade (household_id, account_id, security_id, day);
create table price (
  household_id uuid not null,
  security_id  uuid not null,
  day          date not null,
  price        numeric(21, 8) not null check (price >= 0),
  primary key (household_id, security_id, day),
  foreign key (household_id, security_id) references security
);
-- What a thing is worth from a day on.
create table valuation (
  household_id uuid not null,
  account_id   uuid not null,
  day          date not null,
  worth_minor  bigint not null check (worth_minor >= 0),
  primary key (household_id, account_id, day),
  foreign key (household_id, account_id) references account
);
create table write_down (
  household_id uuid not null,
  account_id   uuid not null,
  expense_id   uuid not null,
  cost_minor   bigint not null check (cost_minor > 0),
  left_minor   bigint not null check (left_minor between 0 and cost_minor - 1),
  first        date not null check (extract(day from first) = 1),
  months       int not null check (months between 1 and 1200),
  primary key (household_id, account_id),
  foreign key (household_id, account_id) references account,
  foreign key (household_id, expense_id) references account
);
-- Entries that brought an investment to its worth, or wrote a thing down.
create table worth_entry (
  household_id uuid not null,
  entry_id     uuid not null,
  account_id   uuid not null,
  day          date not null,
  primary key (household_id, entry_id),
  foreign key (household_id, account_id) references account,
  foreign key (household_id, entry_id) references entry
);
create index worth_entry_account on worth_entry (household_id, account_id);
do $$ declare t text; begin
  foreach t in array array['investment', 'security', 'trade', 'price', 'valuation', 'write_down', 'worth_entry'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_household on %I using (household_id = current_household())', t);
  end loop;
end $$;
select follow_acts('investment', '{INSERT,UPDATE,DELETE}', 'account_id');
select follow_acts('security', '{INSERT,UPDATE,DELETE}', 'id');
select follow_acts('trade', '{INSERT,UPDATE,DELETE}', 'id');
select follow_acts('price', '{INSERT,UPDATE,DELETE}', 'security_id', 'day');
select follow_acts('valuation', '{INSERT,UPDATE,DELETE}', 'account_id', 'day');
select follow_acts('write_down', '{INSERT,UPDATE,DELETE}', 'account_id');
select follow_acts('worth_entry', '{INSERT,UPDATE,DELETE}', 'entry_id');

-- As with due items: before the entry goes, it is known no more.
create function let_go_of_worth_entries() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  delete from worth_entry where household_id = old.household_id and entry_id = old.id;
  return old;
end $$;
create trigger entry_worth_entries before delete on entry for each row execute function let_go_of_worth_entries();

-- A trade says what its entry says: neither the entry's figures nor its day change without it, nor is it countered.
create function keep_trade() returns trigger language plpgsql as $$
begin
  raise exception 'a trade is booked by the entry' using errcode = 'restrict_violation', constraint = 'trade_keeps_entry';
end $$;
create function is_of_trade(household uuid, entry uuid) returns boolean language sql stable as
  $$ select exists (select 1 from trade where household_id = household and entry_id = entry) $$;
create trigger trade_keeps_posting before update on posting for each row
  when ((old.amount_minor, old.base_minor, old.account_id, old.date) is distinct from
        (new.amount_minor, new.base_minor, new.account_id, new.date) and is_of_trade(old.household_id, old.entry_id))
  execute function keep_trade();
create trigger trade_keeps_entry before insert or update of counters_id on entry for each row
  when (new.counters_id is not null and is_of_trade(new.household_id, new.counters_id)) execute function keep_trade();
