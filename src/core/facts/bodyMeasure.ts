import { z } from 'zod';
/**
 * The measures of a wearer. Names and places follow ISO 8559-1:2017 (anthropometric definitions for body
 * measurement), from memory; those marked `own` are the trade's, for what must pass an opening.
 * Widest and narrowest are limits of what a body can be, child to adult: outside them a unit slipped.
 */
export const MEASURE_SIDES = ['none', 'left', 'right'] as const;
export type MeasureSide = (typeof MEASURE_SIDES)[number];

/** What it was taken over, and up to which layer that is contained in it: 0 is skin. */
export const OVERS = ['skin', 'undersuit', 'boots', 'padding'] as const;
export type Over = (typeof OVERS)[number];
export const LAYER_OF_OVER: Record<Over, number> = { skin: 0, undersuit: 1, boots: 2, padding: 2 };

export interface MeasureDefinition {
	name: string;
	ofTrade: boolean;
	sided: boolean;
	girth: boolean;
	/** The zone that it lies on, without its side. */
	zone: string;
	least: number;
	most: number;
	how: string;
}

const define =
	(girth: boolean, ofTrade: boolean) =>
	(
		name: string,
		zone: string,
		least: number,
		most: number,
		how: string,
		sided = false
	): MeasureDefinition => ({
		name,
		ofTrade,
		sided,
		girth,
		zone,
		least,
		most,
		how
	});
const girth = define(true, false);
const ownGirth = define(true, true);
const length = define(false, false);
const ownLength = define(false, true);
const SIDED = true;

export const BODY_MEASURES = {
	stature: length(
		'stature',
		'head',
		700,
		2300,
		'Crown to floor, standing straight without shoes, heels at the wall.'
	),
	headGirth: girth(
		'head girth',
		'head',
		400,
		750,
		'Level round the largest part: over the brows and the back of the head.'
	),
	headOverEars: ownGirth(
		'head girth over ears',
		'head',
		420,
		850,
		'Round chin, ears and crown where a helmet must pass, hair as worn.'
	),
	headLength: ownLength(
		'head length, crown to chin',
		'head',
		150,
		330,
		'Straight down from the crown to under the chin, beside the face.'
	),
	neckGirth: girth(
		'neck girth',
		'neck',
		200,
		650,
		'Round the neck just below the larynx, two fingers under the tape.'
	),
	shoulderGirth: ownGirth(
		'shoulder girth',
		'shoulder',
		500,
		2000,
		'Round both upper arms at the widest, arms hanging.'
	),
	shoulderLength: length(
		'shoulder length',
		'shoulder',
		50,
		250,
		'From the side of the neck to the shoulder point.',
		SIDED
	),
	acrossBack: length(
		'across back width',
		'back',
		180,
		650,
		'Between the folds of the arms, half way down the armholes.'
	),
	chestGirth: girth(
		'bust or chest girth',
		'chest',
		400,
		2000,
		'Level round the fullest part, breathing easily.'
	),
	underbustGirth: girth('underbust girth', 'chest', 400, 1900, 'Level round the ribs right below the bust.'),
	waistGirth: girth(
		'waist girth',
		'waist',
		350,
		2100,
		'Half way between lowest rib and hip bone, not pulled in.'
	),
	hipGirth: girth('hip girth', 'hips', 400, 2200, 'Level round the fullest part of the seat, feet together.'),
	backWaistLength: length(
		'back neck point to waist',
		'back',
		180,
		650,
		'From the bone at the base of the neck down to the waist, along the back.'
	),
	frontWaistLength: length(
		'side neck point over the bust to waist',
		'chest',
		200,
		750,
		'On the fuller side: from the side of the neck straight over the bust point and down to the waist.'
	),
	neckToBust: length(
		'side neck point to bust point',
		'chest',
		100,
		520,
		'On the fuller side: from the side of the neck to the bust point.'
	),
	bustApart: length('bust point to bust point', 'chest', 80, 400, 'Straight across, from point to point.'),
	waistToHip: length(
		'waist to hip',
		'hips',
		80,
		400,
		'Down the side, from the waist to the level of the hip girth.'
	),
	crotchLength: length(
		'total crotch length',
		'hips',
		350,
		1300,
		'From the front waist between the legs to the back waist.'
	),
	armscyeGirth: girth(
		'armscye girth',
		'upper-arm',
		180,
		900,
		'Over the shoulder point and under the arm, arm hanging.',
		SIDED
	),
	upperArmGirth: girth(
		'upper-arm girth',
		'upper-arm',
		120,
		800,
		'At the thickest of the relaxed arm; again bent and tensed for a stiff piece.',
		SIDED
	),
	elbowGirth: girth('elbow girth', 'upper-arm', 120, 650, 'Round the bent elbow, over its point.', SIDED),
	forearmGirth: girth('forearm girth', 'forearm', 110, 600, 'At the thickest, fist closed.', SIDED),
	wristGirth: girth('wrist girth', 'forearm', 90, 400, 'Round the wrist bone.', SIDED),
	thumbKnuckleGirth: ownGirth(
		'hand girth over the thumb knuckle',
		'hand',
		120,
		480,
		'Hand made narrow, round the thumb’s base knuckle and across the palm: what must pass a cuff.',
		SIDED
	),
	handGirth: girth('hand girth', 'hand', 110, 400, 'Round the knuckles without the thumb, hand flat.', SIDED),
	armLength: length(
		'arm length',
		'upper-arm',
		250,
		950,
		'Shoulder point over the bent elbow to the wrist bone.',
		SIDED
	),
	handLength: length('hand length', 'hand', 80, 280, 'Wrist crease to the tip of the middle finger.', SIDED),
	thighGirth: girth('thigh girth', 'thigh', 220, 1200, 'Level, at the thickest, just below the seat.', SIDED),
	kneeGirth: girth('knee girth', 'thigh', 180, 800, 'Over the kneecap; again with the knee bent.', SIDED),
	calfGirth: girth('calf girth', 'shin', 160, 800, 'Level round the thickest part of the lower leg.', SIDED),
	ankleGirth: girth('ankle girth', 'shin', 120, 500, 'Round the ankle bones.', SIDED),
	heelInstepGirth: ownGirth(
		'heel and instep girth',
		'foot',
		180,
		650,
		'Round the heel and over the instep, toes pointed: what must pass a shaft.',
		SIDED
	),
	insideLeg: length(
		'inside leg length',
		'thigh',
		280,
		1200,
		'Crotch to floor along the inside of the leg.',
		SIDED
	),
	outsideLeg: length(
		'outside leg length',
		'thigh',
		400,
		1450,
		'Waist to floor along the outside of the leg.',
		SIDED
	),
	footLength: length('foot length', 'foot', 100, 380, 'Heel to the longest toe, standing on it.', SIDED),
	footGirth: girth('foot girth', 'foot', 120, 450, 'Round the ball of the foot, standing on it.', SIDED)
} as const satisfies Record<string, MeasureDefinition>;

export type MeasureKey = keyof typeof BODY_MEASURES;
export const MEASURE_KEYS = Object.keys(BODY_MEASURES) as [MeasureKey, ...MeasureKey[]];
/** What a tape is laid round, the head over the ears among them. */
export const GIRTH_KEYS = MEASURE_KEYS.filter((key) => BODY_MEASURES[key].girth);
export const definitionOf = (key: MeasureKey): MeasureDefinition => BODY_MEASURES[key];

/** `wrist girth, left`. */
export const measureWords = (key: MeasureKey, side: MeasureSide = 'none'): string =>
	side === 'none' ? BODY_MEASURES[key].name : `${BODY_MEASURES[key].name}, ${side}`;

/** One measure of a wearer, taken on a day. */
export interface BodyMeasure {
	id: number;
	wearerId: number;
	measure: MeasureKey;
	side: MeasureSide;
	over: Over;
	mm: number;
	/** Day number. */
	takenOn: number;
	/** The maker was asked about it and says that it is right. */
	confirmed: boolean;
	note: string;
	version: number;
}

/** Widest and deepest that a section of a body is, by breadth to depth. */
export const SECTION_RATIO = { least: 0.4, most: 4 };
export const bodySections = z.record(
	z.string().min(1).max(60),
	z.number().min(SECTION_RATIO.least).max(SECTION_RATIO.most)
);

export interface Wearer {
	id: number;
	name: string;
	note: string;
	/** How wide by deep sections of the body are, where somebody said so: by level and side as `chest none`. */
	sections: Record<string, number>;
	version: number;
	measures: BodyMeasure[];
}

/** The newest of its kind, as of a day; skin before anything else, unless `over` is named. */
export function latest(
	measures: readonly BodyMeasure[],
	key: MeasureKey,
	side: MeasureSide,
	{ asOf = Infinity, over }: { asOf?: number; over?: Over } = {}
): BodyMeasure | null {
	const mine = measures.filter(
		(m) =>
			m.measure === key && m.side === side && m.takenOn <= asOf && (over === undefined || m.over === over)
	);
	return mine.reduce<BodyMeasure | null>((best, m) => (best === null || before(best, m) ? m : best), null);
}

const before = (a: BodyMeasure, b: BodyMeasure): boolean => {
	const depth = LAYER_OF_OVER[a.over] - LAYER_OF_OVER[b.over];
	return depth !== 0 ? depth > 0 : a.takenOn !== b.takenOn ? a.takenOn < b.takenOn : a.id < b.id;
};
