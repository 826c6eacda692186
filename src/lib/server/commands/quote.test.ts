import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { test } from 'node:test';
import { absent, add, addStep, costume, record, refused, said, w } from '$tests/support/oneCostume.ts';
import { printFonts } from '../prints/fonts.ts';
import { quotePdf } from '$core/formats/quotePdf.ts';
import { loadQuotes } from '../read/quotes.ts';
import { loadMaterials } from '../read/workshop.ts';
import { loadShop } from '../read/shop.ts';
import { materialCommands } from './material.ts';
import { purchaseCommands } from './purchase.ts';
import { quoteCommands } from './quote.ts';
import { workshopCommands } from './workshop.ts';

const QUOTE = {
	maker: 'Workshop by the weir\n4 Weir Lane',
	client: 'Brûn Äldergård\n1 Mill Road',
	hourRateMinor: '24',
	feeMinor: '30,50',
	oddsPercent: '80',
	taxPercent: '',
	names: ['with the order', 'before it is handed over'],
	percents: ['60', '40'],
	validUntil: '2031-05-12',
	readyOn: '2031-06-01',
	terms: 'Made to measure.\nA change is told with its price.'
};
const THREAD = {
	name: 'Thread',
	family: 'other',
	unit: 'm',
	packSize: '500',
	packPriceMinor: '4',
	currency: 'EUR',
	supplier: '',
	leadDays: '2',
	leadWorkingDays: 'on',
	stash: '0',
	stashNote: '',
	coatProduct: '',
	supply: 'sewingThread'
};
const make = (values = {}) => w.run(quoteCommands.makeQuote, { ...QUOTE, ...values }, costume);
const state = (id: number, to: string) =>
	w.run(quoteCommands.setQuoteState, { id: String(id), state: to }, costume);
const quotes = () => loadQuotes(w.db, costume);
/** As poppler reads it, line by line. */
const read = (pdf: Uint8Array) =>
	execFileSync('pdftotext', ['-layout', '-', '-'], { input: pdf, maxBuffer: 1e7 }).toString('utf8');

test('worked by hand: what work uses up, its quote, accepted, changed, as a client reads it, and all of it undone', async () => {
	await assert.rejects(make(), refused(/no work to quote/));
	const hood = await add({ name: 'Hood', kind: 'garment', code: 'G-07' });
	await addStep(hood, { name: 'sew', technique: 'sewMachine', amount: '30 m' });
	await w.run(materialCommands.addMaterial, THREAD);
	// 30 m at two minutes a metre; 30 × 2.8 × 1.1 = 92.4 m of thread: a spool of 4.00.
	const { id } = await make();
	const [first] = await quotes();
	assert.deepEqual(
		[
			first!.number,
			first!.sums.minutes,
			first!.sums.materialsMinor,
			first!.sums.workMinor,
			first!.sums.feeMinor
		],
		[1, 60, 400, 2400, 3050]
	);
	const { sums } = first!;
	assert.equal(sums.totalMinor, 5850 + sums.contingencyMinor);
	assert.ok(sums.contingencyMinor > 0);
	assert.equal(sums.payments[0]!.minor + sums.payments[1]!.minor, sums.totalMinor);
	assert.match(await said(), /Quote 1: \d+\.\d\d EUR/);

	await state(id, 'accepted');
	assert.equal((await record()).costume.limitMinor, 400, 'materials may cost what was quoted');
	await assert.rejects(w.run(quoteCommands.removeQuote, { id: String(id) }, costume), refused(/stays/));
	assert.deepEqual((await quotes())[0]!.sums, sums);

	// A cape is added: the next quote says what it changes.
	const cape = await add({ name: 'Cape', kind: 'garment', code: 'G-08' });
	await addStep(cape, { name: 'sew', technique: 'sewMachine', amount: '15 m' });
	const { id: second } = await make();
	const [changed] = await quotes();
	assert.deepEqual([changed!.number, changed!.changesId], [2, id]);
	assert.deepEqual((await quotes())[1]!.sums, sums, 'the first stays as it was told');
	const text = read(await quotePdf(changed!, (await record()).costume, (await quotes())[1]!, printFonts()));
	for (const words of [
		/Quote 2 .*28 Apr 2031/,
		/valid until .*12 May 2031/,
		/Brûn Äldergård/,
		/Workshop by the weir/,
		/Reed singer/,
		/worn by Tam; Pageant, .*16 May 2099\. Handed over by .*1 Jun 2031/,
		// Of one spool 4.00, two thirds and one third: 2.67 and 1.33.
		/G-07 +Hood +2\.67 +1h +24\.00 +26\.67/,
		/G-08 +Cape +1\.33 +30m +12\.00 +13\.33/,
		/Work, 1h30 at 24\.00 EUR an hour +36\.00/,
		/Design and fittings +30\.50/,
		/What it changes of quote 1/,
		/G-07 Hood, before 28\.00 +- 1\.33/,
		/G-08 Cape, added +\+ 13\.33/,
		/with the order, 60 %/,
		/A change is told with its price\./,
		/page 1 of 1/
	])
		assert.match(text, words);
	const euros = (minor: number) => (minor / 100).toFixed(2).replace('.', '\\.');
	assert.match(text, new RegExp(`In all +${euros(changed!.sums.totalMinor)} EUR`));
	assert.match(
		text,
		new RegExp(`More or less in all +\\+ ${euros(changed!.sums.totalMinor - sums.totalMinor)}`)
	);

	await state(second, 'declined');
	await w.undoLast();
	assert.equal((await quotes())[0]!.state, 'draft');
	await w.run(quoteCommands.removeQuote, { id: String(second) }, costume);
	await w.undoLast();
	assert.equal((await quotes()).length, 2);
});

test('a long quote goes on over its pages, with the head again, and names keep their letters', async () => {
	const [quote] = await quotes();
	const line = quote!.sums.lines[0]!;
	const many = {
		...quote!,
		client: 'Łucja Ősz “of the mill”',
		terms: 'Long. '.repeat(900),
		sums: {
			...quote!.sums,
			lines: Array.from({ length: 60 }, (_, i) => ({ ...line, componentId: i + 1, code: `P-${i + 1}` }))
		}
	};
	const text = read(await quotePdf(many, (await record()).costume, null, printFonts()));
	// 900 words of one paragraph are more than a page holds: none of them runs off it.
	assert.equal(text.match(/Long\./g)!.length, 900);
	assert.match(text, /page 4 of 4/);
	assert.ok(text.split('Materials   ').length >= 2);
	for (let i = 1; i <= 60; i++) assert.ok(text.includes(`P-${i} `), `P-${i}`);
	assert.match(text, /Łucja Ősz “of the mill”/);
});

test('terms that are none are told at their field', async () => {
	for (const [values, pattern] of [
		[{ percents: ['60', '30'] }, /come to 100 %.*90 %/],
		[{ percents: ['100'] }, /a name and a share/],
		[{ validUntil: '2031-04-01' }, /past already/],
		[{ hourRateMinor: '0', feeMinor: '0' }, null]
	] as const)
		if (pattern) await assert.rejects(make(values), refused(pattern));
	for (const [field, value] of [
		['hourRateMinor', '12,345'],
		['hourRateMinor', '-4'],
		['oddsPercent', '30'],
		['oddsPercent', '100'],
		['taxPercent', '101'],
		['validUntil', 'soon'],
		['names', []],
		['percents', ['0', '100']]
	] as const) {
		const errors = await w.errors(quoteCommands.makeQuote, { ...QUOTE, [field]: value }, costume);
		assert.ok(errors[field], `${field} ${String(value)}`);
	}
	await assert.rejects(state(99_999, 'sent'), absent);
});

test('by hand beside its work: asked, settled, and what work uses up added with one action', async () => {
	const thread = (await loadMaterials(w.db)).find((m) => m.supply === 'sewingThread')!;
	const r = await record();
	const hood = r.components.find((c) => c.name === 'Hood')!;
	const need = (values = {}) =>
		w.run(
			purchaseCommands.addNeed,
			{
				componentId: String(hood.id),
				materialId: String(thread.id),
				quantity: '40',
				stepId: '',
				waste: '',
				...values
			},
			costume
		);
	await need();
	const its = async () => (await record()).needs.filter((n) => n.componentId === hood.id);
	assert.deepEqual(
		(await its()).map((n) => n.byWork),
		[null]
	);
	await w.run(
		purchaseCommands.settleNeeds,
		{ ids: (await its()).map((n) => String(n.id)), counts: 'work' },
		costume
	);
	assert.deepEqual(
		(await its()).map((n) => n.byWork),
		[true]
	);
	assert.match(await said(), /G-07 takes of Thread as much as its work uses up/);
	await w.undoLast();
	assert.deepEqual(
		(await its()).map((n) => n.byWork),
		[null]
	);
	await assert.rejects(
		w.run(purchaseCommands.settleNeeds, { ids: ['99999'], counts: 'work' }, costume),
		absent
	);

	const { id: foam } = await w.run(materialCommands.addMaterial, { ...THREAD, name: 'Foam', supply: '' });
	await assert.rejects(need({ materialId: String(foam), byWork: 'on' }), refused(/no supply/));
	await assert.rejects(
		w.run(materialCommands.addMaterial, { ...THREAD, name: 'Spools', unit: 'piece' }),
		refused(/by the m/)
	);
	await w.run(materialCommands.addSupplies, { supplies: ['blade', 'eyelet'] });
	const added = (await loadMaterials(w.db)).filter((m) => m.supply === 'blade' || m.supply === 'eyelet');
	assert.deepEqual(added.map((m) => [m.name, m.unit, m.packSize, m.packPriceMinor]).sort(), [
		['Blades', 'piece', 10, null],
		['Eyelets', 'piece', 50, null]
	]);
	await w.undoLast();
	assert.ok(!(await loadMaterials(w.db)).some((m) => m.supply === 'blade'));
});

test('how much more is bought is the maker’s own, by family', async () => {
	const { settings } = (await loadShop(w.db)).workshop;
	const more = ['0', '0', '5', '0', '10', '0', '12,5', '10', '20'];
	await w.run(workshopCommands.setMargins, { version: String(settings.version), more });
	assert.equal((await loadShop(w.db)).workshop.settings.margins.paint, 1.125);
	assert.ok((await w.errors(workshopCommands.setMargins, { version: '1', more: ['1'] })).more);
	await w.undoLast();
	assert.deepEqual((await loadShop(w.db)).workshop.settings.margins, {});
});
