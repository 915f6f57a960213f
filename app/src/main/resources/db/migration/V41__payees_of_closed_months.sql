-- Who two names of one payee are is no matter of a month: they are merged, and parted again, though months of their
-- entries are closed. Nothing else of such entries changes.
create function act_at_root() returns text language sql stable security definer
  set search_path = pg_catalog, public, pg_temp as $$
  with recursive done as (
    select a.id, a.kind, a.undoes from act a where a.household_id = current_household() and a.id = (current_act()).id
    union all
    select a.id, a.kind, a.undoes from act a join done d on a.household_id = current_household() and a.id = d.undoes)
  select coalesce((select kind from done where undoes is null), '') $$;

create or replace function keep_entries_of_closed_months() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
declare what text;
begin
  select b.name || ', ' || to_char(c.month, 'YYYY-MM') into what
    from changed_to e
    join posting p on p.household_id = e.household_id and p.entry_id = e.id
    join closed_month c on c.household_id = p.household_id and c.book_id = p.book_id and c.month = date_trunc('month', p.date)::date
    join book b on b.household_id = c.household_id and b.id = c.book_id limit 1;
  if what is not null and act_at_root() <> 'PAYEES' then
    raise exception '% is closed', what using errcode = 'restrict_violation', constraint = 'month_closed';
  end if;
  return null;
end $$;
