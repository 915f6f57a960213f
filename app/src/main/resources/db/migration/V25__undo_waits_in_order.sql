-- Undoing takes its locks as all others do: first the accounts that the act touched, in their order.
create function hold_accounts_of_act(wanted uuid) returns void language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
declare house uuid := current_household();
begin
  perform 1 from account a
    where a.household_id = house
      and a.id in (select c.account_id from act_change c
                    where c.household_id = house and c.act_id = wanted and c.account_id is not null)
    order by a.id for no key update;
end $$;
