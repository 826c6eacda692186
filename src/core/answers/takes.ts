import type { Component } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import {
	FAMILIES,
	PLAIN_MATERIAL,
	type Family,
	type Material,
	type Need,
	type SupplyKey
} from '../facts/material.ts';
import type { Workshop } from '../facts/workshop.ts';
import { catalogueOf, coatProductOf, type Catalogue } from '../trade/catalogue.ts';
import { LEAD_DAYS, PLAIN_STARTER, starterOf, type Starter } from '../trade/starter.ts';
import { number, type FigureOf } from '../units/figure.ts';
import type { PlainFormula } from '../units/formula.ts';
import { capital } from '../units/names.ts';
import { shoppingSeed } from './seed.ts';
import { coatsWithoutMaterial, shoppingLines, type ShoppingLine, type Supplies } from './shopping.ts';
import { freeStash, workshopFor, type Promised } from './stash.ts';
import { suppliesWithoutMaterial, workUses } from './workUse.ts';

/** How much of it one component takes, and what that is worked out from. */
export interface TakeNeed {
	componentId: number;
	quantity: number;
	figure: FigureOf<PlainFormula>;
}

/** One material that a costume takes and that nothing asks for yet. */
export interface Take {
	/** `new High-density foam 5 mm`, `supply caulk`, `coat fillerPrimer`, `material 12`. */
	key: string;
	/** One of those that there are, or as it is sold as a rule: of those the id is below nothing. */
	material: Material;
	/** What is entered for each component; nothing for what coats and work ask for by themselves. */
	needs: readonly TakeNeed[];
	/** Bought for this component alone; null where several share it. */
	componentId: number | null;
	/** What the shopping says of it once it is taken. */
	line: ShoppingLine;
}

type Asked = Omit<Take, 'line'>;

/** A material that nobody has bought yet; which one it is, is said when all are known. */
const fresh = ({ source: _, ...its }: Starter, currency: string): Material => ({
	...PLAIN_MATERIAL,
	...its,
	currency,
	id: 0,
	version: 1
});

/** How a thing of this name is sold as a rule; cloth of no name that is known as woven cloth is. */
function soldAs(
	name: string,
	family: Family,
	unit: string,
	packSize: number,
	{ starter: library }: Catalogue
): Starter {
	const its =
		starterOf(name, library) ??
		(family === 'cloth' && unit === 'm' ? starterOf('Woven cloth', library) : null);
	if (its?.unit === unit) return { ...its, name, packSize: Math.max(its.packSize, packSize) };
	return { ...PLAIN_STARTER, name, family, unit, packSize, leadDays: LEAD_DAYS[family], source: '' };
}

const FAMILY_OF: Readonly<Record<Component['kind'], Family>> = {
	armor: 'other',
	garment: 'cloth',
	wig: 'hair',
	prop: 'other'
};

/** What is cut, bought or altered for each component: the same for several of them once. */
function drawn(
	record: CostumeRecord,
	{ materials, settings }: Supplies,
	trade: Catalogue,
	currency: string
): Asked[] {
	const found = new Map<string, Asked & { needs: TakeNeed[] }>();
	const add = (key: string, material: () => Material, need: TakeNeed, alone: boolean) => {
		const its = found.get(key);
		if (its) its.needs.push(need);
		else
			found.set(key, {
				key,
				material: material(),
				needs: [need],
				componentId: alone ? need.componentId : null
			});
	};
	const had = new Set(record.needs.map((n) => n.componentId));
	const bought = new Set(record.purchases.map((p) => p.componentId));
	for (const c of record.components) {
		const componentId = c.id;
		if (c.source === 'buy' && !had.has(c.id) && !bought.has(c.id)) {
			const unit = c.side === 'pair' ? 'pair' : 'piece';
			const its = () => fresh(soldAs(capital(c.name), FAMILY_OF[c.kind], unit, 1, trade), currency);
			const figure: TakeNeed['figure'] = {
				title: `${capital(c.name)}: how many`,
				formula: 'sum',
				inputs: [number('count', c.count, 'its component', unit)],
				as: { kind: 'number', unit }
			};
			add(`thing ${c.id}`, its, { componentId, quantity: c.count, figure }, true);
		}
		for (const line of shoppingSeed(c, record, materials, trade, settings)) {
			if (line.supply !== null) continue;
			const { material: known, apart, family, unit, packSize, quantity, figure } = line;
			const sold = soldAs(line.name, family, unit, packSize, trade);
			const name = apart ? `${capital(c.name)}: ${line.name.toLowerCase()}` : line.name;
			const key = known ? `material ${known.id}` : apart ? `new ${line.name} ${c.id}` : `new ${line.name}`;
			add(
				key,
				() => known ?? fresh({ ...sold, name }, currency),
				{ componentId, quantity, figure },
				apart && !known
			);
		}
	}
	return [...found.values()];
}

/** What the work uses up and no material stands for: one that is called so and is nothing else, else a new one. */
function usedUp(
	record: CostumeRecord,
	{ materials, settings }: Supplies,
	trade: Catalogue,
	currency: string,
	/** Materials that are taken as they are already. */
	cut: readonly number[]
): Asked[] {
	const called = new Map<SupplyKey, Material>();
	for (const c of record.components)
		for (const { supply, material } of shoppingSeed(c, record, materials, trade, settings))
			if (supply !== null && material && !material.supply) called.set(supply, material);
	const given = new Set(cut);
	const uses = workUses(record, materials, trade, settings);
	return suppliesWithoutMaterial(uses, trade).map(({ supply }): Asked => {
		const { name, family, unit, pack } = trade.supply[supply]!;
		const like = called.get(supply);
		const its =
			like && !given.has(like.id) ? like : fresh(soldAs(capital(name), family, unit, pack, trade), currency);
		given.add(its.id);
		return { key: `supply ${supply}`, material: { ...its, supply }, needs: [], componentId: null };
	});
}

/** What coats are put on with and no material stands for. */
const coated = (
	record: CostumeRecord,
	{ materials }: Supplies,
	trade: Catalogue,
	currency: string
): Asked[] =>
	coatsWithoutMaterial(record, materials).map((coatProduct): Asked => {
		const { name, pack } = coatProductOf(trade, coatProduct);
		const material = fresh(soldAs(`${capital(name)}, ${pack}`, 'paint', 'can', 1, trade), currency);
		return {
			key: `coat ${coatProduct}`,
			material: { ...material, coatProduct },
			needs: [],
			componentId: null
		};
	});

/**
 * Everything that a costume takes and that nothing asks for yet, over all its components, as the shopping will count it once it is
 * taken: what is cut for them, what they are bought or altered from, what their work uses up, and what they are coated with.
 *
 * @param supplies materials with as much of the stash as is this costume's
 * @returns by family, in the order of families
 */
export function takesOf(record: CostumeRecord, supplies: Supplies): Take[] {
	const trade = catalogueOf(supplies.handbook);
	const { currency } = record.costume;
	const cut = drawn(record, supplies, trade, currency);
	const used = usedUp(
		record,
		supplies,
		trade,
		currency,
		cut.flatMap((a) => (a.material.id > 0 ? [a.material.id] : []))
	);
	const asked = [...cut, ...used, ...coated(record, supplies, trade, currency)].map((a, i): Asked =>
		a.material.id > 0 ? a : { ...a, material: { ...a.material, id: -1 - i } }
	);
	const needs = asked.flatMap(({ material, needs: its }) =>
		its.map(({ componentId, quantity }, i): Need => ({
			id: material.id * 1000 - i,
			componentId,
			quantity,
			materialId: material.id,
			stepId: null,
			waste: null,
			guessed: true,
			byWork: null,
			taken: 0,
			takenMinor: null,
			version: 1
		}))
	);
	const known = new Map(asked.map((a) => [a.material.id, a.material]));
	const materials = [
		...supplies.materials.map((m) => known.get(m.id) ?? m),
		...[...known.values()].filter((m) => m.id < 0)
	];
	const lines = new Map(
		shoppingLines({ ...record, needs: [...record.needs, ...needs] }, { ...supplies, materials }).map((l) => [
			l.material.id,
			l
		])
	);
	return asked
		.flatMap((a): Take[] => {
			const line = lines.get(a.material.id);
			return line && line.needed > 0 ? [{ ...a, line }] : [];
		})
		.sort((a, b) => FAMILIES.indexOf(a.material.family) - FAMILIES.indexOf(b.material.family));
}

/** The same in a shop: of the stash what is promised to the costume, and what is promised to nobody. */
export function takesInShop(
	record: CostumeRecord,
	workshop: Workshop,
	atWork: readonly { record: Pick<CostumeRecord, 'costume'>; promised: Promised }[]
): Take[] {
	const its = atWork.find((c) => c.record.costume.id === record.costume.id)?.promised;
	const free = freeStash(
		workshop.materials,
		atWork.map((c) => c.promised)
	);
	const promised = new Map(
		workshop.materials.map(({ id }) => [id, (its?.get(id) ?? 0) + (free.get(id) ?? 0)])
	);
	return takesOf(record, workshopFor(workshop, record.costume, promised));
}

/** What packs that are short come to at the prices that were typed, or are known; and of how many the price is missing. */
export function takesCost(
	takes: readonly Take[],
	typed: ReadonlyMap<string, number>
): { of: Map<string, number | null>; minor: number; missing: number } {
	const of = new Map(
		takes.map(({ key, material, line }): [string, number | null] => {
			const price = typed.get(key) ?? material.packPriceMinor;
			return [key, line.packsShort === 0 ? 0 : price === null ? null : price * line.packsShort];
		})
	);
	const costs = [...of.values()];
	return {
		of,
		minor: costs.reduce<number>((sum, c) => sum + (c ?? 0), 0),
		missing: costs.filter((c) => c === null).length
	};
}
