import type { HoldKind } from '../facts/fault.ts';
import type { Catalogue } from './catalogue.ts';
import { fastenerOf } from './fastener.ts';

/** How often a kind of thing lets go, before anything is logged. */
export interface HoldRate {
	name: string;
	/** Faults in ten wears. */
	per10: number;
	/** To look at one of it, minutes. */
	minutes: number;
	/** What to look for. */
	look: string;
	/** Rows of the handbook that are faults of it. */
	faults: readonly string[];
}

type Known = Omit<HoldRate, 'name'>;
const rate = (per10: number, minutes: number, look: string, faults: readonly string[] = []): Known => ({
	per10,
	minutes,
	look,
	faults
});

const STRAPS = ['strapTornOut', 'strapThroughCloth', 'strapOverloaded'];
const LETS_GO = ['hookAndLoopLetsGo', 'hookAndLoopOwnGlue', 'hookAndLoopOverloaded', 'hookAndLoopOnCloth'];
const OPENS = ['seamOpens', 'seamOnPolystyrene'];

/** By their rows of the handbook. Starting values, from memory; the log pulls them. Minutes of a look from memory too. */
const FASTENER_RATES: Readonly<Record<string, Known>> = {
	hookAndLoop: rate(0.3, 1, 'pull at its corners; lint out', LETS_GO),
	hookAndLoopGlued: rate(3, 1, 'lift its edges', LETS_GO),
	snap: rate(0.3, 1, 'each closes with a click and sits fast'),
	magnet: rate(0.5, 1, 'none is loose in its pocket'),
	buckle: rate(0.1, 1, 'pull the strap where it is fixed', STRAPS),
	elastic: rate(0.3, 1, 'it springs back; no threads out', STRAPS),
	lacing: rate(0.3, 1, 'eyelets sit fast, the lace is whole'),
	zip: rate(0.3, 1, 'open and close it all the way'),
	hooks: rate(0.3, 1, 'none is bent; no rust', ['rustMarks']),
	tape: rate(3, 1, 'new tape on clean ground'),
	pin: rate(0.5, 1, 'closed, straight, no rust', ['rustMarks']),
	sleeve: rate(0.1, 1, 'the pin sits and does not turn'),
	glue: rate(0.3, 1, 'no edge lifts', OPENS)
};
/** What a fastener of one’s own is taken for. */
const OWN = rate(0.3, 1, 'pull at it');

const EDGES = 'at bends and edges: chips and cracks';
const OTHERS: Readonly<Record<HoldKind, HoldRate>> = {
	'seam cement': { name: 'glued seams', ...rate(0.3, 2, 'bend it: no gap opens', OPENS) },
	'seam sewn': {
		name: 'sewn seams',
		...rate(0.1, 2, 'at elbows, knees and crotch: no thread open', ['seamSewnOpens'])
	},
	'coat painted': { name: 'painted edges, nothing over them', ...rate(3, 1, EDGES, ['paintCracks']) },
	'coat clear': { name: 'edges under a clear coat', ...rate(1, 1, EDGES, ['paintCracks']) },
	foam: {
		name: 'foam',
		...rate(0.1, 1, 'bend an edge: no crumbs, no cracks; dents, creases', ['foamBrittle'])
	},
	rust: {
		name: 'eyelets and steel',
		...rate(0.1, 1, 'rub with a white cloth: no brown', ['rustMarks'])
	},
	cells: {
		name: 'cells and switch',
		...rate(0.5, 2, 'fresh cells; it lights while it is shaken', ['lightDead'])
	}
};

/** What lets go and is no fastener. */
export const HOLD_KINDS: readonly HoldKind[] = Object.keys(OTHERS);

/** What is known of a kind before anything is logged. */
export function holdRateOf(kind: HoldKind, trade: Catalogue): HoldRate {
	const key = kind.replace(/^fastener /, '');
	return OTHERS[kind] ?? { name: fastenerOf(trade.fastener, key).name, ...(FASTENER_RATES[key] ?? OWN) };
}

const YEAR = 365.25;
/** Oftener with age: from so many years on, by so much a year, at most three times. From memory. */
const AGES: Readonly<Record<HoldKind, { from: number; aYear: number }>> = {
	foam: { from: 2, aYear: 0.5 },
	'fastener elastic': { from: 1, aYear: 0.5 },
	'fastener hookAndLoopGlued': { from: 1, aYear: 0.5 },
	'seam cement': { from: 3, aYear: 0.25 },
	cells: { from: 0.5, aYear: 1 }
};
const OLDEST = 3;

/** Times oftener that something of an age lets go. */
export function agedFactor(kind: HoldKind, days: number | null): number {
	const its = AGES[kind];
	if (!its || days === null) return 1;
	return Math.min(OLDEST, 1 + its.aYear * Math.max(0, days / YEAR - its.from));
}
