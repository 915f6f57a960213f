-- Books with their fiscal year and sales tax, all facts of an account, and values in the base currency.

alter table book
  add fiscal_year_starts_in smallint not null default 1 check (fiscal_year_starts_in between 1 and 12),
  add tax_number text not null default '',
  add taxed_from date,
  add version int not null default 0;

create table tax_rate (
  household_id uuid not null,
  id           uuid not null,
  book_id      uuid not null,
  name         text not null,
  version      int not null default 0,
  primary key (household_id, id),
  foreign key (household_id, book_id) references book
);
create unique index tax_rate_name on tax_rate (household_id, book_id, lower(name));

-- So many percent from this day on.
create table tax_rate_step (
  household_id uuid not null,
  tax_rate_id  uuid not null,
  from_day     date not null,
  percent      numeric(6, 3) not null check (percent between 0 and 100),
  primary key (household_id, tax_rate_id, from_day),
  foreign key (household_id, tax_rate_id) references tax_rate on delete cascade
);

-- interest_rate: percent a year. credit_limit_minor: in the account's currency, above zero.
alter table account
  add number text not null default '',
  add institution text not null default '',
  add web_page text not null default '',
  add contact text not null default '',
  add notes text not null default '',
  add pinned boolean not null default false,
  add credit_limit_minor bigint check (credit_limit_minor > 0),
  add interest_rate numeric(7, 4),
  add tax_rate_id uuid,
  add tax_form_line text not null default '',
  add closed_on date,
  add version int not null default 0,
  add foreign key (household_id, tax_rate_id) references tax_rate,
  drop constraint account_household_id_book_id_name_key;
create unique index account_name on account (household_id, book_id, lower(name));
create unique index account_kept_by_core on account (household_id, book_id, kind)
  where kind in ('OPENING_EQUITY', 'DRAWINGS', 'EXCHANGE');
create index account_of_group on account (household_id, parent_id) where parent_id is not null;

-- One unit of from_currency was worth rate units of to_currency on the day.
create table exchange_rate (
  household_id  uuid not null references household,
  from_currency char(3) not null,
  to_currency   char(3) not null,
  day           date not null,
  rate          numeric(20, 10) not null check (rate > 0),
  primary key (household_id, from_currency, to_currency, day),
  check (from_currency <> to_currency)
);

-- base_minor: the value in minor units of the book's base currency. An amount of zero with a value is a
-- revaluation.
alter table posting add base_minor bigint;
update posting set base_minor = amount_minor;
alter table posting
  alter base_minor set not null,
  drop constraint posting_amount_minor_check,
  add constraint posting_is_something check (amount_minor <> 0 or base_minor <> 0),
  add constraint posting_one_side check (sign(amount_minor) * sign(base_minor) >= 0);

create index posting_by_date on posting (household_id, date);

alter table account_month add debit_base_minor bigint, add credit_base_minor bigint;
update account_month set debit_base_minor = debit_minor, credit_base_minor = credit_minor;
alter table account_month alter debit_base_minor set not null, alter credit_base_minor set not null;

create or replace function keep_account_months() returns trigger language plpgsql as $$
begin
  if tg_op = 'INSERT' then
    insert into account_month as kept
           (household_id, account_id, month, debit_minor, credit_minor, debit_base_minor, credit_base_minor)
      select household_id, account_id, date_trunc('month', date)::date,
             sum(greatest(amount_minor, 0)), sum(greatest(-amount_minor, 0)),
             sum(greatest(base_minor, 0)), sum(greatest(-base_minor, 0))
        from changed_to group by 1, 2, 3 order by 1, 2, 3
      on conflict (household_id, account_id, month) do update
        set debit_minor = kept.debit_minor + excluded.debit_minor,
            credit_minor = kept.credit_minor + excluded.credit_minor,
            debit_base_minor = kept.debit_base_minor + excluded.debit_base_minor,
            credit_base_minor = kept.credit_base_minor + excluded.credit_base_minor;
    insert into entry_to_balance select distinct household_id, entry_id from changed_to on conflict do nothing;
  elsif tg_op = 'DELETE' then
    update account_month kept
       set debit_minor = kept.debit_minor - gone.debit,
           credit_minor = kept.credit_minor - gone.credit,
           debit_base_minor = kept.debit_base_minor - gone.debit_base,
           credit_base_minor = kept.credit_base_minor - gone.credit_base
      from (select household_id, account_id, date_trunc('month', date)::date as month,
                   sum(greatest(amount_minor, 0)) as debit, sum(greatest(-amount_minor, 0)) as credit,
                   sum(greatest(base_minor, 0)) as debit_base, sum(greatest(-base_minor, 0)) as credit_base
              from changed_from group by 1, 2, 3 order by 1, 2, 3) gone
     where (kept.household_id, kept.account_id, kept.month) = (gone.household_id, gone.account_id, gone.month);
    insert into entry_to_balance select distinct household_id, entry_id from changed_from on conflict do nothing;
  end if;
  return null;
end $$;

-- Only a merge moves postings, and only the one that is under way in this transaction.
create or replace function keep_posting_facts() returns trigger language plpgsql as $$
begin
  if (new.household_id, new.id, new.entry_id, new.book_id, new.date, new.amount_minor, new.base_minor)
     is distinct from
     (old.household_id, old.id, old.entry_id, old.book_id, old.date, old.amount_minor, old.base_minor)
     or (new.account_id <> old.account_id
         and current_setting('yew.merging', true) is distinct from old.account_id || '>' || new.account_id) then
    raise exception 'the facts of a posting do not change' using errcode = 'restrict_violation';
  end if;
  return new;
end $$;

create function move_postings(from_account uuid, to_account uuid) returns bigint language plpgsql as $$
declare moved bigint;
begin
  if not exists (select 1 from account a join account b using (household_id, book_id, currency, is_group)
                  where a.id = from_account and b.id = to_account) then
    raise exception 'accounts of different books or currencies do not merge' using errcode = 'restrict_violation';
  end if;
  perform set_config('yew.merging', from_account || '>' || to_account, true);
  update posting set account_id = to_account where account_id = from_account;
  get diagnostics moved = row_count;
  perform set_config('yew.merging', '', true);
  insert into account_month as kept
         (household_id, account_id, month, debit_minor, credit_minor, debit_base_minor, credit_base_minor)
    select household_id, to_account, month, debit_minor, credit_minor, debit_base_minor, credit_base_minor
      from account_month where account_id = from_account
    on conflict (household_id, account_id, month) do update
      set debit_minor = kept.debit_minor + excluded.debit_minor,
          credit_minor = kept.credit_minor + excluded.credit_minor,
          debit_base_minor = kept.debit_base_minor + excluded.debit_base_minor,
          credit_base_minor = kept.credit_base_minor + excluded.credit_base_minor;
  delete from account_month where account_id = from_account;
  return moved;
end $$;

create or replace function require_entry_balance() returns trigger language plpgsql as $$
begin
  if exists (select 1 from posting p
               join account a on a.household_id = p.household_id and a.id = p.account_id
              where p.household_id = new.household_id and p.entry_id = new.entry_id
              group by p.book_id
             having sum(p.base_minor) <> 0
                 or (count(distinct a.currency) = 1 and sum(p.amount_minor) <> 0))
     or (select count(*) from posting p
          where p.household_id = new.household_id and p.entry_id = new.entry_id) = 1 then
    raise exception 'entry % does not balance', new.entry_id
      using errcode = 'check_violation', constraint = 'entry_balances';
  end if;
  delete from entry_to_balance where household_id = new.household_id and entry_id = new.entry_id;
  return null;
end $$;

-- What a statement itself says it opens with; null where it does not say.
alter table statement add opening_said_minor bigint;

-- The page on which a new household is being filled in, until its books are opened.
create table household_setup (
  household_id uuid primary key references household,
  draft        jsonb not null,
  version      int not null default 0
);

do $$ declare t text; begin
  foreach t in array array['tax_rate', 'tax_rate_step', 'exchange_rate', 'household_setup'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_household on %I using (household_id = current_household())', t);
  end loop;
end $$;
