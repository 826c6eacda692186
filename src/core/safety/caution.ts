import type { TechniqueKey } from '../costume/technique.ts';

/**
 * Cautions, shown where a step is planned and again when it starts. Usual workshop cautions (common
 * practice), never a promise of safety: the label, local rules and qualified people decide.
 */
export const CAUTIONS = {
	solvent: {
		wear: 'organic-vapour respirator, gloves',
		do: 'Outdoors or in strong airflow. No flame or spark near it.'
	},
	heat: {
		wear: 'heat gloves',
		do: 'Heat gun, hot glue and hot plastic burn and fume. Never a flame on PVC.'
	},
	dust: { wear: 'dust mask, eye protection', do: 'Collect the dust; do not blow it about.' },
	blade: { wear: '', do: 'Fresh blade, cut away from the body, on a mat.' },
	resin: {
		wear: 'gloves, eye protection',
		do: 'Keep off the skin. Ventilate; mind the pot life and its heat.'
	},
	needle: { wear: '', do: 'Fingers clear of the needle; switch off to thread.' },
	electric: {
		wear: '',
		do: 'Solder fumes: ventilate. Fuse the cell, no lithium cell near hot parts. Mains only by a qualified person.'
	},
	skin: { wear: '', do: 'Latex and skin adhesive: patch test a day before.' },
	bodyWrap: {
		wear: '',
		do: 'Never tight round the neck or chest, never over mouth or nose. A second person stays with blunt scissors. Minutes only; stop and cut it off at once when it is hard to breathe, faint or cold.'
	}
} as const;

export type CautionKey = keyof typeof CAUTIONS;

export const CAUTION_CLOSING =
	'Follow the product’s label and local rules; ask a qualified person when in doubt.';

const BY_TECHNIQUE: Partial<Record<TechniqueKey, readonly CautionKey[]>> = {
	cutFoam: ['blade'],
	bevel: ['blade'],
	heatShape: ['heat'],
	cement: ['solvent'],
	stack: ['solvent'],
	heatSeal: ['heat'],
	sand: ['dust'],
	sculpt: ['blade'],
	clean: ['dust'],
	spray: ['solvent'],
	stretchOn: ['solvent'],
	pour: ['resin'],
	mould: ['resin'],
	printSetUp: ['heat'],
	printClean: ['blade', 'dust'],
	wire: ['electric'],
	cutCloth: ['blade'],
	sewMachine: ['needle'],
	styleHair: ['heat'],
	trimHair: ['blade'],
	carveLine: ['blade', 'heat'],
	buckle: ['blade']
};

export const cautionsFor = (technique: TechniqueKey): readonly CautionKey[] => BY_TECHNIQUE[technique] ?? [];
