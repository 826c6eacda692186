import { copiesOf } from '../costume/component.ts';
import type { CostumeRecord } from '../costume/record.ts';
import { COAT_PRODUCTS } from '../finish/coatProduct.ts';
import type { Material } from './material.ts';

/** How much of a material one component takes, whether entered or worked out from its coats. */
export interface Usage {
	componentId: number;
	materialId: number;
	quantity: number;
	/** Steps that use it; empty for the first making step. */
	stepIds: number[];
	from: 'entered' | 'coats';
}

/** Entered needs and those that coat stacks make, in the materials' units. */
export function usagesOf(record: CostumeRecord, materials: readonly Material[]): Usage[] {
	const byId = new Map(record.components.map((c) => [c.id, c]));
	const entered = record.needs.map((n): Usage => ({
		componentId: n.componentId,
		materialId: n.materialId,
		quantity: n.quantity,
		stepIds: n.stepId === null ? [] : [n.stepId],
		from: 'entered'
	}));
	const coats = record.coats.flatMap((coat): Usage[] => {
		const material = materials.find((m) => m.coatProduct === coat.product);
		const component = byId.get(coat.componentId);
		if (!material || !component) return [];
		const packs =
			(coat.area * coat.coats * copiesOf(component, byId)) / COAT_PRODUCTS[coat.product].coversMm2;
		return [
			{
				componentId: coat.componentId,
				materialId: material.id,
				quantity: packs * material.packSize,
				stepIds: record.steps.filter((s) => s.coatId === coat.id).map((s) => s.id),
				from: 'coats'
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
	/** Of that, what has been taken out of the stash already. */
	taken: number;
	stash: number;
	/** Units in purchases that are planned or on their way or here. */
	bought: number;
	short: number;
	/** Whole packs that cover what is short. */
	packsShort: number;
	/** What those packs cost. */
	costShortMinor: number;
	/** Units over once everything is made: they go to the stash. */
	over: number;
}

/** Sums of floating quantities are compared with this much grace, so that 3 × 0.1 is 0.3. */
const GRACE = 1e-9;

export const wholePacks = (units: number, packSize: number): number =>
	units <= GRACE ? 0 : Math.ceil(units / packSize - GRACE);

export function shoppingLines(record: CostumeRecord, materials: readonly Material[]): ShoppingLine[] {
	const usages = usagesOf(record, materials);
	return materials.flatMap((material): ShoppingLine[] => {
		const mine = usages.filter((u) => u.materialId === material.id);
		const purchases = record.purchases.filter((p) => p.materialId === material.id);
		if (mine.length === 0 && purchases.length === 0) return [];
		const needed = mine.reduce((sum, u) => sum + u.quantity, 0);
		const bought = purchases.reduce((sum, p) => sum + p.packs * material.packSize, 0);
		const taken = record.needs.reduce((sum, n) => sum + (n.materialId === material.id ? n.taken : 0), 0);
		const short = Math.max(0, needed - taken - material.stash - bought);
		const packsShort = wholePacks(short, material.packSize);
		return [
			{
				material,
				usages: mine,
				needed,
				taken,
				stash: material.stash,
				bought,
				short: short <= GRACE ? 0 : short,
				packsShort,
				costShortMinor: packsShort * material.packPriceMinor,
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
