import {
	nextCode,
	PLAIN_COMPONENT,
	type Component,
	type Kind,
	type RouteKey,
	type Side,
	type Source
} from '../facts/component.ts';
import type { Catalogue } from '../trade/catalogue.ts';
import { zonesAt, type Thing } from '../trade/thing.ts';
import { dictionaryOf, saidIn, singular, SOURCE_WORDS, type Said } from './lineSaid.ts';
import { LineWords } from './lineWords.ts';

/** A component read from one line of the maker's own words. */
export interface QuickComponent extends Pick<
	Component,
	| 'name'
	| 'kind'
	| 'form'
	| 'layer'
	| 'zones'
	| 'side'
	| 'count'
	| 'flex'
	| 'thicknessMm'
	| 'source'
	| 'surface'
	| 'route'
	| 'furtherRoutes'
> {
	/** As it was typed. */
	typed: string;
	/** What it is a part of: a component that is there, or the line of another. */
	partOf: { id: number } | { line: number } | null;
	/** Words that were understood, and as what. */
	understood: { words: string; as: string }[];
	/** What no word said. */
	guessed: string[];
}

/** More at once is no breakdown. */
export const MOST_LINES = 100;
const MOST_NAME = 120;
const MOST_FORM = 200;

interface Read extends Omit<QuickComponent, 'partOf'> {
	thing: Thing | null;
	relation: Said['relation'];
}

/** How many on which side: two of what comes left and right are a pair, and so are several of it. */
function copiesSaid({ number, side, head }: Said): { side: Side; count: number } {
	const count = number?.count ?? 1;
	if (side !== null) return { side, count: side === 'pair' && count % 2 === 0 ? count / 2 : count };
	if (!head?.thing.paired) return { side: 'none', count };
	if (number) return count % 2 === 0 ? { side: 'pair', count: count / 2 } : { side: 'none', count };
	return { side: head.several ? 'pair' : 'none', count };
}

/** How to get it, and by which routes: what it is made of before what such a thing is as a rule. */
function waysSaid({ materials, source: said, head }: Said, kind: Kind) {
	const ways = [...new Set(materials.flatMap((m) => m.route[kind] ?? []))];
	const usual = ways[0] ?? head?.thing.route ?? null;
	const source: Source = said ?? (usual === 'alteredGarment' ? 'alter' : 'make');
	const alters = kind === 'garment' ? 'alteredGarment' : kind === 'wig' ? 'wig' : 'foundObject';
	const route: RouteKey | null = source === 'make' ? usual : source === 'alter' ? alters : null;
	const more = [...ways.slice(1), ...materials.flatMap((m) => m.further ?? [])];
	return {
		source,
		route,
		furtherRoutes: route === null ? [] : [...new Set(more)].filter((r) => r !== route),
		isSaid: route === null || ways.includes(route) || said === 'alter'
	};
}

/** Its name, and what is left over for its form: what stands in the other parts of the line. */
function namedIn({ line, head }: Said, typed: string): { name: string; rest: string[] } {
	const part = head ? line.partOf(head.at) : line.firstLeft;
	return {
		name: (line.left(part) || typed.trim()).slice(0, MOST_NAME),
		rest: line.parts.filter((p) => p !== part).flatMap((p) => line.left(p) || [])
	};
}

function readLine(typed: string, trade: Catalogue): Read {
	const said = saidIn(typed, trade);
	const { head, materials, number, sheet } = said;
	const thing = head?.thing ?? null;
	const kind = thing?.kind ?? materials.find((m) => m.kind)?.kind ?? PLAIN_COMPONENT.kind;
	const { side, count } = copiesSaid(said);
	const { isSaid, ...ways } = waysSaid(said, kind);
	const { name, rest } = namedIn(said, typed);
	const zones = zonesAt(thing?.places ?? [], side);
	const routeName = ways.route ? (trade.route[ways.route]?.name ?? ways.route) : '';
	const understood = [
		...said.understood,
		...(number
			? [{ words: number.words, as: side === 'pair' && count === 1 ? 'a pair' : `count ${count}` }]
			: []),
		...(head ? [{ words: said.line.words(head.at, head.long), as: kind as string }] : [])
	];
	const guessed = [
		...(thing ? [] : [`kind: ${kind}`]),
		...(thing?.paired && side === 'none' && !number ? ['side: middle or whole'] : []),
		...(head?.several && !thing!.paired && !number ? ['count 1'] : []),
		...(zones.length ? [] : ['zones: none']),
		...(isSaid ? [] : [`route: ${routeName}`]),
		...(said.source || ways.source === 'make' ? [] : [SOURCE_WORDS[ways.source]])
	];
	return {
		typed,
		name,
		kind,
		form: [...(sheet ? [`${sheet.words} ${routeName}`.trim()] : []), ...said.cloth, ...said.sizes, ...rest]
			.join(', ')
			.slice(0, MOST_FORM),
		layer: thing?.layer ?? PLAIN_COMPONENT.layer,
		zones,
		side,
		count,
		flex: materials.find((m) => m.flex)?.flex ?? thing?.flex ?? PLAIN_COMPONENT.flex,
		thicknessMm: sheet?.mm ?? null,
		...ways,
		surface: materials.find((m) => m.surface)?.surface ?? null,
		understood,
		guessed,
		thing,
		relation: said.relation
	};
}

/** Whether such words name it: as it is called, or as a thing of the same sort. */
function names(words: string, name: string, thing: Thing | null, trade: Catalogue): boolean {
	const plain = (text: string) => singular(text.toLowerCase());
	if (plain(name) === plain(words)) return true;
	if (` ${plain(name)}`.endsWith(` ${plain(words)}`)) return true;
	const other = dictionaryOf(trade).things.get(words)?.thing;
	return other !== undefined && other === thing;
}

/** The thing that a name names: its last words that are known. Null for none. */
export function thingNamed(name: string, trade: Catalogue): Thing | null {
	const words = name.toLowerCase().split(/\s+/);
	const { things } = dictionaryOf(trade);
	for (let end = words.length; end > 0; end--)
		for (let start = 0; start < end; start++) {
			const its = things.get(words.slice(start, end).join(' '));
			if (its) return its.thing;
		}
	return null;
}

/** The lines of a text that say anything. */
export const linesOf = (text: string): string[] =>
	text.split(/\r?\n/).filter((l) => !new LineWords(l).isEmpty);

/**
 * Components read from the maker's own words, a line each: amounts, sides, thickness, materials, how to get it, what it is over or a
 * part of. Words that nothing is known of name the component, or stand in its form.
 *
 * @param text a line each; empty ones are nothing, and of more than `MOST_LINES` only those are read
 * @param there components that the costume has already: what is over the coat is over theirs as well
 */
export function readLines(
	text: string,
	there: readonly Pick<Component, 'id' | 'name' | 'layer'>[],
	trade: Catalogue
): QuickComponent[] {
	const lines = linesOf(text)
		.slice(0, MOST_LINES)
		.map((l) => readLine(l, trade));
	const known = there.map((c) => ({ ...c, thing: thingNamed(c.name, trade) }));

	/** What a line means by words that name another: a line of these before what is there. */
	const meant = (words: string, by: number): { line: number } | { id: number } | null => {
		const line = lines.findIndex((l, i) => i !== by && names(words, l.name, l.thing, trade));
		if (line >= 0) return { line };
		const its = known.find((c) => names(words, c.name, c.thing, trade));
		return its ? { id: its.id } : null;
	};
	const targets = lines.map((l, i) => (l.relation ? meant(l.relation.to, i) : null));

	/** How deep a line sits, behind whatever it is over or under; a ring of such words is read once round. */
	const layerOf = (i: number, through: readonly number[] = []): number => {
		const { relation, layer } = lines[i]!;
		const target = targets[i];
		if (!relation || !target || relation.kind === 'part' || through.includes(i)) return layer;
		const its =
			'id' in target ? known.find((c) => c.id === target.id)!.layer : layerOf(target.line, [...through, i]);
		if (relation.kind === 'over') return Math.min(20, Math.max(layer, its + 1));
		return Math.max(0, Math.min(layer, its - 1));
	};
	/** Nothing becomes a part of itself, by whatever way round. */
	const isPart = (i: number, through: readonly number[] = []): boolean => {
		const target = targets[i];
		if (lines[i]!.relation?.kind !== 'part' || !target) return through.length > 0;
		if ('id' in target) return true;
		return !through.includes(target.line) && target.line !== i && isPart(target.line, [...through, i]);
	};

	return lines.map(({ thing: _, relation, ...line }, i): QuickComponent => {
		const target = targets[i] ?? null;
		const layer = layerOf(i);
		const partOf = relation?.kind === 'part' && target && isPart(i) ? target : null;
		const isRead = relation !== null && target !== null && (relation.kind !== 'part' || partOf !== null);
		const targetName =
			target === null
				? ''
				: 'id' in target
					? known.find((c) => c.id === target.id)!.name
					: lines[target.line]!.name;
		const layerSaid = isRead && relation.kind !== 'part';
		return {
			...line,
			// Nobody knows what it is over: the words are kept.
			form: [line.form, relation && !isRead ? relation.words : '']
				.filter(Boolean)
				.join(', ')
				.slice(0, MOST_FORM),
			layer,
			partOf,
			understood: isRead
				? [
						...line.understood,
						{
							words: relation.words,
							as: partOf ? `part of ${targetName}` : `layer ${layer}, ${relation.kind} ${targetName}`
						}
					]
				: line.understood,
			guessed: layerSaid ? line.guessed : [...line.guessed, `layer ${layer}`]
		};
	});
}

/** The lines as the components that they become, with the codes that they will have; their ids are below nothing. */
export function asComponents(
	lines: readonly QuickComponent[],
	there: readonly Pick<Component, 'costumeId' | 'code'>[]
): Component[] {
	const codes = there.map((c) => c.code);
	return lines.map(({ typed: _, understood: _as, guessed: _what, partOf, ...line }, i): Component => {
		const code = nextCode(line.kind, codes);
		codes.push(code);
		const parentId = partOf === null ? null : 'id' in partOf ? partOf.id : -1 - partOf.line;
		return {
			...PLAIN_COMPONENT,
			...line,
			id: -1 - i,
			costumeId: there[0]?.costumeId ?? 0,
			parentId,
			position: i,
			code,
			version: 1
		};
	});
}

const LEAST_LETTERS = 2;

/** The word that a line which ends in its first letters is likely to go on to; null for none. */
export function completed(line: string, trade: Catalogue): string | null {
	const begun = /(?:^|[\s,;:(])([\p{L}][\p{L}-]*)$/u.exec(line)?.[1]?.toLowerCase();
	if (!begun || begun.length < LEAST_LETTERS) return null;
	const things = Object.values(trade.thing).flatMap((t) => t.words.map((w) => (t.paired ? `${w}s` : w)));
	const materials = Object.values(trade.madeOf).flatMap((m) => m.words);
	// What it is stands first, as a rule, and what it is of behind a comma.
	const words = /[,;:(]/.test(line) ? [...materials, ...things] : [...things, ...materials];
	const found = words.find((w) => w.startsWith(begun) && w !== begun);
	// What is a word already is left alone, unless it is one of several.
	return found && !words.includes(begun) ? found : null;
}
