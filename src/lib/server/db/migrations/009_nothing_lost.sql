-- A form sent twice is one action; an undoing chosen from History is an action like any other; one timer a maker.

-- What the form was known by, and what it was answered.
alter table action add column form_key text unique;
alter table action add column answer jsonb;
-- Chosen from History: the next undo takes it back, and not what was done before it.
alter table action add column chosen boolean not null default false;

create unique index work_log_running on work_log (coalesce(maker_id, 0)) where ended_at is null;
