import { demoLast, type Costume, type CostumeRecord } from '../facts/costume.ts';
import { isTool, type Material } from '../facts/material.ts';
import { withSender } from '../facts/supplier.ts';
import type { Workshop } from '../facts/workshop.ts';
import { GRACE } from '../units/packs.ts';
import { promisedLots } from './lots.ts';
import { pricedIn } from './prices.ts';
import { hereOf, usagesOf, usedUp, type Supplies } from './shopping.ts';

/** Units of each material of the stash that are promised to a costume. */
export type Promised = ReadonlyMap<number, number>;

/** Who is promised the stash first: as the maker says, else by event; a demo last. */
export const byStashTurn = (a: Pick<CostumeRecord, 'costume'>, b: Pick<CostumeRecord, 'costume'>): number =>
	demoLast(a, b) ||
	(a.costume.stashTurn ?? Infinity) - (b.costume.stashTurn ?? Infinity) ||
	a.costume.eventAt - b.costume.eventAt ||
	a.costume.id - b.costume.id;

/** What a costume still needs of each material, beyond what it has cut or has here. What is on its way comes later than a stash. */
export function stillNeeded(record: CostumeRecord, supplies: Supplies): Promised {
	const usages = usagesOf(record, supplies);
	const needed = new Map<number, number>();
	for (const u of usages) needed.set(u.materialId, (needed.get(u.materialId) ?? 0) + u.quantity);
	for (const m of supplies.materials) {
		const units = needed.get(m.id);
		if (units === undefined) continue;
		const here = hereOf(record.purchases, m);
		needed.set(m.id, units - here - usedUp(m, record.needs, usages, here));
	}
	return new Map([...needed].filter(([, units]) => units > GRACE));
}

/**
 * The stash, promised once: each costume in its turn is given what it still needs while there is some, so that no two
 * costumes count on the same sheet. A tool is there for all of them.
 * @returns by costume
 */
export function promiseStash(
	costumes: readonly { record: CostumeRecord; needs: Promised }[],
	materials: readonly Material[]
): Map<number, Promised> {
	const left = new Map(materials.map((m) => [m.id, m.stash]));
	const tools = new Set(materials.filter(isTool).map((m) => m.id));
	return new Map(
		[...costumes]
			.sort((a, b) => byStashTurn(a.record, b.record))
			.map(({ record, needs }) => {
				const given = new Map<number, number>();
				for (const [id, units] of needs) {
					const give = Math.min(units, left.get(id) ?? 0);
					if (give <= GRACE) continue;
					given.set(id, give);
					if (!tools.has(id)) left.set(id, left.get(id)! - give);
				}
				return [record.costume.id, given];
			})
	);
}

/** What of each lot is promised to which costume, in their turns: who comes first has what spoils first. A tool is kept for nobody. */
export function promisedByLot(
	costumes: readonly { record: CostumeRecord; promised: Promised }[],
	materials: readonly Pick<Material, 'id' | 'family' | 'lots'>[]
): Map<number, { to: Pick<Costume, 'id' | 'name'>; units: number }[]> {
	const inTurn = [...costumes].sort((a, b) => byStashTurn(a.record, b.record));
	return new Map(
		materials.flatMap(({ id, family, lots }) => {
			if (isTool({ family })) return [];
			const asked = inTurn.flatMap(({ record: { costume }, promised }) =>
				promised.has(id) ? [{ to: { id: costume.id, name: costume.name }, units: promised.get(id)! }] : []
			);
			return [...promisedLots(lots, asked)];
		})
	);
}

/** What of each lot is promised to one costume, when others have had their turn. */
export const promisedTo = (
	costumeId: number,
	...shop: Parameters<typeof promisedByLot>
): ReadonlyMap<number, number> =>
	new Map(
		[...promisedByLot(...shop)].flatMap(([id, to]) =>
			to.filter((p) => p.to.id === costumeId).map((p) => [id, p.units] as const)
		)
	);

/** What of each material is owned and promised to nobody; a remainder that is only rounding is nothing. */
export function freeStash(
	materials: readonly Pick<Material, 'id' | 'family' | 'stash'>[],
	promises: readonly Promised[]
): Map<number, number> {
	return new Map(
		materials.map(({ id, family, stash }) => {
			if (isTool({ family })) return [id, stash];
			const left = promises.reduce((left, given) => left - (given.get(id) ?? 0), stash);
			return [id, left > GRACE ? left : 0];
		})
	);
}

/** The workshop as a costume may count on it: of the stash what is promised to it, prices in its currency. */
export const workshopFor = (
	workshop: Workshop,
	{ currency }: Pick<Costume, 'currency'>,
	promised: Promised
): Workshop => ({
	...workshop,
	materials: workshop.materials.map((m) => ({
		...withSender(pricedIn(m, currency, workshop), workshop.suppliers),
		stash: promised.get(m.id) ?? 0
	}))
});

export const samePromise = (a: Promised, b: Promised): boolean =>
	a.size === b.size && [...a].every(([id, units]) => b.get(id) === units);
