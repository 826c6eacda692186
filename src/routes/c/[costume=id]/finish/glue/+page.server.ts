import { letGo, glueAdvice, isSide, type Joint } from '$core/answers/glueAdvice.ts';
import { LOADS, type BondSide } from '$core/trade/bond.ts';
import { catalogueOf } from '$core/trade/catalogue.ts';
import { parseArea, parseLength } from '$core/units/measure.ts';
import { say } from '$core/units/problem.ts';
import { database } from '$lib/server/database.ts';
import { loadShop } from '$lib/server/read/shop.ts';
import type { PageServerLoad } from './$types';

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
	const joint: Joint = {
		a: side('a'),
		b: side('b'),
		loads: LOADS.filter((l) => url.searchParams.getAll('load').includes(l)),
		seamMm: read<number | null>('seam', (t) => parseLength(t, unit), null),
		gapMm: read<number>('gap', (t) => parseLength(t, 'mm'), 0),
		faceMm2: read<number | null>('face', (t) => parseArea(t, unit), null)
	};
	const { workshop: all, atWork } = await loadShop(await database());
	const faults = letGo(
		atWork.map((c) => c.record),
		all.materials,
		joint,
		trade
	);
	return {
		joint,
		errors,
		typed: { seam: asked('seam'), gap: asked('gap'), face: asked('face') },
		advice: glueAdvice(joint, trade, all.materials, faults)
	};
};
