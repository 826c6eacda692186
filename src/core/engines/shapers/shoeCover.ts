import { bad } from '../../units/problem.ts';
import { relaxed } from '../body/girth.ts';
import { STRETCH_ACROSS, STRETCH_USED } from '../pattern/stretch.ts';
import { edgeLength, edgesOf } from '../pattern/outline.ts';
import type { Edge, Outline } from '../../facts/piece.ts';
import type { Point, Point3 } from '../../units/point.ts';
import { piece } from '../pattern/piece.ts';
import { count, mm, shaped, shaper } from '../pattern/shaper.ts';

/** A sole about the middle line, heel at y = 0, toe at y = long; smooth, widest at the ball. */
export function soleOf(long: number, ball: number, heel: number): Outline {
	const [b, h] = [ball / 2, heel / 2];
	const k = 0.552;
	const at: Point[] = [
		[h, long * 0.13],
		[b, long * 0.7]
	];
	const right: Edge[] = [
		{ kind: 'cubic', c1: [h * k, 0], c2: [h, long * 0.13 * (1 - k)], to: at[0]! },
		{ kind: 'cubic', c1: [h, long * 0.36], c2: [b, long * 0.48], to: at[1]! },
		{ kind: 'cubic', c1: [b, long * 0.88], c2: [b * k, long], to: [0, long] }
	];
	const mirror = ([x, y]: Point): Point => [-x, y];
	const froms = [[0, 0] as Point, ...at];
	const left = right
		.map((e, i): Edge =>
			e.kind === 'cubic' ? { kind: 'cubic', c1: mirror(e.c2), c2: mirror(e.c1), to: mirror(froms[i]!) } : e
		)
		.reverse();
	return { start: [0, 0], edges: [...right, ...left].map((e) => ({ ...e, seam: 'sole' })) };
}

/**
 * A cover for a boot or shoe in three: a sole and two mirrored sides, joined along the back and over the instep, as
 * a taped last is split. The lower edge of a side is exactly as long as half the sole's round. Common practice.
 */
export const shoeCover = shaper({
	name: 'shoe or boot cover',
	makes: 'boot cover, spat, armored shoe, creature foot',
	params: {
		foot: { name: 'length of the shoe', unit: 'mm', value: 290, least: 80, most: 600, measure: 'footLength' },
		ball: { name: 'width at the ball', unit: 'mm', value: 110, least: 30, most: 300 },
		heel: { name: 'width of the heel', unit: 'mm', value: 75, least: 20, most: 250 },
		toe: { name: 'height of the toe', unit: 'mm', value: 55, least: 5, most: 200 },
		instep: {
			name: 'heel to instep, over the shoe',
			unit: 'mm',
			value: 190,
			least: 30,
			most: 500,
			hint: 'over the side, from the back of the heel at the sole to where the shaft begins'
		},
		instepHeight: { name: 'height of the instep', unit: 'mm', value: 110, least: 20, most: 300 },
		ankleHeight: { name: 'height of the ankle', unit: 'mm', value: 140, least: 30, most: 500 },
		ankle: { name: 'girth at the ankle, over the shoe', unit: 'mm', value: 300, least: 80, most: 900 },
		top: { name: 'girth at the top', unit: 'mm', value: 380, least: 80, most: 1200, measure: 'calfGirth' },
		height: { name: 'height', unit: 'mm', value: 280, least: 30, most: 900 },
		stretchAcross: STRETCH_ACROSS,
		stretchUsed: { ...STRETCH_USED, value: 0 },
		seam: { name: 'seam allowance', unit: 'mm', value: 10, least: 0, most: 30 }
	},
	shape(its) {
		const { foot, ball, heel, toe, instep, instepHeight, ankleHeight, height, seam } = its;
		// The sole holds its shape; what goes round the leg may be stretched to it.
		const ankle = relaxed(its.ankle, its.stretchAcross, its.stretchUsed);
		const top = relaxed(its.top, its.stretchAcross, its.stretchUsed);
		if (ankleHeight >= height) return bad('ankleTooHigh', {}, ['ankleHeight']);
		if (instepHeight >= ankleHeight) return bad('instepTooHigh', {}, ['instepHeight']);
		if (instep <= instepHeight) return bad('instepTooShort', { least: Math.ceil(instepHeight) }, ['instep']);
		if (toe >= instepHeight) return bad('toeTooHigh', {}, ['toe']);
		const sole = soleOf(foot, ball, heel);
		const round = edgesOf(sole).reduce((sum, { from, edge }) => sum + edgeLength(from, edge), 0);
		const long = round / 2;
		// Its distance from the heel is the diagonal of how far along and how high it lies.
		const along = Math.sqrt(instep ** 2 - instepHeight ** 2);
		if (along >= long)
			return bad('instepTooLong', { most: Math.floor(Math.hypot(long, instepHeight)) }, ['instep']);
		if (ankle / 2 >= long) return bad('ankleTooWide', { most: Math.floor(2 * long) }, ['ankle']);
		const sewn = seam ? { allowance: seam } : {};
		const [front, throat]: [Point, Point] = [
			[long, toe],
			[along, instepHeight]
		];
		const edges: Edge[] = [
			{ kind: 'line', to: [long, 0], seam: 'sole', ...sewn },
			{ kind: 'line', to: front, seam: 'front', ...sewn },
			{
				kind: 'cubic',
				c1: [long - (long - throat[0]) * 0.25, toe + (instepHeight - toe) * 0.35],
				c2: [throat[0] + (long - throat[0]) * 0.2, instepHeight * 0.86],
				to: throat,
				seam: 'front',
				...sewn
			},
			{ kind: 'line', to: [ankle / 2, ankleHeight], seam: 'front', ...sewn },
			{ kind: 'line', to: [top / 2, height], seam: 'front', ...sewn },
			{ kind: 'line', to: [0, height], ...sewn },
			{ kind: 'line', to: [0, 0], seam: 'back', ...sewn }
		];
		const plan = edgesOf(sole).map(({ from }): Point3 => [from[0], from[1], 0]);
		const side = (sign: number): Point3[] =>
			[[0, 0] as Point, ...edges.map((e) => e.to)].map(([x, y]): Point3 => {
				const along = (x / long) * foot;
				return [
					sign * (ball / 2) * Math.sin(Math.min(1, along / foot) * Math.PI) * (y > 0 ? 0.5 : 1),
					along,
					y
				];
			});
		return shaped(
			[
				piece('side', { start: [0, 0], edges }, { quantity: 2, mirrored: true, grain: 90 }),
				piece('sole', { ...sole, edges: sole.edges.map((e) => ({ ...e, ...sewn })) }, { grain: 90 })
			],
			{
				dimensions: [
					{
						title: 'Lower edge of a side, half the sole’s round',
						of: 'length',
						formula: 'share',
						inputs: [mm('round of the sole', round), count('sides', 2)]
					},
					{
						title: 'From the back of the heel to the instep, along',
						of: 'length',
						formula: 'otherLeg',
						inputs: [mm('heel to instep', instep), mm('height of the instep', instepHeight)]
					},
					{
						title: 'Girth at the top, as cut',
						of: 'length',
						formula: 'relaxed',
						inputs: [
							mm('girth at the top', its.top),
							count('stretch across, percent', its.stretchAcross),
							count('share worn', its.stretchUsed)
						]
					},
					{
						title: 'Upper edge of a side',
						of: 'length',
						formula: 'share',
						inputs: [mm('girth at the top, as cut', top), count('sides', 2)]
					}
				],
				solid: [[...plan, plan[0]!], side(1), side(-1)]
			}
		);
	}
});
