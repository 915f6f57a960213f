-- What a statement says it brings in and takes out, where that is known.
alter table statement
  add column in_minor  bigint check (in_minor >= 0),
  add column out_minor bigint check (out_minor >= 0);

-- The bank lines that a statement has by itself, in its order. Lines are never changed, so which ones is enough.
create table statement_lines (
  household_id uuid not null,
  statement_id uuid not null,
  line_ids     uuid[] not null,
  primary key (household_id, statement_id),
  foreign key (household_id, statement_id) references statement
);

-- What was agreed when a statement was finished, as it was then, whatever becomes of the books.
-- postings and still_open: JSON arrays of {postingId, entryNo, date, payee, amountMinor}; form: the version of it.
create table agreement (
  household_id  uuid not null,
  statement_id  uuid not null,
  opening_minor bigint not null,
  in_minor      bigint not null check (in_minor >= 0),
  out_minor     bigint not null check (out_minor >= 0),
  closing_minor bigint not null,
  form          int not null,
  postings      jsonb not null check (jsonb_typeof(postings) = 'array'),
  still_open    jsonb not null check (jsonb_typeof(still_open) = 'array'),
  primary key (household_id, statement_id),
  foreign key (household_id, statement_id) references statement,
  check (opening_minor + in_minor - out_minor = closing_minor)
);

do $$ declare t text; begin
  foreach t in array array['statement_lines', 'agreement'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_household on %I using (household_id = current_household())', t);
  end loop;
end $$;

insert into agreement
  select s.household_id, s.id, s.closing_minor - coalesce(t.total, 0), coalesce(t.ins, 0), coalesce(t.outs, 0), s.closing_minor, 1,
         coalesce(t.postings, '[]'), '[]'
    from statement s
    left join lateral (
      select sum(p.amount_minor)::bigint as total, sum(greatest(p.amount_minor, 0))::bigint as ins,
             sum(greatest(-p.amount_minor, 0))::bigint as outs,
             jsonb_agg(jsonb_build_object('postingId', p.id, 'entryNo', e.no, 'date', p.date, 'payee', y.name,
                                          'amountMinor', p.amount_minor) order by p.date, e.no, p.place) as postings
        from posting p
        join entry e on e.household_id = p.household_id and e.id = p.entry_id
        join payee y on y.household_id = e.household_id and y.id = e.payee_id
       where p.household_id = s.household_id and p.statement_id = s.id) t on true
   where s.finished_at is not null;

-- A statement is finished together with what was agreed; neither changes afterwards, but by undoing both.
create function keep_agreement() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' and on_behalf() then return old; end if;
  raise exception 'what was agreed stays as it was' using errcode = 'restrict_violation', constraint = 'agreement_stays';
end $$;
create trigger agreement_stays before update or delete on agreement for each row execute function keep_agreement();

create function require_agreement() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  if exists (select 1 from statement s where s.household_id = new.household_id and s.id = new.id
              and (s.finished_at is not null) <> exists (select 1 from agreement a
                where a.household_id = s.household_id and a.statement_id = s.id)) then
    raise exception 'a statement is finished with what was agreed' using errcode = 'restrict_violation', constraint = 'statement_agrees';
  end if;
  return null;
end $$;
create constraint trigger statement_with_agreement after insert or update on statement
  deferrable initially deferred for each row execute function require_agreement();

create function require_finished() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  if exists (select 1 from agreement a where a.household_id = new.household_id and a.statement_id = new.statement_id)
     and not exists (select 1 from statement s where s.household_id = new.household_id and s.id = new.statement_id
                      and s.finished_at is not null) then
    raise exception 'what is agreed is finished' using errcode = 'restrict_violation', constraint = 'statement_agrees';
  end if;
  return null;
end $$;
create constraint trigger agreement_of_finished after insert on agreement
  deferrable initially deferred for each row execute function require_finished();

create function keep_statement_lines() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' and (on_behalf() or exists (select 1 from statement s
       where s.household_id = old.household_id and s.id = old.statement_id and s.finished_at is null)) then
    return old;
  end if;
  raise exception 'a statement keeps its lines' using errcode = 'restrict_violation', constraint = 'statement_keeps_lines';
end $$;
create trigger statement_keeps_lines before update or delete on statement_lines
  for each row execute function keep_statement_lines();

select follow_acts('statement_lines', '{INSERT,DELETE}', 'statement_id');
select follow_acts('agreement', '{INSERT,DELETE}', 'statement_id');
