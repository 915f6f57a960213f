create table batch (
  household_id uuid not null references household,
  id           uuid not null,
  no           bigint not null,
  account_id   uuid not null,
  file_name    text not null,
  format       text not null,
  gathered_at  timestamptz not null,
  gathered_by  uuid not null,
  first_day    date,
  last_day     date,
  new_lines    int not null,
  known_lines  int not null,
  primary key (household_id, id),
  unique (household_id, no),
  foreign key (household_id, account_id) references account
);

-- As the bank gave it, for ever. ordinal: the n-th of equal lines of a day.
create table bank_line (
  household_id uuid not null,
  id           uuid not null,
  batch_id     uuid not null,
  account_id   uuid not null,
  booked_on    date not null,
  value_on     date,
  amount_minor bigint not null,
  payee        text not null,
  memo         text not null,
  reference    text not null,
  type         text not null,
  identity     text,
  raw          text not null,
  source_line  int not null,
  text_key     text not null,
  text_hash    uuid not null generated always as (md5(text_key)::uuid) stored,
  ordinal      int not null,
  primary key (household_id, id),
  foreign key (household_id, batch_id) references batch,
  foreign key (household_id, account_id) references account
);
create unique index bank_line_once
  on bank_line (household_id, account_id, booked_on, amount_minor, text_hash, ordinal);
create index bank_line_of_batch on bank_line (household_id, batch_id);
create trigger bank_line_append_only before update or delete on bank_line
  for each row execute function refuse_change();

-- What was made of a bank line, beside it.
create table bank_line_state (
  household_id uuid not null,
  bank_line_id uuid not null,
  account_id   uuid not null,
  booked_on    date not null,
  state        text not null check (state in ('WAITING', 'POSTED')),
  changed_at   timestamptz not null,
  changed_by   uuid not null,
  version      int not null default 0,
  primary key (household_id, bank_line_id),
  foreign key (household_id, bank_line_id) references bank_line
);
create index bank_line_waiting on bank_line_state (household_id, account_id, booked_on) where state = 'WAITING';

create table statement (
  household_id  uuid not null,
  id            uuid not null,
  account_id    uuid not null,
  closes_on     date not null,
  closing_minor bigint not null,
  batch_id      uuid,
  finished_at   timestamptz,
  finished_by   uuid,
  version       int not null default 0,
  primary key (household_id, id),
  unique (household_id, account_id, closes_on),
  foreign key (household_id, account_id) references account,
  foreign key (household_id, batch_id) references batch
);

alter table posting
  add foreign key (household_id, bank_line_id) references bank_line,
  add foreign key (household_id, statement_id) references statement;

create function keep_reconciled() returns trigger language plpgsql as $$
begin
  if exists (select 1 from statement s
              where s.household_id = old.household_id and s.id = old.statement_id and s.finished_at is not null)
     and (tg_op = 'DELETE' or new.statement_id is distinct from old.statement_id) then
    raise exception 'a reconciled posting does not change' using errcode = 'restrict_violation';
  end if;
  return case when tg_op = 'DELETE' then old else new end;
end $$;
create trigger posting_reconciled before update or delete on posting
  for each row when (old.statement_id is not null) execute function keep_reconciled();

create table rule (
  household_id  uuid not null references household,
  id            uuid not null,
  place         int not null,
  words         text not null,
  direction     text not null check (direction in ('IN', 'OUT', 'EITHER')),
  on_account_id uuid,
  payee         text not null,
  to_account_id uuid not null,
  version       int not null default 0,
  primary key (household_id, id),
  foreign key (household_id, on_account_id) references account,
  foreign key (household_id, to_account_id) references account
);
create index rule_in_order on rule (household_id, place);

do $$ declare t text; begin
  foreach t in array array['batch', 'bank_line', 'bank_line_state', 'statement', 'rule'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_household on %I using (household_id = current_household())', t);
  end loop;
end $$;
