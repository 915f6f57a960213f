-- What an entry moved, as core.report.Movement works it out when it is written: sought, sorted and added up without
-- its postings. Null only in rows that an undo brought back from before there was this, until it is worked out again.
alter table entry
  add column moved_minor    bigint,
  add column moved_currency text,
  add column transfer       boolean;

alter table entry disable trigger user;
with begins as (
  select household_id, entry_id, (array_agg(book_id order by place))[1] as book_id from posting group by 1, 2
), facts as (
  select p.household_id, p.entry_id, p.base_minor, p.book_id = b.book_id and a.kind <> 'DRAWINGS' as own,
         a.kind in ('INCOME', 'EXCHANGE', 'EXPENSE') as category,
         a.kind not in ('INCOME', 'EXCHANGE', 'EXPENSE', 'DRAWINGS', 'OPENING_EQUITY', 'OWNER_EQUITY') as money
    from posting p
    join account a on a.household_id = p.household_id and a.id = p.account_id
    join begins b on b.household_id = p.household_id and b.entry_id = p.entry_id
), moved as (
  select household_id, entry_id, bool_or(category) as category,
         case when bool_or(category) and bool_or(own and money)
              then coalesce(sum(base_minor) filter (where own and money), 0)
              else coalesce(
                nullif(sum(greatest(base_minor, 0)) filter (where own), 0),
                sum(greatest(-base_minor, 0)) filter (where own), 0) end as minor
    from facts group by 1, 2
)
update entry e set moved_minor = m.minor, transfer = not m.category, moved_currency = k.currency
  from moved m
  join begins b on b.household_id = m.household_id and b.entry_id = m.entry_id
  join book k on k.household_id = b.household_id and k.id = b.book_id
 where m.household_id = e.household_id and m.entry_id = e.id;
alter table entry enable trigger user;

create index entry_moved on entry (household_id, moved_minor desc, date desc, no desc);
create index entry_reference_text on entry using gin (household_id, lower(reference) gin_trgm_ops) where reference <> '';
create index posting_note_text on posting using gin (household_id, lower(note) gin_trgm_ops) where note <> '';

-- The entries of some days in whose note, reference or postings' notes the pattern is found, at most so many. Row-level
-- security keeps "like" out of the conditions of an index; the function looks for itself, in its household only.
create function entries_noted(pattern text, first_day date, last_day date, most int)
  returns table (id uuid) language plpgsql stable security definer
  set search_path = pg_catalog, public, pg_temp
  set plan_cache_mode = force_custom_plan as $$
#variable_conflict use_column
declare house uuid := current_household();
begin
  return query
    select x.id from (
      select e.id from entry e
       where e.household_id = house and e.note <> '' and lower(e.note) like pattern escape '!'
         and e.date between first_day and last_day
      union all
      select e.id from entry e
       where e.household_id = house and e.reference <> '' and lower(e.reference) like pattern escape '!'
         and e.date between first_day and last_day
      union all
      select p.entry_id from posting p
       where p.household_id = house and p.note <> '' and lower(p.note) like pattern escape '!'
         and p.date between first_day and last_day) x
     limit most;
end $$;

drop function entries_like(text, uuid, date, date, bigint, int);

-- What the household looks for often, by a name. "every_month": whether the month that is chosen does not narrow it.
create table journal_view (
  household_id uuid not null references household,
  id           uuid not null,
  name         text not null check (name = btrim(name) and name <> ''),
  query        text not null,
  every_month  boolean not null,
  sorted_by    text not null,
  primary key (household_id, id)
);
create unique index journal_view_name on journal_view (household_id, lower(name));
alter table journal_view enable row level security;
create policy own_household on journal_view using (household_id = current_household());
select follow_acts('journal_view', '{INSERT,UPDATE,DELETE}', 'id');

-- Which columns a person sees in the journal, in their order; empty for the usual ones.
alter table person add column journal_columns text[] not null default '{}';
