-- Hours of odd or of even weeks only, by their number in the calendar; null for every week.
alter table working_window add column weeks text check (weeks in ('odd', 'even'));
