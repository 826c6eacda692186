import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import { borneFigure } from '../explain/travel.ts';
import { valueOf } from '../explain/figure.ts';
import type { Component } from '../facts/component.ts';
import { FIRST_SETTINGS } from '../facts/workshop.ts';
import type { Join } from '../facts/wear.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { carriedBy, uneven } from './carried.ts';
import { holdings } from './holding.ts';
import type { Weight } from './weight.ts';

const { loadFactors, comfort } = FIRST_SETTINGS;
const known = (grams: number | null): Weight => ({ grams, weighed: grams !== null, parts: [], unknown: [] });
const carried = (
	components: readonly Component[],
	grams: Readonly<Record<number, number | null>>,
	joins: Join[] = []
) => {
	const weights = new Map(components.map((c) => [c.id, known(grams[c.id] ?? null)]));
	const wear = { joins, wearings: [] };
	return carriedBy(
		components,
		wear,
		weights,
		holdings(components, wear, weights, loadFactors, STANDARD),
		comfort
	);
};
const said = (all: ReturnType<typeof carried>) =>
	Object.fromEntries(all.parts.map((p) => [`${p.bearer} ${p.side}`, Math.round(p.grams)]));

const plate = make.component(1, { name: 'Plate', zones: ['chest', 'waist'] });
const pauldrons = make.component(2, { side: 'pair', zones: ['shoulder-left', 'shoulder-right'] });

test('by hand: a plate on two buckles at the waist and two straps at the chest carries half on each, both pauldrons with it', () => {
	// 800 g and twice 400: joins at one height share what they lift by how many there are: two of two places.
	const joins = [
		make.join(1, 1, { zone: 'waist', faces: 'forward' }),
		make.join(2, 1, { zone: 'chest', faces: 'forward' }),
		make.join(3, 2, { holdsTo: 'component', toComponentId: 1 })
	];
	const all = carried([plate, pauldrons], { 1: 800, 2: 400 }, joins);
	assert.deepEqual(said(all), { 'shoulder left': 400, 'shoulder right': 400, 'waist null': 800 });
	assert.equal(all.shoulders.grams, 800);
	assert.equal(all.parts[2]!.limit, 6000);
	assert.equal(valueOf(borneFigure(all.parts[2]!, 'The waist carries')), 800);
});

test('what is held to nothing bears on its zones: chest on both shoulders, a pair on its sides, feet on the ground', () => {
	const boots = make.component(3, { side: 'pair', zones: ['foot-left', 'foot-right'] });
	const lantern = make.component(4, { zones: ['hand-right'] });
	const helm = make.component(5, { zones: ['head', 'face'] });
	const greaves = make.component(6, { side: 'pair', zones: ['shin-left', 'shin-right'] });
	const all = carried([boots, lantern, helm, greaves, plate], { 1: 600, 3: 700, 4: 900, 5: 1000, 6: 250 });
	assert.deepEqual(said(all), {
		'head null': 1000,
		'shoulder left': 150,
		'shoulder right': 150,
		'waist null': 300,
		'hand right': 900,
		'leg left': 250,
		'leg right': 250
	});
	assert.deepEqual(
		all.parts.filter((p) => p.grams > p.limit).map((p) => p.bearer),
		['head', 'hand']
	);
	// 900 g in one hand, none in the other; legs and shoulders are even.
	assert.deepEqual(uneven(all), [{ bearer: 'hand', heavier: 'right', by: 900 }]);
});

test('a part bears where its whole does; unknown weights and places are named, and never nothing', () => {
	const badge = make.component(7, { parentId: 1, zones: [] });
	const sash = make.component(8, { zones: ['waist'] });
	const charm = make.component(9, { zones: [] });
	const all = carried([plate, badge, sash, charm], { 1: 600, 7: 100, 9: 50 });
	assert.deepEqual(said(all), { 'shoulder left': 175, 'shoulder right': 175, 'waist null': 350 });
	assert.deepEqual([all.unknown.map((c) => c.id), all.nowhere.map((c) => c.id)], [[8], [9]]);
});

test('all that is known is carried somewhere, whatever hangs on whatever: 200 random costumes', () => {
	let seed = 5;
	const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
	for (let n = 0; n < 200; n++) {
		const components = Array.from({ length: 8 }, (_, i) =>
			make.component(i + 1, {
				zones: random() < 0.5 ? ['waist'] : ['forearm-left', 'forearm-right'],
				side: random() < 0.3 ? 'pair' : 'none'
			})
		);
		const joins = components.flatMap((c, i) =>
			random() < 0.5
				? [make.join(i + 1, c.id, { holdsTo: 'component', toComponentId: 1 + Math.floor(random() * 8) })]
				: []
		);
		const own = joins.filter((j) => j.toComponentId !== j.componentId);
		const all = carried(components, Object.fromEntries(components.map((c) => [c.id, 100])), own);
		const copies = components.reduce((sum, c) => sum + (c.side === 'pair' ? 2 : 1), 0);
		const sum = all.parts.reduce((s, p) => s + p.grams, 0);
		assert.ok(Math.abs(sum - 100 * copies) < 1e-6, `case ${n}: ${sum} of ${100 * copies}`);
	}
});
