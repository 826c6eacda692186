import type { Costume, CostumeRecord } from '../facts/costume.ts';
import { knownCost, purchaseCost, type Material, type Purchase } from '../facts/material.ts';
import { shared } from '../units/money.ts';
import { stashUnitCost } from './lots.ts';
import { shoppingLines, type ShoppingLine, type Supplies } from './shopping.ts';

/** Money of one costume, in minor units of its currency. */
export interface Spend {
	/** On the list, not ordered. */
	plannedMinor: number;
	/** Ordered, on its way. */
	orderedMinor: number;
	/** Here: arrived or used. */
	paidMinor: number;
	/** Still short and on no list, at today's pack prices. */
	notListedMinor: number;
	/** What the stash gives less what of the costume's purchases went to it, when the costume counts it at cost. */
	stashMinor: number;
	/** Everything together: what the costume will have cost, as far as prices are known. */
	totalMinor: number;
	/** Materials that are paid for, and whose price nobody knows: they come on top. */
	unpriced: number[];
	/** Some quantities in it are guesses. */
	guessed: boolean;
	/** Ordered and paid: what is committed. */
	spentMinor: number;
	/** Limit less total; null without a limit. */
	leftMinor: number | null;
	/** Purchases shared out over components by what each takes. */
	shares: Share[];
	/** The same, added up; null is not for any component. */
	byComponent: Map<number | null, number>;
}

export interface Share {
	componentId: number | null;
	materialId: number;
	minor: number;
}

export function spendOf(record: CostumeRecord, supplies: Supplies): Spend {
	const sum = (states: readonly string[]) =>
		record.purchases.filter((p) => states.includes(p.state)).reduce((total, p) => total + knownCost(p), 0);
	const plannedMinor = sum(['planned']);
	const orderedMinor = sum(['ordered']);
	const paidMinor = sum(['arrived', 'used', 'returned']);
	const lines = shoppingLines(record, supplies);
	const notListedMinor = lines.reduce((total, l) => total + (l.costShortMinor ?? 0), 0);
	const unpriced = [
		...record.purchases.filter((p) => purchaseCost(p) === null).map((p) => p.materialId),
		...lines.filter((l) => l.costShortMinor === null).map((l) => l.material.id),
		...(record.costume.stashAtCost
			? lines
					.filter((l) => stashUnitCost(l.material) === null && l.taken + l.stash > 0)
					.map((l) => l.material.id)
			: [])
	];
	const material = new Map(lines.map((l) => [l.material.id, l.material]));
	const given = record.purchases.reduce((total, p) => {
		const its = material.get(p.materialId);
		return its ? total + givenMinor(p, its, record.costume) : total;
	}, 0);
	const stashMinor = lines.reduce((total, l) => total + stashCost(l, record), 0) - given;
	const totalMinor = plannedMinor + orderedMinor + paidMinor + notListedMinor + stashMinor;
	const shares = shareOut(record, lines);
	return {
		plannedMinor,
		orderedMinor,
		paidMinor,
		notListedMinor,
		stashMinor,
		totalMinor,
		unpriced: [...new Set(unpriced)],
		guessed: lines.some((l) => l.guessed),
		spentMinor: orderedMinor + paidMinor,
		leftMinor: record.costume.limitMinor === null ? null : record.costume.limitMinor - totalMinor,
		shares,
		byComponent: byComponentOf(shares)
	};
}

/**
 * What the stash gives of a material, at what it cost, where the costume counts it. What was cut cost what its lots had cost; anything
 * else goes by the average of the lots that are there.
 */
function stashCost(
	{ taken, stash, needed, material }: ShoppingLine,
	{ costume, needs }: CostumeRecord
): number {
	if (!costume.stashAtCost) return 0;
	let [cut, cutMinor] = [0, 0];
	for (const n of needs)
		if (n.materialId === material.id && n.takenMinor !== null) {
			cut += n.taken;
			cutMinor += n.takenMinor;
		}
	const more = Math.max(0, Math.min(taken + stash, needed) - cut);
	return cutMinor + Math.round(more * (stashUnitCost(material) ?? 0));
}

/** What of a purchase went to the stash, at what it cost, where the costume counts the stash; its sending stays with the costume. */
const givenMinor = (
	p: Purchase,
	{ packSize }: Pick<Material, 'packSize'>,
	{ stashAtCost }: Costume
): number =>
	stashAtCost && p.state !== 'returned'
		? Math.round((p.stashed / (p.packSize ?? packSize)) * (p.packPriceMinor ?? 0))
		: 0;

/**
 * What the costume will have cost, as far as prices are known, shared out over components by what each takes; null is of none. It comes
 * to the total of its spend.
 */
export function expectedByComponent(record: CostumeRecord, supplies: Supplies): Map<number | null, number> {
	const lines = shoppingLines(record, supplies);
	const more = lines.flatMap((l) => {
		const minor = (l.costShortMinor ?? 0) + stashCost(l, record);
		return minor > 0 ? sharesOf(minor, l) : [];
	});
	const given = shareOut(record, lines, (p, line) => -givenMinor(p, line.material, record.costume));
	return byComponentOf([...shareOut(record, lines), ...more, ...given]);
}

/** Each purchase goes to its component, or is shared by what each component takes of that material. */
function shareOut(
	{ purchases }: CostumeRecord,
	lines: readonly ShoppingLine[],
	minorOf: (p: Purchase, line: ShoppingLine) => number = knownCost
): Share[] {
	const lineOf = new Map(lines.map((l) => [l.material.id, l]));
	return purchases.flatMap((p): Share[] => {
		const { componentId, materialId } = p;
		const line = lineOf.get(materialId);
		const minor = line ? minorOf(p, line) : knownCost(p);
		return componentId !== null || !line ? [{ componentId, materialId, minor }] : sharesOf(minor, line);
	});
}

function sharesOf(minor: number, { usages, material: { id } }: ShoppingLine): Share[] {
	const mine = usages.filter((u) => u.quantity > 0);
	if (mine.length === 0) return [{ componentId: null, materialId: id, minor }];
	const parts = shared(
		minor,
		mine.map((u) => u.quantity)
	);
	return parts.map((part, i) => ({ componentId: mine[i]!.componentId, materialId: id, minor: part }));
}

function byComponentOf(shares: readonly Share[]): Map<number | null, number> {
	const by = new Map<number | null, number>();
	for (const { componentId, minor } of shares) by.set(componentId, (by.get(componentId) ?? 0) + minor);
	return by;
}
