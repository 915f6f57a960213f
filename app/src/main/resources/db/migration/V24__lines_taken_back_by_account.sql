-- Whether lines ever stood on an account is asked by its page, however many there are.
create index bank_line_taken_back on bank_line (household_id, account_id) where taken_back_at is not null;
