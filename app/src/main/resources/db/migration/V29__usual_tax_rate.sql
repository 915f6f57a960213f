-- The rate of categories that have none of their own.
alter table book
  add column usual_tax_rate_id uuid,
  add foreign key (household_id, usual_tax_rate_id) references tax_rate;
