-- Needs that follow from the work: a material may be a supply, and what uses it up asks for it.
alter table handbook_row drop constraint handbook_row_table_name_check;
alter table handbook_row add constraint handbook_row_table_name_check
	check (table_name in ('technique', 'route', 'coatProduct', 'glue', 'supply', 'knownFault', 'caution'));

-- A row of the handbook's supplies.
alter table material add column supply text;

-- As much as the work uses up; or the quantity for sure; null where nobody has said which.
alter table need add column by_work boolean;

-- How often what is worked out is bought, by family.
alter table setting add column margins jsonb not null default '{}' check (jsonb_typeof(margins) = 'object');
