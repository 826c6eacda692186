import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import type { MeasureKey, MeasureSide } from '$core/facts/bodyMeasure.ts';
import type { MeasureRecord } from '$core/facts/measureRecord.ts';
import { valueOf } from '$core/explain/figure.ts';
import { piecesFigure } from '$core/explain/pieces.ts';
import { ShapeDraft } from './shapeDraft.svelte.ts';

const bracer = make.component(2, {
	code: 'A-04',
	side: 'pair',
	layer: 1,
	zones: ['forearm-left', 'forearm-right']
});
const measured = (...measures: [MeasureKey, MeasureSide, number][]): MeasureRecord => ({
	...make.NO_FIT,
	wearers: [
		{
			id: 1,
			name: 'Ona',
			note: '',
			sections: {},
			version: 1,
			measures: measures.map(([measure, side, mm], i) => ({
				id: i + 1,
				wearerId: 1,
				measure,
				side,
				over: 'skin' as const,
				mm,
				takenOn: 22_000,
				confirmed: false,
				note: '',
				version: 1
			}))
		}
	],
	worn: [{ id: 1, wearerId: 1, builtOn: null, fittedAt: null, version: 1 }] as never
});

const draftOf = (fit: MeasureRecord) =>
	new ShapeDraft({
		shape: () => undefined,
		shaperKey: () => 'taperedBand',
		component: () => bracer,
		components: () => [bracer],
		fit: () => fit,
		materials: () => [make.material(10, { thicknessMm: 10 })],
		unit: () => 'mm',
		following: false,
		usual: null
	});
const fieldOf = (draft: ShapeDraft, key: string) => draft.params.find((p) => p.key === key)!;

test('a new shape follows the wearer where the measure is known, and its example elsewhere', () => {
	const draft = draftOf(measured(['forearmGirth', 'left', 260], ['forearmGirth', 'right', 264]));
	assert.deepEqual(draft.values.upper, { follows: 'forearmGirth', plus: 10 }, 'with the least ease');
	assert.equal(fieldOf(draft, 'upper').text, '10 mm');
	assert.equal(draft.followed('forearmGirth')!.mm, 264, 'the larger arm');
	assert.equal(typeof draft.values.lower, 'number', 'nobody has measured the wrist');
	assert.equal(draft.problem, null);
	assert.ok(draft.pieces.length > 0);
});

test('a slip is told at its field; the last whole shape stays in sight until it is mended', () => {
	const draft = draftOf(make.NO_FIT);
	draft.settle();
	const before = draft.shown!;
	draft.type('height', 'tall');
	assert.equal(draft.problemAt, 'height');
	draft.settle();
	assert.deepEqual(draft.shown!.pieces, before.pieces);
	draft.type('height', '250');
	assert.equal(draft.problem, null);
	assert.notDeepEqual(draft.shown!.pieces, before.pieces);
});

test('typed again, a value begins with what it followed; the ease is added to the measure', () => {
	const draft = draftOf(measured(['forearmGirth', 'left', 260], ['forearmGirth', 'right', 260]));
	draft.type('upper', '12');
	assert.deepEqual(draft.values.upper, { follows: 'forearmGirth', plus: 12 });
	draft.choose(fieldOf(draft, 'upper'), '');
	assert.equal(draft.values.upper, 260);
	draft.choose(fieldOf(draft, 'lower'), 'wristGirth');
	assert.equal(draft.problemAt, 'lower', 'no wrist is measured');
});

test('the material says how thick it is, and there is something to keep once anything is changed', () => {
	const draft = draftOf(make.NO_FIT);
	assert.ok(!draft.isChanged);
	const plain = valueOf(piecesFigure('area', draft.shown!.pieces, 'mm'));
	draft.materialId = 10;
	assert.equal(draft.given('thickness'), 10);
	assert.ok(draft.isChanged);
	assert.ok(
		valueOf(piecesFigure('area', draft.shown!.pieces, 'mm')) > plain,
		'round what is thicker is longer'
	);
});

test('a band follows what lies where it is worn, and says while it is drawn that a hand of 220 does not pass a wrist closed at 165', () => {
	const greave = { ...bracer, zones: ['shin-left', 'shin-right'] as const };
	const on = (component: typeof bracer, fit: MeasureRecord) =>
		new ShapeDraft({
			shape: () => undefined,
			shaperKey: () => 'taperedBand',
			component: () => component,
			components: () => [component],
			fit: () => fit,
			materials: () => [],
			unit: () => 'mm',
			following: false,
			usual: null
		});
	const legs = on(
		{ ...greave, zones: [...greave.zones] },
		measured(['calfGirth', 'left', 360], ['calfGirth', 'right', 360])
	);
	assert.deepEqual(legs.values.upper, { follows: 'calfGirth', plus: 10 });
	const arm = on(
		{ ...bracer, side: 'left' },
		measured(['forearmGirth', 'left', 250], ['wristGirth', 'left', 155], ['thumbKnuckleGirth', 'left', 220])
	);
	const [upper, cuff] = arm.rounds;
	assert.equal(upper!.opening.passage, 'forearm');
	assert.deepEqual([cuff!.opening.passage, cuff!.opening.closedMm], ['cuff', 165], '155 and 10 of ease');
	assert.equal(cuff!.passes, false);
	assert.equal(cuff!.wearers[0]!.results[0]!.missing, 55);
	// Left open for lacing it opens along its whole length.
	arm.type('gap', '20');
	assert.ok(arm.rounds.every((r) => r.passes));
});

test('what was drawn from examples before anybody measured follows the tape at one press, with the least ease', () => {
	const shape = {
		id: 5,
		componentId: 2,
		shaper: 'taperedBand',
		name: '',
		values: { ...draftOf(make.NO_FIT).values },
		works: [],
		drawn: null,
		panels: null,
		kept: null,
		placed: null,
		materialId: null,
		roles: {},
		layers: 1,
		note: '',
		version: 1
	};
	const draft = new ShapeDraft({
		shape: () => shape,
		shaperKey: () => 'taperedBand',
		component: () => bracer,
		components: () => [bracer],
		fit: () => measured(['forearmGirth', 'left', 260], ['forearmGirth', 'right', 264]),
		materials: () => [],
		unit: () => 'mm',
		following: true,
		usual: null
	});
	assert.deepEqual([draft.measured, draft.examples], [['forearmGirth'], ['wristGirth']]);
	draft.followMeasured();
	assert.deepEqual(draft.values.upper, { follows: 'forearmGirth', plus: 10 });
	assert.deepEqual(draft.measured, []);
	assert.equal(draft.values.lower, shape.values.lower, 'the wrist is not measured yet');
});
