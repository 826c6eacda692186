import type { Point, Point3 } from '../../units/point.ts';
import { flatten } from '../pattern/outline.ts';
import { ovalRound } from '../pattern/oval.ts';
import type { Run } from './drawing.ts';
import type { Half, Torso } from './torso.ts';

/** How deep a body is by how wide, for a drawing of it. */
const DEPTH = 0.72;
const STEPS = 48;
/** Lines from round to round. */
const LINES = 12;

/** Level rounds of a body and the lines between them, to draw it: girth and height of each, mm, and how far its middle lies aside. */
export function roundsOf(
	levels: readonly (readonly [girth: number, z: number, aside?: number])[]
): Point3[][] {
	const at = ([girth, z, aside = 0]: (typeof levels)[number], turn: number): Point3 => {
		const wide = girth / ovalRound(DEPTH);
		return [aside + wide * Math.cos(turn), DEPTH * wide * Math.sin(turn), z];
	};
	const angle = (i: number, n: number) => (2 * Math.PI * i) / n;
	return [
		...levels.map((level) => Array.from({ length: STEPS + 1 }, (_, i) => at(level, angle(i, STEPS)))),
		...Array.from({ length: LINES }, (_, i) => levels.map((level) => at(level, angle(i, LINES))))
	];
}

/** Hips and two legs. @param legs girth and height of each level of a leg */
export const seatSolid = (
	waist: number,
	hip: number,
	rise: number,
	hipLevel: number,
	legs: readonly (readonly [number, number])[]
): Point3[][] => [
	...roundsOf([
		[waist, rise],
		[hip, hipLevel]
	]),
	...[-1, 1].flatMap((side) =>
		roundsOf([[hip * 0.57, hipLevel], ...legs].map(([girth, z]) => [girth!, z!, (side * hip) / 11]))
	)
];

/** Two halves of a hood joined over the crown, open for the face. @param crown from the back of the neck to the face */
export function hoodSolid(crown: readonly Point[], face: number, high: number, neck: number): Point3[][] {
	const half = (side: number): Point3[][] => {
		const front = Array.from({ length: 13 }, (_, i): Point3 => {
			const t = i / 12;
			return [(side * face * Math.cos((t * Math.PI) / 2) ** 0.5) / 2, 0, t * high];
		});
		const neckline = Array.from({ length: 9 }, (_, i): Point3 => {
			const t = (i / 8) * (Math.PI / 2);
			return [
				(side * Math.max(face / 2, neck / 4) * Math.cos(t) ** 0.5) as number,
				neck * 0.5 * Math.sin(t),
				0
			];
		});
		return [front, neckline];
	};
	return [crown.map(([x, y]): Point3 => [0, x, y]), ...half(1), ...half(-1)];
}

/** How much of its depth is left at the shoulders. */
const SHOULDER_DEPTH = 0.15;

/**
 * Back and front laid round a body, to draw them: their edges, and level rounds. @param levels quarters of the round by height, from
 * the lowest up, to the underarm at last
 */
export function torsoSolid(
	torso: Torso,
	levels: readonly (readonly [quarter: number, y: number])[]
): Point3[][] {
	const top = torso.back.neck[1];
	const [last, under] = levels.at(-1)!;
	const quarterAt = (y: number): number => {
		const above = levels.findIndex(([, at]) => at >= y);
		if (above < 0) return last;
		if (above === 0) return levels[0]![0];
		const [[a, from], [b, to]] = [levels[above - 1]!, levels[above]!];
		return a + ((b - a) * (y - from)) / (to - from);
	};
	const place =
		(half: Half, front: boolean, side: number) =>
		([x, y]: Point): Point3 => {
			// What is longer over the bust is there as high as the back.
			const z = y > 0 ? (y * top) / half.neck[1] : y;
			const quarter = quarterAt(Math.min(z, under));
			const wide = (4 * quarter) / ovalRound(DEPTH);
			const turn = (Math.min(1, x / quarter) * Math.PI) / 2;
			const left = z <= under ? 1 : 1 - ((1 - SHOULDER_DEPTH) * (z - under)) / (top - under);
			return [side * wide * Math.sin(turn), (front ? -1 : 1) * DEPTH * wide * Math.cos(turn) * left, z];
		};
	const points = ({ from, edges }: Run): Point[] => flatten({ start: from, edges }).points;
	const foot = levels[0]![1];
	return ([true, false] as const).flatMap((front) => {
		const half = front ? torso.front : torso.back;
		const middle = half.neckline.edges.at(-1)!.to;
		const flat: Point[][] = [
			[...points(half.armhole), half.tip, half.neck, ...points(half.neckline), middle],
			Array.from({ length: 9 }, (_, i): Point => [0, foot + ((middle[1] - foot) * i) / 8]),
			...levels.map(([quarter, y]) =>
				Array.from({ length: 13 }, (_, i): Point => [
					(quarter * i) / 12,
					y * (y > 0 ? half.neck[1] / top : 1)
				])
			),
			...(front ? [levels.map(([quarter, y]): Point => [quarter, y * (y > 0 ? half.neck[1] / top : 1)])] : [])
		];
		return [1, -1].flatMap((side) => flat.map((run) => run.map(place(half, front, side))));
	});
}
