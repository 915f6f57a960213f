-- 100,000 lines arrive at once. A foreign key would look each of them up by itself, which costs as much again as
-- writing them; one join per statement says the same. What is referred to here is never deleted: bank lines are
-- append-only, and so are batches but for their being taken back.
alter table bank_line
  drop constraint bank_line_household_id_batch_id_fkey,
  drop constraint bank_line_household_id_account_id_fkey;
alter table bank_line_state
  drop constraint bank_line_state_household_id_bank_line_id_fkey;

create function lines_have_their_batch() returns trigger language plpgsql as $$
begin
  if exists (select 1 from added a
              where not exists (select 1 from batch b
                                 where b.household_id = a.household_id and b.id = a.batch_id
                                   and b.account_id = a.account_id)) then
    raise exception 'a bank line is of the account of its batch' using errcode = 'foreign_key_violation';
  end if;
  return null;
end $$;
create trigger bank_line_of_its_batch after insert on bank_line
  referencing new table as added for each statement execute function lines_have_their_batch();

create function states_have_their_line() returns trigger language plpgsql as $$
begin
  if exists (select 1 from added a
              where not exists (select 1 from bank_line l
                                 where l.household_id = a.household_id and l.id = a.bank_line_id)) then
    raise exception 'a state belongs to a bank line' using errcode = 'foreign_key_violation';
  end if;
  return null;
end $$;
create trigger bank_line_state_of_its_line after insert on bank_line_state
  referencing new table as added for each statement execute function states_have_their_line();

create trigger batch_stays before delete on batch for each row execute function refuse_change();

-- After a large import the planner still believes the tables small, and reads them whole for every line:
-- autovacuum comes a minute later. The application owns no table, so the analysis is the owner's function.
create function analyze_bank_lines() returns void language plpgsql security definer set search_path = public as $$
begin
  analyze bank_line;
end $$;
create function analyze_bank_line_states() returns void language plpgsql security definer set search_path = public as $$
begin
  analyze bank_line_state;
end $$;
revoke all on function analyze_bank_lines() from public;
revoke all on function analyze_bank_line_states() from public;
