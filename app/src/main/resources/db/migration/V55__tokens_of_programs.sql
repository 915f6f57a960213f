-- By which programs ask, on behalf of the person who made it. Only a hash of it is kept.
create table api_token (
  household_id uuid not null references household,
  id           uuid not null,
  person_id    uuid not null references person,
  name         text not null check (name = btrim(name) and name <> ''),
  scope        text not null check (scope in ('READ', 'KEEP_BOOKS')),
  token_hash   char(64) not null unique,
  made_at      timestamptz not null,
  expires_at   timestamptz not null check (expires_at > made_at),
  last_used_at timestamptz,
  revoked_at   timestamptz,
  primary key (household_id, id)
);
create index api_token_person on api_token (household_id, person_id);

-- Requests of programs that were carried out, so that each is carried out once however often it is asked.
create table idempotency_key (
  household_id uuid not null,
  token_id     uuid not null,
  key          text not null check (length(key) between 1 and 200),
  request_hash char(64) not null,
  act_id       uuid not null,
  at           timestamptz not null,
  -- The answer; null if there was none to be kept.
  status       integer,
  content_type text,
  body         bytea,
  constraint idempotency_key_once primary key (household_id, token_id, key),
  foreign key (household_id, token_id) references api_token on delete cascade,
  foreign key (household_id, act_id) references act
);
create index idempotency_key_at on idempotency_key (household_id, at);

do $$ declare t text; begin
  foreach t in array array['api_token', 'idempotency_key'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_household on %I using (household_id = current_household())', t);
  end loop;
end $$;

-- Who asks is not known before; what a token may is what its person may, if that is less.
create function token_by_hash(wanted char(64))
  returns table (household_id uuid, id uuid, token_name text, scope text, expires_at timestamptz, revoked_at timestamptz,
                 person_id uuid, name text, email text, role text)
  language sql stable security definer set search_path = pg_catalog, public, pg_temp as $$
    select t.household_id, t.id, t.name, t.scope, t.expires_at, t.revoked_at, p.id, p.name, p.email, m.role
      from api_token t
      join membership m on m.household_id = t.household_id and m.person_id = t.person_id
      join person p on p.id = t.person_id
     where t.token_hash = wanted $$;

-- Whoever brings a whole household at once tells the planner: until it knows, it takes the household for empty.
create function know_new_rows() returns void language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  analyze public.account, public.batch, public.bank_line, public.bank_line_state, public.line_link, public.statement,
    public.entry, public.posting, public.payee, public.entry_tag, public.account_month, public.tax_month, public.act_change;
end $$;
