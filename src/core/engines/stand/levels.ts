import type { MeasureKey } from '../../facts/bodyMeasure.ts';

/** Where a body is measured round, limb by limb: from the top of each limb to its end. */
export interface StandLevel {
	name: string;
	/** What is laid round there; null for a section that nobody measures. */
	measure: MeasureKey | null;
	/** Breadth to depth of the section. */
	breadthToDepth: number;
	/** Girth of somebody of middle build, as a share of stature. */
	girth: number;
	/** How high, as a share of stature; of an arm how far down it, of a foot how far forward, as a share of its length. */
	at: number;
}

const level = (
	name: string,
	measure: MeasureKey | null,
	at: number,
	girth: number,
	breadthToDepth: number
): StandLevel => ({ name, measure, at, girth, breadthToDepth });

/**
 * Breadth to depth and heights are starting values of the trade, from memory; so are the girths, of an adult of middle build.
 */
export const TRUNK: readonly StandLevel[] = [
	level('head', 'headGirth', 0.945, 0.335, 0.78),
	level('chin', null, 0.87, 0.25, 0.95),
	level('neck', 'neckGirth', 0.845, 0.215, 1.05),
	level('shoulders', null, 0.8, 0.53, 2),
	level('chest', 'chestGirth', 0.72, 0.55, 1.2),
	level('under the bust', 'underbustGirth', 0.685, 0.48, 1.3),
	level('waist', 'waistGirth', 0.62, 0.46, 1.35),
	level('hips', 'hipGirth', 0.52, 0.57, 1.4),
	level('crotch', null, 0.47, 0.5, 1.7)
];
export const ARM: readonly StandLevel[] = [
	level('top of the arm', null, 0, 0.18, 0.9),
	level('upper arm', 'upperArmGirth', 0.25, 0.17, 0.9),
	level('elbow', 'elbowGirth', 0.55, 0.155, 1),
	level('forearm', 'forearmGirth', 0.68, 0.152, 1.1),
	level('wrist', 'wristGirth', 1, 0.098, 1.4)
];
/** Beyond the wrist, by the length of the hand. */
export const HAND: readonly StandLevel[] = [
	level('thumb knuckle', 'thumbKnuckleGirth', 0.35, 0.135, 1.8),
	level('knuckles', 'handGirth', 0.55, 0.12, 2.6)
];
export const LEG: readonly StandLevel[] = [
	level('thigh', 'thighGirth', 0.45, 0.33, 0.95),
	level('knee', 'kneeGirth', 0.27, 0.22, 1),
	level('calf', 'calfGirth', 0.2, 0.215, 1),
	level('ankle', 'ankleGirth', 0.04, 0.135, 0.8)
];
export const FOOT: readonly StandLevel[] = [
	level('heel', null, 0.08, 0.125, 1.1),
	level('instep', null, 0.4, 0.145, 1.2),
	level('ball of the foot', 'footGirth', 0.7, 0.14, 1.9)
];

/** Lengths of somebody of middle build, as shares of stature; from memory. */
export const LENGTHS = {
	insideLeg: 0.47,
	armLength: 0.35,
	handLength: 0.108,
	footLength: 0.152,
	shoulderLength: 0.073
} as const satisfies Partial<Record<MeasureKey, number>>;

/** Of nobody measured, mm. */
export const MIDDLE_STATURE = 1700;

/** Every section of a form, by level and side: `chest none`, `thigh left`. */
export const SECTION_KEYS = [
	...TRUNK.map((l) => `${l.name} none`),
	...[...ARM, ...HAND, ...LEG, ...FOOT].flatMap((l) => [`${l.name} left`, `${l.name} right`])
] as [string, ...string[]];
