-- Pieces that are worked on after shaping, or drawn; steps and needs that follow them.

alter table material add column thickness_mm double precision check (thickness_mm > 0);
-- Of a sheet, or of the roll that it is sold from; a roll has no length.
alter table material add column width_mm double precision check (width_mm > 0);
alter table material add column length_mm double precision check (length_mm > 0);
alter table material add column grams_per_m2 double precision check (grams_per_m2 > 0);

alter table shape add column material_id integer references material (id) deferrable initially immediate;
-- What is done to the pieces after shaping, in order.
alter table shape add column works jsonb not null default '[]' check (jsonb_typeof(works) = 'array');
-- Pieces drawn by hand; null while the shaper makes them.
alter table shape add column drawn jsonb check (jsonb_typeof(drawn) = 'array');

-- The amount is that of the component's pieces.
alter table step add column from_pieces boolean not null default false;
alter table coat add column from_pieces boolean not null default false;
-- The quantity is the area of the component's pieces of this material, so many times; null when it is entered.
alter table need add column waste double precision check (waste between 1 and 5);

-- Rows kept from before a column was there take its default.
create function columns_of(name text, kept jsonb) returns text language sql stable as $$
	select string_agg(quote_ident(column_name), ', ' order by ordinal_position)
	from information_schema.columns
	where table_schema = 'public' and table_name = columns_of.name and kept ? column_name
$$;

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
		select string_agg(quote_ident(key), ', ') into columns
		from jsonb_object_keys(c.before) as key where key not in ('id', 'version');
		execute format(
			'update %1$I set (%2$s) = (select %2$s from jsonb_populate_record(null::%1$I, $1)) where id = $2',
			c.table_name, columns
		) using c.before, c.row_id;
	end if;
end $$;

create or replace function fill_table(name text, rows jsonb) returns void language plpgsql as $$
begin
	if jsonb_array_length(rows) > 0 then
		execute format(
			'insert into %1$I (%2$s) select %2$s from jsonb_populate_recordset(null::%1$I, $1)',
			name, columns_of(name, rows -> 0)
		) using rows;
	end if;
	if pg_get_serial_sequence(name, 'id') is not null then
		execute format(
			'select setval(pg_get_serial_sequence(%1$L, ''id''), greatest(1, (select coalesce(max(id), 0) from %1$I)))', name
		);
	end if;
end $$;
