import type { Impossible } from '../engines/schedule/problem.ts';
import { say } from '../units/problem.ts';

/**
 * Why a step has no place in the plan, in words.
 * @param nameOf the name of a step or a place by its id in the plan; none of what is no id
 */
export function whyNot({ code, values }: Impossible, nameOf: (id: string) => string | undefined): string {
	const named = Object.entries(values).map(([key, value]) => {
		// A number is how many, and no id.
		if (typeof value === 'number') return [key, value];
		// A circle goes round several.
		const ids = value.split(' → ');
		return [key, ids.map((id) => nameOf(id) ?? id).join(' → ')];
	});
	return say({ code, values: Object.fromEntries(named) });
}
