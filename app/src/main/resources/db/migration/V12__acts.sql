-- Acts: every change of the books belongs to one. The triggers below write what each row was before and after, in
-- the transaction of the change; undoing an act replays that backwards, as an act of its own.

-- An owner's function must never look into a schema that its caller may write to, and pg_temp comes first unless it
-- is named.
do $$ declare f regprocedure; begin
  for f in select oid from pg_proc where prosecdef and pronamespace = 'public'::regnamespace loop
    execute format('alter function %s set search_path = pg_catalog, public, pg_temp', f);
  end loop;
end $$;

-- doer: a person, or a rule or a job on the person's behalf. undoes: the act that this one takes back.
-- tx: the transaction that it was begun in; only there may it change anything.
create table act (
  household_id uuid not null references household,
  id           uuid not null,
  at           timestamptz not null,
  person_id    uuid not null,
  doer         text not null check (doer in ('PERSON', 'RULE', 'JOB')),
  from_where   text not null,
  kind         text not null,
  words        text not null,
  undoes       uuid,
  tx           xid8 not null default pg_current_xact_id(),
  primary key (household_id, id),
  foreign key (household_id, undoes) references act
);
create index act_undone on act (household_id, undoes) where undoes is not null;
create index act_of_person on act (household_id, person_id, id);

-- step: one statement's worth of changes; steps rise in the order in which they happened.
-- op: INSERT, UPDATE, DELETE; ARRIVE, for all lines of a batch at once; TOLD, for what was written down before
-- there were acts, in words only.
create sequence act_step;
create table act_change (
  household_id uuid not null,
  step         bigint not null,
  row_key      text not null,
  act_id       uuid not null,
  table_name   text not null,
  op           text not null,
  entry_id     uuid,
  account_id   uuid,
  before       jsonb,
  after        jsonb,
  primary key (household_id, step, row_key)
);
create index act_change_of_act on act_change (household_id, act_id, step);
create index act_change_of_row on act_change (household_id, table_name, row_key, step);
create index act_change_of_entry on act_change (household_id, entry_id, act_id) where entry_id is not null;
create index act_change_of_account on act_change (household_id, account_id, act_id) where account_id is not null;

do $$ declare t text; begin
  foreach t in array array['act', 'act_change'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_household on %I using (household_id = current_household())', t);
  end loop;
end $$;
create trigger act_append_only before update or delete on act for each row execute function refuse_change();
create trigger act_change_append_only before update or delete on act_change for each row execute function refuse_change();

create function act_is_of_now() returns trigger language plpgsql as $$
begin
  new.tx := pg_current_xact_id();
  return new;
end $$;
create trigger act_of_now before insert on act for each row execute function act_is_of_now();

-- The act under way in this transaction. The setting alone says nothing: the act must have been begun here.
create function current_act() returns act language sql stable as $$
  select a from act a
   where a.household_id = current_household() and a.id = nullif(current_setting('yew.act', true), '')::uuid
     and a.tx = pg_current_xact_id_if_assigned() $$;

create function require_act(changing text) returns uuid language plpgsql stable
  set search_path = pg_catalog, public, pg_temp as $$
declare doing uuid := (current_act()).id;
begin
  if doing is null then
    raise exception '% changes within an act only', changing
      using errcode = 'restrict_violation', constraint = 'within_an_act';
  end if;
  return doing;
end $$;

-- Whether the owner of the tables is at work by itself: a migration, or somebody who mends from outside.
create function is_owner_at_work() returns boolean language sql stable as $$
  select session_user = (select tableowner from pg_tables where schemaname = 'public' and tablename = 'act') $$;

-- Arguments: the columns that tell the row within its household.
create function note_changes() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp set timezone = 'UTC' as $$
declare doing uuid; this_step bigint;
begin
  if is_owner_at_work() then return null; end if;
  if tg_op = 'INSERT' then
    if not exists (select 1 from changed_to) then return null; end if;
    doing := require_act(tg_table_name);
    this_step := nextval('act_step');
    insert into act_change
      select (r ->> 'household_id')::uuid, this_step, concat_ws(',', r ->> tg_argv[0], r ->> tg_argv[1], r ->> tg_argv[2]),
             doing, tg_table_name, tg_op, change_of(tg_table_name, 'entry', r), change_of(tg_table_name, 'account', r), null, r
        from (select to_jsonb(n) as r from changed_to n) rows;
  elsif tg_op = 'DELETE' then
    if not exists (select 1 from changed_from) then return null; end if;
    doing := require_act(tg_table_name);
    this_step := nextval('act_step');
    insert into act_change
      select (r ->> 'household_id')::uuid, this_step, concat_ws(',', r ->> tg_argv[0], r ->> tg_argv[1], r ->> tg_argv[2]),
             doing, tg_table_name, tg_op, change_of(tg_table_name, 'entry', r), change_of(tg_table_name, 'account', r), r, null
        from (select to_jsonb(o) as r from changed_from o) rows;
  else
    if not exists (select 1 from changed_to) then return null; end if;
    doing := require_act(tg_table_name);
    this_step := nextval('act_step');
    insert into act_change
      select (a ->> 'household_id')::uuid, this_step, key, doing, tg_table_name, tg_op,
             change_of(tg_table_name, 'entry', a), change_of(tg_table_name, 'account', a), b, a
        from (select r as b, concat_ws(',', r ->> tg_argv[0], r ->> tg_argv[1], r ->> tg_argv[2]) as key
                from (select to_jsonb(o) as r from changed_from o) rows) was
        join (select r as a, concat_ws(',', r ->> tg_argv[0], r ->> tg_argv[1], r ->> tg_argv[2]) as key
                from (select to_jsonb(n) as r from changed_to n) rows) is_now using (key)
       where b - 'version' <> a - 'version';
  end if;
  return null;
end $$;

-- The entry or the account that a row is, or is of.
create function change_of(of_table text, what text, r jsonb) returns uuid language sql immutable as $$
  select (case when of_table = what then r ->> 'id' else r ->> (what || '_id') end)::uuid $$;

-- Lines come by the hundred thousand, and are kept unchanged anyway: their arrival is one change, of their batch.
create function note_arrival() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  if is_owner_at_work() or not exists (select 1 from added) then return null; end if;
  insert into act_change
    select household_id, nextval('act_step'), batch_id::text, require_act('bank_line'), 'bank_line', 'ARRIVE', null,
           account_id, null, jsonb_build_object('batch_id', batch_id, 'lines', count(*))
      from added group by household_id, batch_id, account_id;
  return null;
end $$;
create trigger bank_line_acts after insert on bank_line
  referencing new table as added for each statement execute function note_arrival();

-- Of a line only whether it was taken back can change.
create function note_lines_taken_back() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp set timezone = 'UTC' as $$
declare doing uuid; this_step bigint;
begin
  if is_owner_at_work() or not exists (select 1 from changed_to) then return null; end if;
  doing := require_act('bank_line');
  this_step := nextval('act_step');
  insert into act_change
    select n.household_id, this_step, n.id::text, doing, 'bank_line', 'UPDATE', null, n.account_id,
           jsonb_build_object('id', n.id, 'taken_back_at', o.taken_back_at),
           jsonb_build_object('id', n.id, 'taken_back_at', n.taken_back_at)
      from changed_to n join changed_from o using (household_id, id);
  return null;
end $$;
create trigger bank_line_taken_back_acts after update on bank_line
  referencing old table as changed_from new table as changed_to
  for each statement execute function note_lines_taken_back();

create function follow_acts(of_table text, ops text[], variadic keys text[]) returns void language plpgsql as $$
declare op text;
begin
  foreach op in array ops loop
    execute format('create trigger %I after %s on %I referencing %s for each statement execute function note_changes(%s)',
      of_table || '_' || lower(op) || '_acts', op, of_table,
      case op when 'INSERT' then 'new table as changed_to' when 'DELETE' then 'old table as changed_from'
              else 'old table as changed_from new table as changed_to' end,
      (select string_agg(quote_literal(k), ', ') from unnest(keys) k));
  end loop;
end $$;

select follow_acts('book', '{INSERT,UPDATE,DELETE}', 'id');
select follow_acts('account', '{INSERT,UPDATE,DELETE}', 'id');
select follow_acts('entry', '{INSERT,UPDATE,DELETE}', 'id');
select follow_acts('posting', '{INSERT,UPDATE,DELETE}', 'id');
select follow_acts('statement', '{INSERT,UPDATE,DELETE}', 'id');
select follow_acts('rule', '{INSERT,UPDATE,DELETE}', 'id');
select follow_acts('tax_rate', '{INSERT,UPDATE,DELETE}', 'id');
select follow_acts('tax_rate_step', '{INSERT,UPDATE,DELETE}', 'tax_rate_id', 'from_day');
select follow_acts('exchange_rate', '{INSERT,UPDATE,DELETE}', 'from_currency', 'to_currency', 'day');
select follow_acts('batch', '{UPDATE}', 'id');
-- A state begins with its line; only undoing makes one again.
select follow_acts('bank_line_state', '{UPDATE,DELETE}', 'bank_line_id');
create trigger bank_line_state_insert_acts after insert on bank_line_state
  referencing new table as changed_to for each statement
  when (current_setting('yew.undoing', true) = 'on') execute function note_changes('bank_line_id');

-- The key columns of a table compared: those of t with those kept in c.
create function key_match(of_table text, keys text[]) returns text language sql stable as $$
  select string_agg(format('t.%I = (coalesce(c.after, c.before) ->> %L)::%s', attname, attname, format_type(atttypid, atttypmod)), ' and ')
    from pg_attribute where attrelid = of_table::regclass and attname = any (keys) $$;

create function keys_of(of_table text) returns text[] language sql stable as $$
  select array_agg(a.attname::text) from pg_index i join pg_attribute a on a.attrelid = i.indrelid and a.attnum = any (i.indkey)
   where i.indrelid = of_table::regclass and i.indisprimary and a.attname <> 'household_id' $$;

-- The first row of an act that is no longer as the act left it.
create function row_in_the_way(wanted uuid, of_table text) returns text language plpgsql stable
  set search_path = pg_catalog, public, pg_temp set timezone = 'UTC' as $$
declare found_key text;
begin
  execute format($q$
    select c.row_key
      from (select distinct on (row_key) row_key, before, after from act_change
             where household_id = $1 and act_id = $2 and table_name = %L and op <> 'ARRIVE'
             order by row_key, step desc) c
      left join %I t on t.household_id = $1 and %s
     where (c.after is null) <> (t.household_id is null)
        or (c.after is not null and not to_jsonb(t) @> (c.after - 'version'))
     limit 1 $q$, of_table, of_table, key_match(of_table, keys_of(of_table)))
  into found_key using current_household(), wanted;
  return found_key;
end $$;

create function require_untouched(wanted uuid) returns void language plpgsql stable
  set search_path = pg_catalog, public, pg_temp as $$
declare of_table text; key text; later uuid;
begin
  if exists (select 1 from act_change where household_id = current_household() and act_id = wanted and op = 'TOLD')
     or not exists (select 1 from act_change where household_id = current_household() and act_id = wanted) then
    raise exception 'nothing of this act can be undone' using errcode = 'YU000';
  end if;
  for of_table in select distinct table_name from act_change
                   where household_id = current_household() and act_id = wanted order by 1 loop
    key := row_in_the_way(wanted, of_table);
    if key is not null then
      select act_id into later from act_change
       where household_id = current_household() and table_name = of_table and row_key = key and act_id <> wanted
       order by step desc limit 1;
      raise exception 'changed since' using errcode = 'YU001', detail = coalesce(later::text, '');
    end if;
  end loop;
  -- Lines that arrived go only while none of them is in the journal.
  select x.act_id into later
    from act_change c
    join bank_line l on l.household_id = c.household_id and l.batch_id = c.row_key::uuid
    join bank_line_state s on s.household_id = l.household_id and s.bank_line_id = l.id and s.state = 'POSTED'
    join act_change x on x.household_id = l.household_id and x.table_name = 'bank_line_state' and x.row_key = l.id::text
   where c.household_id = current_household() and c.act_id = wanted and c.op = 'ARRIVE'
   order by x.step desc limit 1;
  if later is not null then
    raise exception 'lines were posted since' using errcode = 'YU001', detail = later::text;
  end if;
end $$;

create function undo_arrival(of_batch uuid) returns void language plpgsql as $$
begin
  delete from bank_line_state s using bank_line l
   where l.household_id = current_household() and l.batch_id = of_batch and l.taken_back_at is null
     and s.household_id = l.household_id and s.bank_line_id = l.id;
  update bank_line set taken_back_at = (current_act()).at
   where household_id = current_household() and batch_id = of_batch and taken_back_at is null;
  update batch set taken_back_at = (current_act()).at, taken_back_by = (current_act()).person_id
   where household_id = current_household() and id = of_batch;
end $$;

create function undo_step(wanted uuid, this_step bigint, of_table text, this_op text) returns void language plpgsql as $$
declare whose text := format('c.household_id = %L and c.act_id = %L and c.step = %s', current_household(), wanted, this_step);
        sets text; has_version boolean;
begin
  if this_op = 'INSERT' then
    execute format('delete from %I t using act_change c where %s and t.household_id = c.household_id and %s',
      of_table, whose, key_match(of_table, keys_of(of_table)));
  elsif this_op = 'DELETE' then
    execute format('insert into %I select r.* from act_change c, lateral jsonb_populate_record(null::%I, c.before) r where %s',
      of_table, of_table, whose);
  elsif this_op = 'UPDATE' then
    select string_agg(format('%I = %s', k, case k when 'version' then 't.version + 1' else format('r.%I', k) end), ', ')
      into sets
      from (select jsonb_object_keys(before) as k from act_change
             where household_id = current_household() and act_id = wanted and step = this_step
             group by 1) cols
     where k <> 'household_id' and k <> all (keys_of(of_table));
    execute format('update %I t set %s from act_change c, lateral jsonb_populate_record(null::%I, c.before) r where %s and t.household_id = c.household_id and %s',
      of_table, sets, of_table, whose, key_match(of_table, keys_of(of_table)));
  end if;
end $$;

-- Takes back all that an act changed, in the reverse order, within the act under way. Refuses with YU001, and the
-- act that stands in the way as the detail, where a row is no longer as the act left it; with YU000 where there is
-- nothing to undo.
create function undo_act(wanted uuid) returns void language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp set timezone = 'UTC' as $$
declare doing act := current_act(); s record;
begin
  if doing.id is null or doing.undoes is distinct from wanted then
    raise exception 'an act is undone by the act that says so' using errcode = 'restrict_violation';
  end if;
  perform require_untouched(wanted);
  perform set_config('yew.undoing', 'on', true);
  for s in select distinct step, table_name, op, case op when 'ARRIVE' then row_key end as batch from act_change
            where household_id = current_household() and act_id = wanted order by step desc loop
    if s.op = 'ARRIVE' then
      perform undo_arrival(s.batch::uuid);
    else
      perform undo_step(wanted, s.step, s.table_name, s.op);
    end if;
  end loop;
  perform set_config('yew.undoing', '', true);
end $$;
revoke all on function undo_step(uuid, bigint, text, text), undo_arrival(uuid), undo_act(uuid) from public;

-- What was written down before there were acts.
insert into act (household_id, id, at, person_id, doer, from_where, kind, words)
select household_id, id, at, person_id, 'PERSON', '', 'EARLIER',
       case when subject = 'account' and act = 'add' then 'Added ' || coalesce(after #>> '{account,name}', 'an account')
            when subject = 'account' and act = 'change'
                 then case when before #>> '{account,name}' <> after #>> '{account,name}'
                           then format('Renamed %s to %s', before #>> '{account,name}', after #>> '{account,name}')
                           else format('Changed the facts of %s', after #>> '{account,name}') end
            when subject = 'account' and act = 'move' then 'Moved to ' || coalesce(nullif(after ->> 'group', ''), 'the top')
            when subject = 'account' and act = 'take in' then format('Took in %s with %s postings', before #>> '{account,name}', after ->> 'postings')
            when act in ('set opening balance', 'correct opening balance')
                 then format('Opening balance set to %s, opening on %s', coalesce(after ->> 'balance', 'not known'), after ->> 'opensOn')
            when subject = 'bank line' and act = 'post' then 'Posted as no. ' || (after ->> 'entryNo')
            when subject = 'bank line' and act = 'pair' then 'Paired with no. ' || (after ->> 'entryNo')
            when subject = 'bank line' and act = 'take back' then 'Took back no. ' || (before ->> 'entryNo')
            else upper(left(act, 1)) || substr(act, 2) || ': ' || subject end
  from audit;
insert into act_change (household_id, step, row_key, act_id, table_name, op, entry_id, account_id, before, after)
select household_id, nextval('act_step'), subject_id::text, id, replace(subject, ' ', '_'), 'TOLD',
       case when subject = 'entry' then subject_id else coalesce(after ->> 'entryId', before ->> 'entryId')::uuid end,
       case when subject = 'account' then subject_id end, before, after
  from (select household_id, id, subject, subject_id,
               case jsonb_typeof(before) when 'object' then before end as before,
               case jsonb_typeof(after) when 'object' then after end as after from audit order by at, id) a;
drop table audit;
