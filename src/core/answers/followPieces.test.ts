import assert from 'node:assert/strict';
import { FIRST_SETTINGS } from '../facts/workshop.ts';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { shoppingLines } from './shopping.ts';
import { stepFigure } from '../explain/plan.ts';
import { valueOf } from '../explain/figure.ts';
import { piecesFigure, weightFigure } from '../explain/pieces.ts';
import { amountOfPieces, cutsOf, followPieces, followsPieces, quantityOfPieces } from './followPieces.ts';
import { areaOfUnit } from '../facts/material.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { TECHNIQUES } from '../trade/technique.ts';
import { cutByLine } from '../engines/pattern/cut.ts';
import { applyOperations } from '../engines/pattern/operations.ts';
import { piece } from '../engines/pattern/piece.ts';
import type { Piece } from '../facts/piece.ts';
import { rectangle } from '../engines/pattern/sector.ts';
import type { StoredShape } from '../facts/shape.ts';

const near = (a: number, b: number) =>
	assert.ok(Math.abs(a - b) < 1e-9 * Math.max(1, Math.abs(b)), `${a}, not ${b}`);
const foam = make.material(1, { widthMm: 500, lengthMm: 1000, gramsPerM2: 720 });
const cloth = make.material(2, { family: 'cloth', unit: 'm', widthMm: 1500 });
const shape = (id: number, width: number, materialId: number | null) =>
	make.flatPanel(id, 1, width, { name: '', materialId });
const from = (...shapes: StoredShape[]) => ({
	shapes,
	wearers: [],
	materials: [foam, cloth],
	trade: STANDARD
});

test('a technique follows what its amount counts, of the materials that it is done to', () => {
	assert.equal(TECHNIQUES.cutFoam.follows, 'outline');
	assert.equal(TECHNIQUES.cement.follows, 'seam');
	assert.equal(TECHNIQUES.spray.follows, 'area');
	assert.equal(TECHNIQUES.draft.follows, 'patterns');
	assert.equal(TECHNIQUES.fit.follows, null);
	const cuts = [
		{ pieces: [piece('a', rectangle(200, 100), { quantity: 2 })], material: foam, layers: 1 },
		{ pieces: [piece('b', rectangle(50, 50))], material: cloth, layers: 1 }
	];
	near(amountOfPieces(cuts, TECHNIQUES.cutFoam)!, 1200);
	near(amountOfPieces(cuts, TECHNIQUES.cutCloth)!, 200);
	near(amountOfPieces(cuts, TECHNIQUES.trace)!, 1400);
	assert.equal(amountOfPieces(cuts, TECHNIQUES.draft), 2);
	assert.equal(amountOfPieces(cuts, TECHNIQUES.heatShape), 2);
	// Paint goes on what is solid; on cloth where there is nothing solid.
	near(amountOfPieces(cuts, TECHNIQUES.spray)!, 40_000);
	near(amountOfPieces(cuts.slice(1), TECHNIQUES.spray)!, 2500);
	assert.equal(amountOfPieces(cuts.slice(1), TECHNIQUES.cutFoam), null);
});

test('three layers are cut three times, glued in two joints, and shaped and painted once', () => {
	const pieces = [piece('a', rectangle(200, 100))];
	const one = [{ pieces, material: foam, layers: 1 }];
	const three = [{ pieces, material: foam, layers: 3 }];
	assert.equal(amountOfPieces(one, TECHNIQUES.stack), null);
	near(amountOfPieces(three, TECHNIQUES.stack)!, 2 * 20_000);
	near(amountOfPieces(three, TECHNIQUES.cutFoam)!, 3 * 600);
	near(amountOfPieces(three, TECHNIQUES.spray)!, 20_000);
	assert.equal(amountOfPieces(three, TECHNIQUES.heatShape), 1);
	near(quantityOfPieces(three, foam, 1, 2)!.quantity, (3 * 20_000 * 2) / 500_000);
});

test('a traced or bought piece without seams does not tell that there is nothing to sew: what was entered stays', () => {
	const bought = {
		...shape(1, 200, 2),
		shaper: 'traced' as const,
		values: {},
		drawn: [piece('front', rectangle(200, 100))]
	};
	const record = make.record({
		components: [make.component(1)],
		steps: [
			make.step(1, 1, { technique: 'sewMachine', amount: 12_000, fromPieces: true, name: 'sew' }),
			make.step(2, 1, { technique: 'sewMachine', amount: 3000, fromPieces: true, name: 'hem' }),
			make.step(3, 1, { technique: 'bind', amount: 700, fromPieces: true }),
			make.step(4, 1, { technique: 'cutCloth', amount: 5, fromPieces: true })
		]
	});
	const amounts = (...shapes: StoredShape[]) =>
		followPieces(record, from(...shapes)).steps.map((s) => s.amount);
	// Its outline it does tell: 2 × (200 + 100) mm. Which edges no seam takes, it does not.
	assert.deepEqual(amounts(bought), [12_000, 3000, 700, 600]);
	// A strap of the same garment that does say its seams tells nothing of the bought pieces'.
	const strap = {
		...bought,
		id: 2,
		drawn: [piece('strap', rectangle(10, 50, [{ seam: 's' }, {}, { seam: 's' }]))]
	};
	assert.deepEqual(amounts(bought, strap).slice(0, 2), [12_000, 3000]);
	assert.deepEqual(amounts(strap).slice(0, 2), [10, 10]);
	// Drawn by a shaper, no seam is none.
	assert.deepEqual(amounts(shape(3, 200, 2)).slice(0, 2), [0, 0]);
});

test('sheets and rolls as areas, weight by area', () => {
	near(areaOfUnit(foam)!, 500_000);
	near(areaOfUnit(cloth)!, 1_500_000);
	near(areaOfUnit({ ...cloth, unit: 'yd' })!, 914.4 * 1500);
	assert.equal(areaOfUnit({ ...cloth, unit: 'piece' }), null);
	assert.equal(areaOfUnit(make.material(3)), null);
	near(valueOf(weightFigure(piece('a', rectangle(1000, 500), { quantity: 2 }), foam)), 720);
	near(
		valueOf(piecesFigure('seam', [piece('a', rectangle(10, 20, [{ seam: 's' }]), { quantity: 4 })], 'cm')),
		20
	);
});

test('eyelets and bones of the shapers are set by their steps, with what these use up; a shape without any tells nothing', () => {
	// 200 mm, 12 from each end: 176, at most 25 apart are eight spaces: nine eyelets a row, two rows.
	const lacing = {
		...shape(1, 0, 2),
		shaper: 'eyelets',
		values: { length: 200, spacing: 25, edge: 12, hole: 5, gap: 30, tail: 250 }
	};
	// Three bones in channels of 280, 250 and 220, each 8 short at both ends: 264 + 234 + 204.
	const bones = {
		...shape(2, 0, 2),
		shaper: 'boning',
		values: { bones: 3, first: 280, last: 220, bone: 6, room: 2, short: 8, seam: 6 }
	};
	const record = make.record({
		components: [make.component(1, { side: 'pair' })],
		steps: [
			make.step(1, 1, { technique: 'eyelet', amount: 4, fromPieces: true }),
			make.step(2, 1, { technique: 'boning', amount: 100, fromPieces: true })
		]
	});
	const amounts = (...shapes: StoredShape[]) =>
		followPieces(record, from(...shapes)).steps.map((s) => s.amount);
	assert.deepEqual(amounts(lacing, bones), [18, 702]);
	assert.deepEqual(amounts(shape(3, 100, 2)), [4, 100]);
	// A pair of them, through the whole way: 36 eyelets, 1.404 m of boning, with a tenth more.
	const materials = [
		foam,
		cloth,
		make.material(3, { name: 'eyelets', family: 'closure', unit: 'piece', supply: 'eyelet' }),
		make.material(4, { name: 'boning', family: 'other', unit: 'm', supply: 'boning' })
	];
	const lines = shoppingLines(followPieces(record, { ...from(lacing, bones), materials }), {
		...make.workshop(),
		materials
	});
	assert.deepEqual(
		lines.map((l) => [l.material.name, l.needed]),
		[
			['eyelets', 36],
			['boning', 1.5444]
		]
	);
	// One row of the two is cut in halves: the eyelets go with their holes.
	const [row] = cutsOf(record.components[0]!, record.components, from(lacing))[0]!.pieces;
	const parts = cutByLine(row!, [-10, 90], [40, 90], { cut: 1, allowance: 0, marks: 0 });
	assert.ok(parts.ok);
	assert.deepEqual(parts.value.map((p) => p.eyelets).sort(), [4, 5]);
	const [a, b] = parts.value as [Piece, Piece];
	const seam = (p: Piece) => p.outline.edges.findIndex((e) => e.seam?.startsWith('cut'));
	const whole = applyOperations(
		[a, b],
		[{ kind: 'join', piece: 0, edge: seam(a), other: 1, otherEdge: seam(b) }]
	);
	assert.ok(whole.ok);
	assert.equal(whole.value[0]!.eyelets, 9);
});

test('steps, coats and needs move with a shape’s number; what is typed stays where nothing follows', () => {
	const record = make.record({
		components: [make.component(1, { side: 'pair' })],
		steps: [
			make.step(1, 1, { technique: 'cutFoam', amount: 5, fromPieces: true }),
			make.step(2, 1, { technique: 'cutFoam', amount: 5 }),
			make.step(3, 1, { technique: 'spray', amount: 5, coatId: 1 })
		],
		coats: [make.coat(1, 1, { fromPieces: true })],
		needs: [{ ...make.need(1, 1, 7), waste: 1.3 }, make.need(1, 2, 9)]
	});
	for (const width of [200, 300]) {
		const now = followPieces(record, from(shape(1, width, 1)));
		near(now.steps[0]!.amount, 2 * (width + 100));
		assert.equal(now.steps[1]!.amount, 5);
		near(now.steps[2]!.amount, width * 100);
		near(now.coats[0]!.area, width * 100);
		// Both sides, 1.3 times, of a sheet of half a square metre.
		near(now.needs[0]!.quantity, (2 * 1.3 * width * 100) / 500_000);
		assert.equal(now.needs[1]!.quantity, 9);
		const line = shoppingLines(now, {
			materials: [foam, cloth],
			handbook: [],
			settings: FIRST_SETTINGS
		}).find((l) => l.material.id === 1)!;
		near(line.needed, now.needs[0]!.quantity);
		const figure = stepFigure(now.steps[0]!, now.components[0]!, now, make.workshop());
		assert.equal(figure.inputs[1]!.source, 'its pieces');
		assert.ok(valueOf(figure) >= 0);
	}
	// Without pieces what was there last stays.
	assert.equal(followPieces(record, from()).steps[0]!.amount, 5);
	assert.equal(followsPieces(record, 1), true);
	assert.equal(followsPieces(make.record({}), 1), false);
});
