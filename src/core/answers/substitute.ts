import { areaOfUnit, type Material } from '../facts/material.ts';
import { wholePacks } from '../units/packs.ts';
import type { Catalogue } from '../trade/catalogue.ts';

/** What else a thickness can be cut from: the same in other sheets, or thinner ones stacked. */

export interface Substitute {
	material: Material;
	/** So many, one on the other. */
	layers: number;
}

/** More than these are not stacked: each adds a joint that can part. */
const MOST_LAYERS = 4;
/** Two thicknesses are the same within this, mm. */
const SAME = 0.05;

/** Cloth weighs the same within this share. */
const SAME_WEIGHT = 0.1;

/** Of thin cloth nobody says it: then its weight tells. */
const sameThickness = (a: Pick<Material, 'thicknessMm'>, b: Pick<Material, 'thicknessMm'>): boolean =>
	a.thicknessMm === null || b.thicknessMm === null
		? a.thicknessMm === b.thicknessMm
		: Math.abs(a.thicknessMm - b.thicknessMm) <= SAME;

/** Cloth that is as thick and as heavy and stretches as much, in whatever width it comes. */
function sameCloth(a: Material, b: Material): boolean {
	const [weight, other] = [a.gramsPerM2, b.gramsPerM2];
	return (
		b.lengthMm === null &&
		areaOfUnit(b) !== null &&
		sameThickness(a, b) &&
		weight !== null &&
		other !== null &&
		Math.abs(weight - other) <= SAME_WEIGHT * weight &&
		a.stretchAcross === b.stretchAcross &&
		a.stretchAlong === b.stretchAlong
	);
}

/** Sheets of the same family that make the same thickness, or the same cloth in other widths; the material itself first. */
export function substitutesOf(material: Material, materials: readonly Material[]): Substitute[] {
	const thickness = material.thicknessMm;
	const its: Substitute = { material, layers: 1 };
	if (material.lengthMm === null)
		return [
			its,
			...materials
				.filter((m) => m.id !== material.id && m.family === material.family && sameCloth(material, m))
				.map((m) => ({ material: m, layers: 1 }))
		];
	if (thickness === null) return [its];
	const others = materials.flatMap((m): Substitute[] => {
		if (m.id === material.id || m.family !== material.family || m.lengthMm === null) return [];
		if (m.thicknessMm === null || areaOfUnit(m) === null) return [];
		const layers = Math.round(thickness / m.thicknessMm);
		const fits = layers >= 1 && layers <= MOST_LAYERS && Math.abs(layers * m.thicknessMm - thickness) <= SAME;
		return fits ? [{ material: m, layers }] : [];
	});
	return [
		its,
		...others.sort((a, b) => a.layers - b.layers || a.material.name.localeCompare(b.material.name))
	];
}

const colourKey = ({ colour }: Pick<Material, 'colour'>): string => colour.trim().toLowerCase();

/** Both are told to have a colour, and not the same one. */
export const otherColour = (a: Pick<Material, 'colour'>, b: Pick<Material, 'colour'>): boolean =>
	colourKey(a) !== '' && colourKey(b) !== '' && colourKey(a) !== colourKey(b);
export const sameColour = (a: Pick<Material, 'colour'>, b: Pick<Material, 'colour'>): boolean =>
	colourKey(a) !== '' && colourKey(a) === colourKey(b);

/** What it costs to cut everything from a substitute. */
export interface Weighed {
	/** Units in all, and of them what is not in the stash. */
	quantity: number;
	short: number;
	packs: number;
	/** Of those packs. */
	costMinor: number | null;
	/** mm² that become no piece. */
	waste: number;
}

/** @param area mm² of all pieces of all layers */
export function weigh(material: Material, quantity: number, area: number): Weighed {
	const short = Math.max(0, quantity - material.stash);
	const packs = wholePacks(short, material.packSize);
	return {
		quantity,
		short,
		packs,
		costMinor: packs === 0 ? 0 : material.packPriceMinor === null ? null : packs * material.packPriceMinor,
		waste: quantity * (areaOfUnit(material) ?? 0) - area
	};
}

/** ml of contact cement for a square metre between two layers. */
export const cementPerM2 = (trade: Catalogue): number => trade.glue.contactCement?.mlPerM2 ?? 0;
