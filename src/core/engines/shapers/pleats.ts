import type { Point3 } from '../../units/point.ts';
import { bad, problem } from '../../units/problem.ts';
import type { EdgeMarks } from '../../facts/piece.ts';
import { piece } from '../pattern/piece.ts';
import type { InnerLine } from '../../facts/piece.ts';
import { rectangle } from '../pattern/sector.ts';
import { count, mm, shaped, shaper } from '../pattern/shaper.ts';

/**
 * Cloth = finished × (1 + 2 · depth/visible) for knife pleats, of full depth three times the finished width. A box
 * pleat folds to both sides, and has two folds. What is wider than the cloth is joined where a fold hides it. Common practice.
 */
export const pleats = shaper({
	name: 'pleats',
	makes: 'kilt, pleated skirt, trim',
	params: {
		finished: { name: 'finished width', unit: 'mm', value: 720, least: 10, most: 20_000 },
		kind: { name: 'kind', unit: 'count', value: 0, least: 0, most: 1, choices: ['knife', 'box'] },
		count: { name: 'pleats', unit: 'count', value: 24, least: 1, most: 600 },
		depth: { name: 'depth of a fold', unit: 'mm', value: 30, least: 1, most: 500 },
		length: { name: 'length', unit: 'mm', value: 500, least: 5, most: 3000 },
		seam: { name: 'seam allowance', unit: 'mm', value: 13, least: 0, most: 60 },
		hem: { name: 'hem allowance', unit: 'mm', value: 30, least: 0, most: 150 },
		cloth: { name: 'cloth width', unit: 'mm', value: 1500, least: 200, most: 4000 }
	},
	shape({ finished, kind, count: n, depth, length, seam, hem, cloth: roll }) {
		const visible = finished / n;
		const folds = kind === 1 ? 2 : 1;
		// Behind a knife pleat lies the fold of one side; behind a box pleat two meet in the middle.
		if (depth * folds > visible + 1e-9)
			return bad('foldDoesNotFit', { depth: Math.round(depth), most: Math.floor(visible / folds) }, [
				'depth'
			]);
		const under = 2 * depth * folds;
		const cloth = finished + n * under;
		const sewn: EdgeMarks = seam ? { allowance: seam } : {};
		const line = (x: number, use: InnerLine['use']): InnerLine => ({
			use,
			points: [
				[x, 0],
				[x, length]
			]
		});
		const pitch = visible + under;
		// Joins lie where two folds meet behind: between two box pleats, at the inner fold of a knife pleat.
		const behind = kind === 1 ? 0 : depth;
		const most = Math.floor((roll - 2 * seam - behind) / pitch + 1e-9);
		const whole = cloth + 2 * seam <= roll + 1e-9;
		if (!whole && most < 1)
			return bad('pleatWiderThanCloth', { wide: Math.ceil(pitch + 2 * seam) }, ['cloth']);
		const parts = whole ? 1 : Math.ceil(n / most);
		/** Where strip p begins, in pleats from the left. */
		const first = (p: number) => Math.round((n * p) / parts);
		const place = (p: number) => (p === 0 ? 0 : p === parts ? cloth : first(p) * pitch - behind);
		const linesIn = (from: number, to: number): InnerLine[] =>
			Array.from({ length: n }, (_, i): InnerLine[] => {
				const x = i * pitch;
				if (kind === 1)
					return [
						line(x + depth, 'fold'),
						line(x + 2 * depth, 'placement'),
						line(x + 2 * depth + visible, 'placement'),
						line(x + 3 * depth + visible, 'fold')
					];
				return [line(x + visible, 'fold'), line(x + visible + depth, 'fold')];
			})
				.flat()
				.filter((l) => l.points[0]![0] > from + 1e-6 && l.points[0]![0] < to - 1e-6)
				.map((l) => ({ ...l, points: l.points.map(([x, y]) => [x - from, y] as const) }));
		const strips = Array.from({ length: parts }, (_, p) => {
			const [from, to] = [place(p), place(p + 1)];
			const join: EdgeMarks = { seam: 'join', ...sewn };
			return piece(
				parts === 1 ? 'strip' : `strip ${p + 1} of ${parts}`,
				rectangle(to - from, length, [
					hem ? { allowance: hem } : {},
					p < parts - 1 ? join : sewn,
					{ seam: 'band', onto: true, fullness: cloth / finished, ...sewn },
					p > 0 ? join : sewn
				]),
				{ grain: 90, lines: linesIn(from, to) }
			);
		});
		const profile: Point3[] = [[0, 0, 0]];
		for (let i = 0; i < Math.min(n, 40); i++) {
			const x = i * visible;
			profile.push([x + visible, 0, 0], [x + visible - depth * 0.9, 12, 0], [x + visible, 6, 0]);
		}
		return shaped(strips, {
			dimensions: [
				{
					title: 'Visible width of a pleat',
					of: 'length',
					formula: 'share',
					inputs: [mm('finished width', finished), count('pleats', n)]
				},
				{
					title: 'Cloth, in all',
					of: 'length',
					formula: 'pleatCloth',
					inputs: [
						mm('finished width', finished),
						count('pleats', n),
						mm('depth of a fold', depth),
						count('folds of a pleat', folds)
					]
				}
			],
			warnings: parts > 1 ? [problem('joinsInFolds', { joins: parts - 1 }, ['cloth'])] : [],
			solid: [profile, profile.map(([x, y]): Point3 => [x, y, -length])]
		});
	}
});
