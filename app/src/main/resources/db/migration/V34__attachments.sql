-- Receipts and other papers. They are kept in the database: a paper and the books then change, are backed up and are
-- hidden from other households together, and none can be lost from beside them.

-- What a file is made of, kept once however often it is attached, under its checksum. It never changes.
create table attachment_content (
  household_id uuid not null references household,
  sha256       bytea not null check (octet_length(sha256) = 32),
  content      bytea not null check (octet_length(content) between 1 and 20971520),
  primary key (household_id, sha256)
);
-- Such files are compressed by themselves.
alter table attachment_content alter column content set storage external;

-- How its pages look, drawn once. "problem": why there are no pictures; empty if there are.
create table attachment_drawing (
  household_id uuid not null,
  sha256       bytea not null,
  pages        int not null check (pages >= 0),
  problem      text not null,
  primary key (household_id, sha256),
  foreign key (household_id, sha256) references attachment_content on delete cascade
);

-- Page 0 is the first one, small.
create table attachment_page (
  household_id uuid not null,
  sha256       bytea not null,
  page         int not null check (page >= 0),
  picture      bytea not null,
  primary key (household_id, sha256, page),
  foreign key (household_id, sha256) references attachment_drawing on delete cascade
);
alter table attachment_page alter column picture set storage external;

-- A file and what it is attached to: an entry, else a bank line that waits to be posted; with neither it waits itself.
create table attachment (
  household_id uuid not null references household,
  id           uuid not null,
  name         text not null check (name = btrim(name) and name <> ''),
  type         text not null check (type in ('PDF', 'JPEG', 'PNG', 'HEIC')),
  bytes        int not null check (bytes between 1 and 20971520),
  sha256       bytea not null,
  arrived_at   timestamptz not null,
  entry_id     uuid,
  bank_line_id uuid,
  version      int not null default 0,
  primary key (household_id, id),
  foreign key (household_id, sha256) references attachment_content,
  foreign key (household_id, entry_id) references entry,
  foreign key (household_id, bank_line_id) references bank_line
);
create unique index attachment_once on attachment (household_id, sha256);
create index attachment_of_entry on attachment (household_id, entry_id) where entry_id is not null;
create index attachment_of_line on attachment (household_id, bank_line_id) where bank_line_id is not null;

do $$ declare t text; begin
  foreach t in array array['attachment_content', 'attachment_drawing', 'attachment_page', 'attachment'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_household on %I using (household_id = current_household())', t);
  end loop;
end $$;
select follow_acts('attachment', '{INSERT,UPDATE,DELETE}', 'id');

-- An entry that goes leaves its files waiting. Before it goes, and not by its foreign key afterwards, so that the act
-- tells of the files first: taken back in the reverse order, the entry is there again when they come back to it.
create function let_go_of_attachments() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  update attachment set entry_id = null, version = version + 1
   where household_id = old.household_id and entry_id = old.id;
  return old;
end $$;
create trigger entry_attachments before delete on entry for each row execute function let_go_of_attachments();
