import type { Coat, CoatProductKey } from '../facts/coat.ts';
import type { TechniqueKey } from '../facts/step.ts';
import { coatProductOf, type Catalogue } from '../trade/catalogue.ts';
import { SPRAY_SET_UP_MINUTES } from '../trade/coatProduct.ts';
import type { LocalMinutes } from '../units/localTime.ts';

export interface CoatStep {
	name: string;
	technique: TechniqueKey;
	amount: number;
	setUpMinutes: number;
	waitMinutes: number;
	withinMinutes: number | null;
	orAfterMinutes: number | null;
	needsSprayPlace: boolean;
}

/**
 * The steps that a stack entry becomes: one a coat. Between coats stands the recoat wait, after
 * the last the wait before handling. The set-up of a spray session is counted with the first coat.
 */
export function coatSteps(
	coat: Pick<Coat, 'product' | 'coats' | 'area' | 'recoatMinutes' | 'handlingMinutes'>,
	trade: Catalogue
): CoatStep[] {
	const product = coatProductOf(trade, coat.product);
	return Array.from({ length: coat.coats }, (_, i) => {
		const first = i === 0;
		const last = i === coat.coats - 1;
		return {
			name: coat.coats === 1 ? product.name : `${product.name}, coat ${i + 1} of ${coat.coats}`,
			technique: product.how,
			amount: coat.area,
			setUpMinutes: first && product.how === 'spray' ? SPRAY_SET_UP_MINUTES : 0,
			waitMinutes: last ? coat.handlingMinutes : coat.recoatMinutes,
			withinMinutes: first ? null : product.withinMinutes,
			orAfterMinutes: first ? null : product.orAfterMinutes,
			needsSprayPlace: product.how === 'spray'
		};
	});
}

export type CoatWarning =
	| { code: 'coatTooEarly'; from: LocalMinutes }
	| { code: 'coatForbidden'; since: LocalMinutes; from: LocalMinutes };

/**
 * May this coat go on at `at`, when the one before ended at `previousEnd`?
 * Too early: it stays sticky beneath. Inside a forbidden recoat window: the coat before wrinkles.
 */
export function checkCoat(
	previousEnd: LocalMinutes,
	previousWait: number,
	window: { withinMinutes: number | null; orAfterMinutes: number | null },
	at: LocalMinutes
): CoatWarning | null {
	if (at < previousEnd + previousWait) return { code: 'coatTooEarly', from: previousEnd + previousWait };
	const { withinMinutes, orAfterMinutes } = window;
	if (withinMinutes !== null && at > previousEnd + withinMinutes) {
		const from = previousEnd + (orAfterMinutes ?? Infinity);
		if (at < from) return { code: 'coatForbidden', since: previousEnd + withinMinutes, from };
	}
	return null;
}

export interface PackNeed {
	product: CoatProductKey;
	/** mm² × coats × copies over the whole costume. */
	coatedMm2: number;
	packs: number;
}

/** Packs per product over the whole costume: areas are added first, and rounded up once. */
export function packsForCoats(
	coats: readonly (Pick<Coat, 'product' | 'coats' | 'area'> & { copies: number })[],
	trade: Catalogue
): PackNeed[] {
	const sums = new Map<CoatProductKey, number>();
	for (const c of coats) sums.set(c.product, (sums.get(c.product) ?? 0) + c.area * c.coats * c.copies);
	return [...sums].map(([product, coatedMm2]) => ({
		product,
		coatedMm2,
		packs: Math.ceil(coatedMm2 / coatProductOf(trade, product).coversMm2 - 1e-9)
	}));
}
