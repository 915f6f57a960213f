-- What the household knows of a payee besides its name; what its entries go to, if a person says so.
alter table payee
  add column category_id    uuid,
  add column account_number text not null default '',
  add column contact        text not null default '',
  add column note           text not null default '',
  add foreign key (household_id, category_id) references account;
create index payee_of_category on payee (household_id, category_id) where category_id is not null;

-- A tag whose time is over is no longer offered; the entries keep it.
alter table tag add column put_away boolean not null default false;

-- Both begin with the first entry that needs them, which is no change to be taken back. Only undoing a merge makes one
-- again, and doing it once more has to know.
create trigger payee_insert_acts after insert on payee
  referencing new table as changed_to for each statement
  when (current_setting('yew.undoing', true) = 'on') execute function note_changes('id');
create trigger tag_insert_acts after insert on tag
  referencing new table as changed_to for each statement
  when (current_setting('yew.undoing', true) = 'on') execute function note_changes('id');
