-- Finding in the journal reads no more than a page needs, however many years stand behind: of each payee, account and
-- tag that a text fits only its newest entries. Where it fits many, entries are read by day until there are enough.
drop function entries_like(text);

-- The entries in whose payee (by name, or by what banks call it), note, reference, tags or accounts the pattern is
-- found, from first_day on and before the place of (before_day, before_no) in the journal; of one book, or of all where
-- that is null. Those missing are older than at least "most" others that are there. An entry may come
-- several times; where it was found by an account its number is null, since postings know the day only.
create function entries_like(
  pattern text, of_book uuid, first_day date, before_day date, before_no bigint, most int)
  returns table (id uuid, date date, no bigint) language plpgsql stable security definer
  set search_path = pg_catalog, public, pg_temp
  -- Whether few or many are meant is seen from the values.
  set plan_cache_mode = force_custom_plan as $$
#variable_conflict use_column
declare
  house uuid := current_household();
  many constant int := 8;
  payees uuid[] := array(
    select id from payee where household_id = house and lower(name) like pattern escape '!'
    union select payee_id from payee_alias where household_id = house and lower(text) like pattern escape '!');
  accounts uuid[] := array(select id from account where household_id = house and lower(name) like pattern escape '!');
  tags uuid[] := array(select id from tag where household_id = house and lower(name) like pattern escape '!');
begin
  -- "not ... <> all" is the same as "= any", but no condition for the index by payee or account.
  if cardinality(payees) > many then
    return query select e.id, e.date, e.no from entry e
      where e.household_id = house and not e.payee_id <> all (payees)
        and e.date >= first_day and (e.date, e.no) < (before_day, before_no)
        and (of_book is null or exists (select 1 from posting b where b.household_id = house and b.entry_id = e.id and b.book_id = of_book))
      order by e.date desc, e.no desc limit most;
  else
    return query select e.id, e.date, e.no from unnest(payees) who(id), lateral (
      select x.id, x.date, x.no from entry x
       where x.household_id = house and x.payee_id = who.id
         and x.date >= first_day and (x.date, x.no) < (before_day, before_no)
         and (of_book is null or exists (select 1 from posting b where b.household_id = house and b.entry_id = x.id and b.book_id = of_book))
       order by x.date desc, x.no desc limit most) e;
  end if;
  if cardinality(accounts) > many then
    return query select p.entry_id, p.date, null::bigint from (
      select distinct x.date, x.entry_id from posting x
       where x.household_id = house and not x.account_id <> all (accounts) and x.date >= first_day and x.date < before_day
         and (of_book is null or exists (select 1 from posting b where b.household_id = house and b.entry_id = x.entry_id and b.book_id = of_book))
       order by x.date desc fetch first most rows with ties) p;
  else
    return query select p.entry_id, p.date, null::bigint from unnest(accounts) place(id), lateral (
      select distinct x.date, x.entry_id from posting x
       where x.household_id = house and x.account_id = place.id and x.date >= first_day and x.date < before_day
         and (of_book is null or exists (select 1 from posting b where b.household_id = house and b.entry_id = x.entry_id and b.book_id = of_book))
       order by x.date desc fetch first most rows with ties) p;
  end if;
  return query
    -- Of the last day the numbers count; they are looked up.
    select e.id, e.date, e.no from posting p join entry e on e.household_id = house and e.id = p.entry_id
     where p.household_id = house and p.date = before_day and p.date >= first_day and p.account_id = any (accounts)
       and e.no < before_no and (of_book is null or exists (select 1 from posting b where b.household_id = house and b.entry_id = e.id and b.book_id = of_book))
    union all
    select e.id, e.date, e.no from entry e
     where e.household_id = house and e.note <> '' and lower(e.note) like pattern escape '!'
       and e.date >= first_day and (e.date, e.no) < (before_day, before_no) and (of_book is null or exists (select 1 from posting b where b.household_id = house and b.entry_id = e.id and b.book_id = of_book))
    union all
    select e.id, e.date, e.no from entry e
     where e.household_id = house and e.reference <> '' and lower(e.reference) like pattern escape '!'
       and e.date >= first_day and (e.date, e.no) < (before_day, before_no) and (of_book is null or exists (select 1 from posting b where b.household_id = house and b.entry_id = e.id and b.book_id = of_book))
    union all
    select e.id, e.date, e.no from entry_tag t join entry e on e.household_id = house and e.id = t.entry_id
     where t.household_id = house and t.tag_id = any (tags)
       and e.date >= first_day and (e.date, e.no) < (before_day, before_no) and (of_book is null or exists (select 1 from posting b where b.household_id = house and b.entry_id = e.id and b.book_id = of_book))
    union all
    select e.id, e.date, e.no from posting p join entry e on e.household_id = house and e.id = p.entry_id
     where p.household_id = house and p.note <> '' and lower(p.note) like pattern escape '!'
       and e.date >= first_day and (e.date, e.no) < (before_day, before_no) and (of_book is null or exists (select 1 from posting b where b.household_id = house and b.entry_id = e.id and b.book_id = of_book));
end $$;
