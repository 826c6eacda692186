import type { TechniqueKey } from '../costume/technique.ts';
import type { Step } from '../costume/step.ts';
import type { LocalMinutes } from '../units/localTime.ts';

export const OCCASIONS = ['test wear', 'event', 'storage', 'transport'] as const;
export type Occasion = (typeof OCCASIONS)[number];

/** What broke, when, why, and what fixed it. */
export interface Fault {
	id: number;
	componentId: number;
	symptom: string;
	cause: string;
	cure: string;
	occasion: Occasion;
	happenedAt: LocalMinutes;
	minutesLost: number;
	/** The earlier fault that came back as this one. */
	cameBackOf: number | null;
	version: number;
}

/** Mended when its cure is done: every cure step, and at least one. */
export const isMended = (fault: Fault, steps: readonly Step[]): boolean => {
	const cure = steps.filter((s) => s.faultId === fault.id);
	return cure.length > 0 && cure.every((s) => s.doneAt !== null);
};

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
}

const cureStep = (
	name: string,
	technique: TechniqueKey,
	amount: number,
	waitMinutes = 0,
	oneSitting = false
): CureStep => ({ name, technique, amount, waitMinutes, oneSitting });

const DAY = 1440;

export const KNOWN_FAULTS: readonly KnownFault[] = [
	{
		symptom: 'hook-and-loop lets go',
		cause: 'not scuffed, held by its own glue, or pulled in peel',
		cure: 'scuff, industrial glue or sew; turn the pull into shear',
		steps: [
			cureStep('scuff and clean', 'other', 10),
			cureStep('re-fix hook-and-loop', 'hookAndLoop', 2, DAY, true)
		]
	},
	{
		symptom: 'strap torn out',
		cause: 'strap fixed to bare foam',
		cure: 'cloth patch inside, re-rivet through both',
		steps: [
			cureStep('glue cloth patch inside', 'other', 20, DAY, true),
			cureStep('re-rivet strap', 'buckle', 1)
		]
	},
	{
		symptom: 'rust marks',
		cause: 'plain steel eyelets, washed',
		cure: 'replace with brass or stainless, then treat the stain',
		steps: [cureStep('replace eyelets', 'attach', 8), cureStep('treat stain', 'other', 20, DAY)]
	},
	{
		symptom: 'seam opens',
		cause: 'glued too wet or past open time, or dust',
		cure: 'clean, re-cement both faces',
		steps: [cureStep('clean both faces', 'other', 10), cureStep('re-cement seam', 'cement', 300, DAY, true)]
	},
	{
		symptom: 'paint cracks at a bend',
		cause: 'brittle sealer where it flexes',
		cure: 'flexible sealer, repaint',
		steps: [
			cureStep('sand and seal flexibly', 'other', 30, DAY),
			cureStep('repaint', 'detailPaint', 50_000, 120)
		]
	},
	{
		symptom: 'sticky paint',
		cause: 'thick coats, or recoated in the wrong window',
		cure: 'wait, strip, recoat thin',
		steps: [cureStep('strip', 'other', 60, DAY), cureStep('recoat thin', 'detailPaint', 100_000, DAY)]
	},
	{
		symptom: 'falls off when jumping',
		cause: 'no retention',
		cure: 'elastic or chin strap',
		steps: [cureStep('add elastic or chin strap', 'snap', 4)]
	},
	{
		symptom: 'slumps or sticks out',
		cause: 'anchors too close, no lower tie',
		cure: 'lower tie, inner lift',
		steps: [cureStep('add lower tie', 'snap', 2), cureStep('build inner lift', 'other', 25)]
	},
	{
		symptom: 'faux leather peels',
		cause: 'needle drag, folds',
		cure: 'touch up with matching pen, support the seam',
		steps: [cureStep('touch up and support seam', 'other', 25)]
	},
	{
		symptom: 'foam brittle',
		cause: 'age, sun',
		cure: 'replace the part, store in shade',
		steps: [cureStep('cut new part', 'cutFoam', 1500), cureStep('join new part', 'cement', 800, DAY, true)]
	},
	{
		symptom: 'light dead',
		cause: 'cell, joint or switch',
		cure: 'spare cell, strain relief',
		steps: [cureStep('find the fault', 'test', 1), cureStep('mend joint with strain relief', 'wire', 1)]
	}
];

/** The steps that mend it: the known ones, or one open step for what nobody has seen before. */
export function cureSteps(symptom: string, cure: string): readonly CureStep[] {
	const known = KNOWN_FAULTS.find((k) => k.symptom === symptom);
	return known?.steps ?? [cureStep(cure.trim() || 'mend', 'other', 30)];
}
