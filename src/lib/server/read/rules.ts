import type { EventRule } from '$core/facts/travel.ts';
import type { Executor } from '../db/open.ts';
import { select } from '../db/tables.ts';

/** Rules of all events. */
export const loadRules = (db: Executor): Promise<EventRule[]> => select<EventRule>(db, 'event_rule');
