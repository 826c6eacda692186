import { bodyOf, carrying, type Held } from '../answers/holding.ts';
import type { Weight } from '../answers/weight.ts';
import type { wornWeight } from '../answers/variant.ts';
import type { LoadFactors, Motion } from '../facts/wear.ts';
import type { Catalogue } from '../trade/catalogue.ts';
import { bearing, fastenerOf } from '../trade/fastener.ts';
import { length, number, type Input } from '../units/figure.ts';
import type { LengthUnit } from '../units/measure.ts';
import type { Vec } from '../units/vec.ts';
import { valueOf, type Figure } from './figure.ts';

/** What one copy weighs: by the scales, else part by part. */
export const weightFigure = ({ grams, weighed, parts }: Weight, title: string): Figure => ({
	title: `${title} weighs`,
	formula: weighed ? 'same' : 'sum',
	as: { kind: 'number', unit: 'g' },
	inputs: weighed
		? [number('by the scales', grams ?? 0, 'weighed', 'g')]
		: parts.map((p) => number(p.name, p.grams, p.how, 'g'))
});

/** What everything that is worn weighs together. */
export const wornWeightFigure = ({ of }: ReturnType<typeof wornWeight>, title: string): Figure => ({
	title,
	formula: 'sum',
	as: { kind: 'number', unit: 'g' },
	inputs: of.map(({ component, copies, grams }) =>
		number(
			`${component.code} ${component.name}`,
			grams,
			copies > 1 ? `all ${copies} copies` : 'see What holds it',
			'g'
		)
	)
});

/** What its joins carry: its own weight, and what hangs on it. */
export const carriedFigure = ({ component, weight, hung }: Held): Figure => ({
	title: `What holds ${component.code} ${component.name} carries`,
	formula: 'sum',
	as: { kind: 'number', unit: 'g' },
	inputs: [
		number(component.name, weight.grams ?? 0, weight.weighed ? 'by the scales' : 'worked out', 'g'),
		...hung.map((h) =>
			number(`${h.component.code} ${h.component.name}`, h.grams, 'hangs on it, all copies', 'g')
		)
	]
});

/** What a join bears in one way, N. */
export function bearsFigure(held: Held, index: number, way: 'shear' | 'pull', trade: Catalogue): Figure {
	const join = carrying(held)[index]!;
	const fastener = fastenerOf(trade.fastener, join.fastener);
	const by = way === 'shear' ? fastener.shearBy : fastener.pullBy;
	const of = { each: 'of them', cm2: 'cm² of it', cmWidth: 'cm of its width' }[by];
	return {
		title: `${fastener.name} bears ${way === 'shear' ? 'along its face' : 'straight off'}`,
		formula: 'product',
		as: { kind: 'number', unit: 'N' },
		inputs: [
			number(of, bearing(join, by), 'its count and size'),
			number('each bears', fastener[way], fastener.source, 'N')
		]
	};
}

/** What pulls on a join in one way, N. */
export function forceFigure(
	held: Held,
	index: number,
	way: 'shear' | 'pull',
	motion: Motion,
	{ factors, trade, unit }: { factors: LoadFactors; trade: Catalogue; unit: LengthUnit }
): Figure {
	const { joins } = bodyOf(carrying(held), held.grams ?? 0, held.centre, trade);
	const place = (name: string, at: Vec): Input[] =>
		['out', 'up', 'forward'].map((way, i) => length(`${name}, ${way}`, at[i]!, unit));
	const off = (name: string, at: Vec): Input[] =>
		['out', 'up', 'forward'].map((way, i) =>
			number(`${name} comes off ${way}`, at[i]!, 'which way it faces')
		);
	return {
		title: `${fastenerOf(trade.fastener, carrying(held)[index]!.fastener).name}: ${way === 'shear' ? 'along its face' : 'straight off'}, ${motion}`,
		formula: way === 'shear' ? 'joinShear' : 'joinPull',
		as: { kind: 'number', unit: 'N' },
		inputs: [
			number('weight', held.grams ?? 0, held.hung.length ? 'its own, and what hangs on it' : 'its own', 'g'),
			number(`times, ${motion}`, factors[motion], 'Settings'),
			...place('its weight', held.centre),
			number('which join', index + 1, 'in its order'),
			...joins.flatMap((j, i) => [...place(`join ${i + 1}`, j.at), ...off(`join ${i + 1}`, j.off!)])
		]
	};
}

/** How much of what it bears a join takes, of 100. */
export function usedFigure(
	held: Held,
	index: number,
	motion: Motion,
	how: { factors: LoadFactors; trade: Catalogue; unit: LengthUnit }
): Figure {
	const way = (way: 'shear' | 'pull', words: string) => {
		const [takes, bears] = [
			valueOf(forceFigure(held, index, way, motion, how)),
			valueOf(bearsFigure(held, index, way, how.trade))
		];
		return number(
			words,
			(100 * takes) / bears,
			`${takes.toFixed(1)} N of ${bears.toFixed(1)} N that it bears`,
			'%'
		);
	};
	return {
		title: `${fastenerOf(how.trade.fastener, carrying(held)[index]!.fastener).name}: used, ${motion}`,
		formula: 'hypotenuse',
		as: { kind: 'number', unit: '%' },
		inputs: [way('shear', 'along its face'), way('pull', 'straight off')]
	};
}
