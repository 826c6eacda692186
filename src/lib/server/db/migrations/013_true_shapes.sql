-- How much cloth stretches, percent of its length: across the roll and along it. Null where nobody knows it.
alter table material add column stretch_across double precision check (stretch_across >= 0);
alter table material add column stretch_along double precision check (stretch_along >= 0);

-- An edge that is straight in truth, marked on a picture, tells how its lens bends.
alter table picture_measure drop constraint picture_measure_kind_check;
alter table picture_measure add constraint picture_measure_kind_check check (kind in ('length', 'circle', 'angle', 'area', 'heads', 'straight'));
-- How a picture came to be: drawn or scanned, a photo held level with care, or just by hand.
alter table reference_picture add column taken text not null default 'hand' check (taken in ('flat', 'level', 'hand'));
