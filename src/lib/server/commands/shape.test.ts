import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { COMPONENT, testWorkshop, type TestWorkshop } from '../../../../tests/support/workshop.ts';
import { readCostumeZip, writeCostumeZip } from '../costumeFile.ts';
import { Absent, Refused, Stale } from '../db/rows.ts';
import { lastAction, undo } from '../db/undo.ts';
import { loadRecord } from '../read/costume.ts';
import { loadMeasure } from '../read/measure.ts';
import { loadWorkshop } from '../read/workshop.ts';
import type { Command } from './command.ts';
import { componentCommands } from './component.ts';
import { costumeCommands } from './costume.ts';
import { fileCommands } from './file.ts';
import { shapeCommands } from './shape.ts';

let w: TestWorkshop;
let costume: number;
let bracers: string;
const run = (cmd: Command, values: Record<string, unknown>) => w.run<{ id: number }>(cmd, values, costume);
const shapes = async () => (await loadMeasure(w.db, costume)).shapes;
const undoLast = async () => undo(w.db, (await lastAction(w.db))!.id);
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
	w = await testWorkshop();
	const made = await w.run<{ id: number }>(costumeCommands.addCostume, {
		name: 'Reed singer',
		wearer: 'Tam',
		eventName: '',
		eventAt: '2099-05-16T09:00',
		limit: '',
		currency: 'EUR'
	});
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
	await undoLast();
	assert.equal((await shapes())[0]!.values.panels, 2);
	await run(shapeCommands.removeShape, { id: String(id) });
	assert.equal((await shapes()).length, 0);
	await undoLast();
	assert.equal((await shapes()).length, 1);
	await undoLast();
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
	const zip = await writeCostumeZip(w.db, (await loadRecord(w.db, costume))!, await loadWorkshop(w.db));
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
