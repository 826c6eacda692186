import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { assembledOf } from '$core/answers/assembled.ts';
import { standFor } from '$core/answers/stand.ts';
import type { Placement } from '$core/facts/placement.ts';
import { boxMesh } from '$core/engines/pattern/form.ts';
import { rectangle } from '$core/engines/pattern/sector.ts';
import { piece } from '$core/engines/pattern/piece.ts';
import { COMPONENT, COSTUME, testWorkshop, type TestWorkshop } from '$tests/support/workshop.ts';
import { readCostumeZip, writeCostumeZip } from '../costumeFile.ts';
import { loadRecord } from '../read/costume.ts';
import { loadMeasure } from '../read/measure.ts';
import { loadWorkshop } from '../read/workshop.ts';
import { assembledCommands } from './assembled.ts';
import type { Command } from './command.ts';
import { componentCommands } from './component.ts';
import { costumeCommands } from './costume.ts';
import { shapeCommands } from './shape.ts';
import { wearerCommands } from './wearer.ts';

let w: TestWorkshop;
let costume: number;
let wearerId: string;
let shape: string;
const run = (cmd: Command, values: Record<string, unknown>) => w.run<{ id: number }>(cmd, values, costume);
const fit = () => loadMeasure(w.db, costume);
const kept = async () => (await fit()).shapes.find((s) => String(s.id) === shape)!;
const sections = async () => (await fit()).wearers[0]!.sections;
const BOX = boxMesh(200, 300, 120);
const PLACE: Placement = { limb: 'trunk', way: 'on', level: 4.2, turn: 270, out: 10, tip: 0, spin: 90 };

before(async () => {
	w = await testWorkshop('2031-04-28T18:00');
	costume = (await w.run<{ id: number }>(costumeCommands.addCostume, COSTUME)).id;
	const pack = await run(componentCommands.addComponent, { ...COMPONENT, name: 'Pack', zones: ['back'] });
	wearerId = String((await run(wearerCommands.addWearer, { name: 'Ash', note: '' })).id);
	const brought = await run(shapeCommands.bringShape, {
		componentId: String(pack.id),
		origin: 'unfolded',
		name: 'shell',
		note: '',
		materialId: '',
		pieces: JSON.stringify([piece('side', rectangle(200, 300))]),
		kept: JSON.stringify(BOX)
	});
	shape = String(brought.id);
});
after(() => w.close());

test('what was unfolded is kept, stands on the wearer, is moved, put back, and each of it is undone', async () => {
	assert.deepEqual((await kept()).kept, BOX);
	const things = async () => {
		const record = (await loadRecord(w.db, costume))!;
		return assembledOf(record.components, await fit(), []).things;
	};
	assert.equal((await things()).length, 1);
	await run(assembledCommands.placeShape, { id: shape, placed: JSON.stringify(PLACE) });
	assert.deepEqual((await kept()).placed, PLACE);
	const [thing] = await things();
	// On the back: all of it behind the middle of the body.
	assert.ok(thing!.mesh.vertices.every((p) => p[2] < -30));
	await run(assembledCommands.placeShape, { id: shape, placed: 'null' });
	assert.equal((await kept()).placed, null);
	await w.undoLast();
	assert.deepEqual((await kept()).placed, PLACE);

	// It goes along in the costume's file, with the sections of the wearer.
	await run(wearerCommands.shapeSection, { wearerId, section: 'chest none', breadthToDepth: '1.5' });
	const { file } = readCostumeZip(await writeCostumeZip(w.db, costume, await loadWorkshop(w.db)));
	assert.deepEqual(file.shapes[0]!.placed, PLACE);
	assert.deepEqual(file.shapes[0]!.kept, BOX);
	assert.deepEqual(file.wearers[0]!.sections, { 'chest none': 1.5 });
});

test('a section is as wide by deep as somebody said, or as usual', async () => {
	const ratio = async () => {
		const [wearer] = (await fit()).wearers;
		const chest = standFor(wearer!).limbs[0]!.sections.find((s) => s.level.name === 'chest')!;
		return chest.wide / chest.deep;
	};
	await run(wearerCommands.shapeSection, { wearerId, section: 'chest none', breadthToDepth: '1.5' });
	assert.ok(Math.abs((await ratio()) - 1.5) < 1e-9);
	await run(wearerCommands.shapeSection, { wearerId, section: 'chest none', breadthToDepth: '' });
	assert.deepEqual(await sections(), {});
	assert.ok(Math.abs((await ratio()) - 1.2) < 1e-9, 'as usual');
});

test('measures and forms off a scan are taken at once; what cannot be is refused, and nothing of it is kept', async () => {
	const take = (...taken: { key: string; mm: number; breadthToDepth: number | null }[]) =>
		run(wearerCommands.takeScan, { wearerId, takenOn: '2031-04-28', taken: JSON.stringify(taken) });
	await take(
		{ key: 'chestGirth none', mm: 941.3, breadthToDepth: 1.42 },
		{ key: 'thighGirth left', mm: 560, breadthToDepth: null }
	);
	const [wearer] = (await fit()).wearers;
	assert.deepEqual(
		wearer!.measures.map((m) => [m.measure, m.side, m.mm, m.note]),
		[['chestGirth', 'none', 941.3, 'from a scan'], ['thighGirth', 'left', 560, 'from a scan']] // prettier-ignore
	);
	assert.deepEqual(await sections(), { 'chest none': 1.42 });
	await assert.rejects(take({ key: 'hipGirth none', mm: 1000, breadthToDepth: 1 }, { key: 'waistGirth none', mm: 12, breadthToDepth: 1 }), /waist/); // prettier-ignore
	assert.equal((await fit()).wearers[0]!.measures.length, 2);
	assert.match((await w.errors(wearerCommands.takeScan, { wearerId, takenOn: '2031-04-28', taken: '[]' }, costume)).taken ?? '', /Press on the scan/); // prettier-ignore
	await w.undoLast();
	assert.deepEqual(await sections(), {});
});

test('bad places and forms are refused in words; a shape of another costume is not there', async () => {
	const errors = (cmd: Command, values: Record<string, unknown>) => w.errors(cmd, values, costume);
	const { placeShape } = assembledCommands;
	assert.match((await errors(placeShape, { id: shape, placed: 'there' })).placed ?? '', /Say where/);
	assert.ok(
		(await errors(placeShape, { id: shape, placed: JSON.stringify({ ...PLACE, level: 99 }) })).placed
	);
	assert.ok(
		(await errors(placeShape, { id: shape, placed: JSON.stringify({ ...PLACE, limb: 'tail' }) })).placed
	);
	const other = (await w.run<{ id: number }>(costumeCommands.addCostume, { ...COSTUME, name: 'Other' })).id;
	await assert.rejects(w.run(placeShape, { id: shape, placed: JSON.stringify(PLACE) }, other), /shape/);
	const bent = { vertices: BOX.vertices.slice(0, 3), faces: [[0, 1, 7]] };
	assert.ok((await errors(shapeCommands.bringShape, { componentId: '1', origin: 'unfolded', name: '', note: '', materialId: '', pieces: '[]', kept: JSON.stringify(bent) })).kept); // prettier-ignore
	assert.match((await errors(wearerCommands.shapeSection, { wearerId, section: 'chest none', breadthToDepth: '9' })).breadthToDepth ?? '', /At most 4/); // prettier-ignore
});
