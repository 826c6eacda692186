import { STANDARD } from '../../trade/catalogue.ts';
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { sharedArea, holdsAll } from '$tests/support/layouts.ts';
import { material } from '$tests/support/record.ts';
import type { Point } from '../../units/point.ts';
import { cutOrder } from './cutOrder.ts';
import { leftoversOf } from './leftovers.ts';
import { rectangle } from './offcut.ts';
import type { CostumePiece } from '../../facts/layout.ts';
import { clashesOf, cutSheets, leftoversOfPlan, useOfPlan } from './cutSheets.ts';
import { layPlan, type LayPlan } from '../../facts/layout.ts';
import { PLAIN_LAY } from '../../facts/layout.ts';
import { cementPerM2, substitutesOf } from '../../answers/substitute.ts';

const moved = (ring: readonly Point[], x: number, y: number) => ring.map((p): Point => [p[0] + x, p[1] + y]);
const PIECE: CostumePiece = {
	id: 'A',
	code: 'A-01 1/1',
	name: 'plate',
	componentId: 1,
	stock: '7',
	outline: rectangle(100, 60),
	holes: [],
	quantity: 4,
	pair: false,
	rotations: [0],
	folded: null
};
const at = (copy: number, x: number, y: number, sheet = 1) => ({
	piece: 'A',
	copy,
	stock: '7',
	sheet,
	mirrored: false,
	rotation: 0,
	x,
	y
});
const plan = (placements: LayPlan['placements'], more: Partial<LayPlan> = {}): LayPlan => ({
	settings: PLAIN_LAY,
	stock: { id: '7', sheets: [], more: { width: 500, height: 400 }, roll: null },
	pieces: [PIECE],
	placements,
	...more
});

test('what is left of a sheet: all that is wide enough, no more than there is, slivers fall away', () => {
	const form = { width: 500, height: 400 };
	// A plate in the corner leaves an L; one across leaves nothing wide between it and the border.
	const [only, ...others] = leftoversOf(form, [[moved(rectangle(300, 200), 5, 5)]], 2, 80);
	assert.equal(others.length, 0);
	// 500 × 400 less 307 × 207, and half a millimetre all round.
	assert.ok(Math.abs(only!.area - (500 * 400 - 307 * 207)) < 1000, `${only!.area}`);
	assert.deepEqual(
		only!.at.map(Math.round),
		[1, 1].map(() => Math.round(only!.at[0]))
	);
	const bars = [20, 80, 140, 200, 260].map((y) => [moved(rectangle(500, 40), 0, y)]);
	const left = leftoversOf(form, bars, 0, 60);
	assert.deepEqual(
		left.map((l) => Math.round(l.area / 1000)),
		[49],
		'only above the last bar is it 60 wide'
	);
});

test('leftovers hold nothing of what is cut out, by another library; what is cut out of their middle are holes', () => {
	const form = {
		width: 500,
		height: 400,
		outline: [
			[0, 0],
			[500, 0],
			[500, 250],
			[320, 400],
			[0, 400]
		] as Point[],
		flaws: [moved(rectangle(30, 30), 20, 340)]
	};
	const cut = [moved(rectangle(90, 90), 200, 150), moved(rectangle(60, 120), 0, 0)];
	const [largest] = leftoversOf(
		form,
		cut.map((ring) => [ring]),
		3,
		60
	);
	assert.equal(largest!.holes.length, 1);
	const back = (ring: Point[]) => moved(ring, ...largest!.at);
	const its = { outline: back(largest!.outline), holes: largest!.holes.map(back) };
	assert.ok(holdsAll(form.outline, its));
	for (const ring of [...cut, ...form.flaws]) assert.ok(sharedArea(its, ring) < 1e-6);
});

test('the order of cuts: the short way round, and what lies in a hole before what it lies in', () => {
	const row = [300, 0, 100, 200].map((x) => ({ paths: [moved(rectangle(50, 50), x, 0)] }));
	assert.deepEqual(cutOrder(row), [1, 2, 3, 0]);
	const frame = { paths: [rectangle(300, 300), moved(rectangle(200, 200), 50, 50)] };
	const inside = { paths: [moved(rectangle(40, 40), 100, 100)] };
	assert.deepEqual(cutOrder([frame, inside]), [1, 0]);
	assert.deepEqual(cutOrder([]), []);
});

test('a kept plan is read back, tells its sheets in order, and is refused where copies or lengths are not its own', () => {
	const its = plan([at(1, 5, 5), at(2, 108, 5), at(3, 5, 5, 2)]);
	assert.deepEqual(layPlan.parse(JSON.parse(JSON.stringify(its))), its);
	assert.deepEqual(useOfPlan(its), {
		id: '7',
		sheets: 2,
		usedLength: 65,
		density: (3 * 6000) / (2 * 200_000)
	});
	const sheets = cutSheets(its);
	assert.deepEqual(
		sheets.map((s) => [s.number, s.pieces.map((p) => p.order), s.cutLength]),
		[
			[1, [1, 2], 640],
			[2, [3], 320]
		]
	);
	assert.equal(layPlan.safeParse(plan([at(1, 5, 5), at(1, 200, 5)])).success, false, 'the same copy twice');
	assert.equal(layPlan.safeParse(plan([at(5, 5, 5)])).success, false, 'no such copy');
	assert.equal(layPlan.safeParse(plan([at(1, Infinity, 5)])).success, false);
	assert.deepEqual(clashesOf(its), []);
	assert.deepEqual(clashesOf(plan([at(1, 5, 5), at(2, 60, 5)])), ['A 1', 'A 2']);
});

test('folded cloth is looked at unfolded: halves once, pairs twice, what is cut from one layer leaves the other', () => {
	const roll = { id: '7', sheets: [], more: null, roll: 400 };
	const folded = { ...PLAIN_LAY, folded: true, gap: 0 };
	const area = (its: CostumePiece['folded'], x: number) => {
		const [sheet] = leftoversOfPlan(
			plan([at(1, x, 0)], { settings: folded, stock: roll, pieces: [{ ...PIECE, folded: its }] }),
			40
		);
		return Math.round(sheet!.leftovers.reduce((sum, l) => sum + l.area, 0) / 1000);
	};
	// 800 × 60 less 200 × 60 in the middle, less two of 100 × 60, less one; half a millimetre all round is lost.
	assert.deepEqual([area('fold', 0), area('both', 150), area('one', 300)], [35, 35, 41]);
});

test('a thickness is made of the same in other sheets, or of thinner ones stacked', () => {
	const sheet = (id: number, thicknessMm: number | null, more: object = {}) =>
		material(id, { name: `foam ${id}`, thicknessMm, widthMm: 500, lengthMm: 1000, ...more });
	const six = sheet(1, 6);
	const all = [
		six,
		sheet(2, 2),
		sheet(3, 4),
		sheet(4, 6),
		sheet(5, 3),
		sheet(6, null),
		sheet(7, 2, { family: 'cloth' }),
		sheet(8, 1)
	];
	assert.deepEqual(
		substitutesOf(six, all).map((s) => [s.material.id, s.layers]),
		[
			[1, 1],
			[4, 1],
			[5, 2],
			[2, 3]
		]
	);
	// Two joints of half a square metre.
	assert.equal(cementPerM2(STANDARD), 450);
});
