import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { demoWorkshop, costumeIds, type TestWorkshop } from '$tests/support/workshop.ts';
import type { Component } from '$core/facts/component.ts';
import type { TableName } from '$core/facts/tables.ts';
import { clock } from '../clock.ts';
import { shapeCommands } from '../commands/shape.ts';
import { wearerCommands } from '../commands/wearer.ts';
import { select } from '../db/tables.ts';
import { otherBreakdowns } from './breakdowns.ts';
import { loadEntered, loadPieces, loadRecord, loadRecords } from './costume.ts';
import { cutLayouts, lineOf, loadLayouts, loadOffcuts } from './layout.ts';
import { loadLook, loadLookAt } from './look.ts';
import { loadFittings, loadMeasure, loadShapes, loadWearers } from './measure.ts';
import { versionsOf } from './versions.ts';
import { loadMaterials, loadObservations, loadSettings, loadWorkshop } from './workshop.ts';

let w: TestWorkshop;
let ids: number[];
before(async () => {
	w = await demoWorkshop();
	ids = await costumeIds(w.db, false);
});
after(() => w.close());

const count = async (table: TableName) => (await select(w.db, table)).length;

test('records hold every row of their costumes, each row once, and nothing of another', async () => {
	const records = await loadRecords(w.db, ids);
	assert.deepEqual(
		records.map((r) => r.costume.id).sort((a, b) => a - b),
		[...ids].sort((a, b) => a - b)
	);
	const sum = (of: (r: (typeof records)[number]) => readonly unknown[]) =>
		records.reduce((n, r) => n + of(r).length, 0);
	assert.equal(
		sum((r) => r.components),
		await count('component')
	);
	assert.equal(
		sum((r) => [...r.steps, ...r.leftOut]),
		await count('step')
	);
	assert.equal(
		sum((r) => r.coats),
		await count('coat')
	);
	assert.equal(
		sum((r) => r.purchases),
		await count('purchase')
	);
	assert.equal(
		sum((r) => r.faults),
		await count('fault')
	);
	assert.equal(
		sum((r) => r.logs),
		await count('work_log')
	);
	assert.equal(
		sum((r) => r.photos),
		await count('photo')
	);
	assert.equal(
		sum((r) => [...r.steps, ...r.leftOut].flatMap((s) => s.after)),
		await count('step_after')
	);
	for (const r of records) {
		const own = new Set(r.components.map((c) => c.id));
		assert.ok([...r.steps, ...r.coats, ...r.needs, ...r.faults].every((row) => own.has(row.componentId)));
		assert.ok(r.logs.every((l) => [...r.steps, ...r.leftOut].some((s) => s.id === l.stepId)));
	}
	assert.equal(await loadRecord(w.db, 999), null);
});

test('in their order: costumes by event, components as in the ledger, logs and faults the newest first', async () => {
	const records = await loadRecords(w.db, ids);
	const rising = (values: readonly number[]) =>
		assert.deepEqual(
			values,
			[...values].sort((a, b) => a - b)
		);
	rising(records.map((r) => r.costume.eventAt));
	for (const r of records) {
		rising(r.components.map((c) => c.position));
		rising(r.logs.map((l) => -l.startedAt));
		rising(r.faults.map((f) => -f.happenedAt));
		rising(r.fittings.map((f) => f.heldAt));
	}
});

test('amounts that follow the pieces are what these come to; as entered they stay as entered', async () => {
	const [entered, followed] = await Promise.all([loadEntered(w.db, ids), loadRecords(w.db, ids)]);
	const moved = followed.flatMap((r, i) =>
		r.steps.filter((s, k) => s.amount !== entered[i]!.steps[k]!.amount)
	);
	assert.ok(moved.length > 0, 'the demo has steps that follow their pieces');
	assert.ok(moved.every((s) => s.fromPieces || s.coatId !== null));
	for (const [i, r] of followed.entries())
		for (const [k, s] of r.steps.entries())
			if (!s.fromPieces && s.coatId === null) assert.equal(s.amount, entered[i]!.steps[k]!.amount, s.name);
});

test('pieces and fit: shapes by component, measures with their wearer, fittings with what was on', async () => {
	const pieces = await loadPieces(w.db, ids);
	assert.equal([...pieces.values()].flatMap((p) => p.shapes).length, await count('shape'));
	assert.equal((await loadPieces(w.db, [])).size, 0);
	const wearers = await loadWearers(w.db);
	assert.equal(wearers.flatMap((x) => x.measures).length, await count('body_measure'));
	assert.ok(wearers.every((x) => x.measures.every((m) => m.wearerId === x.id && m.mm > 0)));
	const fittings = await loadFittings(w.db, ids);
	assert.equal(fittings.flatMap((f) => f.componentIds).length, await count('fitting_component'));
	for (const id of ids) {
		const fit = await loadMeasure(w.db, id);
		assert.ok(fit.openings.length + fit.fittings.length >= 0);
		assert.deepEqual(
			fit.fittings.map((f) => f.heldAt),
			fit.fittings.map((f) => f.heldAt).sort((a, b) => b - a),
			'the newest fitting first'
		);
		assert.ok(fit.shapes.every((s) => pieces.get(id)!.shapes.some((p) => p.id === s.id)));
	}
});

test('what is on pictures: points in pairs, and a picture of another costume is not there', async () => {
	const looks = await Promise.all(ids.map((id) => loadLook(w.db, id)));
	assert.equal(looks.flatMap((l) => l.callouts).length, await count('callout'));
	assert.equal(looks.flatMap((l) => l.measures).length, await count('picture_measure'));
	const at = looks.findIndex((l) => l.pictures.length > 0);
	const [picture] = looks[at]!.pictures;
	for (const c of looks[at]!.callouts) {
		assert.ok(c.points.every((p) => p.length === 2));
		assert.ok(c.points.every(([x, y]) => x >= 0 && y >= 0));
	}
	const found = await loadLookAt(w.db, { costume: String(ids[at]), picture: String(picture!.id) });
	assert.equal(found!.pictureId, picture!.id);
	const other = ids.find((id) => id !== ids[at])!;
	assert.equal(await loadLookAt(w.db, { costume: String(other), picture: String(picture!.id) }), null);
});

test('what other costumes are broken down into: without this one, parts after what they are parts of', async () => {
	const others = await otherBreakdowns(w.db, ids[0]!);
	assert.deepEqual(
		others.map((o) => o.id).sort((a, b) => a - b),
		ids.filter((id) => id !== ids[0]).sort((a, b) => a - b)
	);
	assert.equal(
		others.reduce((n, o) => n + o.components.length, 0),
		(await select<Component>(w.db, 'component')).filter((c) => c.costumeId !== ids[0]).length
	);
});

test('materials are paid in the workshop’s currency where they have none of their own', async () => {
	const [materials, settings] = await Promise.all([loadMaterials(w.db), loadSettings(w.db)]);
	assert.equal(materials.length, await count('material'));
	assert.ok(materials.every((m) => m.currency === settings.currency));
	const families = materials.map((m) => m.family);
	assert.deepEqual(families, [...families].sort(), 'by family');
});

test('what is learned from logs: done and logged steps alone, a pair counted twice, in the order of their end', async () => {
	const found = await loadObservations(w.db, ids);
	const seen = [...found.values()].flat();
	assert.ok(seen.length > 10 && seen.every((o) => o.minutes > 0 && o.doneAt <= clock()));
	for (const list of found.values())
		assert.deepEqual(
			list.map((o) => o.doneAt),
			list.map((o) => o.doneAt).sort((a, b) => a - b)
		);
	// What was done is kept with the step: a shape that is changed later does not change what was learned.
	const records = await loadEntered(w.db, ids);
	for (const r of records)
		for (const o of found.get(r.costume.id) ?? []) {
			const step = r.steps.find((s) => s.id === o.stepId);
			if (!step) continue;
			const logged = r.logs.filter((l) => l.stepId === step.id && l.endedAt !== null);
			assert.equal(
				o.minutes,
				logged.reduce((n, l) => n + l.minutes, 0),
				step.name
			);
			if (!step.perCopy) continue;
			const component = r.components.find((c) => c.id === step.componentId)!;
			const least = component.side === 'pair' ? 2 * component.count : component.count;
			assert.ok(Math.abs(o.amount / step.amount - least) < 1e-9 || component.parentId !== null, step.name);
		}
	const { learned, rates } = await loadWorkshop(w.db);
	assert.ok(learned.length > 0 && learned.every((l) => rates[l.technique] !== undefined));
});

test('offcuts and layouts: what is kept, the newest first, and cut is what was cut', async () => {
	assert.equal((await loadOffcuts(w.db)).length, await count('offcut'));
	for (const id of ids) {
		const layouts = await loadLayouts(w.db, id);
		assert.deepEqual(
			layouts.map((l) => l.keptAt),
			layouts.map((l) => l.keptAt).sort((a, b) => b - a)
		);
		for (const l of layouts) {
			const line = lineOf(l);
			assert.ok(line.use.sheets >= 1 && line.use.density > 0 && line.use.density <= 1, l.name);
			assert.ok(!('plan' in line), 'a line of a list does not carry the plan');
		}
		assert.equal((await cutLayouts(w.db, id)).length, layouts.filter((l) => l.cutAt !== null).length);
	}
});

test('versions of a shape: newest first, with what a measure and a note changed', async () => {
	const shapes = await loadShapes(w.db, ids);
	const shape = shapes.find((s) => s.drawn === null)!;
	const before = (await versionsOf(w.db, 'shape', shape.id)).length;
	await w.run(
		shapeCommands.editShape,
		{
			id: String(shape.id),
			version: String(shape.version),
			shaper: shape.shaper,
			name: 'renamed shell',
			note: 'for a closer fit',
			materialId: shape.materialId === null ? '' : String(shape.materialId),
			...Object.fromEntries(
				Object.entries(shape.values).flatMap(([key, value]) =>
					typeof value === 'number'
						? [[`value.${key}`, String(value)]]
						: [
								[`value.${key}`, String(value.plus)],
								[`follow.${key}`, value.follows]
							]
				)
			)
		},
		shape.costumeId
	);
	const versions = await versionsOf(w.db, 'shape', shape.id);
	assert.equal(versions.length, before + 1);
	assert.match(versions[0]!.words, /renamed shell/);
	assert.ok(versions.every((v, i) => i === 0 || versions[i - 1]!.at >= v.at));
	await w.undoLast();
	const { id } = await w.run(wearerCommands.addWearer, { name: 'Juno', note: '' }, shape.costumeId);
	assert.ok((await loadWearers(w.db)).some((x) => x.id === id));
});
