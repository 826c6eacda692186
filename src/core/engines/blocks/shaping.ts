import type { Edge, EdgeMarks, Piece } from '../../facts/piece.ts';
import type { Point } from '../../units/point.ts';
import { line, marked, type Run } from './drawing.ts';
import { halfPiece, notchesAt, outlineOf } from './pieces.ts';
import { type Half, sideOf, type Torso } from './torso.ts';

/** How what is too wide at the waist and over the bust is taken up. */
export const SHAPINGS = [
	'darts at waist and side',
	'darts at waist and shoulder',
	'princess seams from the shoulder',
	'princess seams from the armhole'
] as const;
export type Shaping = 'sideDart' | 'shoulderDart' | 'fromShoulder' | 'fromArmhole';
export const SHAPING_KEYS: readonly Shaping[] = ['sideDart', 'shoulderDart', 'fromShoulder', 'fromArmhole'];

/** What is decided before back and front are drawn. Lengths are mm. */
export interface Plan {
	torso: Torso;
	shaping: Shaping;
	/** Taken in at the waist by one dart or seam, and at one side. */
	dart: number;
	aside: number;
	/** Darts end so far before the bust point. */
	short: number;
	/** Of edges that are sewn. */
	allowance: EdgeMarks;
	/** Sleeves are sewn in. */
	sleeves: boolean;
}

/** Half of the back or of the front with its marks, before it is cut up. */
export interface Marked {
	corner: Point;
	/** Up to the level of the bust, and on to the underarm. */
	sideLow: Run;
	sideHigh: Run;
	/** From the underarm to the width across, and on to the end of the shoulder. */
	armLow: Run;
	armHigh: Run;
	/** At the width across. */
	across: Point;
	neckline: Run;
	legs: readonly [Point, Point];
	/** Whether dart or seam has room at the waist. */
	fits: boolean;
}

export const SHOULDER = 'shoulder';
export const sew = (plan: Pick<Plan, 'allowance'>, seam: string, onto = false): EdgeMarks => ({
	seam,
	...(onto ? { onto } : {}),
	...plan.allowance
});
export const waistEdge = (plan: Plan): EdgeMarks => sew(plan, 'waist', true);

/** @param x of the dart or seam, from the middle */
export function markedHalf(plan: Plan, half: Half, x: number): Marked {
	const { torso, aside, dart } = plan;
	const corner: Point = [half.chest - aside, 0];
	const side = marked(sideOf(corner[0], half.chest, torso.level, torso.underarm), sew(plan, 'side'));
	const armhole = marked(half.armhole, sew(plan, 'armhole', !plan.sleeves));
	const part = (run: Run, i: 0 | 1): Run => ({
		from: i ? run.edges[0]!.to : run.from,
		edges: [run.edges[i]!]
	});
	const legs = [
		[x - dart / 2, 0],
		[x + dart / 2, 0]
	] as const;
	return {
		corner,
		sideLow: part(side, 0),
		sideHigh: part(side, 1),
		armLow: part(armhole, 0),
		armHigh: part(armhole, 1),
		across: armhole.edges[0]!.to,
		neckline: marked(half.neckline, sew(plan, 'neckline', true)),
		legs,
		fits: legs[0][0] >= 5 && legs[1][0] <= corner[0] - 5
	};
}

/** On to the tip of a dart, and to the end of its other leg. */
export const dartTo = (plan: Plan, tip: Point, to: Point, seam: string): Edge[] => [
	line(tip, sew(plan, seam)),
	line(to, sew(plan, seam))
];

/** A dart that stands on the waist, or nothing. */
export const waistDart = (plan: Plan, tip: Point, { legs }: Marked, seam: string): Edge[] =>
	plan.dart ? [line(legs[0], waistEdge(plan)), ...dartTo(plan, tip, legs[1], seam)] : [];

/** A piece from its parts; its marks lie where edges begin. */
export function pieceFrom(
	name: string,
	folded: boolean,
	start: Point,
	parts: readonly (Edge | Run)[],
	marks: readonly (readonly [Point, string])[]
): Piece {
	const outline = outlineOf(start, ...parts);
	return halfPiece(name, outline, folded, notchesAt(outline, marks));
}
