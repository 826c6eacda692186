import {
	nextCode,
	PLAIN_COMPONENT,
	type Component,
	type Flex,
	type Kind,
	type RouteKey,
	type Side,
	type Source,
	type SurfaceKey
} from '../facts/component.ts';
import type { Zone } from '../facts/zone.ts';
import type { Catalogue } from '../trade/catalogue.ts';
import type { MadeOf } from '../trade/madeOf.ts';
import { zonesAt, type Thing } from '../trade/thing.ts';
import { parseLength } from '../units/measure.ts';

/** A component read from one line of the maker's own words. */
export interface QuickComponent {
	/** As it was typed. */
	typed: string;
	name: string;
	kind: Kind;
	form: string;
	layer: number;
	zones: Zone[];
	side: Side;
	count: number;
	flex: Flex;
	thicknessMm: number | null;
	source: Source;
	surface: SurfaceKey | null;
	route: RouteKey | null;
	furtherRoutes: RouteKey[];
	/** What it is a part of: a component that is there, or the line of another. */
	partOf: { id: number } | { line: number } | null;
	/** Words that were understood, and as what. */
	understood: { words: string; as: string }[];
	/** What no word said. */
	guessed: string[];
}

/** More at once is no breakdown. */
export const MOST_LINES = 100;
/** What is thicker is no sheet: how long it is, mm. */
const THICKEST = 30;
const MOST_NAME = 120;
const MOST_FORM = 200;

const NUMBERS = 'one two three four five six seven eight nine ten eleven twelve'.split(' ');
/** What is typed may be called like anything that objects have. */
const wordsOf = <T>(words: Record<string, T>): ReadonlyMap<string, T> => new Map(Object.entries(words));

const SIDE_WORDS = wordsOf<Side>({
	left: 'left',
	l: 'left',
	right: 'right',
	r: 'right',
	pair: 'pair',
	'pair of': 'pair',
	both: 'pair',
	'l+r': 'pair',
	'l/r': 'pair',
	'left and right': 'pair'
});
const SOURCE_SAID = wordsOf<Source>({
	'buy and alter': 'alter',
	'buy & alter': 'alter',
	'bought and altered': 'alter',
	alter: 'alter',
	altered: 'alter',
	buy: 'buy',
	bought: 'buy',
	order: 'buy',
	'have it': 'have',
	have: 'have',
	'already have': 'have',
	own: 'have',
	make: 'make',
	'self made': 'make'
});
/** How to get a component, in words. */
export const SOURCE_WORDS: Readonly<Record<Source, string>> = {
	make: 'make it',
	buy: 'buy it ready',
	alter: 'buy and alter',
	have: 'have it already'
};
type Relation = 'over' | 'under' | 'part';
const RELATIONS = wordsOf<Relation>({
	over: 'over',
	above: 'over',
	'on top of': 'over',
	under: 'under',
	beneath: 'under',
	below: 'under',
	'part of': 'part',
	on: 'part'
});
/** Words that say nothing by themselves. */
const FILLERS = new Set('a an the my his her and in of made from some to'.split(' '));

/** One of several: `pauldrons`, `knives`. A word that no rule takes apart stays as it is. */
const singular = (word: string): string => word.replace(/([^s])s$/, '$1');

interface Dictionary {
	things: Map<string, { thing: Thing; several: boolean }>;
	made: Map<string, MadeOf>;
	/** Words of the longest phrase. */
	longest: number;
}
const made = new WeakMap<Catalogue, Dictionary>();

function dictionaryOf(trade: Catalogue): Dictionary {
	const known = made.get(trade);
	if (known) return known;
	const things: Dictionary['things'] = new Map();
	for (const thing of Object.values(trade.thing)) {
		for (const words of thing.words) {
			if (singular(words) === words) things.set(`${words}s`, { thing, several: true });
			things.set(words, { thing, several: false });
		}
		for (const words of thing.many) things.set(words, { thing, several: true });
	}
	const its: Dictionary = {
		things,
		made: new Map(Object.values(trade.madeOf).flatMap((m) => m.words.map((w) => [w, m] as const))),
		longest: Math.max(
			...[...RELATIONS.keys(), ...SOURCE_SAID.keys(), ...things.keys()].map((w) => w.split(' ').length)
		)
	};
	made.set(trade, its);
	return its;
}

interface Token {
	word: string;
	/** In small letters, without what hangs on it. */
	plain: string;
	segment: number;
	taken: boolean;
}

/** The words of a line, by its commas, colons, brackets and with; a comma between digits is a decimal one. */
function tokensOf(line: string): Token[] {
	const bare = line.replace(/^\s*(?:[-–•*]|\d{1,3}[.)])\s+/, '');
	return bare.split(/[;:()]|,(?!\d)|\s[–—-]\s|\swith\s/i).flatMap((part, segment) =>
		part
			.split(/\s+/)
			.filter(Boolean)
			.map((word) => ({
				word,
				plain: word.toLowerCase().replace(/^["'“”]+|[.!"'“”]+$/g, ''),
				segment,
				taken: false
			}))
	);
}

interface Read extends Omit<QuickComponent, 'layer' | 'partOf'> {
	thing: Thing | null;
	layer: number;
	relation: { kind: Relation; to: string; words: string } | null;
}

function readLine(typed: string, trade: Catalogue): Read {
	const dictionary = dictionaryOf(trade);
	const tokens = tokensOf(typed);
	const understood: QuickComponent['understood'] = [];
	const guessed: string[] = [];

	/** The longest phrase from here within its part of the line that is known, and how many words it has. */
	const phraseAt = <T>(at: number, look: (words: string) => T | undefined): [T, number] | null => {
		for (let long = dictionary.longest; long > 0; long--) {
			const its = tokens.slice(at, at + long);
			if (its.length < long || its.some((t) => t.taken || t.segment !== tokens[at]!.segment)) continue;
			const found = look(its.map((t) => t.plain.replaceAll('-', ' ')).join(' '));
			if (found !== undefined) return [found, long];
		}
		return null;
	};
	const take = (at: number, long: number): string => {
		const its = tokens.slice(at, at + long);
		for (const t of its) t.taken = true;
		return its.map((t) => t.word).join(' ');
	};
	/** Goes over what nobody has taken yet; what is found is taken where it is said so. */
	const each = <T>(
		look: (words: string) => T | undefined,
		found: (its: T, at: number, long: number) => void
	) => {
		for (let at = 0; at < tokens.length; at++) {
			const its = tokens[at]!.taken ? null : phraseAt(at, look);
			if (!its) continue;
			found(its[0], at, its[1]);
			at += its[1] - 1;
		}
	};

	// How thick: `5 mm`, `5mm`, `1/4 in`. Only what may be a sheet; `90 cm long` stays with the form.
	let sheet: { mm: number; words: string } | null = null;
	const sizes: string[] = [];
	const size = (text: string) => {
		if (!/^[\d.,/]+\s*(?:mm|cm|m|in|ft|"|″)$/.test(text)) return undefined;
		const parsed = parseLength(text, 'mm');
		return parsed.ok && parsed.value > 0 ? parsed.value : undefined;
	};
	each(size, (mm, at, long) => {
		const next = tokens[at + long];
		const followed =
			next?.segment === tokens[at]!.segment && /^(?:thick|long|tall|high|wide|deep)$/.test(next.plain)
				? 1
				: 0;
		const words = take(at, long + followed);
		if (sheet === null && mm <= THICKEST && (!followed || next?.plain === 'thick')) {
			sheet = { mm, words: words.replace(/\s*thick$/i, '') };
			understood.push({ words, as: 'thickness' });
		} else sizes.push(words);
	});

	// Over the coat, on the belt: whatever follows in this part of the line is what it is over.
	let relation: Read['relation'] = null;
	each(
		(words) => RELATIONS.get(words),
		(kind, at, long) => {
			if (relation || at === 0) return;
			const rest = tokens.slice(at + long).filter((t) => t.segment === tokens[at]!.segment && !t.taken);
			const to = rest.map((t) => t.plain).filter((w) => !FILLERS.has(w));
			if (to.length === 0) return;
			relation = { kind, to: to.join(' '), words: take(at, long + rest.length) };
		}
	);

	let source: Source | null = null;
	each(
		(words) => SOURCE_SAID.get(words),
		(its, at, long) => {
			source ??= its;
			understood.push({ words: take(at, long), as: SOURCE_WORDS[its] });
		}
	);

	let side: Side | null = null;
	each(
		(words) => SIDE_WORDS.get(words),
		(its, at, long) => {
			side ??= its;
			understood.push({ words: take(at, long), as: its });
		}
	);

	// The last thing named in the first part that names one: a sword belt is a belt.
	let head: { thing: Thing; several: boolean } | null = null;
	let headAt = -1;
	each(
		(words) => dictionary.things.get(words),
		(its, at) => {
			if (headAt >= 0 && tokens[at]!.segment !== tokens[headAt]!.segment) return;
			head = its;
			headAt = at;
		}
	);
	// TypeScript does not see what a callback assigned.
	const found = head as { thing: Thing; several: boolean } | null;
	const thing = found?.thing ?? null;

	const materials: MadeOf[] = [];
	/** What the cloth is called. */
	const told: string[] = [];
	each(
		(words) => dictionary.made.get(words),
		(its, at, long) => {
			// What it is named after is no material: a print is, a lamp light is not.
			if (at <= headAt && headAt < at + long) return;
			materials.push(its);
			const route = its.further ?? its.route[thing?.kind ?? its.kind ?? 'prop'];
			const as = route ? trade.route[route]?.name : its.surface;
			const words = take(at, long);
			if (its.tells) told.push(words);
			understood.push({ words, as: as ?? 'how it is made' });
		}
	);

	let number: number | null = null;
	let countedBy = '';
	const counted = (words: string): number | undefined => {
		const digits = /^(?:[x×](\d{1,4})|(\d{1,4})[x×]?)$/.exec(words);
		if (digits) return Number(digits[1] ?? digits[2]);
		if (words === 'dozen' || words === 'a dozen') return 12;
		const named = NUMBERS.indexOf(words);
		return named < 0 ? undefined : named + 1;
	};
	each(counted, (its, at, long) => {
		const { segment, plain } = tokens[at]!;
		const alone = tokens.filter((t) => t.segment === segment && !t.taken).length === long;
		const before = headAt < 0 ? at === 0 : segment === tokens[headAt]!.segment && at < headAt;
		// Twelve layers of net are one skirt.
		if (!(alone || before || /[x×]/.test(plain)) || number !== null || its < 1 || its > 1000) return;
		number = its;
		countedBy = take(at, long + (/^[x×]$/.test(tokens[at + long]?.plain ?? '') ? 1 : 0));
	});
	// As above.
	const said = {
		sheet: sheet as { mm: number; words: string } | null,
		number: number as number | null,
		side: side as Side | null,
		source: source as Source | null
	};

	const kind = thing?.kind ?? materials.find((m) => m.kind)?.kind ?? PLAIN_COMPONENT.kind;
	const paired = thing?.paired ?? false;
	const several = found?.several ?? false;
	let count = said.number ?? 1;
	let itsSide: Side = said.side ?? 'none';
	if (said.side === 'pair' && said.number !== null && said.number % 2 === 0) count = said.number / 2;
	if (said.side === null && paired) {
		if (said.number !== null && said.number % 2 === 0) {
			itsSide = 'pair';
			count = said.number / 2;
		} else if (said.number === null && several) itsSide = 'pair';
		if (said.number === null && !several) guessed.push('side: middle or whole');
	}
	if (said.number !== null)
		understood.push({
			words: countedBy,
			as: itsSide === 'pair' && count === 1 ? 'a pair' : `count ${count}`
		});
	if (said.number === null && several && !paired) guessed.push('count 1');

	const ways = [...new Set(materials.flatMap((m) => m.route[kind] ?? []))];
	const usual = ways[0] ?? thing?.route ?? null;
	const from = said.source ?? (usual === 'alteredGarment' ? 'alter' : 'make');
	const alters = kind === 'garment' ? 'alteredGarment' : kind === 'wig' ? 'wig' : 'foundObject';
	const route = from === 'make' ? usual : from === 'alter' ? alters : null;
	const further = [...new Set([...ways.slice(1), ...materials.flatMap((m) => m.further ?? [])])];

	const first = tokens.find((t) => !t.taken)?.segment ?? -1;
	const left = (of: (t: Token) => boolean) => {
		const its = tokens.filter((t) => !t.taken && of(t));
		while (its.length && FILLERS.has(its[0]!.plain)) its.shift();
		while (its.length && FILLERS.has(its.at(-1)!.plain)) its.pop();
		return its.map((t) => t.word).join(' ');
	};
	const nameIn = headAt >= 0 ? tokens[headAt]!.segment : first;
	const name = left((t) => t.segment === nameIn) || typed.trim();
	const rest = [...new Set(tokens.map((t) => t.segment))]
		.filter((segment) => segment !== nameIn)
		.map((segment) => left((t) => t.segment === segment))
		.filter(Boolean);
	const routeName = route ? (trade.route[route]?.name ?? '') : '';
	const thick = said.sheet ? [`${said.sheet.words} ${routeName}`.trim()] : [];
	const zones = zonesAt(thing?.places ?? [], itsSide);

	if (thing) understood.push({ words: tokens[headAt]!.word, as: kind });
	else guessed.push(`kind: ${kind}`);
	if (zones.length === 0) guessed.push('zones: none');
	if (route && !(ways.includes(route) || said.source === 'alter'))
		guessed.push(`route: ${trade.route[route]?.name ?? route}`);
	if (!said.source && from !== 'make') guessed.push(SOURCE_WORDS[from]);

	return {
		typed,
		name: name.slice(0, MOST_NAME),
		kind,
		form: [...thick, ...told, ...sizes, ...rest].join(', ').slice(0, MOST_FORM),
		layer: thing?.layer ?? PLAIN_COMPONENT.layer,
		zones,
		side: itsSide,
		count,
		flex: materials.find((m) => m.flex)?.flex ?? thing?.flex ?? PLAIN_COMPONENT.flex,
		thicknessMm: said.sheet?.mm ?? null,
		source: from,
		surface: materials.find((m) => m.surface)?.surface ?? null,
		route,
		furtherRoutes: from === 'buy' || from === 'have' ? [] : further.filter((r) => r !== route),
		understood,
		guessed,
		thing,
		relation
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
	const lines = text
		.split(/\r?\n/)
		.filter((l) => tokensOf(l).length > 0)
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
