-- Read-only links to banks. The consent is a secret and kept encrypted.

create table bank_connection (
  household_id     uuid not null references household,
  id               uuid not null,
  institution_id   text not null,
  institution_name text not null,
  town             text not null,
  bic              text not null,
  history_days     int not null,
  consent          text not null,
  status           text not null check (status in ('ASKED', 'ACTIVE', 'NEEDS_CONSENT', 'ENDED')),
  consent_until    date not null,
  return_hash      text not null,
  refresh_at       time not null,
  zone             text not null,
  made_at          timestamptz not null,
  made_by          uuid not null,
  version          int not null default 0,
  primary key (household_id, id)
);

create table connected_account (
  household_id    uuid not null,
  id              uuid not null,
  connection_id   uuid not null,
  resource_id     text not null,
  number          text not null,
  name            text not null,
  kind            text not null,
  currency        text not null,
  account_id      uuid,
  start_on        date,
  opening_to_come boolean not null default false,
  phase           text not null check (phase in ('UNUSED', 'QUEUED', 'FETCHING', 'DONE', 'WAITING', 'STOPPED')),
  lines_so_far    int not null default 0,
  failures        int not null default 0,
  problem         text,
  next_try_at     timestamptz,
  synced_at       timestamptz,
  synced_through  date,
  last_new_lines  int not null default 0,
  bank_minor      bigint,
  bank_on         date,
  version         int not null default 0,
  primary key (household_id, id),
  unique (household_id, connection_id, resource_id),
  foreign key (household_id, connection_id) references bank_connection,
  foreign key (household_id, account_id) references account
);

do $$ declare t text; begin
  foreach t in array array['bank_connection', 'connected_account'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_household on %I using (household_id = current_household())', t);
  end loop;
end $$;

-- The jobs of db-scheduler; they belong to no household, and carry no more than identities.
create table scheduled_tasks (
  task_name            text not null,
  task_instance        text not null,
  task_data            bytea,
  execution_time       timestamptz not null,
  picked               boolean not null,
  picked_by            text,
  last_success         timestamptz,
  last_failure         timestamptz,
  consecutive_failures int,
  last_heartbeat       timestamptz,
  version              bigint not null,
  priority             smallint,
  primary key (task_name, task_instance)
);
create index scheduled_tasks_due on scheduled_tasks (execution_time);
create index scheduled_tasks_alive on scheduled_tasks (last_heartbeat);
