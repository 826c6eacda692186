import type { ParamMatcher } from '@sveltejs/kit';

/** A row's number, as large as the tables count; anything else is an address of nothing. */
export const match: ParamMatcher = (text) => /^\d{1,10}$/.test(text) && Number(text) < 2 ** 31;
