import { page } from '$app/state';
import { catalogueOf, type Catalogue } from '$core/trade/catalogue.ts';

/** The handbook of this workshop, with the maker's own rows. */
export const handbook = (): Catalogue => catalogueOf(page.data.handbook ?? []);
