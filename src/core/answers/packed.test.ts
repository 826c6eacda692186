import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import { pack } from '../engines/case/pack.ts';
import { polygon } from '../engines/pattern/outline.ts';
import { caseFigure, foldedFigure, longFigure, luggageFigure } from '../explain/travel.ts';
import { valueOf } from '../explain/figure.ts';
import type { Component } from '../facts/component.ts';
import type { Piece } from '../facts/piece.ts';
import type { Wearing } from '../facts/wear.ts';
import type { CutPieces } from './followPieces.ts';
import { goesAs, layersOf, longestPart, luggageOf, outerOf, packedBox, packingOf, saidOf } from './packed.ts';
import type { Weight } from './weight.ts';

const panel = (width: number, height: number): Piece => ({
	name: 'panel',
	outline: polygon([
		[0, 0],
		[width, 0],
		[width, height],
		[0, height]
	]),
	holes: [],
	lines: [],
	notches: [],
	grain: null,
	quantity: 1,
	mirrored: false,
	foldEdge: null
});
const cloth = make.material(1, { family: 'cloth', thicknessMm: 0.8 });
const foam = make.material(2, { family: 'foam', thicknessMm: 6 });
const cut = (material: CutPieces['material'], layers = 1): CutPieces => ({
	pieces: [panel(2000, 1000)],
	material,
	layers
});
const luggage = (
	components: readonly Component[],
	wearings: Wearing[],
	cuts: Readonly<Record<number, readonly CutPieces[]>> = {},
	grams: number | null = 500
) => {
	const weight: Weight = { grams, weighed: true, parts: [], unknown: [] };
	return luggageOf(
		components,
		{ joins: [], wearings },
		new Map(components.map((c) => [c.id, weight])),
		(c) => cuts[c.id] ?? []
	);
};

test('by hand: a pole of 1800 in two halves is 1020 with its sleeve, both lie side by side; cloth folds to 40 mm', () => {
	const pole = make.wearing(1, { size: [60, 1800, 40], parts: 2 });
	assert.equal(longestPart(pole.size!, 2), 1020);
	assert.deepEqual(packedBox(pole, [])!.size, [1020, 80, 60]);
	assert.equal(valueOf(longFigure(luggage([make.component(1)], [pole])[0]!, 'cm')), 1020);
	// 2 m² × 0.8 mm, three times as loose, on 40 × 30 cm.
	const coat = luggage([make.component(2)], [], { 2: [cut(cloth)] })[0]!;
	assert.deepEqual(coat.box!.size, [400, 300, 40]);
	assert.equal(coat.box!.softTo, 0.6);
	assert.equal(valueOf(foldedFigure(coat, 'cm')!), 40);
	// In two layers twice as high; of foam nobody knows how it is bent.
	assert.equal(luggage([make.component(2)], [], { 2: [cut(cloth, 2)] })[0]!.box!.size[2], 80);
	assert.equal(luggage([make.component(2)], [], { 2: [cut(foam)] })[0]!.box, null);
});

test('measured as packed goes before its size, its size before its pieces', () => {
	const said = make.wearing(1, { size: [500, 400, 300], packed: [500, 300, 30], softTo: 0.5 });
	assert.deepEqual(packedBox(said, [cut(cloth)]), {
		size: [500, 300, 30],
		by: 'packed',
		softTo: 0.5,
		folded: null
	});
	assert.equal(packedBox({ ...said, packed: null }, [cut(cloth)])!.by, 'size');
	assert.equal(packedBox(saidOf({ id: 9 }, { wearings: [said] }), []), null);
});

test('each copy is a thing that travels; parts go with their whole unless they are said to; what is inside another adds to its weight', () => {
	const belt = make.component(1);
	const helm = make.component(2);
	const crest = make.component(6, { parentId: 2, count: 2 });
	const pouch = make.component(7, { parentId: 1 });
	const wig = make.component(3);
	const greaves = make.component(4, { side: 'pair' });
	const boots = make.component(5);
	const all = luggage(
		[belt, helm, wig, greaves, boots, crest, pouch],
		[
			make.wearing(2, { size: [300, 260, 280], fragile: true, upright: true }),
			make.wearing(3, { insideId: 2 }),
			make.wearing(4, { size: [400, 150, 120] }),
			make.wearing(5, { travels: 'worn' }),
			make.wearing(1, { travels: 'hand' }),
			make.wearing(7, { size: [90, 60, 30] })
		]
	);
	assert.deepEqual(
		all.map((l) => [l.component.id, l.copy, l.of, goesAs(l)]),
		[
			[1, 1, 1, 'hand'],
			[7, 1, 1, 'case'],
			[2, 1, 1, 'case'],
			[3, 1, 1, 'inside'],
			[4, 1, 2, 'case'],
			[4, 2, 2, 'case'],
			[5, 1, 1, 'worn']
		]
	);
	const trunk = {
		id: 7,
		position: 0,
		name: 'trunk',
		inner: [800, 500, 300] as const,
		wallMm: 10,
		kg: 23,
		version: 1
	};
	const { task, unmeasured, unweighed } = packingOf(all, [trunk]);
	assert.deepEqual(
		task.items.map((i) => [i.id, i.kg, i.turns, i.fragile]),
		[
			['c7.1', 0.5, 'any', false],
			// Itself, its two crests and the wig inside: four times 500 g.
			['c2.1', 2, 'upright', true],
			['c4.1', 0.5, 'any', false],
			['c4.2', 0.5, 'any', false]
		]
	);
	assert.deepEqual([unmeasured, unweighed], [[], []]);
	assert.deepEqual(outerOf(trunk), [820, 520, 320]);
	const packing = pack(task, 1, 1, () => 0);
	assert.deepEqual(packing.left, []);
	// The pouch, the helm with its crests and the wig, and two greaves.
	assert.equal(valueOf(caseFigure(trunk, packing, task, all)), 0.5 + 2 + 1);
	assert.equal(valueOf(luggageFigure(all.find((l) => l.component === helm)!)), 1500);
	// Seen layer by layer: on the floor, and whatever stands above; all four once.
	const layers = layersOf(packing.placements);
	assert.equal(layers[0]!.at, 0);
	assert.equal(layers.flatMap((l) => l.standing).length, 4);
});

test('what nobody has measured or weighed is named; two inside each other travel by themselves', () => {
	const [a, b] = [make.component(1), make.component(2)];
	const round = luggage(
		[a, b],
		[make.wearing(1, { insideId: 2 }), make.wearing(2, { insideId: 1 })],
		{},
		null
	);
	assert.deepEqual(round.map(goesAs), ['case', 'case']);
	// Three in a circle too; what is inside one of them is.
	const [c, d] = [make.component(3), make.component(4)];
	const three = luggage(
		[a, b, c, d],
		[
			make.wearing(1, { insideId: 2 }),
			make.wearing(2, { insideId: 3 }),
			make.wearing(3, { insideId: 1 }),
			make.wearing(4, { insideId: 1 })
		]
	);
	assert.deepEqual(three.map(goesAs), ['case', 'case', 'case', 'inside']);
	const { unmeasured, unweighed } = packingOf(round, []);
	assert.deepEqual(
		[unmeasured, unweighed],
		[
			[a, b],
			[a, b]
		]
	);
});

test('by hand: what is inside what is inside counts in the case, and where its weight is not known it is named', () => {
	const [trunkful, box, ring] = [make.component(1), make.component(2), make.component(3, { side: 'pair' })];
	const wearings = [
		make.wearing(1, { size: [300, 200, 100] }),
		make.wearing(2, { insideId: 1 }),
		make.wearing(3, { insideId: 2 })
	];
	// 500 g, the box of 500 in it, and both rings of 500 in that.
	assert.equal(packingOf(luggage([trunkful, box, ring], wearings), []).task.items[0]!.kg, 2);
	const unknown = packingOf(luggage([trunkful, box, ring], wearings, {}, null), []);
	assert.deepEqual(unknown.unweighed, [trunkful, box, ring]);
});
