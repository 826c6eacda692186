import type { Component } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Step } from '../facts/step.ts';
import type { Coat } from '../facts/coat.ts';
import type { Material } from '../facts/material.ts';
import type { TechniqueKey } from '../facts/step.ts';
import { techniqueOf, type Catalogue } from '../trade/catalogue.ts';
import type { StandardTechnique } from '../trade/technique.ts';
import { BENEATH_SHARE, plainZone, WEAR_SPOTS, type WearSpot } from '../trade/wearSpot.ts';
import { coatName } from './coatStack.ts';
import { finishArea } from './finishArea.ts';
import { related } from './layers.ts';

/** A place of a component where it rubs. */
export interface Rubs {
	/** `knees`; `beneath 7` of what is worn over it. */
	key: string;
	name: string;
	why: string;
	/** Outside area of the whole component, and what of it this is. */
	areaMm2: number;
	share: number;
	/** Its step, once there is one. */
	step: Step | null;
}

/** How a place may be weathered: by hand, or with a coat of what there is. */
export interface WearWay {
	key: string;
	name: string;
	technique: TechniqueKey | null;
	coat: Pick<Coat, 'product' | 'materialId'> | null;
}
const BY_HAND: readonly StandardTechnique[] = ['dryBrush', 'sand', 'detailPaint'];

/** The ways of the handbook and the stash, the usual one first. */
export function wearWays(materials: readonly Material[], trade: Catalogue): WearWay[] {
	const byHand = BY_HAND.map((technique) => ({
		key: technique,
		name: techniqueOf(trade, technique).name,
		technique,
		coat: null
	}));
	const coats = Object.entries(trade.coatProduct)
		.filter(([, { does }]) => does === 'wash' || does === 'highlight')
		.flatMap(([product, { name }]) => {
			const owned = materials.filter((m) => m.coatProduct === product);
			const way = (material: Material | null): WearWay => ({
				key: `${product} ${material?.id ?? ''}`.trim(),
				name: material ? `${name}: ${material.name}` : name,
				technique: null,
				coat: { product, materialId: material?.id ?? null }
			});
			return owned.length ? owned.map(way) : [way(null)];
		});
	return [...byHand, ...coats];
}

/** What a step there is called. */
export const wearName = (name: string): string => `wear: ${name}`;

/**
 * Where a component rubs: by the zones that it covers, by what it is, and where something lies directly over it. Wigs are not
 * weathered, and what is bought is as it is.
 */
export function rubsOf(
	component: Component,
	record: Pick<CostumeRecord, 'components' | 'steps' | 'coats'>,
	trade: Catalogue
): Rubs[] {
	if (component.kind === 'wig' || component.source === 'buy') return [];
	const { area: areaMm2 } = finishArea(component, record, trade);
	const zones = new Set(component.zones.map(plainZone));
	const its = (spot: WearSpot) =>
		(spot.kinds.length === 0 || spot.kinds.includes(component.kind)) &&
		(spot.zones.length === 0 || (component.kind !== 'prop' && spot.zones.some((z) => zones.has(z))));
	const byZone = Object.entries(WEAR_SPOTS)
		.filter(([, spot]) => its(spot))
		.map(([key, { name, why, share }]) => ({ key, name, why, share }));
	const over = directlyOver(component, record.components).map((outer) => ({
		key: `beneath ${outer.id}`,
		name: `beneath ${outer.code} ${outer.name}`,
		why: 'The two rub on each other as their wearer moves.',
		share: BENEATH_SHARE
	}));
	const steps = record.steps.filter((s) => s.componentId === component.id);
	return [...byZone, ...over].map((spot) => ({
		...spot,
		areaMm2,
		step: steps.findLast((s) => coatName(s.name) === wearName(spot.name)) ?? null
	}));
}

/** Hard parts that are worn over it with nothing between, on any of its zones; what is fixed to it moves with it. */
function directlyOver(component: Component, components: readonly Component[]): Component[] {
	const byId = new Map(components.map((c) => [c.id, c]));
	const isOver = (c: Component) =>
		c.layer > component.layer && c.kind === 'armor' && !related(c, component, byId);
	const found = component.zones.flatMap((zone) => {
		const above = components.filter((c) => isOver(c) && c.zones.includes(zone));
		const lowest = Math.min(...above.map((c) => c.layer));
		return above.filter((c) => c.layer === lowest);
	});
	return [...new Set(found)].sort((a, b) => a.id - b.id);
}
