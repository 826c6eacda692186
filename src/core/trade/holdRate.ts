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

const rate = (
	name: string,
	per10: number,
	minutes: number,
	look: string,
	faults: readonly string[] = []
): HoldRate => ({ name, per10, minutes, look, faults });

const STRAPS = ['strapTornOut'];
const LETS_GO = ['hookAndLoopLetsGo'];

/** Starting values, from memory; the log pulls them. Minutes of a look from memory too. */
const KINDS: Readonly<Record<HoldKind, HoldRate>> = {
	'fastener hookAndLoop': rate(
		'hook-and-loop, sewn or glued on',
		0.3,
		1,
		'pull at its corners; lint out',
		LETS_GO
	),
	'fastener hookAndLoopGlued': rate('self-adhesive hook-and-loop', 3, 1, 'lift its edges', LETS_GO),
	'fastener snap': rate('snaps', 0.3, 1, 'each closes with a click and sits fast'),
	'fastener magnet': rate('magnets', 0.5, 1, 'none is loose in its pocket'),
	'fastener buckle': rate('buckle and webbing', 0.1, 1, 'pull the strap where it is fixed', STRAPS),
	'fastener elastic': rate('elastic', 0.3, 1, 'it springs back; no threads out', STRAPS),
	'fastener lacing': rate('lacing', 0.3, 1, 'eyelets sit fast, the lace is whole'),
	'fastener zip': rate('zip', 0.3, 1, 'open and close it all the way'),
	'fastener hooks': rate('hooks and eyes', 0.3, 1, 'none is bent; no rust', ['rustMarks']),
	'fastener tape': rate('double-sided tape', 3, 1, 'new tape on clean ground'),
	'fastener pin': rate('safety pins', 0.5, 1, 'closed, straight, no rust', ['rustMarks']),
	'fastener sleeve': rate('sleeve and pin', 0.1, 1, 'the pin sits and does not turn'),
	'fastener glue': rate('glued joins', 0.3, 1, 'no edge lifts', ['seamOpens']),
	'seam cement': rate('glued seams', 0.3, 2, 'bend it: no gap opens', ['seamOpens']),
	'seam sewn': rate('sewn seams', 0.1, 2, 'at elbows, knees and crotch: no thread open'),
	'coat painted': rate('painted edges, nothing over them', 3, 1, 'at bends and edges: chips and cracks', [
		'paintCracks'
	]),
	'coat clear': rate('edges under a clear coat', 1, 1, 'at bends and edges: chips and cracks', [
		'paintCracks'
	]),
	cells: rate('cells and switch', 0.5, 2, 'fresh cells; it lights while it is shaken', ['lightDead'])
};

/** What a fastener of one’s own is taken for. */
const OWN = { per10: 0.3, minutes: 1, look: 'pull at it' };

/** What is known of a kind before anything is logged. */
export function holdRateOf(kind: HoldKind, trade: Catalogue): HoldRate {
	const own = KINDS[kind];
	if (own) return own;
	const key = kind.replace(/^fastener /, '');
	return { name: fastenerOf(trade.fastener, key).name, ...OWN, faults: [] };
}
