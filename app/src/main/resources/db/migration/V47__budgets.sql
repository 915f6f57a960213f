-- Whether what is left of a category's plan goes on to the next month.
create table budget (
  household_id uuid not null,
  account_id   uuid not null,
  carries      boolean not null,
  primary key (household_id, account_id),
  foreign key (household_id, account_id) references account
);
-- What may be spent on a category: month by month, or in several months together. Then the amount stands at the
-- first of them and the others have none, so that a month is never planned twice.
create table budget_month (
  household_id uuid not null,
  account_id   uuid not null,
  month        date not null check (extract(day from month) = 1),
  first        date not null check (extract(day from first) = 1 and first <= month),
  amount_minor bigint not null check (amount_minor >= 0 and (month = first or amount_minor = 0)),
  primary key (household_id, account_id, month),
  foreign key (household_id, account_id) references budget
);
do $$ declare t text; begin
  foreach t in array array['budget', 'budget_month'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_household on %I using (household_id = current_household())', t);
  end loop;
end $$;
select follow_acts('budget', '{INSERT,UPDATE,DELETE}', 'account_id');
select follow_acts('budget_month', '{INSERT,UPDATE,DELETE}', 'account_id', 'month');
