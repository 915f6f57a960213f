-- A month is closed once its tax is returned: the return stays as long as the month it ends with is closed.
create function keep_returns_of_closed_months() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  if exists (select 1 from closed_month c
              where c.household_id = old.household_id and c.book_id = old.book_id and c.month = old.last) then
    raise exception 'the month of the return is closed' using errcode = 'restrict_violation', constraint = 'return_closed';
  end if;
  return old;
end $$;
create trigger tax_return_in_month before delete on tax_return
  for each row execute function keep_returns_of_closed_months();
