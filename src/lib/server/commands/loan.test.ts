import assert from 'node:assert/strict';
import { test } from 'node:test';
import { add, costume, NEW_COSTUME, record, refused, w } from '$tests/support/oneCostume.ts';
import { COMPONENT } from '$tests/support/workshop.ts';
import { missingFor, sharedWith } from '$core/answers/bookings.ts';
import { spendOf } from '$core/answers/spend.ts';
import { clock } from '../clock.ts';
import { Absent } from '../db/rows.ts';
import { loadShared } from '../read/loans.ts';
import { loadGoing } from '../read/travel.ts';
import { loadWeights } from '../read/wear.ts';
import { loadWorkshop } from '../read/workshop.ts';
import { componentCommands } from './component.ts';
import { costumeCommands } from './costume.ts';
import { loanCommands } from './loan.ts';

const shared = async (id: number) => sharedWith(id, await loadShared(w.db));
const packed = async (id: number) => {
	const its = await record(id);
	const workshop = await loadWorkshop(w.db);
	const going = await loadGoing(w.db, its, workshop, clock(), {
		...(await loadWeights(w.db, its, workshop)),
		components: its.components
	});
	return going.luggage.map((l) => `${l.component.code} ${l.component.name}`);
};

test('a component serves in another costume: packed there, paid for once, missing where both are worn on a day, and given back', async () => {
	const boots = await add({ name: 'Boots' });
	const other = (
		await w.run(costumeCommands.addCostume, { ...NEW_COSTUME, name: 'Heron', eventAt: '2099-07-01T09:00' })
	).id;
	const cape = (await w.run(componentCommands.addComponent, { ...COMPONENT, route: '', name: 'Cape' }, other))
		.id;
	const borrow = (id: number, of = other) =>
		w.run(loanCommands.borrowComponent, { componentId: String(id) }, of);
	await assert.rejects(borrow(cape), refused(/of this costume already/));
	await assert.rejects(borrow(99999), Absent);
	await borrow(boots);
	await assert.rejects(borrow(boots), refused(/borrowed already/));
	const [its] = (await shared(other)).borrowed;
	assert.deepEqual(
		[its!.owner.name, its!.bookings.length, missingFor(other, its!)],
		['Reed singer', 2, null]
	);
	assert.equal((await shared(costume)).lent.length, 1);
	assert.deepEqual((await packed(other)).map((l) => l.split(' ')[1]).sort(), ['Boots', 'Cape']);
	// It is in no other costume's breakdown, and costs nothing there.
	assert.deepEqual(
		(await record(other)).components.map((c) => c.name),
		['Cape']
	);
	assert.equal(spendOf(await record(other), await loadWorkshop(w.db)).totalMinor, 0);
	// On the same day it is where it belongs.
	const { version } = (await record(other)).costume;
	await w.run(
		costumeCommands.editCostume,
		{
			...NEW_COSTUME,
			version: String(version),
			name: 'Heron',
			bufferDays: '2',
			rehearsalAt: '',
			split: 'windows',
			stashAtCost: 'false'
		},
		other
	);
	const [then] = (await shared(other)).borrowed;
	assert.equal(missingFor(other, then!), 'Reed singer');
	assert.equal((await packed(other)).length, 1);
	await w.run(costumeCommands.archiveCostume, { id: String(costume) });
	assert.equal(missingFor(other, (await shared(other)).borrowed[0]!), null, 'at rest nobody else has it');
	await w.run(costumeCommands.restoreCostume, { id: String(costume) });
	await assert.rejects(w.run(loanCommands.giveBack, { id: String(its!.loans[0]!.id) }, costume), Absent);
	await w.run(loanCommands.giveBack, { id: String(its!.loans[0]!.id) }, other);
	assert.deepEqual((await shared(other)).borrowed, []);
	await w.undoLast();
	assert.equal((await shared(other)).borrowed.length, 1);
	// What is gone is lent no more.
	await w.run(componentCommands.removeComponent, { id: String(boots) }, costume);
	assert.deepEqual((await shared(other)).borrowed, []);
});
