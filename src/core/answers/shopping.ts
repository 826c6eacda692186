import type { CostumeRecord } from '../facts/costume.ts';
import { unitsOf, type Material } from '../facts/material.ts';
import { copiesOf } from '../facts/component.ts';
import type { Workshop } from '../facts/workshop.ts';
import { catalogueOf, coatProductOf } from '../trade/catalogue.ts';
import { coversOf, materialOfCoat } from './coatStack.ts';
import { GRACE, wholePacks } from '../units/packs.ts';

/** How much of a material one component takes, whether entered or worked out from its coats. */
export interface Usage {
	componentId: number;
	materialId: number;
	quantity: number;
	/** Steps that use it; empty for the first making step. */
	stepIds: number[];
	from: 'entered' | 'coats';
	/** It is a guess: suggested, or by a starting area. */
	guessed: boolean;
}

/** What of the workshop shopping is worked out from. */
export type Supplies = Pick<Workshop, 'materials' | 'handbook'>;

/** Entered needs and those that coat stacks make, in the materials' units. */
export function usagesOf(record: CostumeRecord, { materials, handbook }: Supplies): Usage[] {
	const trade = catalogueOf(handbook);
	const byId = new Map(record.components.map((c) => [c.id, c]));
	const entered = record.needs.map((n): Usage => ({
		componentId: n.componentId,
		materialId: n.materialId,
		quantity: n.quantity,
		stepIds: n.stepId === null ? [] : [n.stepId],
		from: 'entered',
		guessed: n.guessed
	}));
	const coats = record.coats.flatMap((coat): Usage[] => {
		const material = materialOfCoat(coat, materials);
		const component = byId.get(coat.componentId);
		if (!material || !component) return [];
		const coated = coat.area * coat.coats * copiesOf(component, byId);
		return [
			{
				componentId: coat.componentId,
				materialId: material.id,
				quantity: coated / coversOf(material, coatProductOf(trade, coat.product)),
				stepIds: record.steps.filter((s) => s.coatId === coat.id).map((s) => s.id),
				from: 'coats',
				guessed: coat.guessed
			}
		];
	});
	return [...entered, ...coats];
}

/** One line of the shopping: what a material is needed for, what there is, what is still short. */
export interface ShoppingLine {
	material: Material;
	usages: Usage[];
	needed: number;
	/** Some of it is a guess. */
	guessed: boolean;
	/** Of that, what has been taken out of the stash already. */
	taken: number;
	stash: number;
	/** Units in purchases that are planned or on their way or here. */
	bought: number;
	short: number;
	/** Whole packs that cover what is short. */
	packsShort: number;
	/** What those packs cost; null where the price is not known. */
	costShortMinor: number | null;
	/** Units over once everything is made: they go to the stash. */
	over: number;
}

export function shoppingLines(record: CostumeRecord, supplies: Supplies): ShoppingLine[] {
	const usages = usagesOf(record, supplies);
	return supplies.materials.flatMap((material): ShoppingLine[] => {
		const mine = usages.filter((u) => u.materialId === material.id);
		const purchases = record.purchases.filter((p) => p.materialId === material.id);
		if (mine.length === 0 && purchases.length === 0) return [];
		const needed = mine.reduce((sum, u) => sum + u.quantity, 0);
		const bought = purchases.reduce((sum, p) => sum + unitsOf(p, material), 0);
		const taken = record.needs.reduce((sum, n) => sum + (n.materialId === material.id ? n.taken : 0), 0);
		const short = Math.max(0, needed - taken - material.stash - bought);
		const packsShort = wholePacks(short, material.packSize);
		return [
			{
				material,
				usages: mine,
				needed,
				guessed: mine.some((u) => u.guessed),
				taken,
				stash: material.stash,
				bought,
				short: short <= GRACE ? 0 : short,
				packsShort,
				costShortMinor:
					packsShort === 0
						? 0
						: material.packPriceMinor === null
							? null
							: packsShort * material.packPriceMinor,
				over: Math.max(0, taken + material.stash + bought + packsShort * material.packSize - needed)
			}
		];
	});
}

/** Coat products in the stacks that no material stands for yet. */
export function coatsWithoutMaterial(record: CostumeRecord, materials: readonly Material[]) {
	const known = new Set(materials.map((m) => m.coatProduct));
	return [...new Set(record.coats.map((c) => c.product))].filter((p) => !known.has(p));
}
