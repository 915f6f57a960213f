-- Entries that others are typed after, by a name. What a template holds is what its entry holds, so that it follows
-- the chart and every mend; one that is deleted takes its template along, and undo brings both back.
create table entry_template (
  household_id uuid not null references household,
  id           uuid not null,
  name         text not null check (name = btrim(name) and name <> ''),
  entry_id     uuid not null,
  primary key (household_id, id),
  foreign key (household_id, entry_id) references entry
);
create unique index entry_template_name on entry_template (household_id, lower(name));
create index entry_template_of on entry_template (household_id, entry_id);
alter table entry_template enable row level security;
create policy own_household on entry_template using (household_id = current_household());
select follow_acts('entry_template', '{INSERT,UPDATE,DELETE}', 'id');

-- As with attachments: before the entry goes.
create function let_go_of_templates() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  delete from entry_template where household_id = old.household_id and entry_id = old.id;
  return old;
end $$;
create trigger entry_templates before delete on entry for each row execute function let_go_of_templates();
