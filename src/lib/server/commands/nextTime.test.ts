import assert from 'node:assert/strict';
import { test } from 'node:test';
import { add, costume, NEW_COSTUME, record, refused, w } from '$tests/support/oneCostume.ts';
import { COMPONENT } from '$tests/support/workshop.ts';
import { inOrder } from '$core/facts/order.ts';
import { Absent } from '../db/rows.ts';
import { loadKeepings, loadNextTimes } from '../read/health.ts';
import { loadOtherComponents } from '../read/loans.ts';
import { componentCommands } from './component.ts';
import { costumeCommands } from './costume.ts';
import { keepingCommands } from './keeping.ts';
import { nextTimeCommands } from './nextTime.ts';
import { stepCommands } from './step.ts';

const thoughts = () => loadNextTimes(w.db, [costume]);

test('a thought of one costume becomes a step of another before it is finished, or a note; undone, it waits again', async () => {
	const helmet = await add({ name: 'Helmet' });
	await w.run(
		nextTimeCommands.addNextTime,
		{ words: 'line the cheekbones', componentId: String(helmet) },
		costume
	);
	const other = (await w.run(costumeCommands.addCostume, { ...NEW_COSTUME, name: 'Heron' })).id;
	const mask = (await w.run(componentCommands.addComponent, { ...COMPONENT, route: '', name: 'Mask' }, other))
		.id;
	for (const [name, phase] of [
		['cut it', 'make'],
		['paint it', 'finish']
	])
		await w.run(
			stepCommands.addStep,
			{
				componentId: String(mask),
				name,
				technique: 'other',
				phase,
				amount: '10',
				setUpMinutes: '0',
				waitMinutes: '0',
				placeId: '',
				faultId: ''
			},
			other
		);
	assert.deepEqual(
		(await loadOtherComponents(w.db, costume)).map((c) => [c.costume, c.name]),
		[['Heron', 'Mask']]
	);
	const [thought] = await thoughts();
	const take = (values: Record<string, string>) =>
		w.run(
			nextTimeCommands.takeNextTime,
			{ id: String(thought!.id), toComponentId: String(mask), as: 'step', minutes: '25', ...values },
			costume
		);
	await take({});
	const steps = inOrder((await record(other)).steps, mask);
	assert.deepEqual(
		steps.map((s) => [s.name, s.amount]),
		[
			['cut it', 10],
			['line the cheekbones', 25],
			['paint it', 10]
		]
	);
	assert.match((await thoughts())[0]!.takenTo, /^a step of .+, Heron$/);
	await w.undoLast();
	assert.deepEqual([(await thoughts())[0]!.takenTo, (await record(other)).steps.length], ['', 2]);
	await take({ as: 'note' });
	assert.equal((await record(other)).components[0]!.note, 'line the cheekbones');
	await w.run(costumeCommands.archiveCostume, { id: String(other) });
	await assert.rejects(take({}), refused(/put away/));
	await assert.rejects(take({ toComponentId: '99999' }), Absent);
	await assert.rejects(
		w.run(nextTimeCommands.addNextTime, { words: 'x', componentId: String(mask) }, costume),
		Absent,
		'of another costume'
	);
	await w.run(nextTimeCommands.removeNextTime, { id: String(thought!.id) }, costume);
	assert.deepEqual(await thoughts(), []);
});

test('where a component is kept is one row, and its look is of today', async () => {
	const id = String(await add({ name: 'Cloak' }));
	await w.run(keepingCommands.lookedAfter, { componentId: id }, costume);
	await w.run(
		keepingCommands.setKeeping,
		{ componentId: id, place: 'wardrobe', note: '', everyMonths: '3' },
		costume
	);
	const kept = (await loadKeepings(w.db, [costume])).filter((k) => k.componentId === Number(id));
	assert.deepEqual(
		kept.map((k) => [k.place, k.everyMonths, k.lookedOn !== null]),
		[['wardrobe', 3, true]]
	);
	assert.deepEqual(
		Object.keys(
			await w.errors(
				keepingCommands.setKeeping,
				{ componentId: id, place: '', note: '', everyMonths: '0' },
				costume
			)
		),
		['everyMonths']
	);
});
