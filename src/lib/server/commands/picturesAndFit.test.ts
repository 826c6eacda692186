import { orderSlips } from '$core/answers/layers.ts';
import { planCostume } from '$core/answers/plan.ts';
import { STANDARD } from '$core/trade/catalogue.ts';
import assert from 'node:assert/strict';
import { FIRST_SETTINGS } from '$core/facts/workshop.ts';
import { createHash } from 'node:crypto';
import { after, before, test } from 'node:test';
import { COSTUME_VERSION } from '$core/formats/costumeFile/costumeFile.ts';
import sharp from 'sharp';
import { COSTUME, COMPONENT, MATERIAL, testWorkshop, type TestWorkshop } from '$tests/support/workshop.ts';
import { wearersOf } from '../../../core/facts/measureRecord.ts';
import { zoneStacks } from '../../../core/answers/layers.ts';
import { clock } from '../clock.ts';
import { writeBackup } from '../backup.ts';
import { restoreBackup } from '../restore.ts';
import { readCostumeZip, writeCostumeZip } from '../costumeFile.ts';
import { Absent, Refused, Stale } from '../db/rows.ts';
import { readStored, smaller } from '../pictures.ts';
import { loadRecord } from '../read/costume.ts';
import { otherBreakdowns } from '../read/breakdowns.ts';
import { loadLook } from '../read/look.ts';
import { referencesOf } from '$core/facts/picture.ts';
import { fittedOf } from '$core/facts/measureRecord.ts';
import { loadMeasure } from '../read/measure.ts';
import { loadMaterials, loadWorkshop } from '../read/workshop.ts';
import type { Command } from './command.ts';
import { componentCommands } from './component.ts';
import { coatCommands } from './coat.ts';
import { copyCommands } from './copyBreakdown.ts';
import { costumeCommands } from './costume.ts';
import { fileCommands } from './file.ts';
import { fittingCommands } from './fitting.ts';
import { layerCommands } from './layer.ts';
import { materialCommands } from './material.ts';
import { openingCommands } from './opening.ts';
import { pictureCommands } from './picture.ts';
import { seedCommands } from './seed.ts';
import { wayCommands } from './way.ts';
import { wearerCommands } from './wearer.ts';

let w: TestWorkshop;
let costume: number;
let bracers: number;
let photo: File;
const look = () => loadLook(w.db, costume);
const fit = () => loadMeasure(w.db, costume);
const record = async () => (await loadRecord(w.db, costume))!;
const run = (cmd: Command, values: Record<string, unknown>) => w.run<{ id: number }>(cmd, values, costume);
const refused = (pattern: RegExp) => (error: unknown) =>
	error instanceof Refused && pattern.test(error.message);
const absent = (error: unknown) => error instanceof Absent;
const points = (...ps: [number, number][]) => JSON.stringify(ps);
const picture = (extra: Record<string, unknown> = {}) => ({
	photo,
	title: 'sketch',
	angle: 'front',
	design: 'faithful',
	sourceNote: '',
	...extra
});

before(async () => {
	w = await testWorkshop('2031-04-28T18:00');
	costume = (await w.run(costumeCommands.addCostume, COSTUME)).id;
	bracers = (
		await w.run(
			componentCommands.addComponent,
			{
				...COMPONENT,
				name: 'Bracers',
				side: 'pair',
				zones: ['forearm-left', 'forearm-right'],
				thicknessMm: '6mm'
			},
			costume
		)
	).id;
	photo = new File(
		[
			(await sharp({ create: { width: 800, height: 600, channels: 3, background: '#abc' } })
				.jpeg()
				.toBuffer()) as BlobPart
		],
		'a.jpg'
	);
});
after(() => w.close());

test('a photo for tracing does not become the breakdown’s reference; it may be made one', async () => {
	const { id } = await run(
		pictureCommands.addReference,
		picture({ purpose: 'trace', title: 'card on the mat' })
	);
	const references = async () => referencesOf((await look()).pictures).map((p) => p.id);
	assert.equal((await references()).includes(id), false);
	const { version, title, angle, design, sourceNote } = (await look()).pictures.find((p) => p.id === id)!;
	const about = { id: String(id), version: String(version), title, angle, design, sourceNote };
	await run(pictureCommands.editReference, { ...about, purpose: 'look' });
	assert.equal((await references()).includes(id), true);
	await run(pictureCommands.removeReference, { id: String(id) });
});

test('pictures: kept upright whatever the camera says, HEIC and damaged ones refused with advice', async () => {
	const raw = await sharp({ create: { width: 400, height: 200, channels: 3, background: '#246' } })
		.withMetadata({ orientation: 6 })
		.jpeg()
		.toBuffer();
	const { id } = await run(
		pictureCommands.addReference,
		picture({ photo: new File([raw as BlobPart], 'turned.jpg') })
	);
	const turned = (await look()).pictures.find((p) => p.id === id)!;
	assert.deepEqual([turned.width, turned.height], [200, 400]);
	assert.equal((await sharp(await readStored(w.folder, turned.hash)).metadata()).orientation, undefined);
	const small = await sharp(await smaller(w.folder, turned.hash, 256)).metadata();
	assert.equal(Math.max(small.width, small.height), 256);
	const heic = Buffer.concat([
		Buffer.from([0, 0, 0, 24]),
		Buffer.from('ftypheic\0\0\0\0heicmif1'),
		Buffer.alloc(200)
	]);
	const add = (data: Buffer) =>
		run(pictureCommands.addReference, picture({ photo: new File([data as BlobPart], 'x') }));
	await assert.rejects(add(heic), refused(/HEIC pictures cannot be read here.*JPEG/));
	await assert.rejects(add(raw.subarray(0, 300)), refused(/damaged/));
	await assert.rejects(
		add(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>')),
		refused(/not a JPEG, PNG or WebP/)
	);
	await run(pictureCommands.removeReference, { id: String(id) });
});

test('callouts: placed, claimed, mirrored about the middle line, moved; nothing off the picture', async () => {
	const { id } = await run(pictureCommands.addReference, picture());
	const place = (values: Record<string, unknown>) =>
		run(pictureCommands.addCallout, {
			pictureId: String(id),
			componentId: '',
			label: '',
			shape: 'outline',
			side: 'left',
			points: points([500, 100], [600, 100], [550, 200]),
			...values
		});
	const left = await place({ componentId: String(bracers) });
	await run(pictureCommands.setAxis, { id: String(id), axisPx: '420' });
	const right = await run(pictureCommands.mirrorCallout, { id: String(left.id) });
	const at = async (one: number) => (await look()).callouts.find((c) => c.id === one)!;
	assert.deepEqual((await at(right.id)).points, [
		[290, 200],
		[240, 100],
		[340, 100]
	]);
	assert.equal((await at(right.id)).side, 'right');
	assert.equal((await at(right.id)).componentId, bracers);
	await run(pictureCommands.moveCallout, {
		id: String(right.id),
		points: points([1, 1], [2, 1], [2, 2])
	});
	assert.deepEqual((await at(right.id)).points[0], [1, 1]);
	const region = await place({ label: 'pouch?', shape: 'point', points: points([10, 20], [30, 40]) });
	assert.deepEqual((await at(region.id)).points, [[10, 20]], 'a point is one point');
	const claim = {
		id: String(region.id),
		version: '1',
		componentId: String(bracers),
		label: '',
		side: 'none'
	};
	await run(pictureCommands.editCallout, claim);
	assert.equal((await at(region.id)).componentId, bracers);
	await assert.rejects(run(pictureCommands.editCallout, claim), Stale);
	await assert.rejects(
		place({ points: points([10, 10], [900, 10], [10, 50]) }),
		refused(/outside of the picture/)
	);
	await assert.rejects(place({ points: points([10, 10], [20, 10]) }), refused(/at least 3 points/));
	await assert.rejects(place({ componentId: '999' }), absent);
	await assert.rejects(
		run(pictureCommands.moveCallout, { id: String(left.id), points: points([1, 1]) }),
		refused(/another number/)
	);
	await run(pictureCommands.setAxis, { id: String(id), axisPx: '50' });
	await assert.rejects(
		run(pictureCommands.mirrorCallout, { id: String(left.id) }),
		refused(/middle line first/)
	);
	assert.match(
		(
			await w.errors(pictureCommands.addCallout, {
				pictureId: '1',
				shape: 'point',
				side: 'none',
				points: 'x'
			})
		).points!,
		/Needs points/
	);
	await run(componentCommands.removeComponent, { id: String(bracers) });
	assert.equal((await at(left.id)).componentId, null, 'the region stays, to be claimed again');
	await w.undoLast();
	assert.equal((await at(left.id)).componentId, bracers);
	await run(pictureCommands.removeCallout, { id: String(region.id) });
	await assert.rejects(run(pictureCommands.removeCallout, { id: String(region.id) }), absent);
});

test('a scale: four corners going round, or a length; what cannot be one is refused at its field', async () => {
	const { id } = (await look()).pictures[0]!;
	const set = (values: Record<string, unknown>) =>
		run(pictureCommands.setScale, {
			id: String(id),
			kind: 'rectangle',
			points: points([100, 100], [400, 110], [420, 300], [90, 310]),
			width: '297mm',
			height: '21',
			mm: '',
			clickPx: '2',
			scaleSigmaMm: '0.3mm',
			...values
		});
	const measure = (values: Record<string, unknown> = {}) =>
		run(pictureCommands.addPictureMeasure, {
			pictureId: String(id),
			componentId: '',
			label: 'wrist end',
			kind: 'length',
			points: points([100, 100], [300, 100]),
			offPlaneMm: '0',
			...values
		});
	await assert.rejects(measure(), refused(/scale first/));
	await set({});
	const [stored] = (await look()).pictures;
	assert.deepEqual(stored!.scale, {
		kind: 'rectangle',
		points: [
			[100, 100],
			[400, 110],
			[420, 300],
			[90, 310]
		],
		width: 297,
		height: 210
	});
	assert.equal(stored!.scaleSigmaMm, 0.3);
	const { id: kept } = await measure();
	await run(pictureCommands.editPictureMeasure, {
		id: String(kept),
		version: '1',
		label: 'wrist',
		componentId: String(bracers),
		offPlaneMm: '2'
	});
	const [m] = (await look()).measures;
	assert.deepEqual([m!.label, m!.componentId, m!.offPlaneMm], ['wrist', bracers, 20]);
	await assert.rejects(
		set({ points: points([100, 100], [400, 110], [90, 310], [420, 300]) }),
		refused(/cross over/)
	);
	await assert.rejects(
		set({ points: points([100, 100], [200, 100], [300, 100], [90, 310]) }),
		refused(/one line/)
	);
	await assert.rejects(
		set({ points: points([100, 100], [400, 110], [420, 300], [90, 700]) }),
		refused(/outside/)
	);
	await assert.rejects(
		set({ kind: 'length', mm: '20', points: points([5, 5], [5, 5]) }),
		refused(/no length/)
	);
	const errors = (values: Record<string, unknown>) =>
		w.errors(pictureCommands.setScale, {
			id: '1',
			clickPx: '2',
			scaleSigmaMm: '0',
			width: '',
			height: '',
			mm: '',
			...values
		});
	assert.match((await errors({ kind: 'length', points: points([1, 1], [2, 2]) })).mm!, /Needs a length/);
	assert.match(
		(await errors({ kind: 'rectangle', width: '1', height: '2', points: points([1, 1], [2, 2]) })).points!,
		/Click 4 points/
	);
	assert.match((await errors({ kind: 'length', mm: '0', points: points([1, 1], [2, 2]) })).mm!, /At least/);
	await assert.rejects(
		measure({ kind: 'area', points: points([100, 100], [300, 300], [300, 100], [100, 300]) }),
		refused(/crosses itself/)
	);
	await assert.rejects(
		measure({ kind: 'circle', points: points([100, 100], [200, 100]) }),
		refused(/at least 3/)
	);
	await run(pictureCommands.clearScale, { id: String(id) });
	assert.equal((await look()).pictures[0]!.scale, null);
	await w.undoLast();
	assert.equal((await look()).pictures[0]!.scale!.kind, 'rectangle');
});

test('wearers: a profile, measures in the maker’s unit, wrong ones told at their field', async () => {
	const { id } = await run(wearerCommands.addWearer, { name: 'Tam', note: '' });
	await assert.rejects(run(wearerCommands.addWearer, { name: 'tam', note: '' }), refused(/already/));
	const take = (values: Record<string, string>) =>
		run(wearerCommands.takeMeasures, {
			wearerId: String(id),
			takenOn: '2031-04-01',
			over: 'skin',
			note: '',
			...values
		});
	await take({
		waistGirth: '30"',
		'wristGirth-left': '16.5',
		'wristGirth-right': '',
		'forearmGirth-left': '25',
		'forearmGirth-right': '26',
		'thumbKnuckleGirth-left': '22',
		'thumbKnuckleGirth-right': '22'
	});
	const [tam] = wearersOf(await fit());
	assert.deepEqual(
		tam!.measures.slice(0, 2).map((m) => [m.measure, m.side, m.mm]),
		[
			['waistGirth', 'none', 762],
			['forearmGirth', 'left', 250]
		]
	);
	await assert.rejects(take({}), refused(/Nothing is filled in/));
	const errors = await w.errors(wearerCommands.takeMeasures, {
		wearerId: '1',
		takenOn: '2031-04-01',
		over: 'skin',
		waistGirth: '0',
		chestGirth: '5 m',
		hipGirth: '-3',
		'wristGirth-left': 'long'
	});
	assert.match(errors.waistGirth!, /At least 35 cm/);
	assert.match(errors.chestGirth!, /At most 200 cm/);
	assert.match(errors.hipGirth!, /less than zero/);
	assert.match(errors['wristGirth-left']!, /not a length/);
	const waist = tam!.measures.find((m) => m.measure === 'waistGirth')!;
	const edit = {
		id: String(waist.id),
		version: '1',
		mm: '78',
		over: 'undersuit',
		takenOn: '2031-04-02',
		note: 'after lunch'
	};
	await run(wearerCommands.editMeasure, edit);
	await assert.rejects(
		run(wearerCommands.editMeasure, { ...edit, version: '2', mm: '3' }),
		refused(/lies from 35 cm to 210 cm/)
	);
	await run(wearerCommands.confirmMeasure, { id: String(waist.id) });
	assert.equal((await fit()).wearers[0]!.measures.find((m) => m.id === waist.id)!.confirmed, true);
	await run(wearerCommands.setBuiltOn, { wearerId: String(id), builtOn: '2031-04-01' });
	assert.ok((await fit()).worn[0]!.builtOn! > 20_000);
	await run(wearerCommands.setBuiltOn, { wearerId: String(id), builtOn: '' });
	assert.equal((await fit()).worn[0]!.builtOn, null);
	await run(wearerCommands.unwearCostume, { wearerId: String(id) });
	assert.equal(wearersOf(await fit()).length, 0);
	await run(wearerCommands.wearCostume, { wearerId: String(id) });
	await assert.rejects(run(wearerCommands.wearCostume, { wearerId: String(id) }), refused(/already/));
	await run(wearerCommands.editWearer, { id: String(id), version: '1', name: 'Tamsin', note: '' });
	await run(wearerCommands.removeMeasure, { id: String(waist.id) });
	await run(wearerCommands.removeWearer, { id: String(id) });
	assert.equal((await fit()).wearers.length, 0);
	await w.undoLast();
	assert.equal((await fit()).wearers[0]!.measures.length, 5, 'the profile comes back with its measures');
});

test('openings and what patterns were made for; stretch over 200 % and girths of nothing refused', async () => {
	const round = {
		componentId: String(bracers),
		passage: 'forearm',
		closedMm: '24',
		stretchPercent: '0',
		openingMm: '0'
	};
	const { id } = await run(openingCommands.addOpening, round);
	await run(openingCommands.editOpening, {
		...round,
		id: String(id),
		version: '1',
		openingMm: '3',
		split: 'on'
	});
	const [o] = (await fit()).openings;
	assert.deepEqual([o!.closedMm, o!.openingMm, o!.split], [240, 30, true]);
	const errors = await w.errors(openingCommands.addOpening, {
		...round,
		closedMm: '0',
		stretchPercent: '250'
	});
	assert.match(errors.closedMm!, /At least/);
	assert.match(errors.stretchPercent!, /At most 200/);
	assert.match(
		(await w.errors(openingCommands.addOpening, { ...round, closedMm: '5 m' })).closedMm!,
		/At most 300 cm/
	);
	await run(openingCommands.setThickness, { id: String(bracers), thicknessMm: '7mm' });
	assert.equal((await record()).components[0]!.thicknessMm, 7);
	const nominal = {
		componentId: String(bracers),
		measure: 'forearmGirth',
		direction: 'width',
		nominalMm: '28',
		easeMm: '-1.5'
	};
	await run(openingCommands.addNominal, nominal);
	assert.match(
		(await w.errors(openingCommands.addNominal, { ...nominal, easeMm: 'much' })).easeMm!,
		/not a length/
	);
	await run(openingCommands.addNominalSize, {
		componentId: String(bracers),
		table: 'men',
		size: '100'
	});
	await assert.rejects(
		run(openingCommands.addNominalSize, { componentId: String(bracers), table: 'men', size: '99' }),
		refused(/no size 99/)
	);
	const { nominals } = await fit();
	assert.deepEqual(
		nominals.map((n) => [n.measure, n.nominalMm, n.easeMm]),
		[
			['forearmGirth', 280, -15],
			['chestGirth', 1000, 0],
			['waistGirth', 880, 0]
		]
	);
	await run(openingCommands.removeNominal, { id: String(nominals[2]!.id) });
	await assert.rejects(run(openingCommands.removeOpening, { id: '999' }), absent);
	await assert.rejects(w.run(openingCommands.addOpening, round, 999), absent);
});

test('a fitting: what was on, what is clear, a punch list whose points become steps before the next fitting', async () => {
	const wearerId = String((await fit()).wearers[0]!.id);
	const about = { heldAt: '2031-05-01T19:00', wearerId, note: 'first', componentIds: [String(bracers)] };
	const { id } = await run(fittingCommands.addFitting, about);
	await run(fittingCommands.setClear, { id: String(id), clear: 'elbow', on: 'on' });
	await run(fittingCommands.setClear, { id: String(id), clear: 'grip', on: 'on' });
	await run(fittingCommands.setClear, { id: String(id), clear: 'grip' });
	const [fitting] = (await fit()).fittings;
	assert.deepEqual([fitting!.componentIds, fitting!.clears], [[bracers], ['elbow']]);
	const point = {
		fittingId: String(id),
		componentId: String(bracers),
		what: 'strap',
		direction: 'forward',
		moveMm: '12mm',
		side: 'left'
	};
	const { id: first } = await run(fittingCommands.addPoint, point);
	const { id: second } = await run(fittingCommands.addPoint, {
		...point,
		what: 'edge rubs',
		moveMm: '',
		direction: 'none',
		side: 'none'
	});
	await run(fittingCommands.pointToStep, { id: String(first), technique: '' });
	await assert.rejects(
		run(fittingCommands.pointToStep, { id: String(first), technique: '' }),
		refused(/a step already/)
	);
	const steps = (await record()).steps.filter((s) => s.componentId === bracers);
	const made = steps.findIndex((s) => s.name === 'strap: forward 1.2 cm, left only');
	assert.equal(steps[made + 1]!.name, 'fit', 'it is tried on again afterwards');
	assert.equal(steps[made]!.phase, 'fit');
	await run(fittingCommands.settlePoint, { id: String(second), on: 'on' });
	await run(fittingCommands.editPoint, {
		...point,
		id: String(second),
		version: '2',
		what: 'edge rubs still'
	});
	const [, rubs] = (await fit()).points;
	assert.deepEqual([rubs!.what, rubs!.settled, rubs!.moveMm], ['edge rubs still', true, 12]);
	await run(fittingCommands.editFitting, {
		...about,
		id: String(id),
		version: '4',
		note: 'second look',
		componentIds: []
	});
	assert.deepEqual((await fit()).fittings[0]!.componentIds, []);
	await run(fittingCommands.removePoint, { id: String(second) });
	assert.equal((await w.errors(fittingCommands.addPoint, { ...point, what: '' })).what, 'Needs a name.');
});

test('the shopping seed is confirmed line by line; make, buy or alter keeps its reason and lays out its steps', async () => {
	await run(materialCommands.addMaterial, MATERIAL);
	const foam = (await loadMaterials(w.db)).find((m) => m.name === MATERIAL.name)!;
	const { shoppingSeed } = await import('../../../core/answers/seed.ts');
	const r = await record();
	const seed = shoppingSeed(r.components[0]!, r, await loadMaterials(w.db), STANDARD, FIRST_SETTINGS);
	const answer = {
		id: String(bracers),
		lines: ['0', '2'],
		names: seed.map((l) => l.name),
		quantity: seed.map((l) => String(l.quantity)),
		material: seed.map((l) => (l.material ? String(l.material.id) : ''))
	};
	assert.equal(seed[0]!.material?.id, foam.id);
	await run(seedCommands.confirmSeed, answer);
	const needs = (await record()).needs.filter((n) => n.componentId === bracers);
	assert.deepEqual(
		needs.map((n) => n.quantity),
		[seed[0]!.quantity],
		'what its work uses up is asked for by its steps'
	);
	const added = (await loadMaterials(w.db)).find((m) => m.name === seed[2]!.name)!;
	assert.ok(seed[2]!.supply !== null);
	assert.deepEqual([added.supply, added.packSize], [seed[2]!.supply, seed[2]!.packSize]);
	await assert.rejects(run(seedCommands.confirmSeed, answer), refused(/changed meanwhile/));
	assert.match(
		(
			await w.errors(seedCommands.confirmSeed, {
				...answer,
				quantity: answer.quantity.map(() => '0')
			})
		).quantity!,
		/more than nothing/
	);

	const choice = {
		id: String(bracers),
		source: 'buy',
		reason: 'no time to shape',
		layOut: 'on',
		buyPriceMinor: '80',
		buyLeadDays: '10',
		alterPriceMinor: '0',
		alterLeadDays: '0'
	};
	const before = await record();
	await run(wayCommands.chooseWay, choice);
	const now = await record();
	assert.equal(now.components[0]!.source, 'buy');
	assert.deepEqual(
		now.steps.map((s) => s.name),
		['try on and settle']
	);
	assert.deepEqual(now.coats, []);
	const bought = (await loadMaterials(w.db)).find((m) => m.name === 'Bracers, bought ready')!;
	assert.deepEqual([bought.packPriceMinor, bought.leadDays, now.needs[0]!.materialId], [8000, 10, bought.id]);
	const [decision] = (await look()).decisions;
	assert.deepEqual(
		[decision!.source, decision!.reason, decision!.buyPriceMinor],
		['buy', 'no time to shape', 8000]
	);
	await w.undoLast();
	assert.deepEqual(await record(), { ...before, ...(await record()) });
	assert.equal((await record()).steps.length, before.steps.length);
	await run(wayCommands.chooseWay, { ...choice, source: 'make', layOut: undefined });
	assert.equal((await record()).steps.length, before.steps.length, 'only recorded');
});

test('garments wait for what lies beneath; a breakdown is copied with steps, coats, links, nothing done', async () => {
	const add = (name: string, layer: string) =>
		run(componentCommands.addComponent, {
			...COMPONENT,
			name,
			kind: 'garment',
			layer,
			zones: ['chest'],
			route: 'stretchGarment',
			thicknessMm: ''
		});
	const inner = await add('Undersuit', '1');
	const outer = await add('Surcoat', '2');
	assert.deepEqual(
		zoneStacks((await record()).components)
			.find((s) => s.zone === 'chest')!
			.components.map((c) => c.id),
		[inner.id, outer.id]
	);
	const stepOf = async (component: number, name: string) =>
		(await record()).steps.find((s) => s.componentId === component && s.name === name)!;
	const plan = planCostume(await record(), await loadWorkshop(w.db), clock(), new Map());
	const slips = orderSlips(await record(), plan);
	assert.deepEqual(
		slips.map((s) => [s.outer.id, s.inner.id]),
		[[outer.id, inner.id]]
	);
	await run(layerCommands.followLayers, { id: String(outer.id), inner: String(inner.id) });
	const cut = await stepOf(outer.id, 'cut');
	assert.ok(cut.after.includes((await stepOf(inner.id, 'fit')).id));

	await run(coatCommands.addCoat, {
		componentId: String(outer.id),
		product: 'clearSpray',
		coats: '2',
		area: '0.1',
		recoatMinutes: '30m',
		handlingMinutes: '24h'
	});

	const { id: second } = await w.run(costumeCommands.addCostume, { ...COSTUME, name: 'Second' });
	const [from] = await otherBreakdowns(w.db, second);
	assert.equal(from!.components.length, 3);
	await w.run(
		copyCommands.copyBreakdown,
		{ fromId: String(costume), componentIds: [String(inner.id), String(outer.id)] },
		second
	);
	const copy = (await loadRecord(w.db, second))!;
	assert.deepEqual(
		copy.components.map((c) => [c.name, c.route, c.layer]),
		[
			['Undersuit', 'stretchGarment', 1],
			['Surcoat', 'stretchGarment', 2]
		]
	);
	assert.ok(copy.steps.every((s) => s.doneAt === null));
	assert.deepEqual(
		copy.coats.map((c) => [
			c.product,
			c.coats,
			c.area,
			copy.components.find((k) => k.id === c.componentId)?.name
		]),
		[['clearSpray', 2, 100_000, 'Surcoat']]
	);
	assert.equal(copy.steps.length, (await record()).steps.filter((s) => s.componentId !== bracers).length);
	const link = copy.steps.find((s) => s.name === 'cut' && s.after.length > 0)!;
	assert.ok(copy.steps.some((s) => s.id === link.after[0]));
	await w.run(
		copyCommands.copyBreakdown,
		{ fromId: String(costume), componentIds: [String(inner.id)] },
		second
	);
	assert.equal(
		new Set((await loadRecord(w.db, second))!.components.map((c) => c.code)).size,
		3,
		'codes stay apart'
	);
	await assert.rejects(
		w.run(copyCommands.copyBreakdown, { fromId: String(costume), componentIds: [] }, second),
		refused(/Choose/)
	);
	await assert.rejects(
		w.run(copyCommands.copyBreakdown, { fromId: String(second), componentIds: ['1'] }, second),
		absent
	);
});

test('a wearer who no longer wears it is no longer named; the pieces follow who is chosen', async () => {
	const { id } = await w.run(costumeCommands.addCostume, {
		name: 'Handed on',
		wearer: '',
		eventName: '',
		eventAt: '2099-05-16T09:00',
		limit: '',
		currency: 'EUR'
	});
	const state = async () => {
		const measured = await loadMeasure(w.db, id);
		return [(await loadRecord(w.db, id))!.costume.wearer, fittedOf(measured).map((x) => x.name)];
	};
	const first = await w.run(wearerCommands.addWearer, { name: 'Pell', note: '' }, id);
	assert.deepEqual(await state(), ['Pell', ['Pell']]);
	const second = await w.run(wearerCommands.addWearer, { name: 'Quin', note: '' }, id);
	assert.deepEqual(await state(), ['Pell', ['Pell']], 'one more wearer moves nothing');
	await w.run(wearerCommands.fitCostume, { wearerId: String(second.id) }, id);
	assert.deepEqual(await state(), ['Quin', ['Quin']]);
	await w.run(wearerCommands.unwearCostume, { wearerId: String(second.id) }, id);
	assert.deepEqual(await state(), ['Pell', ['Pell']]);
	await assert.rejects(w.run(wearerCommands.fitCostume, { wearerId: String(second.id) }, id), absent);
	await w.run(wearerCommands.removeWearer, { id: String(first.id) }, id);
	assert.deepEqual(await state(), ['', []]);
	await w.undoLast();
	assert.deepEqual(await state(), ['Pell', ['Pell']]);
	await w.run(costumeCommands.removeCostume, { id: String(id) });
	for (const wearerId of [first.id, second.id])
		await w.run(wearerCommands.removeWearer, { id: String(wearerId) });
});

test('pictures, wearers and fittings travel in the costume file, and in the backup', async () => {
	const zip = await writeCostumeZip(w.db, costume, await loadWorkshop(w.db));
	const { file } = readCostumeZip(zip);
	assert.equal(file.version, COSTUME_VERSION);
	assert.ok(
		file.pictures.length && file.callouts.length && file.openings.length && file.fittings[0]!.points.length
	);
	const measuresBefore = (await fit()).wearers[0]!.measures.length;
	const { id } = await w.run(fileCommands.importCostume, { file: new File([zip as BlobPart], 'x.zip') });
	const bare = (rows: unknown) =>
		JSON.stringify(rows, (key, value) =>
			/^id$|Id$|Ids$|^hash$|bytes|version|costume/i.test(key) ? undefined : value
		);
	assert.equal(bare(await loadLook(w.db, id)), bare(await look()));
	const [there, here] = [await loadMeasure(w.db, id), await fit()];
	for (const part of ['openings', 'nominals', 'fittings', 'points', 'worn'] as const)
		assert.equal(bare(there[part]), bare(here[part]), part);
	assert.equal(here.wearers.length, 1, 'the same name is the same person');
	assert.equal(here.wearers[0]!.measures.length, measuresBefore, 'known measures are not doubled');

	const old = { ...file, version: 1 } as Record<string, unknown>;
	for (const key of [
		'pictures',
		'callouts',
		'pictureMeasures',
		'decisions',
		'wearers',
		'openings',
		'nominals',
		'fittings'
	])
		delete old[key];
	const { zipSync } = await import('fflate');
	const first = readCostumeZip(zipSync({ 'costume.json': Buffer.from(JSON.stringify(old)) }));
	assert.deepEqual(first.file.pictures, [], 'form 1 is still read');
	const wrong = { ...file, callouts: [{ ...file.callouts[0]!, pictureId: 99 }], photos: [] };
	const entries = Object.fromEntries(
		await Promise.all(
			file.pictures.map(async (p) => [
				`pictures/${p.hash}`,
				new Uint8Array(await readStored(w.folder, p.hash))
			])
		)
	);
	assert.throws(
		() => readCostumeZip(zipSync({ 'costume.json': Buffer.from(JSON.stringify(wrong)), ...entries })),
		refused(/leads nowhere: reference picture 99/)
	);

	const backup = await writeBackup(w.db);
	const digest = async () =>
		createHash('sha256')
			.update(JSON.stringify([await look(), await fit()]))
			.digest('hex');
	const was = await digest();
	await run(pictureCommands.removeReference, { id: String((await look()).pictures[0]!.id) });
	assert.notEqual(await digest(), was);
	await restoreBackup(w.db, backup);
	assert.equal(await digest(), was);
});
