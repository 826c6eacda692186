import { copiesOf, type Component } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import { areaOfUnit, type Material } from '../facts/material.ts';
import type { Worn } from '../facts/wear.ts';
import { driversOf } from '../engines/pattern/drivers.ts';
import { coatProductOf, type Catalogue } from '../trade/catalogue.ts';
import { DRY_GRAMS_PER_ML } from '../trade/coatProduct.ts';
import { fastenerOf, gramsOf } from '../trade/fastener.ts';
import { G_PER } from '../units/measure.ts';
import { formatNumber } from '../units/number.ts';
import { materialOfCoat } from './coatStack.ts';
import type { CutPieces } from './followPieces.ts';
import { joinsOf } from './joins.ts';
import { lightParts } from './lightParts.ts';
import { mlPerM2Of } from './spraySessions.ts';

/** What one copy of a component weighs. */
export interface Weight {
	/** Null where nothing of it is known. */
	grams: number | null;
	/** By the scales, which win. */
	weighed: boolean;
	/** What it is worked out from. */
	parts: { name: string; grams: number; how: string }[];
	/** What it has besides, of which nobody knows the weight: it is not counted. */
	unknown: string[];
}

const square = (mm2: number) => `${formatNumber(mm2 / 1e6, 3)} m²`;

/**
 * What one copy of a component weighs: by the scales, else its pieces, its coats when they are dry, the hardware of its joins, and what is
 * counted in grams. What is not known is named, and never nothing.
 */
export function weightOf(
	component: Component,
	record: Pick<CostumeRecord, 'components' | 'needs' | 'coats'>,
	{ joins, wearings }: Worn,
	{ cuts, materials, trade }: { cuts: readonly CutPieces[]; materials: readonly Material[]; trade: Catalogue }
): Weight {
	const copies = copiesOf(component, new Map(record.components.map((c) => [c.id, c])));
	const parts: Weight['parts'] = [];
	const unknown: string[] = [];
	for (const { pieces, material, layers } of cuts) {
		const area = driversOf(pieces).cutArea * layers;
		if (!material) unknown.push('pieces of no material');
		else if (material.gramsPerM2 === null) unknown.push(material.name);
		else
			parts.push({
				name: material.name,
				grams: (area / 1e6) * material.gramsPerM2,
				how: `pieces, ${square(area)}${layers > 1 ? ` in ${layers} layers` : ''} × ${formatNumber(material.gramsPerM2, 1)} g/m²`
			});
	}
	const cut = new Set(cuts.map((c) => c.material?.id));
	const circuit = wearings.find((w) => w.componentId === component.id)?.circuit ?? null;
	const lights = circuit ? lightParts(circuit) : [];
	for (const { material, count, grams } of lights)
		parts.push({
			name: material,
			grams: count * grams,
			how: `its circuit, ${count} × ${formatNumber(grams, 1)} g, from memory`
		});
	const lit = new Set(lights.map((l) => l.material.toLowerCase()));
	for (const need of record.needs.filter((n) => n.componentId === component.id)) {
		const material = materials.find((m) => m.id === need.materialId);
		// Paint, glue and what joins use are counted by the work that puts them on.
		if (
			!material ||
			cut.has(material.id) ||
			lit.has(material.name.toLowerCase()) ||
			['paint', 'glue', 'closure', 'tool'].includes(material.family)
		)
			continue;
		const one = need.quantity / copies;
		const area = areaOfUnit(material);
		const perUnit = (G_PER as Record<string, number>)[material.unit];
		if (perUnit !== undefined)
			parts.push({ name: material.name, grams: one * perUnit, how: 'as much as it takes' });
		else if (area !== null && material.gramsPerM2 !== null)
			parts.push({
				name: material.name,
				grams: ((one * area) / 1e6 / (need.waste ?? 1)) * material.gramsPerM2,
				how: `as much as it takes, ${square((one * area) / (need.waste ?? 1))} × ${formatNumber(material.gramsPerM2, 1)} g/m²`
			});
		else unknown.push(material.name);
	}
	for (const coat of record.coats.filter((c) => c.componentId === component.id)) {
		const product = coatProductOf(trade, coat.product);
		const mlPerM2 = mlPerM2Of(materialOfCoat(coat, materials) ?? null, product);
		if (mlPerM2 === null) unknown.push(product.name);
		else
			parts.push({
				name: product.name,
				grams: (coat.area / 1e6) * coat.coats * mlPerM2 * DRY_GRAMS_PER_ML[product.how],
				how: `${coat.coats} × ${square(coat.area)} × ${formatNumber(mlPerM2, 0)} ml, dry`
			});
	}
	for (const join of joinsOf(component, joins)) {
		const fastener = fastenerOf(trade.fastener, join.fastener);
		const grams = gramsOf(join, fastener);
		if (grams > 0) parts.push({ name: fastener.name, grams, how: `join, ${fastener.source}` });
	}
	const grams = wearings.find((w) => w.componentId === component.id)?.grams ?? null;
	return {
		grams: grams ?? (parts.length ? parts.reduce((sum, p) => sum + p.grams, 0) : null),
		weighed: grams !== null,
		parts,
		unknown: [...new Set(unknown)]
	};
}
