-- What follows an account when it is merged or deleted comes back when that is undone: where files and feeds lead, how
-- tables are read, what feeds have said. At other times these rows are no part of the books and change without acts.
create function follow_account_acts(of_table text, ops text[], variadic keys text[]) returns void language plpgsql as $$
declare op text;
begin
  foreach op in array ops loop
    execute format(
      $t$create trigger %I after %s on %I referencing %s for each statement
         when (doing() in ('MERGE_ACCOUNT', 'DELETE_ACCOUNT') or current_setting('yew.undoing', true) = 'on')
         execute function note_changes(%s)$t$,
      of_table || '_' || lower(op) || '_acts', op, of_table,
      case op when 'INSERT' then 'new table as changed_to' when 'DELETE' then 'old table as changed_from'
              else 'old table as changed_from new table as changed_to' end,
      (select string_agg(quote_literal(k), ', ') from unnest(keys) k));
  end loop;
end $$;
select follow_account_acts('file_route', '{INSERT,UPDATE,DELETE}', 'account_number');
select follow_account_acts('table_layout', '{INSERT,DELETE}', 'account_id', 'header_key');
select follow_account_acts('feed_balance', '{INSERT,DELETE}', 'account_id', 'on_day');
drop function follow_account_acts(text, text[], text[]);

-- A feed goes on meanwhile: of it only the account that it leads to is part of the act.
create function note_feeds_led_elsewhere() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp set timezone = 'UTC' as $$
declare doing uuid; this_step bigint;
begin
  if is_owner_at_work()
     or not exists (select 1 from changed_to n join changed_from o using (household_id, id)
                     where n.account_id is distinct from o.account_id) then
    return null;
  end if;
  doing := require_act('connected_account');
  this_step := nextval('act_step');
  insert into act_change
    select n.household_id, this_step, n.id::text, doing, 'connected_account', 'UPDATE', null, n.account_id,
           jsonb_build_object('id', o.id, 'version', o.version, 'account_id', o.account_id),
           jsonb_build_object('id', n.id, 'version', n.version, 'account_id', n.account_id)
      from changed_to n join changed_from o using (household_id, id)
     where n.account_id is distinct from o.account_id;
  return null;
end $$;
create trigger connected_account_led_elsewhere after update on connected_account
  referencing old table as changed_from new table as changed_to for each statement
  when (doing() in ('MERGE_ACCOUNT', 'DELETE_ACCOUNT') or current_setting('yew.undoing', true) = 'on')
  execute function note_feeds_led_elsewhere();

-- Lines that came by a file or a feed since it led elsewhere stand on the other account: they are in the way.
create function arrived_since(wanted uuid) returns uuid language sql stable
  set search_path = pg_catalog, public, pg_temp as $$
    select a.act_id
      from act_change m
      join act_change a on a.household_id = m.household_id and a.account_id = m.account_id and a.op = 'ARRIVE' and a.step > m.step
     where m.household_id = current_household() and m.act_id = wanted
       and m.table_name in ('connected_account', 'file_route') and m.op = 'UPDATE'
     order by a.step desc limit 1 $$;

create or replace function require_untouched(wanted uuid) returns void language plpgsql stable
  set search_path = pg_catalog, public, pg_temp as $$
declare of_table text; key text; later uuid;
begin
  if exists (select 1 from act_change where household_id = current_household() and act_id = wanted and op = 'TOLD')
     or not exists (select 1 from act_change where household_id = current_household() and act_id = wanted) then
    raise exception 'nothing of this act can be undone' using errcode = 'YU000';
  end if;
  for of_table in select distinct table_name from act_change
                   where household_id = current_household() and act_id = wanted order by 1 loop
    key := row_in_the_way(wanted, of_table);
    if key is not null then
      select act_id into later from act_change
       where household_id = current_household() and table_name = of_table and row_key = key and act_id <> wanted
       order by step desc limit 1;
      raise exception 'changed since' using errcode = 'YU001', detail = coalesce(later::text, '');
    end if;
  end loop;
  -- Lines that arrived go only while none of them is in the journal.
  select x.act_id into later
    from act_change c
    join bank_line l on l.household_id = c.household_id and l.batch_id = c.row_key::uuid
    join bank_line_state s on s.household_id = l.household_id and s.bank_line_id = l.id and s.state = 'POSTED'
    join act_change x on x.household_id = l.household_id and x.table_name = 'bank_line_state' and x.row_key = l.id::text
   where c.household_id = current_household() and c.act_id = wanted and c.op = 'ARRIVE'
   order by x.step desc limit 1;
  later := coalesce(later, arrived_since(wanted));
  if later is not null then
    raise exception 'lines came or were posted since' using errcode = 'YU001', detail = later::text;
  end if;
end $$;
