import assert from 'node:assert/strict';
import { test } from 'node:test';
import { Stale } from '../db/rows.ts';
import { loadWorkshop } from '../read/workshop.ts';
import { coatCommands } from './coat.ts';
import { faultCommands } from './fault.ts';
import { logCommands, runningLogs } from './log.ts';
import { stepCommands } from './step.ts';
import { workshopCommands } from './workshop.ts';
import { w, costume, record, refused, said, ago, add, addStep, stepOf } from '$tests/support/oneCostume.ts';

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
