import assert from 'node:assert/strict';
import { followPieces } from '../../src/core/answers/followPieces.ts';
import type { StoredShape } from '../../src/core/facts/shape.ts';
import type { Step } from '../../src/core/facts/step.ts';
import { STANDARD } from '../../src/core/trade/catalogue.ts';
import { isRouteCoat, type Route } from '../../src/core/trade/route.ts';
import * as make from './record.ts';

/** Shapes of one component, and steps that follow them, for cases that are worked by hand. Lengths in mm. */
export const near = (a: number | null | undefined, b: number, why = '') =>
	assert.ok(a != null && Math.abs(a - b) <= 1e-6 * Math.max(1, Math.abs(b)), `${a}, not ${b} ${why}`);
/** Of it 1,500 mm can be laid. */
export const CLOTH = make.material(2, { family: 'cloth', unit: 'm', widthMm: 1510 });
export const shapeOf = (shaper: string, values: Record<string, number>): StoredShape => ({
	id: 1,
	componentId: 1,
	shaper,
	name: '',
	values,
	works: [],
	drawn: null,
	panels: null,
	kept: null,
	placed: null,
	materialId: 2,
	layers: 1,
	roles: {},
	note: '',
	version: 1
});

/** The steps of a route on one component, by name, with what its shape's pieces come to. */
export function followed(route: Route, its: StoredShape): Map<string, Step> {
	const component = make.component(1, { kind: 'garment' });
	const steps = route.steps.flatMap((s, i) =>
		isRouteCoat(s)
			? []
			: [
					make.step(i + 1, 1, {
						...s,
						takes: s.takes ?? null,
						fromPieces: s.takes !== 'nothing',
						guessed: true,
						guess: s.amount
					})
				]
	);
	const record = followPieces(make.record({ components: [component], steps }), {
		shapes: [its],
		wearers: [],
		materials: [CLOTH],
		trade: STANDARD
	});
	return new Map(record.steps.map((s) => [s.name, s]));
}

/** Two layers, each three times round a base of 1 m at every height: two strips of 1.5 m a layer and net. */
export const NET = {
	waist: 1000,
	hem: 1000,
	base: 300,
	layers: 2,
	widthTop: 100,
	widthBottom: 100,
	fullnessTop: 3,
	fullnessBottom: 3,
	cloth: 1500,
	soft: 1,
	colours: 1,
	templates: 0,
	scallopTop: 60,
	scallopBottom: 30
};

export const FRIDAY = make.at('2031-05-02T17:00');
