-- Every table of a household leads with household_id, and row-level security keeps the application's
-- connection to the household set for its transaction. The owner of the tables is another role, used
-- for migrations and for the audit from outside only.

create function current_household() returns uuid language sql stable as
  $$ select nullif(current_setting('yew.household', true), '')::uuid $$;

create table household (
  id            uuid primary key,
  name          text not null,
  next_entry_no bigint not null default 1,
  next_batch_no bigint not null default 1
);
alter table household enable row level security;
create policy own_household on household using (id = current_household());

create table person (
  id            uuid primary key,
  email         text not null,
  name          text not null,
  password_hash text not null
);
create unique index person_email on person (lower(email));

create table membership (
  household_id uuid not null references household,
  person_id    uuid not null references person,
  role         text not null check (role in ('OWNER', 'BOOKKEEPER', 'READER')),
  primary key (household_id, person_id)
);
alter table membership enable row level security;
create policy own_household on membership using (household_id = current_household());

alter table person enable row level security;
create policy same_household on person for select using (exists (
  select 1 from membership m where m.person_id = person.id and m.household_id = current_household()));
create policy newcomer on person for insert with check (true);

-- Signing in comes before there is a household: this is the one look across all of them.
create function person_signing_in(wanted text)
  returns table (person_id uuid, name text, email text, password_hash text, household_id uuid, role text)
  language sql stable security definer set search_path = public as $$
    select p.id, p.name, p.email, p.password_hash, m.household_id, m.role
      from person p join membership m on m.person_id = p.id
     where lower(p.email) = lower(wanted)
     order by m.household_id limit 1 $$;

-- Failed sign-ins by email and by address; not of a household.
create table sign_in_attempt (
  who      text primary key,
  failures int not null,
  last_at  timestamptz not null
);

create table audit (
  household_id uuid not null references household,
  id           uuid not null,
  at           timestamptz not null,
  person_id    uuid not null,
  act          text not null,
  subject      text not null,
  subject_id   uuid not null,
  before       jsonb,
  after        jsonb,
  primary key (household_id, id)
);
create index audit_subject on audit (household_id, subject, subject_id, at);
alter table audit enable row level security;
create policy own_household on audit using (household_id = current_household());

create function refuse_change() returns trigger language plpgsql as $$
begin
  raise exception '% is append-only', tg_table_name using errcode = 'restrict_violation';
end $$;
create trigger audit_append_only before update or delete on audit
  for each row execute function refuse_change();
