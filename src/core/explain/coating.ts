import type { PackNeed } from '../answers/coatStack.ts';
import type { Figure } from './figure.ts';
import { coatProductOf, type Catalogue } from '../trade/catalogue.ts';
import { number } from '../units/figure.ts';
import type { Coat } from '../facts/coat.ts';
import { type Component, copiesOf } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';

export function coatTotalFigure(need: PackNeed, trade: Catalogue): Figure {
	const product = coatProductOf(trade, need.product);
	return {
		title: `Packs: ${product.name}, whole costume`,
		formula: 'packs',
		as: { kind: 'number', unit: 'packs' },
		inputs: [
			number('area × coats × copies', need.coatedMm2 / 1e6, 'all stacks added up', 'm²'),
			number('in the stash', 0, 'counted under Buy'),
			number('bought', 0, 'counted under Buy'),
			number('one pack covers', product.coversMm2 / 1e6, `${product.source}; the label decides`, 'm²')
		]
	};
}

export function coatFigure(
	coat: Coat,
	component: Component,
	record: CostumeRecord,
	trade: Catalogue
): Figure {
	const product = coatProductOf(trade, coat.product);
	const byId = new Map(record.components.map((c) => [c.id, c]));
	return {
		title: `Packs: ${product.name}`,
		formula: 'coatPacks',
		as: { kind: 'number', unit: `× ${product.pack}` },
		inputs: [
			number('outside area', coat.area / 1e6, 'entered', 'm²'),
			number('coats', coat.coats),
			number('copies', copiesOf(component, byId), 'pair and count, times those it is part of'),
			number('covers', product.coversMm2 / 1e6, `${product.source}; the label decides`, 'm²')
		]
	};
}
