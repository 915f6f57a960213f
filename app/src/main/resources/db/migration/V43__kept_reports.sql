-- Reports that a household keeps by a name: what they cover and are put together of, as their address says it.
create table kept_report (
  household_id uuid not null references household,
  id           uuid not null,
  name         text not null check (name = btrim(name) and name <> ''),
  address      text not null check (length(address) <= 4000),
  primary key (household_id, id)
);
create unique index kept_report_name on kept_report (household_id, lower(name));
alter table kept_report enable row level security;
create policy own_household on kept_report using (household_id = current_household());
select follow_acts('kept_report', '{INSERT,UPDATE,DELETE}', 'id');
