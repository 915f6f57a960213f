-- The application's role reads and writes rows; it owns nothing and cannot switch row-level security off.
grant usage on schema public to yew_app;
grant select, insert, update, delete on all tables in schema public to yew_app;
revoke all on flyway_schema_history from yew_app;
-- A state begins with its line, by a trigger.
revoke insert on bank_line_state from yew_app;
grant execute on all functions in schema public to yew_app;
-- tables as of migration 11
