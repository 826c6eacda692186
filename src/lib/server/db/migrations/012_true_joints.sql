-- What passes between the engines holds, and a guess says that it is one.

-- What of the pieces a step takes, where that is not what its technique follows.
alter table step add column takes text check (takes <> '');
-- The amount is a starting value that nobody has looked at. What it was first is kept, to learn how far such values are off.
alter table step add column guessed boolean not null default false;
alter table step add column guess double precision;
alter table coat add column guessed boolean not null default false;
alter table coat add column guess double precision;
alter table need add column guessed boolean not null default false;

-- What a coat is put on with: its colour.
alter table coat add column material_id integer references material(id) on delete set null deferrable initially deferred;
-- mm² that a pack covers with one coat, as its label says; null goes by its content.
alter table material add column covers_mm2 double precision check (covers_mm2 > 0);

-- How long a thing takes to come may not be known.
alter table material alter column lead_days drop not null;
alter table material alter column lead_days drop default;
alter table purchase alter column lead_days drop not null;
alter table purchase alter column lead_days drop default;

-- Routes whose steps were added to those of its own: what they take is suggested too.
alter table component add column further_routes text[] not null default '{}';

-- What pieces of each role are cut from, where that is not what the shape is cut from: by the role's name.
alter table shape add column roles jsonb not null default '{}';

-- Whose hours come first among costumes of the same day; null: by the hour of the event.
alter table costume add column hours_turn integer check (hours_turn > 0);

-- What each component takes by a layout that leaves nothing out, and the area of its pieces then.
alter table layout add column parts jsonb not null default '[]';

-- Steps of the routes that took all seams of the pieces, whichever they were about.
create function bring_up_to_12() returns void language sql as $$
	update step set takes = case name
			when 'hem' then 'edge' when 'edge shapes' then 'shaped' when 'hoop channel' then 'seam channel'
			when 'sew on, bottom up, alternating' then 'seam line' else 'nothing' end
		where takes is null and (technique, name) in (
			('sewMachine', 'hem'), ('sewMachine', 'hoop channel'), ('sewMachine', 'sew on, bottom up, alternating'),
			('draft', 'plan layers'), ('sewMachine', 'base'), ('sewMachine', 'line'), ('sewMachine', 'add panels'), ('sewMachine', 'cloth mock-up'),
			('sewHand', 'tack'), ('sewHand', 'trim'), ('cutCloth', 'edge shapes'), ('cutFoam', 'detail layer'));
$$;
select bring_up_to_12();
