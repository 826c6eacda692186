import type { SurfaceKey } from '../facts/component.ts';
import type { HoldKind } from '../facts/fault.ts';
import type { TechniqueKey } from '../facts/step.ts';
import type { RedoKind, StandardTechnique } from './technique.ts';

export interface CureStep {
	name: string;
	technique: TechniqueKey;
	amount: number;
	waitMinutes: number;
	oneSitting: boolean;
}

/** What of its load goes with a cause: it bears more than it can when jumping, or tips. */
export const FAULT_LOADS = ['overloaded', 'tips'] as const;
export type FaultLoad = (typeof FAULT_LOADS)[number];

/** Where a cause is usual; nothing for anywhere. */
export interface FaultWhere {
	/** What lets go: `fastener snap`, `seam sewn`. */
	holds: readonly HoldKind[];
	/** What its component, or what that hangs on, is of. */
	surfaces: readonly SurfaceKey[];
	loads: readonly FaultLoad[];
}

/** Symptom → usual cause → cure, as makers know them (common practice). Fix the cause, not the stain. */
export interface KnownFault extends FaultWhere {
	symptom: string;
	cause: string;
	cure: string;
	steps: readonly CureStep[];
	/** The kind of work that has let go: such faults make its odds of redoing higher. */
	blames: RedoKind | null;
	/** Where the row is from. */
	source: string;
}

const cureStep = (
	name: string,
	technique: StandardTechnique,
	amount: number,
	waitMinutes = 0,
	oneSitting = false
): CureStep => ({ name, technique, amount, waitMinutes, oneSitting });

const DAY = 1440;

const PRACTICE = 'common practice';
const ANYWHERE: FaultWhere = { holds: [], surfaces: [], loads: [] };

/** A symptom may have several rows: one that says where it is usual is meant before one that does not. */
export const KNOWN_FAULTS = {
	hookAndLoopLetsGo: {
		symptom: 'hook-and-loop lets go',
		blames: 'glue',
		source: PRACTICE,
		...ANYWHERE,
		cause: 'not scuffed, held by its own glue, or pulled in peel',
		cure: 'scuff, industrial glue or sew; turn the pull into shear',
		steps: [
			cureStep('scuff and clean', 'other', 10),
			cureStep('re-fix hook-and-loop', 'hookAndLoop', 2, DAY, true)
		]
	},
	strapTornOut: {
		symptom: 'strap torn out',
		blames: 'glue',
		source: PRACTICE,
		...ANYWHERE,
		cause: 'strap fixed to bare foam',
		cure: 'cloth patch inside, re-rivet through both',
		steps: [
			cureStep('glue cloth patch inside', 'other', 20, DAY, true),
			cureStep('re-rivet strap', 'buckle', 1)
		]
	},
	rustMarks: {
		symptom: 'rust marks',
		blames: null,
		source: PRACTICE,
		...ANYWHERE,
		cause: 'plain steel eyelets, washed',
		cure: 'replace with brass or stainless, then treat the stain',
		steps: [cureStep('replace eyelets', 'attach', 8), cureStep('treat stain', 'other', 20, DAY)]
	},
	seamOpens: {
		symptom: 'seam opens',
		blames: 'glue',
		source: PRACTICE,
		...ANYWHERE,
		cause: 'glued too wet or past open time, or dust',
		cure: 'clean, re-cement both faces',
		steps: [cureStep('clean both faces', 'other', 10), cureStep('re-cement seam', 'cement', 300, DAY, true)]
	},
	paintCracks: {
		symptom: 'paint cracks at a bend',
		blames: 'coat',
		source: PRACTICE,
		...ANYWHERE,
		cause: 'brittle sealer where it flexes',
		cure: 'flexible sealer, repaint',
		steps: [
			cureStep('sand and seal flexibly', 'other', 30, DAY),
			cureStep('repaint', 'detailPaint', 50_000, 120)
		]
	},
	stickyPaint: {
		symptom: 'sticky paint',
		blames: 'coat',
		source: PRACTICE,
		...ANYWHERE,
		cause: 'thick coats, or recoated in the wrong window',
		cure: 'wait, strip, recoat thin',
		steps: [cureStep('strip', 'other', 60, DAY), cureStep('recoat thin', 'detailPaint', 100_000, DAY)]
	},
	fallsOff: {
		symptom: 'falls off when jumping',
		blames: null,
		source: PRACTICE,
		...ANYWHERE,
		cause: 'no retention',
		cure: 'elastic or chin strap',
		steps: [cureStep('add elastic or chin strap', 'snap', 4)]
	},
	slumps: {
		symptom: 'slumps or sticks out',
		blames: null,
		source: PRACTICE,
		...ANYWHERE,
		cause: 'anchors too close, no lower tie',
		cure: 'lower tie, inner lift',
		steps: [cureStep('add lower tie', 'snap', 2), cureStep('build inner lift', 'other', 25)]
	},
	leatherPeels: {
		symptom: 'faux leather peels',
		blames: null,
		source: PRACTICE,
		...ANYWHERE,
		cause: 'needle drag, folds',
		cure: 'touch up with matching pen, support the seam',
		steps: [cureStep('touch up and support seam', 'other', 25)]
	},
	foamBrittle: {
		symptom: 'foam brittle',
		blames: null,
		source: PRACTICE,
		...ANYWHERE,
		cause: 'age, sun',
		cure: 'replace the part, store in shade',
		steps: [cureStep('cut new part', 'cutFoam', 1500), cureStep('join new part', 'cement', 800, DAY, true)]
	},
	lightDead: {
		symptom: 'light dead',
		blames: null,
		source: PRACTICE,
		...ANYWHERE,
		cause: 'cell, joint or switch',
		cure: 'spare cell, strain relief',
		steps: [cureStep('find the fault', 'test', 1), cureStep('mend joint with strain relief', 'wire', 1)]
	},
	hookAndLoopOwnGlue: {
		symptom: 'hook-and-loop lets go',
		blames: 'glue',
		source: PRACTICE,
		...ANYWHERE,
		holds: ['fastener hookAndLoopGlued'],
		cause: 'held by its own glue, which lets go of foam and cloth',
		cure: 'sew it on, or scuff and cement both faces',
		steps: [
			cureStep('scuff and clean', 'other', 10),
			cureStep('set hook-and-loop that is sewn or cemented', 'hookAndLoop', 2, DAY, true)
		]
	},
	hookAndLoopOverloaded: {
		symptom: 'hook-and-loop lets go',
		blames: null,
		source: PRACTICE,
		...ANYWHERE,
		loads: ['overloaded', 'tips'],
		cause: 'pulled in peel by more than it bears',
		cure: 'a longer strip, turned so that it is pulled along its face',
		steps: [cureStep('set a longer strip', 'hookAndLoop', 4)]
	},
	hookAndLoopOnCloth: {
		symptom: 'hook-and-loop lets go',
		blames: 'glue',
		source: PRACTICE,
		...ANYWHERE,
		surfaces: ['cloth'],
		cause: 'glued to cloth that gives',
		cure: 'sew it on, all round',
		steps: [cureStep('sew hook-and-loop on', 'hookAndLoop', 2)]
	},
	strapThroughCloth: {
		symptom: 'strap torn out',
		blames: null,
		source: PRACTICE,
		...ANYWHERE,
		surfaces: ['cloth', 'leather'],
		cause: 'its stitches pulled through the cloth',
		cure: 'patch behind, a box stitch through both',
		steps: [cureStep('sew patch behind', 'sewHand', 300), cureStep('box stitch the strap', 'sewHand', 300)]
	},
	strapOverloaded: {
		symptom: 'strap torn out',
		blames: null,
		source: PRACTICE,
		...ANYWHERE,
		loads: ['overloaded', 'tips'],
		cause: 'it takes more than its seat bears when jumping',
		cure: 'spread it: a larger patch, and a second strap lower down',
		steps: [
			cureStep('glue a larger patch inside', 'other', 25, DAY, true),
			cureStep('set a second strap', 'buckle', 1)
		]
	},
	seamOnPolystyrene: {
		symptom: 'seam opens',
		blames: 'glue',
		source: PRACTICE,
		...ANYWHERE,
		surfaces: ['polystyrene'],
		cause: 'a solvent glue ate the foam',
		cure: 'cut back to sound foam, glue without solvent',
		steps: [
			cureStep('cut back to sound foam', 'other', 20),
			cureStep('glue without solvent', 'cement', 300, DAY, true)
		]
	},
	seamSewnOpens: {
		symptom: 'seam opens',
		blames: null,
		source: PRACTICE,
		...ANYWHERE,
		holds: ['seam sewn'],
		cause: 'thread broke where it stretches, or cloth frayed to the stitches',
		cure: 'restitch with a stretch stitch, edges bound',
		steps: [cureStep('restitch seam', 'sewStretch', 300), cureStep('bind its edges', 'bind', 300)]
	}
} as const satisfies Record<string, KnownFault>;

/** A known fault that ships with the app. */

/** The steps that mend it: the known ones, or one open step for what nobody has seen before. */
export const cureSteps = (known: KnownFault | null, cure: string): readonly CureStep[] =>
	known?.steps ?? [cureStep(cure.trim() || 'mend', 'other', 30)];

/** The known fault that is meant by a symptom as somebody typed it; null for another. */
export function keyOfSymptom(
	known: Readonly<Record<string, Pick<KnownFault, 'symptom'>>>,
	typed: string
): string | null {
	const plain = (text: string) => text.trim().toLowerCase();
	return Object.entries(known).find(([, k]) => plain(k.symptom) === plain(typed))?.[0] ?? null;
}

/** What is known of where a fault is. */
export interface FaultPlace {
	/** What let go, or all that may have. */
	holds: readonly HoldKind[];
	surfaces: readonly SurfaceKey[];
	loads: readonly FaultLoad[];
}

/**
 * Rows of a symptom that may be meant, the one that says most of the place first; a row that asks for something else is not meant.
 *
 * @returns their keys; none for what nobody has seen before
 */
export function causesOf(
	known: Readonly<Record<string, KnownFault>>,
	typed: string,
	place: FaultPlace
): string[] {
	const its = keyOfSymptom(known, typed);
	if (its === null) return [];
	const { symptom } = known[its]!;
	const asks = (row: FaultWhere) => [
		[row.holds, place.holds],
		[row.surfaces, place.surfaces],
		[row.loads, place.loads]
	];
	/** Of what it asks for, so much is there; less than nothing where something is not. */
	const fits = (row: FaultWhere) =>
		asks(row).reduce((sum, [wanted, there]) => {
			if (!wanted!.length || sum < 0) return sum;
			return wanted!.some((w) => (there as readonly string[]).includes(w)) ? sum + 1 : -1;
		}, 0);
	return Object.entries(known)
		.filter(([, row]) => keyOfSymptom({ row }, symptom) !== null && fits(row) >= 0)
		.sort(([, a], [, b]) => fits(b) - fits(a))
		.map(([key]) => key);
}
