import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { COMPONENT, MATERIAL, testWorkshop, type TestWorkshop } from '$tests/support/workshop.ts';
import { dayOf, formatLocalTime } from '../../../core/units/localTime.ts';
import { clock } from '../clock.ts';
import { Absent, Refused, Stale } from '../db/rows.ts';
import { lastAction } from '../db/undo.ts';
import { loadRecord } from '../read/costume.ts';
import { loadMaterials, loadWorkshop } from '../read/workshop.ts';
import { coatCommands } from './coat.ts';
import { componentCommands } from './component.ts';
import { costumeCommands } from './costume.ts';
import { daysOffCommands } from './daysOff.ts';
import { faultCommands } from './fault.ts';
import { formValues } from './formValues.ts';
import { logCommands, runningLogs } from './log.ts';
import { materialCommands } from './material.ts';
import { purchaseCommands } from './purchase.ts';
import { stepCommands } from './step.ts';
import { workshopCommands } from './workshop.ts';

let w: TestWorkshop;
let costume: number;

before(async () => {
	w = await testWorkshop('2031-04-28T18:00');
	costume = (await w.run(costumeCommands.addCostume, NEW_COSTUME)).id;
});
after(() => w.close());

const NEW_COSTUME = {
	name: 'Reed singer',
	wearer: 'Tam',
	eventName: 'Pageant',
	eventAt: '2099-05-16T09:00',
	limit: '',
	currency: 'EUR'
};
const record = async (id = costume) => (await loadRecord(w.db, id))!;
const refused = (pattern: RegExp) => (error: unknown) =>
	error instanceof Refused && pattern.test(error.message);
const absent = (error: unknown) => error instanceof Absent;
const said = async () => (await lastAction(w.db))!.words;
const ago = (minutes: number) => formatLocalTime(clock() - minutes);

const add = async (values: Record<string, unknown> = {}) =>
	(await w.run(componentCommands.addComponent, { ...COMPONENT, route: '', ...values }, costume)).id;
const STEP = {
	name: 'cut',
	technique: 'cutFoam',
	phase: 'make',
	amount: '1 m',
	setUpMinutes: '0',
	waitMinutes: '0',
	placeId: '',
	faultId: ''
};
const addStep = async (componentId: number, values: Record<string, unknown> = {}) =>
	(await w.run(stepCommands.addStep, { ...STEP, componentId: String(componentId), ...values }, costume)).id;
const stepOf = async (id: number) => (await record()).steps.find((s) => s.id === id)!;

test('a costume: changed, archived, restored, removed; its limit may be taken away again', async () => {
	const { id } = await w.run(costumeCommands.addCostume, { ...NEW_COSTUME, name: 'Second', limit: '12,50' });
	const read = async () => (await record(id)).costume;
	assert.deepEqual(
		[(await read()).limitMinor, (await read()).bufferDays, (await read()).split],
		[1250, 2, 'windows']
	);
	const edit = (values: object) =>
		w.run(
			costumeCommands.editCostume,
			{
				name: 'Second',
				wearer: '',
				eventName: '',
				eventAt: '2099-06-01T10:00',
				bufferDays: '3',
				limitMinor: '',
				split: 'anywhere',
				note: 'x',
				stashAtCost: 'on',
				...values
			},
			id
		);
	await edit({ version: String((await read()).version) });
	const changed = await read();
	assert.deepEqual(
		[changed.limitMinor, changed.bufferDays, changed.split, changed.stashAtCost],
		[null, 3, 'anywhere', true]
	);
	await assert.rejects(edit({ version: '1' }), (e) => e instanceof Stale);
	await w.run(costumeCommands.archiveCostume, { id: String(id) });
	assert.notEqual((await read()).archivedAt, null);
	await w.run(costumeCommands.restoreCostume, { id: String(id) });
	assert.equal((await read()).archivedAt, null);
	await w.run(costumeCommands.removeCostume, { id: String(id) });
	assert.equal(await said(), 'Removed costume Second');
	await assert.rejects(w.run(costumeCommands.archiveCostume, { id: String(id) }), absent);
});

test('a costume’s event lies ahead, its limit is read in its own currency', async () => {
	await assert.rejects(
		w.run(costumeCommands.addCostume, { ...NEW_COSTUME, eventAt: '2001-01-01T10:00' }),
		refused(/lies in the past/)
	);
	assert.match(
		(await w.errors(costumeCommands.addCostume, { ...NEW_COSTUME, limit: '10.50', currency: 'JPY' })).limit!,
		/smallest coin/
	);
	assert.deepEqual(
		await w.errors(costumeCommands.addCostume, { ...NEW_COSTUME, limit: '10.500', currency: 'KWD' }),
		{}
	);
	assert.ok((await w.errors(costumeCommands.addCostume, { ...NEW_COSTUME, currency: 'XXX' })).currency);
	assert.ok((await w.errors(costumeCommands.addCostume, { ...NEW_COSTUME, name: 'x'.repeat(121) })).name);
});

test('codes are given by kind, kept apart, and refused twice', async () => {
	const a = await add({ kind: 'wig', name: 'One' });
	const b = await add({ kind: 'wig', name: 'Two', code: 'CROWN' });
	const codes = (await record()).components.filter((c) => [a, b].includes(c.id)).map((c) => c.code);
	assert.deepEqual(codes, ['W-01', 'CROWN']);
	await assert.rejects(add({ code: 'CROWN' }), refused(/already on another component/));
	const { version } = (await record()).components.find((c) => c.id === b)!;
	const edit = (code: string) =>
		w.run(
			componentCommands.editComponent,
			{ ...COMPONENT, id: String(b), version: String(version), kind: 'wig', code },
			costume
		);
	await assert.rejects(edit('W-01'), refused(/W-01 is already/));
	await edit('');
	assert.equal(
		(await record()).components.find((c) => c.id === b)!.code,
		'CROWN',
		'an empty code keeps the old one'
	);
});

test('bad values of a component, each told at its field', async () => {
	const errors = (values: object) =>
		w.errors(componentCommands.addComponent, { ...COMPONENT, ...values }, costume);
	assert.match((await errors({ layer: '-1' })).layer!, /At least 0/);
	assert.match((await errors({ count: '0' })).count!, /At least 1/);
	assert.match((await errors({ count: '1.5' })).count!, /Whole numbers/);
	assert.match((await errors({ count: '99999999999999999999' })).count!, /At most 1000/);
	assert.match((await errors({ kind: 'hat' })).kind!, /Choose one/);
	assert.ok((await errors({ zones: ['elbow'] })).zones);
	assert.ok((await errors({ route: 'magic' })).route);
	assert.match((await errors({ name: '\u0000\u0007 ' })).name!, /Needs a name/);
	await assert.rejects(add({ parentId: '999999' }), absent);
});

test('components of another costume are out of reach', async () => {
	const other = (await w.run(costumeCommands.addCostume, { ...NEW_COSTUME, name: 'Other' })).id;
	const mine = await add();
	const step = await addStep(mine);
	await assert.rejects(w.run(componentCommands.removeComponent, { id: String(mine) }, other), absent);
	await assert.rejects(w.run(stepCommands.removeStep, { id: String(step) }, other), absent);
	await assert.rejects(w.run(stepCommands.addStep, { ...STEP, componentId: String(mine) }, other), absent);
	await assert.rejects(w.run(faultCommands.removeFault, { id: '1' }, other), absent);
	await w.run(costumeCommands.removeCostume, { id: String(other) });
});

test('steps: amounts in the technique’s own measure, exact in the store', async () => {
	const id = await add();
	const amounts = async (values: Record<string, unknown>) => (await stepOf(await addStep(id, values))).amount;
	assert.equal(await amounts({ technique: 'cutFoam', amount: '1 1/2 yd' }), 1371.6);
	assert.equal(
		await amounts({ technique: 'cutFoam', amount: '2.5' }),
		2500,
		'a bare length is in metres, as cloth is'
	);
	assert.equal(await amounts({ technique: 'brush', amount: '30cm x 20cm' }), 60_000);
	assert.equal(await amounts({ technique: 'heatShape', amount: '7' }), 7);
	const errors = (values: object) =>
		w.errors(stepCommands.addStep, { ...STEP, componentId: String(id), ...values }, costume);
	assert.match((await errors({ technique: 'brush', amount: '3 kg' })).amount!, /not an area/);
	assert.match((await errors({ technique: 'heatShape', amount: '-2' })).amount!, /less than zero/);
	assert.match((await errors({ technique: 'heatShape', amount: '1000000' })).amount!, /Too large/);
	assert.match((await errors({ technique: 'heatShape', amount: 'some' })).amount!, /not a number/);
	assert.ok((await errors({ technique: 'knitting' })).technique);
	assert.match((await errors({ setUpMinutes: '-5m' })).setUpMinutes!, /less than zero/);
});

test('steps: edited, moved, removed; marks are kept', async () => {
	const id = await add();
	const ids = [];
	for (const name of ['one', 'two', 'three']) ids.push(await addStep(id, { name }));
	const order = async () => (await record()).steps.filter((s) => s.componentId === id).map((s) => s.name);
	await w.run(stepCommands.moveStep, { id: String(ids[2]), index: '0' }, costume);
	assert.deepEqual(await order(), ['three', 'one', 'two']);
	await w.run(stepCommands.moveStep, { id: String(ids[2]), index: '99' }, costume);
	assert.deepEqual(await order(), ['one', 'two', 'three'], 'past the end is the end');
	const { version } = await stepOf(ids[0]!);
	await w.run(
		stepCommands.editStep,
		{
			...STEP,
			id: String(ids[0]),
			version: String(version),
			name: 'cement',
			oneSitting: 'on',
			needsHelper: 'on',
			placeId: '1',
			waitMinutes: '1 d'
		},
		costume
	);
	const edited = await stepOf(ids[0]!);
	assert.deepEqual(
		[edited.name, edited.oneSitting, edited.needsHelper, edited.perCopy, edited.placeId, edited.waitMinutes],
		['cement', true, true, false, 1, 1440]
	);
	await assert.rejects(
		w.run(stepCommands.editStep, { ...STEP, id: String(ids[0]), version: String(version) }, costume),
		(e) => e instanceof Stale
	);
	await w.run(stepCommands.removeStep, { id: String(ids[1]) }, costume);
	assert.deepEqual(await order(), ['cement', 'three']);
});

test('a place that open steps need stays; the last maker stays', async () => {
	const id = await add();
	const step = await addStep(id, { placeId: '1' });
	await assert.rejects(
		w.run(workshopCommands.removePlace, { id: '1' }),
		refused(/open steps? needs? Spray place/)
	);
	await w.run(stepCommands.removeStep, { id: String(step) }, costume);
	await w.run(workshopCommands.addPlace, { name: 'Yard', capacity: '2' });
	const yard = (await loadWorkshop(w.db)).places.find((p) => p.name === 'Yard')!;
	await w.run(workshopCommands.removePlace, { id: String(yard.id) });
	await w.run(workshopCommands.removeMaker, { id: '2' });
	await assert.rejects(w.run(workshopCommands.removeMaker, { id: '1' }), refused(/last maker stays/));
});

test('a place in the open: daylight, dry weather, closed days; too wet today closes it and undo opens it', async () => {
	const yard = async () => (await loadWorkshop(w.db)).places.find((p) => p.name === 'Back yard')!;
	await assert.rejects(w.run(daysOffCommands.tooWet, {}), refused(/Nothing is open/));
	await w.run(workshopCommands.addPlace, { name: 'Back yard', capacity: '3', dryOnly: 'on' });
	const { id, version, daylightOnly, dryOnly } = await yard();
	assert.deepEqual([daylightOnly, dryOnly], [false, true]);
	await w.run(workshopCommands.editPlace, {
		id: String(id),
		version: String(version),
		name: 'Back yard',
		capacity: '3',
		daylightOnly: 'on',
		dryOnly: 'on'
	});
	assert.equal((await yard()).daylightOnly, true);
	await w.run(daysOffCommands.addDayOff, { placeId: String(id), day: '2031-05-03' });
	assert.equal((await yard()).off.length, 1);
	await w.run(daysOffCommands.removeDayOff, { placeId: String(id), day: String((await yard()).off[0]) });
	await w.run(daysOffCommands.tooWet, {});
	assert.deepEqual((await yard()).off, [dayOf(clock())]);
	await assert.rejects(w.run(daysOffCommands.tooWet, {}), refused(/Nothing is open/));
	await w.undoLast();
	assert.deepEqual((await yard()).off, []);
	await assert.rejects(w.run(daysOffCommands.addDayOff, { day: '2031-05-03' }), absent);
	await assert.rejects(
		w.run(daysOffCommands.addDayOff, { makerId: '1', placeId: String(id), day: '2031-05-03' }),
		absent
	);
	await w.run(workshopCommands.removePlace, { id: String(id) });
});

test('finishing a step: not in the future, taken up again, waits for others by name', async () => {
	const [a, b] = [await add({ name: 'Left' }), await add({ name: 'Right' })];
	const [first, second] = [await addStep(a), await addStep(b, { name: 'join' })];
	await assert.rejects(
		w.run(stepCommands.finishStep, { id: String(first), at: '2098-01-01T10:00' }, costume),
		refused(/not come yet/)
	);
	await w.run(stepCommands.finishStep, { id: String(first) }, costume);
	assert.notEqual((await stepOf(first)).doneAt, null);
	await w.run(stepCommands.reopenStep, { id: String(first) }, costume);
	assert.equal((await stepOf(first)).doneAt, null);
	await w.run(stepCommands.addStepAfter, { id: String(second), afterId: String(first) }, costume);
	assert.match(await said(), /join waits for .* cut/);
	await w.run(stepCommands.addStepAfter, { id: String(second), afterId: String(first) }, costume);
	assert.deepEqual((await stepOf(second)).after, [first], 'twice is once');
	await assert.rejects(
		w.run(stepCommands.addStepAfter, { id: String(first), afterId: String(first) }, costume),
		refused(/wait for itself/)
	);
	await w.run(stepCommands.removeStepAfter, { id: String(second), afterId: String(first) }, costume);
	assert.deepEqual((await stepOf(second)).after, []);
});

const running = async (stepId: number) => (await runningLogs(w.db)).find((l) => l.stepId === stepId)!;
const stopTimer = async (stepId: number, values: Record<string, unknown>) =>
	w.run(
		logCommands.stopTimer,
		{ id: String((await running(stepId)).id), note: '', minutes: '', ...values },
		costume
	);

test('one maker’s Stop never stops another maker’s timer, nor takes its note', async () => {
	const id = await add();
	await w.run(workshopCommands.addMaker, { name: 'Ona' });
	const maker = (await loadWorkshop(w.db)).makers.find((m) => m.name === 'Ona')!;
	const [mine, theirs] = [await addStep(id, { name: 'mine' }), await addStep(id, { name: 'theirs' })];
	await w.run(logCommands.startTimer, { stepId: String(mine), makerId: '1' }, costume);
	await w.run(logCommands.startTimer, { stepId: String(theirs), makerId: String(maker.id) }, costume);
	assert.deepEqual(
		(await runningLogs(w.db)).map((l) => [l.name, l.maker]),
		[
			['mine', 'Me'],
			['theirs', 'Ona']
		]
	);
	const shown = await running(mine);
	await w.run(logCommands.noteTimer, { id: String(shown.id), note: 'mix 2:1' }, costume);
	assert.equal((await running(mine)).note, 'mix 2:1');
	await stopTimer(theirs, { note: 'theirs alone', minutes: '10m', finish: 'on' });
	assert.equal((await stepOf(mine)).doneAt, null);
	assert.equal((await running(mine)).note, 'mix 2:1');
	// Another step of the same maker: the note of the first stays with it.
	const next = await addStep(id, { name: 'next' });
	await w.run(logCommands.startTimer, { stepId: String(next), makerId: '1' }, costume);
	const logs = (await record()).logs;
	assert.deepEqual(
		[logs.find((l) => l.stepId === mine)!.note, logs.find((l) => l.stepId === theirs)!.note],
		['mix 2:1', 'theirs alone']
	);
	// Stopped on the phone, the laptop still shows it: it is told, and nothing else is stopped.
	await assert.rejects(
		w.run(logCommands.stopTimer, { id: String(shown.id), note: 'late', minutes: '', finish: 'on' }, costume),
		refused(/stopped meanwhile/)
	);
	assert.equal((await stepOf(mine)).doneAt, null);
	await stopTimer(next, {});
});

test('the timer: one at a time for a maker, minutes kept, a forgotten one asked about', async () => {
	const id = await add();
	const [one, two] = [await addStep(id, { name: 'one' }), await addStep(id, { name: 'two' })];
	await w.run(logCommands.startTimer, { stepId: String(one), makerId: '1' }, costume);
	await w.run(logCommands.startTimer, { stepId: String(two), makerId: '1' }, costume);
	assert.match(await said(), /Started two of .*, stopped one of/);
	assert.deepEqual(
		(await runningLogs(w.db)).map((l) => l.stepId),
		[two]
	);
	assert.equal((await record()).logs.filter((l) => l.endedAt === null).length, 1);
	await stopTimer(two, { note: 'went well', minutes: '25m', finish: 'on' });
	const log = (await record()).logs.find((l) => l.stepId === two)!;
	assert.deepEqual([log.minutes, log.note, log.endedAt !== null], [25, 'went well', true]);
	assert.notEqual((await stepOf(two)).doneAt, null);
	await assert.rejects(
		w.run(logCommands.startTimer, { stepId: String(two), makerId: '' }, costume),
		refused(/is done/)
	);

	await w.run(logCommands.startTimer, { stepId: String(one), makerId: '' }, costume);
	await w.db.transaction(async (tx) => {
		await tx.query(`select set_config('dapper.action', 'restore', true)`);
		await tx.query('update work_log set started_at = $1 where ended_at is null', [ago(20 * 60)]);
	});
	await assert.rejects(stopTimer(one, {}), refused(/has run for 20h.*forgotten/));
	await stopTimer(one, { minutes: '1h30' });
	assert.ok((await record()).logs.some((l) => l.stepId === one && l.minutes === 90));
});

test('minutes written down afterwards, and taken out again', async () => {
	const id = await add();
	const step = await addStep(id);
	const log = (values: object) =>
		w.run(
			logCommands.logWork,
			{ stepId: String(step), makerId: '', endedAt: ago(60), minutes: '45m', note: '', ...values },
			costume
		);
	await log({});
	await assert.rejects(log({ endedAt: '2098-01-01T10:00' }), refused(/not come yet/));
	await assert.rejects(log({ minutes: '17h' }), refused(/16 hours/));
	const mine = (await record()).logs.filter((l) => l.stepId === step);
	assert.deepEqual(
		mine.map((l) => [l.minutes, l.endedAt! - l.startedAt]),
		[[45, 45]]
	);
	await w.run(logCommands.removeLog, { id: String(mine[0]!.id) }, costume);
	assert.equal(
		(await record()).logs.some((l) => l.stepId === step),
		false
	);
});

test('coats: added with the product’s waits, fewer than are on refused, removed with what is not on yet', async () => {
	const id = await add();
	const steps = async () => (await record()).steps.filter((s) => s.componentId === id);
	await addStep(id, { name: 'rig', phase: 'rig', technique: 'snap', amount: '1' });
	await w.run(
		coatCommands.addCoat,
		{
			componentId: String(id),
			product: 'pva',
			coats: '3',
			area: '0.1',
			recoatMinutes: '',
			handlingMinutes: '1 d'
		},
		costume
	);
	assert.deepEqual(
		(await steps()).map((s) => [s.name, s.waitMinutes]),
		[
			['diluted PVA, coat 1 of 3', 45],
			['diluted PVA, coat 2 of 3', 45],
			['diluted PVA, coat 3 of 3', 1440],
			['rig', 0]
		]
	);
	const [first] = await steps();
	await w.run(stepCommands.finishStep, { id: String(first!.id), at: ago(600) }, costume);
	const coat = (await record()).coats.find((c) => c.componentId === id)!;
	const edit = (coats: string) =>
		w.run(
			coatCommands.editCoat,
			{
				id: String(coat.id),
				version: String(coat.version),
				coats,
				area: '0.1',
				recoatMinutes: '',
				handlingMinutes: ''
			},
			costume
		);
	await assert.rejects(
		w.run(
			coatCommands.editCoat,
			{ id: String(coat.id), version: '99', coats: '2', area: '0.1', recoatMinutes: '', handlingMinutes: '' },
			costume
		),
		(e) => e instanceof Stale
	);
	await edit('1');
	assert.deepEqual(
		(await steps()).map((s) => s.doneAt !== null),
		[true, false]
	);
	await w.run(coatCommands.removeCoat, { id: String(coat.id) }, costume);
	assert.deepEqual(
		(await steps()).map((s) => s.coatId),
		[null, null],
		'what was on stays in the record'
	);
	const errors = await w.errors(
		coatCommands.addCoat,
		{
			componentId: String(id),
			product: 'pva',
			coats: '99',
			area: '',
			recoatMinutes: 'x',
			handlingMinutes: ''
		},
		costume
	);
	assert.deepEqual(Object.keys(errors).sort(), ['area', 'coats', 'recoatMinutes']);
});

test('faults: edited, came back only on the same component, removed with their cure', async () => {
	const [a, b] = [await add(), await add()];
	const FAULT = {
		symptom: 'seam opens',
		cause: '',
		cure: '',
		occasion: 'event',
		happenedAt: ago(500),
		minutesLost: '0',
		cameBackOf: ''
	};
	const log = (componentId: number, values: object = {}) =>
		w.run(faultCommands.addFault, { componentId: String(componentId), ...FAULT, ...values }, costume);
	const { id } = await log(a);
	await assert.rejects(log(a, { happenedAt: '2098-01-01T10:00' }), refused(/not come yet/));
	await assert.rejects(log(b, { cameBackOf: String(id) }), refused(/another component/));
	const again = await log(a, { cameBackOf: String(id) });
	const fault = (await record()).faults.find((f) => f.id === again.id)!;
	assert.equal(fault.cameBackOf, id);
	await w.run(
		faultCommands.editFault,
		{
			...FAULT,
			id: String(fault.id),
			version: String(fault.version),
			symptom: 'seam gapes',
			minutesLost: '1h'
		},
		costume
	);
	assert.deepEqual(
		[(await record()).faults.find((f) => f.id === fault.id)!.minutesLost, await said()].map(String)[0],
		'60'
	);
	await w.run(faultCommands.removeFault, { id: String(fault.id) }, costume);
	assert.equal(
		(await record()).steps.some((s) => s.faultId === fault.id),
		false
	);
	assert.ok(
		(
			await w.errors(
				faultCommands.addFault,
				{ componentId: String(a), ...FAULT, occasion: 'at sea' },
				costume
			)
		).occasion
	);
});

test('materials: counted, changed, as many colours of a coat product as there are', async () => {
	const { id } = await w.run(materialCommands.addMaterial, {
		...MATERIAL,
		name: 'Primer',
		coatProduct: 'fillerPrimer'
	});
	const black = await w.run(materialCommands.addMaterial, {
		...MATERIAL,
		name: 'Primer, black',
		coatProduct: 'fillerPrimer',
		coversMm2: '0.45 m2'
	});
	assert.equal((await loadMaterials(w.db)).find((m) => m.id === black.id)!.coversMm2, 450_000);
	await w.run(materialCommands.removeMaterial, { id: String(black.id) });
	const read = async () => (await loadMaterials(w.db)).find((m) => m.id === id)!;
	await w.run(materialCommands.setStash, {
		id: String(id),
		version: String((await read()).version),
		stash: '2 1/2'
	});
	assert.equal((await read()).stash, 2.5);
	await assert.rejects(
		w.run(materialCommands.setStash, { id: String(id), version: '1', stash: '9' }),
		(e) => e instanceof Stale
	);
	await w.run(materialCommands.editMaterial, {
		...MATERIAL,
		id: String(id),
		version: String((await read()).version),
		packPriceMinor: '9,90',
		coatProduct: 'fillerPrimer'
	});
	assert.equal((await read()).packPriceMinor, 990);
	const errors = await w.errors(materialCommands.addMaterial, {
		...MATERIAL,
		packSize: '0',
		packPriceMinor: '1.999',
		leadDays: '1000',
		stash: '-1',
		unit: ''
	});
	assert.deepEqual(Object.keys(errors).sort(), ['leadDays', 'packPriceMinor', 'packSize', 'stash', 'unit']);
	await w.run(materialCommands.removeMaterial, { id: String(id) });
	assert.equal(await read(), undefined);
});

test('purchases: from the list to used, with their days; edited exactly; off the list', async () => {
	const id = await add();
	const material = (await w.run(materialCommands.addMaterial, { ...MATERIAL, name: 'Net' })).id;
	await w.run(
		purchaseCommands.addPurchase,
		{ materialId: String(material), packs: '2', componentId: String(id) },
		costume
	);
	const read = async () => (await record()).purchases.find((p) => p.materialId === material)!;
	const to = async (state: string) =>
		w.run(purchaseCommands.setPurchaseState, { id: String((await read()).id), state }, costume);
	assert.deepEqual(
		[(await read()).state, (await read()).orderedOn, (await read()).packPriceMinor],
		['planned', null, 1450]
	);
	await to('ordered');
	const ordered = await read();
	assert.ok(ordered.dueOn! - ordered.orderedOn! >= 5, 'five working days are at least five days');
	await to('arrived');
	assert.notEqual((await read()).arrivedOn, null);
	await to('planned');
	assert.deepEqual(
		[(await read()).orderedOn, (await read()).dueOn, (await read()).arrivedOn],
		[null, null, null]
	);
	const EDIT = {
		packs: '3',
		packPriceMinor: '0.07',
		shippingMinor: '4,95',
		supplier: 'mill',
		leadDays: '2',
		orderedOn: '2031-05-05',
		dueOn: '2031-05-04',
		note: ''
	};
	const edit = async (values: object = {}) =>
		w.run(
			purchaseCommands.editPurchase,
			{ id: String((await read()).id), version: String((await read()).version), ...EDIT, ...values },
			costume
		);
	await assert.rejects(edit(), refused(/before it was ordered/));
	await edit({ dueOn: '2031-05-07' });
	const edited = await read();
	assert.deepEqual(
		[edited.packs, edited.packPriceMinor, edited.shippingMinor, edited.leadWorkingDays],
		[3, 7, 495, false]
	);
	await w.run(purchaseCommands.removePurchase, { id: String(edited.id) }, costume);
	await assert.rejects(
		w.run(purchaseCommands.setPurchaseState, { id: String(edited.id), state: 'used' }, costume),
		absent
	);
	await assert.rejects(
		w.run(purchaseCommands.addPurchase, { materialId: '99999', packs: '1', componentId: '' }, costume),
		absent
	);
});

test('needs: more than nothing, changed, taken away; nothing short is said', async () => {
	const id = await add();
	const material = (await w.run(materialCommands.addMaterial, { ...MATERIAL, name: 'Cord', stash: '10' })).id;
	const NEED = { componentId: String(id), materialId: String(material), quantity: '3', stepId: '' };
	assert.match(
		(await w.errors(purchaseCommands.addNeed, { ...NEED, quantity: '0' }, costume)).quantity!,
		/more than zero/
	);
	await w.run(purchaseCommands.addNeed, NEED, costume);
	const need = (await record()).needs.find((n) => n.materialId === material)!;
	await w.run(
		purchaseCommands.editNeed,
		{ id: String(need.id), version: String(need.version), quantity: '4 1/4', stepId: '' },
		costume
	);
	assert.equal((await record()).needs.find((n) => n.id === need.id)!.quantity, 4.25);
	await assert.rejects(
		w.run(purchaseCommands.planShort, { materialId: String(material) }, costume),
		refused(/Nothing is short/)
	);
	await w.run(purchaseCommands.removeNeed, { id: String(need.id) }, costume);
	await assert.rejects(w.run(purchaseCommands.removeNeed, { id: String(need.id) }, costume), absent);
});

test('makers: hours by weekday, days off, names; each told when it cannot be', async () => {
	const { id } = await w
		.run<{ id: number }>(workshopCommands.addMaker, { name: 'Ilo', helpsOnly: 'on' })
		.then(async () => (await loadWorkshop(w.db)).makers.at(-1)!);
	const maker = async () => (await loadWorkshop(w.db)).makers.find((m) => m.id === id)!;
	assert.equal((await maker()).helpsOnly, true);
	const hours = (values: object) =>
		w.run(workshopCommands.addWindow, {
			makerId: String(id),
			placeId: '',
			days: ['1', '3'],
			from: '18:00',
			to: '21:30',
			...values
		});
	await hours({});
	assert.deepEqual(
		(await maker()).windows.map((x) => [x.days, x.from, x.to]),
		[[[1, 3], 1080, 1290]]
	);
	await assert.rejects(hours({ to: '18:00' }), refused(/end after it begins/));
	await assert.rejects(hours({ placeId: '1' }), absent);
	const errors = await w.errors(workshopCommands.addWindow, {
		makerId: String(id),
		placeId: '',
		from: '25:00',
		to: 'late'
	});
	assert.deepEqual(Object.keys(errors).sort(), ['days', 'from', 'to']);
	await w.run(daysOffCommands.addDayOff, { makerId: String(id), day: '2031-05-03' });
	await w.run(daysOffCommands.addDayOff, { makerId: String(id), day: '2031-05-03' });
	assert.equal((await maker()).off.length, 1);
	await w.run(daysOffCommands.removeDayOff, { makerId: String(id), day: String((await maker()).off[0]) });
	assert.equal((await maker()).off.length, 0);
	assert.match(
		(await w.errors(daysOffCommands.addDayOff, { makerId: String(id), day: '2031-02-30' })).day!,
		/not a date/
	);
	await w.run(workshopCommands.removeWindow, { id: String((await maker()).windows[0]!.id) });
	assert.equal((await maker()).windows.length, 0);
	await w.run(workshopCommands.editMaker, {
		id: String(id),
		version: String((await maker()).version),
		name: 'Ilo B'
	});
	assert.deepEqual([(await maker()).name, (await maker()).helpsOnly], ['Ilo B', false]);
	await w.run(workshopCommands.removeMaker, { id: String(id) });
});

test('rates: own ones in order, and back to the starting value', async () => {
	const rate = { technique: 'carveLine', goodMinutes: '0.5', usualMinutes: '1', badMinutes: '3' };
	await w.run(workshopCommands.setRate, rate);
	await w.run(workshopCommands.setRate, { ...rate, badMinutes: '4' });
	assert.deepEqual((await loadWorkshop(w.db)).rates.carveLine, [0.5, 1, 4]);
	assert.match(
		(await w.errors(workshopCommands.setRate, { ...rate, goodMinutes: '2' })).usualMinutes!,
		/at least good/
	);
	assert.match(
		(await w.errors(workshopCommands.setRate, { ...rate, badMinutes: '0.9' })).badMinutes!,
		/at least usual/
	);
	await w.run(workshopCommands.resetRate, { technique: 'carveLine' });
	assert.equal((await loadWorkshop(w.db)).rates.carveLine, undefined);
});

test('settings: units change how a bare number is read, never what is stored', async () => {
	const BED = { bedWideMm: '220 mm', bedDeepMm: '22 cm', bedHighMm: '250 mm' };
	const SUN = { latitude: '-33.9', noonMinute: '11:56', summerTime: 'firstOfOctober', wetDays: '7' };
	const SETTING = {
		...BED,
		...SUN,
		lengthUnit: 'in',
		clothUnit: 'yd',
		weightUnit: 'oz',
		currency: 'USD',
		weekStart: '7'
	};
	const version = async () => String((await loadWorkshop(w.db)).settings.version);
	const id = await add();
	const metric = await addStep(id, { amount: '2' });
	await w.run(workshopCommands.editSetting, { ...SETTING, version: await version(), coldOrDamp: 'on' });
	assert.equal((await stepOf(metric)).amount, 2000);
	assert.equal((await stepOf(await addStep(id, { amount: '2' }))).amount, 1828.8);
	assert.equal((await loadWorkshop(w.db)).settings.coldOrDamp, true);
	assert.ok(
		(await w.errors(workshopCommands.editSetting, { ...SETTING, version: '1', weekStart: '8' })).weekStart
	);
	await w.run(workshopCommands.editSetting, {
		lengthUnit: 'cm',
		clothUnit: 'm',
		weightUnit: 'g',
		currency: 'EUR',
		weekStart: '1',
		...BED,
		...SUN,
		bedHighMm: '30 cm',
		version: await version()
	});
	const { settings } = await loadWorkshop(w.db);
	assert.deepEqual([settings.bedWideMm, settings.bedDeepMm, settings.bedHighMm], [220, 220, 300]);
	assert.deepEqual(
		[settings.latitude, settings.noonMinute, settings.summerTime, settings.wetDays],
		[-33.9, 716, 'firstOfOctober', 7]
	);
	const errors = await w.errors(workshopCommands.editSetting, {
		...SETTING,
		version: await version(),
		latitude: '70',
		noonMinute: '09:00',
		summerTime: 'always',
		wetDays: '30'
	});
	assert.deepEqual(Object.keys(errors).sort(), ['latitude', 'noonMinute', 'summerTime', 'wetDays']);
});

test('forms: lists by their brackets, one entry or many, files as they are', () => {
	const form = new FormData();
	form.append('name', 'x');
	form.append('zones[]', 'head');
	form.append('days[]', '1');
	form.append('days[]', '2');
	form.append('photo', new File(['y'], 'y.png'));
	const values = formValues(form);
	assert.deepEqual([values.name, values.zones, values.days], ['x', ['head'], ['1', '2']]);
	assert.ok(values.photo instanceof File);
});

test('costumes of one day: whose hours come first is the maker’s to say; of different days it is not', async () => {
	const of = async (name: string, eventAt: string) =>
		(await w.run(costumeCommands.addCostume, { ...NEW_COSTUME, name, eventAt })).id;
	const [morning, noon, other] = [
		await of('Dawn', '2098-03-01T09:00'),
		await of('Noon', '2098-03-01T12:00'),
		await of('Later', '2098-03-02T09:00')
	];
	const turns = async () => [
		(await record(morning)).costume.hoursTurn,
		(await record(noon)).costume.hoursTurn
	];
	assert.deepEqual(await turns(), [null, null]);
	await w.run(costumeCommands.orderHours, { ids: `${noon} ${morning}` });
	assert.deepEqual(await turns(), [2, 1]);
	assert.equal(await said(), 'Hours go to Noon first');
	await w.undoLast();
	assert.deepEqual(await turns(), [null, null]);
	await assert.rejects(
		w.run(costumeCommands.orderHours, { ids: `${noon} ${other}` }),
		refused(/different days/)
	);
	await assert.rejects(w.run(costumeCommands.orderHours, { ids: '999999' }), absent);
});

test('a second route comes where its steps belong, and is remembered beside the first', async () => {
	const id = await add({ name: 'Lantern', kind: 'prop', route: 'light' });
	await w.run(componentCommands.addRoute, { id: String(id), route: 'foamPlate' }, costume);
	const { components, steps } = await record();
	const lantern = components.find((c) => c.id === id)!;
	assert.deepEqual([lantern.route, lantern.furtherRoutes], ['light', ['foamPlate']]);
	const names = steps
		.filter((s) => s.componentId === id)
		.sort((a, b) => a.position - b.position)
		.map((s) => s.name);
	const at = (name: string) => names.indexOf(name);
	assert.ok(
		at('cut') < at('clear spray, coat 2 of 2') && at('clear spray, coat 2 of 2') < at('wire'),
		names.join()
	);
	assert.equal(names.at(-1), 'fit');
	await w.undoLast();
	assert.deepEqual((await record()).components.find((c) => c.id === id)!.furtherRoutes, []);
});

test('an amount that is changed is no guess any more; one that is only looked at stays one until it is said', async () => {
	const id = await add({ name: 'Bracer', kind: 'armor', route: 'foamPlate' });
	const cut = async () => (await record()).steps.find((s) => s.componentId === id && s.name === 'cut')!;
	const edit = async (values: Record<string, string>) => {
		const s = await cut();
		const { setUpMinutes: _, ...plain } = STEP;
		return w.run(
			stepCommands.editStep,
			{
				...plain,
				id: String(s.id),
				version: String(s.version),
				amount: '3 m',
				setUpMinutes: '0',
				takes: '',
				...values
			},
			costume
		);
	};
	assert.deepEqual([(await cut()).guessed, (await cut()).guess], [true, 3000]);
	await edit({ guessed: 'on' });
	assert.equal((await cut()).guessed, true);
	await edit({ amount: '4 m', guessed: 'on' });
	assert.deepEqual([(await cut()).guessed, (await cut()).amount, (await cut()).guess], [false, 4000, 3000]);
	const errors = await w.errors(
		stepCommands.editStep,
		{ ...STEP, id: '1', version: '1', amount: '4 m', takes: 'moonlight' },
		costume
	);
	assert.ok(errors.takes);
});
