import pluralize from 'pluralize';
import { copiesOf, type Component } from '../facts/component.ts';
import type { CoatProductKey } from '../facts/coat.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import { areaOfUnit, type Family, type Material } from '../facts/material.ts';
import type { Offer } from '../facts/supplier.ts';
import { withSender } from '../facts/supplier.ts';
import type { Step, TechniqueKey } from '../facts/step.ts';
import type { Workshop } from '../facts/workshop.ts';
import { catalogueOf, coatProductOf, techniqueOf, type Catalogue } from '../trade/catalogue.ts';
import { JOINS, OPENINGS } from '../trade/closureJoin.ts';
import { usedUpBy } from '../trade/usedUp.ts';
import { dayOf, type LocalMinutes } from '../units/localTime.ts';
import { namesWords } from '../units/names.ts';
import { formatNumber } from '../units/number.ts';
import { GRACE, wholePacks } from '../units/packs.ts';
import { coversOf, materialOfCoat } from './coatStack.ts';
import type { OrderBy } from './arrivals.ts';
import { arrivalDay, isOverdue } from './leadTime.ts';
import { looksOf } from './looks.ts';
import { packsOf, type Pack } from './purchase.ts';
import { hereOf, type ShoppingLine } from './shopping.ts';
import { otherColour, sameColour, substitutesOf } from './substitute.ts';
import { standsForSupply, suppliesPer } from './workUse.ts';

/** What could be done where a material cannot come in time. */
export type StandIn = {
	/** Known by this as long as the costume stays as it is. */
	key: string;
	/** `2 layers of Foam 5 mm`. */
	words: string;
	/** The day on which the last of it comes; null when nothing has to come, or nobody sells it yet. */
	arrives: number | null;
	/** Of the whole look, 0 to 1. */
	loss: number;
	/** What nobody has entered as a material yet: it is neither in the money nor in the plan. */
	missing: string[];
} & (
	| { kind: 'supplier'; pack: Pack; packs: number }
	/** Cut from another material, or from several layers of a thinner one; painted over where its colour would show. */
	| { kind: 'cut'; otherId: number; layers: number; paint: PaintOver | null }
	/** Joined otherwise: these steps become others. */
	| { kind: 'closure'; technique: TechniqueKey; steps: { id: number; amount: number }[] }
	/** Coats in another colour of the same product. */
	| { kind: 'colour'; otherId: number; coatIds: number[] }
	/** Made here instead of bought. */
	| { kind: 'make'; componentId: number }
);

/** Coats of a paint, of these components: all where the material's own colour shows. */
export interface PaintOver {
	paintId: number;
	product: CoatProductKey;
	coats: number;
	componentIds: number[];
}

/** How much of a component's look it costs. Starting values, from memory. */
const LOSS = { supplier: 0, cut: 0, closure: 0.03, colour: 0.15, painted: 0.05, make: 0 };

/** Families on which a coat that does not bend cracks. */
const BENDS: readonly Family[] = ['cloth', 'hair'];

export interface StandInFacts {
	record: CostumeRecord;
	/** As the costume may count on it. */
	workshop: Workshop;
	offers: readonly Offer[];
	now: LocalMinutes;
}

/** Everything that could stand in for a material of the shopping, what comes first in front. */
export function standInsFor(line: ShoppingLine, facts: StandInFacts): StandIn[] {
	const all = [
		...suppliers(line, facts),
		...cuts(line, facts),
		...closures(line, facts),
		...colours(line, facts),
		...making(line, facts)
	];
	return all.sort((a, b) => (a.arrives ?? -1) - (b.arrives ?? -1) || a.loss - b.loss);
}

/** What will not be there when its first step needs it, as far as is known; an order that is overdue may never come. */
export const cannotComeInTime = (
	orders: readonly OrderBy[],
	lines: readonly ShoppingLine[],
	now: LocalMinutes
): OrderBy[] => {
	const needed = new Set(lines.filter((l) => l.needed > 0).map((l) => l.material.id));
	return orders.filter(
		(o) => needed.has(o.material.id) && (o.tooLate || (o.purchase !== null && isOverdue(o.purchase, now)))
	);
};

/** What of a material is neither here nor promised from the stash, whatever is on its way. */
export const notHere = ({ material, needed, taken, stash }: ShoppingLine, record: CostumeRecord): number =>
	Math.max(0, needed - taken - stash - hereOf(record.purchases, material));

/** When so much of a material would be here, ordered today: null when the stash has it. */
function comes({ stash, ...material }: Material, quantity: number, { workshop, now }: StandInFacts) {
	return stash >= quantity - GRACE ? null : arrivalDay(dayOf(now), withSender(material, workshop.suppliers));
}

function lossOf(kind: keyof typeof LOSS, componentIds: readonly number[], { record }: StandInFacts): number {
	const { look, wholeLook } = looksOf(record.components);
	return [...new Set(componentIds)].reduce(
		(sum, id) => sum + (LOSS[kind] * (look.get(id) ?? 0)) / wholeLook,
		0
	);
}

function suppliers(line: ShoppingLine, facts: StandInFacts): StandIn[] {
	const { record, workshop, offers, now } = facts;
	const amount = notHere(line, record);
	if (amount <= GRACE) return [];
	const today = dayOf(now);
	const { packs } = packsOf([line.material], offers, workshop, record.costume.currency);
	const listed = record.purchases.filter((p) => p.materialId === line.material.id && p.state === 'planned');
	return packs.flatMap((pack): StandIn[] => {
		const count = wholePacks(amount, pack.packSize);
		const same = listed.some((p) => p.supplier === pack.supplier && p.leadDays === pack.leadDays);
		if (same || (pack.mostPacks !== null && count > pack.mostPacks)) return [];
		return [
			{
				kind: 'supplier',
				key: `supplier ${pack.id}`,
				words: `${count} × ${formatNumber(pack.packSize)} ${line.material.unit} ${pack.supplier ? `from ${pack.supplier}` : 'in the usual pack'}`,
				arrives: arrivalDay(today, withSender(pack, workshop.suppliers)),
				loss: 0,
				missing: [],
				pack,
				packs: count
			}
		];
	});
}

/** Units of another material that the same area comes to, in so many layers; null where either has no size. */
export function areaInOther(
	quantity: number,
	material: Material,
	other: Material,
	layers: number
): number | null {
	const [its, others] = [areaOfUnit(material), areaOfUnit(other)];
	return its === null || others === null ? null : (quantity * its * layers) / others;
}

function cuts(line: ShoppingLine, facts: StandInFacts): StandIn[] {
	// What is begun is cut to its end.
	if (line.taken > GRACE || !line.usages.some((u) => u.from === 'entered')) return [];
	const { material } = line;
	return substitutesOf(material, facts.workshop.materials)
		.slice(1)
		.flatMap(({ material: other, layers }): StandIn[] => {
			const quantity = areaInOther(line.needed, material, other, layers);
			if (quantity === null) return [];
			const words = layers === 1 ? `cut from ${other.name}` : `${layers} layers of ${other.name}`;
			const key = `cut ${other.id} ${layers}`;
			const arrives = comes(other, quantity, facts);
			const its = { kind: 'cut' as const, otherId: other.id, layers, missing: [] };
			const shows = otherColour(material, other) ? uncoated(line, facts) : [];
			if (shows.length === 0) return [{ ...its, key, words, arrives, loss: 0, paint: null }];
			const loss = lossOf('colour', shows, facts);
			const painted = paintsOver(line, shows, facts).map(({ paint, name, arrives: dries }): StandIn => ({
				...its,
				key: `${key} paint ${paint.paintId}`,
				words: `${words}, with ${pluralize('coat', paint.coats, true)} of ${name} over it`,
				arrives: arrives === null && dries === null ? null : Math.max(arrives ?? -1, dries ?? -1),
				loss: lossOf('painted', shows, facts),
				paint
			}));
			return [{ ...its, key, words: `${words}, another colour`, arrives, loss, paint: null }, ...painted];
		});
}

/** Components that take it and have no coat: what it is cut from is what is seen. */
const uncoated = (line: ShoppingLine, { record }: StandInFacts): number[] => {
	const its = line.usages.filter((u) => u.from === 'entered').map((u) => u.componentId);
	return [...new Set(its)].filter((id) => !record.coats.some((c) => c.componentId === id));
};

/** Paints in the colour that is wanted; on cloth those that bend with it. */
function paintsOver(
	line: ShoppingLine,
	componentIds: number[],
	facts: StandInFacts
): { paint: PaintOver; name: string; arrives: number | null }[] {
	const { material, usages } = line;
	const { workshop } = facts;
	const trade = catalogueOf(workshop.handbook);
	const units = usages.reduce((sum, u) => sum + (componentIds.includes(u.componentId) ? u.quantity : 0), 0);
	return workshop.materials.flatMap((m) => {
		if (m.coatProduct === null || !sameColour(m, material)) return [];
		const product = coatProductOf(trade, m.coatProduct);
		if (BENDS.includes(material.family) && !product.flexible) return [];
		const coats = product.coats[0];
		// What is cut away is not painted: it is enough.
		const quantity = (units * areaOfUnit(material)! * coats) / coversOf(m, product);
		const paint = { paintId: m.id, product: m.coatProduct, coats, componentIds };
		return [{ paint, name: m.name, arrives: comes(m, quantity, facts) }];
	});
}

function closures(line: ShoppingLine, facts: StandInFacts): StandIn[] {
	const { record, workshop } = facts;
	const trade = catalogueOf(workshop.handbook);
	const users = new Set(line.usages.map((u) => u.componentId));
	const its = [JOINS, OPENINGS].flatMap((table) =>
		techniquesOf(line.material, table, trade).map((technique) => ({ technique, table }))
	);
	const all = its.flatMap(({ technique, table }) => {
		const steps = record.steps.filter(
			(s) => s.technique === technique && s.doneAt === null && users.has(s.componentId) && s.amount > 0
		);
		if (steps.length === 0) return [];
		return Object.keys(table)
			.filter((other) => other !== technique && trade.technique[other])
			.map((other) => closureBy(other, table[other]! / table[technique]!, steps, facts, trade));
	});
	// What is in both tables joins more often than it closes an opening.
	return all.filter((s, k) => all.findIndex((t) => t.key === s.key) === k);
}

/** Techniques of a table that use a material up. */
const techniquesOf = (
	{ supply }: Material,
	table: Readonly<Record<TechniqueKey, number>>,
	trade: Catalogue
): TechniqueKey[] => {
	const by = usedUpBy(trade);
	return Object.keys(table).filter((t) => by.get(t)?.some((u) => u.supply === supply));
};

function closureBy(
	technique: TechniqueKey,
	times: number,
	steps: readonly Step[],
	facts: StandInFacts,
	trade: Catalogue
): StandIn {
	const byId = new Map(facts.record.components.map((c) => [c.id, c]));
	const made = steps.map((s) => ({ id: s.id, amount: Math.ceil(s.amount * times - GRACE) }));
	const count = steps.reduce(
		(sum, s, k) => sum + made[k]!.amount * (s.perCopy ? copiesOf(byId.get(s.componentId)!, byId) : 1),
		0
	);
	const used = (usedUpBy(trade).get(technique) ?? []).map(({ supply, amount }) => ({
		row: trade.supply[supply]!,
		quantity: count * amount,
		material: facts.workshop.materials.find((m) => m.supply === supply && standsForSupply(m, trade))
	}));
	const days = used.flatMap(({ row, quantity, material: m }) =>
		m ? [comes(m, quantity / suppliesPer(row.unit, m.unit)!, facts) ?? -1] : []
	);
	const last = Math.max(-1, ...days);
	const componentIds = steps.map((s) => s.componentId);
	return {
		kind: 'closure',
		key: `closure ${technique}`,
		words: `${techniqueOf(trade, technique).name} instead, ${count} in all`,
		arrives: last < 0 ? null : last,
		loss: lossOf('closure', componentIds, facts),
		missing: used.filter((u) => !u.material).map((u) => u.row.name),
		technique,
		steps: made
	};
}

function colours(line: ShoppingLine, facts: StandInFacts): StandIn[] {
	const { record, workshop } = facts;
	const open = record.coats.filter(
		(c) =>
			materialOfCoat(c, workshop.materials)?.id === line.material.id &&
			record.steps.some((s) => s.coatId === c.id && s.doneAt === null)
	);
	// Coats of one product that are begun in one colour are ended in it.
	const whole = open.filter((c) => !record.steps.some((s) => s.coatId === c.id && s.doneAt !== null));
	const product = line.material.coatProduct;
	if (product === null || whole.length === 0 || whole.length < open.length) return [];
	const others = workshop.materials.filter((m) => m.coatProduct === product && m.id !== line.material.id);
	const componentIds = whole.map((c) => c.componentId);
	return others.map((other) => ({
		kind: 'colour',
		key: `colour ${other.id}`,
		words: `${other.name} for ${codes(componentIds, record.components)}, another colour`,
		arrives: comes(other, line.needed, facts),
		loss: lossOf('colour', componentIds, facts),
		missing: [],
		otherId: other.id,
		coatIds: whole.map((c) => c.id)
	}));
}

function making(line: ShoppingLine, { record }: StandInFacts): StandIn[] {
	return record.components
		.filter((c) => c.source === 'buy' && line.usages.some((u) => u.componentId === c.id))
		.map((c) => ({
			kind: 'make',
			key: `make ${c.id}`,
			words: `make ${c.code} ${c.name} instead`,
			arrives: null,
			loss: 0,
			missing: [],
			componentId: c.id
		}));
}

const codes = (ids: readonly number[], components: readonly Component[]): string =>
	namesWords([...new Set(ids)].map((id) => components.find((c) => c.id === id)?.code ?? ''));
