import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { COSTUME_VERSION } from '$core/formats/costumeFile/costumeFile.ts';
import { zipSync } from 'fflate';
import sharp from 'sharp';
import { COSTUME, COMPONENT, MATERIAL, testWorkshop, type TestWorkshop } from '$tests/support/workshop.ts';
import { writeBackup } from '../backup.ts';
import { restoreBackup } from '../restore.ts';
import { coatCommands } from './coat.ts';
import { componentCommands } from './component.ts';
import { costumeCommands } from './costume.ts';
import { fileCommands } from './file.ts';
import { faultCommands } from './fault.ts';
import { logCommands } from './log.ts';
import { materialCommands } from './material.ts';
import { pasteCommands } from './paste.ts';
import { photoCommands } from './photo.ts';
import { purchaseCommands } from './purchase.ts';
import { stepCommands } from './step.ts';
import { costumeFileOf, readCostumeZip, writeCostumeZip } from '../costumeFile.ts';
import { Refused, Stale } from '../db/rows.ts';
import { lastAction, lastUndo, previewUndo, undo } from '../db/undo.ts';
import { loadRecord } from '../read/costume.ts';
import { loadWorkshop } from '../read/workshop.ts';
import { MOST_BYTES } from '../pictures.ts';

let w: TestWorkshop;
let costume: number;

before(async () => {
	w = await testWorkshop('2031-04-28T18:00');
	costume = (
		await w.run(costumeCommands.addCostume, {
			...COSTUME,
			name: 'Lantern warden',
			wearer: 'Ona',
			eventName: 'Harbour night',
			limit: '250'
		})
	).id;
});
after(() => w.close());

const record = async (id = costume) => (await loadRecord(w.db, id))!;
/** Everything but the counters of writes, for comparing before and after. */
const snapshot = async () =>
	JSON.stringify(await record(), (key, value) => (key === 'version' ? undefined : value));
const refused = (pattern: RegExp) => (error: unknown) =>
	error instanceof Refused && pattern.test(error.message);

async function addComponent(values: Record<string, unknown> = {}) {
	return (await w.run(componentCommands.addComponent, { ...COMPONENT, ...values }, costume)).id;
}

test('a write outside an action is refused by the database itself', async () => {
	await assert.rejects(w.db.query(`update costume set name = 'x'`), /outside an action/);
});

test('a component with a route gets its steps, its coats as steps, and its time from pair and count', async () => {
	const id = await addComponent({ name: 'Bracer', side: 'pair', count: '1' });
	const r = await record();
	const steps = r.steps.filter((s) => s.componentId === id);
	assert.deepEqual(
		steps.slice(0, 4).map((s) => s.name),
		['pattern', 'mock-up', 'trace and label', 'cut']
	);
	assert.deepEqual(
		steps.filter((s) => s.coatId !== null).map((s) => s.name),
		[
			'filler primer, coat 1 of 2',
			'filler primer, coat 2 of 2',
			'acrylic spray, coat 1 of 2',
			'acrylic spray, coat 2 of 2',
			'clear spray, coat 1 of 2',
			'clear spray, coat 2 of 2'
		]
	);
	assert.deepEqual(
		steps.map((s) => s.position),
		steps.map((_, i) => i)
	);
});

test('undo takes the last action back whole, and redo brings it again', async () => {
	const start = await snapshot();
	await addComponent({ name: 'Gorget' });
	const added = await snapshot();
	await w.undoLast();
	assert.equal(await snapshot(), start);
	await undo(w.db, (await lastUndo(w.db))!.id);
	assert.equal(await snapshot(), added);
});

test('removing a component with parts comes back with everything that hung on it', async () => {
	const parent = await addComponent({ name: 'Helmet' });
	await addComponent({ name: 'Visor', parentId: String(parent) });
	const cut = (await record()).steps.find((s) => s.componentId === parent && s.name === 'cut')!;
	await w.run(
		logCommands.logWork,
		{
			stepId: String(cut.id),
			makerId: '1',
			endedAt: '2020-01-01T12:00',
			minutes: '1h20',
			note: 'fresh blade',
			finish: 'on'
		},
		costume
	);
	const full = await snapshot();
	await w.run(componentCommands.removeComponent, { id: String(parent) }, costume);
	assert.equal(
		(await record()).components.some((c) => c.name === 'Visor'),
		false
	);
	await w.undoLast();
	assert.equal(await snapshot(), full);
});

test('undoing an older action says which later ones go with it, and takes them too', async () => {
	const id = await addComponent({ name: 'Belt' });
	const added = (await lastAction(w.db))!;
	const belt = (await record()).components.find((c) => c.id === id)!;
	await w.run(
		componentCommands.editComponent,
		{ ...COMPONENT, id: String(id), version: String(belt.version), name: 'Wide belt' },
		costume
	);
	const preview = await previewUndo(w.db, added.id);
	assert.deepEqual(
		preview.later.map((a) => a.words),
		[`Changed ${belt.code} Wide belt`]
	);
	assert.ok(preview.changes.some((c) => c.tableName === 'component' && c.after === null));
	assert.ok(
		(await record()).components.some((c) => c.id === id),
		'a preview changes nothing'
	);
	await undo(w.db, added.id);
	assert.equal(
		(await record()).components.some((c) => c.id === id),
		false
	);
	await assert.rejects(undo(w.db, added.id), refused(/already undone/));
});

test('two tabs: the second is told, with the row as the first left it', async () => {
	const id = await addComponent({ name: 'Cape' });
	const { version } = (await record()).components.find((c) => c.id === id)!;
	const edit = (name: string) =>
		w.run(
			componentCommands.editComponent,
			{ ...COMPONENT, id: String(id), version: String(version), name },
			costume
		);
	await edit('Storm cape');
	await assert.rejects(edit('Sea cape'), (e) => e instanceof Stale && e.current.name === 'Storm cape');
	assert.equal((await record()).components.find((c) => c.id === id)!.name, 'Storm cape');
});

test('bad input is told at its field', async () => {
	const step = (values: object) =>
		w.errors(
			stepCommands.addStep,
			{
				componentId: '1',
				name: 'x',
				technique: 'cutFoam',
				phase: 'make',
				amount: '1 m',
				setUpMinutes: '0',
				waitMinutes: '0',
				...values
			},
			costume
		);
	assert.match((await step({ amount: '5 1/' })).amount!, /not a length/);
	assert.match((await step({ amount: '-3 cm' })).amount!, /less than zero/);
	assert.match((await step({ amount: 'NaN' })).amount!, /not a length/);
	assert.match((await step({ amount: '99999 m' })).amount!, /Too large/);
	assert.match((await step({ name: '  ' })).name!, /Needs a name/);
	assert.match((await step({ waitMinutes: 'soon' })).waitMinutes!, /not a length of time/);
	const costumeErrors = await w.errors(costumeCommands.addCostume, {
		name: 'x',
		eventAt: '2099-02-30T09:00',
		limit: '1.234',
		currency: 'EUR'
	});
	assert.match(costumeErrors.eventAt!, /do not exist|not a date and time/);
	assert.match(
		(
			await w.errors(costumeCommands.addCostume, {
				name: 'x',
				eventAt: '2099-02-28T09:00',
				limit: '1.234',
				currency: 'EUR'
			})
		).limit!,
		/smallest coin/
	);
});

test('a circle of steps is refused with the names, and nothing is stored', async () => {
	const [a, b] = [await addComponent({ name: 'First' }), await addComponent({ name: 'Second' })];
	const r = await record();
	const last = (id: number) => r.steps.filter((s) => s.componentId === id).at(-1)!;
	const first = (id: number) => r.steps.find((s) => s.componentId === id)!;
	await w.run(stepCommands.addStepAfter, { id: String(first(b).id), afterId: String(last(a).id) }, costume);
	const before = await snapshot();
	await assert.rejects(
		w.run(stepCommands.addStepAfter, { id: String(first(a).id), afterId: String(last(b).id) }, costume),
		refused(/circle: pattern ← /)
	);
	assert.equal(await snapshot(), before);
});

test('moving: into another, not into itself', async () => {
	const [outer, inner] = [await addComponent({ name: 'Outer' }), await addComponent({ name: 'Inner' })];
	await w.run(
		componentCommands.moveComponent,
		{ id: String(inner), parentId: String(outer), index: '0' },
		costume
	);
	assert.equal((await record()).components.find((c) => c.id === inner)!.parentId, outer);
	await assert.rejects(
		w.run(
			componentCommands.moveComponent,
			{ id: String(outer), parentId: String(inner), index: '0' },
			costume
		),
		refused(/part of itself/)
	);
});

test('coats: changing the stack keeps what is on; a coat too early or in the forbidden window is warned of', async () => {
	const id = await addComponent({ name: 'Shield', route: '' });
	await w.run(
		coatCommands.addCoat,
		{ componentId: String(id), product: 'enamelSpray', coats: '3', area: '0.2 m2' },
		costume
	);
	const steps = async () => (await record()).steps.filter((s) => s.componentId === id);
	const [one, two] = await steps();
	await w.run(stepCommands.finishStep, { id: String(one!.id), at: '2020-03-01T12:00' }, costume);
	const second = (at: string, anyway?: string) =>
		w.run(stepCommands.finishStep, { id: String(two!.id), at, ...(anyway ? { anyway } : {}) }, costume);
	await assert.rejects(second('2020-03-01T12:05'), refused(/Too early.*12:15/));
	await assert.rejects(
		second('2020-03-02T12:00'),
		refused(/forbidden recoat window since Sun 1 Mar 13:00.*Tue 3 Mar 12:00/)
	);
	await second('2020-03-01T12:40');
	const coat = (await record()).coats.find((c) => c.componentId === id)!;
	await w.run(
		coatCommands.editCoat,
		{ id: String(coat.id), version: String(coat.version), coats: '4', area: '0.3 m2' },
		costume
	);
	const now = await steps();
	assert.deepEqual(
		now.map((s) => s.doneAt !== null),
		[true, true, false, false]
	);
	assert.deepEqual(
		now.map((s) => s.amount),
		[200_000, 200_000, 300_000, 300_000].map((a) => a)
	);
	assert.equal(now[3]!.waitMinutes, 24 * 60, 'the last coat waits for handling');
	assert.equal(now[2]!.waitMinutes, 15);
});

test('money and deleting what others use', async () => {
	const id = await addComponent({ name: 'Pauldron', route: '' });
	const material = (await w.run(materialCommands.addMaterial, MATERIAL)).id;
	await w.run(
		purchaseCommands.addNeed,
		{ componentId: String(id), materialId: String(material), quantity: '2.5', stepId: '' },
		costume
	);
	await w.run(purchaseCommands.planShort, { materialId: String(material) }, costume);
	const bought = (await record()).purchases.filter((p) => p.materialId === material);
	assert.deepEqual(
		bought.map((p) => [p.packs, p.packPriceMinor, p.state]),
		[[3, 1450, 'planned']]
	);
	await assert.rejects(
		w.run(materialCommands.removeMaterial, { id: String(material) }),
		refused(/in use in Lantern warden/)
	);
	await w.run(purchaseCommands.setPurchaseState, { id: String(bought[0]!.id), state: 'ordered' }, costume);
	assert.notEqual((await record()).purchases.find((p) => p.id === bought[0]!.id)!.dueOn, null);
});

test('a fault brings its cure as steps', async () => {
	const id = await addComponent({ name: 'Greave', route: '' });
	await w.run(
		faultCommands.addFault,
		{
			componentId: String(id),
			symptom: 'strap torn out',
			cause: 'bare foam',
			cure: 'patch',
			occasion: 'test wear',
			happenedAt: '2020-01-01T10:00',
			minutesLost: '20m',
			cameBackOf: ''
		},
		costume
	);
	const r = await record();
	const fault = r.faults.find((f) => f.componentId === id)!;
	assert.deepEqual(
		r.steps.filter((s) => s.faultId === fault.id).map((s) => s.name),
		['glue cloth patch inside', 're-rivet strap']
	);
});

const photo = async (name: string, data: Uint8Array) =>
	w.run(
		photoCommands.addPhoto,
		{ photo: new File([data as BlobPart], name), componentId: '', stepId: '', faultId: '', caption: '' },
		costume
	);

test('pictures: place stripped, turned upright; text, SVG and giants refused', async () => {
	const jpeg = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#a52' } })
		.withMetadata({ orientation: 6 })
		.withExif({ IFD0: { Copyright: 'secret place' }, IFD3: { GPSLatitude: '51/1 30/1 0/1' } })
		.jpeg()
		.toBuffer();
	assert.ok(jpeg.includes('secret place'));
	await photo('a.jpg', jpeg);
	const stored = (await record()).photos[0]!;
	assert.deepEqual([stored.width, stored.height, stored.mime], [40, 60, 'image/jpeg']);
	const { readStored } = await import('../pictures.ts');
	const bytes = await readStored(w.folder, stored.hash);
	assert.equal(bytes.includes('secret place'), false);
	assert.equal((await sharp(bytes).metadata()).exif, undefined);
	await assert.rejects(photo('b.png', Buffer.from('just text')), refused(/not a JPEG, PNG or WebP/));
	await assert.rejects(
		photo('c.png', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>')),
		refused(/not a JPEG/)
	);
	await assert.rejects(photo('d.jpg', Buffer.alloc(MOST_BYTES + 1)), refused(/at most 20 MB/));
	await assert.rejects(photo('e.jpg', jpeg.subarray(0, 200)), refused(/damaged/));
});

test('costume file: out and in again is the same costume', async () => {
	const zip = await writeCostumeZip(w.db, costume, await loadWorkshop(w.db));
	const { id } = await w.run(fileCommands.importCostume, { file: new File([zip as BlobPart], 'x.zip') });
	const workshop = await loadWorkshop(w.db);
	const plain = async (costumeId: number) => {
		const file = await costumeFileOf(w.db, costumeId, workshop);
		// Ids are the file's own and order rows of different components; pictures are encoded anew.
		const bare = (rows: unknown) =>
			JSON.stringify(rows, (key, value) =>
				/^id$|Id$|^after$|^hash$|cameBackOf/.test(key) ? undefined : value
			);
		return Object.values(file).map((part) => (Array.isArray(part) ? part.map(bare).sort() : bare(part)));
	};
	assert.deepEqual(await plain(id), await plain(costume));
	await w.run(costumeCommands.removeCostume, { id: String(id) });
});

test('costume files from elsewhere are refused with the reason, and nothing is changed', async () => {
	const good = readCostumeZip(await writeCostumeZip(w.db, costume, await loadWorkshop(w.db))).file;
	const pack = (file: unknown) => zipSync({ 'costume.json': Buffer.from(JSON.stringify(file)) });
	const before = await w.db.query('select count(*) as n from costume');
	const tryIt = (data: Uint8Array) =>
		w.run(fileCommands.importCostume, { file: new File([data as BlobPart], 'x.zip') });
	await assert.rejects(
		tryIt(pack({ ...good, version: COSTUME_VERSION + 1 })),
		refused(/newer Dapper Ledger/)
	);
	await assert.rejects(tryIt(pack({ ...good, format: 'other' })), refused(/not a costume file/));
	await assert.rejects(tryIt(pack({ ...good, surprise: 1 })), refused(/wrong field/));
	await assert.rejects(
		tryIt(pack({ ...good, components: [{ ...good.components[0], kind: 'hat' }] })),
		refused(/components\.0\.kind/)
	);
	await assert.rejects(
		tryIt(pack({ ...good, steps: [{ ...good.steps[0], componentId: 99999 }] })),
		refused(/leads nowhere/)
	);
	const whole = await writeCostumeZip(w.db, costume, await loadWorkshop(w.db));
	await assert.rejects(tryIt(whole.subarray(0, whole.length - 300)), refused(/damaged or cut off/));
	await assert.rejects(tryIt(Buffer.from('hello')), refused(/./));
	const bomb = zipSync({ 'costume.json': new Uint8Array(100 * 1024 * 1024) }, { level: 9 });
	assert.ok(bomb.length < 2_000_000, 'small outside, huge inside');
	await assert.rejects(tryIt(bomb), refused(/larger than 64 MB/));
	assert.deepEqual((await w.db.query('select count(*) as n from costume')).rows, before.rows);
});

test('a copy starts anew: same breakdown, nothing done or bought', async () => {
	const { id } = await w.run(fileCommands.copyCostume, {
		id: String(costume),
		name: 'Second warden',
		eventAt: '2099-09-01T09:00'
	});
	const [copy, source] = [await record(id), await record()];
	assert.equal(copy.components.length, source.components.length);
	assert.ok(copy.steps.length > 0 && copy.steps.every((s) => s.doneAt === null));
	assert.equal(copy.purchases.length + copy.faults.length + copy.logs.length, 0);
	await w.run(costumeCommands.removeCostume, { id: String(id) });
});

test('pasted rows: all come with their parts and routes, or none with the row and column named', async () => {
	const { id } = await w.run(costumeCommands.addCostume, {
		name: 'Pasted',
		wearer: '',
		eventName: '',
		eventAt: '2099-05-16T09:00',
		limit: '',
		currency: 'EUR'
	});
	const paste = (rows: string) => w.run(pasteCommands.pasteComponents, { rows }, id);
	await paste(
		'component\tlayer\tzones\troute\tpart of\nHelmet\t3\thead\tfoam plate\t\nVisor\t\tface; head\t\tHelmet'
	);
	const { components, steps } = await record(id);
	assert.deepEqual(components.map((c) => [c.code, c.name, c.layer, c.zones.join()]).sort(), [
		['A-01', 'Helmet', 3, 'head'],
		['A-02', 'Visor', 1, 'face,head']
	]);
	assert.equal(
		components.find((c) => c.name === 'Visor')!.parentId,
		components.find((c) => c.name === 'Helmet')!.id
	);
	assert.equal(steps.length, 20);
	await assert.rejects(
		paste('name,layer\nBelt,2\nSash,minus'),
		refused(/Row 3, layer: “minus” is not a number/)
	);
	await assert.rejects(
		w.run(pasteCommands.pasteMaterials, { rows: 'material,family\nCalico,cloth hall' }),
		refused(/Row 2, family: “cloth hall” is none of foam, cloth, hair/)
	);
	await assert.rejects(
		paste('name,zones\nBelt,"waist, elbow-ish"'),
		refused(/Row 2, zones: “elbow-ish” is none of /)
	);
	await assert.rejects(paste('name,colour\nBelt,red'), refused(/No column is called “colour”/));
	await assert.rejects(paste('name,part of\nPeak,Hat'), refused(/no component “Hat”/));
	assert.equal((await record(id)).components.length, 2);
	await w.run(costumeCommands.removeCostume, { id: String(id) });
});

test('backup and restore bring everything back, History included', async () => {
	const backup = await writeBackup(w.db);
	const before = await snapshot();
	await w.run(costumeCommands.removeCostume, { id: String(costume) });
	assert.equal(await loadRecord(w.db, costume), null);
	await restoreBackup(w.db, backup);
	assert.equal(await snapshot(), before);
	await addComponent({ name: 'After the restore' });
	await w.undoLast();
	assert.equal(await snapshot(), before);
	await assert.rejects(
		restoreBackup(w.db, zipSync({ 'backup.json': Buffer.from('{"format":"x"}') })),
		refused(/wrong field/)
	);
	assert.equal(await snapshot(), before);
});
