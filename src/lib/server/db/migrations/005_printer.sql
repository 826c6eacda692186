-- What the printer takes: parts are held against its bed.
alter table setting add column bed_wide_mm double precision not null default 220 check (bed_wide_mm > 0);
alter table setting add column bed_deep_mm double precision not null default 220 check (bed_deep_mm > 0);
alter table setting add column bed_high_mm double precision not null default 250 check (bed_high_mm > 0);
