-- Whether a person types entries as money that goes from one place to another, or as debit and credit.
alter table person add entry_sides text not null default 'FROM_TO' check (entry_sides in ('FROM_TO', 'DEBIT_CREDIT'));

-- A posting that is ticked keeps its amount and day: nothing of an opening balance is asked then. And only an account
-- other than the statement's is looked up as a part of it.
drop trigger posting_of_opening on posting;
create trigger posting_of_opening before update on posting for each row
  when (new.amount_minor <> old.amount_minor or new.date <> old.date) execute function keep_opening();
create trigger posting_of_opening_stays before delete on posting for each row execute function keep_opening();

create or replace function keep_finished_closed() returns trigger language plpgsql as $$
begin
  if (tg_op = 'INSERT' or new.statement_id is distinct from old.statement_id)
     and exists (select 1 from statement s
                  where s.household_id = new.household_id and s.id = new.statement_id
                    and (s.finished_at is not null or new.date > s.closes_on
                         or (s.account_id <> new.account_id
                             and not is_at_bank(new.account_id, s.account_id, s.household_id)))) then
    raise exception 'a posting cannot be ticked for this statement' using errcode = 'restrict_violation', constraint = 'posting_reconciled';
  end if;
  return new;
end $$;
