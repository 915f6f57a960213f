-- People of several households, invitations, a second factor.

-- totp_secret: encrypted by the application. totp_last_step: the last time step that was used (RFC 6238),
-- so that a code works once. Null while there is no second factor.
alter table person
  add totp_secret text,
  add totp_last_step bigint;
create policy own_people on person for update using (exists (
  select 1 from membership m where m.person_id = person.id and m.household_id = current_household()));

alter table membership add last_used_at timestamptz;
create index membership_of_person on membership (person_id);

create table recovery_code (
  person_id uuid not null references person,
  code_hash char(64) not null,
  primary key (person_id, code_hash)
);
alter table recovery_code enable row level security;
create policy own_people on recovery_code using (exists (select 1 from person p where p.id = person_id));

-- A link that lets somebody in: an invitation, or a new password. Only a hash of it is kept.
create table link (
  household_id uuid not null references household,
  id           uuid not null,
  token_hash   char(64) not null unique,
  purpose      text not null check (purpose in ('INVITATION', 'NEW_PASSWORD')),
  person_id    uuid,
  name         text not null,
  email        text not null,
  role         text not null check (role in ('OWNER', 'BOOKKEEPER', 'READER')),
  made_by      uuid not null,
  made_at      timestamptz not null,
  expires_at   timestamptz not null,
  used_at      timestamptz,
  primary key (household_id, id)
);
alter table link enable row level security;
create policy own_household on link using (household_id = current_household());

-- The looks across households: before there is one, or to choose among one's own.
drop function person_signing_in(text);
create function person_signing_in(wanted text)
  returns table (person_id uuid, name text, email text, password_hash text, household_id uuid, role text,
                 second_factor boolean)
  language sql stable security definer set search_path = public as $$
    select p.id, p.name, p.email, p.password_hash, m.household_id, m.role, p.totp_secret is not null
      from person p join membership m on m.person_id = p.id
     where lower(p.email) = lower(wanted)
     order by m.last_used_at desc nulls last, m.household_id limit 1 $$;

create function households_of(wanted uuid)
  returns table (household_id uuid, name text, role text)
  language sql stable security definer set search_path = public as $$
    select h.id, h.name, m.role from membership m join household h on h.id = m.household_id
     where m.person_id = wanted order by h.name, h.id $$;

create function person_by_email(wanted text) returns uuid
  language sql stable security definer set search_path = public as $$
    select id from person where lower(email) = lower(wanted) $$;

create function link_by_token(wanted char(64))
  returns table (household_id uuid, id uuid, purpose text, person_id uuid, name text, email text, role text,
                 made_by uuid, expires_at timestamptz, used_at timestamptz, household_name text)
  language sql stable security definer set search_path = public as $$
    select l.household_id, l.id, l.purpose, l.person_id, l.name, l.email, l.role, l.made_by, l.expires_at, l.used_at, h.name
      from link l join household h on h.id = l.household_id where l.token_hash = wanted $$;

-- What a session holds has changed; everybody signs in again.
delete from spring_session;
