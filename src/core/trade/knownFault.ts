import type { TechniqueKey } from '../facts/step.ts';
import type { RedoKind, StandardTechnique } from './technique.ts';

export interface CureStep {
	name: string;
	technique: TechniqueKey;
	amount: number;
	waitMinutes: number;
	oneSitting: boolean;
}

/** Symptom → usual cause → cure, as makers know them (common practice). Fix the cause, not the stain. */
export interface KnownFault {
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

export const KNOWN_FAULTS = {
	hookAndLoopLetsGo: {
		symptom: 'hook-and-loop lets go',
		blames: 'glue',
		source: PRACTICE,
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
		cause: 'plain steel eyelets, washed',
		cure: 'replace with brass or stainless, then treat the stain',
		steps: [cureStep('replace eyelets', 'attach', 8), cureStep('treat stain', 'other', 20, DAY)]
	},
	seamOpens: {
		symptom: 'seam opens',
		blames: 'glue',
		source: PRACTICE,
		cause: 'glued too wet or past open time, or dust',
		cure: 'clean, re-cement both faces',
		steps: [cureStep('clean both faces', 'other', 10), cureStep('re-cement seam', 'cement', 300, DAY, true)]
	},
	paintCracks: {
		symptom: 'paint cracks at a bend',
		blames: 'coat',
		source: PRACTICE,
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
		cause: 'thick coats, or recoated in the wrong window',
		cure: 'wait, strip, recoat thin',
		steps: [cureStep('strip', 'other', 60, DAY), cureStep('recoat thin', 'detailPaint', 100_000, DAY)]
	},
	fallsOff: {
		symptom: 'falls off when jumping',
		blames: null,
		source: PRACTICE,
		cause: 'no retention',
		cure: 'elastic or chin strap',
		steps: [cureStep('add elastic or chin strap', 'snap', 4)]
	},
	slumps: {
		symptom: 'slumps or sticks out',
		blames: null,
		source: PRACTICE,
		cause: 'anchors too close, no lower tie',
		cure: 'lower tie, inner lift',
		steps: [cureStep('add lower tie', 'snap', 2), cureStep('build inner lift', 'other', 25)]
	},
	leatherPeels: {
		symptom: 'faux leather peels',
		blames: null,
		source: PRACTICE,
		cause: 'needle drag, folds',
		cure: 'touch up with matching pen, support the seam',
		steps: [cureStep('touch up and support seam', 'other', 25)]
	},
	foamBrittle: {
		symptom: 'foam brittle',
		blames: null,
		source: PRACTICE,
		cause: 'age, sun',
		cure: 'replace the part, store in shade',
		steps: [cureStep('cut new part', 'cutFoam', 1500), cureStep('join new part', 'cement', 800, DAY, true)]
	},
	lightDead: {
		symptom: 'light dead',
		blames: null,
		source: PRACTICE,
		cause: 'cell, joint or switch',
		cure: 'spare cell, strain relief',
		steps: [cureStep('find the fault', 'test', 1), cureStep('mend joint with strain relief', 'wire', 1)]
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
