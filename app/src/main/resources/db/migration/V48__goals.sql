-- What a book is to earn in the fiscal year that begins with a month.
create table profit_goal (
  household_id uuid not null,
  book_id      uuid not null,
  first        date not null check (extract(day from first) = 1),
  amount_minor bigint not null check (amount_minor > 0),
  primary key (household_id, book_id, first),
  foreign key (household_id, book_id) references book
);
-- What is to stand on an account by a day; what stood on the day on which that was set is kept with it.
create table balance_goal (
  household_id uuid not null,
  account_id   uuid not null,
  since        date not null,
  start_minor  bigint not null,
  by_day       date not null check (by_day > since),
  amount_minor bigint not null check (amount_minor > 0),
  primary key (household_id, account_id),
  foreign key (household_id, account_id) references account
);
do $$ declare t text; begin
  foreach t in array array['profit_goal', 'balance_goal'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_household on %I using (household_id = current_household())', t);
  end loop;
end $$;
select follow_acts('profit_goal', '{INSERT,UPDATE,DELETE}', 'book_id', 'first');
select follow_acts('balance_goal', '{INSERT,UPDATE,DELETE}', 'account_id');
