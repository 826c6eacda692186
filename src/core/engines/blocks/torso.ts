import type { Point } from '../../units/point.ts';
import { bad, good, type Parsed } from '../../units/problem.ts';
import { seek } from '../../units/seek.ts';
import { type asCut } from './given.ts';
import { curve, line, plus, runLength, runMoved, turnAbout, type Run } from './drawing.ts';

/**
 * The upper body, drawn flat from its measures: our own construction from plain geometry. Half of the back and half of the front stand
 * side by side on the same axes: x from the middle of back or front to the side, y up from the waist. Edges that meet are one line,
 * turned or mirrored, so that they are as long as each other; what remains is sought: how high the underarm lies, so that the armholes
 * come to their length, and how far the front opens over the bust, so that its side is as high as the back's.
 */

/** Mm of what is cut: eases added, stretch taken off. */
export interface TorsoGiven {
	/** All round. */
	chest: number;
	neckline: number;
	/** Of one arm. */
	armhole: number;
	shoulder: number;
	/** Of the shoulder below level, degrees. */
	slope: number;
	acrossBack: number;
	acrossFront: number;
	/** Nape to waist. */
	backWaist: number;
	/** How much wider the whole front is than the whole back. */
	frontMore: number;
	/** Side of the neck over the bust point to the waist; to the bust point; bust point to bust point. Without: flat in front. */
	bust: { frontWaist: number; neckToBust: number; apart: number } | null;
}

export interface Half {
	/** At the chest, from its middle to the side. */
	chest: number;
	/** Side of the neck, and the end of the shoulder. */
	neck: Point;
	tip: Point;
	/** From the side of the neck to the middle. */
	neckline: Run;
	under: Point;
	/** From the underarm over the point across back or front to the end of the shoulder. */
	armhole: Run;
}

export interface Bust {
	point: Point;
	/** What is taken up between side and front, radians. */
	angle: number;
	/** How much higher the front is than the back. */
	raised: number;
	/** From the bust point to the underarm, and how much higher that lies, before it is opened. */
	reach: number;
	up: number;
}

export interface Torso {
	back: Half;
	front: Half;
	/** At the shoulder blade: where its dart begins on the shoulder, and its width there; 0 for none. */
	blade: { from: Point; to: Point; wide: number };
	bust: Bust | null;
	/** Of the underarm of the back, and of the dart or the widest part beneath it, above the waist. */
	underarm: number;
	level: number;
}

/** Of a quarter of an ellipse drawn as one cubic: 4 ÷ 3 × (√2 − 1). */
const ROUND = 0.5522847498;
/** Depth of the neck by half its width. Common practice, from memory. */
const NECK = { back: 0.3, front: 1.15 };
/** The end of the shoulder lies so far outside the width across the back, mm. Common practice, from memory. */
export const OUTSIDE = 12;
/** A dart narrower than this is eased in instead, mm. */
const LEAST_DART = 3;
/** From a dart at the side up to the underarm, mm. */
const BELOW_UNDERARM = 15;

const quarter = (wide: number, deep: number): Run => ({
	from: [wide, 0],
	edges: [curve([wide, -deep * ROUND], [wide * ROUND, -deep], [0, -deep])]
});

/** Half its width, and how deep it lies in back and front: its length is what was asked. */
function neckOf(round: number): { half: number; back: number; front: number } {
	const one = runLength(quarter(1, NECK.back)) + runLength(quarter(1, NECK.front));
	const half = round / 2 / one;
	return { half, back: NECK.back * half, front: NECK.front * half };
}

/** Square to side and shoulder, upright at the width across. @param lean of the side there, radians */
function armholeOf(under: Point, lean: number, across: number, tip: Point, slope: number): Run {
	const middle: Point = [across, under[1] + (tip[1] - under[1]) * 0.45];
	const [wide, low, high] = [under[0] - across, middle[1] - under[1], tip[1] - middle[1]];
	return {
		from: under,
		edges: [
			curve(
				plus(under, [-Math.cos(lean), -Math.sin(lean)], wide * 0.6),
				plus(middle, [0, -1], low * 0.6),
				middle
			),
			curve(
				plus(middle, [0, 1], high * 0.4),
				plus(tip, [-Math.sin(slope), -Math.cos(slope)], high * 0.3),
				tip
			)
		]
	};
}

/** What is wrong leads to the shaper's value. */
export function torsoOf(given: TorsoGiven): Parsed<Torso> {
	const slope = (given.slope * Math.PI) / 180;
	const down: Point = [Math.cos(slope), -Math.sin(slope)];
	const neck = neckOf(given.neckline);
	const half = {
		back: (given.chest - given.frontMore) / 4,
		front: (given.chest + given.frontMore) / 4
	};
	const across = { back: given.acrossBack / 2, front: given.acrossFront / 2 };
	const most = Math.min(2 * half.back, 2 * half.front) - 20;
	if (given.acrossBack > most) return bad('acrossTooWide', { most: Math.floor(most) }, ['acrossBack']);

	const backNeck: Point = [neck.half, given.backWaist + neck.back];
	const short = (across.back + OUTSIDE - neck.half) / down[0] - given.shoulder;
	const wide = given.bust && short >= LEAST_DART ? short : 0;
	const blade = plus(backNeck, down, given.shoulder / 2);
	const backTip = plus(backNeck, down, given.shoulder + wide);

	const { bust } = given;
	let point: Point | null = null;
	let frontNeck = backNeck;
	if (bust) {
		if (bust.neckToBust >= bust.frontWaist)
			return bad('bustPointTooLow', { most: Math.floor(bust.frontWaist) }, ['neckToBust']);
		const aside = neck.half - bust.apart / 2;
		if (Math.abs(aside) >= bust.neckToBust) return bad('bustTooFarApart', {}, ['bustApart']);
		if (bust.apart / 2 >= half.front - 10) return bad('bustTooFarApart', {}, ['bustApart']);
		point = [bust.apart / 2, bust.frontWaist - bust.neckToBust];
		frontNeck = [neck.half, point[1] + Math.sqrt(bust.neckToBust ** 2 - aside ** 2)];
	}
	const frontTip = plus(frontNeck, down, given.shoulder);
	const raised = frontNeck[1] - backNeck[1];

	/** How far the front opens about the bust point for its underarm to be as far below the neck as the back's. */
	const opened = (underarm: number): Bust | null => {
		if (!point || raised <= 0) return null;
		const [along, up] = [half.front - point[0], underarm - point[1]];
		const reach = Math.hypot(along, up);
		return {
			point,
			raised,
			reach,
			up,
			angle: Math.asin(Math.min(1, (up + raised) / reach)) - Math.asin(up / reach)
		};
	};
	const drawn = (underarm: number) => {
		const backUnder: Point = [half.back, underarm];
		const its = opened(underarm);
		const frontUnder: Point = its
			? turnAbout(its.point, its.angle)([half.front, underarm])
			: [half.front, underarm];
		return {
			bust: its,
			backUnder,
			frontUnder,
			back: armholeOf(backUnder, 0, across.back, backTip, slope),
			front: armholeOf(frontUnder, its?.angle ?? 0, across.front, frontTip, slope)
		};
	};
	const length = (underarm: number): number => {
		const { back, front } = drawn(underarm);
		return runLength(back) + runLength(front);
	};
	const [low, high] = [BELOW_UNDERARM + 5, Math.min(backTip[1], frontTip[1] - Math.max(0, raised)) - 30];
	const underarm = high > low ? seek(length, given.armhole, low, high) : null;
	if (underarm === null) {
		const [longest, shortest] = [length(low), length(high)];
		return given.armhole > longest
			? bad('armholeTooLong', { most: Math.floor(longest) || 0 }, ['armscye'])
			: bad('armholeTooShort', { least: Math.ceil(shortest) || 0 }, ['armscye']);
	}
	const done = drawn(underarm);
	if (done.bust && !(done.bust.angle < Math.PI / 3)) return bad('bustTooFull', {}, ['frontWaist']);
	const at = (corner: Point, deep: number): Run =>
		runMoved(quarter(neck.half, deep), ([x, y]) => [x, y + corner[1]]);
	return good({
		back: {
			chest: half.back,
			neck: backNeck,
			tip: backTip,
			neckline: at(backNeck, neck.back),
			under: done.backUnder,
			armhole: done.back
		},
		front: {
			chest: half.front,
			neck: frontNeck,
			tip: frontTip,
			neckline: at(frontNeck, neck.front),
			under: done.frontUnder,
			armhole: done.front
		},
		blade: { from: blade, to: plus(blade, down, wide), wide },
		bust: done.bust ?? (point ? { point, raised: 0, reach: 0, up: 0, angle: 0 } : null),
		underarm,
		level: Math.min(point ? point[1] : Infinity, underarm - BELOW_UNDERARM)
	});
}

/** From the waist up to the widest part, and on to the underarm: the same in back and front. */
export const sideOf = (waist: number, chest: number, level: number, underarm: number): Run => ({
	from: [waist, 0],
	edges: [
		curve([waist + (chest - waist) * 0.45, level / 3], [chest, (level * 2) / 3], [chest, level], {
			seam: 'side'
		}),
		line([chest, underarm], { seam: 'side' })
	]
});

/** What back and front are drawn from, of the values that everything has that hangs from the shoulders. */
export function shoulderGiven(
	its: Readonly<
		Record<
			| 'chest'
			| 'chestEase'
			| 'neck'
			| 'neckEase'
			| 'shoulder'
			| 'slope'
			| 'acrossBack'
			| 'acrossLess'
			| 'backWaist'
			| 'armscye'
			| 'armholeEase',
			number
		>
	>,
	cut: ReturnType<typeof asCut>
): Omit<TorsoGiven, 'frontMore' | 'bust'> {
	// Of the ease at the chest, a quarter lies across the back.
	const acrossBack = cut.across(its.acrossBack + its.chestEase / 4);
	return {
		chest: cut.across(its.chest + its.chestEase),
		neckline: cut.round(its.neck + its.neckEase),
		armhole: cut.round(its.armscye + its.armholeEase),
		shoulder: cut.across(its.shoulder),
		slope: its.slope,
		acrossBack,
		acrossFront: acrossBack - cut.across(its.acrossLess),
		backWaist: cut.along(its.backWaist)
	};
}
