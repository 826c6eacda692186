import { SURFACE_KEYS } from '../facts/component.ts';
import type { CureStep } from './knownFault.ts';
import type { StandardTechnique } from './technique.ts';

/** What is joined: a surface, or what is put on one. */
export const BOND_SIDES = [...SURFACE_KEYS, 'hookAndLoop', 'strap'] as const;
export type BondSide = (typeof BOND_SIDES)[number];

/** Which glue for a pair: what holds first, what holds too, what is avoided and why. */
export interface Bond {
	name: string;
	a: readonly BondSide[];
	b: readonly BondSide[];
	/** Keys of the handbook’s glues. */
	first: readonly string[];
	also: readonly string[];
	avoid: readonly { glue: string; why: string }[];
	/** What is better than glue; nothing where nothing is. */
	rather: string;
	prepare: string;
	/** The same as work to plan; amounts are starting values. */
	steps: readonly CureStep[];
	source: string;
}

const bond = (
	name: string,
	a: readonly BondSide[],
	b: readonly BondSide[],
	first: readonly string[],
	more: Partial<Bond> = {}
): Bond => ({
	name,
	a,
	b,
	first,
	also: [],
	avoid: [],
	rather: '',
	prepare: '',
	steps: [],
	source: 'common practice',
	...more
});
const ANY = SURFACE_KEYS;
/** 1 dm² of face, from memory. */
const FACE = 10_000;
const step = (name: string, technique: StandardTechnique, amount: number, waitMinutes = 0): CureStep => ({
	name,
	technique,
	amount,
	waitMinutes,
	oneSitting: false
});
const scuff = (what: string) => step(`scuff ${what}`, 'clean', FACE);
const degrease = (what: string) => step(`degrease ${what}`, 'clean', FACE);
const DAY = 1440;

/** The first that is of a pair counts. */
export const BONDS = {
	polystyrene: bond('polystyrene on anything', ['polystyrene'], ANY, ['woodGlue'], {
		avoid: ['contactCement', 'industrialGlue', 'sprayAdhesive', 'cyanoacrylate'].map((glue) => ({
			glue,
			why: 'its solvent melts polystyrene'
		})),
		prepare: 'Seal with PVA before anything with solvent comes near.',
		steps: [step('seal the face with PVA', 'brush', FACE, 480)]
	}),
	clay: bond('foam clay on anything', ['clay'], ANY, ['contactCement', 'cyanoacrylate'], {
		prepare: 'Fully dry first, 24 h for 4 mm: glued damp it falls off. Then scuff.',
		steps: [step('let the clay dry through', 'other', 1, DAY), scuff('the clay')]
	}),
	strapFoam: bond('a strap on foam', ['strap'], ['foam'], [], {
		also: ['contactCement'],
		rather: 'Glue a cloth patch inside, and sew or rivet the strap through both: on bare foam it tears out.',
		prepare: 'Scuff the foam under the patch.',
		steps: [scuff('the foam under the patch'), step('glue in a cloth patch', 'cement', 300, DAY)]
	}),
	hookFoam: bond(
		'hook-and-loop on foam',
		['hookAndLoop'],
		['foam', 'plastic', 'print'],
		['contactCement', 'industrialGlue'],
		{
			rather: 'Or sew a half to cloth, and glue the cloth.',
			prepare: 'Scuff the face; the glue that it comes with does not hold by itself.',
			steps: [scuff('the face for hook-and-loop')]
		}
	),
	hookCloth: bond('hook-and-loop on cloth', ['hookAndLoop', 'strap'], ['cloth', 'leather'], [], {
		also: ['fabricGlue'],
		rather: 'Sew it on. What sticks by itself lets go, gums up the needle, and cannot be sewn afterwards.'
	}),
	clothCloth: bond('cloth on cloth', ['cloth', 'leather'], ['cloth', 'leather'], [], {
		also: ['fabricGlue'],
		avoid: [{ glue: 'hotGlue', why: 'it is stiff where cloth bends' }],
		rather: 'Sew it: glue only where nothing pulls.'
	}),
	foamFoam: bond('foam on foam', ['foam'], ['foam'], ['contactCement'], {
		also: ['hotGlue'],
		avoid: [{ glue: 'woodGlue', why: 'it peels' }],
		prepare: 'Both faces clean; cement on both, left to tack, one touch.',
		steps: [step('clean both faces', 'clean', FACE)]
	}),
	foamCloth: bond('foam on cloth', ['foam'], ['cloth', 'leather'], ['fabricGlue', 'contactCement'], {
		also: ['sprayAdhesive'],
		rather: 'Or glue a cloth tab in, and sew to it.',
		prepare: 'Clean; for large faces spray.',
		steps: [step('clean the foam', 'clean', FACE)]
	}),
	plasticFoam: bond('thermoplastic on foam', ['plastic'], ['foam'], ['contactCement'], {
		avoid: [{ glue: 'hotGlue', why: 'it lets go of a smooth face' }],
		rather: 'A thermoplastic has its own tack when it is hot: press it on then.',
		prepare: 'Scuff what is cold.',
		steps: [scuff('the thermoplastic')]
	}),
	printAny: bond(
		'a print on foam or cloth',
		['print'],
		['foam', 'cloth', 'leather', 'print', 'plastic'],
		['industrialGlue', 'contactCement'],
		{
			avoid: [{ glue: 'hotGlue', why: 'it lets go of cold plastic' }],
			rather: 'On cloth: wrap it in cloth, then sew.',
			prepare: 'Scuff and degrease the print.',
			steps: [scuff('the print'), degrease('the print')]
		}
	),
	woodAny: bond('wood or card on wood or card', ['wood'], ['wood'], ['woodGlue'], {
		also: ['contactCement', 'hotGlue'],
		prepare: 'Clean, pressed until it is dry.',
		steps: [step('clean both faces', 'clean', FACE)]
	}),
	otherAny: bond(
		'metal, wood or plastic on something else',
		['metal', 'wood', 'plastic', 'leather'],
		ANY,
		['contactCement', 'industrialGlue'],
		{
			prepare: 'Scuff and degrease what is smooth.',
			steps: [scuff('what is smooth'), degrease('what is smooth')],
			source: 'starting value, from memory'
		}
	)
} as const satisfies Record<string, Bond>;

export const LOADS = ['shear', 'peel', 'flex', 'wash', 'heat'] as const;
export type Load = (typeof LOADS)[number];
export const LOAD_WORDS: Record<Load, string> = {
	shear: 'pulled along the seam',
	peel: 'peeled from an edge',
	flex: 'bent where it moves',
	wash: 'washed',
	heat: 'left in a hot car'
};
/** A closed car in the sun, °C. From memory. */
export const HOT_CAR = 60;
