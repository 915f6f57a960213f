-- The months that an entry serves, where they are not just its own: reports and budgets can spread it over them. The
-- ledger does not change by it, so that a closed month does not keep it from being said.
create table served_months (
  household_id uuid not null,
  entry_id     uuid not null,
  first        date not null check (extract(day from first) = 1),
  last         date not null check (extract(day from last) = 1 and last >= first and last < first + interval '10 years'),
  primary key (household_id, entry_id),
  foreign key (household_id, entry_id) references entry
);
alter table served_months enable row level security;
create policy own_household on served_months using (household_id = current_household());
select follow_acts('served_months', '{INSERT,UPDATE,DELETE}', 'entry_id');
