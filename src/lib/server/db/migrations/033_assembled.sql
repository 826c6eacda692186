-- What stands on the wearer: the surface that pieces were unfolded from, and where a shape was moved to.
alter table shape
	add column kept jsonb check (jsonb_typeof(kept) = 'object'),
	add column placed jsonb check (jsonb_typeof(placed) = 'object');
