-- What stands on the wearer: the surface that pieces were unfolded from, and where a shape was moved to.
alter table shape
	add column kept jsonb check (jsonb_typeof(kept) = 'object'),
	add column placed jsonb check (jsonb_typeof(placed) = 'object');
-- How wide by deep sections of a wearer are, by level and side; what is not said goes by the usual.
alter table wearer add column sections jsonb not null default '{}' check (jsonb_typeof(sections) = 'object');
