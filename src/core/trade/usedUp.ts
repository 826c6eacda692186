import type { SupplyKey } from '../facts/material.ts';
import type { TechniqueKey } from '../facts/step.ts';
import type { Catalogue } from './catalogue.ts';
import type { Supply, SupplyUse } from './supply.ts';
import type { StandardTechnique } from './technique.ts';

/** What a technique uses up, and of which supplies one does for another: of glues one is enough. */
export interface UsedUp {
	supply: SupplyKey;
	slot: string;
	amount: number;
}

const made = new WeakMap<Catalogue, ReadonlyMap<TechniqueKey, readonly UsedUp[]>>();

/** By technique; one that uses up nothing is no entry. Made once for the same catalogue. */
export function usedUpBy(trade: Catalogue): ReadonlyMap<TechniqueKey, readonly UsedUp[]> {
	let by = made.get(trade);
	if (!by) {
		const found = new Map<TechniqueKey, UsedUp[]>();
		for (const [key, row] of Object.entries(trade.supply))
			for (const { technique, amount } of usesOf(row, trade))
				if (amount > 0)
					found.set(technique, [
						...(found.get(technique) ?? []),
						{ supply: key, slot: slotOf(row, key), amount }
					]);
		made.set(trade, (by = found));
	}
	return by;
}

/** Of supplies of one slot a step takes one. */
export const slotOf = ({ glue }: Pick<Supply, 'glue'>, key: SupplyKey): string =>
	glue === null ? key : 'glue';

/** What a supply's own row says, and of a glue the row of that glue: a seam by its length, layers by their area. */
export function usesOf({ uses, glue }: Supply, trade: Catalogue): readonly SupplyUse[] {
	const its = glue === null ? undefined : trade.glue[glue];
	const joints: [StandardTechnique, number | null][] = its
		? [
				['cement', its.mlPerMetre],
				['stack', its.mlPerM2]
			]
		: [];
	return [
		...uses,
		...joints.flatMap(([technique, amount]) => (amount === null ? [] : [{ technique, amount }]))
	];
}
