-- The application's role reads and writes rows; it owns nothing, cannot switch row-level security off, and has no
-- right that it has no use for: what the database keeps by itself it cannot write.
grant usage on schema public to yew_app;
revoke all on all tables in schema public from yew_app;
grant select on all tables in schema public to yew_app;
revoke all on flyway_schema_history from yew_app;
grant insert, update, delete on
  book, account, entry, posting, line_link, statement, rule, tax_rate, tax_rate_step, exchange_rate, closed_month,
  membership, recovery_code, link, household_setup, feed_balance, file_route, table_layout, sheet_name, sheet_layout, bank_connection,
  connected_account, payee, payee_alias, tag, entry_tag, served_months, journal_view, kept_report, kept_export, export_run, budget, budget_month, profit_goal, balance_goal, schedule, schedule_part, due_item, holiday, loan, loan_terms, lender_year, investment, security, trade, price, valuation, write_down, worth_entry, division_template, division_template_part, purpose_category, purpose_taking, taken_spending, api_token, idempotency_key, entry_template, attachment, scheduled_tasks, spring_session, spring_session_attributes, rate_limit to yew_app;
grant insert on act, agreement, attachment_content, attachment_drawing, attachment_page to yew_app;
grant insert, delete on statement_lines, tax_return, tax_return_line to yew_app;
grant insert on household, person, batch, bank_line to yew_app;
grant update on person, batch to yew_app;
grant update (name, time_zone) on household to yew_app;
-- Of a line, that it was taken back; a state begins with its line, by a trigger.
grant update (taken_back_at) on bank_line to yew_app;
grant update, delete on bank_line_state to yew_app;
-- Our own functions only: those of extensions are not ours to grant.
do $$ declare f regprocedure; begin
  for f in select p.oid from pg_proc p join pg_roles r on r.oid = p.proowner
            where p.pronamespace = 'public'::regnamespace and r.rolname = current_user loop
    execute format('revoke all on routine %s from public', f);
    execute format('grant execute on routine %s to yew_app', f);
  end loop;
end $$;
revoke execute on function undo_step(uuid, bigint, text, text), undo_arrival(uuid), follow_acts(text, text[], text[]) from yew_app;
-- tables and functions as of migration 57
