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
insert into checked select 3, 'kept totals of months and years equal the postings', count(*) from account_month;
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
insert into finding
  select 3, format('%s, %s: kept %s of the year, its months make %s', a.name, to_char(year, 'YYYY'), coalesce(k.amount, 0), coalesce(s.amount, 0))
    from (select household_id, account_id, year, amount_minor as amount, base_minor as base from account_year) k
    full join (select household_id, account_id, date_trunc('year', month)::date as year,
                      sum(debit_minor - credit_minor) as amount, sum(debit_base_minor - credit_base_minor) as base
                 from account_month group by 1, 2, 3) s using (household_id, account_id, year)
    join account a on a.household_id = coalesce(k.household_id, s.household_id) and a.id = coalesce(k.account_id, s.account_id)
   where (coalesce(k.amount, 0), coalesce(k.base, 0)) <> (coalesce(s.amount, 0), coalesce(s.base, 0));

insert into checked select 3, 'kept totals of sales tax equal the postings', count(*) from tax_month;
insert into finding
  select 3, format('%s, %s: kept %s net and %s of tax, postings make %s and %s', a.name, to_char(month, 'YYYY-MM'),
                   coalesce(k.net, 0), coalesce(k.tax, 0), coalesce(s.net, 0), coalesce(s.tax, 0))
    from (select household_id, account_id, rate_id, month, net_minor as net, tax_minor as tax from tax_month) k
    full join (select household_id, coalesce(taxed_account_id, account_id) as account_id, tax_rate_id as rate_id,
                      date_trunc('month', date)::date as month,
                      coalesce(sum(base_minor) filter (where tax_role = 'NET'), 0) as net,
                      coalesce(sum(base_minor) filter (where tax_role = 'TAX'), 0) as tax
                 from posting where tax_rate_id is not null group by 1, 2, 3, 4) s using (household_id, account_id, rate_id, month)
    join account a on a.household_id = coalesce(k.household_id, s.household_id) and a.id = coalesce(k.account_id, s.account_id)
   where (coalesce(k.net, 0), coalesce(k.tax, 0)) <> (coalesce(s.net, 0), coalesce(s.tax, 0));

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

-- 5. A line is posted exactly while it is linked; both sides of what is linked agree in amount and account.
insert into checked select 5, 'bank lines and their postings agree', count(*) from bank_line_state;
insert into finding
  select 5, format('bank line %s is %s and is linked with %s of its %s', l.text_key, coalesce(s.state, 'without a state'),
                   coalesce(k.total::text, 'nothing'), l.amount_minor)
    from bank_line l
    left join bank_line_state s on s.household_id = l.household_id and s.bank_line_id = l.id
    left join (select household_id, bank_line_id, sum(amount_minor) as total, min(account_id::text) as one_account,
                      max(account_id::text) as other_account
                 from line_link group by 1, 2) k on k.household_id = l.household_id and k.bank_line_id = l.id
   where (s.state is null) <> (l.taken_back_at is not null)
      or coalesce(s.state = 'POSTED', false) <> (k.total is not null)
      or k.total <> l.amount_minor or k.one_account <> l.account_id::text or k.other_account <> l.account_id::text;
insert into finding
  select 5, format('a posting of no. %s is %s, its bank lines make %s', e.no, p.amount_minor, sum(k.amount_minor))
    from line_link k
    join posting p on p.household_id = k.household_id and p.id = k.posting_id
    join entry e on e.household_id = p.household_id and e.id = p.entry_id
   group by p.household_id, p.id, e.no, p.amount_minor having sum(k.amount_minor) <> p.amount_minor;
insert into finding
  select 5, format('entry no. %s was made from a bank line and has none', e.no)
    from entry e where e.origin = 'BANK_LINE'
     and not exists (select 1 from line_link k where k.household_id = e.household_id and k.entry_id = e.id);

-- 6. No bank line twice.
insert into checked select 6, 'no bank line is there twice', count(*) from bank_line;
insert into finding
  select 6, format('%s of %s is there twice', text_key, booked_on)
    from bank_line where taken_back_at is null
   group by household_id, account_id, booked_on, amount_minor, text_key, ordinal, pending having count(*) > 1;

-- 7. History leads to the books: each entry is as its last act left it, and none went without an act.
create temp table last_change as
  select distinct on (household_id, row_key) household_id, row_key::uuid as id, op, after
    from act_change where table_name = 'entry' and op <> 'TOLD' order by household_id, row_key, step desc;
insert into checked select 7, 'history leads to the entries as they are', count(*) from last_change;
insert into finding
  select 7, format('entry no. %s is not as its last act left it', coalesce(e.no::text, c.after ->> 'no'))
    from last_change c left join entry e on e.household_id = c.household_id and e.id = c.id
   where (c.op = 'DELETE') <> (e.id is null)
      or (e.id is not null and (e.no::text, e.date::text, e.payee_id::text, e.note) <>
          (c.after ->> 'no', c.after ->> 'date', c.after ->> 'payee_id', c.after ->> 'note'));
insert into finding
  select 7, format('a change of %s belongs to no act', c.table_name)
    from act_change c where not exists (select 1 from act a where a.household_id = c.household_id and a.id = c.act_id);
-- 8. Payees: a name stands once, whatever its case; what banks call one leads to it alone.
insert into checked select 8, 'payees and tags are there once', count(*) from payee;
insert into finding
  select 8, format('the payee %s stands %s times', lower(name), count(*)) from payee group by household_id, lower(name) having count(*) > 1;
insert into finding
  select 8, format('the tag %s stands %s times', lower(name), count(*)) from tag group by household_id, lower(name) having count(*) > 1;
insert into finding
  select 8, format('entry no. %s is countered by an entry that is not its opposite', o.no)
    from entry e join entry o on o.household_id = e.household_id and o.id = e.counters_id
   where exists (select 1 from posting p where p.household_id = e.household_id and p.entry_id in (e.id, o.id)
                  group by p.account_id having sum(p.amount_minor) <> 0 or sum(p.base_minor) <> 0);
insert into finding
  select 7, format('number %s of an entry was never taken', e.no)
    from entry e join household_number n on n.household_id = e.household_id and n.what = 'ENTRY'
   where e.no >= n.next_no;

select format('%s  %s, %s checked', case when exists (select 1 from finding f where f.check_no = c.check_no)
                                         then 'WRONG' else 'ok   ' end, c.what, c.how_many)
  from checked c order by c.check_no;
select '       ' || what from finding order by check_no, what limit 50;
select format('%s findings', count(*)) from finding;
do $$ begin
  if exists (select 1 from finding) then raise exception 'the books do not hold together'; end if;
end $$;
