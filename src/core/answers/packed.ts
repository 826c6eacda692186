import { copiesOf, inLedgerOrder, type Component } from '../facts/component.ts';
import type { TravelCase } from '../facts/travel.ts';
import { PLAIN_WEARING, type Worn, type Wearing } from '../facts/wear.ts';
import { driversOf } from '../engines/pattern/drivers.ts';
import type { PackItem, Packing, PackTask } from '../engines/case/pack.ts';
import type { Vec } from '../units/vec.ts';
import type { CutPieces } from './followPieces.ts';
import type { Weight } from './weight.ts';

/** What parts of a pole overlap where they are put together, mm. */
export const SLEEVE_MM = 120;
/** How folded cloth lies: length and width of the parcel, mm; how much its layers stand off each other; what it is pressed to. From memory. */
export const FOLDED = { length: 400, width: 300, loft: 3, softTo: 0.6 } as const;
/** Cloth of which nobody knows how thick it is, mm. From memory. */
export const CLOTH_MM = 0.8;

type Said = Omit<Wearing, 'id' | 'componentId' | 'version'>;

/** What is said of wearing a component. */
export const saidOf = (component: Pick<Component, 'id'>, { wearings }: Pick<Worn, 'wearings'>): Said =>
	wearings.find((w) => w.componentId === component.id) ?? PLAIN_WEARING;

/** A part of what is cut into so many, mm. */
export const partLength = (mm: number, parts: number, overlap: number = SLEEVE_MM): number =>
	mm / parts + overlap;

/** The longest part of what comes apart into so many, mm. */
export const longestPart = (size: Vec, parts: number): number => {
	const longest = Math.max(...size);
	return parts > 1 ? partLength(longest, parts) : longest;
};

/** So much cloth, folded. */
export interface Folded {
	/** mm² in all layers. */
	area: number;
	thickness: number;
}
export interface PackedBox {
	size: Vec;
	/** Measured as it is packed; as it is put together; in its parts, side by side; folded, worked out. */
	by: 'packed' | 'size' | 'parts' | 'folded';
	softTo: number | null;
	folded: Folded | null;
}

/** Cloth of its pieces; null where it has any that are not of cloth. */
function clothOf(cuts: readonly CutPieces[]): Folded | null {
	if (!cuts.length || cuts.some(({ material }) => material?.family !== 'cloth')) return null;
	const areas = cuts.map(({ pieces, layers }) => driversOf(pieces).cutArea * layers);
	const area = areas.reduce((a, b) => a + b, 0);
	const volume = cuts.reduce(
		(sum, { material }, i) => sum + areas[i]! * (material!.thicknessMm ?? CLOTH_MM),
		0
	);
	return area > 0 ? { area, thickness: volume / area } : null;
}

/** How high so much cloth lies when it is folded, mm: no less than a finger. */
export const foldedHeight = (
	area: number,
	thickness: number,
	{ loft, length, width }: { loft: number; length: number; width: number } = FOLDED
): number => Math.max(10, (area * thickness * loft) / (length * width));

/** The box of one copy in its case; null where nobody knows it. */
export function packedBox(said: Said, cuts: readonly CutPieces[]): PackedBox | null {
	const { size, packed, parts, softTo } = said;
	if (packed) return { size: packed, by: 'packed', softTo, folded: null };
	if (size && parts > 1) {
		const [, wide, high] = [...size].sort((a, b) => b - a) as [number, number, number];
		return { size: [longestPart(size, parts), high * parts, wide], by: 'parts', softTo, folded: null };
	}
	if (size) return { size, by: 'size', softTo, folded: null };
	const folded = clothOf(cuts);
	return (
		folded && {
			size: [FOLDED.length, FOLDED.width, foldedHeight(folded.area, folded.thickness)],
			by: 'folded',
			softTo: softTo ?? FOLDED.softTo,
			folded
		}
	);
}

/** One thing that travels: a copy of a component. */
export interface Luggage {
	component: Component;
	/** 1 for the first. */
	copy: number;
	/** Of so many. */
	of: number;
	said: Said;
	box: PackedBox | null;
	/** What weighs: itself, and the parts that go with it, g for one copy of it; null where nobody knows one of them. */
	weighs: { component: Component; grams: number | null }[];
	grams: number | null;
}

/** `c3.2`: the second of component 3. */
export const lineAt = (componentId: number, copy: number): string => `c${componentId}.${copy}`;
export const lineOf = ({ component, copy }: Pick<Luggage, 'component' | 'copy'>): string =>
	lineAt(component.id, copy);

/** A part travels with its whole, unless something is said of how it goes by itself. */
const goesAlone = (component: Component, { size, packed, insideId, travels, features }: Said): boolean =>
	component.parentId === null ||
	size !== null ||
	packed !== null ||
	insideId !== null ||
	travels !== 'case' ||
	features.length > 0;

/** Everything that travels by itself, copy by copy, in the order of the ledger. Parts that go with it are in its weight. */
export function luggageOf(
	components: readonly Component[],
	wear: Worn,
	weights: ReadonlyMap<number, Weight>,
	cutsOf: (component: Component) => readonly CutPieces[]
): Luggage[] {
	const byId = new Map(components.map((c) => [c.id, c]));
	const things = inLedgerOrder(components)
		.map(({ item }) => item)
		.filter((c) => goesAlone(c, saidOf(c, wear)));
	const alone = new Set(things);
	const withParts = (c: Component): Component[] => [
		c,
		...components.filter((p) => p.parentId === c.id && !alone.has(p)).flatMap(withParts)
	];
	const hostOf = (c: Component) => things.find((t) => t.id === saidOf(c, wear).insideId);
	/** What it is inside of; what is inside each other in a circle travels by itself, all of it. */
	function travelsIn(c: Component): number | null {
		const seen = new Set<Component>();
		for (let host = hostOf(c); host && !seen.has(host); host = hostOf(host)) {
			if (host === c) return null;
			seen.add(host);
		}
		return hostOf(c)?.id ?? null;
	}
	return things.flatMap((component) => {
		const said = { ...saidOf(component, wear), insideId: travelsIn(component) };
		const of = copiesOf(component, byId);
		const box = packedBox(said, cutsOf(component));
		const weighs = withParts(component).map((c) => {
			const one = weights.get(c.id)?.grams ?? null;
			return { component: c, grams: one === null ? null : (one * copiesOf(c, byId)) / of };
		});
		const grams = weighs.reduce<number | null>(
			(sum, w) => (sum === null || w.grams === null ? null : sum + w.grams),
			0
		);
		return Array.from({ length: of }, (_, i) => ({
			component,
			copy: i + 1,
			of,
			said,
			box,
			weighs,
			grams
		}));
	});
}

/** How a copy travels. */
export type Goes = 'case' | 'worn' | 'hand' | 'inside';
export const goesAs = ({ said }: Pick<Luggage, 'said'>): Goes =>
	said.insideId !== null ? 'inside' : said.travels;

/** What travels inside a copy: all copies of it in the first one. */
export const insideOf = ({ component, copy }: Luggage, luggage: readonly Luggage[]): Luggage[] =>
	copy === 1 ? luggage.filter((l) => l.said.insideId === component.id) : [];

/** What is to be packed into cases, and of what nobody knows the size. */
export function packingOf(
	luggage: readonly Luggage[],
	cases: readonly TravelCase[]
): { task: PackTask; unmeasured: Component[]; unweighed: Component[] } {
	const packed = luggage.filter((l) => goesAs(l) === 'case');
	const inside = (host: Luggage): Luggage[] => insideOf(host, luggage).flatMap((l) => [l, ...inside(l)]);
	const first = (of: readonly Luggage[]) => of.filter((l) => l.copy === 1).map((l) => l.component);
	return {
		task: {
			cases: cases.map(({ id, inner, kg }) => ({ id: String(id), inner, kg })),
			items: packed.flatMap((l): PackItem[] =>
				l.box
					? [
							{
								id: lineOf(l),
								size: l.box.size,
								kg: [l, ...inside(l)].reduce((sum, { grams }) => sum + (grams ?? 0), 0) / 1000,
								quantity: 1,
								turns: l.said.upright ? 'upright' : 'any',
								fragile: l.said.fragile,
								softTo: l.box.softTo
							}
						]
					: []
			)
		},
		unmeasured: first(packed.filter((l) => !l.box)),
		unweighed: first(packed.flatMap((l) => [l, ...inside(l)]).filter((l) => l.grams === null))
	};
}

/** The layers of a case from the floor up: what stands at one height, and what from below reaches past it. */
export function layersOf(
	placements: Packing['placements']
): { at: number; standing: Packing['placements']; through: Packing['placements'] }[] {
	const heights = [...new Set(placements.map((p) => Math.round(p.at[2])))].sort((a, b) => a - b);
	return heights.map((at) => ({
		at,
		standing: placements.filter((p) => Math.round(p.at[2]) === at),
		through: placements.filter((p) => Math.round(p.at[2]) < at && p.at[2] + p.size[2] > at + 1)
	}));
}

/** Whether one lies pressed, however it is turned. */
export const isPressed = (
	{ size }: Pick<Packing['placements'][number], 'size'>,
	{ box }: Pick<Luggage, 'box'>
): boolean => {
	const volume = (sides: Vec) => sides[0] * sides[1] * sides[2];
	return box !== null && volume(size) < 0.99 * volume(box.size);
};

/** What carriers often take, from memory: kg of one case, and its length, width and height together, mm. Theirs decide. */
export const CARRIER = { kg: 23, girthMm: 1580 };

/** Outside, with wall, wheels and handles. */
export const outerOf = ({ inner, wallMm }: Pick<TravelCase, 'inner' | 'wallMm'>): Vec => [
	inner[0] + 2 * wallMm,
	inner[1] + 2 * wallMm,
	inner[2] + 2 * wallMm
];
