-- A kept report may stand on the Almanac, for everybody in the household.
alter table kept_report add column on_almanac boolean not null default false;
