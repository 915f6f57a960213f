-- What a bank says of a line beside its party, text, reference and kind, by name; see core.gather.LineDetail.
alter table bank_line add column details jsonb not null default '{}'
  check (jsonb_typeof(details) = 'object' and pg_column_size(details) < 40000);

-- The household's day begins where the household lives: "today" is of this zone (IANA time zone database).
alter table household add column time_zone text not null default 'Etc/UTC'
  check (time_zone ~ '^[A-Za-z0-9_+/-]{1,60}$');

-- A batch comes from a file or from an institution: its name is that of the source, not always of a file.
alter table batch rename column file_name to source_name;
alter table act_change disable trigger act_change_append_only;
update act_change
   set before = case when before ? 'file_name' then before - 'file_name' || jsonb_build_object('source_name', before->'file_name') else before end,
       after = case when after ? 'file_name' then after - 'file_name' || jsonb_build_object('source_name', after->'file_name') else after end
 where table_name = 'batch';
alter table act_change enable trigger act_change_append_only;
