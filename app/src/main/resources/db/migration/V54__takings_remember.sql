-- What is taken out of purposes while lines are posted, without being asked.
alter table purpose_category add column as_posted boolean not null default false;

-- Which spending a taking covered, so that it stays covered whatever a purpose pays for later.
create table taken_spending (
  household_id   uuid not null,
  entry_id       uuid not null,
  spent_entry_id uuid not null,
  category_id    uuid not null,
  purpose_id     uuid not null,
  amount_minor   bigint not null check (amount_minor <> 0),
  primary key (household_id, entry_id, spent_entry_id, category_id),
  foreign key (household_id, entry_id) references entry
);
create index taken_spending_spent on taken_spending (household_id, spent_entry_id);

-- Takings of before covered what was spent until then and no earlier one had covered.
insert into taken_spending
select c.household_id, (array_agg(t.entry_id order by t.no))[1], c.entry_id, c.account_id, k.purpose_id, c.minor
  from (select p.household_id, coalesce(e.counters_id, e.id) as entry_id, min(e.no) as no, p.account_id, min(p.date) as date,
               sum(p.base_minor) as minor
          from posting p join entry e on e.household_id = p.household_id and e.id = p.entry_id
         group by p.household_id, coalesce(e.counters_id, e.id), p.account_id) c
  join purpose_category k on k.household_id = c.household_id and k.category_id = c.account_id and c.date >= k.since
  join account a on a.household_id = k.household_id and a.id = k.purpose_id
  join (select t.household_id, t.entry_id, e.no, q.account_id from purpose_taking t
          join entry e on e.household_id = t.household_id and e.id = t.entry_id
          join posting q on q.household_id = t.household_id and q.entry_id = t.entry_id
         where not exists (select 1 from entry v where v.household_id = t.household_id and v.counters_id = t.entry_id)) t
    on t.household_id = c.household_id and t.account_id = k.purpose_id and t.no > c.no
 where c.minor <> 0
   and exists (select 1 from posting b where b.household_id = c.household_id and b.entry_id = c.entry_id
                  and b.account_id = a.parent_id)
 group by c.household_id, c.entry_id, c.account_id, k.purpose_id, c.minor;

alter table taken_spending enable row level security;
create policy own_household on taken_spending using (household_id = current_household());
select follow_acts('taken_spending', '{INSERT,UPDATE,DELETE}', 'entry_id', 'spent_entry_id', 'category_id');

create or replace function let_go_of_purpose_takings() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  delete from taken_spending where household_id = old.household_id and entry_id = old.id;
  delete from purpose_taking where household_id = old.household_id and entry_id = old.id;
  return old;
end $$;
