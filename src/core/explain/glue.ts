import type { GlueChoice, Joint } from '../answers/glueAdvice.ts';
import type { Face, SealChoice } from '../answers/sealAdvice.ts';
import type { Material } from '../facts/material.ts';
import { DRY_GRAMS_PER_ML } from '../trade/coatProduct.ts';
import { minutes, money, number } from '../units/figure.ts';
import type { Figure } from './figure.ts';

/** How much glue a joint takes, ml. */
export const glueFigure = (
	{ glue }: Pick<GlueChoice, 'glue'>,
	{ seamMm, faceMm2 }: Pick<Joint, 'seamMm' | 'faceMm2'>,
	source = 'entered'
): Figure => ({
	title: `Glue for the joint: ${glue.name}`,
	formula: 'product',
	as: { kind: 'number', unit: 'ml' },
	inputs:
		faceMm2 !== null
			? [
					number('faces', faceMm2 / 1e6, 'entered', 'm²'),
					number('1 m² of joint', glue.mlPerM2 ?? 0, glue.source, 'ml')
				]
			: [
					number('seam', (seamMm ?? 0) / 1000, source, 'm'),
					number('1 m of seam', glue.mlPerMetre ?? 0, glue.source, 'ml')
				]
});

/** What that comes to, of a pack that is known. */
export const glueCostFigure = ({ material }: NonNullable<GlueChoice['cost']>, ml: number): Figure => ({
	title: `Glue for the joint costs: ${material.name}`,
	formula: 'product',
	as: { kind: 'money', currency: material.currency },
	inputs: [
		number('ml', ml, 'for this joint', 'ml'),
		money(
			'1 ml',
			(material.packPriceMinor ?? 0) / material.packSize,
			material.currency,
			`${material.name}, by its pack`
		)
	]
});

/** How much of a sealer a face takes, ml. */
export const sealFigure = (
	{ product, material, coats, mlPerM2 }: Pick<SealChoice, 'product' | 'material' | 'coats' | 'mlPerM2'>,
	{ areaMm2 }: Pick<Face, 'areaMm2'>
): Figure => ({
	title: `Seals it: ${material?.name ?? product.name}`,
	formula: 'product',
	as: { kind: 'number', unit: 'ml' },
	inputs: [
		number('area', areaMm2 / 1e6, 'entered', 'm²'),
		number('coats', coats, 'the fewest usual'),
		number(
			'1 m² of one coat',
			mlPerM2 ?? 0,
			material?.coversMm2 ? 'the label of the material, Stash' : `${product.source}; the label decides`,
			'ml'
		)
	]
});

/** What of it stays on. */
export const sealGramsFigure = ({ product, ml }: Pick<SealChoice, 'product' | 'ml'>): Figure => ({
	title: `Weighs when it is dry: ${product.name}`,
	formula: 'product',
	as: { kind: 'number', unit: 'g' },
	inputs: [
		number('ml', ml ?? 0, 'what it takes', 'ml'),
		number('1 ml dries to', DRY_GRAMS_PER_ML[product.how], 'starting value, from memory', 'g')
	]
});

/** From the first coat until it may be handled. */
export const sealMinutesFigure = (
	choice: Pick<SealChoice, 'product' | 'handsMinutes' | 'betweenMinutes' | 'lastMinutes'>
): Figure => ({
	title: `Until it may be handled: ${choice.product.name}`,
	formula: 'sum',
	as: { kind: 'minutes' },
	inputs: [
		minutes('by hand', choice.handsMinutes, 'its coats at the rate of their technique, each set out for'),
		minutes('between coats', choice.betweenMinutes, choice.product.source),
		minutes('after the last', choice.lastMinutes, choice.product.source)
	]
});

/** What of a material’s price a face takes. */
export const sealCostFigure = (units: number, material: Material): Figure => ({
	title: `Sealing costs: ${material.name}`,
	formula: 'product',
	as: { kind: 'money', currency: material.currency },
	inputs: [
		number(material.unit, units, 'area × coats ÷ what one covers'),
		money(
			`1 ${material.unit}`,
			(material.packPriceMinor ?? 0) / material.packSize,
			material.currency,
			'its pack'
		)
	]
});
