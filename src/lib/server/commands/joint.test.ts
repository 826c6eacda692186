import assert from 'node:assert/strict';
import { test } from 'node:test';
import { add, costume, NEW_COSTUME, record, refused, said, w } from '$tests/support/oneCostume.ts';
import { wholeOf } from '$core/facts/jointPurchase.ts';
import { purchaseCost, type Purchase } from '$core/facts/material.ts';
import { shoppingLines } from '$core/answers/shopping.ts';
import { spendOf } from '$core/answers/spend.ts';
import { loadJoints } from '../read/joints.ts';
import { plannedCostume } from '../read/plans.ts';
import { clock } from '../clock.ts';
import { componentCommands } from './component.ts';
import { costumeCommands } from './costume.ts';
import { materialCommands } from './material.ts';
import { purchaseCommands } from './purchase.ts';
import { buyCommands, supplierCommands } from './supplier.ts';
import { standInCommands } from './standIn.ts';
import { COMPONENT } from '$tests/support/workshop.ts';

/** Another costume, whose event is sooner. */
let other: number;
let paint: number;

test('two costumes that need of the same paint', async () => {
	other = (
		await w.run(costumeCommands.addCostume, {
			...NEW_COSTUME,
			name: 'Moss knight',
			eventAt: '2099-04-16T09:00'
		})
	).id;
	await w.run(supplierCommands.addSupplier, {
		name: 'North',
		currency: 'EUR',
		shipping: '5',
		freeFrom: '',
		minOrder: '',
		days: ['1', '2', '3', '4', '5'],
		closed: '',
		note: ''
	});
	paint = (
		await w.run(materialCommands.addMaterial, {
			name: 'Black paint',
			family: 'other',
			unit: 'ml',
			packSize: '100',
			packPriceMinor: '9,99',
			currency: 'EUR',
			supplier: 'North',
			leadDays: '4',
			leadWorkingDays: 'on',
			stash: '0',
			stashNote: '',
			coatProduct: ''
		})
	).id;
	const theirs = (await w.run(componentCommands.addComponent, { ...COMPONENT, route: '' }, other)).id;
	for (const [of, componentId, quantity] of [
		[costume, await add(), '30'],
		[other, theirs, '110']
	] as const)
		await w.run(
			purchaseCommands.addNeed,
			{ componentId: String(componentId), materialId: String(paint), quantity, stepId: '', waste: '' },
			of
		);
});

const listOf = async (id: number) => (await record(id)).purchases.filter((p) => p.materialId === paint);
/** How it stands on both lists: who comes first first. */
const both = async () => [...(await listOf(other)), ...(await listOf(costume))];
const joints = () => loadJoints(w.db, [costume]);
const shown = (p: Purchase) => [
	p.costumeId,
	p.state,
	p.packs * p.packSize!,
	p.packPriceMinor,
	p.shippingMinor
];

const buy = async (packs: number, mine: number, theirs: number, pack = `usual ${paint}`) =>
	w.run(buyCommands.buyChosen, {
		costumes: `${costume} ${other}`,
		chosen: JSON.stringify([
			{
				pack,
				packs,
				to: [
					{ costumeId: other, units: theirs },
					{ costumeId: costume, units: mine }
				]
			}
		])
	});
/** As the form of a share sends it. */
const edit = ({ id, version, costumeId }: Purchase, typed: Record<string, string>) =>
	w.run(
		purchaseCommands.editJoint,
		{
			id: String(id),
			version: String(version),
			supplier: 'North',
			leadDays: '4',
			orderedOn: '',
			dueOn: '',
			note: '',
			...typed
		},
		costumeId
	);
const money = async (of: number) => {
	const { workshop, record } = (await plannedCostume(w.db, of, clock()))!;
	return spendOf(record, workshop).totalMinor;
};

test('worked by hand, from two needs to two lists: enough for each, its part of the money, together what the parcel costs', async () => {
	// Bought apart it were one tin and 5.00, and two and 5.00: 14.99 and 24.98.
	assert.deepEqual([await money(costume), await money(other)], [999, 1998]);
	await buy(2, 30, 170);
	// 19.98 and 5.00 by 170 and 30 of 200.
	assert.deepEqual((await both()).map(shown), [
		[other, 'planned', 170, 1698, 425],
		[costume, 'planned', 30, 300, 75]
	]);
	assert.equal(await said(), 'Put on the lists of Reed singer and Moss knight: 2 × Black paint');
	for (const [of, over] of [
		[costume, 0],
		[other, 60]
	] as const) {
		const { workshop, record } = (await plannedCostume(w.db, of, clock()))!;
		const line = shoppingLines(record, workshop).find((l) => l.material.id === paint)!;
		assert.deepEqual([line.short, line.over], [0, over]);
	}
	assert.deepEqual([await money(costume), await money(other)], [375, 2123]);
	const [joint] = await joints();
	assert.deepEqual(
		[joint!.packs, joint!.packSize, joint!.packPriceMinor, joint!.shippingMinor],
		[2, 100, 999, 500]
	);
	assert.deepEqual(
		joint!.shares.map((s) => [s.costume, s.units]),
		[
			['Moss knight', 170],
			['Reed singer', 30]
		]
	);
	assert.equal(purchaseCost(wholeOf((await listOf(costume))[0]!, [joint!])), 2498);
	// Chosen anew it takes the place of itself, and nobody has a part of what is gone.
	await buy(3, 130, 170);
	assert.deepEqual(
		(await joints()).map((j) => j.packs),
		[3]
	);
	await w.undoLast();
	assert.deepEqual((await both()).map(shown)[0], [other, 'planned', 170, 1698, 425]);
});

test('what one of them does with it is done for both; each uses up its own', async () => {
	const [theirs, mine] = await both();
	const set = (state: string, { id, costumeId }: Purchase) =>
		w.run(purchaseCommands.setPurchaseState, { id: String(id), state }, costumeId);
	const states = async () => (await both()).map((p) => p.state);
	await set('ordered', mine!);
	assert.deepEqual(await states(), ['ordered', 'ordered']);
	assert.equal(await said(), 'Black paint is ordered, for 2 costumes');
	const due = (await both()).map((p) => p.dueOn);
	assert.ok(due[0] !== null && due[0] === due[1]);
	await w.run(purchaseCommands.arriveParcel, { ids: [String(theirs!.id)] }, other);
	assert.deepEqual(await states(), ['arrived', 'arrived']);
	assert.equal(await said(), 'Arrived: 2 × Black paint');
	await set('used', theirs!);
	assert.deepEqual(await states(), ['used', 'arrived']);
	await set('arrived', mine!);
	assert.deepEqual(await states(), ['used', 'arrived']);
	// Taken off where it is used up, it stays with the other.
	await w.run(purchaseCommands.removePurchase, { id: String(theirs!.id) }, other);
	assert.deepEqual(await states(), ['arrived']);
	for (let k = 0; k < 5; k++) await w.undoLast();
	assert.deepEqual(await states(), ['planned', 'planned']);
});

test('a price is that of a pack of the whole: typed, paid in the shop and remembered, and shared to the last coin', async () => {
	const [, mine] = await both();
	await edit(mine!, {
		packPriceMinor: '10,01',
		shippingMinor: '3,33',
		supplier: 'South',
		leadDays: '7',
		note: 'the matt one'
	});
	// 20.02 × 170 ÷ 200 = 17.017 and 3.003; 3.33 × 0.85 = 2.8305 and 0.4995.
	assert.deepEqual(
		(await both()).map((p) => [p.packPriceMinor, p.shippingMinor, p.supplier, p.leadDays, p.note]),
		[
			[1702, 283, 'South', 7, ''],
			[300, 50, 'South', 7, 'the matt one']
		]
	);
	await w.undoLast();
	await w.run(
		purchaseCommands.boughtInShop,
		{ ticked: [String(mine!.id)], [`price${mine!.id}`]: '8,88', remember: 'on' },
		costume
	);
	// 17.76 by 170 and 30: 15.096 and 2.664.
	assert.deepEqual((await both()).map(shown), [
		[other, 'arrived', 170, 1510, 425],
		[costume, 'arrived', 30, 266, 75]
	]);
	assert.equal(await said(), 'Bought: 2 × Black paint');
	const { materials } = (await plannedCostume(w.db, costume, clock()))!.workshop;
	assert.equal(materials.find((m) => m.id === paint)!.packPriceMinor, 888);
	await w.undoLast();
});

test('a part of it comes: who is first has it, the rest is on its way to whoever waits, no unit and no coin is lost', async () => {
	const [, mine] = await both();
	const id = String(mine!.id);
	await w.run(purchaseCommands.setPurchaseState, { id, state: 'ordered' }, costume);
	await assert.rejects(
		w.run(purchaseCommands.arriveInPart, { id, packs: '2' }, costume),
		refused(/all of it, 2/)
	);
	await w.run(purchaseCommands.arriveInPart, { id, packs: '1' }, costume);
	assert.equal(await said(), '1 of 2 × Black paint arrived, the rest is on its way');
	// A hundred for the Moss knight; of the other hundred 70 and 30: 6.993 and 2.997, 1.75 and 0.75.
	assert.deepEqual((await both()).map(shown), [
		[other, 'arrived', 100, 999, 250],
		[other, 'ordered', 70, 699, 175],
		[costume, 'ordered', 30, 300, 75]
	]);
	assert.deepEqual(
		(await loadJoints(w.db, [other])).map((j) => [
			j.packs,
			j.packPriceMinor,
			j.shippingMinor,
			j.shares.length
		]),
		[
			[1, 999, 250, 1],
			[1, 999, 250, 2]
		]
	);
	await w.undoLast();
	assert.deepEqual((await both()).map(shown), [
		[other, 'ordered', 170, 1698, 425],
		[costume, 'ordered', 30, 300, 75]
	]);
	await w.undoLast();
});

test('sent back: all of it with the money shared out, or packs of whoever has them', async () => {
	const [theirs, mine] = await both();
	for (const state of ['ordered', 'arrived'])
		await w.run(purchaseCommands.setPurchaseState, { id: String(mine!.id), state }, costume);
	const back = ({ id, costumeId }: Purchase, packs: string, refundMinor: string) =>
		w.run(
			purchaseCommands.returnPurchase,
			{ id: String(id), packs, refundMinor, why: 'too brown' },
			costumeId
		);
	await assert.rejects(back(mine!, '3', '0'), refused(/There are 2/));
	await assert.rejects(back(mine!, '1', '0'), refused(/less than a pack/));
	await assert.rejects(back(theirs!, '1', '13'), refused(/More than it cost/));
	await back(theirs!, '1', '9,99');
	// 4.25 of sending by 70 and 100 of its 170: 1.75 and 2.50.
	assert.deepEqual(
		(await both()).map((p) => [...shown(p), p.refundMinor, p.jointId === null]),
		[
			[other, 'arrived', 70, 699, 175, 0, false],
			[other, 'returned', 100, 999, 250, 999, true],
			[costume, 'arrived', 30, 300, 75, 0, false]
		]
	);
	const [joint] = await joints();
	assert.deepEqual([joint!.packs, joint!.packPriceMinor, joint!.shippingMinor], [1, 999, 250]);
	await w.undoLast();

	await assert.rejects(back(mine!, '2', '25'), refused(/More than it cost/));
	await back(mine!, '2', '19,98');
	assert.deepEqual(
		(await both()).map((p) => [...shown(p), p.refundMinor]),
		[
			[other, 'returned', 170, 1698, 425, 1698],
			[costume, 'returned', 30, 300, 75, 300]
		]
	);
	assert.equal(await said(), 'Sent back 2 × Black paint, for 2 costumes');
	for (let k = 0; k < 3; k++) await w.undoLast();
});

test('off one list it is off both; a stand-in of one takes it from the other too, which is short then', async () => {
	const [theirs] = await both();
	await w.run(purchaseCommands.removePurchase, { id: String(theirs!.id) }, other);
	assert.deepEqual([await both(), await joints()], [[], []]);
	assert.equal(await said(), 'Took Black paint off the lists of 2 costumes');
	await w.undoLast();
	const south = await w.run(supplierCommands.addSupplier, {
		name: 'South',
		currency: 'EUR',
		shipping: '0',
		freeFrom: '',
		minOrder: '',
		days: ['1', '2', '3', '4', '5'],
		closed: '',
		note: ''
	});
	await w.run(supplierCommands.addOffer, {
		materialId: String(paint),
		supplierId: String(south.id),
		packSize: '50',
		packPrice: '8',
		breaks: '',
		leadDays: '1',
		mostPacks: '',
		note: ''
	});
	const offer = (await w.db.query<{ id: number }>('select id from offer')).rows[0]!.id;
	await w.run(
		standInCommands.takeStandIn,
		{ materialId: String(paint), key: `supplier offer ${offer}` },
		costume
	);
	assert.deepEqual((await both()).map(shown), [[costume, 'planned', 50, 800, 0]]);
	assert.deepEqual(await joints(), []);
	await w.undoLast();
	assert.equal((await both()).length, 2);
});

test('a costume that is removed leaves the others what they have; what nobody shares is gone', async () => {
	await w.run(costumeCommands.removeCostume, { id: String(other) });
	const [joint] = await joints();
	assert.deepEqual([joint!.packs, joint!.shares.length], [2, 1]);
	const [mine] = await listOf(costume);
	assert.deepEqual(shown(mine!), [costume, 'planned', 30, 300, 75]);
	// Dearer by a half, its part is; it does not pay for what is nobody's.
	await edit(mine!, { packPriceMinor: '14,98', shippingMinor: '5' });
	assert.deepEqual((await listOf(costume)).map(shown), [[costume, 'planned', 30, 449, 75]]);
	await w.undoLast();
	await w.undoLast();
	assert.equal((await both()).length, 2);
});

test('refused: costumes that are not there, packs that are another size by now, money of two kinds', async () => {
	await assert.rejects(buy(2, 30, 160), refused(/changed since/));
	await assert.rejects(
		w.run(buyCommands.buyChosen, {
			costumes: `${costume} 99`,
			chosen: JSON.stringify([{ pack: `usual ${paint}`, packs: 1, to: [{ costumeId: costume, units: 100 }] }])
		})
	);
	const pounds = (
		await w.run(costumeCommands.addCostume, { ...NEW_COSTUME, name: 'Abroad', currency: 'GBP' })
	).id;
	await assert.rejects(
		w.run(buyCommands.buyChosen, {
			costumes: `${costume} ${pounds}`,
			chosen: JSON.stringify([{ pack: `usual ${paint}`, packs: 1, to: [{ costumeId: costume, units: 100 }] }])
		}),
		refused(/one currency/)
	);
});
