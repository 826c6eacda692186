import { rateOf } from '../trade/rates.ts';
import type { Workshop } from '../facts/workshop.ts';
import { cementPerM2 } from '../answers/substitute.ts';
import { catalogueOf, type Catalogue } from '../trade/catalogue.ts';
import { cutSheets, useOfPlan } from '../engines/layout/cutSheets.ts';
import type { LayPlan } from '../facts/layout.ts';
import { areaOfPiece, formsOf, sheetArea } from '../engines/layout/stock.ts';
import type { Family } from '../facts/material.ts';
import type { LengthUnit } from '../units/measure.ts';
import { length, minutes, money, number } from '../units/figure.ts';
import type { Figure } from './figure.ts';

/** What a layout comes to, with its working. */

export function densityFigure(plan: LayPlan, unit: LengthUnit): Figure {
	const byId = new Map(plan.pieces.map((p) => [p.id, p]));
	const area = plan.placements.reduce((sum, p) => sum + areaOfPiece(byId.get(p.piece)!), 0);
	const whole = formsOf(plan.stock, useOfPlan(plan)).reduce((sum, form) => sum + sheetArea(form), 0);
	const roll = plan.stock.roll !== null;
	return {
		title: 'Becomes pieces',
		formula: 'sharePercent',
		as: { kind: 'number', unit: '%' },
		inputs: [
			{
				name: 'all pieces laid',
				value: area,
				as: { kind: 'area', unit },
				source: 'their outlines, holes taken out'
			},
			{
				name: roll ? 'what is used of the roll' : 'all sheets',
				value: whole,
				as: { kind: 'area', unit },
				source: roll ? 'its width × the length laid' : 'their size'
			}
		]
	};
}

/** mm to buy of a roll. */
export function rollFigure(plan: LayPlan, unit: LengthUnit): Figure {
	const { usedLength } = useOfPlan(plan);
	const { shrinkLength, repeat } = plan.settings;
	return {
		title: 'Length to buy',
		formula: 'rollLength',
		as: { kind: 'length', unit },
		inputs: [
			length('length laid', usedLength, unit, 'the layout'),
			number('shrinkage', shrinkLength, 'entered', '%'),
			length('repeat of the print', repeat, unit)
		]
	};
}

/** Minutes of cutting it, at the maker's own rate: a blade through foam and boards, scissors through cloth. */
export function cutMinutesFigure(
	plan: LayPlan,
	family: Family,
	workshop: Pick<Workshop, 'rates' | 'handbook'>
): Figure {
	const cloth = family === 'cloth';
	const technique = cloth ? 'cutCloth' : 'cutFoam';
	const mm = cutSheets(plan).reduce((sum, s) => sum + s.cutLength, 0);
	return {
		title: 'Cutting',
		formula: 'product',
		as: { kind: 'minutes' },
		inputs: [
			number(
				cloth && plan.settings.folded ? 'cut line, both layers at once' : 'cut line',
				mm / 1000,
				'outlines and holes as they are laid',
				'm'
			),
			minutes(
				'minutes a metre',
				rateOf(catalogueOf(workshop.handbook), technique, workshop.rates)[1],
				'Makers, rates'
			)
		]
	};
}

/** What is bought of a substitute, minor units. */
export const choiceCostFigure = (packs: number, priceMinor: number, currency: string): Figure => ({
	title: 'To buy',
	formula: 'cost',
	as: { kind: 'money', currency },
	inputs: [
		number('whole packs beyond the stash', packs, 'the layout, Stash'),
		money('one pack', priceMinor, currency, 'Stash'),
		money('shipping', 0, currency, 'not counted')
	]
});

/** ml between the layers, for pieces of so much area, mm². */
export const cementFigure = (area: number, layers: number, trade: Catalogue): Figure => ({
	title: 'Contact cement between layers',
	formula: 'product',
	as: { kind: 'number', unit: 'ml' },
	inputs: [
		number('area of the pieces', area / 1e6, 'their outlines', 'm²'),
		number('joints', layers - 1, 'layers − 1'),
		number('1 m² of joint, both faces', cementPerM2(trade), trade.glue.contactCement?.source, 'ml')
	]
});

export const stackMinutesFigure = (
	area: number,
	layers: number,
	workshop: Pick<Workshop, 'rates' | 'handbook'>
): Figure => ({
	title: 'Gluing the layers',
	formula: 'product',
	as: { kind: 'minutes' },
	inputs: [
		number('area of the pieces', area / 1e6, 'their outlines', 'm²'),
		number('joints', layers - 1, 'layers − 1'),
		minutes(
			'minutes for 1 m²',
			rateOf(catalogueOf(workshop.handbook), 'stack', workshop.rates)[1],
			'Makers, rates'
		)
	]
});
