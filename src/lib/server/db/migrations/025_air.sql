-- What speaks for and against a glue is rows of the handbook.
alter table handbook_row drop constraint handbook_row_table_name_check;
alter table handbook_row add constraint handbook_row_table_name_check
	check (table_name in ('technique', 'route', 'coatProduct', 'coatRule', 'recipe', 'bond', 'glue', 'glueRule', 'supply', 'knownFault', 'caution'));

-- How warm and damp it was where things dry, by the day: what went on then dries by it.
alter table setting add column air jsonb not null default '[]' check (jsonb_typeof(air) = 'array');
update setting set air = jsonb_build_array(jsonb_build_object(
	'on', air_on - date '1970-01-01', 'celsius', celsius, 'humidity', humidity, 'coldOrDamp', cold_or_damp
)) where air_on is not null;
alter table setting drop column celsius, drop column humidity, drop column air_on;

-- As before, of columns that are still there.
create or replace function revert_change(what bigint) returns void language plpgsql as $$
declare
	c change;
	columns text;
begin
	select * into strict c from change where id = what;
	if c.before is null then
		execute format('delete from %I where id = $1', c.table_name) using c.row_id;
	elsif c.after is null then
		execute format(
			'insert into %1$I (%2$s) select %2$s from jsonb_populate_record(null::%1$I, $1)',
			c.table_name, columns_of(c.table_name, c.before)
		) using c.before;
	else
		columns := columns_of(c.table_name, c.before - 'id' - 'version');
		if columns is not null then
			execute format(
				'update %1$I set (%2$s) = (select %2$s from jsonb_populate_record(null::%1$I, $1)) where id = $2',
				c.table_name, columns
			) using c.before, c.row_id;
		end if;
	end if;
end $$;
