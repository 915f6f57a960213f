-- A rule is a tree of conditions and a division of the amount, each read and written whole. It is for the lines of one
-- book, may be switched off, and may be trusted to post by itself up to an amount.
create function rule_as_tree(r jsonb) returns jsonb language sql as $$
  select case when jsonb_typeof(r) is distinct from 'object' or r ->> 'conditions' is not null then r else
    r - 'words' - 'direction' - 'on_account_id' - 'to_account_id' || jsonb_build_object(
      'book_id', (select a.book_id from account a where a.household_id = (r ->> 'household_id')::uuid
                   and a.id = coalesce(r ->> 'on_account_id', r ->> 'to_account_id')::uuid),
      'conditions', jsonb_build_object('kind', 'ALL', 'parts',
        jsonb_build_array(jsonb_build_object('kind', 'TEXT', 'place', 'ANY', 'match', 'HAS_WORDS', 'text', r ->> 'words'))
        || case when r ->> 'direction' = 'EITHER' then '[]'
                else jsonb_build_array(jsonb_build_object('kind', 'WAY', 'direction', r ->> 'direction')) end
        || case when r ->> 'on_account_id' is null then '[]'
                else jsonb_build_array(jsonb_build_object('kind', 'ON', 'accountIds', jsonb_build_array(r -> 'on_account_id'))) end),
      'shares', jsonb_build_array(jsonb_build_object('accountId', r -> 'to_account_id')),
      'tags', '[]'::jsonb, 'note', '', 'is_on', true, 'trusted_up_to', null) end $$;

alter table rule
  add column book_id       uuid,
  add column conditions    jsonb,
  add column shares        jsonb,
  add column tags          jsonb not null default '[]',
  add column note          text not null default '',
  add column is_on         boolean not null default true,
  add column trusted_up_to numeric(19, 4) check (trusted_up_to > 0);
alter table rule disable trigger user;
update rule r set book_id = (t ->> 'book_id')::uuid, conditions = t -> 'conditions', shares = t -> 'shares'
  from (select household_id, id, rule_as_tree(to_jsonb(o)) as t from rule o) n
 where n.household_id = r.household_id and n.id = r.id;
alter table rule enable trigger user;
alter table rule
  drop column words, drop column direction, drop column on_account_id, drop column to_account_id,
  alter column book_id set not null,
  alter column conditions set not null,
  alter column shares set not null,
  add foreign key (household_id, book_id) references book;

-- History may bring a rule back.
alter table act_change disable trigger act_change_append_only;
update act_change set before = rule_as_tree(before), after = rule_as_tree(after) where table_name = 'rule';
alter table act_change enable trigger act_change_append_only;
drop function rule_as_tree(jsonb);

-- Which accounts a rule names, so that none of them goes while it does. Kept by the database from what the rule says.
create table rule_account (
  household_id uuid not null,
  rule_id      uuid not null,
  account_id   uuid not null,
  primary key (household_id, rule_id, account_id),
  foreign key (household_id, rule_id) references rule on delete cascade,
  foreign key (household_id, account_id) references account
);
create index rule_account_of on rule_account (household_id, account_id);
alter table rule_account enable row level security;
create policy own_household on rule_account using (household_id = current_household());

create function rule_names_accounts() returns trigger language plpgsql security definer
  set search_path = pg_catalog, public, pg_temp as $$
begin
  delete from rule_account where household_id = new.household_id and rule_id = new.id;
  insert into rule_account
    select distinct new.household_id, new.id, (named #>> '{}')::uuid
      from (select jsonb_path_query(new.conditions, 'strict $.**.accountIds[*]') as named
            union all select jsonb_path_query(new.shares, '$[*].accountId')) n;
  return null;
end $$;
create trigger rule_accounts after insert or update of conditions, shares on rule
  for each row execute function rule_names_accounts();
insert into rule_account
  select distinct household_id, id, (named #>> '{}')::uuid
    from (select household_id, id, jsonb_path_query(conditions, 'strict $.**.accountIds[*]') as named from rule
          union all select household_id, id, jsonb_path_query(shares, '$[*].accountId') from rule) n;

-- What a rule has booked of late, by month.
drop index entry_of_rule;
create index entry_of_rule on entry (household_id, date, rule_id) where rule_id is not null;
create index entry_of_one_rule on entry (household_id, rule_id, date desc, no desc) where rule_id is not null;
-- The lines of the last months, whatever became of them.
create index bank_line_by_day on bank_line (household_id, booked_on) where taken_back_at is null;
