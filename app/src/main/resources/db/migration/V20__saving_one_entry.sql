-- What is checked at commit is looked up row by row by its keys ("offset 0" keeps the planner from joining in another
-- order), in a plan that is made once and holds for one row as for a hundred thousand. Planning anew each time cost
-- more than the checks of one entry; a plan kept from when tables were empty cost a join of all that is there.
create or replace function require_links_agree() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp
  set plan_cache_mode = force_generic_plan set enable_seqscan = off as $$
declare wrong uuid;
begin
  if not exists (select 1 from link_to_check q where (q.household_id, q.of_table, q.id) = (new.household_id, new.of_table, new.id)) then
    return null;
  end if;
  select l.id into wrong
    from link_to_check q, lateral (
      select l.id, l.taken_back_at, l.amount_minor,
             (select s.state from bank_line_state s where s.household_id = l.household_id and s.bank_line_id = l.id) as state,
             (select sum(k.amount_minor) from line_link k
               where k.household_id = l.household_id and k.bank_line_id = l.id) as total,
             exists (select 1 from line_link k where k.household_id = l.household_id and k.bank_line_id = l.id
                        and k.account_id <> l.account_id) as strange
        from bank_line l where l.household_id = q.household_id and l.id = q.id offset 0) l
   where q.household_id = new.household_id and q.of_table = 'bank_line'
     and ((l.state is null) <> (l.taken_back_at is not null)
          or coalesce(l.state = 'POSTED', false) <> (l.total is not null)
          or l.total <> l.amount_minor or l.strange)
   limit 1;
  if wrong is not null then
    raise exception 'the state of bank line % does not follow from its links', wrong
      using errcode = 'check_violation', constraint = 'line_links_agree';
  end if;
  select p.id into wrong
    from link_to_check q, lateral (
      select p.id, p.amount_minor,
             (select sum(k.amount_minor) from line_link k
               where k.household_id = p.household_id and k.posting_id = p.id) as total,
             exists (select 1 from line_link k where k.household_id = p.household_id and k.posting_id = p.id
                        and (k.account_id <> p.account_id or k.entry_id <> p.entry_id)) as strange
        from posting p where p.household_id = q.household_id and p.id = q.id offset 0) p
   where q.household_id = new.household_id and q.of_table = 'posting' and (p.total <> p.amount_minor or p.strange)
   limit 1;
  if wrong is not null then
    raise exception 'posting % and its bank lines differ', wrong
      using errcode = 'check_violation', constraint = 'line_links_agree';
  end if;
  select e.id into wrong
    from link_to_check q, lateral (
      select e.id, exists (select 1 from line_link k where k.household_id = e.household_id and k.entry_id = e.id) as linked
        from entry e where e.household_id = q.household_id and e.id = q.id and e.origin = 'BANK_LINE' offset 0) e
   where q.household_id = new.household_id and q.of_table = 'entry' and not e.linked
   limit 1;
  if wrong is not null then
    raise exception 'entry % has lost the bank line that it was made from', wrong
      using errcode = 'check_violation', constraint = 'entry_has_its_line';
  end if;
  delete from link_to_check where household_id = new.household_id;
  return null;
end $$;

create or replace function require_entry_balance() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp
  set plan_cache_mode = force_generic_plan set enable_seqscan = off as $$
declare wrong uuid;
begin
  if not exists (select 1 from entry_to_balance q where (q.household_id, q.entry_id) = (new.household_id, new.entry_id)) then
    return null;
  end if;
  select q.entry_id into wrong
    from entry_to_balance q, lateral (
      select e.id, e.date from entry e where e.household_id = q.household_id and e.id = q.entry_id offset 0) e,
    lateral (
      select coalesce(sum(b.postings), 0) as postings, coalesce(bool_or(b.wrong), false) as wrong from (
        select count(*) as postings,
               sum(p.base_minor) <> 0 or (count(distinct a.currency) = 1 and sum(p.amount_minor) <> 0)
                 or bool_or(p.date <> e.date or p.book_id <> a.book_id) as wrong
          from posting p, lateral (
            select x.currency, x.book_id from account x
             where x.household_id = p.household_id and x.id = p.account_id offset 0) a
         where p.household_id = q.household_id and p.entry_id = e.id
         group by p.book_id) b) s
   where q.household_id = new.household_id and (s.wrong or s.postings < 2)
   limit 1;
  if wrong is not null then
    raise exception 'entry % does not balance', wrong using errcode = 'check_violation', constraint = 'entry_balances';
  end if;
  delete from entry_to_balance where household_id = new.household_id;
  return null;
end $$;

-- A function in SQL is planned at each call, one in PL/pgSQL once; these are called for every change.
create or replace function is_owner_at_work() returns boolean language plpgsql stable as $$
begin
  return (select pg_get_userbyid(relowner) = session_user from pg_class where oid = 'public.act'::regclass);
end $$;

create or replace function current_act() returns act language plpgsql stable as $$
declare doing act;
begin
  select a.* into doing from act a
   where a.household_id = current_household() and a.id = nullif(current_setting('yew.act', true), '')::uuid
     and a.tx = pg_current_xact_id_if_assigned();
  return doing;
end $$;

-- Rows are locked without being written.
create or replace function hold_account_months(accounts uuid[], months date[]) returns void language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
declare house uuid := current_household();
begin
  if house is null then return; end if;
  insert into account_month (household_id, account_id, month, debit_minor, credit_minor, debit_base_minor, credit_base_minor)
    select distinct house, a, m, 0, 0, 0, 0 from unnest(accounts, months) as x(a, m) order by 2, 3
    on conflict (household_id, account_id, month) do nothing;
  perform 1 from account_month k
    where k.household_id = house and (k.account_id, k.month) in (select a, m from unnest(accounts, months) as x(a, m))
    order by k.account_id, k.month for no key update;
end $$;
