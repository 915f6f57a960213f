-- What the names in a person's own sheets of entries mean in a book, so that the sheet of the next year knows them. They
-- come with the entries and go when these are taken back.
create table sheet_name (
  household_id uuid not null references household,
  book_id      uuid not null,
  side         text not null check (side in ('ACCOUNT', 'CATEGORY')),
  -- Evened out: lower case, one space between words.
  name         text not null check (name <> ''),
  account_id   uuid not null,
  primary key (household_id, book_id, side, name),
  foreign key (household_id, book_id) references book,
  foreign key (household_id, account_id) references account
);
create index sheet_name_account on sheet_name (household_id, account_id);
select follow_acts('sheet_name', '{INSERT,UPDATE,DELETE}', 'book_id', 'side', 'name');

-- How a sheet with these column names is read for a book. No part of the books: no act changes it.
create table sheet_layout (
  household_id uuid not null references household,
  book_id      uuid not null,
  header_key   text not null,
  layout       jsonb not null,
  kept_at      timestamptz not null,
  primary key (household_id, book_id, header_key),
  foreign key (household_id, book_id) references book
);

do $$ declare t text; begin
  foreach t in array array['sheet_name', 'sheet_layout'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_household on %I using (household_id = current_household())', t);
  end loop;
end $$;
