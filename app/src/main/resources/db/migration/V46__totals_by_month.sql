-- Reports read a span of months of all accounts; of ten years they need one.
create index account_month_by_month on account_month (household_id, month);
