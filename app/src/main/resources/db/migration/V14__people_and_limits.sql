-- Limits on guessing, kept by the rate limiter's library and shared by all instances.
drop table sign_in_attempt;
create table rate_limit (
  id         text primary key,
  state      bytea,
  expires_at bigint
);
create index rate_limit_expires on rate_limit (expires_at);

-- Somebody who was removed from their only household is still somebody: they can be invited, and begin another.
drop function person_signing_in(text);
create function person_signing_in(wanted text)
  returns table (person_id uuid, name text, email text, password_hash text, household_id uuid, role text,
                 second_factor boolean)
  language sql stable security definer set search_path = pg_catalog, public, pg_temp as $$
    select p.id, p.name, p.email, p.password_hash, m.household_id, m.role, p.totp_secret is not null
      from person p left join membership m on m.person_id = p.id
     where lower(p.email) = lower(wanted)
     order by m.last_used_at desc nulls last, m.household_id limit 1 $$;

-- What pages look for among many years: the few postings that no statement covers yet, the few opening entries,
-- the statements that are not finished.
create index posting_unticked on posting (household_id, account_id, date) where statement_id is null;
create index entry_opening on entry (household_id) where origin = 'OPENING';
create index statement_open on statement (household_id, account_id) where finished_at is null;

-- Finding in the journal, by any part of payee, note or account. LIKE is not leakproof, so under row-level security
-- no index serves it: the owner's function asks, and names the household itself.
create extension if not exists pg_trgm;
create extension if not exists btree_gin;
create index entry_text on entry using gin (household_id, lower(payee || ' ' || note) gin_trgm_ops);
create index posting_note on posting (household_id, entry_id) where note <> '';

create function entries_like(pattern text) returns setof uuid language sql stable security definer
  set search_path = pg_catalog, public, pg_temp as $$
    select id from entry where household_id = current_household() and lower(payee || ' ' || note) like pattern escape '!'
    union
    select entry_id from posting where household_id = current_household() and note <> '' and lower(note) like pattern escape '!'
    union
    select p.entry_id from account a join posting p on p.household_id = a.household_id and p.account_id = a.id
     where a.household_id = current_household() and lower(a.name) like pattern escape '!' $$;
