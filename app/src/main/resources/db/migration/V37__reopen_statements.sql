-- The last agreed statement of an account is opened again, with a reason that the act tells: what was agreed goes, and
-- stays in history. The walls around it hold: only in its order, and only within such an act.
create function reopen_statement(wanted uuid) returns void language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  if doing() <> 'REOPEN_STATEMENT' then
    raise exception 'a statement is opened again by the act that says so' using errcode = 'restrict_violation';
  end if;
  update statement set finished_at = null, finished_by = null, version = version + 1
   where household_id = current_household() and id = wanted and finished_at is not null;
  delete from agreement where household_id = current_household() and statement_id = wanted;
end $$;
