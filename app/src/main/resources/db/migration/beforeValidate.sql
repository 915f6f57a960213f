-- V28 could not carry rules over: it took a column that it had just added for what a rule says already. Mended, it has
-- another checksum; where it has run before, there was no rule to carry over, and what it has done is the same.
do $$ begin
  if to_regclass('public.flyway_schema_history') is not null then
    update public.flyway_schema_history set checksum = -1207429015 where version = '28' and checksum = 1359388768;
  end if;
end $$;
