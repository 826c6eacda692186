import { recoatWindow, waitOf, type Drying } from './wait.ts';
import type { Step } from '../facts/step.ts';
import type { LocalMinutes } from '../units/localTime.ts';
import { checkCoat } from './coatStack.ts';

/** Where a component's stack stands: the coat that is next, and when it may go on. */
export type NextCoat =
	| { state: 'allOn' }
	/** Something before it is not done yet. */
	| { state: 'behind'; before: Step }
	| { state: 'notBefore'; next: Step; from: LocalMinutes }
	| { state: 'closed'; next: Step; from: LocalMinutes }
	/** Now; where there is a recoat window, until its end. */
	| { state: 'open'; next: Step; until: LocalMinutes | null };

/** `steps` are those of one component in their order. Judged as logging the coat now would be. */
export function nextCoat(steps: readonly Step[], workshop: Drying, now: LocalMinutes): NextCoat {
	const at = steps.findIndex((s) => s.coatId !== null && s.doneAt === null);
	const next = steps[at];
	if (!next) return { state: 'allOn' };
	const before = steps[at - 1];
	if (!before) return { state: 'open', next, until: null };
	if (before.doneAt === null) return { state: 'behind', before };
	const warning = checkCoat(
		before.doneAt,
		waitOf(before, workshop),
		recoatWindow(next, before, workshop),
		now
	);
	if (warning)
		return { state: warning.code === 'coatTooEarly' ? 'notBefore' : 'closed', next, from: warning.from };
	const closes = next.withinMinutes === null ? null : before.doneAt + next.withinMinutes;
	return { state: 'open', next, until: closes !== null && closes >= now ? closes : null };
}
