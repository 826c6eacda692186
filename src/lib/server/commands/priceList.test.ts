import assert from 'node:assert/strict';
import { test } from 'node:test';
import { parse } from 'csv-parse/sync';
import { refused, said, w } from '$tests/support/oneCostume.ts';
import { columnsWith, guessColumns, readList, wrongRowsCsv } from '$core/formats/priceList.ts';
import { loadOffers, loadSuppliers } from '../read/workshop.ts';
import { contextOf } from './command.ts';
import { materialCommands } from './material.ts';
import { checkPriceList, priceListCommands } from './priceList.ts';
import { supplierCommands } from './supplier.ts';

const MATERIAL = {
	name: '',
	family: 'foam',
	unit: 'sheet',
	packSize: '1',
	packPriceMinor: '',
	currency: 'EUR',
	supplier: '',
	leadDays: '',
	stash: '0',
	stashNote: '',
	coatProduct: ''
};
const addMaterial = (name: string) => w.run(materialCommands.addMaterial, { ...MATERIAL, name });
const asked = (text: string, values: Record<string, unknown> = {}) => ({
	text,
	columns: JSON.stringify(guessColumns(readList(text).heads)),
	supplier: '',
	...values
});
const check = async (text: string, values = {}) =>
	(
		await checkPriceList.run(
			w.db,
			checkPriceList.input().parse(asked(text, values)),
			await contextOf(w.db, w.db.folder, {})
		)
	).result;
const bring = (text: string, values = {}) => w.run(priceListCommands.bringPriceList, asked(text, values));
const offers = async () => {
	const names = new Map((await loadSuppliers(w.db)).map((s) => [s.id, s.name]));
	return (await loadOffers(w.db, null)).map((o) =>
		[names.get(o.supplierId), o.packSize, o.packPriceMinor, o.leadDays, o.note].join(' | ')
	);
};

test('a list as it comes: quoted cells, semicolons, commas in prices; looked at first, kept when confirmed, undone in one', async () => {
	for (const name of ['Foam 6 mm', 'Felt, grey']) await addMaterial(name);
	const text =
		'\uFEFFArticle;Shop;Pack;Price;Lead;Note\r\nfoam 6 mm;West;4;"46,00";4;"a ""good"" one; thick"\r\n"Felt, grey";West;1;7.5;;\r\nNails;West;100;2;;\r\n\r\nFoam 6 mm;West;10;x;;\r\nFoam 6 mm;West;4;45;;\r\nFelt, grey;West;-1;5;;\r\nFelt, grey;West;2;1,005;;\r\nFelt, grey;West;3;5;9999;';
	const report = await check(text);
	assert.deepEqual([report.rows, report.added, report.changed, report.same, report.notOurs], [8, 2, 0, 0, 1]);
	assert.deepEqual(
		report.wrong.map((r) => [r.row, r.column]),
		[
			[5, 'price'],
			[6, 'material'],
			[7, 'pack'],
			[8, 'price'],
			[9, 'lead']
		]
	);
	assert.match(report.wrong[1]!.why, /same pack stands in row 2/);
	assert.deepEqual(report.first[0], {
		material: 'Foam 6 mm',
		supplier: 'West',
		packSize: 4,
		unit: 'sheet',
		before: null,
		now: '46.00 EUR'
	});
	assert.deepEqual(await offers(), [], 'nothing is kept of a look');
	await assert.rejects(bring(text), refused(/5 rows cannot be read/));
	await bring(text, { leaveOut: 'on' });
	assert.equal(await said(), 'Price list: 2 packs added, 0 changed, 5 rows left out');
	assert.deepEqual(await offers(), ['West | 4 | 4600 | 4 | a "good" one; thick', 'West | 1 | 750 |  | ']);

	// Again, with one price that is new: the supplier is that of all rows.
	const again = 'name,price,pack\nFoam 6 mm,44,4\n"Felt, grey",7.50,1';
	const second = await check(again, { supplier: 'west' });
	assert.deepEqual([second.added, second.changed, second.same], [0, 1, 1]);
	assert.equal(second.first[0]!.before, '46.00 EUR');
	await assert.rejects(check(again), refused(/who sells/));
	await bring(again, { supplier: 'west' });
	assert.deepEqual(
		await offers(),
		['West | 4 | 4400 | 4 | a "good" one; thick', 'West | 1 | 750 |  | '],
		'what the list has no column for stays'
	);
	await assert.rejects(bring(again, { supplier: 'west' }), refused(/Nothing of it is new/));
	await w.undoLast();
	await w.undoLast();
	assert.deepEqual(await offers(), []);
});

test('a supplier’s own currency reads its prices; what cannot be a list is refused at its field', async () => {
	await w.run(supplierCommands.addSupplier, {
		name: 'Far',
		currency: 'JPY',
		shipping: '',
		freeFrom: '',
		minOrder: '',
		days: ['1'],
		closed: '',
		note: ''
	});
	const report = await check('material,price\nFoam 6 mm,1200\nFelt, grey,12.50', { supplier: 'far' });
	assert.match(report.first[0]!.now, /^1.200 JPY$/);
	await assert.rejects(check('just one line'), refused(/nothing stands below/));
	await assert.rejects(check('a,b\n1,2'), refused(/which column is the material/));
	await assert.rejects(check('material\nFoam 6 mm'), refused(/which column is the price/));
	assert.deepEqual(
		Object.keys(await w.errors(priceListCommands.bringPriceList, { text: '', columns: '{' })),
		['text', 'columns']
	);
	const many = `material,price\n${'Foam 6 mm,1\n'.repeat(20_001)}`;
	await assert.rejects(
		check(many, { supplier: 'far' }),
		refused(/At most 20,000 rows at once: there are 20,001/)
	);
});

test('wrong rows go out as CSV that another parser reads, and no cell is a formula', () => {
	const table = readList('material,price\n"=HYPERLINK(""x"")",1\n@sum,"2,5"\nplain,3');
	const csv = wrongRowsCsv(table, [
		{ row: 2, column: 'price', why: 'why, "so"' },
		{ row: 3, column: 'pack', why: 'no' }
	]);
	// RFC 4180, as csv-parse reads it.
	assert.deepEqual(parse(csv), [
		['row', 'material', 'price', 'column', 'why'],
		['2', `'=HYPERLINK("x")`, '1', 'price', 'why, "so"'],
		['3', `'@sum`, '2,5', 'pack', 'no']
	]);
});

test('columns by their heads, each taken once; another one chosen for a thing leaves the first', () => {
	const columns = guessColumns(['Shop', 'Item', 'Name', 'PRICE of a pack']);
	assert.deepEqual(columns, { supplier: 0, material: 1, packPrice: 3 });
	assert.deepEqual(columnsWith(columns, 2, 'material'), { supplier: 0, material: 2, packPrice: 3 });
	assert.deepEqual(columnsWith(columns, 0, 'material'), { material: 0, packPrice: 3 });
	assert.deepEqual(columnsWith(columns, 3, ''), { supplier: 0, material: 1 });
});
