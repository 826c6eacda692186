import assert from 'node:assert/strict';
import { test } from 'node:test';
import { add, addStep, costume, record, refused, said, w } from '$tests/support/oneCostume.ts';
import { act } from '../db/action.ts';
import { standingAsIf } from '../read/plans.ts';
import { loadMaterials, loadOffers } from '../read/workshop.ts';
import { loadShop } from '../read/shop.ts';
import { spendOf } from '$core/answers/spend.ts';
import { contextOf } from './command.ts';
import { materialCommands } from './material.ts';
import { purchaseCommands } from './purchase.ts';
import { standInCommands } from './standIn.ts';
import { supplierCommands } from './supplier.ts';

const MATERIAL = {
	name: '',
	family: 'foam',
	unit: 'sheet',
	packSize: '1',
	packPriceMinor: '18.90',
	currency: 'EUR',
	supplier: '',
	leadDays: '12',
	stash: '0',
	stashNote: '',
	coatProduct: '',
	supply: '',
	thicknessMm: '',
	widthMm: '500 mm',
	lengthMm: '1000 mm'
};
const material = async (name: string, values: Record<string, unknown>) =>
	(await w.run(materialCommands.addMaterial, { ...MATERIAL, name, ...values })).id;
const take = (materialId: number, key: string) =>
	w.run(standInCommands.takeStandIn, { materialId: String(materialId), key }, costume);
const list = async () => {
	const materials = await loadMaterials(w.db);
	return (await record()).purchases
		.filter((p) => p.state !== 'returned')
		.map((p) => `${p.state} ${p.packs} × ${materials.find((m) => m.id === p.materialId)!.name}`)
		.sort();
};
const total = async () => {
	const shop = await loadShop(w.db);
	return spendOf(await record(), shop.workshop).totalMinor;
};

test('worked by hand: sheets of 10 mm cannot come, 5 mm stacked stand in: needs, work, glue, list, money, and back', async () => {
	const plate = await add({ name: 'Plate', code: 'A-07' });
	await addStep(plate, { name: 'trace', technique: 'trace', amount: '3 m', phase: 'pattern' });
	await addStep(plate, { name: 'cut' });
	const thick = await material('Foam 10 mm', { thicknessMm: '10 mm' });
	const thin = await material('Foam 5 mm', { thicknessMm: '5 mm', packPriceMinor: '9.90', leadDays: '0' });
	const cement = await material('Cement', {
		family: 'glue',
		unit: 'ml',
		packSize: '250',
		packPriceMinor: '8.90',
		leadDays: '0',
		supply: 'contactCement',
		widthMm: '',
		lengthMm: ''
	});
	await w.run(
		purchaseCommands.addNeed,
		{ componentId: String(plate), materialId: String(thick), quantity: '2' },
		costume
	);
	await w.run(purchaseCommands.planShort, { materialId: '' }, costume);
	assert.deepEqual(await list(), ['planned 2 × Foam 10 mm']);
	const before = await record();
	assert.equal(await total(), 3780);

	// What it would do, before it is done: the same, and nothing is kept.
	const context = {
		...(await contextOf(w.db, w.db.folder, { costume: String(costume) })),
		shop: await loadShop(w.db)
	};
	const asIf = await standingAsIf(w.db, costume, context.now, (tx) =>
		standInCommands.takeStandIn.run(tx, { materialId: thick, key: `cut ${thin} 2` }, context)
	);
	// Two sheets of half a square metre: a square metre of joint at 110 min; four thin sheets for 9.90 each, and
	// 450 ml of cement with a tenth more, 495 ml: two tins of 8.90.
	assert.equal(asIf!.after.handsOnMinutes - asIf!.before.handsOnMinutes, 110);
	assert.equal(asIf!.after.totalMinor, 4 * 990 + 2 * 890);
	assert.ok(asIf!.builds.order.length === 3 && asIf!.builds.problem.steps.length === 3);
	assert.ok(
		asIf!.after.finish! < asIf!.before.finish!,
		'the thin ones are in the shop today, the thick ones 12 days away'
	);
	assert.deepEqual(await record(), before);

	await take(thick, `cut ${thin} 2`);
	assert.equal(await said(), 'Foam 10 mm: 2 layers of Foam 5 mm');
	const after = await record();
	assert.deepEqual(
		after.needs.map((n) => [n.materialId, n.quantity]),
		[[thin, 4]]
	);
	const stack = after.steps.find((s) => s.technique === 'stack')!;
	assert.deepEqual([stack.componentId, stack.amount, stack.position], [plate, 1_000_000, 2]);
	assert.deepEqual(await list(), ['planned 2 × Cement', 'planned 4 × Foam 5 mm']);
	assert.equal(await total(), 4 * 990 + 2 * 890);
	await assert.rejects(take(thick, `cut ${thin} 2`), /material/, 'nothing needs it any more');

	await w.undoLast();
	assert.deepEqual(await record(), before);
	assert.equal(await total(), 3780);
	await assert.rejects(take(thick, 'cut 999 2'), refused(/cannot be done any more/));
	assert.equal((await loadMaterials(w.db)).find((m) => m.id === cement)!.stash, 0);
});

test('bought elsewhere: the line on the list goes; an order that is late is neither counted twice nor waited for', async () => {
	const [thick] = (await loadMaterials(w.db)).filter((m) => m.name === 'Foam 10 mm');
	const shop = await w.run(supplierCommands.addSupplier, {
		name: 'Near',
		currency: 'EUR',
		shipping: '4.90',
		freeFrom: '',
		minOrder: '',
		days: ['1', '2', '3', '4', '5'],
		closed: '',
		note: ''
	});
	await w.run(supplierCommands.addOffer, {
		materialId: String(thick!.id),
		supplierId: String(shop.id),
		packSize: '1',
		packPrice: '25',
		breaks: '',
		leadDays: '1',
		mostPacks: '',
		note: ''
	});
	const offer = (await loadOffers(w.db, [thick!.id]))[0]!.id;
	const [line] = (await record()).purchases;
	await w.run(purchaseCommands.setPurchaseState, { id: String(line!.id), state: 'ordered' }, costume);
	await take(thick!.id, `supplier offer ${offer}`);
	assert.deepEqual(await list(), ['ordered 2 × Foam 10 mm', 'planned 2 × Foam 10 mm']);
	// 37.80 are spent and stay so; two for 25.00 come on top, and their sending.
	assert.equal(await total(), 3780 + 5000 + 490);
	await w.undoLast();
	await w.undoLast();
	const { id, version } = (await record()).purchases[0]!;
	const terms = { packs: '2', packPriceMinor: '18.90', shippingMinor: '0', supplier: '', leadDays: '12' };
	const note = 'the smooth side out';
	await w.run(
		purchaseCommands.editPurchase,
		{ id: String(id), version: String(version), ...terms, orderedOn: '', dueOn: '', note },
		costume
	);
	await take(thick!.id, `supplier offer ${offer}`);
	assert.equal((await record()).purchases[0]!.note, note, 'what was written beside it is not lost');
	assert.deepEqual(
		await list(),
		['planned 2 × Foam 10 mm'],
		'what was only on the list is bought there instead'
	);
	assert.equal(await total(), 5000 + 490);
});

test('closed otherwise: the steps become others, what was a guess stays one, what was entered of the closure goes', async () => {
	const mask = await add({ name: 'Mask', code: 'A-08' });
	const strap = await addStep(mask, { name: 'strap', technique: 'hookAndLoop', amount: '4' });
	const closure = { family: 'closure', widthMm: '', lengthMm: '', leadDays: '12' };
	const hook = await material('Hook-and-loop', {
		...closure,
		unit: 'm',
		packPriceMinor: '2',
		supply: 'hookAndLoop'
	});
	await material('Snaps', { ...closure, unit: 'piece', packSize: '10', packPriceMinor: '3', supply: 'snap' });
	await act(w.db, async (tx) => {
		await tx.query('update step set guessed = true, guess = 4 where id = $1', [strap]);
		return { words: 'Guessed', costumeId: costume, result: null };
	});
	await w.run(
		purchaseCommands.addNeed,
		{ componentId: String(mask), materialId: String(hook), quantity: '1' },
		costume
	);
	const before = await record();
	await take(hook, 'closure snap');
	const step = (await record()).steps.find((s) => s.id === strap)!;
	// Three snaps for each of four.
	assert.deepEqual(
		[step.technique, step.name, step.amount, step.guessed, step.guess],
		['snap', 'snap', 12, true, 12]
	);
	assert.ok(!(await record()).needs.some((n) => n.materialId === hook));
	// Twelve snaps: two packs of ten.
	assert.ok((await list()).includes('planned 2 × Snaps'));
	await w.undoLast();
	const now = await record();
	// What was written back counts as written.
	const plain = ({ steps }: typeof now) => steps.map(({ version: _, ...step }) => step);
	assert.deepEqual(plain(now), plain(before));
	assert.deepEqual([now.needs, now.purchases], [before.needs, before.purchases]);
});

test('worked by hand: white net under two coats of green: metres, paint, work, list and money, and back', async () => {
	const skirt = await add({ name: 'Skirt', code: 'G-09' });
	await addStep(skirt, { name: 'sew', technique: 'sewMachine', amount: '3 m' });
	const net = (name: string, colour: string, values: object) =>
		material(name, {
			family: 'cloth',
			unit: 'm',
			colour,
			packPriceMinor: '3.20',
			gramsPerM2: '20',
			widthMm: '1500 mm',
			lengthMm: '',
			...values
		});
	const green = await net('Net, green', 'green', {});
	const white = await net('Net, white', 'white', { packPriceMinor: '2.60', leadDays: '0' });
	const paint = await material('Fabric paint, green', {
		family: 'paint',
		unit: 'ml',
		colour: 'Green',
		packSize: '100',
		packPriceMinor: '5.50',
		leadDays: '0',
		coatProduct: 'fabricPaint',
		widthMm: '',
		lengthMm: ''
	});
	await w.run(
		purchaseCommands.addNeed,
		{ componentId: String(skirt), materialId: String(green), quantity: '2' },
		costume
	);
	await w.run(purchaseCommands.planShort, { materialId: String(green) }, costume);
	const before = await total();
	const listedBefore = await list();
	await take(green, `cut ${white} 1 paint ${paint}`);
	assert.equal(await said(), 'Net, green: cut from Net, white, with 2 coats of Fabric paint, green over it');
	const now = await record();
	const [coat] = now.coats.filter((c) => c.componentId === skirt);
	// Two metres, 1.5 wide.
	assert.deepEqual(
		[coat!.product, coat!.coats, coat!.area, coat!.materialId],
		['fabricPaint', 2, 3_000_000, paint]
	);
	assert.deepEqual(
		now.needs.filter((n) => n.componentId === skirt).map((n) => [n.materialId, n.quantity]),
		[[white, 2]]
	);
	const coats = now.steps.filter((s) => s.coatId === coat!.id);
	assert.deepEqual(
		coats.map((s) => [s.technique, s.amount, s.waitMinutes]),
		[
			['brush', 3_000_000, 240],
			['brush', 3_000_000, 1440]
		]
	);
	// 6 m², of which 100 ml cover 0.8: 750 ml are eight bottles.
	assert.deepEqual(
		(await list()).filter((l) => !listedBefore.includes(l)),
		['planned 2 × Net, white', 'planned 8 × Fabric paint, green']
	);
	assert.equal((await total()) - before, 2 * 260 + 8 * 550 - 2 * 320);
	await w.undoLast();
	assert.deepEqual(await list(), listedBefore);
	assert.ok(!(await record()).coats.some((c) => c.componentId === skirt));
});
