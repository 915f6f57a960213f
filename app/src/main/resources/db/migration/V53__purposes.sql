-- How a pay is divided over the purposes of an account, kept by name.
create table division_template (
  household_id uuid not null references household,
  id           uuid not null,
  account_id   uuid not null,
  name         text not null check (name = btrim(name) and name <> ''),
  primary key (household_id, id),
  foreign key (household_id, account_id) references account
);
create unique index division_template_name on division_template (household_id, account_id, lower(name));
create table division_template_part (
  household_id uuid not null,
  template_id  uuid not null,
  purpose_id   uuid not null,
  amount_minor bigint not null check (amount_minor <> 0),
  primary key (household_id, template_id, purpose_id),
  foreign key (household_id, template_id) references division_template,
  foreign key (household_id, purpose_id) references account
);
-- What a purpose pays for: what its account pays of the category from that day on is taken out of it.
create table purpose_category (
  household_id uuid not null references household,
  category_id  uuid not null,
  purpose_id   uuid not null,
  since        date not null,
  primary key (household_id, category_id),
  foreign key (household_id, category_id) references account,
  foreign key (household_id, purpose_id) references account
);
create index purpose_category_purpose on purpose_category (household_id, purpose_id);
-- Entries that took out of purposes what was spent.
create table purpose_taking (
  household_id uuid not null,
  entry_id     uuid not null,
  primary key (household_id, entry_id),
  foreign key (household_id, entry_id) references entry
);
do $$ declare t text; begin
  foreach t in array array['division_template', 'division_template_part', 'purpose_category', 'purpose_taking'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_household on %I using (household_id = current_household())', t);
  end loop;
end $$;
select follow_acts('division_template', '{INSERT,UPDATE,DELETE}', 'id');
select follow_acts('division_template_part', '{INSERT,UPDATE,DELETE}', 'template_id', 'purpose_id');
select follow_acts('purpose_category', '{INSERT,UPDATE,DELETE}', 'category_id');
select follow_acts('purpose_taking', '{INSERT,UPDATE,DELETE}', 'entry_id');

-- As with worth: before the entry goes, it is known no more.
create function let_go_of_purpose_takings() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  delete from purpose_taking where household_id = old.household_id and entry_id = old.id;
  return old;
end $$;
create trigger entry_purpose_takings before delete on entry for each row execute function let_go_of_purpose_takings();
