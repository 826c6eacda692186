import {
	LAYER_OF_OVER,
	latest,
	measureWords,
	type BodyMeasure,
	type MeasureKey
} from '../facts/bodyMeasure.ts';

/** A measure that does not go with another one. It asks; the maker knows better. */
export type Slip =
	| { code: 'ratio'; measure: BodyMeasure; other: BodyMeasure; share: number; low: number; high: number }
	| { code: 'sides'; measure: BodyMeasure; other: BodyMeasure; percent: number }
	| { code: 'change'; measure: BodyMeasure; other: BodyMeasure; percent: number }
	| { code: 'overLess'; measure: BodyMeasure; other: BodyMeasure };

/**
 * Shares of one measure in another that nearly every body keeps, child to adult. From memory of published
 * surveys (means of the US Army survey of 2012 and of national size surveys) with about four standard
 * deviations to each side: a slipped digit or unit falls outside, an unusual body seldom.
 */
export const RATIOS: readonly { of: MeasureKey; to: MeasureKey; low: number; high: number }[] = [
	{ of: 'headGirth', to: 'stature', low: 0.27, high: 0.55 },
	{ of: 'headLength', to: 'stature', low: 0.1, high: 0.21 },
	{ of: 'headOverEars', to: 'headGirth', low: 0.95, high: 1.35 },
	{ of: 'neckGirth', to: 'headGirth', low: 0.45, high: 0.95 },
	{ of: 'chestGirth', to: 'stature', low: 0.4, high: 0.95 },
	{ of: 'waistGirth', to: 'hipGirth', low: 0.55, high: 1.35 },
	{ of: 'waistGirth', to: 'chestGirth', low: 0.58, high: 1.25 },
	{ of: 'underbustGirth', to: 'chestGirth', low: 0.68, high: 1.03 },
	{ of: 'hipGirth', to: 'chestGirth', low: 0.72, high: 1.4 },
	{ of: 'shoulderGirth', to: 'chestGirth', low: 1, high: 1.45 },
	{ of: 'backWaistLength', to: 'stature', low: 0.19, high: 0.32 },
	{ of: 'frontWaistLength', to: 'backWaistLength', low: 0.85, high: 1.4 },
	{ of: 'neckToBust', to: 'frontWaistLength', low: 0.42, high: 0.8 },
	{ of: 'bustApart', to: 'chestGirth', low: 0.13, high: 0.3 },
	{ of: 'waistToHip', to: 'stature', low: 0.06, high: 0.18 },
	{ of: 'acrossBack', to: 'chestGirth', low: 0.28, high: 0.52 },
	{ of: 'armscyeGirth', to: 'chestGirth', low: 0.32, high: 0.6 },
	{ of: 'upperArmGirth', to: 'chestGirth', low: 0.2, high: 0.5 },
	{ of: 'forearmGirth', to: 'upperArmGirth', low: 0.6, high: 1.15 },
	{ of: 'wristGirth', to: 'forearmGirth', low: 0.45, high: 0.9 },
	{ of: 'wristGirth', to: 'neckGirth', low: 0.33, high: 0.65 },
	{ of: 'thumbKnuckleGirth', to: 'wristGirth', low: 1.05, high: 1.75 },
	{ of: 'handGirth', to: 'wristGirth', low: 0.95, high: 1.6 },
	{ of: 'armLength', to: 'stature', low: 0.27, high: 0.42 },
	{ of: 'handLength', to: 'stature', low: 0.085, high: 0.13 },
	{ of: 'thighGirth', to: 'hipGirth', low: 0.42, high: 0.8 },
	{ of: 'kneeGirth', to: 'thighGirth', low: 0.45, high: 0.98 },
	{ of: 'calfGirth', to: 'kneeGirth', low: 0.75, high: 1.3 },
	{ of: 'ankleGirth', to: 'calfGirth', low: 0.45, high: 0.88 },
	{ of: 'heelInstepGirth', to: 'ankleGirth', low: 1.08, high: 1.75 },
	{ of: 'insideLeg', to: 'stature', low: 0.36, high: 0.54 },
	{ of: 'outsideLeg', to: 'stature', low: 0.48, high: 0.7 },
	{ of: 'footLength', to: 'stature', low: 0.125, high: 0.185 },
	{ of: 'footGirth', to: 'footLength', low: 0.72, high: 1.25 }
];

/** Left and right differ by a few percent on most; more is a side mixed up or a digit slipped. From memory. */
const SIDES_PERCENT = 12;
/** A girth seldom changes more between two fittings. From memory. */
const CHANGE_PERCENT = 12;

/** What of the newest measures does not go together. Confirmed ones are not asked about again. */
export function slipsOf(measures: readonly BodyMeasure[]): Slip[] {
	const slips: Slip[] = [];
	const newest = newestOf(measures);
	const on = (key: MeasureKey) => newest.filter((m) => m.measure === key && m.over === 'skin');
	for (const { of, to, low, high } of RATIOS)
		for (const measure of on(of))
			for (const other of on(to)) {
				if (measure.side !== other.side && measure.side !== 'none' && other.side !== 'none') continue;
				const share = measure.mm / other.mm;
				if (share < low || share > high) slips.push({ code: 'ratio', measure, other, share, low, high });
			}
	for (const measure of newest) {
		const twin = newest.find(
			(m) =>
				measure.side === 'left' &&
				m.side === 'right' &&
				m.measure === measure.measure &&
				m.over === measure.over
		);
		const percent = twin ? (Math.abs(measure.mm - twin.mm) / Math.max(measure.mm, twin.mm)) * 100 : 0;
		if (twin && percent > SIDES_PERCENT) slips.push({ code: 'sides', measure, other: twin, percent });
		const earlier = latest(
			measures.filter((m) => m.id !== measure.id && m.takenOn < measure.takenOn),
			measure.measure,
			measure.side,
			{ over: measure.over }
		);
		const change = earlier ? ((measure.mm - earlier.mm) / earlier.mm) * 100 : 0;
		if (earlier && Math.abs(change) > CHANGE_PERCENT)
			slips.push({ code: 'change', measure, other: earlier, percent: change });
		const beneath = newest.find(
			(m) =>
				m.measure === measure.measure &&
				m.side === measure.side &&
				LAYER_OF_OVER[m.over] < LAYER_OF_OVER[measure.over] &&
				m.mm > measure.mm
		);
		if (beneath) slips.push({ code: 'overLess', measure, other: beneath });
	}
	return slips.filter((s) => !s.measure.confirmed);
}

function newestOf(measures: readonly BodyMeasure[]): BodyMeasure[] {
	const newest = new Map<string, BodyMeasure>();
	for (const m of [...measures].sort((a, b) => a.takenOn - b.takenOn || a.id - b.id))
		newest.set(`${m.measure} ${m.side} ${m.over}`, m);
	return [...newest.values()];
}

/** The question, in words; lengths written by `length`. */
export function askAbout(slip: Slip, length: (mm: number) => string): string {
	const name = (m: BodyMeasure) => `${measureWords(m.measure, m.side)} ${length(m.mm)}`;
	switch (slip.code) {
		case 'ratio':
			return `${name(slip.measure)} is ${Math.round(slip.share * 100)} % of ${name(slip.other)}; usual is ${Math.round(slip.low * 100)} to ${Math.round(slip.high * 100)} %. Right?`;
		case 'sides':
			return `${name(slip.measure)} and right ${length(slip.other.mm)} differ by ${Math.round(slip.percent)} %. Right?`;
		case 'change':
			return `${name(slip.measure)} was ${length(slip.other.mm)} before: ${slip.percent > 0 ? '+' : '−'}${Math.abs(Math.round(slip.percent))} %. Right?`;
		case 'overLess':
			return `${name(slip.measure)} over ${slip.measure.over} is less than over ${slip.other.over}, ${length(slip.other.mm)}. Right?`;
	}
}
