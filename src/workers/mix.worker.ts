import { bestMixes } from '../core/engines/colour/mix.ts';
import { good } from '../core/units/problem.ts';
import { answer, toEnd } from './answer.ts';

/** Tries drops of owned paints, off the page. */
answer<'mix'>(({ task }, tell) => good(toEnd(bestMixes(task), tell.progress, 100)));
