import assert from 'node:assert/strict';
import { FIRST_SETTINGS } from '../../facts/workshop.ts';
import { test } from 'node:test';
import type { Place } from '../../facts/workshop.ts';
import * as make from '$tests/support/record.ts';
import { COSTUME_VERSION, toCostumeFile, type CostumeFile } from './costumeFile.ts';
import type { HandbookRow } from '../../facts/handbook.ts';
import type { HandbookEntry } from '../../trade/handbookRow.ts';
import { TECHNIQUES } from '../../trade/technique.ts';
import { adoptHandbook } from './adopt.ts';
import { readCostumeFile } from './read.ts';

const record = make.record({
	components: [make.component(1), make.component(2, { parentId: 1, zones: ['head'], route: 'wig' })],
	coats: [make.coat(7, 1)],
	steps: [
		make.step(10, 1, { coatId: 7, placeId: 1 }),
		make.step(20, 2, { after: [10], doneAt: make.at('2031-05-01T10:00'), placeId: 2 })
	],
	faults: [make.fault(3, 2)],
	needs: [make.need(1, 1, 1.5)],
	purchases: [make.purchase(1, 2, { orderedOn: make.day('2031-05-01'), componentId: 2 })],
	logs: [
		{ id: 1, stepId: 10, makerId: 1, startedAt: 100, endedAt: 160, minutes: 60, note: 'x', version: 1 },
		{ id: 2, stepId: 10, makerId: 1, startedAt: 200, endedAt: null, minutes: 0, note: '', version: 1 }
	],
	photos: [
		{
			id: 1,
			hash: 'a'.repeat(64),
			mime: 'image/png',
			width: 1,
			height: 1,
			bytes: 1,
			caption: '',
			componentId: 1,
			stepId: 10,
			faultId: null,
			fittingId: null,
			swatchId: null,
			takenAt: 0
		}
	]
});
const materials = [
	make.material(1),
	make.material(2),
	make.material(3),
	make.material(4, { coatProduct: 'fillerPrimer' })
];
const SPRAY: Place = {
	id: 1,
	name: 'Spray place',
	capacity: 1,
	forSpray: true,
	daylightOnly: false,
	dryOnly: false,
	windows: [{ id: 1, days: [6, 7], from: 600, to: 1080 }],
	off: [],
	version: 1
};
const SHED = { ...SPRAY, id: 2, name: 'Shed', forSpray: false };
const file = () =>
	toCostumeFile({
		record,
		workshop: { materials, places: [SPRAY, SHED], makers: [], handbook: [], settings: FIRST_SETTINGS },
		look: make.NO_LOOK,
		fit: make.NO_FIT,
		wear: make.NO_WEAR,
		wears: [],
		nextTimes: [],
		keepings: [],
		layouts: []
	});
/** The file after a change, through JSON as it would come from a disk. */
const read = (change: (f: CostumeFile & Record<string, unknown>) => void = () => {}) => {
	const copy = JSON.parse(JSON.stringify(file())) as CostumeFile & Record<string, unknown>;
	change(copy);
	return readCostumeFile(copy);
};
const reason = (change: (f: CostumeFile & Record<string, unknown>) => void) => {
	const result = read(change);
	return result.ok ? 'accepted' : result.reason;
};

test('what is written is accepted, and reads as it was', () => {
	const result = read();
	assert.ok(result.ok);
	assert.deepEqual(result.file, file());
});

test('only what belongs to the costume goes out', () => {
	const { materials: out, logs, steps } = file();
	assert.deepEqual(
		out.map((m) => m.id),
		[1, 2, 4],
		'needed, bought, and asked for by a coat'
	);
	assert.equal(logs.length, 1, 'a running timer has no end yet');
	assert.deepEqual(
		steps.map((s) => s.placeId),
		[1, 2]
	);
	assert.doesNotMatch(JSON.stringify(file()), /"version":(?!20\b)|costumeId|stash"/);
});

test('a newer form, another format, or no file of ours is refused in words', () => {
	assert.match(
		reason((f) => (f.version = (COSTUME_VERSION + 1) as never)),
		/newer Dapper Ledger \(form 21, this one knows 20\)/
	);
	assert.match(
		reason((f) => (f.format = 'x' as never)),
		/not a costume file/
	);
	for (const junk of [null, 5, 'text', [], {}]) {
		const result = readCostumeFile(junk);
		assert.ok(!result.ok && /not a costume file/.test(result.reason), JSON.stringify(junk));
	}
});

test('every wrong field is named with its place', () => {
	assert.match(
		reason((f) => (f.surprise = 1)),
		/surprise/
	);
	assert.match(
		reason((f) => (f.costume.eventAt = '2031-02-30T10:00')),
		/costume\.eventAt/
	);
	assert.match(
		reason((f) => (f.costume.limitMinor = 1.5)),
		/costume\.limitMinor/
	);
	assert.match(
		reason((f) => (f.costume.currency = 'XXX' as never)),
		/costume\.currency/
	);
	assert.match(
		reason((f) => (f.components[0]!.layer = -1)),
		/components\.0\.layer/
	);
	assert.match(
		reason((f) => (f.components[1]!.zones = ['tail'] as never)),
		/components\.1\.zones\.0/
	);
	assert.match(
		reason((f) => (f.steps[0]!.amount = -5)),
		/steps\.0\.amount/
	);
	assert.match(
		reason((f) => (f.steps[0]!.technique = 'magic' as never)),
		/steps\.0\.technique/
	);
	assert.match(
		reason((f) => delete (f.steps[1] as Partial<CostumeFile['steps'][number]>).phase),
		/steps\.1\.phase/
	);
	assert.match(
		reason((f) => (f.coats[0]!.coats = 0)),
		/coats\.0\.coats/
	);
	assert.match(
		reason((f) => (f.purchases[0]!.packs = 0.5)),
		/purchases\.0\.packs/
	);
	assert.match(
		reason((f) => (f.purchases[0]!.orderedOn = 'soon')),
		/purchases\.0\.orderedOn/
	);
	assert.match(
		reason((f) => (f.photos[0]!.hash = '../../../etc/passwd')),
		/photos\.0\.hash/
	);
	assert.match(
		reason((f) => (f.needs[0]!.quantity = 0)),
		/needs\.0\.quantity/
	);
	assert.match(
		reason((f) => (f.faults[0]!.occasion = 'at sea' as never)),
		/faults\.0\.occasion/
	);
	assert.match(
		reason((f) => (f.logs[0]!.minutes = -1)),
		/logs\.0\.minutes/
	);
});

test('every link must lead somewhere', () => {
	const dangling: ((f: CostumeFile) => void)[] = [
		(f) => (f.components[1]!.parentId = 99),
		(f) => (f.coats[0]!.componentId = 99),
		(f) => (f.steps[0]!.componentId = 99),
		(f) => (f.steps[0]!.coatId = 99),
		(f) => (f.steps[0]!.faultId = 99),
		(f) => (f.steps[1]!.after = [99]),
		(f) => (f.faults[0]!.componentId = 99),
		(f) => (f.faults[0]!.cameBackOf = 99),
		(f) => (f.needs[0]!.materialId = 99),
		(f) => (f.needs[0]!.stepId = 99),
		(f) => (f.purchases[0]!.materialId = 99),
		(f) => (f.purchases[0]!.componentId = 99),
		(f) => (f.logs[0]!.stepId = 99),
		(f) => (f.photos[0]!.stepId = 99)
	];
	dangling.forEach((change, i) => assert.match(reason(change), /leads nowhere/, `case ${i}`));
});

test('parts that contain themselves and codes given twice are refused', () => {
	assert.match(
		reason((f) => (f.components[0]!.parentId = 2)),
		/part of itself/
	);
	assert.match(
		reason((f) => (f.components[0]!.parentId = 1)),
		/part of itself/
	);
	assert.match(
		reason((f) => (f.components[1]!.code = f.components[0]!.code)),
		/same code/
	);
});

test('a file of before the handbook had keys: a known symptom is linked, another is as it was written', () => {
	const old = (symptom: string) =>
		read((f) => {
			f.version = 3;
			delete (f as Partial<CostumeFile>).handbook;
			const [fault] = f.faults as Partial<CostumeFile['faults'][number]>[];
			delete fault!.known;
			fault!.symptom = symptom;
		});
	const linked = old(' Seam opens ');
	assert.ok(linked.ok);
	assert.equal(linked.file.faults[0]!.known, 'seamOpens');
	const other = old('squeaks');
	assert.ok(other.ok);
	assert.equal(other.file.faults[0]!.known, null);
});

test('own rows of the handbook travel with what is named by them, and with the cautions they name', () => {
	const content = { ...TECHNIQUES.other, name: 'vacuum form', cautions: ['hotMould'] };
	const its = (tableName: HandbookRow['tableName'], key: string, of: object): HandbookRow => ({
		id: 1,
		tableName,
		key,
		content: of as Record<string, unknown>,
		version: 1
	});
	const hot = { wear: 'heat gloves', do: 'The mould stays hot.', source: 'own' };
	const written = toCostumeFile({
		record: { ...record, steps: record.steps.map((s) => ({ ...s, technique: 'vacuumForm' })) },
		workshop: {
			materials,
			places: [SPRAY, SHED],
			makers: [],
			settings: FIRST_SETTINGS,
			handbook: [
				its('technique', 'vacuumForm', content),
				its('technique', 'unused', content),
				its('caution', 'hotMould', hot)
			]
		},
		look: make.NO_LOOK,
		fit: make.NO_FIT,
		wear: make.NO_WEAR,
		wears: [],
		nextTimes: [],
		keepings: [],
		layouts: []
	});
	assert.deepEqual(
		written.handbook.map((r) => r.key),
		['vacuumForm', 'hotMould']
	);
	assert.ok(readCostumeFile(JSON.parse(JSON.stringify(written))).ok);
	assert.match(
		reason((f) => {
			f.handbook = [{ tableName: 'technique', key: 'vacuumForm', content: { ...content, driver: 'magic' } }];
		}),
		/handbook\.0\.content\.driver/
	);

	const techniques = (here: HandbookEntry[]) => {
		const { rows, file: read } = adoptHandbook(written, here);
		return [rows.map((r) => r.key), [...new Set(read.steps.map((s) => s.technique))]];
	};
	assert.deepEqual(techniques([]), [['vacuumForm', 'hotMould'], ['vacuumForm']]);
	assert.deepEqual(
		techniques(
			written.handbook.map((r) => ({
				...r,
				content: Object.fromEntries(Object.entries(r.content).reverse())
			}))
		),
		[[], ['vacuumForm']],
		'the same rows are there already, whatever the order of their fields'
	);
	assert.deepEqual(
		techniques([{ tableName: 'technique', key: 'vacuumForm', content: { ...content, name: 'another' } }]),
		[['vacuumForm2', 'hotMould'], ['vacuumForm2']],
		'another maker’s row of that key stays, and the file’s work goes by a new one'
	);
});
