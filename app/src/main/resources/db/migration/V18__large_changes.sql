-- A function's plan is made when it is first called, often for a few rows, and kept. For a hundred thousand rows that
-- change at once, joining what was with what is row by row then takes minutes: a join by hash is never worse by much.
alter function note_changes() set enable_nestloop = off;
alter function note_lines_taken_back() set enable_nestloop = off;
alter function keep_account_months_of_changed() set enable_nestloop = off;

-- An act that changed much is undone by hash joins too; one that changed little finds its rows by their keys.
create or replace function undo_act(wanted uuid) returns void language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp set timezone = 'UTC' as $$
declare doing act := current_act(); s record; large boolean;
begin
  if doing.id is null or doing.undoes is distinct from wanted then
    raise exception 'an act is undone by the act that says so' using errcode = 'restrict_violation';
  end if;
  select count(*) > 2000 into large
    from (select 1 from act_change where household_id = current_household() and act_id = wanted limit 2001) few;
  if large then
    perform set_config('enable_nestloop', 'off', true);
  end if;
  perform require_untouched(wanted);
  perform set_config('yew.undoing', 'on', true);
  for s in select distinct step, table_name, op, case op when 'ARRIVE' then row_key end as batch from act_change
            where household_id = current_household() and act_id = wanted order by step desc loop
    if s.op = 'ARRIVE' then
      perform undo_arrival(s.batch::uuid);
    else
      perform undo_step(wanted, s.step, s.table_name, s.op);
    end if;
  end loop;
  perform set_config('yew.undoing', '', true);
  perform set_config('enable_nestloop', 'on', true);
end $$;

-- Nor may a plan that was made while the tables were small be kept: these look at what changed, and are planned anew.
alter function require_links_agree() set plan_cache_mode = force_custom_plan;
alter function require_entry_balance() set plan_cache_mode = force_custom_plan;
