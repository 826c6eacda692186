-- What hangs on a costume links to nothing of another one: its file could not be read again. Asked of every link that the
-- description of the tables names, as its trigger says: column and table, one after the other.
create function hold_to_costume() returns trigger language plpgsql as $$
declare
	-- As it stands when it is asked: what was put right since counts.
	its jsonb := current_row(tg_table_name, new.id);
	mine integer := costume_of(0, its);
	theirs integer;
	key integer;
begin
	if mine is null then return null; end if;
	for i in 0 .. tg_nargs / 2 - 1 loop
		key := (its ->> tg_argv[2 * i])::integer;
		continue when key is null;
		theirs := costume_of(0, current_row(tg_argv[2 * i + 1], key));
		-- What is not there is for the link itself to refuse.
		if theirs <> mine then
			raise exception '% of costume % cannot link to % % of costume %', tg_table_name, mine, tg_argv[2 * i + 1], key, theirs
				using errcode = '23503', detail = format('Key (%s)=(%s) is of another costume.', tg_argv[2 * i], key);
		end if;
	end loop;
	return null;
end $$;

-- Links that older versions let through, in these tables or in an older backup.
create function bring_up_to_14() returns void language plpgsql as $$
declare
	link record;
begin
	for link in
		select * from (values
			('component', 'parent_id', 'component'), ('fault', 'came_back_of', 'fault'), ('step', 'coat_id', 'coat'),
			('step', 'fault_id', 'fault'), ('need', 'step_id', 'step'), ('purchase', 'component_id', 'component'),
			('callout', 'component_id', 'component'), ('picture_measure', 'component_id', 'component'),
			('fitting_point', 'step_id', 'step'), ('photo', 'component_id', 'component'), ('photo', 'step_id', 'step'),
			('photo', 'fault_id', 'fault'), ('photo', 'fitting_id', 'fitting')
		) as l (of_table, by_column, to_table)
	loop
		-- The costume of a callout or a measure is its picture's.
		execute format(
			'update %1$I t set %2$I = null where %2$I is not null
				and costume_of(0, current_row(%3$L, %2$I)) <> costume_of(0, to_jsonb(t) - %2$L)',
			link.of_table, link.by_column, link.to_table
		);
	end loop;
	delete from step_after a
	where costume_of(0, current_row('step', a.after_id)) <> costume_of(0, current_row('step', a.step_id));
	delete from fitting_component c
	where costume_of(0, current_row('fitting', c.fitting_id)) <> costume_of(0, current_row('component', c.component_id));
	delete from fitting_point p
	where costume_of(0, current_row('fitting', p.fitting_id)) <> costume_of(0, current_row('component', p.component_id));
end $$;
select bring_up_to_14();

-- Another one after every restore: what a window showed before is of another past, whatever its versions say.
create table life (
	one boolean primary key default true check (one),
	id text not null
);
insert into life (id) values (gen_random_uuid()::text);
