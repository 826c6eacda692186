-- How much cloth stretches, percent of its length: across the roll and along it. Null where nobody knows it.
alter table material add column stretch_across double precision check (stretch_across >= 0);
alter table material add column stretch_along double precision check (stretch_along >= 0);
