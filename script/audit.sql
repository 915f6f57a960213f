-- Checks the books without the application: every line says what was checked and what was found. Ends
-- with an error, and so with a non-zero exit, if there is any finding.
\set QUIET on
\pset tuples_only on
\pset format unaligned
\pset fieldsep ''

create temp table finding (check_no int, what text);
create temp table checked (check_no int, what text, how_many bigint);

-- 1. Every entry balances in each book that it touches.
insert into checked select 1, 'entries balance to zero per book', count(*) from entry;
insert into finding
  select 1, format('entry no. %s is %s minor units out of balance', e.no, sum(p.base_minor))
    from entry e join posting p using (household_id)
   where p.entry_id = e.id
   group by e.household_id, e.id, e.no, p.book_id having sum(p.base_minor) <> 0;
insert into finding
  select 1, format('entry no. %s is %s %s out of balance', e.no, sum(p.amount_minor), min(a.currency))
    from entry e join posting p on p.household_id = e.household_id and p.entry_id = e.id
    join account a on a.household_id = p.household_id and a.id = p.account_id
   group by e.household_id, e.id, e.no, p.book_id
  having count(distinct a.currency) = 1 and sum(p.amount_minor) <> 0;
insert into finding
  select 1, format('entry no. %s has %s postings', e.no, count(p.id))
    from entry e left join posting p on p.household_id = e.household_id and p.entry_id = e.id
   group by e.household_id, e.id, e.no having count(p.id) < 2;

-- 2. Postings repeat their entry's date and their account's book.
insert into checked select 2, 'postings agree with their entry and account', count(*) from posting;
insert into finding
  select 2, format('a posting of no. %s has another date or book than its entry or account', e.no)
    from posting p
    join entry e on e.household_id = p.household_id and e.id = p.entry_id
    join account a on a.household_id = p.household_id and a.id = p.account_id
   where p.date <> e.date or p.book_id <> a.book_id;
insert into finding
  select 2, format('a posting to %s has a value that is not its amount, in one currency', a.name)
    from posting p
    join account a on a.household_id = p.household_id and a.id = p.account_id
    join book b on b.household_id = a.household_id and b.id = a.book_id
   where a.currency = b.currency and p.amount_minor <> p.base_minor;

-- 3. Kept totals equal the postings.
insert into checked select 3, 'kept monthly totals equal the postings', count(*) from account_month;
insert into finding
  select 3, format('%s, %s: kept %s/%s, postings make %s/%s', a.name, to_char(month, 'YYYY-MM'),
                   coalesce(k.debit, 0), coalesce(k.credit, 0), coalesce(s.debit, 0), coalesce(s.credit, 0))
    from (select household_id, account_id, month, debit_minor as debit, credit_minor as credit,
                 debit_base_minor as debit_base, credit_base_minor as credit_base from account_month) k
    full join (select household_id, account_id, date_trunc('month', date)::date as month,
                      sum(greatest(amount_minor, 0)) as debit, sum(greatest(-amount_minor, 0)) as credit,
                      sum(greatest(base_minor, 0)) as debit_base, sum(greatest(-base_minor, 0)) as credit_base
                 from posting group by 1, 2, 3) s using (household_id, account_id, month)
    join account a on a.household_id = coalesce(k.household_id, s.household_id) and a.id = coalesce(k.account_id, s.account_id)
   where (coalesce(k.debit, 0), coalesce(k.credit, 0), coalesce(k.debit_base, 0), coalesce(k.credit_base, 0))
      <> (coalesce(s.debit, 0), coalesce(s.credit, 0), coalesce(s.debit_base, 0), coalesce(s.credit_base, 0));

-- 4. Each finished statement: what it opens with, plus what is ticked for it, is what it closes with.
create temp table chain as
  select s.*, coalesce(
           lag(s.closing_minor) over (partition by s.household_id, s.account_id order by s.closes_on),
           (select sum(p.amount_minor) from posting p join entry e on e.household_id = p.household_id and e.id = p.entry_id
             where p.household_id = s.household_id and p.account_id = s.account_id and e.origin = 'OPENING'),
           0) as opening_minor,
         coalesce((select sum(p.amount_minor) from posting p
                    where p.household_id = s.household_id and p.statement_id = s.id), 0) as ticked_minor
    from statement s;
insert into checked select 4, 'finished reconciliations add up', count(*) from chain where finished_at is not null;
insert into finding
  select 4, format('%s, statement of %s: opening %s and ticked %s do not make %s', a.name, c.closes_on,
                   c.opening_minor, c.ticked_minor, c.closing_minor)
    from chain c join account a on a.household_id = c.household_id and a.id = c.account_id
   where c.finished_at is not null and c.opening_minor + c.ticked_minor <> c.closing_minor;

-- 5. A posted line has its posting, a waiting one has none, and their amounts agree.
insert into checked select 5, 'bank lines and their postings agree', count(*) from bank_line_state;
insert into finding
  select 5, format('bank line %s is %s and has %s posting of %s', l.text_key, s.state,
                   case when p.id is null then 'no' else 'a' end, coalesce(p.amount_minor::text, 'none'))
    from bank_line_state s
    join bank_line l on l.household_id = s.household_id and l.id = s.bank_line_id
    left join posting p on p.household_id = s.household_id and p.bank_line_id = s.bank_line_id
   where (s.state = 'POSTED') <> (p.id is not null)
      or p.amount_minor <> l.amount_minor or p.account_id <> l.account_id;

-- 6. No bank line twice.
insert into checked select 6, 'no bank line is there twice', count(*) from bank_line;
insert into finding
  select 6, format('%s of %s is there twice', text_key, booked_on)
    from bank_line where taken_back_at is null
   group by household_id, account_id, booked_on, amount_minor, text_key, ordinal, pending having count(*) > 1;

select format('%s  %s, %s checked', case when exists (select 1 from finding f where f.check_no = c.check_no)
                                         then 'WRONG' else 'ok   ' end, c.what, c.how_many)
  from checked c order by c.check_no;
select '       ' || what from finding order by check_no, what limit 50;
select format('%s findings', count(*)) from finding;
do $$ begin
  if exists (select 1 from finding) then raise exception 'the books do not hold together'; end if;
end $$;
