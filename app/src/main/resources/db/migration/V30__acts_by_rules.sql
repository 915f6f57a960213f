-- What trusted rules have done of late, however many acts there are.
create index act_by_rule on act (household_id, at) where doer = 'RULE';
