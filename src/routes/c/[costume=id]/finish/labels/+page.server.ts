import { dryingNow } from '$core/answers/today.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent, locals }) => {
	const { packed } = await parent();
	const { record, workshop } = packed.value;
	return { drying: dryingNow(record, workshop, locals.now) };
};
