-- A bank line and its state begin together: the database makes the state, and the application cannot. So no line is
-- without one and no state without its line, which took a join over all of an import to check.
drop trigger bank_line_state_of_its_line on bank_line_state;
drop function states_have_their_line;
drop trigger bank_line_of_its_batch on bank_line;
drop function lines_have_their_batch;

create function lines_begin() returns trigger language plpgsql security definer set search_path = public as $$
declare begun bigint;
begin
  insert into bank_line_state (household_id, bank_line_id, account_id, booked_on, state, changed_at, changed_by)
  select a.household_id, a.id, a.account_id, a.booked_on, case when a.pending then 'PENDING' else 'WAITING' end,
         b.gathered_at, b.gathered_by
    from added a
    join batch b on b.household_id = a.household_id and b.id = a.batch_id and b.account_id = a.account_id;
  get diagnostics begun = row_count;
  if begun < (select count(*) from added) then
    raise exception 'a bank line is of the account of its batch' using errcode = 'foreign_key_violation';
  end if;
  return null;
end $$;
create trigger bank_line_begins after insert on bank_line
  referencing new table as added for each statement execute function lines_begin();

-- Only what lines are found by is of use to the planner: the texts are never searched, and sampling them cost most
-- of the analysis after a large import.
drop function analyze_bank_line_states;
create or replace function analyze_bank_lines() returns void language plpgsql security definer set search_path = public as $$
begin
  analyze bank_line (household_id, id, batch_id, account_id, booked_on, amount_minor, text_hash, ordinal, pending,
                     taken_back_at);
  analyze bank_line_state;
end $$;
