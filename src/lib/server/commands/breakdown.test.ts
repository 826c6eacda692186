import assert from 'node:assert/strict';
import { test } from 'node:test';
import { COMPONENT } from '$tests/support/workshop.ts';
import { Stale } from '../db/rows.ts';
import { componentCommands } from './component.ts';
import { costumeCommands } from './costume.ts';
import { faultCommands } from './fault.ts';
import { formValues } from './formValues.ts';
import { stepCommands } from './step.ts';
import {
	NEW_COSTUME,
	w,
	costume,
	record,
	refused,
	absent,
	said,
	add,
	STEP,
	addStep,
	stepOf
} from '$tests/support/oneCostume.ts';

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
	// Said at once it is the same; without a first one, another is the route.
	const both = await add({ name: 'Lamp', kind: 'prop', route: 'light', furtherRoute: 'foamPlate' });
	const only = await add({ name: 'Shell', kind: 'prop', furtherRoute: 'foamPlate' });
	const lamps = await record();
	const of = (its: number) => lamps.components.find((c) => c.id === its)!;
	assert.deepEqual([of(both).route, of(both).furtherRoutes], ['light', ['foamPlate']]);
	assert.deepEqual([of(only).route, of(only).furtherRoutes], ['foamPlate', []]);
	const stepsOf = (its: number) =>
		lamps.steps
			.filter((s) => s.componentId === its)
			.sort((a, b) => a.position - b.position)
			.map((s) => s.name);
	assert.deepEqual(stepsOf(both), names);
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
