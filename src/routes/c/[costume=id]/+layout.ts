import type { LayoutLoad } from './$types';

export const load: LayoutLoad = ({ data: { packed, ...its } }) => ({ ...its, ...packed.value });
