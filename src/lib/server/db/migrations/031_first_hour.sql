-- Hours of odd or of even weeks only, by their number in the calendar; null for every week.
alter table working_window add column weeks text check (weeks in ('odd', 'even'));

-- The action that brought a costume along as a demo, beside one's own; null for one's own.
alter table costume add column demo_action integer;

-- What makers call things, and how materials are sold as a rule, may be the maker's own.
alter table handbook_row drop constraint handbook_row_table_name_check;
alter table handbook_row add constraint handbook_row_table_name_check
	check (table_name in ('technique', 'route', 'coatProduct', 'coatRule', 'recipe', 'bond', 'glue', 'glueRule', 'supply', 'fastener', 'knownFault', 'caution', 'thing', 'starter'));
