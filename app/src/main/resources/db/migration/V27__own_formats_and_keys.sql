-- How a person writes figures and days, and which keys they use, whatever household they are in.
alter table person
  add decimal_mark text not null default 'POINT' check (decimal_mark in ('POINT', 'COMMA')),
  add grouping text not null default 'COMMA' check (grouping in ('COMMA', 'POINT', 'SPACE', 'APOSTROPHE', 'NONE')),
  add day_order text not null default 'DAY_MONTH' check (day_order in ('DAY_MONTH', 'MONTH_DAY')),
  add week_begins text not null default 'MONDAY',
  add letter_keys boolean not null default true,
  add own_keys jsonb not null default '[]' check (jsonb_typeof(own_keys) = 'array'),
  add constraint marks_differ check (decimal_mark <> grouping);
