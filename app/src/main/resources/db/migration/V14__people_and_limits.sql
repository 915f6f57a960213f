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
