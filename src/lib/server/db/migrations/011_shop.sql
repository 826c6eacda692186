-- The stash is promised once, to the costumes in turn.

-- Whose turn it is before all others; null: by the event.
alter table costume add column stash_turn integer check (stash_turn > 0);
