import type { Leg, PackTick } from '../facts/travel.ts';
import type { Packing } from '../engines/case/pack.ts';
import type { KitItem } from './kit.ts';
import { goesAs, lineAt, lineOf, type Luggage } from './packed.ts';

/** One line of the list that is ticked: a copy of a component, or something of the emergency kit. */
export interface PackLine {
	line: string;
	name: string;
	luggage: Luggage | null;
	kit: KitItem | null;
}

/** `A-02 L`, `A-05 3 of 10`: one copy by its tag. */
export function copyWords({ component, copy, of }: Pick<Luggage, 'component' | 'copy' | 'of'>): string {
	if (of === 1) return component.code;
	return component.side === 'pair' && of === 2
		? `${component.code} ${copy === 1 ? 'L' : 'R'}`
		: `${component.code} ${copy} of ${of}`;
}

export const packLines = (luggage: readonly Luggage[], kit: readonly KitItem[]): PackLine[] => [
	...luggage.map((l) => ({
		line: lineOf(l),
		name: `${copyWords(l)} ${l.component.name}`,
		luggage: l,
		kit: null
	})),
	...kit.map((k) => ({ line: `kit ${k.key}`, name: k.name, luggage: null, kit: k }))
];

/** How a list stands: going everything is looked for, later what went. */
export function packedSoFar(
	lines: readonly PackLine[],
	ticks: readonly Pick<PackTick, 'line' | 'leg'>[],
	leg: Leg
): { wanted: PackLine[]; there: Set<string>; missing: PackLine[] } {
	const ticked = (of: Leg) => new Set(ticks.filter((t) => t.leg === of).map((t) => t.line));
	const went = ticked('going');
	const there = ticked(leg);
	const wanted =
		leg === 'going' || went.size === 0
			? [...lines]
			: lines.filter((l) => went.has(l.line) || there.has(l.line));
	return { wanted, there, missing: wanted.filter((l) => !there.has(l.line)) };
}

/** Where a line is looked for: `case 3`, by how it travels, the kit, or `left` where it is in no case. */
export type PackPlace = `case ${string}` | 'left' | 'hand' | 'worn' | 'kit';

/** What a line travels inside of; null for most. */
export const hostOf = ({ luggage }: PackLine): string | null =>
	luggage && luggage.said.insideId !== null ? lineAt(luggage.said.insideId, 1) : null;

/** Where each line is, what travels inside another with that one. */
export function placesOf(lines: readonly PackLine[], packing: Packing | null): Map<string, PackPlace> {
	const byLine = new Map(lines.map((l) => [l.line, l]));
	const caseOf = new Map(packing?.placements.map((p) => [p.item, p.case]));
	const placeOf = (line: PackLine): PackPlace => {
		if (!line.luggage) return 'kit';
		const host = byLine.get(hostOf(line) ?? '');
		if (host) return placeOf(host);
		const goes = goesAs(line.luggage);
		if (goes === 'worn' || goes === 'hand') return goes;
		const its = caseOf.get(line.line);
		return its === undefined ? 'left' : `case ${its}`;
	};
	return new Map(lines.map((l) => [l.line, placeOf(l)]));
}

/** Which case each line is in, as an address says it: `c3.1:2,c4.1:2`. */
export const placesWords = (places: ReadonlyMap<string, PackPlace>): string =>
	[...places]
		.filter(([, place]) => place.startsWith('case '))
		.map(([line, place]) => `${line}:${place.slice('case '.length)}`)
		.join(',');

/** The same read again: line and case; what says neither is left out. */
export const readPlaces = (words: string): [string, number][] =>
	words.split(',').flatMap((part): [string, number][] => {
		const [, line, its] = /^(c\d+\.\d+):(\d+)$/.exec(part) ?? [];
		return line && its ? [[line, Number(its)]] : [];
	});

/** The lines of a place, each followed by what is inside it. */
export function linesAt(
	lines: readonly PackLine[],
	places: ReadonlyMap<string, PackPlace>,
	place: PackPlace
): PackLine[] {
	const its = lines.filter((l) => places.get(l.line) === place);
	const there = new Set(its.map((l) => l.line));
	const inside = (line: string): PackLine[] =>
		its.filter((l) => hostOf(l) === line).flatMap((l) => [l, ...inside(l.line)]);
	return its.filter((l) => !there.has(hostOf(l) ?? '')).flatMap((l) => [l, ...inside(l.line)]);
}
