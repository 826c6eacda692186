import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import type { MeasureKey, MeasureSide, Wearer } from '../facts/bodyMeasure.ts';
import { sizesOfPiece } from '../engines/pattern/piece.ts';
import { SHAPERS } from '../engines/shapers/shapers.ts';
import { SHAPE_FORMULAS } from '../engines/pattern/formulas.ts';
import type { Dimension } from '../engines/pattern/shaper.ts';
import { driversOf } from '../engines/pattern/drivers.ts';
import { girthFigure } from '../explain/fit.ts';
import { valueOf } from '../explain/figure.ts';
import { follow, piecesOf, readShapeValue, shapeFor, valuesOf } from './shapePieces.ts';
import type { StoredShape } from '../facts/shape.ts';

const near = (a: number, b: number) =>
	assert.ok(Math.abs(a - b) < 1e-6 * Math.max(1, Math.abs(b)), `${a}, not ${b}`);
const wearer = (name: string, ...measures: [MeasureKey, MeasureSide, number][]): Wearer => ({
	id: 1,
	name,
	note: '',
	sections: {},
	version: 1,
	measures: measures.map(([measure, side, mm], i) => ({
		id: i + 1,
		wearerId: 1,
		measure,
		side,
		over: 'skin',
		mm,
		takenOn: 22_000,
		confirmed: false,
		note: '',
		version: 1
	}))
});
const arms = (name: string, left: number, right: number) =>
	wearer(
		name,
		['forearmGirth', 'left', left],
		['forearmGirth', 'right', right],
		['wristGirth', 'left', left * 0.65],
		['wristGirth', 'right', right * 0.65]
	);
const sleeve = make.component(1, { layer: 1, zones: ['forearm-left', 'forearm-right'], thicknessMm: 3 });
const bracer = make.component(2, {
	code: 'A-04',
	side: 'pair',
	layer: 3,
	zones: ['forearm-left', 'forearm-right']
});
const fit = (wearers: Wearer[], component = bracer) => ({
	component,
	components: [sleeve, bracer, component],
	wearers,
	materials: [make.material(10, { thicknessMm: 10 }), make.material(2, { thicknessMm: 2 }), make.material(3)]
});
const SHELL: Pick<StoredShape, 'shaper' | 'values'> = {
	shaper: 'taperedBand',
	values: {
		upper: { follows: 'forearmGirth', plus: 12 },
		lower: { follows: 'wristGirth', plus: 12 },
		height: 190,
		thickness: 0,
		panels: 2
	}
};

test('a value follows the larger side of a pair, over the layers beneath, by C + 2π·t', () => {
	const found = follow('forearmGirth', fit([arms('Ona', 248, 256)]))!;
	assert.deepEqual([found.side, found.body, found.beneath], ['right', 256, 3]);
	near(found.mm, 256 + 2 * Math.PI * 3);
	const left = { ...bracer, side: 'left' as const };
	assert.equal(follow('forearmGirth', fit([arms('Ona', 248, 256)], left))!.body, 248);
	const values = valuesOf(SHELL.values, fit([arms('Ona', 248, 256)]));
	assert.ok(values.ok);
	near(values.value.upper!, 256 + 6 * Math.PI + 12);
	assert.equal(values.value.height, 190);
});

test('a length along the body is not made longer by what is worn beneath', () => {
	const upper = make.component(3, { layer: 1, zones: ['upper-arm-left', 'upper-arm-right'], thicknessMm: 3 });
	const arm = make.component(4, { layer: 3, side: 'left', zones: ['upper-arm-left'] });
	const its = {
		component: arm,
		components: [upper, arm],
		wearers: [wearer('Ona', ['armLength', 'left', 590], ['upperArmGirth', 'left', 290])]
	};
	const long = follow('armLength', its)!;
	assert.deepEqual([long.mm, long.beneath], [590, 0]);
	assert.equal(valueOf(girthFigure({ ...long }, 'mm', 'left')), 590);
	near(follow('upperArmGirth', its)!.mm, 290 + 6 * Math.PI);
});

test('a dome cut from 10 mm is a dome of 10 mm, whatever was typed; layers add up; without a size what is typed counts', () => {
	const dome = { shaper: 'domeGores' as const, values: { girth: 580, gores: 6, reach: 90, thickness: 6 } };
	const outlineOf = (shape: Parameters<typeof shapeFor>[0]) => {
		const done = shapeFor(shape, fit([]));
		assert.ok(done.ok);
		return driversOf(done.value.pieces).outline;
	};
	const typed = (thickness: number) => outlineOf({ ...dome, values: { ...dome.values, thickness } });
	assert.equal(outlineOf({ ...dome, materialId: 10 }), typed(10));
	assert.notEqual(typed(10), typed(6));
	assert.equal(outlineOf({ ...dome, materialId: 2, layers: 3 }), typed(6));
	assert.equal(outlineOf({ ...dome, materialId: 2, layers: 4 }), typed(8));
	assert.equal(outlineOf({ ...dome, materialId: 3 }), typed(6));
	// By hand: the neutral line of a round of 580 mm in 10 mm is 580 + 10π = 611.4 mm.
	const shaped = shapeFor({ ...dome, materialId: 10 }, fit([]));
	assert.ok(shaped.ok);
	near(shaped.value.dimensions[0]!.inputs.find((i) => i.name === 'thickness')!.value, 10);
});

test('a new wearer re-shapes what follows; two wearers take the larger; none is a problem of its value', () => {
	const areaFor = (wearers: Wearer[]) => {
		const done = shapeFor(SHELL, fit(wearers));
		assert.ok(done.ok);
		return driversOf(done.value.pieces).area;
	};
	const small = areaFor([arms('Ona', 248, 256)]);
	const large = areaFor([arms('Maro', 272, 276)]);
	assert.ok(large > small);
	assert.equal(areaFor([arms('Ona', 248, 256), arms('Maro', 272, 276)]), large);
	const none = shapeFor(SHELL, fit([wearer('Nobody')]));
	assert.ok(!none.ok);
	assert.deepEqual([none.problem.code, none.problem.path], ['notMeasured', ['upper']]);
});

test('drivers: outlines, seams of two edges each, bevels, area, pieces, by quantity', () => {
	const done = shapeFor(
		{ shaper: 'plateBox', values: { width: 180, depth: 60, height: 120, thickness: 10, lid: 0 } },
		fit([])
	);
	assert.ok(done.ok);
	const d = driversOf(done.value.pieces);
	assert.equal(d.pieces, 6);
	near(d.area, 2 * (180 * 60 + 180 * 120 + 60 * 120));
	// Twelve edges of a box, each cut on two plates.
	near(d.seam, 4 * (180 + 60 + 120));
	near(d.bevelled, 8 * (180 + 60 + 120));
	near(
		d.outline,
		done.value.pieces.reduce((sum, p) => sum + p.quantity * sizesOfPiece(p).cutLength, 0)
	);
});

test('pieces are numbered through all shapes of a component, and counted for all its copies', () => {
	const shapes = [
		SHELL,
		{ shaper: 'taperedBand' as const, values: { upper: { follows: 'thighGirth' as const, plus: 0 } } },
		{ shaper: 'strap' as const, values: {} }
	];
	const [shell, unmeasured, strap] = piecesOf(shapes, fit([arms('Ona', 248, 256)]));
	assert.deepEqual(
		[...shell!.pieces, ...unmeasured!.pieces, ...strap!.pieces].map((p) => [p.code, p.count]),
		[
			['A-04 L+R 1/2', 4],
			['A-04 L+R 2/2', 2]
		]
	);
	assert.equal(unmeasured!.done.ok, false);
});

test('values read as makers type them', () => {
	const { upper, panels } = SHAPERS.taperedBand.params;
	const ok = (text: string, follows: MeasureKey | null = null) => {
		const read = readShapeValue(upper!, text, follows, 'cm');
		assert.ok(read.ok, text);
		return read.value;
	};
	assert.equal(ok('28'), 280);
	assert.equal(ok('11in'), 279.4);
	assert.deepEqual(ok('1.2', 'forearmGirth'), { follows: 'forearmGirth', plus: 12 });
	assert.deepEqual(ok('−2', 'forearmGirth'), { follows: 'forearmGirth', plus: -20 });
	assert.deepEqual(ok('', 'forearmGirth'), { follows: 'forearmGirth', plus: 0 });
	assert.equal(readShapeValue(upper!, 'wide', null, 'cm').ok, false);
	assert.deepEqual(readShapeValue(panels!, '3', null, 'cm'), { ok: true, value: 3 });
	const lid = SHAPERS.plateBox.params.lid!;
	assert.deepEqual(readShapeValue(lid, '1', null, 'cm'), { ok: true, value: 1 });
	assert.equal(readShapeValue(lid, '7', null, 'cm').ok, false);
});

test('a stored shape is shaped once for the same values, and anew when a measure or a thickness changes', () => {
	const defaults = (shaper: 'cone' | 'taperedBand') =>
		Object.fromEntries(Object.entries(SHAPERS[shaper].params).map(([key, p]) => [key, p.value]));
	const shape = { shaper: 'cone', values: defaults('cone'), materialId: null, layers: 1, version: 1 };
	const fit = { component: make.component(1), components: [make.component(1)], wearers: [], materials: [] };
	const first = shapeFor(shape, fit);
	assert.equal(shapeFor(shape, fit), first);
	const later = { ...shape, version: 2 };
	assert.notEqual(shapeFor(later, fit), first, 'another version is another shape');
	const { version: _, ...drawing } = shape;
	assert.notEqual(shapeFor(drawing, fit), shapeFor(drawing, fit), 'what is being drawn is never kept');
	const of = { ...shape, materialId: 1, shaper: 'taperedBand', values: defaults('taperedBand') };
	const thick = (thicknessMm: number) => shapeFor(of, { ...fit, materials: [{ id: 1, thicknessMm }] });
	const [six, ten] = [thick(6), thick(10)];
	assert.ok(six.ok && ten.ok);
	assert.notDeepEqual(six.value.pieces, ten.value.pieces);
});

test('what cloth stretches comes from its material: a glove for 230 mm of palm is cut at 200 from cloth that gives half', () => {
	const materials = [
		make.material(7, { stretchAcross: 50, stretchAlong: 20 }),
		make.material(8),
		make.material(9, { thicknessMm: 10 })
	];
	const palm = (materialId: number, shaper = 'glove') => {
		const values: Record<string, number> =
			shaper === 'glove' ? { palm: 230, middle: 106, seam: 0 } : { girth: 188, height: 5000 };
		const done = shapeFor({ shaper, values, materialId }, { ...fit([]), materials });
		assert.ok(done.ok);
		return done.value;
	};
	const value = ({ formula, inputs }: Dimension) =>
		SHAPE_FORMULAS[formula].compute(inputs.map((i) => i.value));
	const width = (materialId: number) => value(palm(materialId).dimensions[0]!);
	near(width(7), 200);
	// Nobody has said what the other one gives: what was typed counts, which is nothing.
	near(width(8), 230);
	// A third of 20 % along is worn: a cuff of 60 mm is cut at 60 ÷ 1.06.
	const low = (materialId: number) =>
		Math.min(...palm(materialId).pieces[0]!.outline.edges.map((e) => e.to[1]));
	near(low(7), -60 / 1.06);
	// 188 mm round and hardly leaning, in 10 mm foam: 31.4 mm more than in paper.
	const base = (materialId: number) => value(palm(materialId, 'cone').dimensions[3]!);
	assert.equal((base(9) - base(8)).toFixed(1), '31.4');
});
