-- The colour of a material, as it is told: so that another one can stand in, or be painted over.
alter table material add column colour text not null default '';
