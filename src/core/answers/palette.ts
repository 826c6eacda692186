import type { Component } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Material } from '../facts/material.ts';
import type { MixPart, PaletteColour } from '../facts/palette.ts';
import { difference } from '../engines/colour/difference.ts';
import { mixOf, type Paint } from '../engines/colour/mix.ts';
import { inOrder } from '../facts/order.ts';
import { coatProductOf, type Catalogue } from '../trade/catalogue.ts';
import type { Lab } from '../units/lab.ts';
import { materialOfCoat } from './coatStack.ts';

/** A material whose look is known, and how far that is from what is wanted. */
export interface Near {
	material: Material;
	difference: number;
}

/** What is owned, or bought for the costume, by how near it looks; what is neither comes after. */
export function nearestOwned(lab: Lab, materials: readonly Material[], most: number): Near[] {
	return materials
		.flatMap((material) => (material.lab ? [{ material, difference: difference(lab, material.lab) }] : []))
		.sort(
			(a, b) => Number(b.material.stash > 0) - Number(a.material.stash > 0) || a.difference - b.difference
		)
		.slice(0, most)
		.sort((a, b) => a.difference - b.difference);
}

/** Paints that can be mixed in drops: brushed colours whose look is known. */
export const mixable = (materials: readonly Material[], trade: Catalogue): Material[] =>
	materials.filter((m) => {
		const product = m.coatProduct === null ? null : coatProductOf(trade, m.coatProduct);
		return m.lab !== null && m.stash > 0 && product?.how === 'brush' && product.does === 'colour';
	});
export const paintOf = (material: Material): Paint => ({
	id: String(material.id),
	lab: material.lab!,
	strength: 1
});

/** What a kept mix comes to; null where a paint of it, or its look, is gone. */
export function mixLab(mix: readonly MixPart[], materials: readonly Material[]): Lab | null {
	const parts = mix.map(({ materialId, drops }) => ({
		material: materials.find((m) => m.id === materialId),
		drops
	}));
	if (!parts.length || parts.some(({ material }) => !material?.lab)) return null;
	return mixOf(parts.map(({ material, drops }) => ({ paint: paintOf(material!), drops })));
}

/**
 * How a component looks when it is done: as the last colour of its stack, else as the cloth, or the sheet, that it takes most of. Null
 * where nobody knows how that looks.
 */
export function looksOf(
	component: Pick<Component, 'id'>,
	record: Pick<CostumeRecord, 'steps' | 'coats' | 'needs'>,
	materials: readonly Material[],
	trade: Catalogue
): { material: Material; lab: Lab } | null {
	const colours = inOrder(record.steps as CostumeRecord['steps'], component.id)
		.map((s) => record.coats.find((c) => c.id === s.coatId))
		.filter((c) => c !== undefined && coatProductOf(trade, c.product).does === 'colour');
	const last = colours.at(-1);
	const most = record.needs
		.filter((n) => n.componentId === component.id)
		.map((need) => ({ need, material: materials.find((m) => m.id === need.materialId) }))
		.filter(({ material }) => material && ['cloth', 'foam', 'hard', 'hair'].includes(material.family))
		.sort((a, b) => b.need.quantity - a.need.quantity)[0];
	const material = last ? materialOfCoat(last, materials) : most?.material;
	return material?.lab ? { material, lab: material.lab } : null;
}

/** A part, and how it looks when it is done. */
export interface Looking {
	component: Component;
	material: Material;
	lab: Lab;
}

/** Two parts that are meant to be one colour, and nearly are: it reads as a mistake. */
export interface NearMiss {
	colour: PaletteColour;
	a: Looking;
	b: Looking;
	difference: number;
}

/**
 * Parts of one colour that are told apart beside each other and are too near to look meant.
 *
 * @param between ΔE00: below it they are the same, above it they are two colours
 */
export function nearMisses(
	record: CostumeRecord,
	materials: readonly Material[],
	trade: Catalogue,
	[least, most]: readonly [number, number]
): NearMiss[] {
	return record.palette.flatMap((colour) => {
		const parts = colour.componentIds.flatMap((id) => {
			const component = record.components.find((c) => c.id === id);
			const looks = component && looksOf(component, record, materials, trade);
			return looks ? [{ component, ...looks }] : [];
		});
		return parts.flatMap((a, i) =>
			parts.slice(i + 1).flatMap((b) => {
				const apart = difference(a.lab, b.lab);
				return apart >= least && apart <= most ? [{ colour, a, b, difference: apart }] : [];
			})
		);
	});
}
