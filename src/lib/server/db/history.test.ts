import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { seeded } from '$tests/support/planCases.ts';
import { COSTUME, COMPONENT, MATERIAL, testWorkshop, type TestWorkshop } from '$tests/support/workshop.ts';
import { coatCommands } from '../commands/coat.ts';
import { componentCommands } from '../commands/component.ts';
import { costumeCommands } from '../commands/costume.ts';
import { faultCommands } from '../commands/fault.ts';
import { materialCommands } from '../commands/material.ts';
import { purchaseCommands } from '../commands/purchase.ts';
import { stepCommands } from '../commands/step.ts';
import { loadRecord } from '../read/costume.ts';
import { act } from './action.ts';
import { all, Refused } from './rows.ts';
import { changesOf, lastAction, lastUndo, listActions, previewUndo, undo } from './undo.ts';

let w: TestWorkshop;
let costume: number;

before(async () => {
	w = await testWorkshop('2031-04-28T18:00');
	costume = (await w.run(costumeCommands.addCostume, { ...COSTUME, name: 'Reed', wearer: '' })).id;
});
after(() => w.close());

const record = async () => (await loadRecord(w.db, costume))!;
const snapshot = async () =>
	JSON.stringify([await record(), await all(w.db, 'select * from material order by id')], (key, value) =>
		key === 'version' ? undefined : value
	);

/** Does one random thing; what cannot be done just then is passed over. */
async function anything(random: () => number): Promise<void> {
	const { components, steps, coats, purchases, faults } = await record();
	const pick = <T>(list: readonly T[]): T | undefined => list[Math.floor(random() * list.length)];
	const [component, step, coat, purchase, fault] = [
		pick(components),
		pick(steps),
		pick(coats),
		pick(purchases),
		pick(faults)
	];
	const id = (row: { id: number } | undefined) => String(row?.id ?? 0);
	const STEP = {
		name: `s${Math.floor(random() * 999)}`,
		technique: 'other',
		phase: 'make',
		amount: '30',
		setUpMinutes: '0',
		waitMinutes: '1h',
		placeId: '',
		faultId: ''
	};
	const choices: (() => Promise<unknown>)[] = [
		() =>
			w.run(
				componentCommands.addComponent,
				{ ...COMPONENT, parentId: random() < 0.5 ? id(component) : '', route: random() < 0.4 ? 'light' : '' },
				costume
			),
		() =>
			w.run(
				componentCommands.editComponent,
				{
					...COMPONENT,
					id: id(component),
					version: String(component?.version),
					name: `n${random()}`,
					layer: '4'
				},
				costume
			),
		() =>
			w.run(
				componentCommands.moveComponent,
				{ id: id(component), parentId: random() < 0.5 ? '' : id(pick(components)), index: '0' },
				costume
			),
		() => w.run(componentCommands.removeComponent, { id: id(component) }, costume),
		() => w.run(stepCommands.addStep, { ...STEP, componentId: id(component) }, costume),
		() => w.run(stepCommands.editStep, { ...STEP, id: id(step), version: String(step?.version) }, costume),
		() => w.run(stepCommands.moveStep, { id: id(step), index: '1' }, costume),
		() => w.run(stepCommands.finishStep, { id: id(step), at: '2020-05-05T12:00', anyway: 'on' }, costume),
		() => w.run(stepCommands.removeStep, { id: id(step) }, costume),
		() => w.run(stepCommands.addStepAfter, { id: id(step), afterId: id(pick(steps)) }, costume),
		() =>
			w.run(
				coatCommands.addCoat,
				{
					componentId: id(component),
					product: 'pva',
					coats: '2',
					area: '0.1',
					recoatMinutes: '',
					handlingMinutes: ''
				},
				costume
			),
		() =>
			w.run(
				coatCommands.editCoat,
				{
					id: id(coat),
					version: String(coat?.version),
					coats: '3',
					area: '0.2',
					recoatMinutes: '',
					handlingMinutes: ''
				},
				costume
			),
		() => w.run(coatCommands.removeCoat, { id: id(coat) }, costume),
		() => w.run(materialCommands.addMaterial, { ...MATERIAL, name: `m${random()}` }),
		async () => {
			const material = pick(await all<{ id: number }>(w.db, 'select id from material'));
			await w.run(
				purchaseCommands.addPurchase,
				{ materialId: id(material), packs: '2', componentId: random() < 0.5 ? id(component) : '' },
				costume
			);
		},
		() => w.run(purchaseCommands.setPurchaseState, { id: id(purchase), state: 'arrived' }, costume),
		() =>
			w.run(
				faultCommands.addFault,
				{
					componentId: id(component),
					symptom: 'rust marks',
					cause: '',
					cure: '',
					occasion: 'event',
					happenedAt: '2020-05-05T12:00',
					minutesLost: '0',
					cameBackOf: ''
				},
				costume
			),
		() => w.run(faultCommands.removeFault, { id: id(fault) }, costume)
	];
	await pick(choices)!().catch(() => {});
}

test('whatever was done: undone one by one it is as before, redone one by one it is as after', async () => {
	for (const seed of [1, 2, 3]) {
		const random = seeded(seed);
		const states = [await snapshot()];
		const first = (await lastAction(w.db))!.id;
		while (states.length < 14) {
			const before = (await lastAction(w.db))!.id;
			await anything(random);
			if ((await lastAction(w.db))!.id !== before) states.push(await snapshot());
		}
		for (let n = states.length - 2; n >= 0; n--) {
			await w.undoLast();
			assert.equal(await snapshot(), states[n], `seed ${seed}: after undoing down to ${n}`);
		}
		assert.equal((await lastAction(w.db))!.id, first);
		for (let n = 1; n < states.length; n++) {
			await undo(w.db, (await lastUndo(w.db))!.id);
			assert.equal(await snapshot(), states[n], `seed ${seed}: after redoing up to ${n}`);
		}
	}
});

test('two undos at once take back two, two redos bring both again', async () => {
	const before = await snapshot();
	const twice = (which: typeof lastAction) => Promise.all([undo(w.db, which), undo(w.db, which)]);
	const [a, b] = await twice(lastAction);
	assert.notEqual(a.id, b.id);
	await twice(lastUndo);
	assert.equal(await snapshot(), before);
});

test('Ctrl Z after an undo from History takes back that undo, and nothing else', async () => {
	const name = async () => (await record()).costume.note;
	const note = async (words: string) => {
		const { version } = (await record()).costume;
		await w.run(
			costumeCommands.editCostume,
			{
				name: 'Reed',
				wearer: '',
				eventName: '',
				eventAt: '2099-05-16T09:00',
				bufferDays: '2',
				limitMinor: '',
				split: 'windows',
				targetOdds: '85',
				rehearsalAt: '',
				note: words,
				id: String(costume),
				version: String(version)
			},
			costume
		);
	};
	await w.run(materialCommands.addMaterial, { ...MATERIAL, name: 'Felt' });
	const felt = (await lastAction(w.db))!.id;
	await note('kept');
	const before = (await lastAction(w.db))!.id;
	const has = async () => (await all(w.db, `select 1 from material where name = 'Felt'`)).length === 1;
	await undo(w.db, felt, true);
	assert.equal(await has(), false);
	await w.undoLast();
	assert.deepEqual([await has(), await name()], [true, 'kept'], 'the undo is taken back, the note stands');
	assert.equal((await lastAction(w.db))!.id, before, 'the next one goes on with what was done before it');
	await undo(w.db, (await lastUndo(w.db))!.id);
	assert.equal(await has(), false, 'and redo undoes it again');
	await w.undoLast();
	// One step back along what was done last is no doing of its own: undo goes on behind it.
	await w.undoLast();
	assert.equal(await name(), '');
	await undo(w.db, (await lastUndo(w.db))!.id);
	assert.deepEqual([await has(), await name()], [true, 'kept']);
});

test('a form sent twice is one action, and is answered the same', async () => {
	const send = (key: string | null) =>
		act(
			w.db,
			async (tx) => {
				const { rows } = await tx.query<{ id: number }>(
					`insert into wearer (name) values ('Sent') returning id`
				);
				return { words: 'Added', result: { words: 'Added', result: rows[0]!.id } };
			},
			key
		);
	const [first, again] = await Promise.all([send('0123456789abcdef'), send('0123456789abcdef')]);
	assert.deepEqual(again, first);
	assert.equal((await all(w.db, `select 1 from wearer where name = 'Sent'`)).length, 1);
	assert.notDeepEqual(await send('fedcba9876543210'), first);
	assert.notDeepEqual(await send(null), first);
});

test('what was removed before a column came is put back with the column’s default', async () => {
	const { rows } = await w.db.query<{ id: number }>(`select id from place order by id limit 1`);
	await act(w.db, async (tx) => {
		await tx.query('delete from place where id = $1', [rows[0]!.id]);
		return { words: 'Removed a place', result: null };
	});
	// As it was written when places knew no weather.
	await w.db.query(
		`update change set before = before - 'dry_only' - 'daylight_only' where table_name = 'place'`
	);
	await w.undoLast();
	const [place] = await all<{ dryOnly: boolean }>(w.db, 'select dry_only from place where id = $1', [
		rows[0]!.id
	]);
	assert.equal(place!.dryOnly, false);
});

test('an older action undone with its later ones comes back whole by one redo', async () => {
	const { id } = await w.run(
		componentCommands.addComponent,
		{ ...COMPONENT, name: 'Sash', route: '' },
		costume
	);
	const added = (await lastAction(w.db))!.id;
	for (const name of ['Red sash', 'Blue sash']) {
		const { version } = (await record()).components.find((c) => c.id === id)!;
		await w.run(
			componentCommands.editComponent,
			{ ...COMPONENT, id: String(id), version: String(version), name },
			costume
		);
	}
	const after = await snapshot();
	await undo(w.db, added);
	assert.match((await lastUndo(w.db))!.words, /Undid: Added .* Sash \(with 2 later\)/);
	assert.equal((await listActions(w.db, costume, null, 4)).filter((a) => !a.stands).length, 3);
	await undo(w.db, (await lastUndo(w.db))!.id);
	assert.equal(await snapshot(), after);
	assert.ok((await listActions(w.db, costume, null, 5)).slice(2).every((a) => a.stands));
});

test('what a later row still needs is not taken away beneath it: refused in words, nothing changed', async () => {
	const material = await w.run(materialCommands.addMaterial, { ...MATERIAL, name: 'Oilcloth' });
	const added = (await lastAction(w.db))!.id;
	await w.run(
		purchaseCommands.addPurchase,
		{ materialId: String(material.id), packs: '1', componentId: '' },
		costume
	);
	const before = await snapshot();
	await assert.rejects(
		previewUndo(w.db, added),
		(e) => e instanceof Refused && /still needs/.test(e.message)
	);
	await assert.rejects(undo(w.db, added), (e) => e instanceof Refused && /still needs/.test(e.message));
	assert.equal(await snapshot(), before);
});

test('a preview shows cascades and changes nothing', async () => {
	const { id } = await w.run(
		componentCommands.addComponent,
		{ ...COMPONENT, name: 'Mitre', route: '' },
		costume
	);
	const added = (await lastAction(w.db))!.id;
	await w.run(
		stepCommands.addStep,
		{
			componentId: String(id),
			faultId: '',
			name: 'late step',
			technique: 'other',
			phase: 'make',
			amount: '5',
			setUpMinutes: '0',
			waitMinutes: '0',
			placeId: ''
		},
		costume
	);
	const before = await snapshot();
	const preview = await previewUndo(w.db, added);
	assert.deepEqual(
		preview.changes.map((c) => c.tableName).sort(),
		['component', 'step'],
		'the step added later would go, too'
	);
	assert.equal(await snapshot(), before);
});

test('an action that changes nothing, or fails, leaves no entry', async () => {
	const last = (await lastAction(w.db))!.id;
	await act(w.db, async () => ({ words: 'Nothing', result: null }));
	await assert.rejects(
		act(w.db, async (tx) => {
			await tx.query(`update costume set name = 'half done' where id = $1`, [costume]);
			throw new Error('in the middle');
		})
	);
	assert.equal((await lastAction(w.db))!.id, last);
	assert.equal((await record()).costume.name, 'Reed');
});

test('history lists by costume and page, newest first, with every row before and after', async () => {
	const page = await listActions(w.db, costume, null, 5);
	assert.deepEqual(
		page.map((a) => a.id),
		[...page.map((a) => a.id)].sort((a, b) => b - a)
	);
	const older = await listActions(w.db, costume, page.at(-1)!.id, 5);
	assert.ok(older.every((a) => a.id < page.at(-1)!.id && a.costumeId === costume));
	assert.deepEqual(await listActions(w.db, 99_999, null, 5), []);
	const { id } = await w.run(
		componentCommands.addComponent,
		{ ...COMPONENT, name: 'Stole', route: '' },
		costume
	);
	const { version } = (await record()).components.find((c) => c.id === id)!;
	await w.run(
		componentCommands.editComponent,
		{ ...COMPONENT, id: String(id), version: String(version), name: 'Long stole' },
		costume
	);
	const [change] = await changesOf(w.db, (await lastAction(w.db))!.id);
	assert.deepEqual(
		[change!.tableName, change!.before!.name, change!.after!.name],
		['component', 'Stole', 'Long stole']
	);
});
