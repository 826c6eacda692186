import { letGo, glueAdvice, isSide, type Joint } from '$core/answers/glueAdvice.ts';
import { knownJoins } from '$core/answers/knownJoins.ts';
import { LOADS, type BondSide } from '$core/trade/bond.ts';
import { catalogueOf } from '$core/trade/catalogue.ts';
import { parseArea, parseLength } from '$core/units/measure.ts';
import { say } from '$core/units/problem.ts';
import { database } from '$lib/server/database.ts';
import { loadShop } from '$lib/server/read/shop.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { glueCommands } from '$lib/server/commands/glue.ts';
import type { Actions, PageServerLoad } from './$types';

/** What is asked for stands in the address: nothing is written. */
export const load: PageServerLoad = async ({ url, parent }) => {
	const { packed } = await parent();
	const { workshop } = packed.value;
	const trade = catalogueOf(workshop.handbook);
	const asked = (name: string) => url.searchParams.get(name)?.trim() ?? '';
	const unit = workshop.settings.lengthUnit;
	const errors: Record<string, string> = {};
	const read = <T>(
		name: string,
		parse: (text: string) => { ok: true; value: T } | { ok: false; problem: Parameters<typeof say>[0] },
		none: T
	): T => {
		if (asked(name) === '') return none;
		const value = parse(asked(name));
		if (value.ok) return value.value;
		errors[name] = say(value.problem);
		return none;
	};
	const side = (name: string): BondSide => {
		const typed = asked(name);
		return isSide(typed) ? typed : 'foam';
	};
	const { workshop: all, atWork } = await loadShop(await database());
	const joins = knownJoins(packed.value.record, all.materials);
	const join = joins.find((j) => j.key === asked('of')) ?? null;
	if (asked('of') && !join) errors['of'] = 'It is not there any more: choose again.';
	// What it bears by itself is ticked as it is chosen, and can be unticked.
	const chosen = join && asked('of') !== asked('was') ? join.loads : url.searchParams.getAll('load');
	const joint: Joint = {
		a: join?.a ?? side('a'),
		b: join?.b ?? side('b'),
		loads: LOADS.filter((l) => chosen.some((c) => c === l)),
		seamMm: read<number | null>('seam', (t) => parseLength(t, unit), join?.seamMm ?? null),
		gapMm: read<number>('gap', (t) => parseLength(t, 'mm'), 0),
		faceMm2: read<number | null>('face', (t) => parseArea(t, unit), null)
	};
	const faults = letGo(
		atWork.map((c) => c.record),
		all.materials,
		joint,
		trade
	);
	return {
		joins: joins.map(({ component: c, ...j }) => ({
			...j,
			of: `${c.code} ${c.name}`,
			name: `${c.code}: ${j.name}`
		})),
		join,
		joint,
		errors,
		typed: { seam: asked('seam'), gap: asked('gap'), face: asked('face') },
		advice: glueAdvice(joint, trade, all.materials, faults)
	};
};

export const actions: Actions = actionsOf(glueCommands);
