-- The statement itself, as its bank sends it: a file is attached to an entry, a bank line, or a statement.
alter table attachment
  add column statement_id uuid,
  add foreign key (household_id, statement_id) references statement;
create index attachment_of_statement on attachment (household_id, statement_id) where statement_id is not null;

-- A statement that is put away leaves its files waiting; before it goes, as with entries.
create function let_go_of_documents() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  update attachment set statement_id = null, version = version + 1
   where household_id = old.household_id and statement_id = old.id;
  return old;
end $$;
create trigger statement_attachments before delete on statement for each row execute function let_go_of_documents();
