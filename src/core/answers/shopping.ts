import type { CostumeRecord } from '../facts/costume.ts';
import { unitsOf, type Material, type Need, type Purchase } from '../facts/material.ts';
import { copiesOf } from '../facts/component.ts';
import type { Workshop } from '../facts/workshop.ts';
import { catalogueOf, coatProductOf } from '../trade/catalogue.ts';
import { marginOf } from '../trade/margin.ts';
import { coversOf, materialOfCoat } from './coatStack.ts';
import { standsForSupply, workUses, type WorkUse } from './workUse.ts';
import { GRACE, wholePacks } from '../units/packs.ts';

/** How much of a material one component takes: entered, worked out from its coats, or used up by its work. */
export interface Usage {
	componentId: number;
	materialId: number;
	quantity: number;
	/** Steps that use it; empty for the first making step. */
	stepIds: number[];
	from: 'entered' | 'coats' | 'work';
	/** Of that, what is used up already: its steps are done. */
	done: number;
	/** How often what it comes to is bought, so that it is enough. */
	margin: number;
	/** What of the work it is, step by step. */
	work: WorkUse | null;
	/** It is a guess: suggested, or by a starting area. */
	guessed: boolean;
}

/** What of the workshop shopping is worked out from. */
export type Supplies = Pick<Workshop, 'materials' | 'handbook' | 'settings'>;

/** Entered needs, those that coat stacks make, and what work uses up, in the materials' units. */
export function usagesOf(record: CostumeRecord, { materials, handbook, settings }: Supplies): Usage[] {
	const trade = catalogueOf(handbook);
	const byId = new Map(record.components.map((c) => [c.id, c]));
	const uses = workUses(record, materials, trade, settings);
	// Of what the work cannot ask for, whatever was said of it, only the quantity tells.
	const asked = new Set(materials.filter((m) => standsForSupply(m, trade)).map((m) => m.id));
	const entered = record.needs
		.filter((n) => !(n.byWork === true && asked.has(n.materialId)))
		.map((n): Usage => ({
			componentId: n.componentId,
			materialId: n.materialId,
			quantity: n.quantity,
			stepIds: n.stepId === null ? [] : [n.stepId],
			from: 'entered',
			done: 0,
			margin: 1,
			work: null,
			guessed: n.guessed
		}));
	const coats = record.coats.flatMap((coat): Usage[] => {
		const material = materialOfCoat(coat, materials);
		const component = byId.get(coat.componentId);
		if (!material || !component) return [];
		const coated = coat.area * coat.coats * copiesOf(component, byId);
		const steps = record.steps.filter((s) => s.coatId === coat.id);
		const margin = marginOf(settings, material.family);
		const quantity = (coated * margin) / coversOf(material, coatProductOf(trade, coat.product));
		const share = steps.length ? steps.filter((s) => s.doneAt !== null).length / steps.length : 0;
		return [
			{
				componentId: coat.componentId,
				materialId: material.id,
				quantity,
				stepIds: steps.map((s) => s.id),
				from: 'coats',
				done: quantity * share,
				margin,
				work: null,
				guessed: coat.guessed
			}
		];
	});
	const work = uses.flatMap((use): Usage[] =>
		use.material && use.byHand.length === 0
			? [
					{
						componentId: use.componentId,
						materialId: use.material.id,
						quantity: use.quantity,
						stepIds: use.parts.map((p) => p.stepId),
						from: 'work',
						done: use.done,
						margin: use.margin,
						work: use,
						guessed: use.guessed
					}
				]
			: []
	);
	return [...entered, ...coats, ...work];
}

/**
 * What nothing has to be found for any more: cut from the stash, or used up by steps that are done beyond what was bought and is here,
 * as whoever did them had it.
 */
export function usedUp(
	{ id }: Pick<Material, 'id'>,
	needs: readonly Pick<Need, 'materialId' | 'taken'>[],
	usages: readonly Usage[],
	here: number
): number {
	const cut = needs.reduce((sum, n) => sum + (n.materialId === id ? n.taken : 0), 0);
	const done = usages.reduce((sum, u) => sum + (u.materialId === id ? u.done : 0), 0);
	return cut + Math.max(0, done - here);
}

/** Units of purchases that are here. */
export const hereOf = (purchases: readonly Purchase[], material: Material): number =>
	purchases
		.filter((p) => p.materialId === material.id && (p.state === 'arrived' || p.state === 'used'))
		.reduce((sum, p) => sum + unitsOf(p, material), 0);

/** One line of the shopping: what a material is needed for, what there is, what is still short. */
export interface ShoppingLine {
	material: Material;
	usages: Usage[];
	needed: number;
	/** Some of it is a guess. */
	guessed: boolean;
	/** Of that, what has been taken out of the stash already, or is used up. */
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
		const taken = usedUp(material, record.needs, mine, hereOf(purchases, material));
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
