import { sealAdvice, type Face } from '$core/answers/sealAdvice.ts';
import { SURFACE_KEYS, type SurfaceKey } from '$core/facts/component.ts';
import { parseArea } from '$core/units/measure.ts';
import { say } from '$core/units/problem.ts';
import { database } from '$lib/server/database.ts';
import { loadShop } from '$lib/server/read/shop.ts';
import type { PageServerLoad } from './$types';

/** A middling part, where nobody has said how large it is, mm². */
const MIDDLING = 250_000;

/** What is asked for stands in the address: nothing is written. */
export const load: PageServerLoad = async ({ url, parent, locals }) => {
	const { packed } = await parent();
	const { workshop, plan } = packed.value;
	const typed = url.searchParams.get('area')?.trim() ?? '';
	const area = typed === '' ? null : parseArea(typed, workshop.settings.lengthUnit);
	const none = area?.ok && area.value <= 0 ? 'Needs an area.' : null;
	const face: Face = {
		surface: SURFACE_KEYS.find((key): key is SurfaceKey => key === url.searchParams.get('surface')) ?? 'foam',
		bends: url.searchParams.has('bends'),
		areaMm2: area?.ok && !none ? area.value : MIDDLING,
		leftMinutes: Math.max(0, plan.deadline - locals.now)
	};
	const { materials } = (await loadShop(await database())).workshop;
	return {
		face,
		typed,
		error: none ?? (area && !area.ok ? say(area.problem) : null),
		advice: sealAdvice(face, { ...workshop, materials })
	};
};
