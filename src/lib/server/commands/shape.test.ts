import assert from 'node:assert/strict';
import { FIRST_SETTINGS } from '$core/facts/workshop.ts';
import { after, before, test } from 'node:test';
import { COSTUME, COMPONENT, MATERIAL, testWorkshop, type TestWorkshop } from '$tests/support/workshop.ts';
import { readCostumeZip, writeCostumeZip } from '../costumeFile.ts';
import { Absent, Refused, Stale } from '../db/rows.ts';
import { lastAction } from '../db/undo.ts';
import { loadRecord } from '../read/costume.ts';
import { loadMeasure } from '../read/measure.ts';
import { loadWorkshop } from '../read/workshop.ts';
import type { Command } from './command.ts';
import { componentCommands } from './component.ts';
import { costumeCommands } from './costume.ts';
import { contextOf } from './command.ts';
import { fileCommands } from './file.ts';
import { materialCommands } from './material.ts';
import { stepCommands } from './step.ts';
import { shoppingLines } from '$core/answers/shopping.ts';
import { sizesOfPiece, piece } from '$core/engines/pattern/piece.ts';
import { shapeFor } from '$core/answers/shapePieces.ts';
import { polygon } from '$core/engines/pattern/outline.ts';
import { rectangle } from '$core/engines/pattern/sector.ts';
import type { PieceOperation } from '$core/facts/pieceOperation.ts';
import { plannedCostume, standingAsIf } from '../read/plans.ts';
import { shapeCommands } from './shape.ts';

let w: TestWorkshop;
let costume: number;
let bracers: string;
const run = (cmd: Command, values: Record<string, unknown>) => w.run<{ id: number }>(cmd, values, costume);
const shapes = async () => (await loadMeasure(w.db, costume)).shapes;
const BAND = {
	shaper: 'taperedBand',
	name: 'shell',
	note: '',
	'value.upper': '28 cm',
	'value.lower': '20',
	'value.height': '18',
	'value.thickness': '6mm',
	'value.panels': '2',
	'value.overlap': '0',
	'value.gap': '0'
};

before(async () => {
	w = await testWorkshop('2031-04-28T18:00');
	const made = await w.run<{ id: number }>(costumeCommands.addCostume, COSTUME);
	costume = made.id;
	bracers = String(
		(await run(componentCommands.addComponent, { ...COMPONENT, name: 'Bracers', side: 'pair' })).id
	);
});
after(() => w.close());

test('a shape is kept as typed, changed, told when stale, removed, and each of it undone', async () => {
	const { id } = await run(shapeCommands.addShape, { componentId: bracers, ...BAND });
	const [kept] = await shapes();
	assert.deepEqual(kept!.values, {
		upper: 280,
		lower: 200,
		height: 180,
		thickness: 6,
		panels: 2,
		overlap: 0,
		gap: 0
	});
	const version = String(kept!.version);
	await run(shapeCommands.editShape, { id: String(id), version, ...BAND, 'value.panels': '3' });
	assert.equal((await shapes())[0]!.values.panels, 3);
	await assert.rejects(
		run(shapeCommands.editShape, { id: String(id), version, ...BAND }),
		(e) => e instanceof Stale
	);
	await w.undoLast();
	assert.equal((await shapes())[0]!.values.panels, 2);
	await run(shapeCommands.removeShape, { id: String(id) });
	assert.equal((await shapes()).length, 0);
	await w.undoLast();
	assert.equal((await shapes()).length, 1);
	await w.undoLast();
	assert.equal((await shapes()).length, 0, 'back to nothing');
});

test('what gives no pieces is refused at its value, and nothing is stored', async () => {
	const at = (values: Record<string, string>, field: string, words: RegExp) =>
		assert.rejects(
			run(shapeCommands.addShape, { componentId: bracers, ...BAND, ...values }),
			(e: unknown) => e instanceof Refused && e.field === field && words.test(e.message)
		);
	await at({ 'value.gap': '20' }, 'value.gap', /nothing would be left/);
	await at({ 'value.height': '0' }, 'value.height', /Too small/);
	await at(
		{ 'value.upper': '1', 'follow.upper': 'forearmGirth' },
		'value.upper',
		/has not been measured yet/
	);
	// What cannot be read is told before anything runs.
	const unread = await w.errors(
		shapeCommands.addShape,
		{ componentId: bracers, ...BAND, 'value.upper': 'wide' },
		costume
	);
	assert.match(unread['value.upper']!, /is not a length/);
	await assert.rejects(
		run(shapeCommands.addShape, { componentId: '999', ...BAND }),
		(e) => e instanceof Absent
	);
	assert.equal((await shapes()).length, 0);
});

test('shapes travel in the costume file', async () => {
	await run(shapeCommands.addShape, { componentId: bracers, ...BAND, note: 'two halves' });
	const zip = await writeCostumeZip(w.db, costume, await loadWorkshop(w.db));
	assert.equal(readCostumeZip(zip).file.shapes[0]!.note, 'two halves');
	const { id } = await w.run<{ id: number }>(fileCommands.importCostume, {
		file: new File([zip as BlobPart], 'x.zip')
	});
	const there = (await loadMeasure(w.db, id)).shapes;
	const here = await shapes();
	assert.deepEqual(
		there.map((s) => [s.shaper, s.name, s.values, s.note]),
		here.map((s) => [s.shaper, s.name, s.values, s.note])
	);
	assert.notEqual(there[0]!.componentId, here[0]!.componentId);
});

const only = async () => (await shapes())[0]!;
const record = async () => (await loadRecord(w.db, costume))!;
const work = async (its: PieceOperation) => {
	const { id, version } = await only();
	return run(shapeCommands.workShape, {
		id: String(id),
		version: String(version),
		work: JSON.stringify(its)
	});
};

test('works are kept in order, taken out one by one, and undone back to nothing', async () => {
	for (const s of await shapes()) await run(shapeCommands.removeShape, { id: String(s.id) });
	const before = (await lastAction(w.db))!.id;
	await run(shapeCommands.addShape, { componentId: bracers, ...BAND });
	await work({ kind: 'split', piece: 0, from: [0.5, 0], to: [0.5, 1], allowance: 6, marks: 2 });
	await work({ kind: 'allowance', piece: 1, edges: [0], mm: 13, corner: 'miter' });
	assert.equal((await only()).works.length, 2);
	// The allowance is on the second part: without the split there is none.
	const { id, version } = await only();
	await assert.rejects(
		run(shapeCommands.unworkShape, { id: String(id), version: String(version), index: '0' }),
		(e: unknown) => e instanceof Refused && e.field === 'work' && /no piece 2 any more/.test(e.message)
	);
	await run(shapeCommands.unworkShape, { id: String(id), version: String(version), index: '1' });
	assert.deepEqual(
		(await only()).works.map((k) => k.kind),
		['split']
	);
	await assert.rejects(
		work({ kind: 'split', piece: 0, from: [2, 0] as never, to: [2, 1] as never, allowance: 0, marks: 0 })
	);
	while ((await lastAction(w.db))!.id > before) await w.undoLast();
	assert.equal((await shapes()).length, 0, 'back to nothing');
});

test('pieces drawn by hand replace the shape’s, are refused when they cross, and undo brings the shape back', async () => {
	await run(shapeCommands.addShape, { componentId: bracers, ...BAND });
	const shape = await only();
	const pieces = JSON.stringify([piece('plate', rectangle(120, 80))]);
	const draw = (text: string) =>
		run(shapeCommands.drawShape, { id: String(shape.id), version: String(shape.version), pieces: text });
	const crossed = JSON.stringify([
		piece(
			'bow',
			polygon([
				[0, 0],
				[10, 10],
				[10, 0],
				[0, 12]
			])
		)
	]);
	await assert.rejects(
		draw(crossed),
		(e: unknown) => e instanceof Refused && /crosses itself|clockwise/.test(e.message)
	);
	await assert.rejects(draw('[{"name":"x"}]'));
	assert.equal((await only()).drawn, null, 'nothing was stored');
	await draw(pieces);
	assert.equal((await only()).drawn![0]!.name, 'plate');
	await w.undoLast();
	assert.equal((await only()).drawn, null);
});

test('steps and materials follow a shape when asked, move with it, and keep their amounts when let go', async () => {
	for (const s of await shapes()) await run(shapeCommands.removeShape, { id: String(s.id) });
	const { id: materialId } = await run(materialCommands.addMaterial, {
		name: 'Foam 6 mm',
		family: 'foam',
		unit: 'sheet',
		packSize: '1',
		packPriceMinor: '10',
		supplier: '',
		leadDays: '0',
		stash: '0',
		stashNote: '',
		coatProduct: '',
		widthMm: '50',
		lengthMm: '100',
		thicknessMm: '0.6',
		gramsPerM2: '720'
	});
	await run(stepCommands.addStep, {
		componentId: bracers,
		name: 'cut',
		technique: 'cutFoam',
		phase: 'make',
		amount: '1 m',
		perCopy: 'on',
		setUpMinutes: '0',
		waitMinutes: '0',
		placeId: ''
	});
	const step = async () => (await record()).steps.find((s) => s.name === 'cut')!;
	const need = async () => (await record()).needs.find((n) => n.materialId === materialId);
	const values = {
		...BAND,
		'value.upper': '30',
		'value.lower': '30',
		'value.thickness': '0',
		'value.panels': '1'
	};
	// What it would move is shown before it is kept, and nothing is stored by looking.
	const context = await contextOf(w.db, w.db.folder, { costume: String(costume) });
	const given = { componentId: bracers, ...values, materialId: String(materialId), follow: 'on' };
	const input = shapeCommands.addShape.input(context).parse(given);
	const seen = await standingAsIf(w.db, costume, context.now, (tx) =>
		shapeCommands.addShape.run(tx, input, context)
	);
	assert.equal((await shapes()).length, 0);
	// A sheet for 300 × 180, twice, 1.3 times: 0.14 m² of 0.5 m²: one sheet of 10.
	assert.equal(seen!.after.totalMinor - seen!.before.totalMinor, 1000);
	await run(shapeCommands.addShape, given);
	const planned = (await plannedCostume(w.db, costume, context.now))!;
	assert.equal(planned.plan.handsOnLeft[1], seen!.after.handsOnMinutes);
	assert.equal(planned.plan.schedule.finish, seen!.after.finish);
	assert.notEqual(seen!.after.handsOnMinutes, seen!.before.handsOnMinutes);
	const near = (a: number, b: number) => assert.ok(Math.abs(a - b) < 1e-9, `${a}, not ${b}`);
	// What is typed for the thickness does not count beside the foam's own 6 mm.
	const wide = 300 + Math.PI * 6;
	near((await step()).amount, 2 * (wide + 180));
	near((await need())!.quantity, (2 * 1.3 * wide * 180) / 500_000);
	const { id, version } = await only();
	await run(shapeCommands.editShape, {
		...given,
		id: String(id),
		version: String(version),
		'value.height': '36'
	});
	near((await step()).amount, 2 * (wide + 360));
	near((await need())!.quantity, (2 * 1.3 * wide * 360) / 500_000);
	const { version: next } = await only();
	const { follow: _f, ...alone } = given;
	await run(shapeCommands.editShape, {
		...alone,
		id: String(id),
		version: String(next),
		'value.height': '10'
	});
	// Let go, it keeps what it had.
	near((await step()).amount, 2 * (wide + 360));
	assert.equal((await step()).fromPieces, false);
	await w.undoLast();
	await w.undoLast();
	near((await step()).amount, 2 * (wide + 180));
	await assert.rejects(
		run(materialCommands.removeMaterial, { id: String(materialId) }),
		(e: unknown) => e instanceof Refused && /in use/.test(e.message)
	);
});

test('a material whose size is told after the shape was kept counts at once, on Buy too', async () => {
	const cap = (await run(componentCommands.addComponent, { ...COMPONENT, name: 'Cap', code: '', form: '' }))
		.id;
	const foam = await w.run<{ id: number }>(materialCommands.addMaterial, {
		...MATERIAL,
		name: 'Grey foam',
		packPriceMinor: '20'
	});
	await run(shapeCommands.addShape, {
		componentId: String(cap),
		shaper: 'flatPanel',
		name: '',
		note: '',
		materialId: String(foam.id),
		follow: 'on',
		'value.top': '200mm',
		'value.bottom': '200mm',
		'value.height': '100mm',
		'value.corner': '0',
		'value.allowance': '0'
	});
	const needs = async () => (await record()).needs.filter((n) => n.materialId === foam.id);
	assert.deepEqual(await needs(), [], 'how much of a sheet that is, nobody can say yet');
	const { version } = (await loadWorkshop(w.db)).materials.find((m) => m.id === foam.id)!;
	await w.run(materialCommands.editMaterial, {
		...MATERIAL,
		name: 'Grey foam',
		packPriceMinor: '20',
		id: String(foam.id),
		version: String(version),
		widthMm: '500mm',
		lengthMm: '1000mm'
	});
	const [need] = await needs();
	// 200 × 100 mm × 1.3 for waste, of 500 × 1000 mm.
	assert.ok(Math.abs(need!.quantity - (200 * 100 * 1.3) / 500_000) < 1e-12, `${need!.quantity}`);
	const { materials } = await loadWorkshop(w.db);
	const line = shoppingLines(await record(), {
		materials: materials,
		handbook: [],
		settings: FIRST_SETTINGS
	}).find((l) => l.material.id === foam.id)!;
	assert.equal(line.short > 0, true);
	assert.equal(line.packsShort, 1);
	await w.undoLast();
	assert.deepEqual(await needs(), []);
});

test('the percentage of Resize is applied to a pattern that was brought in: once, whatever came before', async () => {
	const vest = (await run(componentCommands.addComponent, { ...COMPONENT, name: 'Vest', code: '', form: '' }))
		.id;
	const { id } = await run(shapeCommands.bringShape, {
		componentId: String(vest),
		origin: 'imported',
		name: 'bought vest',
		note: '',
		materialId: '',
		pieces: JSON.stringify([piece('back', rectangle(400, 500)), piece('front', rectangle(300, 500))])
	});
	const its = async () => (await shapes()).find((s) => s.id === id)!;
	const sizes = async () => {
		const component = (await record()).components.find((c) => c.id === vest)!;
		const done = shapeFor(await its(), { component, components: [component], wearers: [], materials: [] });
		assert.ok(done.ok);
		return done.value.pieces.map((p) => Math.round(sizesOfPiece(p).area));
	};
	const resize = async (width: string, height: string) =>
		run(shapeCommands.resizeShape, { id: String(id), version: String((await its()).version), width, height });
	await resize('1.1', '0.9');
	assert.deepEqual(await sizes(), [440 * 450, 330 * 450]);
	await resize('1.05', '1');
	assert.deepEqual(await sizes(), [420 * 500, 315 * 500], 'not resized twice');
	await w.undoLast();
	await w.undoLast();
	assert.deepEqual(await sizes(), [400 * 500, 300 * 500]);
});

test('what many shapes are cut from is chosen at once: needs of what follows its pieces come with it, one undo takes all back', async () => {
	const SHEET = { widthMm: '50', lengthMm: '100' };
	const { id: foam } = await run(materialCommands.addMaterial, { ...MATERIAL, ...SHEET, name: 'Table foam' });
	const { id: other } = await run(materialCommands.addMaterial, {
		...MATERIAL,
		...SHEET,
		name: 'Other foam'
	});
	const { id: greaves } = await run(componentCommands.addComponent, { ...COMPONENT, name: 'Greaves' });
	const first = await run(shapeCommands.addShape, { componentId: String(greaves), ...BAND, follow: 'on' });
	const second = await run(shapeCommands.addShape, { componentId: String(greaves), ...BAND, name: 'lining' });
	const cutFrom = async () =>
		(await shapes()).flatMap((s) => ([first.id, second.id].includes(s.id) ? [s.materialId] : []));
	await run(shapeCommands.cutShapes, {
		[`material.${first.id}`]: String(foam),
		[`material.${second.id}`]: String(other)
	});
	assert.deepEqual(await cutFrom(), [foam, other]);
	const needs = async () =>
		(await loadRecord(w.db, costume))!.needs
			.filter((n) => n.componentId === greaves)
			.map((n) => n.materialId);
	assert.deepEqual(await needs(), [foam, other]);
	await w.undoLast();
	assert.deepEqual(await cutFrom(), [null, null]);
	assert.deepEqual(await needs(), []);
	// What is not told stays; what is the same is nothing to do; what is no material is refused at its field.
	await run(shapeCommands.cutShapes, { [`material.${second.id}`]: String(other) });
	assert.deepEqual(await cutFrom(), [null, other]);
	await assert.rejects(run(shapeCommands.cutShapes, { [`material.${second.id}`]: String(other) }), Refused);
	await assert.rejects(
		run(shapeCommands.cutShapes, { [`material.${first.id}`]: '999999' }),
		(e: unknown) => e instanceof Refused && e.field === `material.${first.id}`
	);
	await run(shapeCommands.cutShapes, { [`material.${second.id}`]: '' });
	assert.deepEqual(await cutFrom(), [null, null]);
});
