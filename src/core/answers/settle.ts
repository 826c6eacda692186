import {
	definitionOf,
	latest,
	type MeasureKey,
	type MeasureSide,
	type Wearer
} from '../facts/bodyMeasure.ts';
import type { Component } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import { fittedOf, type MeasureRecord } from '../facts/measureRecord.ts';
import type { StoredShape } from '../facts/shape.ts';
import { techniqueOf, type Catalogue } from '../trade/catalogue.ts';
import { counts } from '../engines/pattern/shaper.ts';
import { shaperOf } from '../engines/shapers/shapers.ts';
import { takesOf } from './followPieces.ts';
import { checkOpenings } from './goesOn.ts';
import { usualMeasure } from './shapeRounds.ts';

/**
 * What nobody has said yet, in the order of work: what is to be made, whom it is for, its measures, its pieces, what they are cut from
 * and what that costs. Each says how many figures stand on it.
 */
export const SETTLE_KINDS = [
	'components',
	'making',
	'wearer',
	'measures',
	'follow',
	'draw',
	'amounts',
	'material',
	'takes',
	'price'
] as const;
export type SettleKind = (typeof SETTLE_KINDS)[number];

export interface Settle {
	kind: SettleKind;
	/** Figures that stand on a guess, on an example, or on nothing until then. */
	figures: number;
	componentId: number | null;
	shapeId: number | null;
	measures: MeasureKey[];
}

/** Measures that the values of a shape would follow, where its examples of a middle size stand instead. */
export function examplesOf(
	shape: Pick<StoredShape, 'shaper' | 'values' | 'drawn'>,
	component: Pick<Component, 'zones'>
): { key: string; measure: MeasureKey }[] {
	if (shape.drawn) return [];
	return Object.entries(shaperOf(shape.shaper).params).flatMap(([key, param]) => {
		const measure = usualMeasure(key, param, component);
		const stands = measure && shape.values[key] === param.value && counts(param, shape.values);
		return stands ? [{ key, measure }] : [];
	});
}

const isTaken = (wearer: Wearer, key: MeasureKey): boolean => {
	const sides: MeasureSide[] = definitionOf(key).sided ? ['left', 'right'] : ['none'];
	return sides.some((side) => latest(wearer.measures, key, side) !== null);
};

/** Measures that nobody has taken and that figures of the costume stand on, with how many: those that most stand on first. */
export function wantedMeasures(
	components: readonly Component[],
	fit: MeasureRecord
): { measure: MeasureKey; figures: number }[] {
	const [wearer] = fittedOf(fit);
	const wanted = new Map<MeasureKey, number>();
	const want = (measure: MeasureKey) => {
		if (!wearer || !isTaken(wearer, measure)) wanted.set(measure, (wanted.get(measure) ?? 0) + 1);
	};
	for (const shape of fit.shapes) {
		const component = components.find((c) => c.id === shape.componentId);
		if (!component) continue;
		for (const { measure } of examplesOf(shape, component)) want(measure);
		for (const value of Object.values(shape.values)) if (typeof value === 'object') want(value.follows);
	}
	if (wearer)
		for (const { wearers } of checkOpenings(fit.openings, components, [wearer]))
			for (const measure of new Set(wearers.flatMap((w) => w.results.flatMap((r) => r.unknown))))
				want(measure);
	return [...wanted]
		.map(([measure, figures]) => ({ measure, figures }))
		.sort((a, b) => b.figures - a.figures);
}

/**
 * What to settle next, in the order of work; nothing once all of it is said.
 * @param unpriced materials that are paid for or short, and whose price nobody knows
 */
export function settleNext(
	record: CostumeRecord,
	fit: MeasureRecord,
	unpriced: readonly number[],
	trade: Catalogue
): Settle[] {
	const none = { componentId: null, shapeId: null, measures: [] };
	const { components } = record;
	if (components.length === 0) return [{ ...none, kind: 'components', figures: 1 }];
	const made = components.filter((c) => c.source !== 'buy' && c.source !== 'have');
	const guessedOf = (id: number) => ({
		steps: record.steps.filter((s) => s.componentId === id && s.guessed && s.doneAt === null),
		rest:
			record.coats.filter((c) => c.componentId === id && c.guessed).length +
			record.needs.filter((n) => n.componentId === id && n.guessed).length
	});

	const unmade = made.filter((c) => !record.steps.some((s) => s.componentId === c.id));
	const making = unmade.slice(0, 1).map((c): Settle => ({
		...none,
		kind: 'making',
		componentId: c.id,
		figures: unmade.length
	}));

	const wanted = wantedMeasures(components, fit);
	const figures = wanted.reduce((sum, w) => sum + w.figures, 0);
	const [wearer] = fittedOf(fit);
	const measures: Settle[] = !wearer
		? [{ ...none, kind: 'wearer', figures: Math.max(1, figures) }]
		: wanted.length
			? [{ ...none, kind: 'measures', figures, measures: wanted.map((w) => w.measure) }]
			: [];
	const follow = fit.shapes.flatMap((shape): Settle[] => {
		const component = components.find((c) => c.id === shape.componentId);
		const its =
			component && wearer ? examplesOf(shape, component).filter((e) => isTaken(wearer, e.measure)) : [];
		return its.length
			? [
					{
						...none,
						kind: 'follow',
						componentId: shape.componentId,
						shapeId: shape.id,
						figures: its.length,
						measures: its.map((e) => e.measure)
					}
				]
			: [];
	});

	const amounts = made.flatMap((c): Settle[] => {
		const { steps, rest } = guessedOf(c.id);
		if (steps.length + rest === 0) return [];
		// Pieces say what is cut, sewn and coated: what has none yet, and steps that would follow them, is drawn.
		const draw =
			!fit.shapes.some((s) => s.componentId === c.id) &&
			steps.some((s) => takesOf(s, techniqueOf(trade, s.technique)) !== null);
		return [{ ...none, kind: draw ? 'draw' : 'amounts', componentId: c.id, figures: steps.length + rest }];
	});
	const most = (kind: SettleKind) =>
		amounts.filter((a) => a.kind === kind).sort((a, b) => b.figures - a.figures);

	const bare = fit.shapes.filter((s) => s.materialId === null);
	const material: Settle[] = bare.length
		? [{ ...none, kind: 'material', figures: bare.length, shapeId: bare[0]!.id }]
		: [];
	const takes: Settle[] =
		record.steps.length > 0 && record.needs.length === 0
			? [{ ...none, kind: 'takes', figures: made.length }]
			: [];
	const price: Settle[] = unpriced.length
		? [{ ...none, kind: 'price', figures: new Set(unpriced).size }]
		: [];
	return [
		...making,
		...measures,
		...follow,
		...most('draw'),
		...most('amounts'),
		...material,
		...takes,
		...price
	];
}
