-- Hours of odd or of even weeks only, by their number in the calendar; null for every week.
alter table working_window add column weeks text check (weeks in ('odd', 'even'));

-- The action that brought a costume along as a demo, beside one's own; null for one's own.
alter table costume add column demo_action integer;
