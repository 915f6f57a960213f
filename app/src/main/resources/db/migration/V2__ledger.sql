create table book (
  household_id uuid not null references household,
  id           uuid not null,
  name         text not null,
  currency     char(3) not null,
  place        int not null,
  primary key (household_id, id),
  unique (household_id, name)
);

create table account (
  household_id uuid not null,
  id           uuid not null,
  book_id      uuid not null,
  parent_id    uuid,
  name         text not null,
  kind         text not null,
  currency     char(3) not null,
  is_group     boolean not null,
  tail         text not null default '',
  opens_on     date,
  place        int not null,
  primary key (household_id, id),
  foreign key (household_id, book_id) references book,
  foreign key (household_id, parent_id) references account,
  unique (household_id, book_id, name)
);

create table entry (
  household_id uuid not null references household,
  id           uuid not null,
  no           bigint not null,
  date         date not null,
  payee        text not null,
  note         text not null,
  origin       text not null,
  made_at      timestamptz not null,
  made_by      uuid not null,
  primary key (household_id, id),
  unique (household_id, no)
);
create index entry_by_date on entry (household_id, date desc, no desc);

-- amount_minor: minor units of the account's currency; debits positive, credits negative.
-- date and book_id repeat the entry's date and the account's book, for registers and for the balance check.
create table posting (
  household_id uuid not null,
  id           uuid not null,
  entry_id     uuid not null,
  place        int not null,
  account_id   uuid not null,
  book_id      uuid not null,
  date         date not null,
  amount_minor bigint not null check (amount_minor <> 0),
  note         text not null default '',
  bank_line_id uuid,
  statement_id uuid,
  version      int not null default 0,
  primary key (household_id, id),
  foreign key (household_id, entry_id) references entry on delete cascade,
  foreign key (household_id, account_id) references account
);
create index posting_of_entry on posting (household_id, entry_id);
create index posting_of_account on posting (household_id, account_id, date desc);
create unique index posting_of_bank_line on posting (household_id, bank_line_id) where bank_line_id is not null;
create index posting_of_statement on posting (household_id, statement_id) where statement_id is not null;

-- Totals kept with every change of postings, so that reports read hundreds of rows, not a million.
create table account_month (
  household_id uuid not null,
  account_id   uuid not null,
  month        date not null check (extract(day from month) = 1),
  debit_minor  bigint not null,
  credit_minor bigint not null,
  primary key (household_id, account_id, month),
  foreign key (household_id, account_id) references account
);

-- Entries whose postings changed in this transaction; each is checked once, at commit.
create table entry_to_balance (
  household_id uuid not null,
  entry_id     uuid not null,
  primary key (household_id, entry_id)
);

create function keep_account_months() returns trigger language plpgsql as $$
begin
  if tg_op = 'INSERT' then
    insert into account_month as kept
      select household_id, account_id, date_trunc('month', date)::date,
             sum(greatest(amount_minor, 0)), sum(greatest(-amount_minor, 0))
        from changed_to group by 1, 2, 3 order by 1, 2, 3
      on conflict (household_id, account_id, month) do update
        set debit_minor = kept.debit_minor + excluded.debit_minor,
            credit_minor = kept.credit_minor + excluded.credit_minor;
    insert into entry_to_balance select distinct household_id, entry_id from changed_to on conflict do nothing;
  elsif tg_op = 'DELETE' then
    update account_month kept
       set debit_minor = kept.debit_minor - gone.debit, credit_minor = kept.credit_minor - gone.credit
      from (select household_id, account_id, date_trunc('month', date)::date as month,
                   sum(greatest(amount_minor, 0)) as debit, sum(greatest(-amount_minor, 0)) as credit
              from changed_from group by 1, 2, 3 order by 1, 2, 3) gone
     where (kept.household_id, kept.account_id, kept.month) = (gone.household_id, gone.account_id, gone.month);
    insert into entry_to_balance select distinct household_id, entry_id from changed_from on conflict do nothing;
  end if;
  return null;
end $$;

create trigger posting_added after insert on posting
  referencing new table as changed_to for each statement execute function keep_account_months();
create trigger posting_removed after delete on posting
  referencing old table as changed_from for each statement execute function keep_account_months();

-- What a posting says never changes; entries are taken back and made anew. What the bank made of it
-- (its line, its statement) may change until the statement is finished.
create function keep_posting_facts() returns trigger language plpgsql as $$
begin
  if (new.household_id, new.id, new.entry_id, new.account_id, new.book_id, new.date, new.amount_minor)
     is distinct from
     (old.household_id, old.id, old.entry_id, old.account_id, old.book_id, old.date, old.amount_minor) then
    raise exception 'the facts of a posting do not change' using errcode = 'restrict_violation';
  end if;
  return new;
end $$;
create trigger posting_facts before update on posting for each row execute function keep_posting_facts();

create function require_entry_balance() returns trigger language plpgsql as $$
begin
  if exists (select 1 from posting p
              where p.household_id = new.household_id and p.entry_id = new.entry_id
              group by p.book_id having sum(p.amount_minor) <> 0)
     or (select count(*) from posting p
          where p.household_id = new.household_id and p.entry_id = new.entry_id) = 1 then
    raise exception 'entry % does not balance', new.entry_id
      using errcode = 'check_violation', constraint = 'entry_balances';
  end if;
  delete from entry_to_balance where household_id = new.household_id and entry_id = new.entry_id;
  return null;
end $$;
create constraint trigger entry_balances after insert on entry_to_balance
  deferrable initially deferred for each row execute function require_entry_balance();

do $$ declare t text; begin
  foreach t in array array['book', 'account', 'entry', 'posting', 'account_month', 'entry_to_balance'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_household on %I using (household_id = current_household())', t);
  end loop;
end $$;
