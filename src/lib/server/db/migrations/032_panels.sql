-- Panels drawn on the form of the wearer, by level and turn; null for shapes that a shaper makes.
alter table shape add column panels jsonb check (jsonb_typeof(panels) = 'object');
