import type { Side, Source } from '../facts/component.ts';
import type { Catalogue } from '../trade/catalogue.ts';
import type { MadeOf } from '../trade/madeOf.ts';
import type { Thing } from '../trade/thing.ts';
import { parseLength } from '../units/measure.ts';
import { FILLERS, LineWords, type Match } from './lineWords.ts';

/** What is typed may be called like anything that objects have. */
const wordsOf = <T>(words: Record<string, T>): ReadonlyMap<string, T> => new Map(Object.entries(words));

const NUMBERS = 'one two three four five six seven eight nine ten eleven twelve'.split(' ');
const SIDES_SAID = wordsOf<Side>({
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
const SOURCES_SAID = wordsOf<Source>({
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
type Relation = 'over' | 'under' | 'part';
const RELATIONS_SAID = wordsOf<Relation>({
	over: 'over',
	above: 'over',
	'on top of': 'over',
	under: 'under',
	beneath: 'under',
	below: 'under',
	'part of': 'part',
	on: 'part'
});
/** How to get a component, in words. */
export const SOURCE_WORDS: Readonly<Record<Source, string>> = {
	make: 'make it',
	buy: 'buy it ready',
	alter: 'buy and alter',
	have: 'have it already'
};

/** One of several: `pauldrons`, `knives`. A word that no rule takes apart stays as it is. */
export const singular = (word: string): string => word.replace(/([^s])s$/, '$1');

interface Named {
	thing: Thing;
	/** Several were named. */
	several: boolean;
}
interface Dictionary {
	things: ReadonlyMap<string, Named>;
	made: ReadonlyMap<string, MadeOf>;
	/** Words of the longest phrase. */
	longest: number;
}
const dictionaries = new WeakMap<Catalogue, Dictionary>();

/** Words of the trade; made once for the same catalogue. */
export function dictionaryOf(trade: Catalogue): Dictionary {
	const known = dictionaries.get(trade);
	if (known) return known;
	const things = new Map<string, Named>();
	for (const thing of Object.values(trade.thing)) {
		for (const words of thing.words) {
			if (singular(words) === words) things.set(`${words}s`, { thing, several: true });
			things.set(words, { thing, several: false });
		}
		for (const words of thing.many) things.set(words, { thing, several: true });
	}
	const made = new Map(Object.values(trade.madeOf).flatMap((m) => m.words.map((w) => [w, m] as const)));
	const phrases = [RELATIONS_SAID, SOURCES_SAID, SIDES_SAID, things, made].flatMap((of) => [...of.keys()]);
	const its = { things, made, longest: Math.max(...phrases.map((w) => w.split(' ').length)) };
	dictionaries.set(trade, its);
	return its;
}

/** What the words of one line say; what they do not is null. */
export interface Said {
	/** What is left of it, part by part. */
	line: LineWords;
	/** How thick it is, and as it was typed. */
	sheet: { mm: number; words: string } | null;
	/** Other sizes, as they were typed. */
	sizes: string[];
	relation: { kind: Relation; to: string; words: string } | null;
	source: Source | null;
	side: Side | null;
	/** What it is, and where that stands. */
	head: (Named & Pick<Match<unknown>, 'at' | 'long'>) | null;
	materials: MadeOf[];
	/** What the cloth is called. */
	cloth: string[];
	number: { count: number; words: string } | null;
	/** Words that were understood, and as what: besides the thing and its number. */
	understood: { words: string; as: string }[];
}

/** What is thicker is no sheet: how long it is, mm. */
const THICKEST = 30;
/** Pieces of one sort that anybody makes. */
const MOST = 1000;

const sizeOf = (text: string): number | undefined => {
	if (!/^[\d.,/]+\s*(?:mm|cm|m|in|ft|"|″)$/.test(text)) return undefined;
	const parsed = parseLength(text, 'mm');
	return parsed.ok && parsed.value > 0 ? parsed.value : undefined;
};
const numberOf = (text: string): number | undefined => {
	const digits = /^(?:[x×](\d{1,4})|(\d{1,4})[x×]?)$/.exec(text);
	if (digits) return Number(digits[1] ?? digits[2]);
	if (text === 'dozen' || text === 'a dozen') return 12;
	const named = NUMBERS.indexOf(text);
	return named < 0 ? undefined : named + 1;
};

/** Reads a line: what is longer known goes first, so that a sword belt is a belt and 5 mm are no five. */
export function saidIn(typed: string, trade: Catalogue): Said {
	const { things, made, longest } = dictionaryOf(trade);
	const line = new LineWords(typed);
	const said: Said = {
		line,
		sheet: null,
		sizes: [],
		relation: null,
		source: null,
		side: null,
		head: null,
		materials: [],
		cloth: [],
		number: null,
		understood: []
	};
	sizesIn(said);
	// Over the coat, on the belt: whatever follows in this part of the line is what it is over.
	for (const m of line.matches((w) => RELATIONS_SAID.get(w), longest)) {
		const to = line.behind(m);
		const named = to.filter((w) => !FILLERS.has(w)).join(' ');
		if (said.relation || m.at === 0 || !named) continue;
		said.relation = { kind: m.its, to: named, words: line.take(m.at, m.long + to.length) };
	}
	for (const { its, at, long } of line.matches((w) => SOURCES_SAID.get(w), longest)) {
		said.source ??= its;
		said.understood.push({ words: line.take(at, long), as: SOURCE_WORDS[its] });
	}
	for (const { its, at, long } of line.matches((w) => SIDES_SAID.get(w), longest)) {
		said.side ??= its;
		said.understood.push({ words: line.take(at, long), as: its });
	}
	// The last thing named in the first part that names one.
	for (const { its, at, long } of line.matches((w) => things.get(w), longest))
		if (!said.head || line.partOf(at) === line.partOf(said.head.at)) said.head = { ...its, at, long };
	materialsIn(said, made, longest, trade);
	countIn(said, longest);
	return said;
}

/** How thick: `5 mm`, `5mm`, `1/4 in`. Only what may be a sheet; `90 cm long` is a size. */
function sizesIn(said: Said): void {
	const { line } = said;
	for (const { its: mm, at, long } of line.matches(sizeOf, 2)) {
		const next = line.next(at, long);
		const says = /^(?:thick|long|tall|high|wide|deep)$/.test(next);
		const words = line.take(at, long + (says ? 1 : 0));
		if (said.sheet === null && mm <= THICKEST && (!says || next === 'thick')) {
			said.sheet = { mm, words: words.replace(/\s*thick$/i, '') };
			said.understood.push({ words, as: 'thickness' });
		} else said.sizes.push(words);
	}
}

function materialsIn(said: Said, made: Dictionary['made'], longest: number, trade: Catalogue): void {
	const { line, head } = said;
	for (const { its, at, long } of line.matches((w) => made.get(w), longest)) {
		// What it is named after is no material of it.
		if (head && at < head.at + head.long && head.at < at + long) continue;
		said.materials.push(its);
		const route = its.further ?? its.route[head?.thing.kind ?? its.kind ?? 'prop'];
		const as = (route ? trade.route[route]?.name : its.surface) ?? 'how it is made';
		const words = line.take(at, long);
		if (its.tells) said.cloth.push(words);
		said.understood.push({ words, as });
	}
}

/** How many: before what it is, or by itself, or with an ×. Twelve layers of net are one skirt. */
function countIn(said: Said, longest: number): void {
	const { line, head } = said;
	for (const { its: count, at, long } of line.matches(numberOf, longest)) {
		const part = line.partOf(at);
		const isAlone = line.leftIn(part) === long;
		const isBefore = head ? part === line.partOf(head.at) && at < head.at : at === 0;
		const isTimes = /[x×]/.test(line.words(at, long));
		if (said.number || !(isAlone || isBefore || isTimes) || count < 1 || count > MOST) continue;
		const times = /^[x×]$/.test(line.next(at, long)) ? 1 : 0;
		said.number = { count, words: line.take(at, long + times) };
	}
}
