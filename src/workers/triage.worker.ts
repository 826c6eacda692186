import { triage } from '../core/engines/schedule/triage.ts';
import { good } from '../core/units/problem.ts';
import { answer, toEnd } from './answer.ts';

/** What to leave out or add, weighed off the page. */
answer<'triage'>((task, { progress }) => good(toEnd(triage(task), progress)));
