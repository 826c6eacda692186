import { litBy } from '$lib/server/light.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ url }) => litBy(url.searchParams);
