import assert from 'node:assert/strict';
import { test } from 'node:test';
import { boxOf, flatten } from '$core/engines/pattern/outline.ts';
import { piecesOf } from '$core/answers/shapePieces.ts';
import type { EventRule } from '$core/facts/travel.ts';
import { absent, add, costume, NEW_COSTUME, record, refused, said, w } from '$tests/support/oneCostume.ts';
import { readCostumeZip, writeCostumeZip } from '../costumeFile.ts';
import { loadMeasure } from '../read/measure.ts';
import { loadTravel, loadLuggage } from '../read/travel.ts';
import { loadWear } from '../read/wear.ts';
import { loadMaterials, loadHandbook, loadSettings, loadWorkshop } from '../read/workshop.ts';
import { costumeCommands } from './costume.ts';
import { shapeCommands } from './shape.ts';
import { travelCommands } from './travel.ts';
import { workshopCommands } from './workshop.ts';

const run = (name: keyof typeof travelCommands, values: Record<string, unknown> = {}, of = costume) =>
	w.run(
		travelCommands[name],
		Object.fromEntries(
			Object.entries(values).map(([k, v]) => [k, Array.isArray(v) ? (v as string[]) : String(v)])
		),
		of
	);
const travel = (of = costume) => loadTravel(w.db, of);
const wearingOf = async (componentId: number) => {
	const found = (await loadWear(w.db, costume)).wearings.find((x) => x.componentId === componentId)!;
	const { size, parts, packed, softTo, fragile, upright, travels, insideId, features } = found;
	return { size, parts, packed, softTo, fragile, upright, travels, insideId, features };
};
const TRAVEL = { parts: '1', travels: 'case' };
const luggage = async () =>
	loadLuggage(w.db, await record(), {
		materials: await loadMaterials(w.db),
		handbook: await loadHandbook(w.db)
	});
const longSides = async (componentId: number) => {
	const { components } = await record();
	const component = components.find((c) => c.id === componentId)!;
	const { shapes } = await loadMeasure(w.db, costume);
	const its = piecesOf(
		shapes.filter((s) => s.componentId === componentId),
		{ component, components, wearers: [], materials: [] }
	);
	return its.flatMap(({ pieces }) =>
		pieces.map(({ piece }) => {
			const box = boxOf(flatten(piece.outline).points);
			return Math.round(Math.max(box.right - box.left, box.top - box.bottom));
		})
	);
};

test('how a component travels is kept as typed; two sides of three, itself and what is gone are refused at the field', async () => {
	const id = await add({ name: 'Helm', route: '' });
	const wig = await add({ name: 'Wig', kind: 'wig', route: '' });
	await run('setTravel', {
		componentId: id,
		...TRAVEL,
		long: '30 cm',
		wide: '26 cm',
		high: '28 cm',
		softTo: '80',
		fragile: 'on',
		upright: 'on',
		features: ['light', 'mask']
	});
	assert.match(await said(), /Said how A-\d+ travels/);
	assert.deepEqual(await wearingOf(id), {
		size: [300, 260, 280],
		parts: 1,
		packed: null,
		softTo: 0.8,
		fragile: true,
		upright: true,
		travels: 'case',
		insideId: null,
		features: ['light', 'mask']
	});
	await run('setTravel', { componentId: wig, parts: '1', travels: id });
	assert.equal((await wearingOf(wig)).insideId, id);
	const field = (name: string, words: RegExp) => (e: unknown) =>
		refused(words)(e) && (e as { field?: string }).field === name;
	await assert.rejects(
		run('setTravel', { componentId: id, ...TRAVEL, long: '30 cm', high: '20 cm' }),
		field('wide', /all three sides/)
	);
	await assert.rejects(
		run('setTravel', { componentId: id, parts: '1', travels: id }),
		field('travels', /inside itself/)
	);
	await assert.rejects(
		run('setTravel', { componentId: id, parts: '1', travels: '9999' }),
		field('travels', /not there/)
	);
	await assert.rejects(run('setTravel', { componentId: '9999', ...TRAVEL }), absent);
	const errors = await w.errors(
		travelCommands.setTravel,
		{ componentId: String(id), parts: '0', travels: 'rocket', long: '-1', softTo: '0' },
		costume
	);
	assert.deepEqual(Object.keys(errors).sort(), ['long', 'parts', 'softTo', 'travels']);
	assert.deepEqual((await wearingOf(id)).size, [300, 260, 280], 'what was there is there');
});

test('rules of an event: each kind needs its limit; they are of every costume that goes there, and are copied to another event', async () => {
	const field = (name: string) => (e: unknown) => (e as { field?: string }).field === name;
	await assert.rejects(run('addRule', { kind: 'length' }), field('most'));
	await assert.rejects(run('addRule', { kind: 'weight' }), field('kilograms'));
	await assert.rejects(run('addRule', { kind: 'case', long: '80 cm', wide: '50 cm' }), field('high'));
	await assert.rejects(run('addRule', { kind: 'other' }), field('note'));
	assert.equal((await travel()).rules.length, 0);
	await run('addRule', { kind: 'length', most: '1.2 m' });
	await run('addRule', { kind: 'weight', kilograms: '1.5' });
	await run('addRule', { kind: 'blade' });
	const limits = (rules: readonly EventRule[], event: string) =>
		rules.filter((r) => r.eventName === event).map((r) => [r.kind, ...r.limits]);
	const here = (await record()).costume.eventName;
	assert.deepEqual(limits((await travel()).rules, here), [['length', 1200], ['weight', 1500], ['blade']]);
	const [first] = (await travel()).rules;
	await run('editRule', { id: first!.id, version: first!.version, kind: 'length', most: '90 cm' });
	const { id: other } = await w.run<{ id: number }>(costumeCommands.addCostume, {
		...NEW_COSTUME,
		eventName: 'Moor walk'
	});
	await run('addRule', { kind: 'blade', note: 'Foam only' }, other);
	await run('copyRules', { from: ` ${here.toUpperCase()}` }, other);
	assert.match(await said(), /Copied 2 rules/);
	assert.deepEqual(limits((await travel()).rules, 'Moor walk'), [
		['blade'],
		['length', 900],
		['weight', 1500]
	]);
	await assert.rejects(run('copyRules', { from: here }, other), refused(/no rule that this event/));
	const { id: nowhere } = await w.run<{ id: number }>(costumeCommands.addCostume, {
		...NEW_COSTUME,
		eventName: ''
	});
	await assert.rejects(run('addRule', { kind: 'flame' }, nowhere), refused(/no event yet/));
	await run('removeRule', { id: first!.id });
	await assert.rejects(run('removeRule', { id: first!.id }), absent);
});

test('worked by hand: a pole of 1800 before a limit of 1200 comes apart; its piece is cut, a sleeve is a join and work; and back', async () => {
	const pole = await add({ name: 'Pole', kind: 'prop', route: '' });
	await w.run(
		shapeCommands.addShape,
		{
			componentId: String(pole),
			shaper: 'flatPanel',
			'value.top': '40 mm',
			'value.bottom': '40 mm',
			'value.height': '180 cm',
			'value.corner': '0',
			'value.allowance': '0'
		},
		costume
	);
	assert.deepEqual(await longSides(pole), [1800]);
	await run('setTravel', { componentId: pole, ...TRAVEL, long: '180 cm', wide: '4 cm', high: '4 cm' });
	await run('addRule', { kind: 'length', most: '120 cm' });
	const rule = (await travel()).rules.find((r) => r.limits[0] === 1200)!;
	await run('takeApart', { componentId: pole, ruleId: rule.id });
	assert.match(await said(), /comes apart into 2 parts of 102 cm/);
	// Two halves of 900; the sleeve is what makes each 1020 long.
	assert.deepEqual(await longSides(pole), [900, 900]);
	const its = (await luggage()).find((l) => l.component.id === pole)!;
	assert.deepEqual(its.box!.size, [1020, 80, 40]);
	const [join] = (await loadWear(w.db, costume)).joins.filter((j) => j.componentId === pole);
	assert.deepEqual([join!.fastener, join!.holdsTo, join!.count, join!.lengthMm], ['sleeve', 'self', 1, 120]);
	const step = (await record()).steps.find((s) => s.id === join!.stepId)!;
	assert.deepEqual([step.name, step.technique, step.amount], ['sleeve and pin, closes itself', 'sleeve', 1]);
	await assert.rejects(
		run('takeApart', { componentId: pole, ruleId: rule.id }),
		refused(/not too long any more/)
	);
	await w.undoLast();
	assert.deepEqual(await longSides(pole), [1800]);
	assert.equal((await wearingOf(pole)).parts, 1);
	// To 35 cm it would take more than four parts.
	await run('addRule', { kind: 'length', most: '35 cm' });
	const short = (await travel()).rules.find((r) => r.limits[0] === 350)!;
	await assert.rejects(run('takeApart', { componentId: pole, ruleId: short.id }), refused(/more parts/));
	// To 75 cm three: 600 and the sleeve are 720.
	await run('addRule', { kind: 'length', most: '75 cm' });
	const third = (await travel()).rules.find((r) => r.limits[0] === 750)!;
	await run('takeApart', { componentId: pole, ruleId: third.id });
	assert.deepEqual(
		(await longSides(pole)).every((mm) => mm <= 720),
		true
	);
	assert.equal(
		(await longSides(pole)).reduce((a, b) => a + b),
		1800
	);
});

test('cases and ticks: kept once each, taken off for the next event, undone', async () => {
	await run('addCase', {
		name: 'Trunk',
		long: '80 cm',
		wide: '50 cm',
		high: '30 cm',
		wallMm: '1 cm',
		kg: '23'
	});
	const [trunk] = (await travel()).cases;
	assert.deepEqual([trunk!.name, trunk!.inner, trunk!.wallMm, trunk!.kg], ['Trunk', [800, 500, 300], 10, 23]);
	await run('editCase', {
		id: trunk!.id,
		version: trunk!.version,
		name: 'Trunk',
		long: '80 cm',
		wide: '50 cm',
		high: '40 cm',
		wallMm: '0',
		kg: '20'
	});
	assert.equal((await travel()).cases[0]!.inner[2], 400);
	const errors = await w.errors(travelCommands.addCase, { name: '', long: '0', kg: '0' }, costume);
	assert.deepEqual(Object.keys(errors).sort(), ['high', 'kg', 'long', 'name', 'wallMm', 'wide']);
	for (const leg of ['going', 'going', 'home']) await run('tickPacked', { line: 'c1.1', leg, on: 'true' });
	assert.deepEqual(
		(await travel()).ticks.map((t) => [t.line, t.leg]),
		[
			['c1.1', 'going'],
			['c1.1', 'home']
		]
	);
	await run('tickPacked', { line: 'c1.1', leg: 'going', on: 'false' });
	assert.equal((await travel()).ticks.length, 1);
	await run('newTrip');
	assert.equal((await travel()).ticks.length, 0);
	await w.undoLast();
	assert.equal((await travel()).ticks.length, 1);
	await run('removeCase', { id: trunk!.id });
	await assert.rejects(run('removeCase', { id: trunk!.id }), absent);
});

test('how it travels is in the costume’s file, and in a copy', async () => {
	const zip = await writeCostumeZip(w.db, costume, await loadWorkshop(w.db));
	const wearings = readCostumeZip(zip).file.wearings;
	assert.ok(wearings.some((x) => x.features.includes('mask') && x.size?.[0] === 300));
	assert.ok(wearings.some((x) => x.insideId !== null));
});

test('what is borne for hours is the maker’s own; both shoulders bear no less than one', async () => {
	const { version, comfort } = await loadSettings(w.db);
	const typed = Object.fromEntries(Object.entries(comfort).map(([k, v]) => [k, String(v)]));
	await w.run(workshopCommands.setComfort, { ...typed, version: String(version), head: '650' });
	assert.equal((await loadSettings(w.db)).comfort.head, 650);
	const errors = await w.errors(workshopCommands.setComfort, {
		...typed,
		version: String(version + 1),
		shoulders: '1000'
	});
	assert.match(errors['shoulders']!, /no less than one/);
});
