import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import type { Photo } from '../facts/costume.ts';
import { picturesOf, storyOf } from './story.ts';
import type { Story, StorySource } from './storyTypes.ts';

const photo = (id: number, hash: string, more: Partial<Photo> = {}): Photo => ({
	id,
	hash,
	mime: 'image/jpeg',
	width: 100,
	height: 80,
	bytes: 1,
	caption: `caption ${id}`,
	componentId: null,
	stepId: null,
	faultId: null,
	fittingId: null,
	swatchId: null,
	takenAt: 1440 * 20_000 + id,
	...more
});
const base = make.record({
	components: [
		make.component(1, {
			code: 'G-01',
			name: 'cape',
			zones: ['back'],
			recipe: 'paintedFoam',
			note: 'lined twice'
		}),
		make.component(2, { code: 'A-01', name: 'mask' })
	],
	needs: [make.need(1, 5, 2.5)],
	coats: [make.coat(1, 2, { product: 'brushedAcrylic', coats: 3, materialId: 6 })],
	steps: [
		make.step(1, 1, { name: 'sew the hem', technique: 'sewHand', doneAt: 1440 * 20_001 + 600 }),
		make.step(2, 1, { name: 'not yet' })
	],
	logs: [make.log(1, 45, { note: 'silk thread' })],
	faults: [{ ...make.fault(1, 2), symptom: 'strap torn out', cause: 'bare foam', cure: 'patch' }],
	purchases: [
		make.purchase(1, 5, {
			packs: 2,
			packPriceMinor: 1250,
			shippingMinor: 300,
			refundMinor: 400,
			supplier: 'Corner shop'
		})
	],
	photos: [photo(2, 'b', { componentId: 1 }), photo(1, 'a', { componentId: 1 }), photo(3, 'c')]
});
const source: StorySource = {
	record: { ...base, costume: { ...base.costume, wearer: 'Ona' } },
	workshop: make.workshop({
		materials: [
			make.material(5, { name: 'fusible interfacing', unit: 'm', supplier: 'Corner shop' }),
			make.material(6, { name: 'deep red' })
		]
	}),
	fit: make.NO_FIT,
	wear: { ...make.NO_WEAR, joins: [make.join(1, 2, { fastener: 'buckle' })] },
	wears: [make.wearLog(1, 20_100, { hours: 6, note: 'rain', hurts: ['neck'] })],
	keepings: [
		{ id: 1, componentId: 2, place: 'attic box', note: '', everyMonths: null, lookedOn: null, version: 1 }
	],
	nextTimes: [
		{ id: 1, costumeId: 1, componentId: null, position: 0, words: 'start earlier', takenTo: '', version: 1 }
	],
	shared: {
		borrowed: [],
		lent: [
			{
				component: { id: 1, code: 'G-01', name: 'cape' },
				owner: { id: 1, name: 'c', eventAt: 0, isAway: false },
				loans: [{ id: 1, costumeId: 2, costume: 'Heron' }],
				bookings: []
			}
		]
	},
	references: [
		make.picture(1, { hash: 'r', title: 'sketch of the look' }),
		make.picture(2, { purpose: 'trace' })
	],
	pieces: new Map(),
	unit: 'cm'
};
const textOf = (story: Story) =>
	[
		story.title,
		story.said,
		...story.chapters.flatMap((c) => [
			c.title,
			...c.parts.flatMap((p) => [
				p.title,
				...p.lines.map((l) => `${l.name}: ${l.text}`),
				...p.pictures.map((x) => x.caption)
			])
		])
	].join('\n');

test('years later one knows which interfacing is inside, what it is painted with, what broke, and who wore it when', () => {
	const full = textOf(storyOf(source, 'full'));
	for (const said of [
		'for Ona',
		'Inside: fusible interfacing; 2.5 m',
		'Recipe: painted foam',
		'heat seal, then 3 × rubber spray',
		'Coats: 3 × brushed acrylic, deep red',
		'Held by: buckle and webbing',
		'sew the hem (sew by hand); 45m; silk thread',
		'strap torn out; cause: bare foam; cure: patch; not mended yet',
		// 2 × 12.50, and 3.00 of sending, less 4.00 that came back.
		'2 × fusible interfacing; 24.00 EUR; Corner shop',
		'event; 6 h; hurt: neck; rain',
		'Kept: attic box',
		'Note: lined twice',
		'start earlier',
		'G-01 cape: lent to Heron',
		'sketch of the look'
	])
		assert.ok(full.includes(said), `${said}\n${full}`);
	assert.ok(!full.includes('not yet:'), 'what is not done is no story');
});

test('to show to others: the same work, day by day with its pictures; no money, supplier, place or person', () => {
	const short = textOf(storyOf(source, 'short'));
	for (const said of [
		'Inside: fusible interfacing',
		'G-01: sew the hem; silk thread',
		'caption 1\ncaption 2\ncaption 3'
	])
		assert.ok(short.includes(said), said);
	for (const kept of ['Ona', 'EUR', 'Corner shop', 'attic', 'hurt', '24.00', 'sketch'])
		assert.ok(!short.includes(kept), `${kept} is told`);
	// In the order in which they were taken, and days in theirs.
	const days = storyOf(source, 'short')
		.chapters.find((c) => c.title === 'Work log')!
		.parts.map((p) => p.title);
	assert.equal(days.length, 2);
	assert.match(days[0]!, /2024$/);
});

test('of one component alone; every picture once', () => {
	const one = storyOf(source, 'full', 2);
	assert.deepEqual([one.title, one.chapters.length, one.chapters[0]!.parts.length], ['A-01 mask', 1, 1]);
	assert.deepEqual(
		picturesOf(storyOf(source, 'full')).map((p) => p.hash),
		['c', 'r', 'a', 'b']
	);
});
