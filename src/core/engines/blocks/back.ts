import type { Edge, Piece } from '../../facts/piece.ts';
import type { Point } from '../../units/point.ts';
import { between, line, plus, runBack } from './drawing.ts';
import { bow } from './front.ts';
import { dartTo, type Marked, pieceFrom, type Plan, sew, SHOULDER, waistDart, waistEdge } from './shaping.ts';

const AT_ARMHOLE = 'armhole, back';
const AT_DART = 'end of the back’s dart';

/**
 * The back of a bodice: taken in at the waist up to the level of the bust, and at the shoulder down to the width across.
 * @param middle the edge from the neck down to the waist
 * @param slope of the shoulder, radians
 */
export function backOf(plan: Plan, its: Marked, middle: Edge, folded: boolean, slope: number): Piece[] {
	const { back, blade, level } = plan.torso;
	const [left, right] = its.legs;
	const seams = plan.shaping === 'fromShoulder' || plan.shaping === 'fromArmhole';
	const tip: Point = [(left[0] + right[0]) / 2, level - (seams ? 0 : plan.short)];
	const halfWay = between(blade.from, blade.to, 0.5);
	const bladeTip = plus(
		halfWay,
		[-Math.sin(slope), -Math.cos(slope)],
		(halfWay[1] - its.across[1]) / Math.cos(slope)
	);
	const shoulder = sew(plan, SHOULDER);
	const waist = waistEdge(plan);
	const neck = [line(back.neck, shoulder), its.neckline, middle];
	const bladeDart = blade.wide
		? [line(blade.to, shoulder), ...dartTo(plan, bladeTip, blade.from, 'dart in the shoulder, back')]
		: [];
	const side = [line(its.corner, waist), its.sideLow, its.sideHigh, its.armLow];
	const seam = sew(plan, 'princess seam, back');
	if (!seams)
		return [
			pieceFrom(
				'back',
				folded,
				[0, 0],
				[
					...waistDart(plan, tip, its, 'dart at the waist, back'),
					...side,
					its.armHigh,
					...bladeDart,
					...neck
				],
				[[its.across, AT_ARMHOLE]]
			)
		];
	const parts: Record<'middle' | 'side', { upper: Edge[]; marks: (readonly [Point, string])[] }> = {
		middle: { upper: [], marks: [[tip, AT_DART]] },
		side: {
			upper: [],
			marks: [
				[tip, AT_DART],
				[its.across, AT_ARMHOLE]
			]
		}
	};
	const upper = bow(tip, its.across, seam);
	if (plan.shaping === 'fromShoulder') {
		parts.middle.upper = [line(bladeTip, seam), line(blade.from, seam)];
		parts.side.upper = [
			...its.armHigh.edges,
			line(blade.to, shoulder),
			line(bladeTip, seam),
			line(tip, seam)
		];
	} else {
		parts.middle.upper = [upper, ...its.armHigh.edges, ...bladeDart];
		parts.middle.marks.push([its.across, AT_ARMHOLE]);
		parts.side.upper = [...runBack({ from: tip, edges: [upper] }).edges];
	}
	return [
		pieceFrom(
			'back, middle',
			folded,
			[0, 0],
			[line(left, waist), line(tip, seam), ...parts.middle.upper, ...neck],
			parts.middle.marks
		),
		pieceFrom('back, side', false, right, [...side, ...parts.side.upper, line(right, seam)], parts.side.marks)
	];
}
