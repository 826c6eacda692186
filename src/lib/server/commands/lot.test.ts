import assert from 'node:assert/strict';
import { test } from 'node:test';
import sharp from 'sharp';
import { add, costume, record, refused, said, w } from '$tests/support/oneCostume.ts';
import { MATERIAL } from '$tests/support/workshop.ts';
import { shoppingLines } from '$core/answers/shopping.ts';
import { parseDate } from '$core/units/localTime.ts';
import { startClock } from '../clock.ts';
import { Stale } from '../db/rows.ts';
import { loadOffcuts } from '../read/layout.ts';
import { loadShop } from '../read/shop.ts';
import { loadMaterials } from '../read/workshop.ts';
import { leftoverCommands } from './leftover.ts';
import { lotCommands } from './lot.ts';
import { materialCommands } from './material.ts';
import { offcutCommands } from './offcut.ts';
import { purchaseCommands } from './purchase.ts';

const LOT = {
	quantity: '2 1/2',
	colour: '',
	place: '',
	boughtOn: '',
	packSize: '',
	packPriceMinor: '',
	currency: 'EUR',
	bestBefore: '',
	note: ''
};
const added = async (name: string, values: object = {}) =>
	(await w.run(materialCommands.addMaterial, { ...MATERIAL, name, ...values })).id;
const read = async (id: number) => (await loadMaterials(w.db)).find((m) => m.id === id)!;
const lots = async (id: number) => (await read(id)).lots;
const put = (materialId: number, values: object = {}) =>
	w.run(lotCommands.addLot, { ...LOT, materialId: String(materialId), ...values });
const day = (text: string) => {
	const found = parseDate(text);
	assert.ok(found.ok);
	return found.value;
};

test('a lot: put in the stash with all that is known of it, changed, counted, used up, and all of it undone', async () => {
	const id = await added('Velvet', { unit: 'm', stash: '1', stashNote: 'chest' });
	assert.deepEqual([(await read(id)).stash, (await lots(id)).length], [1, 1]);
	const { id: lot } = await put(id, {
		colour: 'moss, lot 7',
		boughtOn: '2031-03-01',
		packPriceMinor: '18',
		currency: 'USD',
		bestBefore: '2032-03-01'
	});
	assert.equal(await said(), 'Put 2.5 m of Velvet in the stash');
	const its = async () => (await lots(id)).find((l) => l.id === lot)!;
	const { quantity, colour, boughtOn, packSize, packPriceMinor, currency, bestBefore, good } = await its();
	assert.deepEqual(
		[quantity, colour, boughtOn, packSize, packPriceMinor, currency, bestBefore, good],
		[2.5, 'moss, lot 7', day('2031-03-01'), 1, 1800, 'USD', day('2032-03-01'), true],
		'its price is of a pack of the material'
	);
	assert.equal((await read(id)).stash, 3.5);
	const { version } = await its();
	await w.run(lotCommands.editLot, {
		...LOT,
		id: String(lot),
		version: String(version),
		quantity: '2',
		place: 'box 4'
	});
	assert.deepEqual(
		[(await its()).place, (await its()).packPriceMinor, (await its()).currency],
		['box 4', null, null]
	);
	await assert.rejects(
		w.run(lotCommands.countLot, { id: String(lot), version: String(version), quantity: '9' }),
		(e) => e instanceof Stale
	);
	await w.run(lotCommands.countLot, {
		id: String(lot),
		version: String((await its()).version),
		quantity: '1,75'
	});
	assert.deepEqual([(await its()).quantity, (await its()).countedOn], [1.75, day('2031-04-28')]);
	await w.run(lotCommands.countLot, {
		id: String(lot),
		version: String((await its()).version),
		quantity: '0'
	});
	assert.equal(await said(), 'A lot of Velvet is used up');
	assert.equal((await read(id)).stash, 1);
	await w.undoLast();
	assert.equal((await read(id)).stash, 2.75);
	await w.run(lotCommands.removeLot, { id: String(lot) });
	assert.equal(await said(), 'Took 1.75 m of Velvet out of the stash');
	await w.run(materialCommands.removeMaterial, { id: String(id) });
	await w.undoLast();
	assert.equal((await read(id)).stash, 1, 'a material comes back with its lots');
});

test('what cannot be is refused at its field', async () => {
	const id = await added('Latex', { family: 'other', unit: 'ml' });
	const errors = (values: object) =>
		w.errors(lotCommands.addLot, { ...LOT, materialId: String(id), ...values });
	for (const [field, value] of [
		['quantity', '0'],
		['quantity', '-2'],
		['quantity', '1e9'],
		['packPriceMinor', '1,999'],
		['packSize', '0'],
		['bestBefore', 'next year'],
		['currency', 'XXX']
	] as const)
		assert.ok((await errors({ [field]: value }))[field], `${field} ${value}`);
	await assert.rejects(put(id, { boughtOn: '2031-05-01' }), refused(/still to come/));
	await assert.rejects(
		put(id, { boughtOn: '2031-04-01', bestBefore: '2031-03-01' }),
		refused(/bought later/)
	);
	await assert.rejects(put(9999), /material/);
	await assert.rejects(w.run(lotCommands.removeLot, { id: '9999' }), /lot/);
});

test('past its last day a lot is promised to nobody, from midnight on', async () => {
	const id = await added('Latex of spring', { family: 'other', unit: 'ml' });
	await put(id, { quantity: '200', bestBefore: '2031-04-28' });
	const component = await add({ name: 'Mask' });
	await w.run(
		purchaseCommands.addNeed,
		{ componentId: String(component), materialId: String(id), quantity: '150', stepId: '', waste: '' },
		costume
	);
	const promised = async () =>
		(await loadShop(w.db)).atWork.find((c) => c.record.costume.id === costume)!.promised.get(id);
	assert.equal(await promised(), 150);
	startClock('2031-04-29T00:10');
	assert.equal(await promised(), undefined);
	startClock('2031-04-28T18:00');
	assert.equal(await promised(), 150);
});

test('a photo of a lot is encoded anew and taken off again; what is no picture is refused', async () => {
	const id = await added('Brocade', { unit: 'm', stash: '3' });
	const [lot] = await lots(id);
	const photograph = (bytes: Uint8Array<ArrayBuffer>) =>
		w.run(lotCommands.photographLot, { id: String(lot!.id), photo: new File([bytes], 'cloth.jpg') });
	const jpeg = await sharp({ create: { width: 300, height: 200, channels: 3, background: '#642' } })
		.jpeg()
		.toBuffer();
	await photograph(new Uint8Array(jpeg));
	assert.match((await lots(id))[0]!.hash!, /^[0-9a-f]{64}$/);
	await assert.rejects(photograph(new TextEncoder().encode('<svg/>')), refused(/not a JPEG/));
	await w.run(lotCommands.removeLotPhoto, { id: String(lot!.id) });
	assert.equal((await lots(id))[0]!.hash, null);
	await w.undoLast();
	assert.ok((await lots(id))[0]!.hash);
});

test('a stock-take: what was counted and what was seen is one action; what moved meanwhile is counted again', async () => {
	const cord = await added('Cord', { unit: 'm', stash: '10' });
	const buckle = await added('Buckle', { unit: 'piece', stash: '4' });
	const snap = await added('Snap', { unit: 'piece', stash: '6' });
	const of = async (id: number) => (await lots(id))[0]!;
	const [c, b, s] = [await of(cord), await of(buckle), await of(snap)];
	const sheet = await added('Offcut foam', { widthMm: '50 cm', lengthMm: '1 m' });
	await w.run(offcutCommands.addOffcut, {
		materialId: String(sheet),
		name: 'Long strip',
		note: '',
		outline: JSON.stringify([
			[0, 0],
			[100, 0],
			[100, 100]
		]),
		flaws: '[]'
	});
	const offcut = (await loadOffcuts(w.db)).find((o) => o.name === 'Long strip')!;
	const take = (values: object) =>
		w.run(lotCommands.takeStock, {
			seen: [String(b.id)],
			gone: [String(offcut.id)],
			[`lot${c.id}`]: '7,5',
			[`was${c.id}`]: '10',
			[`was${b.id}`]: '4',
			...values
		});
	await assert.rejects(take({ [`lot${c.id}`]: 'some' }), refused(/not a number/));
	await assert.rejects(take({ [`lot${c.id}`]: '-1' }), refused(/Between 0/));
	await assert.rejects(
		take({ [`was${c.id}`]: '11' }),
		refused(/There were 11 m of Cord when you counted, and there are 10 now/)
	);
	await take({});
	assert.equal(await said(), 'Counted 2 lots: Cord 7.5 instead of 10: Long strip is gone');
	assert.deepEqual(
		[
			(await of(cord)).quantity,
			(await of(buckle)).quantity,
			(await of(buckle)).countedOn,
			(await of(snap)).countedOn
		],
		[7.5, 4, day('2031-04-28'), null]
	);
	assert.ok(!(await loadOffcuts(w.db)).some((o) => o.name === 'Long strip'));
	await w.undoLast();
	assert.deepEqual([(await of(cord)).quantity, (await of(cord)).countedOn], [10, null]);
	assert.ok((await loadOffcuts(w.db)).some((o) => o.name === 'Long strip'));
	await take({ [`lot${s.id}`]: '0', [`was${s.id}`]: '6' });
	assert.equal((await read(snap)).stash, 0);
	await assert.rejects(w.run(lotCommands.takeStock, { seen: [], gone: [] }), refused(/Count something/));
});

test('what is left over goes to the stash with its price and its day; the purchase has so much less', async () => {
	const id = await added('Resin', { family: 'hard', unit: 'ml', packSize: '500', packPriceMinor: '24' });
	await w.run(purchaseCommands.addPurchase, { materialId: String(id), packs: '2', componentId: '' }, costume);
	const bought = async () => (await record()).purchases.find((p) => p.materialId === id)!;
	const { id: purchase } = await bought();
	for (const state of ['ordered', 'arrived'])
		await w.run(purchaseCommands.setPurchaseState, { id: String(purchase), state }, costume);
	const component = await add({ name: 'Gem' });
	await w.run(
		purchaseCommands.addNeed,
		{ componentId: String(component), materialId: String(id), quantity: '650', stepId: '', waste: '' },
		costume
	);
	const keep = (values: object) =>
		w.run(leftoverCommands.keepLeftovers, { keep: [String(id)], place: 'cool shelf', ...values }, costume);
	await assert.rejects(keep({ [`units${id}`]: '1200' }), refused(/1\D?000 ml are here/));
	await assert.rejects(keep({ [`units${id}`]: '' }), refused(/Say how much/));
	await assert.rejects(keep({ [`units${id}`]: '350', [`until${id}`]: 'soon' }), refused(/./));
	await keep({ [`units${id}`]: '350', [`until${id}`]: '2031-10-01' });
	const [lot] = await lots(id);
	assert.deepEqual(
		[
			lot!.quantity,
			lot!.packSize,
			lot!.packPriceMinor,
			lot!.currency,
			lot!.boughtOn,
			lot!.bestBefore,
			lot!.place
		],
		[350, 500, 2400, 'EUR', day('2031-04-28'), day('2031-10-01'), 'cool shelf']
	);
	assert.equal((await bought()).stashed, 350);
	const line = async () =>
		shoppingLines(await record(), { ...(await loadShop(w.db)).workshop }).find((l) => l.material.id === id)!;
	assert.deepEqual([(await line()).needed, (await line()).bought, (await line()).short], [650, 650, 0]);
	// Of two packs 350 ml are gone: 1.3 packs are left, so one can be sent back and not two.
	const back = (packs: string) =>
		w.run(
			purchaseCommands.returnPurchase,
			{ id: String(purchase), packs, refundMinor: '0', why: '' },
			costume
		);
	await assert.rejects(back('2'), refused(/went to the stash/));
	await assert.rejects(
		w.run(purchaseCommands.setPurchaseState, { id: String(purchase), state: 'planned' }, costume),
		refused(/went to the stash/)
	);
	await w.undoLast();
	assert.deepEqual([(await lots(id)).length, (await bought()).stashed], [0, 0]);
});
