import assert from 'node:assert/strict';
import { test } from 'node:test';
import { MATERIAL } from '$tests/support/workshop.ts';
import { dayOf } from '../../../core/units/localTime.ts';
import { clock } from '../clock.ts';
import { Stale } from '../db/rows.ts';
import { lastAction, undo } from '../db/undo.ts';
import { loadMaterials, loadWorkshop } from '../read/workshop.ts';
import { costumeCommands } from './costume.ts';
import { daysOffCommands } from './daysOff.ts';
import { materialCommands } from './material.ts';
import { purchaseCommands } from './purchase.ts';
import { stepCommands } from './step.ts';
import { workshopCommands } from './workshop.ts';
import {
	NEW_COSTUME,
	w,
	costume,
	record,
	refused,
	absent,
	said,
	add,
	addStep,
	stepOf
} from '$tests/support/oneCostume.ts';

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

test('a maker’s odd weeks differ until they do not; many days off are one action', async () => {
	const me = async () => (await loadWorkshop(w.db)).makers.find((m) => m.id === 1)!;
	const hours = async () =>
		(await me()).windows.map(({ days, from, to, weeks }) => [days.join(''), from, to, weeks ?? 'every']);
	const week = [[[600, 660]], [], [], [], [], [], []];
	const odd = [[[600, 660]], [[1080, 1140]], [], [], [], [], []];
	const before = await hours();
	await w.run(workshopCommands.setWeek, {
		makerId: '1',
		week: JSON.stringify(week),
		odd: JSON.stringify(odd)
	});
	assert.deepEqual(await hours(), [
		['1', 600, 660, 'every'],
		['2', 1080, 1140, 'odd']
	]);
	await w.run(workshopCommands.setWeek, { makerId: '1', week: JSON.stringify(week), odd: 'null' });
	assert.deepEqual(await hours(), [['1', 600, 660, 'every']]);
	await w.undoLast();
	await w.undoLast();
	assert.deepEqual(await hours(), before);

	const first = dayOf(clock()) + 10;
	await w.run(daysOffCommands.setDaysOff, {
		makerId: '1',
		days: JSON.stringify([first, first + 1, first + 2]),
		off: 'true'
	});
	assert.deepEqual((await me()).off, [first, first + 1, first + 2]);
	await w.run(daysOffCommands.setDaysOff, {
		makerId: '1',
		days: JSON.stringify([first + 1, first + 9]),
		off: 'false'
	});
	assert.deepEqual((await me()).off, [first, first + 2]);
	await w.undoLast();
	await w.undoLast();
	assert.deepEqual((await me()).off, []);
	await assert.rejects(w.run(daysOffCommands.setDaysOff, { days: '[1]', off: 'true' }), absent);
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
	await w.run(materialCommands.editMaterial, {
		...MATERIAL,
		id: String(id),
		version: String((await read()).version),
		packPriceMinor: '9,90',
		coatProduct: 'fillerPrimer'
	});
	assert.equal((await read()).packPriceMinor, 990);
	await assert.rejects(
		w.run(materialCommands.editMaterial, { ...MATERIAL, id: String(id), version: '1', name: 'Primer' }),
		(e) => e instanceof Stale
	);
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
	const edit = async (values: object = {}, of = costume) =>
		w.run(
			purchaseCommands.editPurchase,
			{ id: String((await read()).id), version: String((await read()).version), ...EDIT, ...values },
			of
		);
	await assert.rejects(edit(), refused(/before it was ordered/));
	await assert.rejects(edit({ dueOn: '' }, costume + 1), absent, 'it is of another costume');
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

test('how warm and damp it is where it dries is typed once: waits follow, and said by hand it is forgotten', async () => {
	const settings = async () => (await loadWorkshop(w.db)).settings;
	const today = dayOf(clock());
	const air = async () => (await settings()).air.map((r) => [r.on, r.celsius, r.humidity, r.coldOrDamp]);
	await w.run(workshopCommands.setAir, { celsius: '12', humidity: '' });
	assert.equal(await said(), 'Where it dries: 12 °C');
	assert.deepEqual([await air(), (await settings()).coldOrDamp], [[[today, 12, null, true]], true]);
	await w.run(workshopCommands.setAir, { celsius: '19,5', humidity: '55' });
	assert.equal((await settings()).coldOrDamp, false);
	await w.run(workshopCommands.setAir, { celsius: '20', humidity: '80' });
	assert.equal((await settings()).coldOrDamp, true);
	await undo(w.db, lastAction);
	// Measured again on a day it is what was measured last that counts.
	assert.deepEqual(await air(), [[today, 19.5, 55, false]]);
	for (const [field, value, why] of [
		['celsius', '-3', /Below freezing nothing dries/],
		['celsius', '200', /60/],
		['humidity', '101', /100/]
	] as const)
		assert.match(
			(await w.errors(workshopCommands.setAir, { celsius: '', humidity: '', [field]: value }))[field]!,
			why
		);
	await w.run(workshopCommands.setAir, { celsius: '', humidity: '' });
	assert.deepEqual([await air(), (await settings()).coldOrDamp], [[[today, null, null, false]], false]);
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
