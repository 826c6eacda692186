-- A form sent twice is one action; an undoing chosen from History is an action like any other; one timer a maker.

-- What the form was known by, and what it was answered.
alter table action add column form_key text unique;
alter table action add column answer jsonb;
-- Chosen from History: the next undo takes it back, and not what was done before it.
alter table action add column chosen boolean not null default false;

create unique index work_log_running on work_log (coalesce(maker_id, 0)) where ended_at is null;

-- Whose measures the pieces of a costume follow: the wearer that was chosen last. Before, the first that was added.
alter table costume_wearer add column fitted_at timestamp;
update costume_wearer set fitted_at = '1970-01-01'
where id in (select min(id) from costume_wearer group by costume_id);

-- What a pattern is marked with: the body it fits, or the garment when it is finished.
alter table nominal add column made_for text not null default 'garment' check (made_for in ('body', 'garment'));
