-- Feeds and statement files of every format; lines that are pending, doubtful or copies; batches taken back.

alter table batch rename column format to source;
alter table batch
  add column doubtful_lines int not null default 0,
  add column opening_minor bigint,
  add column closing_minor bigint,
  add column closing_on date,
  add column available_minor bigint,
  add column taken_back_at timestamptz,
  add column taken_back_by uuid;

-- What a taken-back batch brought stays as the bank gave it, but counts no more.
alter table bank_line
  add column pending boolean not null default false,
  add column taken_back_at timestamptz;

drop trigger bank_line_append_only on bank_line;
update bank_line set text_key = upper(regexp_replace(normalize(text_key, NFD), '[^[:alnum:]]', '', 'g'));

drop index bank_line_once;
create unique index bank_line_once
  on bank_line (household_id, account_id, booked_on, amount_minor, text_hash, ordinal, pending)
  where taken_back_at is null;

-- text_hash is generated, and so not known yet where a trigger looks.
create function keep_bank_line() returns trigger language plpgsql as $$
begin
  if tg_op = 'UPDATE' and old.taken_back_at is null and new.taken_back_at is not null
     and to_jsonb(new) - array['taken_back_at', 'text_hash'] = to_jsonb(old) - array['taken_back_at', 'text_hash'] then
    return new;
  end if;
  raise exception 'bank_line is append-only' using errcode = 'restrict_violation';
end $$;
create trigger bank_line_append_only before update or delete on bank_line
  for each row execute function keep_bank_line();

-- other_line_id: the line that a doubtful one may be, that a copy is, or that has replaced a pending one.
alter table bank_line_state
  drop constraint bank_line_state_state_check,
  add constraint bank_line_state_state_check
    check (state in ('WAITING', 'POSTED', 'DOUBTFUL', 'COPY', 'PENDING', 'REPLACED')),
  add column other_line_id uuid,
  add foreign key (household_id, other_line_id) references bank_line;
create index bank_line_doubtful on bank_line_state (household_id, account_id) where state in ('DOUBTFUL', 'PENDING');
create index bank_line_other on bank_line_state (household_id, other_line_id) where other_line_id is not null;

-- The number inside a file, and the account that a person has chosen for it.
create table file_route (
  household_id   uuid not null references household,
  account_number text not null,
  account_id     uuid not null,
  primary key (household_id, account_number),
  foreign key (household_id, account_id) references account
);

-- How a table with these column names is read for an account.
create table table_layout (
  household_id uuid not null references household,
  account_id   uuid not null,
  header_key   text not null,
  layout       jsonb not null,
  kept_at      timestamptz not null,
  primary key (household_id, account_id, header_key),
  foreign key (household_id, account_id) references account
);

do $$ declare t text; begin
  foreach t in array array['file_route', 'table_layout'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_household on %I using (household_id = current_household())', t);
  end loop;
end $$;
