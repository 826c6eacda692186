-- What was sent back, and what came back of its price.
alter table purchase add column refund_minor bigint not null default 0 check (refund_minor >= 0);
do $$
declare
	name text;
begin
	select conname into name from pg_constraint
	where conrelid = 'purchase'::regclass and contype = 'c' and pg_get_constraintdef(oid) like '%planned%';
	execute format('alter table purchase drop constraint %I', name);
end $$;
alter table purchase add constraint purchase_state_check
	check (state in ('planned', 'ordered', 'arrived', 'used', 'returned'));
