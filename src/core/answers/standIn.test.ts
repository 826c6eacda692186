import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import type { Material } from '../facts/material.ts';
import type { Offer, Supplier } from '../facts/supplier.ts';
import { dayOf } from '../units/localTime.ts';
import { shoppingLines } from './shopping.ts';
import { standInsFor } from './standIn.ts';

/** A Friday. */
const NOW = make.at('2031-05-02T17:00');
const today = dayOf(NOW);
const sheet = (id: number, thicknessMm: number, extra: Partial<Material> = {}) =>
	make.material(id, {
		name: `Foam ${thicknessMm} mm`,
		thicknessMm,
		widthMm: 500,
		lengthMm: 1000,
		leadDays: 12,
		...extra
	});
const supplier = (id: number, name: string, workingDays = [1, 2, 3, 4, 5]): Supplier => ({
	id,
	name,
	currency: 'EUR',
	shippingMinor: 490,
	freeFromMinor: null,
	minOrderMinor: null,
	workingDays,
	closed: [],
	note: '',
	version: 1
});
const offer = (id: number, extra: Partial<Offer> = {}): Offer => ({
	id,
	materialId: 1,
	supplierId: 1,
	packSize: 1,
	packPriceMinor: 2000,
	breaks: [],
	leadDays: 2,
	mostPacks: null,
	note: '',
	version: 1,
	...extra
});

function standIns(
	record: Parameters<typeof make.record>[0],
	materials: Material[],
	offers: Offer[] = [],
	suppliers: Supplier[] = []
) {
	const workshop = make.workshop({ materials, suppliers });
	const facts = { record: make.record(record), workshop, offers, now: NOW };
	const line = shoppingLines(facts.record, workshop).find((l) => l.material.id === 1)!;
	return standInsFor(line, facts);
}
const plate = {
	components: [make.component(1)],
	steps: [make.step(1, 1, { technique: 'cutFoam', amount: 3000 })],
	needs: [make.need(1, 1, 2)]
};

test('thinner sheets are stacked where they make the thickness, and come when they come', () => {
	const found = standIns(plate, [
		sheet(1, 10),
		sheet(2, 5, { leadDays: 3, leadWorkingDays: true }),
		sheet(3, 4),
		// 10 m² in stash: two sheets of half a square metre are there at once.
		sheet(4, 10, { widthMm: 1000, stash: 10 })
	]);
	assert.deepEqual(
		found.map((s) => [s.key, s.words, s.arrives, s.loss]),
		[
			['cut 4 1', 'cut from Foam 10 mm', null, 0],
			// Three working days from a Friday: Wednesday.
			['cut 2 2', '2 layers of Foam 5 mm', today + 5, 0],
			['supplier usual 1', '2 × 1 sheet in the usual pack', today + 12, 0]
		]
	);
	const begun = { ...plate, needs: [{ ...make.need(1, 1, 2), taken: 1 }] };
	assert.deepEqual(
		standIns(begun, [sheet(1, 10), sheet(2, 5)]).map((s) => s.kind),
		['supplier'],
		'what is begun is cut to its end'
	);
});

test('the same cloth in another width stands in, one that is heavier or stretches does not', () => {
	const roll = (id: number, extra: Partial<Material> = {}) =>
		make.material(id, {
			name: `Cloth ${id}`,
			family: 'cloth',
			unit: 'm',
			thicknessMm: 0.5,
			widthMm: 1500,
			gramsPerM2: 230,
			...extra
		});
	const materials = [
		roll(1),
		roll(2, { widthMm: 1100, gramsPerM2: 240 }),
		roll(3, { gramsPerM2: 300 }),
		roll(4, { stretchAcross: 40 }),
		roll(5, { thicknessMm: null })
	];
	assert.deepEqual(
		standIns(plate, materials).map((s) => s.key),
		['supplier usual 1', 'cut 2 1']
	);
});

test('cloth of another colour is seen, or painted over in the colour that is wanted; under a coat nobody sees it', () => {
	const cloth = (id: number, colour: string, extra: Partial<Material> = {}) =>
		make.material(id, {
			name: `Net, ${colour}`,
			colour,
			family: 'cloth',
			unit: 'm',
			widthMm: 1500,
			gramsPerM2: 20,
			leadDays: 10,
			...extra
		});
	const paint = (id: number, colour: string, coatProduct: string, extra: Partial<Material> = {}) =>
		make.material(id, {
			name: `Paint ${id}`,
			colour,
			coatProduct,
			family: 'paint',
			unit: 'bottle',
			leadDays: 3,
			...extra
		});
	const dress = {
		...plate,
		components: [make.component(1, { lookNeed: 3, seenFrom: 'near' })],
		steps: [make.step(1, 1, { technique: 'sewMachine', amount: 3000 })]
	};
	const materials = (stash: number) => [
		cloth(1, 'sea green'),
		cloth(2, 'ivory', { stash: 5 }),
		cloth(3, 'Sea Green', { widthMm: 1000, leadDays: 2 }),
		cloth(4, '', { stash: 9 }),
		// It does not bend with the cloth.
		paint(7, 'sea green', 'brushedAcrylic'),
		paint(8, 'black', 'fabricPaint'),
		paint(9, ' Sea green', 'fabricPaint', { stash })
	];
	const cut = (record: typeof dress & { coats?: ReturnType<typeof make.coat>[] }, stash: number) =>
		standIns(record, materials(stash)).flatMap((s) =>
			s.kind === 'cut' ? [[s.key, s.words, s.arrives, Math.round(1000 * s.loss) / 1000]] : []
		);
	// Two metres, 1.5 wide, twice: 6 m², of which a bottle covers 0.8.
	assert.deepEqual(cut(dress, 7.4), [
		['cut 4 1', 'cut from Net, ', null, 0],
		['cut 2 1', 'cut from Net, ivory, another colour', null, 0.15],
		['cut 3 1', 'cut from Net, Sea Green', today + 2, 0],
		['cut 2 1 paint 9', 'cut from Net, ivory, with 2 coats of Paint 9 over it', today + 3, 0.05]
	]);
	assert.deepEqual(cut(dress, 7.5).find(([key]) => key === 'cut 2 1 paint 9')?.[2], null);
	const coated = { ...dress, coats: [make.coat(1, 1, { product: 'fabricPaint', materialId: 9 })] };
	assert.deepEqual(
		cut(coated, 0).filter(([key]) => String(key).startsWith('cut 2')),
		[['cut 2 1', 'cut from Net, ivory', null, 0]]
	);
});

test('other suppliers: packs for what is not here, on their working days; what is listed already is none', () => {
	const suppliers = [supplier(1, 'near'), supplier(2, 'weekend', [6])];
	const ordered = make.purchase(1, 1, { state: 'ordered', supplier: 'far', packs: 2, orderedOn: today });
	const found = standIns(
		{ ...plate, needs: [make.need(1, 1, 5)], purchases: [ordered] },
		[sheet(1, 10, { stash: 1, supplier: 'far' })],
		[
			offer(1, { packSize: 3 }),
			offer(2, { supplierId: 2, leadDays: 1 }),
			// Four are wanted.
			offer(3, { mostPacks: 3 })
		],
		suppliers
	);
	assert.deepEqual(
		found.map((s) => s.kind === 'supplier' && [s.words, s.packs, s.arrives]),
		[
			['4 × 1 sheet from weekend', 4, today + 1],
			// 5 − 1 in the stash: two packs of three.
			['2 × 3 sheet from near', 2, today + 4],
			['4 × 1 sheet from far', 4, today + 12]
		]
	);
	const listed = make.purchase(1, 1, { supplier: 'near', leadDays: 2, packs: 4 });
	const others = standIns(
		{ ...plate, purchases: [listed] },
		[sheet(1, 10, { supplier: 'far' })],
		[offer(1)],
		suppliers
	);
	assert.deepEqual(
		others.map((s) => s.words),
		['2 × 1 sheet from far']
	);
});

test('a strap closes otherwise: four joins of hook-and-loop a pair are twelve snaps, both sides 24', () => {
	const hook = make.material(1, {
		name: 'Hook-and-loop',
		family: 'closure',
		unit: 'm',
		supply: 'hookAndLoop'
	});
	const snaps = make.material(2, {
		name: 'Snaps',
		family: 'closure',
		unit: 'piece',
		supply: 'snap',
		stash: 24
	});
	const record = {
		components: [
			make.component(1, { side: 'pair', lookNeed: 2, seenFrom: 'near' }),
			make.component(2, { lookNeed: 4, seenFrom: 'near' })
		],
		steps: [
			make.step(1, 1, { technique: 'hookAndLoop', amount: 4 }),
			make.step(2, 1, { technique: 'hookAndLoop', amount: 9, doneAt: NOW - 100 })
		]
	};
	const found = standIns(record, [hook, snaps]).filter((s) => s.kind === 'closure');
	const by = (technique: string) => found.find((s) => s.technique === technique)!;
	assert.deepEqual(by('snap').steps, [{ id: 1, amount: 12 }]);
	assert.equal(by('snap').words, 'snap instead, 24 in all');
	assert.equal(by('snap').arrives, null, '24 are in the stash');
	// 0.03 of what the component counts: 2 of 6.
	assert.ok(Math.abs(by('snap').loss - 0.01) < 1e-12);
	assert.deepEqual(by('magnet').steps, [{ id: 1, amount: 8 }]);
	assert.deepEqual(by('magnet').missing, ['magnets'], 'nobody has entered any: it is said');
	// A fifth of an opening each: the zip serves one.
	assert.deepEqual(by('closure').steps, [{ id: 1, amount: 1 }]);
	assert.equal(found.length, new Set(found.map((s) => s.key)).size);
	const fewer = standIns(record, [hook, { ...snaps, stash: 23, leadDays: 3 }]);
	assert.equal(fewer.find((s) => s.key === 'closure snap')!.arrives, today + 3);
});

test('another colour of the same product, while nothing of the coat is on; what is bought can be made', () => {
	const can = (id: number, name: string, extra: Partial<Material> = {}) =>
		make.material(id, { name, family: 'paint', unit: 'can', coatProduct: 'acrylicSpray', ...extra });
	const record = (doneAt: number | null) => ({
		components: [make.component(1, { code: 'A-01', source: 'buy', lookNeed: 3, seenFrom: 'near' })],
		coats: [make.coat(1, 1, { product: 'acrylicSpray', materialId: 1 })],
		steps: [make.step(1, 1, { coatId: 1, doneAt }), make.step(2, 1, { coatId: 1 })]
	});
	const cans = [can(1, 'Old brass'), can(2, 'Copper', { stash: 5 }), make.material(3, { family: 'paint' })];
	const found = standIns(record(null), cans);
	assert.deepEqual(
		found.map((s) => [s.key, s.words, s.loss]),
		[
			['make 1', 'make A-01 component 1 instead', 0],
			['colour 2', 'Copper for A-01, another colour', 0.15],
			['supplier usual 1', '1 × 1 can in the usual pack', 0]
		]
	);
	assert.ok(
		!standIns(record(NOW - 100), cans).some((s) => s.kind === 'colour'),
		'begun in one colour, ended in it'
	);
});
