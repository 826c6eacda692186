import type { Point3 } from '../../units/point.ts';
import type { EdgeMarks, Piece } from '../../facts/piece.ts';
import { bad, good, type Parsed } from '../../units/problem.ts';
import { ovalFront, type OnFront, type OvalFront } from '../pattern/ovalFront.ts';
import { ovalAt, ovalOf, type Oval } from '../pattern/oval.ts';
import { type FormMesh, mapped, rowsMesh, together, turnedOver } from '../pattern/form.ts';
import { polygon } from '../pattern/outline.ts';
import { piece } from '../pattern/piece.ts';
import { count, mm, shaped, shaper, type Dimension, type Param } from '../pattern/shaper.ts';

/** Points along a curved edge. */
const STEPS = 32;
const steps = Array.from({ length: STEPS + 1 }, (_, i) => i / STEPS);
/** Least that is left of a plate beside its neckline or its armhole, mm. */
const LEAST = 20;

const girth = (name: string, value: number, measure: Param['measure'], hint?: string): Param => ({
	name,
	unit: 'mm',
	value,
	least: 300,
	most: 3000,
	...(measure ? { measure } : {}),
	...(hint ? { hint } : {})
});
/** Depth by width of a trunk at that level: the reciprocals of breadth by depth, from memory. */
const depth = (name: string, value: number): Param => ({ name, unit: 'times', value, least: 0.3, most: 1.5 });
const long = (
	name: string,
	value: number,
	least: number,
	most: number,
	more: Partial<Param> = {}
): Param => ({
	name,
	unit: 'mm',
	value,
	least,
	most,
	...more
});

/** Where the plates of one half end. */
interface Ends {
	/** Short of the side, by how far round. */
	side: number;
	neckHalf: number;
	shoulder: number;
	across: number;
	underarm: number;
	drop: number;
}

/** What is left of the upper plate beside armhole and neckline, from the right at the chest, round over the top. */
function upperPlate(front: OvalFront, height: number, ends: Ends): Parsed<OnFront[]> {
	const under = ends.underarm / height;
	const side = front.aside(ends.side, under);
	const half = ends.across / 2;
	if (half > side) return bad('acrossTooWide', { most: Math.floor(2 * side) }, ['across']);
	const end = ends.neckHalf + ends.shoulder;
	const middle = (1 + under) / 2;
	// From under the arm a quarter of an oval to the narrowest, from there out to the shoulder; then the neckline.
	const seen: [aside: number, up: number][] = [
		...steps.map((s): [number, number] => [
			side - (side - half) * Math.sin((s * Math.PI) / 2),
			under + (middle - under) * (1 - Math.cos((s * Math.PI) / 2))
		]),
		...steps.slice(1).map((s): [number, number] => [half + (end - half) * s * s, middle + (1 - middle) * s]),
		...steps.map((s): [number, number] => [
			ends.neckHalf * Math.cos((s * Math.PI) / 2),
			1 - (ends.drop / height) * Math.sin((s * Math.PI) / 2)
		])
	];
	const right: OnFront[] = [{ round: ends.side, up: 0 }];
	for (const [i, [aside, up]] of seen.entries()) {
		const round = i === 0 ? ends.side : front.roundAt(aside, up);
		if (round === null) return bad('shoulderTooWide', {}, ['shoulder']);
		right.push({ round, up });
	}
	return good(right);
}

/** What runs down on the right as it runs up, and up on the left: the whole of a plate, counter-clockwise. */
const mirrored = (right: readonly OnFront[]): OnFront[] => [
	...right,
	...[...right].reverse().flatMap((on) => (on.round === 0 ? [] : [{ ...on, round: -on.round }]))
];

/**
 * A breastplate and a back plate, each in two: from waist to chest, and from there to the shoulders with armholes and a neckline.
 * The trunk is three ovals, at the waist, the chest and the shoulders, and each plate is the surface between two of them that can be
 * laid flat (the developable connection of two plane curves, as in descriptive geometry). Plain: no bust, and what goes over the
 * shoulders is straps.
 */
export const breastplate = shaper({
	name: 'breastplate and back',
	makes: 'breastplate, back plate, cuirass without a bust',
	params: {
		plates: {
			name: 'plates',
			unit: 'count',
			value: 0,
			least: 0,
			most: 2,
			choices: ['front and back', 'front only', 'back only']
		},
		chest: girth('chest girth', 960, 'chestGirth', 'over what is worn beneath, with ease'),
		chestRatio: depth('chest, depth by width', 0.83),
		waist: girth('waist girth', 800, 'waistGirth'),
		waistRatio: depth('waist, depth by width', 0.74),
		shoulders: girth('girth round both shoulders', 1120, 'shoulderGirth'),
		shouldersRatio: depth('shoulders, depth by width', 0.5),
		waistToChest: long('waist to chest, straight up', 170, 20, 600),
		chestToShoulder: long('chest to shoulder, straight up', 200, 60, 600),
		across: long('width between the armholes', 330, 60, 900, { measure: 'acrossBack' }),
		neck: long('width of the neckline', 170, 40, 500),
		shoulder: long('shoulder, out from the neckline', 70, 15, 300, {
			hint: 'as much of the shoulder as the plate covers'
		}),
		frontDrop: long('neckline, down in front', 90, 5, 400, { only: { of: 'plates', is: [0, 1] } }),
		backDrop: long('neckline, down at the back', 30, 5, 400, { only: { of: 'plates', is: [0, 2] } }),
		underarm: long('armhole begins above the chest by', 25, 0, 300),
		gap: long('gap left open at each side', 40, 0, 600, {
			hint: 'for straps or lacing; 0 where they are joined'
		}),
		thickness: long('thickness', 6, 0, 50)
	},
	shape(its) {
		const round = (girth: number, ratio: number) => ovalOf(girth + Math.PI * its.thickness, ratio);
		const [waist, chest, shoulders] = [
			round(its.waist, its.waistRatio),
			round(its.chest, its.chestRatio),
			round(its.shoulders, its.shouldersRatio)
		];
		const height = its.chestToShoulder;
		if (its.underarm > height - LEAST)
			return bad('tooLarge', { most: Math.floor(height - LEAST) }, ['underarm']);
		const lower = ovalFront(waist, chest, its.waistToChest);
		const upper = ovalFront(chest, shoulders, height);
		const cut = its.chest + Math.PI * its.thickness;
		const side = sideOf(chest, its.gap / 2);
		if (side === null) return bad('gapTooWide', {}, ['gap']);

		const halves = [
			{ of: 'breastplate', drop: its.frontDrop, key: 'frontDrop', away: 1, is: [0, 1] },
			{ of: 'back plate', drop: its.backDrop, key: 'backDrop', away: -1, is: [0, 2] }
		].filter(({ is }) => is.includes(its.plates));
		const pieces: Piece[] = [];
		const solid: Point3[][] = [];
		const surfaces: FormMesh[] = [];
		for (const { of, drop, key, away } of halves) {
			if (drop > height - LEAST) return bad('tooLarge', { most: Math.floor(height - LEAST) }, [key]);
			const ends: Ends = {
				side,
				neckHalf: its.neck / 2,
				shoulder: its.shoulder,
				across: its.across,
				underarm: its.underarm,
				drop
			};
			const above = upperPlate(upper, height, ends);
			if (!above.ok) return above;
			const joined: EdgeMarks = { seam: of };
			const sides: EdgeMarks = its.gap === 0 ? { seam: 'side' } : {};
			const along = steps.map((s) => ({ round: side * s, up: 1 }));
			// From the waist's middle to the right, up its side, and along the chest back to the middle.
			const below: OnFront[] = [...along.map((on) => ({ ...on, up: 0 })), ...[...along].reverse()];
			pieces.push(
				plateOf(`${of}, waist`, lower, mirrored(below), (a, b) =>
					a.up === 1 && b.up === 1 ? joined : a.up !== b.up ? sides : {}
				)
			);
			const chestEdge = steps.slice(0, -1).map((s) => ({ round: side * s, up: 0 }));
			pieces.push(
				plateOf(`${of}, chest`, upper, mirrored([...chestEdge, ...above.value]), (a, b) =>
					a.up === 0 && b.up === 0 ? joined : Math.min(a.up, b.up) === 0 && a.round === b.round ? sides : {}
				)
			);
			const worn = (front: OvalFront, outline: readonly OnFront[], z: number) =>
				[...outline, outline[0]!].map((on): Point3 => {
					const [x, y, up] = front.worn(on);
					return [x, away * y, z + up];
				});
			const its3 = [
				wornSurface(lower, side, [], 0),
				wornSurface(upper, side, above.value, its.waistToChest)
			].map((mesh) => mapped(mesh, ([x, y, z]) => [x, away * y, z]));
			surfaces.push(...(away < 0 ? its3.map(turnedOver) : its3));
			solid.push(
				worn(lower, mirrored(below), 0),
				worn(upper, mirrored([...chestEdge, ...above.value]), its.waistToChest)
			);
		}
		const width = (title: string, girth: number, ratio: number): Dimension => ({
			title,
			of: 'length',
			formula: 'ovalWidth',
			inputs: [mm('girth', girth), mm('thickness', its.thickness), count('depth by width', ratio)]
		});
		const atStrap = upper.roundAt(its.neck / 2 + its.shoulder / 2, 1);
		return shaped(pieces, {
			dimensions: [
				width('Width at the waist, to the middle of the thickness', its.waist, its.waistRatio),
				width('Width at the chest, to the middle of the thickness', its.chest, its.chestRatio),
				width('Width at the shoulders, to the middle of the thickness', its.shoulders, its.shouldersRatio),
				{
					title: 'Plate along the chest',
					of: 'length',
					formula: 'halfLess',
					inputs: [mm('girth at the middle of the thickness', cut), mm('gap left open at each side', its.gap)]
				},
				...(its.plates === 0
					? [
							{
								title: 'Front to back at the middle of the shoulder, straight: straps go over it',
								of: 'length',
								formula: 'acrossOval',
								inputs: [
									mm('half of the depth', shoulders.deep),
									mm('half of the width', shoulders.wide),
									mm('from the middle, straight', upper.worn({ round: atStrap ?? 1, up: 1 })[0])
								]
							} as const
						]
					: [])
			],
			rounds:
				its.plates === 0
					? (['chest', 'waist'] as const).map((value) => ({ value, closed: its[value], split: its.gap > 0 }))
					: [],
			solid,
			form: {
				mesh: together(...surfaces),
				way: 'round',
				at: its.waistToChest,
				bends: false,
				thickness: its.thickness
			}
		});
	}
});

/** Rows of a surface from one edge of a plate to the other, and so many steps of each half. */
const ROWS = 12;

/** The surface of a plate as it is worn. @param edges its right edge from the lower edge up, and its neckline down to the middle */
function wornSurface(front: OvalFront, side: number, edges: readonly OnFront[], z: number): FormMesh {
	const top = edges.findIndex(({ up }) => up === 1);
	const outer = edges.slice(0, top + 1);
	const neck = [...edges.slice(top + 1)].reverse();
	const roundAt = (line: readonly OnFront[], up: number, before: number, beyond: number): number => {
		const k = line.findIndex((on) => on.up >= up);
		if (k < 0) return beyond;
		if (k === 0) return before;
		const [p, q] = [line[k - 1]!, line[k]!];
		return q.up === p.up ? q.round : p.round + ((q.round - p.round) * (up - p.up)) / (q.up - p.up);
	};
	const rows = (half: 1 | -1) =>
		Array.from({ length: ROWS + 1 }, (_, r) => {
			const up = r / ROWS;
			const [near, far] = [roundAt(neck, up, 0, 0), roundAt(outer, up, side, side)];
			const row = Array.from({ length: ROWS + 1 }, (_, i): Point3 => {
				const [x, y, z1] = front.worn({ round: half * (near + ((far - near) * i) / ROWS), up });
				return [x, y, z + z1];
			});
			return half > 0 ? row : row.reverse();
		});
	return rowsMesh(rows(-1), rows(1));
}

/** How far round a plate ends that is so much shorter than a quarter of the oval, mm along it; null where nothing is left. */
function sideOf(oval: Oval, short: number): number | null {
	if (short === 0) return 1;
	const PARTS = 2000;
	let [left, before] = [short, ovalAt(oval, 0, Math.PI / 2)];
	for (let i = PARTS - 1; i > 0; i--) {
		const at = ovalAt(oval, 0, (Math.PI * i) / 2 / PARTS);
		const step = Math.hypot(at[0] - before[0], at[1] - before[1]);
		if (step >= left) return (i + 1 - left / step) / PARTS;
		left -= step;
		before = at;
	}
	return null;
}

/** The outline of a plate laid flat; each edge is told what it is by its two ends. */
function plateOf(
	name: string,
	front: OvalFront,
	outline: readonly OnFront[],
	marks: (a: OnFront, b: OnFront) => EdgeMarks
): Piece {
	return piece(
		name,
		polygon(
			outline.map((on) => front.flat(on)),
			outline.map((on, i) => marks(on, outline[(i + 1) % outline.length]!))
		),
		{ grain: 90 }
	);
}
