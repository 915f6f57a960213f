-- What a feed says stands on an account, day by day: the last word of each day.
create table feed_balance (
  household_id uuid not null,
  account_id   uuid not null,
  on_day       date not null,
  amount_minor bigint not null,
  primary key (household_id, account_id, on_day),
  foreign key (household_id, account_id) references account
);
alter table feed_balance enable row level security;
create policy own_household on feed_balance using (household_id = current_household());

insert into feed_balance (household_id, account_id, on_day, amount_minor)
select distinct on (household_id, account_id, bank_on) household_id, account_id, bank_on, bank_minor
  from connected_account
 where account_id is not null and bank_on is not null and bank_minor is not null
 order by household_id, account_id, bank_on, synced_at desc;
