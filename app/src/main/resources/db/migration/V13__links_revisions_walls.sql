-- Bank lines and postings are linked in a table of their own; entries change by revision; and each thing that the
-- application has no need to do is refused by the database, whatever SQL is sent.

-- A line of a link group confirms a posting with so much of both amounts. Whichever side is summed, its amount comes
-- out. made_entry: the entry was made from this line, and goes with it.
create table line_link (
  household_id uuid not null,
  bank_line_id uuid not null,
  posting_id   uuid not null,
  entry_id     uuid not null,
  account_id   uuid not null,
  amount_minor bigint not null,
  made_entry   boolean not null,
  primary key (household_id, bank_line_id, posting_id),
  foreign key (household_id, bank_line_id) references bank_line,
  foreign key (household_id, posting_id) references posting
);
create index line_link_of_posting on line_link (household_id, posting_id);
create index line_link_of_entry on line_link (household_id, entry_id);
alter table line_link enable row level security;
create policy own_household on line_link using (household_id = current_household());

insert into line_link
select p.household_id, p.bank_line_id, p.id, p.entry_id, p.account_id, p.amount_minor,
       e.origin = 'BANK_LINE' and not exists (select 1 from posting q
         where q.household_id = p.household_id and q.entry_id = p.entry_id and q.bank_line_id is not null and q.place < p.place)
  from posting p join entry e on e.household_id = p.household_id and e.id = p.entry_id
 where p.bank_line_id is not null;
-- An entry whose line was taken back while another one confirmed it stays by the person's will.
update entry e set origin = 'BY_HAND'
 where origin = 'BANK_LINE'
   and not exists (select 1 from line_link k where k.household_id = e.household_id and k.entry_id = e.id);

alter table posting drop column bank_line_id;
select follow_acts('line_link', '{INSERT,UPDATE,DELETE}', 'bank_line_id', 'posting_id');

-- Entries have versions.
alter table entry add version int not null default 0;

-- What has to be looked at before this transaction commits: lines and postings whose links changed, entries that
-- were made from lines.
create table link_to_check (
  household_id uuid not null,
  of_table     text not null,
  id           uuid not null,
  primary key (household_id, of_table, id)
);
alter table link_to_check enable row level security;
create policy own_household on link_to_check using (household_id = current_household());

create function links_changed() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  if tg_op <> 'DELETE' then
    insert into link_to_check
      select household_id, 'bank_line', bank_line_id from changed_to union
      select household_id, 'posting', posting_id from changed_to union
      select household_id, 'entry', entry_id from changed_to on conflict do nothing;
  end if;
  if tg_op <> 'INSERT' then
    insert into link_to_check
      select household_id, 'bank_line', bank_line_id from changed_from union
      select household_id, 'posting', posting_id from changed_from union
      select household_id, 'entry', entry_id from changed_from on conflict do nothing;
  end if;
  return null;
end $$;
create trigger line_link_added after insert on line_link
  referencing new table as changed_to for each statement execute function links_changed();
create trigger line_link_removed after delete on line_link
  referencing old table as changed_from for each statement execute function links_changed();
create trigger line_link_changed after update on line_link
  referencing old table as changed_from new table as changed_to for each statement execute function links_changed();

create function states_changed() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  insert into link_to_check select distinct household_id, 'bank_line', bank_line_id from changed_from on conflict do nothing;
  return null;
end $$;
create trigger bank_line_state_changed after update on bank_line_state
  referencing old table as changed_from for each statement execute function states_changed();
create trigger bank_line_state_removed after delete on bank_line_state
  referencing old table as changed_from for each statement execute function states_changed();

create function entries_changed() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  insert into link_to_check select household_id, 'entry', id from changed_to where origin = 'BANK_LINE' on conflict do nothing;
  return null;
end $$;
create trigger entry_added after insert on entry
  referencing new table as changed_to for each statement execute function entries_changed();
create trigger entry_changed after update on entry
  referencing new table as changed_to for each statement execute function entries_changed();

-- All that is queued is looked at once, when the first of its rows comes up.
create function require_links_agree() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
declare wrong uuid;
begin
  if not exists (select 1 from link_to_check q where (q.household_id, q.of_table, q.id) = (new.household_id, new.of_table, new.id)) then
    return null;
  end if;
  select l.id into wrong
    from link_to_check q
    join bank_line l on l.household_id = q.household_id and l.id = q.id
    left join bank_line_state s on s.household_id = l.household_id and s.bank_line_id = l.id
    left join lateral (select sum(k.amount_minor) as total, count(*) filter (where k.account_id <> l.account_id) as strange
                         from line_link k where k.household_id = l.household_id and k.bank_line_id = l.id) k on true
   where q.household_id = new.household_id and q.of_table = 'bank_line'
     and ((s.state is null) <> (l.taken_back_at is not null)
          or coalesce(s.state = 'POSTED', false) <> (k.total is not null)
          or k.total <> l.amount_minor or k.strange > 0)
   limit 1;
  if wrong is not null then
    raise exception 'the state of bank line % does not follow from its links', wrong
      using errcode = 'check_violation', constraint = 'line_links_agree';
  end if;
  select p.id into wrong
    from link_to_check q
    join posting p on p.household_id = q.household_id and p.id = q.id
    join lateral (select sum(k.amount_minor) as total,
                         count(*) filter (where k.account_id <> p.account_id or k.entry_id <> p.entry_id) as strange
                    from line_link k where k.household_id = p.household_id and k.posting_id = p.id) k on true
   where q.household_id = new.household_id and q.of_table = 'posting' and (k.total <> p.amount_minor or k.strange > 0)
   limit 1;
  if wrong is not null then
    raise exception 'posting % and its bank lines differ', wrong
      using errcode = 'check_violation', constraint = 'line_links_agree';
  end if;
  select e.id into wrong
    from link_to_check q
    join entry e on e.household_id = q.household_id and e.id = q.id and e.origin = 'BANK_LINE'
   where q.household_id = new.household_id and q.of_table = 'entry'
     and not exists (select 1 from line_link k where k.household_id = e.household_id and k.entry_id = e.id)
   limit 1;
  if wrong is not null then
    raise exception 'entry % has lost the bank line that it was made from', wrong
      using errcode = 'check_violation', constraint = 'entry_has_its_line';
  end if;
  delete from link_to_check where household_id = new.household_id;
  return null;
end $$;
create constraint trigger links_agree after insert on link_to_check
  deferrable initially deferred for each row execute function require_links_agree();

-- The balance of all changed entries at once. A posting stands on its entry's day.
create or replace function require_entry_balance() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
declare wrong uuid;
begin
  if not exists (select 1 from entry_to_balance q where (q.household_id, q.entry_id) = (new.household_id, new.entry_id)) then
    return null;
  end if;
  select p.entry_id into wrong
    from entry_to_balance q
    join posting p on p.household_id = q.household_id and p.entry_id = q.entry_id
    join account a on a.household_id = p.household_id and a.id = p.account_id
    join entry e on e.household_id = p.household_id and e.id = p.entry_id
   where q.household_id = new.household_id
   group by p.entry_id, p.book_id
  having sum(p.base_minor) <> 0 or (count(distinct a.currency) = 1 and sum(p.amount_minor) <> 0)
      or bool_or(p.date <> e.date or p.book_id <> a.book_id)
   limit 1;
  if wrong is null then
    select q.entry_id into wrong
      from entry_to_balance q join entry e on e.household_id = q.household_id and e.id = q.entry_id
     where q.household_id = new.household_id
       and (select count(*) from posting p where p.household_id = q.household_id and p.entry_id = q.entry_id) < 2
     limit 1;
  end if;
  if wrong is not null then
    raise exception 'entry % does not balance', wrong using errcode = 'check_violation', constraint = 'entry_balances';
  end if;
  delete from entry_to_balance where household_id = new.household_id;
  return null;
end $$;

-- Totals are kept by the database alone, for changed postings too: what they were goes, what they are comes.
create or replace function keep_account_months() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  if tg_op <> 'INSERT' then
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
  if tg_op <> 'DELETE' then
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
  end if;
  return null;
end $$;

-- Facts that were changed; ticks are not among them, so that ticking costs nothing here.
create function keep_account_months_of_changed() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  if not exists (select 1 from changed_from o join changed_to n using (household_id, id)
                  where (o.account_id, o.date, o.amount_minor, o.base_minor) is distinct from
                        (n.account_id, n.date, n.amount_minor, n.base_minor)) then
    return null;
  end if;
  insert into account_month as kept
         (household_id, account_id, month, debit_minor, credit_minor, debit_base_minor, credit_base_minor)
    select household_id, account_id, date_trunc('month', date)::date,
           sum(greatest(amount_minor * side, 0) * side), sum(greatest(-amount_minor * side, 0) * side),
           sum(greatest(base_minor * side, 0) * side), sum(greatest(-base_minor * side, 0) * side)
      from (select household_id, account_id, date, amount_minor * -1 as amount_minor, base_minor * -1 as base_minor, -1 as side from changed_from
            union all
            select household_id, account_id, date, amount_minor, base_minor, 1 from changed_to) both_sides
     group by 1, 2, 3 order by 1, 2, 3
    on conflict (household_id, account_id, month) do update
      set debit_minor = kept.debit_minor + excluded.debit_minor,
          credit_minor = kept.credit_minor + excluded.credit_minor,
          debit_base_minor = kept.debit_base_minor + excluded.debit_base_minor,
          credit_base_minor = kept.credit_base_minor + excluded.credit_base_minor;
  insert into entry_to_balance select distinct household_id, entry_id from changed_to on conflict do nothing;
  return null;
end $$;
create trigger posting_changed after update on posting
  referencing old table as changed_from new table as changed_to
  for each statement execute function keep_account_months_of_changed();

create function entry_day_changed() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  insert into entry_to_balance select household_id, id from changed_to on conflict do nothing;
  return null;
end $$;
create trigger entry_of_day after update on entry
  referencing new table as changed_to for each statement execute function entry_day_changed();

-- Locks the kept totals that postings will touch, in one order for everybody, so that nobody waits in a circle.
create function hold_account_months(accounts uuid[], months date[]) returns void language sql security definer
  set search_path = pg_catalog, public, pg_temp as $$
    insert into account_month (household_id, account_id, month, debit_minor, credit_minor, debit_base_minor, credit_base_minor)
      select distinct current_household(), a, m, 0, 0, 0, 0 from unnest(accounts, months) as x(a, m)
       where current_household() is not null order by 2, 3
    on conflict (household_id, account_id, month) do update set debit_minor = account_month.debit_minor $$;

drop function move_postings(uuid, uuid);

-- Whether an owner's function is at work on the application's behalf, as undo_act is. The application cannot be
-- anybody else than itself, so it cannot claim this.
create function on_behalf() returns boolean language sql stable as $$ select current_user <> session_user $$;

create function doing() returns text language sql stable as $$ select coalesce((current_act()).kind, '') $$;

-- The facts of postings change by revision of their entry, by a merge of accounts, or by undoing.
create or replace function keep_posting_facts() returns trigger language plpgsql as $$
begin
  if (new.household_id, new.id, new.entry_id, new.account_id, new.book_id, new.date, new.amount_minor, new.base_minor)
     is not distinct from
     (old.household_id, old.id, old.entry_id, old.account_id, old.book_id, old.date, old.amount_minor, old.base_minor)
     or on_behalf() then
    return new;
  end if;
  if (new.household_id, new.id, new.entry_id, new.book_id) = (old.household_id, old.id, old.entry_id, old.book_id)
     and ((doing() = 'MERGE_ACCOUNT' and (new.date, new.amount_minor, new.base_minor) = (old.date, old.amount_minor, old.base_minor)
           and exists (select 1 from account a join account b using (household_id, book_id, currency, is_group)
                        where a.household_id = old.household_id and a.id = old.account_id and b.id = new.account_id))
       or (doing() = 'REVISE' and old.statement_id is null and new.statement_id is null)) then
    return new;
  end if;
  raise exception 'the facts of a posting do not change' using errcode = 'restrict_violation', constraint = 'posting_facts';
end $$;

create or replace function keep_reconciled() returns trigger language plpgsql as $$
begin
  if exists (select 1 from statement s
              where s.household_id = old.household_id and s.id = old.statement_id and s.finished_at is not null)
     and (tg_op = 'DELETE' or new.statement_id is distinct from old.statement_id) then
    raise exception 'a reconciled posting does not change' using errcode = 'restrict_violation', constraint = 'posting_reconciled';
  end if;
  return case when tg_op = 'DELETE' then old else new end;
end $$;

-- Nothing joins a finished statement afterwards either.
create function keep_finished_closed() returns trigger language plpgsql as $$
begin
  if exists (select 1 from statement s
              where s.household_id = new.household_id and s.id = new.statement_id
                and (s.finished_at is not null or s.account_id <> new.account_id or new.date > s.closes_on))
     and (tg_op = 'INSERT' or new.statement_id is distinct from old.statement_id) then
    raise exception 'a posting cannot be ticked for this statement' using errcode = 'restrict_violation', constraint = 'posting_reconciled';
  end if;
  return new;
end $$;
create trigger posting_ticked before insert or update on posting
  for each row when (new.statement_id is not null) execute function keep_finished_closed();

create function opening_of(s statement) returns bigint language sql stable as $$
  select coalesce(
    (select b.closing_minor from statement b where b.household_id = s.household_id and b.account_id = s.account_id
        and b.closes_on < s.closes_on order by b.closes_on desc limit 1),
    (select sum(p.amount_minor)::bigint from posting p join entry e on e.household_id = p.household_id and e.id = p.entry_id
      where p.household_id = s.household_id and p.account_id = s.account_id and e.origin = 'OPENING'), 0) $$;

-- A statement is finished at zero, after the one before, and stays so. Only undoing the act that finished it opens it
-- again, and only while none after it is finished.
create function keep_statement() returns trigger language plpgsql as $$
begin
  if tg_op = 'UPDATE' and old.finished_at is null and new.finished_at is not null then
    if exists (select 1 from statement b where b.household_id = new.household_id and b.account_id = new.account_id
                  and b.closes_on < new.closes_on and b.finished_at is null)
       or new.closing_minor <> opening_of(new) + coalesce((select sum(p.amount_minor) from posting p
             where p.household_id = new.household_id and p.statement_id = new.id), 0) then
      raise exception 'a statement is finished in its order and at zero' using errcode = 'restrict_violation', constraint = 'statement_agrees';
    end if;
    return new;
  end if;
  if old.finished_at is not null then
    if tg_op = 'UPDATE' and on_behalf() and new.finished_at is null
       and (new.account_id, new.closes_on, new.closing_minor) = (old.account_id, old.closes_on, old.closing_minor)
       and not exists (select 1 from statement b where b.household_id = old.household_id and b.account_id = old.account_id
                          and b.closes_on > old.closes_on and b.finished_at is not null) then
      return new;
    end if;
    raise exception 'a finished statement does not change' using errcode = 'restrict_violation', constraint = 'statement_finished';
  end if;
  return case when tg_op = 'DELETE' then old else new end;
end $$;
create trigger statement_stays before update or delete on statement for each row execute function keep_statement();

-- A statement comes after those that are finished.
create function statement_in_chain() returns trigger language plpgsql as $$
begin
  if exists (select 1 from statement b where b.household_id = new.household_id and b.account_id = new.account_id
                and b.closes_on >= new.closes_on and b.finished_at is not null and b.id <> new.id)
     or (tg_op = 'INSERT' and new.finished_at is not null) then
    raise exception 'a statement closes after those that agree' using errcode = 'restrict_violation', constraint = 'statement_chain';
  end if;
  return new;
end $$;
create trigger statement_chain before insert or update of closes_on on statement
  for each row execute function statement_in_chain();

-- What finished statements begin with stays: the opening entry of such an account.
create function keep_opening() returns trigger language plpgsql as $$
begin
  if exists (select 1 from entry e where e.household_id = old.household_id and e.id = old.entry_id and e.origin = 'OPENING')
     and exists (select 1 from statement s where s.household_id = old.household_id and s.account_id = old.account_id
                    and s.finished_at is not null)
     and (tg_op = 'DELETE' or (new.amount_minor, new.date) <> (old.amount_minor, old.date)) then
    raise exception 'statements agree with this opening balance' using errcode = 'restrict_violation', constraint = 'opening_agreed';
  end if;
  return case when tg_op = 'DELETE' then old else new end;
end $$;
create trigger posting_of_opening before update or delete on posting for each row execute function keep_opening();

-- Of an entry, number and making stay for ever; its day changes by revision.
create function keep_entry() returns trigger language plpgsql as $$
begin
  if (new.household_id, new.id, new.no, new.made_at, new.made_by) <> (old.household_id, old.id, old.no, old.made_at, old.made_by)
     or (new.date <> old.date and doing() <> 'REVISE' and not on_behalf()) then
    raise exception 'number and making of an entry stay' using errcode = 'restrict_violation', constraint = 'entry_facts';
  end if;
  return new;
end $$;
create trigger entry_facts before update on entry for each row execute function keep_entry();

-- An entry goes only with an act; its postings are deleted first, each passing the walls above.
alter table posting drop constraint posting_household_id_entry_id_fkey,
  add foreign key (household_id, entry_id) references entry;

create or replace function keep_bank_line() returns trigger language plpgsql as $$
begin
  if tg_op = 'UPDATE' and (old.taken_back_at is null or on_behalf())
     and to_jsonb(new) - array['taken_back_at', 'text_hash'] = to_jsonb(old) - array['taken_back_at', 'text_hash'] then
    return new;
  end if;
  raise exception 'bank_line is append-only' using errcode = 'restrict_violation';
end $$;

create function lines_taken_back() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  insert into link_to_check select distinct household_id, 'bank_line', id from changed_to on conflict do nothing;
  return null;
end $$;
create trigger bank_line_gone after update on bank_line
  referencing new table as changed_to for each statement execute function lines_taken_back();

-- What a batch brought stays as it was.
create function keep_batch() returns trigger language plpgsql as $$
begin
  if to_jsonb(new) - array['taken_back_at', 'taken_back_by'] <> to_jsonb(old) - array['taken_back_at', 'taken_back_by'] then
    raise exception 'a batch stays as it came' using errcode = 'restrict_violation', constraint = 'batch_facts';
  end if;
  return new;
end $$;
create trigger batch_facts before update on batch for each row execute function keep_batch();

-- Months of a book that are closed: nothing in them changes.
create table closed_month (
  household_id uuid not null,
  book_id      uuid not null,
  month        date not null check (extract(day from month) = 1),
  closed_at    timestamptz not null,
  closed_by    uuid not null,
  primary key (household_id, book_id, month),
  foreign key (household_id, book_id) references book
);
alter table closed_month enable row level security;
create policy own_household on closed_month using (household_id = current_household());
select follow_acts('closed_month', '{INSERT,UPDATE,DELETE}', 'book_id', 'month');

create function keep_closed_months() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
declare what text;
begin
  if tg_op <> 'INSERT' then
    select b.name || ', ' || to_char(c.month, 'YYYY-MM') into what
      from changed_from p join closed_month c on c.household_id = p.household_id and c.book_id = p.book_id
                                             and c.month = date_trunc('month', p.date)::date
      join book b on b.household_id = c.household_id and b.id = c.book_id limit 1;
  end if;
  if what is null and tg_op <> 'DELETE' then
    select b.name || ', ' || to_char(c.month, 'YYYY-MM') into what
      from changed_to p join closed_month c on c.household_id = p.household_id and c.book_id = p.book_id
                                           and c.month = date_trunc('month', p.date)::date
      join book b on b.household_id = c.household_id and b.id = c.book_id limit 1;
  end if;
  if what is not null then
    raise exception '% is closed', what using errcode = 'restrict_violation', constraint = 'month_closed';
  end if;
  return null;
end $$;
create trigger posting_added_in_month after insert on posting
  referencing new table as changed_to for each statement execute function keep_closed_months();
create trigger posting_removed_in_month after delete on posting
  referencing old table as changed_from for each statement execute function keep_closed_months();
create trigger posting_changed_in_month after update on posting
  referencing old table as changed_from new table as changed_to for each statement execute function keep_closed_months();

create function keep_entries_of_closed_months() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
declare what text;
begin
  select b.name || ', ' || to_char(c.month, 'YYYY-MM') into what
    from changed_to e
    join posting p on p.household_id = e.household_id and p.entry_id = e.id
    join closed_month c on c.household_id = p.household_id and c.book_id = p.book_id and c.month = date_trunc('month', p.date)::date
    join book b on b.household_id = c.household_id and b.id = c.book_id limit 1;
  if what is not null then
    raise exception '% is closed', what using errcode = 'restrict_violation', constraint = 'month_closed';
  end if;
  return null;
end $$;
create trigger entry_changed_in_month after update on entry
  referencing new table as changed_to for each statement execute function keep_entries_of_closed_months();

-- Numbers of entries and batches: taken in a short transaction of their own, so that nobody waits for another's
-- work; never given twice. What was taken, and for which act, stays, so that a gap can be told.
create table household_number (
  household_id uuid not null,
  what         text not null check (what in ('ENTRY', 'BATCH')),
  next_no      bigint not null,
  primary key (household_id, what)
);
create table numbers_taken (
  household_id uuid not null,
  what         text not null,
  first_no     bigint not null,
  last_no      bigint not null,
  act_id       uuid not null,
  taken_at     timestamptz not null default now(),
  primary key (household_id, what, first_no)
);
insert into household_number select id, 'ENTRY', next_entry_no from household;
insert into household_number select id, 'BATCH', next_batch_no from household;
alter table household drop column next_entry_no, drop column next_batch_no;
do $$ declare t text; begin
  foreach t in array array['household_number', 'numbers_taken'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_household on %I using (household_id = current_household())', t);
  end loop;
end $$;

create function take_numbers(wanted text, how_many int, for_act uuid) returns bigint language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
declare first_no bigint;
begin
  if how_many < 1 or current_household() is null then
    raise exception 'numbers are taken for a household' using errcode = 'restrict_violation';
  end if;
  insert into household_number as kept values (current_household(), wanted, 1 + how_many)
    on conflict (household_id, what) do update set next_no = kept.next_no + how_many
    returning next_no - how_many into first_no;
  insert into numbers_taken values (current_household(), wanted, first_no, first_no + how_many - 1, for_act);
  return first_no;
end $$;

-- Totals go with an account that has no postings any more, as after a merge.
alter table account_month drop constraint account_month_household_id_account_id_fkey,
  add foreign key (household_id, account_id) references account on delete cascade;

-- Nothing is booked to a closed account or to a group, whoever was faster.
create function postings_on_open_accounts() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
declare what text;
begin
  select a.name into what from changed_to p join account a on a.household_id = p.household_id and a.id = p.account_id
   where a.closed_on is not null or a.is_group limit 1;
  if what is not null then
    raise exception '% takes no postings', what using errcode = 'restrict_violation', constraint = 'account_open';
  end if;
  return null;
end $$;
create trigger posting_on_open_account after insert on posting
  referencing new table as changed_to for each statement execute function postings_on_open_accounts();
