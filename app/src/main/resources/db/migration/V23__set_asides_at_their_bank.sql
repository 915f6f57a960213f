-- A bank knows nothing of what is set aside in an account: its statement covers the postings of the account and of the
-- set-asides in it.
create function is_at_bank(posted_to uuid, at_bank uuid, house uuid) returns boolean language sql stable as $$
  select posted_to = at_bank or exists (select 1 from account a where a.household_id = house and a.id = posted_to
                                           and a.parent_id = at_bank and a.kind = 'SET_ASIDE') $$;

create or replace function keep_finished_closed() returns trigger language plpgsql as $$
begin
  if exists (select 1 from statement s
              where s.household_id = new.household_id and s.id = new.statement_id
                and (s.finished_at is not null or new.date > s.closes_on
                     or not is_at_bank(new.account_id, s.account_id, s.household_id)))
     and (tg_op = 'INSERT' or new.statement_id is distinct from old.statement_id) then
    raise exception 'a posting cannot be ticked for this statement' using errcode = 'restrict_violation', constraint = 'posting_reconciled';
  end if;
  return new;
end $$;
