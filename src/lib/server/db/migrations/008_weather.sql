-- Places in the open: by daylight, in dry weather; and days on which a place is closed.

alter table place add column daylight_only boolean not null default false;
alter table place add column dry_only boolean not null default false;

-- A day off of a maker, or a day on which a place is closed.
alter table day_off alter column maker_id drop not null;
alter table day_off add column place_id integer references place (id) on delete cascade deferrable initially immediate;
alter table day_off add check ((maker_id is null) <> (place_id is null));
alter table day_off add unique (place_id, day);

-- Where the workshop is under the sun: degrees north, and when the sun is highest by the clock without summer time.
alter table setting add column latitude double precision not null default 50 check (latitude between -65 and 65);
alter table setting add column noon_minute integer not null default 735 check (noon_minute between 600 and 900);
alter table setting add column summer_time text not null default 'none'
	check (summer_time in ('none', 'lastOfMarch', 'secondOfMarch', 'firstOfOctober'));
-- Days of thirty on which it is too wet to work in the open.
alter table setting add column wet_days integer not null default 10 check (wet_days between 0 and 28);
