import type { HoldKind } from '../facts/fault.ts';

/** What something of the kit is good for; a spare by its fastener: `spare snap`. */
export type KitUse =
	| 'tape'
	| 'pins'
	| 'scissors'
	| 'thread'
	| 'glue'
	| 'cells'
	| 'paint'
	| 'wig'
	| 'plasters'
	| 'own'
	| `spare ${string}`;

/** What it weighs and the room that it takes: starting values, from memory. */
export interface KitSize {
	grams: number;
	ml: number;
}
const size = (grams: number, ml: number): KitSize => ({ grams, ml });

const SIZES: Readonly<Record<string, KitSize>> = {
	tape: size(60, 90),
	pins: size(15, 15),
	scissors: size(35, 40),
	thread: size(15, 20),
	glue: size(60, 70),
	cells: size(50, 25),
	paint: size(25, 30),
	wig: size(45, 90),
	plasters: size(520, 560),
	'spare buckle': size(30, 50),
	'spare zip': size(20, 30),
	'spare sleeve': size(60, 60)
};
/** A few snaps, a strip of hook-and-loop, a metre of elastic. */
const SPARE = size(12, 20);

export const kitSizeOf = (use: KitUse): KitSize => SIZES[use] ?? SPARE;

/** What lets go at an event, without anything to mend it with. */
export interface OnTheSpot {
	/** Minutes that it costs. */
	lost: number;
	/** What helps, all of it together, and the share of those minutes that it saves. */
	ways: readonly { with: readonly KitUse[]; saves: number }[];
}

const way = (saves: number, ...uses: KitUse[]) => ({ with: uses, saves });
const spot = (lost: number, ...ways: OnTheSpot['ways'][number][]): OnTheSpot => ({ lost, ways });
/** A new one is sewn on; scissors make it quicker. */
const sewn = (spare: KitUse) => [way(0.8, 'thread', spare), way(0.9, 'thread', spare, 'scissors')];
const PINNED = way(0.6, 'pins');
const TAPED = way(0.4, 'tape');

/** By the kind that lets go. Minutes and shares from memory; minutes that faults really cost pull them. */
const ON_THE_SPOT: Readonly<Record<HoldKind, OnTheSpot>> = {
	'fastener hookAndLoop': spot(20, ...sewn('spare hookAndLoop'), way(0.7, 'glue'), PINNED, TAPED),
	'fastener hookAndLoopGlued': spot(20, way(0.8, 'glue'), PINNED, way(0.6, 'tape')),
	'fastener snap': spot(15, ...sewn('spare snap'), way(0.7, 'pins')),
	'fastener magnet': spot(15, way(0.8, 'glue'), way(0.6, 'tape')),
	'fastener buckle': spot(40, ...sewn('spare buckle'), PINNED, TAPED),
	'fastener elastic': spot(25, ...sewn('spare elastic'), way(0.7, 'pins')),
	'fastener lacing': spot(15, way(0.9, 'spare lacing'), way(0.3, 'tape')),
	'fastener zip': spot(30, way(0.7, 'pins'), way(0.6, 'thread')),
	'fastener hooks': spot(10, ...sewn('spare hooks'), way(0.7, 'pins')),
	'fastener tape': spot(10, way(0.9, 'tape')),
	'fastener pin': spot(5, way(0.9, 'pins')),
	'fastener sleeve': spot(15, way(0.6, 'tape')),
	'fastener glue': spot(20, way(0.8, 'glue'), way(0.6, 'tape')),
	'seam cement': spot(20, way(0.8, 'glue'), way(0.6, 'tape')),
	'seam sewn': spot(20, way(0.8, 'thread'), way(0.9, 'thread', 'scissors'), PINNED, way(0.3, 'tape')),
	'coat painted': spot(10, way(0.8, 'paint')),
	'coat clear': spot(10, way(0.8, 'paint')),
	cells: spot(30, way(0.8, 'cells')),
	foam: spot(20, way(0.6, 'glue'), way(0.5, 'tape')),
	// A stain waits until it is at home.
	rust: spot(2, way(0.5, 'tape'))
};
/** A fastener of one’s own. */
const OWN = spot(20, PINNED, TAPED);

/** A wig that slips: twice in ten wears. From memory. */
export const SLIPS = { expected: 0.2, ...spot(15, way(0.8, 'wig'), way(0.5, 'pins')) };

export const onTheSpot = (kind: HoldKind): OnTheSpot => ON_THE_SPOT[kind] ?? OWN;
