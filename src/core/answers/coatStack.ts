import type { Coat, CoatProductKey } from '../facts/coat.ts';
import type { TechniqueKey } from '../facts/step.ts';
import { coatProductOf, type Catalogue } from '../trade/catalogue.ts';
import { contentOf, SPRAY_SET_UP_MINUTES, type CoatProduct } from '../trade/coatProduct.ts';
import type { Material } from '../facts/material.ts';
import type { Settings } from '../facts/workshop.ts';
import { marginOf } from '../trade/margin.ts';
import { ML_PER } from '../units/measure.ts';
import { wholePacks } from '../units/packs.ts';
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
 * the last the wait before handling. Each spray coat is set out for: the planner
 * saves it where the coat goes on in the session of another.
 *
 * @param name what it is called, where that is not what it is put on with
 */
export function coatSteps(
	coat: Pick<Coat, 'product' | 'coats' | 'area' | 'recoatMinutes' | 'handlingMinutes'>,
	trade: Catalogue,
	name = coatProductOf(trade, coat.product).name
): CoatStep[] {
	const product = coatProductOf(trade, coat.product);
	return Array.from({ length: coat.coats }, (_, i) => {
		const first = i === 0;
		const last = i === coat.coats - 1;
		return {
			name: coat.coats === 1 ? name : `${name}, coat ${i + 1} of ${coat.coats}`,
			technique: product.how,
			amount: coat.area,
			setUpMinutes: product.how === 'spray' ? SPRAY_SET_UP_MINUTES : 0,
			waitMinutes: last ? coat.handlingMinutes : coat.recoatMinutes,
			withinMinutes: first ? null : product.withinMinutes,
			orAfterMinutes: first ? null : product.orAfterMinutes,
			needsSprayPlace: product.how === 'spray'
		};
	});
}

/** What a coat is called by one of its steps: `wear: knees, coat 1 of 2` is of `wear: knees`. */
export const coatName = (step: string): string => step.replace(/, coat \d+ of \d+$/, '');

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

/** What a coat is put on with: its colour, else the first material there is of the product. */
export const materialOfCoat = (
	coat: Pick<Coat, 'product' | 'materialId'>,
	materials: readonly Material[]
): Material | undefined =>
	materials.find((m) => m.id === coat.materialId) ?? materials.find((m) => m.coatProduct === coat.product);

/**
 * mm² that one unit of a material covers with one coat: as its own label says, else by its content where it is sold by volume,
 * else as a usual pack of the product does.
 */
export function coversOf(
	material: Pick<Material, 'unit' | 'packSize' | 'coversMm2'>,
	product: Pick<CoatProduct, 'pack' | 'coversMm2'>
): number {
	if (material.coversMm2 !== null) return material.coversMm2 / material.packSize;
	const ml = (ML_PER as Readonly<Record<string, number>>)[material.unit];
	const content = contentOf(product.pack);
	return ml === undefined || content === null ? product.coversMm2 : (product.coversMm2 * ml) / content;
}

export interface PackNeed {
	product: CoatProductKey;
	/** What it is put on with; null while no material stands for the product. */
	material: Material | null;
	/** mm² × coats × copies over the whole costume. */
	coatedMm2: number;
	/** mm² that a pack of it covers with one coat. */
	coversMm2: number;
	/** How often what it comes to is bought, so that it is enough. */
	margin: number;
	packs: number;
}

/** Packs per colour over the whole costume: areas are added first, and rounded up once. */
export function packsForCoats(
	coats: readonly (Pick<Coat, 'product' | 'coats' | 'area' | 'materialId'> & { copies: number })[],
	trade: Catalogue,
	materials: readonly Material[],
	settings: Pick<Settings, 'margins'>
): PackNeed[] {
	const sums = new Map<string, Pick<PackNeed, 'product' | 'material' | 'coatedMm2'>>();
	for (const c of coats) {
		const material = materialOfCoat(c, materials) ?? null;
		const key = `${c.product} ${material?.id}`;
		const before = sums.get(key)?.coatedMm2 ?? 0;
		sums.set(key, { product: c.product, material, coatedMm2: before + c.area * c.coats * c.copies });
	}
	return [...sums.values()].map((sum) => {
		const product = coatProductOf(trade, sum.product);
		const coversMm2 = sum.material
			? coversOf(sum.material, product) * sum.material.packSize
			: product.coversMm2;
		const margin = marginOf(settings, sum.material?.family ?? 'paint');
		return { ...sum, coversMm2, margin, packs: wholePacks(sum.coatedMm2 * margin, coversMm2) };
	});
}
