import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { testWorkshop, COMPONENT, type TestWorkshop } from '$tests/support/workshop.ts';
import { minutesOf } from '../../../core/answers/minutes.ts';
import { readHandbook, writeHandbookFile } from '../../../core/formats/handbook.ts';
import { catalogueOf, STANDARD } from '../../../core/trade/catalogue.ts';
import { keyFor } from '../../../core/trade/handbookRow.ts';
import { Refused } from '../db/rows.ts';
import { loadRecord } from '../read/costume.ts';
import { loadHandbook, loadWorkshop } from '../read/workshop.ts';
import { componentCommands } from './component.ts';
import { costumeCommands } from './costume.ts';
import { faultCommands } from './fault.ts';
import { glueAdvice } from '$core/answers/glueAdvice.ts';
import { handbookCommands } from './handbook.ts';
import { stepCommands } from './step.ts';
import { readLines } from '$core/answers/quickLine.ts';
import { takesOf } from '$core/answers/takes.ts';
import { loadShop } from '../read/shop.ts';

let w: TestWorkshop;
let costume: number;
before(async () => {
	w = await testWorkshop('2031-04-28T18:00');
	({ id: costume } = await w.run(costumeCommands.addCostume, {
		name: 'Heron',
		wearer: '',
		eventName: '',
		eventAt: '2031-06-01T10:00',
		bufferDays: '2',
		limitMinor: '',
		split: 'windows',
		note: ''
	}));
});
after(() => w.close());

const TECHNIQUE = {
	key: '',
	name: 'Vacuum form',
	driver: 'count',
	of: 'shell',
	minutes: '15',
	follows: '',
	ground: 'solid',
	layers: 'once',
	redo: '',
	cautions: ['heat'],
	source: 'our oven, 20 shells'
};
const refused = (pattern: RegExp) => (e: unknown) => e instanceof Refused && pattern.test(e.message);

test('keys are made of names, kept apart from those that are taken', () => {
	assert.equal(keyFor('Vacuum form', []), 'vacuumForm');
	assert.equal(keyFor('Vacuum form', ['vacuumForm', 'vacuumForm2']), 'vacuumForm3');
	assert.equal(keyFor('Säge & Feile', []), 'sageFeile');
	assert.match(keyFor('3 Lagen', []), /^[a-z][A-Za-z0-9]*$/);
	assert.match(keyFor('漆', []), /^[a-z][A-Za-z0-9]*$/);
});

test('a technique of one’s own: planned with, in use, undone, and not taken away under a step', async () => {
	const { key } = await w.run<{ key: string }>(handbookCommands.setTechnique, TECHNIQUE);
	assert.equal(key, 'vacuumForm');
	const made = await w.run(componentCommands.addComponent, { ...COMPONENT, route: '' }, costume);
	const step = {
		componentId: String(made.id),
		faultId: '',
		name: 'form the shells',
		technique: key,
		phase: 'make',
		amount: '4',
		perCopy: 'on',
		setUpMinutes: '30m',
		waitMinutes: '0',
		placeId: ''
	};
	const { id } = await w.run(stepCommands.addStep, step, costume);
	// By hand: 30 minutes of setting up, 4 shells of 15.
	const minutes = async () =>
		minutesOf((await loadRecord(w.db, costume))!, await loadWorkshop(w.db)).get(id)![1];
	assert.equal(await minutes(), 90);
	await w.run(handbookCommands.setTechnique, { ...TECHNIQUE, key, minutes: '10' });
	assert.equal(await minutes(), 70);
	await w.undoLast();
	assert.equal(await minutes(), 90);
	await assert.rejects(
		w.run(handbookCommands.removeHandbookRow, { tableName: 'technique', key }),
		refused(/1 step/)
	);
	assert.deepEqual(
		Object.keys(await w.errors(stepCommands.addStep, { ...step, technique: 'nobodyKnows' }, costume)),
		['technique']
	);
});

test('a row that ships is changed for everything that goes by it, and brought back', async () => {
	const usual = STANDARD.technique.cutFoam!;
	await w.run(handbookCommands.setTechnique, {
		...TECHNIQUE,
		key: 'cutFoam',
		name: usual.name,
		driver: 'length',
		of: 'outline',
		minutes: '5'
	});
	const [row] = (await loadHandbook(w.db)).filter((r) => r.key === 'cutFoam');
	assert.equal(row!.content.minutes, 5);
	await w.run(handbookCommands.removeHandbookRow, { tableName: 'technique', key: 'cutFoam' });
	assert.equal((await loadHandbook(w.db)).filter((r) => r.key === 'cutFoam').length, 0);
});

test('a known fault of one’s own brings its cure, and is linked to the log by its key', async () => {
	await w.run(handbookCommands.setKnownFault, {
		key: '',
		symptom: 'wing droops',
		cause: 'rod bent',
		cure: 'thicker rod',
		blames: 'glue',
		steps: JSON.stringify([
			{ name: 'swap the rod', technique: 'attach', amount: 2, waitMinutes: 60, oneSitting: true }
		]),
		source: ''
	});
	const { components } = (await loadRecord(w.db, costume))!;
	await w.run(
		faultCommands.addFault,
		{
			componentId: String(components[0]!.id),
			symptom: 'Wing droops',
			cause: '',
			cure: '',
			occasion: 'event',
			happenedAt: '2031-04-27T10:00',
			minutesLost: '0',
			cameBackOf: ''
		},
		costume
	);
	const record = (await loadRecord(w.db, costume))!;
	assert.equal(record.faults[0]!.known, 'wingDroops');
	assert.ok(record.steps.some((s) => s.name === 'swap the rod' && s.faultId === record.faults[0]!.id));
});

test('wrong values are told at their fields, and steps that cannot be read are none', async () => {
	const errors = await w.errors(handbookCommands.setTechnique, {
		...TECHNIQUE,
		name: '',
		minutes: '-1',
		driver: 'magic'
	});
	assert.deepEqual(Object.keys(errors).sort(), ['driver', 'minutes', 'name']);
	const route = {
		key: '',
		name: 'two coats',
		kinds: ['armor'],
		area: '1000',
		source: '',
		steps: JSON.stringify([{ name: 'x', technique: 'other', phase: 'make', amount: null, waitMinutes: 0 }])
	};
	assert.deepEqual(Object.keys(await w.errors(handbookCommands.setRoute, route)), ['steps']);
	const coats = {
		key: '',
		name: 'c',
		how: 'brush',
		least: '4',
		most: '2',
		recoatMinutes: '30m',
		withinMinutes: ''
	};
	const coat = {
		...coats,
		orAfterMinutes: '',
		handlingMinutes: '1 d',
		pack: 'tin',
		base: 'water',
		does: 'colour',
		coversMm2: '1 m2',
		source: ''
	};
	assert.deepEqual(Object.keys(await w.errors(handbookCommands.setCoatProduct, coat)), ['most']);
});

test('written out and read in another workshop it is the same; what it needs and nobody has is refused', async () => {
	const text = writeHandbookFile(await loadHandbook(w.db));
	const other = await testWorkshop('2031-04-28T18:00');
	try {
		const file = (json: string) => ({ file: new File([json], 'handbook.json') });
		await other.run(handbookCommands.importHandbook, file(text));
		const bare = async (db: TestWorkshop) =>
			(await loadHandbook(db.db)).map(({ tableName, key, content }) => ({ tableName, key, content }));
		assert.deepEqual(await bare(other), await bare(w));
		for (const [json, why] of [
			['{', /not JSON/],
			['{}', /not a handbook/],
			[text.replace('"count"', '"magic"'), /rows\.\d+\.content\.driver/],
			[text.replace('"attach"', '"nobodyKnows"'), /nobodyKnows/]
		] as const)
			await assert.rejects(
				other.run(handbookCommands.importHandbook, file(json)),
				refused(why),
				json.slice(0, 40)
			);
		assert.ok(readHandbook(text).ok);
	} finally {
		await other.close();
	}
});

test('a rule of coats and a pair of one’s own are kept, found, and refused where they say nothing', async () => {
	const rule = {
		key: '',
		name: 'Wash on wax',
		over: 'wash',
		on: 'highlight, clear+gloss',
		unless: '',
		untilCured: 'on',
		why: 'It beads.',
		cures: JSON.stringify([
			{ does: 'insert', product: 'flexibleSealer' },
			{ does: 'under', product: '' }
		]),
		source: ''
	};
	const { key } = await w.run<{ key: string }>(handbookCommands.setCoatRule, rule);
	const { coatRule } = catalogueOf(await loadHandbook(w.db));
	assert.deepEqual(coatRule[key], {
		name: 'Wash on wax',
		over: ['wash'],
		on: ['highlight', 'clear+gloss'],
		unless: [],
		spoils: false,
		untilCured: true,
		why: 'It beads.',
		cures: [
			{ does: 'insert', product: 'flexibleSealer' },
			{ does: 'under', product: null }
		],
		source: 'my own'
	});
	await w.run(handbookCommands.setBond, {
		key: '',
		name: 'leather on wood',
		a: ['leather'],
		b: ['wood'],
		first: ['contactCement'],
		avoided: ['hotGlue'],
		why: 'it lets go',
		rather: 'Tacks.',
		prepare: '',
		source: ''
	});
	const { bond } = catalogueOf(await loadHandbook(w.db));
	assert.deepEqual(bond.leatherOnWood!.avoid, [{ glue: 'hotGlue', why: 'it lets go' }]);
	const context = { trade: STANDARD, settings: { lengthUnit: 'cm' } } as never;
	const wrong = handbookCommands.setCoatRule.input(context).safeParse({ ...rule, over: '', on: 'a++b' });
	assert.deepEqual([...new Set(wrong.error!.issues.map((i) => i.path[0]))].sort(), ['on', 'over']);
	assert.ok(!handbookCommands.setBond.input(context).safeParse({ name: 'x', first: [] }).success);
});

test('what speaks for and against a glue is rows: one of the maker’s own moves the rank, and is taken away', async () => {
	const pair = { a: 'foam', b: 'foam', loads: ['peel'], seamMm: null, gapMm: 0, faceMm2: null } as const;
	const ranked = async () =>
		glueAdvice(pair, catalogueOf(await loadHandbook(w.db)), [])!.choices.map((c) => [
			c.key,
			c.points,
			c.cons
		]);
	// Usual for the pair: 2. Hot glue is stiff, −1.
	const before = [
		['contactCement', 2, []],
		['hotGlue', -1, ['stiff: an edge peels it']]
	];
	assert.deepEqual(await ranked(), before);
	const rule = {
		key: '',
		name: 'No solvent in my room',
		under: 'any',
		glues: 'solvent+flexible',
		unless: '',
		points: '-4',
		why: 'fumes in a small room, {heat} °C',
		source: ''
	};
	const { key } = await w.run<{ key: string }>(handbookCommands.setGlueRule, rule);
	assert.deepEqual(await ranked(), [before[1], ['contactCement', -2, ['fumes in a small room, 70 °C']]]);
	await w.run(handbookCommands.setGlueRule, { ...rule, key, unless: 'contactCement' });
	assert.deepEqual(await ranked(), before);
	await w.run(handbookCommands.removeHandbookRow, { tableName: 'glueRule', key });
	assert.deepEqual(await ranked(), before);
	const wrong = await w.errors(handbookCommands.setGlueRule, { ...rule, glues: 'a++b', points: '99' });
	assert.match(wrong.glues!, /is not a trait/);
	assert.match(wrong.points!, /At most 20/);
});

test('a coat of one’s own from before bases were asked for is read as what it was, and files of then are too', () => {
	const { base, does, sheen, cureMinutes, heatLimit, ...old } = STANDARD.coatProduct.enamelSpray!;
	const row = (key: string) => ({ id: 1, tableName: 'coatProduct' as const, key, content: old, version: 1 });
	const trade = catalogueOf([row('enamelSpray'), row('myOwn')]);
	assert.deepEqual(
		[trade.coatProduct.enamelSpray!.base, trade.coatProduct.enamelSpray!.cureMinutes],
		[base, cureMinutes]
	);
	assert.deepEqual(
		[trade.coatProduct.myOwn!.base, trade.coatProduct.myOwn!.does, trade.coatProduct.myOwn!.cureMinutes],
		['water', 'colour', null]
	);
	assert.ok(does && sheen && heatLimit === null);
	assert.ok(readHandbook(writeHandbookFile([row('myOwn')])).ok);
});

test('a word of one’s own is read in a line, and a material as one buys it is what the costume takes', async () => {
	await w.run(handbookCommands.setThing, {
		key: '',
		name: 'Hip Cage',
		also: 'farthingale, Bum Roll',
		many: '',
		kind: 'garment',
		places: ['hips'],
		layer: '2',
		flex: 'rigid',
		route: 'wovenGarment',
		source: ''
	});
	const trade = async () => catalogueOf(await loadHandbook(w.db));
	const [line] = readLines('two bum rolls', [], await trade());
	assert.deepEqual(
		[line!.kind, line!.layer, line!.route, line!.zones, line!.count],
		['garment', 2, 'wovenGarment', ['hips'], 2]
	);
	// The same word that ships is one's own after it was changed.
	const shield = STANDARD.thing.shield!;
	await w.run(handbookCommands.setThing, {
		key: 'shield',
		name: 'shield',
		also: 'buckler',
		many: '',
		kind: shield.kind,
		places: [...shield.places],
		layer: '5',
		flex: 'rigid',
		route: 'printedPart',
		source: 'we print them'
	});
	assert.equal(readLines('buckler', [], await trade())[0]!.route, 'printedPart');
	assert.ok('name' in (await w.errors(handbookCommands.setThing, { key: '', name: 'plate 2', layer: '1' })));

	const foam = STANDARD.starter.highDensityFoam5Mm!;
	assert.equal(foam.name, 'High-density foam 5 mm');
	await w.run(handbookCommands.setStarter, {
		key: 'highDensityFoam5Mm',
		name: foam.name,
		family: 'foam',
		unit: 'sheet',
		packSize: '4',
		thicknessMm: '5 mm',
		widthMm: '2 m',
		lengthMm: '1 m',
		gramsPerM2: '500',
		stretchAcross: '',
		stretchAlong: '',
		leadDays: '9',
		source: 'the shop in town'
	});
	const { id } = await w.run<{ id: number }>(
		componentCommands.addComponent,
		{ ...COMPONENT, name: 'Tassets', side: 'none', count: '1', form: '5 mm foam', route: 'foamPlate' },
		costume
	);
	const record = (await loadRecord(w.db, costume))!;
	const { workshop } = await loadShop(w.db);
	const take = takesOf(record, workshop).find((t) => t.material.name === foam.name)!;
	// By hand: 0.15 m² × 1.3 ÷ 2 m² a sheet = 0.0975 sheets, of a pack of four.
	assert.deepEqual([take.material.packSize, take.material.widthMm, take.material.leadDays], [4, 2000, 9]);
	const need = take.needs.find((n) => n.componentId === id)!;
	assert.ok(Math.abs(need.quantity - 0.0975) < 0.006, String(need.quantity));
	assert.ok(
		'unit' in
			(await w.errors(handbookCommands.setStarter, {
				key: '',
				name: 'Odd paint',
				family: 'paint',
				unit: 'sheet',
				packSize: '1'
			}))
	);
	await w.run(handbookCommands.removeHandbookRow, { tableName: 'starter', key: 'highDensityFoam5Mm' });
	assert.equal((await trade()).starter.highDensityFoam5Mm!.packSize, 1);
});
