import type { CostumeRecord } from '../facts/costume.ts';
import { isTool, knownCost, purchaseCost, type Material, type Purchase } from '../facts/material.ts';
import { shared } from '../units/money.ts';
import { stashUnitCost } from './lots.ts';
import type { MoneyGroup } from './moneyBy.ts';
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
	/** Of everything together: for tools, which stay when the costume is done. */
	tools: Pick<MoneyGroup, 'minor' | 'parts'>;
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
					.filter((l) => !isTool(l.material) && stashUnitCost(l.material) === null && l.taken + l.stash > 0)
					.map((l) => l.material.id)
			: [])
	];
	const back = givenBack(record, lines).reduce((total, s) => total + s.minor, 0);
	const stashMinor = lines.reduce((total, l) => total + stashCost(l, record), 0) + back;
	const totalMinor = plannedMinor + orderedMinor + paidMinor + notListedMinor + stashMinor;
	const shares = shareOut(record, lines);
	return {
		plannedMinor,
		orderedMinor,
		paidMinor,
		notListedMinor,
		stashMinor,
		tools: forTools(record, lines),
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
 * else goes by the average of the lots that are there. A tool is not used up: it costs nothing.
 */
function stashCost(
	{ taken, stash, needed, material }: ShoppingLine,
	{ costume, needs }: CostumeRecord
): number {
	if (!costume.stashAtCost || isTool(material)) return 0;
	let [cut, cutMinor] = [0, 0];
	for (const n of needs)
		if (n.materialId === material.id && n.takenMinor !== null) {
			cut += n.taken;
			cutMinor += n.takenMinor;
		}
	const more = Math.max(0, Math.min(taken + stash, needed) - cut);
	return cutMinor + Math.round(more * (stashUnitCost(material) ?? 0));
}

/** What of purchases went to the stash, taken off where it counts at what it cost; their sending stays with the costume. */
const givenBack = (record: CostumeRecord, lines: readonly ShoppingLine[]): Share[] =>
	record.costume.stashAtCost
		? shareOut(record, lines, (p, { packSize }) =>
				p.state === 'returned'
					? 0
					: -Math.round((p.stashed / (p.packSize ?? packSize)) * (p.packPriceMinor ?? 0))
			)
		: [];

/** What the costume will have cost, as far as prices are known, shared out by what each component takes. It comes to the total of its spend. */
function expectedShares(record: CostumeRecord, lines: readonly ShoppingLine[]): Share[] {
	const more = lines.flatMap((l) => {
		const minor = (l.costShortMinor ?? 0) + stashCost(l, record);
		return minor > 0 ? sharesOf(minor, l) : [];
	});
	return [...shareOut(record, lines), ...more, ...givenBack(record, lines)];
}

const toolsOf = (lines: readonly ShoppingLine[]): ReadonlySet<number> =>
	new Set(lines.flatMap((l) => (isTool(l.material) ? [l.material.id] : [])));

function forTools(record: CostumeRecord, lines: readonly ShoppingLine[]): Spend['tools'] {
	const shares = expectedShares(record, lines);
	const parts = [...toolsOf(lines)].map((materialId) => ({
		materialId,
		minor: shares.reduce((sum, s) => sum + (s.materialId === materialId ? s.minor : 0), 0)
	}));
	return { minor: parts.reduce((sum, p) => sum + p.minor, 0), parts: parts.filter((p) => p.minor !== 0) };
}

/**
 * What is used up for each component and will have cost, null for none: together the total of its spend less tools, which are nobody's
 * share.
 */
export function expectedByComponent(record: CostumeRecord, supplies: Supplies): Map<number | null, number> {
	const lines = shoppingLines(record, supplies);
	const tools = toolsOf(lines);
	return byComponentOf(expectedShares(record, lines).filter((s) => !tools.has(s.materialId)));
}

/** Each purchase goes to its component, or is shared by what each component takes of that material. */
function shareOut(
	{ purchases }: CostumeRecord,
	lines: readonly ShoppingLine[],
	minorOf: (p: Purchase, material: Material) => number = knownCost
): Share[] {
	// Whatever is bought has a line.
	const lineOf = new Map(lines.map((l) => [l.material.id, l]));
	return purchases.flatMap((p): Share[] => {
		const { componentId, materialId } = p;
		const line = lineOf.get(materialId)!;
		const minor = minorOf(p, line.material);
		return componentId !== null ? [{ componentId, materialId, minor }] : sharesOf(minor, line);
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
