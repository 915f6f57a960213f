-- Loans: the terms by which each payment, an item of the loan's schedule, is split into interest and what it repays.
create table loan (
  household_id uuid not null references household,
  id           uuid not null,
  version      int not null default 0,
  account_id   uuid not null,
  interest_id  uuid not null,
  schedule_id  uuid not null,
  count        text not null check (count in ('MONTHS', 'DAYS_365', 'DAYS_360')),
  fixed_until  date,
  primary key (household_id, id),
  constraint loan_one_of_account unique (household_id, account_id),
  unique (household_id, schedule_id),
  foreign key (household_id, account_id) references account,
  foreign key (household_id, interest_id) references account,
  foreign key (household_id, schedule_id) references schedule
);
create table loan_terms (
  household_id  uuid not null,
  loan_id       uuid not null,
  first         date not null,
  rate          numeric(9, 6) not null check (rate between 0 and 100),
  payment_minor bigint not null check (payment_minor > 0),
  primary key (household_id, loan_id, first),
  foreign key (household_id, loan_id) references loan
);
-- What the lender said of a year, to be held against the books.
create table lender_year (
  household_id       uuid not null,
  loan_id            uuid not null,
  through            date not null,
  after              date not null check (after < through),
  owed_before_minor  bigint not null,
  paid_minor         bigint not null,
  interest_minor     bigint not null,
  owed_after_minor   bigint not null,
  note               text not null default '',
  primary key (household_id, loan_id, through),
  foreign key (household_id, loan_id) references loan,
  check (owed_before_minor - (paid_minor - interest_minor) = owed_after_minor)
);
do $$ declare t text; begin
  foreach t in array array['loan', 'loan_terms', 'lender_year'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_household on %I using (household_id = current_household())', t);
  end loop;
end $$;
select follow_acts('loan', '{INSERT,UPDATE,DELETE}', 'id');
select follow_acts('loan_terms', '{INSERT,UPDATE,DELETE}', 'loan_id', 'first');
select follow_acts('lender_year', '{INSERT,UPDATE,DELETE}', 'loan_id', 'through');
