import type { MeasureKey } from './bodyMeasure.ts';

/** A closed round of a component, as stored. */
export interface Opening {
	id: number;
	componentId: number;
	passage: PassageKey;
	closedMm: number;
	stretchPercent: number;
	openingMm: number;
	split: boolean;
	version: number;
}

/** Where a closed round of a component sits, and over what it must pass to get there, first to last. */
export interface Passage {
	name: string;
	seat: MeasureKey;
	/** More than one when it can come from either end: the easier one counts. */
	ways: readonly (readonly MeasureKey[])[];
}

const ARM = ['thumbKnuckleGirth', 'wristGirth', 'forearmGirth', 'elbowGirth', 'upperArmGirth'] as const;
const LEG = ['heelInstepGirth', 'ankleGirth', 'calfGirth', 'kneeGirth', 'thighGirth'] as const;
const upTo = <T extends MeasureKey>(way: readonly T[], seat: T) => [way.slice(0, way.indexOf(seat) + 1)];

/** Common practice: what an opening must reach round. */
export const PASSAGES = {
	neckHole: { name: 'neck hole or collar', seat: 'neckGirth', ways: [['headGirth', 'neckGirth']] },
	helmet: { name: 'helmet, hood or mask', seat: 'headGirth', ways: [['headOverEars', 'headGirth']] },
	glove: { name: 'glove', seat: 'handGirth', ways: [['thumbKnuckleGirth', 'handGirth']] },
	cuff: { name: 'sleeve or cuff at the wrist', seat: 'wristGirth', ways: upTo(ARM, 'wristGirth') },
	forearm: { name: 'band on the forearm', seat: 'forearmGirth', ways: upTo(ARM, 'forearmGirth') },
	upperArm: { name: 'band on the upper arm', seat: 'upperArmGirth', ways: upTo(ARM, 'upperArmGirth') },
	armhole: { name: 'armhole', seat: 'armscyeGirth', ways: [['upperArmGirth', 'armscyeGirth']] },
	chest: {
		name: 'round the chest',
		seat: 'chestGirth',
		ways: [
			['shoulderGirth', 'chestGirth'],
			['hipGirth', 'waistGirth', 'chestGirth']
		]
	},
	waist: {
		name: 'belt or waistband',
		seat: 'waistGirth',
		ways: [
			['hipGirth', 'waistGirth'],
			['shoulderGirth', 'chestGirth', 'waistGirth']
		]
	},
	hips: {
		name: 'round the hips',
		seat: 'hipGirth',
		ways: [['hipGirth'], ['shoulderGirth', 'chestGirth', 'waistGirth', 'hipGirth']]
	},
	shaft: { name: 'shaft or leg at the ankle', seat: 'ankleGirth', ways: upTo(LEG, 'ankleGirth') },
	calf: { name: 'band on the calf', seat: 'calfGirth', ways: upTo(LEG, 'calfGirth') },
	knee: { name: 'band at the knee', seat: 'kneeGirth', ways: upTo(LEG, 'kneeGirth') },
	thigh: { name: 'band on the thigh', seat: 'thighGirth', ways: upTo(LEG, 'thighGirth') }
} as const satisfies Record<string, Passage>;

export type PassageKey = keyof typeof PASSAGES;
export const PASSAGE_KEYS = Object.keys(PASSAGES) as [PassageKey, ...PassageKey[]];
