import assert from 'node:assert/strict';
import { test } from 'node:test';
import sharp from 'sharp';
import { add, addStep, costume, record, refused, said, w } from '$tests/support/oneCostume.ts';
import { parseDate } from '$core/units/localTime.ts';
import { loadMaterials, loadOffers, loadSuppliers } from '../read/workshop.ts';
import { clock } from '../clock.ts';
import { plannedCostume } from '../read/plans.ts';
import { loadShop } from '../read/shop.ts';
import { materialCommands } from './material.ts';
import { pasteCommands } from './paste.ts';
import { purchaseCommands } from './purchase.ts';
import { buyCommands, supplierCommands } from './supplier.ts';

const SUPPLIER = {
	name: 'North',
	currency: 'EUR',
	shipping: '5,90',
	freeFrom: '60',
	minOrder: '',
	days: ['1', '2', '3', '4', '5'],
	closed: '2031-05-01, 2031-12-24 to 2031-12-26',
	note: ''
};
const MATERIAL = {
	name: 'Foam',
	family: 'foam',
	unit: 'sheet',
	packSize: '1',
	packPriceMinor: '12,90',
	currency: 'EUR',
	supplier: 'north',
	leadDays: '4',
	leadWorkingDays: 'on',
	stash: '0',
	stashNote: '',
	coatProduct: ''
};
const suppliers = () => loadSuppliers(w.db);
const offers = () => loadOffers(w.db, null);
const addFoam = async (name: string) => (await w.run(materialCommands.addMaterial, { ...MATERIAL, name })).id;
const price = (value: string, key = 'packPrice') => ({
	materialId: '',
	supplierId: '',
	packSize: '4',
	packPrice: '46',
	breaks: '',
	leadDays: '4',
	mostPacks: '',
	note: '',
	[key]: value
});

test('terms of a supplier: read as they are typed, refused at their field, once by name, undone', async () => {
	const { id } = await w.run(supplierCommands.addSupplier, SUPPLIER);
	const [its] = await suppliers();
	assert.deepEqual(
		[its!.shippingMinor, its!.freeFromMinor, its!.minOrderMinor, its!.closed.length],
		[590, 6000, null, 4]
	);
	assert.equal((parseDate('2031-05-01') as { value: number }).value, its!.closed[0]);
	await assert.rejects(
		w.run(supplierCommands.addSupplier, { ...SUPPLIER, name: 'NORTH' }),
		refused(/there already/)
	);
	await assert.rejects(
		w.run(supplierCommands.addSupplier, { ...SUPPLIER, name: 'South', shipping: '5.905' }),
		refused(/smallest coin/)
	);
	assert.deepEqual(
		Object.keys(
			await w.errors(supplierCommands.addSupplier, { ...SUPPLIER, name: '', days: [], closed: '1 May' })
		).sort(),
		['closed', 'days', 'name']
	);
	await w.run(supplierCommands.editSupplier, { ...SUPPLIER, id: String(id), version: '1', shipping: '' });
	assert.equal((await suppliers())[0]!.shippingMinor, 0);
	await w.undoLast();
	assert.equal((await suppliers())[0]!.shippingMinor, 590);
});

test('packs of a supplier: priced in its currency, with breaks; gone with it, and back with it', async () => {
	const foam = await addFoam('Foam of packs');
	const { id: supplierId } = await w.run(supplierCommands.addSupplier, {
		...SUPPLIER,
		name: 'East',
		currency: 'JPY',
		shipping: '500',
		freeFrom: ''
	});
	const line = { ...price('4600'), materialId: String(foam), supplierId: String(supplierId) };
	await w.run(supplierCommands.addOffer, { ...line, breaks: '3: 4000; 2: 4400' });
	await assert.rejects(
		w.run(supplierCommands.addOffer, { ...line, packPrice: '46.50' }),
		refused(/smallest coin/)
	);
	await assert.rejects(
		w.run(supplierCommands.addOffer, { ...line, packPrice: '' }),
		refused(/Needs a price/)
	);
	await assert.rejects(
		w.run(supplierCommands.addOffer, { ...line, breaks: 'three: 40' }),
		refused(/no price from so many/)
	);
	assert.deepEqual(
		Object.keys(
			await w.errors(supplierCommands.addOffer, { ...line, packSize: '0', leadDays: '9999', mostPacks: '-1' })
		).sort(),
		['leadDays', 'mostPacks', 'packSize']
	);
	const its = (await offers()).filter((o) => o.materialId === foam);
	assert.deepEqual(
		its.map((o) => [o.packPriceMinor, o.breaks]),
		[
			[
				4600,
				[
					{ from: 2, priceMinor: 4400 },
					{ from: 3, priceMinor: 4000 }
				]
			]
		]
	);
	await w.run(supplierCommands.removeSupplier, { id: String(supplierId) });
	assert.equal((await offers()).filter((o) => o.materialId === foam).length, 0);
	await w.undoLast();
	assert.deepEqual(
		(await offers()).filter((o) => o.materialId === foam).map((o) => o.packPriceMinor),
		[4600]
	);
});

test('a price list: rows by name, the same pack takes a new price, nothing is kept of a list with a wrong row', async () => {
	const foam = await addFoam('Foam of lists');
	const paste = (rows: string) => w.run(pasteCommands.pasteOffers, { rows });
	await paste(
		'material\tsupplier\tpack\tprice\tbreaks\tlead\nfoam of lists\tWest\t4\t46\t3: 44\t4\nFoam of lists\tWest\t10\t99,50\t\t'
	);
	assert.match(await said(), /2 packs added, 0 changed/);
	await paste('material\tsupplier\tpack\tprice\nFoam of lists\twest\t4\t45');
	assert.match(await said(), /0 packs added, 1 changed/);
	const its = async () =>
		(await offers())
			.filter((o) => o.materialId === foam)
			.map((o) => [o.packSize, o.packPriceMinor, o.breaks.length]);
	assert.deepEqual(await its(), [
		[4, 4500, 0],
		[10, 9950, 0]
	]);
	await assert.rejects(
		paste('material\tsupplier\tprice\nFoam of lists\tWest\t1\nFelt\tWest\t2'),
		refused(/Row 3, material: no material is called “Felt”/)
	);
	await assert.rejects(
		paste('material\tsupplier\tprice\nFoam of lists\tWest\t1.005'),
		refused(/Row 2, price: Finer/)
	);
	assert.deepEqual(await its(), [
		[4, 4500, 0],
		[10, 9950, 0]
	]);
});

test('worked by hand: what is chosen takes the place of what was only on the list, with sending shared out, and is undone in one', async () => {
	const foam = await addFoam('Foam to buy');
	const glue = await addFoam('Glue to buy');
	const component = await add({ name: 'Plate' });
	for (const [materialId, quantity] of [
		[foam, '3.2'],
		[glue, '1']
	] as const)
		await w.run(
			purchaseCommands.addNeed,
			{ componentId: String(component), materialId: String(materialId), quantity, stepId: '', waste: '' },
			costume
		);
	const { id: supplierId } = await w.run(supplierCommands.addSupplier, {
		...SUPPLIER,
		name: 'Middle',
		freeFrom: '100'
	});
	await w.run(supplierCommands.addOffer, {
		...price('22'),
		packSize: '2',
		breaks: '2: 20',
		materialId: String(foam),
		supplierId: String(supplierId)
	});
	await w.run(supplierCommands.addOffer, {
		...price('7'),
		packSize: '1',
		materialId: String(glue),
		supplierId: String(supplierId)
	});
	await w.run(purchaseCommands.planShort, { materialId: String(foam) }, costume);
	const listed = async () =>
		(await record()).purchases.filter((p) => p.materialId === foam || p.materialId === glue);
	assert.deepEqual(
		(await listed()).map((p) => [p.packs, p.packSize, p.packPriceMinor]),
		[[4, 1, 1290]]
	);
	const [two, one] = (await offers()).filter((o) => o.supplierId === supplierId);
	const costumes = String(costume);
	const to = (units: number) => [{ costumeId: costume, units }];
	const chosen = JSON.stringify([
		{ pack: `offer ${two!.id}`, packs: 2, to: to(4) },
		{ pack: `offer ${one!.id}`, packs: 1, to: to(1) }
	]);
	await w.run(buyCommands.buyChosen, { costumes, chosen }, costume);
	// Two packs at the break are 40.00, with 7.00 of glue; 5.90 × 40 ÷ 47 = 5.02 and 0.88.
	assert.deepEqual(
		(await listed()).map((p) => [
			p.packs,
			p.packSize,
			p.packPriceMinor,
			p.shippingMinor,
			p.supplier,
			p.leadDays
		]),
		[
			[2, 2, 2000, 502, 'Middle', 4],
			[1, 1, 700, 88, 'Middle', 4]
		]
	);
	assert.equal(await said(), 'Put on the list: 2 × Foam to buy and 1 × Glue to buy');
	// Ordered on Monday 28 April, four working days, 1 May closed.
	const [first] = await listed();
	await w.run(purchaseCommands.setPurchaseState, { id: String(first!.id), state: 'ordered' }, costume);
	assert.equal((await listed())[0]!.dueOn, (parseDate('2031-05-05') as { value: number }).value);
	await w.undoLast();
	await w.undoLast();
	assert.deepEqual(
		(await listed()).map((p) => [p.packs, p.packSize]),
		[[4, 1]]
	);
	await assert.rejects(
		w.run(
			buyCommands.buyChosen,
			{ costumes, chosen: JSON.stringify([{ pack: 'offer 999999', packs: 1, to: to(1) }]) },
			costume
		)
	);
	for (const wrong of [
		'[]',
		'x',
		JSON.stringify([{ pack: `offer ${two!.id}`, packs: -1, to: to(1) }]),
		JSON.stringify([{ pack: `offer ${two!.id}`, packs: 1, to: [] }]),
		JSON.stringify([{ pack: 'a', packs: 1, to: [...to(1), ...to(1)] }]),
		JSON.stringify([
			{ pack: 'a', packs: 1, to: to(1) },
			{ pack: 'a', packs: 2, to: to(2) }
		])
	])
		assert.deepEqual(
			Object.keys(await w.errors(buyCommands.buyChosen, { costumes, chosen: wrong }, costume)),
			['chosen'],
			wrong
		);
	assert.equal((await loadMaterials(w.db)).find((m) => m.id === foam)!.packSize, 1);
});

test('worked by hand: a parcel that comes in part, one that is sent back in part, one that is altered', async () => {
	const foam = await addFoam('Foam by post');
	const component = await add({ name: 'Shield' });
	await w.run(
		purchaseCommands.addPurchase,
		{ materialId: String(foam), packs: '5', componentId: String(component) },
		costume
	);
	const its = async () => (await record()).purchases.filter((p) => p.materialId === foam);
	const [line] = await its();
	const id = String(line!.id);
	await assert.rejects(
		w.run(purchaseCommands.arriveInPart, { id, packs: '2' }, costume),
		refused(/was ordered/)
	);
	await w.run(
		purchaseCommands.editPurchase,
		{
			id,
			version: String(line!.version),
			packs: '5',
			packPriceMinor: '12,90',
			shippingMinor: '5,90',
			supplier: 'north',
			leadDays: '4',
			leadWorkingDays: 'on',
			orderedOn: '2031-04-24',
			dueOn: '2031-04-30',
			note: ''
		},
		costume
	);
	await w.run(purchaseCommands.setPurchaseState, { id, state: 'ordered' }, costume);
	await assert.rejects(
		w.run(purchaseCommands.arriveInPart, { id, packs: '5' }, costume),
		refused(/all of it, 5/)
	);
	await w.run(purchaseCommands.arriveInPart, { id, packs: '2' }, costume);
	// 5.90 by packs: two of five are 2.36.
	const seen = async () =>
		(await its())
			.map((p) => [p.state, p.packs, p.shippingMinor, p.refundMinor, p.dueOn] as const)
			.sort((a, b) => a[1] - b[1]);
	const due = parseDate('2031-04-30');
	assert.ok(due.ok);
	assert.deepEqual(await seen(), [
		['arrived', 2, 236, 0, due.value],
		['ordered', 3, 354, 0, due.value]
	]);
	assert.match(await said(), /2 of 5 × Foam by post arrived/);
	await w.undoLast();
	assert.deepEqual(await seen(), [['ordered', 5, 590, 0, due.value]]);
	await w.run(purchaseCommands.arriveParcel, { ids: [id] }, costume);
	await assert.rejects(w.run(purchaseCommands.arriveParcel, { ids: [id] }, costume), refused(/already/));

	// One sheet is creased: 12.90 come back, its share of the sending does not.
	const back = (values: object) =>
		w.run(
			purchaseCommands.returnPurchase,
			{ id, packs: '1', refundMinor: '12,90', why: 'creased', ...values },
			costume
		);
	await assert.rejects(back({ packs: '6' }), refused(/There are 5/));
	await assert.rejects(back({ refundMinor: '99' }), refused(/More than it cost/));
	await back({});
	assert.deepEqual(await seen(), [
		['returned', 1, 118, 1290, due.value],
		['arrived', 4, 472, 0, due.value]
	]);
	assert.match((await its()).find((p) => p.state === 'returned')!.note, /creased/);
	assert.equal(
		(await its()).reduce((sum, p) => sum + p.shippingMinor, 0),
		590,
		'no coin is lost'
	);

	await w.run(
		purchaseCommands.alterPurchase,
		{ id, componentId: String(component), what: 'flatten the sheets', minutes: '45m' },
		costume
	);
	const step = (await record()).steps.find((s) => s.componentId === component)!;
	assert.deepEqual(
		[step.name, step.technique, step.amount, step.perCopy],
		['flatten the sheets', 'other', 45, false]
	);
	assert.match((await its()).find((p) => p.id === line!.id)!.note, /came otherwise: flatten the sheets/);
});

test('in the shop: what was ticked is here for what it cost there, once, and the usual price is remembered', async () => {
	const foam = await addFoam('Foam in town');
	const price = async () => (await loadMaterials(w.db)).find((m) => m.id === foam)!.packPriceMinor;
	await w.run(
		purchaseCommands.addPurchase,
		{ materialId: String(foam), packs: '2', componentId: '' },
		costume
	);
	const line = async () => (await record()).purchases.find((p) => p.materialId === foam)!;
	const { id } = await line();
	const bought = (values: object) =>
		w.run(purchaseCommands.boughtInShop, { ticked: [String(id)], ...values }, costume);
	await assert.rejects(bought({ [`price${id}`]: 'dear' }), refused(/amount of money/));
	assert.ok((await w.errors(purchaseCommands.boughtInShop, {}, costume)).ticked);
	await bought({ [`price${id}`]: '13,40', remember: 'on' });
	assert.deepEqual(
		[(await line()).state, (await line()).packPriceMinor, await price()],
		['arrived', 1340, 1340]
	);
	await assert.rejects(bought({}), refused(/None of it/));
	await w.undoLast();
	assert.deepEqual([(await line()).state, await price()], ['planned', 1290]);
	// Nothing typed: as it was known; not to be remembered: only here.
	await bought({ [`price${id}`]: ' ' });
	assert.equal((await line()).packPriceMinor, 1290);
	// What was sent back is on no list: ticked late, it does not come back.
	await w.run(
		purchaseCommands.returnPurchase,
		{ id: String(id), packs: '2', refundMinor: '5', why: '' },
		costume
	);
	await assert.rejects(bought({}), refused(/None of it/));
	assert.deepEqual([(await line()).state, (await line()).refundMinor], ['returned', 500]);
});

test('how late a supplier’s parcels come is learned from those that came, and plans go by it, until that is taken back', async () => {
	await w.run(supplierCommands.addSupplier, { ...SUPPLIER, name: 'Slow post', closed: '' });
	const { id: foam } = await w.run(materialCommands.addMaterial, {
		...MATERIAL,
		name: 'Foam by post',
		supplier: 'slow post',
		leadDays: '2'
	});
	const plate = await add({ name: 'Plate by post', code: 'A-19' });
	await addStep(plate, { name: 'cut' });
	await w.run(
		purchaseCommands.addNeed,
		{ componentId: String(plate), materialId: String(foam), quantity: '9' },
		costume
	);
	const lateNow = async () =>
		(await loadShop(w.db)).workshop.suppliers.find((s) => s.name === 'Slow post')!.late ?? null;
	const buy = async (orderedOn: string) => {
		await w.run(
			purchaseCommands.addPurchase,
			{ materialId: String(foam), packs: '1', componentId: '' },
			costume
		);
		const p = (await record()).purchases.at(-1)!;
		await w.run(purchaseCommands.setPurchaseState, { id: String(p.id), state: 'ordered' }, costume);
		const { version } = (await record()).purchases.find((q) => q.id === p.id)!;
		await w.run(
			purchaseCommands.editPurchase,
			{
				id: String(p.id),
				version: String(version),
				packs: '1',
				packPriceMinor: '12,90',
				shippingMinor: '0',
				supplier: 'Slow post',
				leadDays: '2',
				leadWorkingDays: 'on',
				orderedOn,
				dueOn: '',
				note: ''
			},
			costume
		);
		await w.run(purchaseCommands.setPurchaseState, { id: String(p.id), state: 'arrived' }, costume);
	};
	// It is Monday 28 April: due on Wednesday to Friday before, they come five, four and three days late.
	await buy('2031-04-21');
	await buy('2031-04-22');
	assert.equal(await lateNow(), null);
	await buy('2031-04-23');
	assert.deepEqual(await lateNow(), { parcels: 3, usualDays: 4, worstDays: 5 });
	const { plan } = (await plannedCostume(w.db, costume, clock()))!;
	const parcel = plan.problem.parcels!.find((p) => p.id === `parcel ${foam}`)!;
	assert.deepEqual(parcel.late, [0, 4 * 1440, 5 * 1440]);
	await w.undoLast();
	assert.equal(await lateNow(), null);
});

test('a receipt is kept with all that stands on it, or with one line alone; it is no part of the costume’s file', async () => {
	const foam = await addFoam('Foam with a receipt');
	const cord = await addFoam('Cord with a receipt');
	const buy = async (materialId: number, supplier: string) => {
		await w.run(
			purchaseCommands.addPurchase,
			{ materialId: String(materialId), packs: '1', componentId: '' },
			costume
		);
		const { id, version } = (await record()).purchases.at(-1)!;
		await w.run(
			purchaseCommands.editPurchase,
			{
				id: String(id),
				version: String(version),
				packs: '1',
				packPriceMinor: '3',
				shippingMinor: '0',
				supplier,
				leadDays: '0',
				orderedOn: '',
				dueOn: '',
				note: ''
			},
			costume
		);
		await w.run(purchaseCommands.setPurchaseState, { id: String(id), state: 'arrived' }, costume);
		return id;
	};
	const [a, b, other] = [
		await buy(foam, 'Receipt shop'),
		await buy(cord, 'receipt Shop '),
		await buy(cord, 'elsewhere')
	];
	const has = async () =>
		(await record()).purchases
			.filter((p) => p.hash !== null)
			.map((p) => p.id)
			.sort((x, y) => x - y);
	const jpeg = new Uint8Array(
		await sharp({ create: { width: 40, height: 90, channels: 3, background: '#fff' } })
			.jpeg()
			.toBuffer()
	);
	const photograph = (id: number, more: object = {}) =>
		w.run(
			purchaseCommands.photographReceipt,
			{ id: String(id), photo: new File([jpeg], 'receipt.jpg'), ...more },
			costume
		);
	await photograph(a, { all: 'on' });
	assert.equal(await said(), 'Kept the receipt of Foam with a receipt and 1 more');
	assert.deepEqual(await has(), [a, b]);
	await w.run(purchaseCommands.removeReceipt, { id: String(b) }, costume);
	assert.deepEqual(await has(), [a]);
	await w.undoLast();
	await photograph(other);
	assert.deepEqual(await has(), [a, b, other]);
	await assert.rejects(
		w.run(
			purchaseCommands.photographReceipt,
			{ id: String(a), photo: new File(['%PDF-1.7'], 'x.jpg') },
			costume
		),
		refused(/not a JPEG/)
	);
});
