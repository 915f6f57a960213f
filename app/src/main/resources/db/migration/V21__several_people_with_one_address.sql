-- Whether an address is known here is nobody's business: whoever begins a household or takes up an invitation with it
-- and another password is another person. Address and password together say who signs in.
drop index person_email;
create index person_email on person (lower(email));
drop function person_by_email(text);

-- Each person with the address, the first one first, with the household that they used last.
create or replace function person_signing_in(wanted text)
  returns table (person_id uuid, name text, email text, password_hash text, household_id uuid, role text,
                 second_factor boolean)
  language sql stable security definer set search_path = pg_catalog, public, pg_temp as $$
    select p.id, p.name, p.email, p.password_hash, m.household_id, m.role, p.totp_secret is not null
      from person p left join lateral (
        select m.household_id, m.role from membership m where m.person_id = p.id
         order by m.last_used_at desc nulls last, m.household_id limit 1) m on true
     where lower(p.email) = lower(wanted)
     order by p.id $$;
