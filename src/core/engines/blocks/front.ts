import type { Edge, Piece } from '../../facts/piece.ts';
import { distance, type Point } from '../../units/point.ts';
import { between, curve, line, plus, runBack, runMoved, towards, turnAbout, type Run } from './drawing.ts';
import { dartTo, type Marked, pieceFrom, type Plan, sew, SHOULDER, waistDart, waistEdge } from './shaping.ts';
import type { Bust } from './torso.ts';

const AT_ARMHOLE = 'armhole, front';
const AT_BUST = 'bust point';
const AT_DART = { side: 'dart at the side', shoulder: 'dart in the shoulder, front' } as const;

/**
 * The front of a bodice. What lies beside the bust point is drawn where it is with the front closed; opened about the bust point it
 * meets the armhole, so that a seam through that point can lie anywhere, and what was turned is as long as before.
 * @param middle the edge from the neck down to the waist
 */
export function frontOf(plan: Plan, its: Marked, bust: Bust, middle: Edge, folded: boolean): Piece[] {
	const { front, level } = plan.torso;
	const { point } = bust;
	const open = turnAbout(point, bust.angle);
	const close = turnAbout(point, -bust.angle);
	const shoulder = sew(plan, SHOULDER);
	const waist = waistEdge(plan);
	const halfWay = between(front.neck, front.tip, 0.5);
	const neck = [line(front.neck, shoulder), its.neckline, middle];
	/** Of a dart about the bust point that opens between two points. */
	const tipBetween = (a: Point, b: Point) => plus(point, towards(point, between(a, b, 0.5)), plan.short);
	const below = [
		...waistDart(plan, [point[0], Math.min(point[1], level) - plan.short], its, 'dart at the waist, front'),
		line(its.corner, waist),
		its.sideLow
	];
	/** One piece: a dart at the side, above which it is turned up, or one in the shoulder, beside which it stays. */
	const whole = (turn: (p: Point) => Point, dart: { at: 'side' | 'shoulder'; from: Point; to: Point }) => {
		const sewn = bust.angle ? dartTo(plan, tipBetween(dart.from, dart.to), dart.to, AT_DART[dart.at]) : [];
		return pieceFrom(
			'front',
			folded,
			[0, 0],
			[
				...below,
				...(dart.at === 'side' ? [...sewn, runMoved(its.sideHigh, open)] : [its.sideHigh]),
				runMoved(its.armLow, turn),
				runMoved(its.armHigh, turn),
				...(dart.at === 'shoulder' ? [line(dart.from, shoulder), ...sewn] : []),
				...neck
			],
			[[turn(its.across), AT_ARMHOLE]]
		);
	};
	if (plan.shaping === 'sideDart') {
		const low = its.sideHigh.from;
		return [whole((p) => p, { at: 'side', from: low, to: open(low) })];
	}
	if (plan.shaping === 'shoulderDart')
		return [whole(close, { at: 'shoulder', from: close(halfWay), to: halfWay })];
	const seam = sew(plan, 'princess seam, front');
	const [left, right] = its.legs;
	const fromShoulder = plan.shaping === 'fromShoulder';
	const upper: Run = fromShoulder
		? { from: point, edges: [line(halfWay, seam)] }
		: { from: point, edges: [bow(point, its.across, seam)] };
	return [
		pieceFrom(
			'front, middle',
			folded,
			[0, 0],
			[line(left, waist), line(point, seam), upper, ...(fromShoulder ? [] : [its.armHigh]), ...neck],
			[[point, AT_BUST], ...(fromShoulder ? [] : [[its.across, AT_ARMHOLE] as const])]
		),
		pieceFrom(
			'front, side',
			false,
			right,
			[
				line(its.corner, waist),
				its.sideLow,
				its.sideHigh,
				runMoved(its.armLow, close),
				...(fromShoulder ? [runMoved(its.armHigh, close), line(close(halfWay), shoulder)] : []),
				runMoved(runBack(upper), close),
				line(right, seam)
			],
			[
				[point, AT_BUST],
				[close(its.across), AT_ARMHOLE]
			]
		)
	];
}

/** From a dart's end up to the armhole: upright at first, square to the armhole in the end. */
export const bow = (from: Point, to: Point, seam: ReturnType<typeof sew>): Edge =>
	curve(plus(from, [0, 1], distance(from, to) * 0.4), plus(to, [-1, 0], distance(from, to) * 0.3), to, seam);
