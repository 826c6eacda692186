-- A form sent twice is one action; an undoing chosen from History is an action like any other; one timer a maker.

-- What the form was known by, and what it was answered.
alter table action add column form_key text unique;
alter table action add column answer jsonb;
-- Chosen from History: the next undo takes it back, and not what was done before it.
alter table action add column chosen boolean not null default false;

create unique index work_log_running on work_log (coalesce(maker_id, 0)) where ended_at is null;

-- Rows written before a column was added have no value for it: they get its default, not null.
create function fill_row(name text, row_before jsonb) returns void language plpgsql as $$
declare
	columns text;
begin
	select string_agg(quote_ident(c.column_name), ', ') into columns
	from information_schema.columns c
	where c.table_schema = 'public' and c.table_name = fill_row.name and row_before ? c.column_name;
	execute format(
		'insert into %1$I (%2$s) select %2$s from jsonb_populate_record(null::%1$I, $1)', name, columns
	) using row_before;
end $$;

create or replace function revert_change(what bigint) returns void language plpgsql as $$
declare
	c change;
	columns text;
begin
	select * into strict c from change where id = what;
	if c.before is null then
		execute format('delete from %I where id = $1', c.table_name) using c.row_id;
	elsif c.after is null then
		perform fill_row(c.table_name, c.before);
	else
		select string_agg(quote_ident(key), ', ') into columns
		from jsonb_object_keys(c.before) as key where key not in ('id', 'version');
		execute format(
			'update %1$I set (%2$s) = (select %2$s from jsonb_populate_record(null::%1$I, $1)) where id = $2',
			c.table_name, columns
		) using c.before, c.row_id;
	end if;
end $$;

create or replace function fill_table(name text, rows jsonb) returns void language plpgsql as $$
declare
	columns text;
begin
	-- All rows of a table have the same columns: those that it had when they were written.
	select string_agg(quote_ident(c.column_name), ', ') into columns
	from information_schema.columns c
	where c.table_schema = 'public' and c.table_name = fill_table.name and rows -> 0 ? c.column_name;
	if columns is null then
		return;
	end if;
	execute format(
		'insert into %1$I (%2$s) select %2$s from jsonb_populate_recordset(null::%1$I, $1)', name, columns
	) using rows;
	if pg_get_serial_sequence(name, 'id') is not null then
		execute format(
			'select setval(pg_get_serial_sequence(%1$L, ''id''), greatest(1, (select coalesce(max(id), 0) from %1$I)))', name
		);
	end if;
end $$;
