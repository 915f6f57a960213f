-- Cash is reconciled by a count, kept with its statement: the pieces of each denomination, in minor units. What nothing
-- explains is booked to accounts that the core keeps, one of each kind in a book.
alter table statement add column counted jsonb;

drop index account_kept_by_core;
create unique index account_kept_by_core on account (household_id, book_id, kind)
  where kind in ('OPENING_EQUITY', 'DRAWINGS', 'EXCHANGE', 'SUSPENSE', 'OVER_SHORT', 'DIFFERENCE') and not is_group;
