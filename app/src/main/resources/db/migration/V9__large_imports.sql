-- One check for each line instead of two, and a stricter one: a line is of the account of its batch.
alter table batch add unique (household_id, id, account_id);
alter table bank_line
  drop constraint bank_line_household_id_batch_id_fkey,
  drop constraint bank_line_household_id_account_id_fkey,
  add foreign key (household_id, batch_id, account_id) references batch (household_id, id, account_id);

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
