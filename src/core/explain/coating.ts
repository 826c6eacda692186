import { coversOf, materialOfCoat, type PackNeed } from '../answers/coatStack.ts';
import type { Air } from '../answers/wait.ts';
import { mlOfUnit, type SpraySession } from '../answers/spraySessions.ts';
import type { Figure } from './figure.ts';
import { coatProductOf, type Catalogue } from '../trade/catalogue.ts';
import { formatNumber } from '../units/number.ts';
import { number, type Input } from '../units/figure.ts';
import type { Coat, CoatProductKey } from '../facts/coat.ts';
import { type Component, copiesOf } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Material } from '../facts/material.ts';

/** What a coat is called: by its colour, else by its product. */
export const coatName = (product: CoatProductKey, material: Material | null, trade: Catalogue): string =>
	material?.name ?? coatProductOf(trade, product).name;

function covers(product: CoatProductKey, material: Material | null, mm2: number, trade: Catalogue): Input {
	const { source, pack, coversMm2 } = coatProductOf(trade, product);
	const usual = `a ${pack} covers ${coversMm2 / 1e6} m², ${source}; the label decides`;
	const says = material?.coversMm2 ? 'the label of the material, Stash' : usual;
	return number('one pack covers with one coat', mm2 / 1e6, says, 'm²');
}

export const coatTotalFigure = (
	{ product, material, coatedMm2, coversMm2, margin }: PackNeed,
	trade: Catalogue
): Figure => ({
	title: `Packs: ${coatName(product, material, trade)}, whole costume`,
	formula: 'packs',
	as: { kind: 'number', unit: 'packs' },
	inputs: [
		number(
			margin === 1 ? 'area × coats × copies' : 'area × coats × copies × margin',
			(coatedMm2 * margin) / 1e6,
			margin === 1
				? 'all stacks added up'
				: `all stacks added up, and ${formatNumber(margin, 2)} times so that it is enough`,
			'm²'
		),
		number('in the stash', 0, 'counted under Buy'),
		number('bought', 0, 'counted under Buy'),
		covers(product, material, coversMm2, trade)
	]
});

/** How many times as long things dry as on a usual day, by what was measured. */
export function slowerFigure({ celsius, humidity }: Air): Figure {
	const room = 'not measured: taken as in a heated room';
	return {
		title: 'Drying takes so many times as long',
		formula: 'slowerDrying',
		as: { kind: 'number' },
		inputs: [
			number('temperature', celsius ?? 20, celsius === null ? room : 'measured', '°C'),
			number('relative humidity', humidity ?? 50, humidity === null ? room : 'measured', '%')
		]
	};
}

/** How much of a can a session takes, in ml: what is coated by what 1 m² takes. */
export function sprayFigure(session: SpraySession): Figure {
	const { material, product, passes, units } = session;
	const covers = material ? coversOf(material, product) : product.coversMm2;
	const ml = mlOfUnit(material, product);
	return {
		title: `Sprayed: ${material?.name ?? product.name}`,
		formula: 'product',
		as: { kind: 'number', unit: ml === null ? (material?.unit ?? 'packs') : 'ml' },
		inputs: [
			number(
				'coated',
				(units * covers) / 1e6,
				`${passes.length} passes, outside area × copies added up`,
				'm²'
			),
			number(
				'1 m² takes',
				((ml ?? 1) * 1e6) / covers,
				material?.coversMm2
					? 'the label of the material, Stash'
					: `a ${product.pack} covers ${product.coversMm2 / 1e6} m², ${product.source}`
			)
		]
	};
}

export function coatFigure(
	coat: Coat,
	component: Component,
	record: CostumeRecord,
	trade: Catalogue,
	materials: readonly Material[]
): Figure {
	const product = coatProductOf(trade, coat.product);
	const material = materialOfCoat(coat, materials) ?? null;
	const byId = new Map(record.components.map((c) => [c.id, c]));
	const mm2 = material ? coversOf(material, product) * material.packSize : product.coversMm2;
	return {
		title: `Packs: ${coatName(coat.product, material, trade)}`,
		formula: 'coatPacks',
		as: { kind: 'number', unit: 'packs' },
		inputs: [
			number(
				'outside area',
				coat.area / 1e6,
				coat.guessed ? 'a guess: a starting value' : coat.fromPieces ? 'its pieces, or entered' : 'entered',
				'm²'
			),
			number('coats', coat.coats),
			number('copies', copiesOf(component, byId), 'pair and count, times those it is part of'),
			covers(coat.product, material, mm2, trade)
		]
	};
}
