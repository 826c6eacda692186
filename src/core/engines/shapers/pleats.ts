import { bad } from '../../units/problem.ts';
import type { EdgeMarks } from '../../facts/piece.ts';
import { piece } from '../pattern/piece.ts';
import type { InnerLine } from '../../facts/piece.ts';
import { rectangle } from '../pattern/sector.ts';
import { count, mm, shaped, shaper, type Point3 } from '../pattern/shaper.ts';

/**
 * Cloth = finished × (1 + 2 · depth/visible) for knife pleats, of full depth three times the finished width. A box
 * pleat folds to both sides, and has two folds. Common practice.
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
		hem: { name: 'hem allowance', unit: 'mm', value: 30, least: 0, most: 150 }
	},
	shape({ finished, kind, count: n, depth, length, seam, hem }) {
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
		const lines = Array.from({ length: n }, (_, i): InnerLine[] => {
			const x = i * (visible + under);
			if (kind === 1)
				return [
					line(x + depth, 'fold'),
					line(x + 2 * depth, 'placement'),
					line(x + 2 * depth + visible, 'placement'),
					line(x + 3 * depth + visible, 'fold')
				];
			return [line(x + visible, 'fold'), line(x + visible + depth, 'fold')];
		}).flat();
		const profile: Point3[] = [[0, 0, 0]];
		for (let i = 0; i < Math.min(n, 40); i++) {
			const x = i * visible;
			profile.push([x + visible, 0, 0], [x + visible - depth * 0.9, 12, 0], [x + visible, 6, 0]);
		}
		return shaped(
			[
				piece(
					'strip',
					rectangle(cloth, length, [
						hem ? { allowance: hem } : {},
						sewn,
						{ seam: 'band', onto: true, fullness: cloth / finished, ...sewn },
						sewn
					]),
					{ grain: 90, lines }
				)
			],
			{
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
				solid: [profile, profile.map(([x, y]): Point3 => [x, y, -length])]
			}
		);
	}
});
