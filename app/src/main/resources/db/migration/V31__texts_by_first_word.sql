-- A text that nobody has named yet is held against those that begin with the same word.
create index payee_alias_by_first_word on payee_alias (household_id, split_part(upper(text), ' ', 1));
