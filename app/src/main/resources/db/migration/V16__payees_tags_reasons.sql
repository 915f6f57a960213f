-- Who an entry is with is a record of the household, known by the texts that banks write for it.
create table payee (
  household_id uuid not null references household,
  id           uuid not null,
  name         text not null check (name = btrim(name) and name <> ''),
  version      int not null default 0,
  primary key (household_id, id)
);
create unique index payee_name on payee (household_id, lower(name));
create index payee_text on payee using gin (household_id, lower(name) gin_trgm_ops);
-- text_key: letters and digits of the text, as core.gather.LineKey makes them even; one text means one payee.
create table payee_alias (
  household_id uuid not null,
  text_key     text not null check (text_key <> ''),
  payee_id     uuid not null,
  text         text not null,
  primary key (household_id, text_key),
  foreign key (household_id, payee_id) references payee
);
create index payee_alias_of on payee_alias (household_id, payee_id);

create table tag (
  household_id uuid not null references household,
  id           uuid not null,
  name         text not null check (name = btrim(name) and name <> ''),
  version      int not null default 0,
  primary key (household_id, id)
);
create unique index tag_name on tag (household_id, lower(name));
create table entry_tag (
  household_id uuid not null,
  entry_id     uuid not null,
  tag_id       uuid not null,
  primary key (household_id, entry_id, tag_id),
  foreign key (household_id, entry_id) references entry,
  foreign key (household_id, tag_id) references tag
);
create index entry_tag_of on entry_tag (household_id, tag_id);

do $$ declare t text; begin
  foreach t in array array['payee', 'payee_alias', 'tag', 'entry_tag'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_household on %I using (household_id = current_household())', t);
  end loop;
end $$;

-- The names that entries have, and had: history may bring an entry back. Of several spellings the most used one stays.
create temp table old_payee as
  select household_id, coalesce(nullif(btrim(payee), ''), 'Unknown') as name, count(*) as n from entry group by 1, 2
  union all
  select household_id, coalesce(nullif(btrim(r ->> 'payee'), ''), 'Unknown'), 0
    from act_change c, lateral (values (c.before), (c.after)) v(r)
   where table_name = 'entry' and jsonb_typeof(r) = 'object' and r ? 'payee' group by 1, 2;
insert into payee (household_id, id, name)
  select distinct on (household_id, lower(name)) household_id, gen_random_uuid(), name
    from old_payee order by household_id, lower(name), n desc, name;

alter table entry
  add column payee_id  uuid,
  add column reference text not null default '',
  add column method    text check (method in ('CARD', 'CHEQUE', 'CASH', 'TRANSFER', 'DIRECT_DEBIT')),
  -- Why it was booked, and by which rule; rules come and go, so the rule need not be there any more.
  add column reason    text check (reason in ('KNOWN_ENTRY', 'OWN_TRANSFER', 'RULE', 'DUE', 'LAST_TIME', 'OPEN_QUESTION')),
  add column rule_id   uuid,
  -- The entry that this one takes back, and how.
  add column counters_id uuid,
  add column counters    text check (counters in ('VOID', 'REVERSAL')),
  add check ((counters_id is null) = (counters is null)),
  add foreign key (household_id, counters_id) references entry;
create unique index entry_countered_once on entry (household_id, counters_id) where counters_id is not null;
alter table entry disable trigger user;
update entry e set payee_id = p.id from payee p
 where p.household_id = e.household_id and lower(p.name) = lower(coalesce(nullif(btrim(e.payee), ''), 'Unknown'));
alter table entry enable trigger user;
alter table entry
  alter column payee_id set not null,
  add foreign key (household_id, payee_id) references payee;
create index entry_of_payee on entry (household_id, payee_id, date desc, no desc);
create index entry_of_rule on entry (household_id, rule_id, date desc) where rule_id is not null;
drop index entry_text;
alter table entry drop column payee;
create index entry_note on entry using gin (household_id, lower(note) gin_trgm_ops) where note <> '';
create index entry_reference on entry (household_id, lower(reference)) where reference <> '';

alter table act_change disable trigger act_change_append_only;
update act_change c
   set before = case when before ? 'payee' then before - 'payee' || jsonb_build_object('payee_id', (select p.id from payee p
                  where p.household_id = c.household_id and lower(p.name) = lower(coalesce(nullif(btrim(before ->> 'payee'), ''), 'Unknown')))) else before end,
       after = case when after ? 'payee' then after - 'payee' || jsonb_build_object('payee_id', (select p.id from payee p
                  where p.household_id = c.household_id and lower(p.name) = lower(coalesce(nullif(btrim(after ->> 'payee'), ''), 'Unknown')))) else after end
 where table_name = 'entry' and (jsonb_typeof(before) = 'object' or jsonb_typeof(after) = 'object');
alter table act_change enable trigger act_change_append_only;

-- What a posting is for sales tax: the net amount, or the tax itself, and at which rate.
alter table posting
  add column tax_rate_id uuid,
  add column tax_role    text check (tax_role in ('NET', 'TAX')),
  add check ((tax_rate_id is null) = (tax_role is null)),
  add foreign key (household_id, tax_rate_id) references tax_rate;
create index posting_of_rate on posting (household_id, tax_rate_id) where tax_rate_id is not null;

-- A line that is no business of the books is left out, with the reason; it can be taken back.
alter table bank_line_state
  drop constraint bank_line_state_state_check,
  add constraint bank_line_state_state_check
    check (state in ('WAITING', 'POSTED', 'DOUBTFUL', 'COPY', 'PENDING', 'REPLACED', 'LEFT_OUT')),
  add column left_out_because text check (left_out_because <> ''),
  add check ((state = 'LEFT_OUT') = (left_out_because is not null));
create index bank_line_left_out on bank_line_state (household_id, booked_on) where state = 'LEFT_OUT';

-- A payee or a tag begins with the first entry that needs it and stays when that entry is undone: others may need it
-- by then. What a person changes of them, or of what they are known by, is an act.
select follow_acts('payee', '{UPDATE,DELETE}', 'id');
select follow_acts('payee_alias', '{INSERT,UPDATE,DELETE}', 'text_key');
select follow_acts('tag', '{UPDATE,DELETE}', 'id');
select follow_acts('entry_tag', '{INSERT,DELETE}', 'entry_id', 'tag_id');

-- Rows that were deleted before a column was there come back with its default.
create or replace function undo_step(wanted uuid, this_step bigint, of_table text, this_op text) returns void language plpgsql as $$
declare whose text := format('c.household_id = %L and c.act_id = %L and c.step = %s', current_household(), wanted, this_step);
        sets text; cols text; vals text;
begin
  if this_op = 'INSERT' then
    execute format('delete from %I t using act_change c where %s and t.household_id = c.household_id and %s',
      of_table, whose, key_match(of_table, keys_of(of_table)));
    return;
  end if;
  select string_agg(format('%I', k), ', '), string_agg(format('r.%I', k), ', '),
         string_agg(format('%I = %s', k, case k when 'version' then 't.version + 1' else format('r.%I', k) end), ', ')
           filter (where k <> 'household_id' and k <> all (keys_of(of_table)))
    into cols, vals, sets
    from (select jsonb_object_keys(before) as k from act_change
           where household_id = current_household() and act_id = wanted and step = this_step group by 1) said
    join pg_attribute a on a.attrelid = of_table::regclass and a.attname = k and a.attnum > 0 and not a.attisdropped
                       and a.attgenerated = '';
  if this_op = 'DELETE' then
    execute format('insert into %I (%s) select %s from act_change c, lateral jsonb_populate_record(null::%I, c.before) r where %s',
      of_table, cols, vals, of_table, whose);
  elsif this_op = 'UPDATE' then
    execute format('update %I t set %s from act_change c, lateral jsonb_populate_record(null::%I, c.before) r where %s and t.household_id = c.household_id and %s',
      of_table, sets, of_table, whose, key_match(of_table, keys_of(of_table)));
  end if;
end $$;

-- Finding in the journal: by any part of the payee's name or of what banks call it, of notes, references, tags, accounts.
create or replace function entries_like(pattern text) returns setof uuid language sql stable security definer
  set search_path = pg_catalog, public, pg_temp as $$
    select e.id from payee p join entry e on e.household_id = p.household_id and e.payee_id = p.id
     where p.household_id = current_household() and lower(p.name) like pattern escape '!'
    union
    select e.id from payee_alias a join entry e on e.household_id = a.household_id and e.payee_id = a.payee_id
     where a.household_id = current_household() and lower(a.text) like pattern escape '!'
    union
    select id from entry where household_id = current_household() and note <> '' and lower(note) like pattern escape '!'
    union
    select id from entry where household_id = current_household() and reference <> '' and lower(reference) like pattern escape '!'
    union
    select t.entry_id from tag g join entry_tag t on t.household_id = g.household_id and t.tag_id = g.id
     where g.household_id = current_household() and lower(g.name) like pattern escape '!'
    union
    select entry_id from posting where household_id = current_household() and note <> '' and lower(note) like pattern escape '!'
    union
    select p.entry_id from account a join posting p on p.household_id = a.household_id and p.account_id = a.id
     where a.household_id = current_household() and lower(a.name) like pattern escape '!' $$;

drop index account_kept_by_core;
create unique index account_kept_by_core on account (household_id, book_id, kind)
  where kind in ('OPENING_EQUITY', 'DRAWINGS', 'EXCHANGE', 'SUSPENSE') and not is_group;
