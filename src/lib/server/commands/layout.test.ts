import assert from 'node:assert/strict';
import { FIRST_SETTINGS } from '$core/facts/workshop.ts';
import { after, before, test } from 'node:test';
import { COSTUME, COMPONENT, MATERIAL, testWorkshop, type TestWorkshop } from '$tests/support/workshop.ts';
import { rectangle } from '$core/engines/layout/offcut.ts';
import type { LayPlan } from '$core/facts/layout.ts';
import { PLAIN_LAY } from '$core/facts/layout.ts';
import { shoppingLines } from '$core/answers/shopping.ts';
import { lastAction } from '../db/undo.ts';
import { loadRecord } from '../read/costume.ts';
import { loadLayouts, loadOffcuts } from '../read/layout.ts';
import { loadShapes } from '../read/measure.ts';
import { loadMaterials } from '../read/workshop.ts';
import { componentCommands } from './component.ts';
import { costumeCommands } from './costume.ts';
import { layoutCommands as lay } from './layout.ts';
import { materialCommands } from './material.ts';
import { lotCommands } from './lot.ts';
import { offcutCommands } from './offcut.ts';
import { purchaseCommands } from './purchase.ts';
import { shapeCommands } from './shape.ts';
import { standInCommands } from './standIn.ts';
import { stepCommands } from './step.ts';

let w: TestWorkshop;
let costume: number;
let plates: [number, number];
/** As a form sends it: all text. */
const run = <R = { id: number }>(
	cmd: Parameters<TestWorkshop['run']>[0],
	values: Record<string, string | number>,
	costumeId = costume
) => w.run<R>(cmd, Object.fromEntries(Object.entries(values).map(([k, v]) => [k, String(v)])), costumeId);
const record = async () => (await loadRecord(w.db, costume))!;
const material = async (values: Record<string, string>) =>
	(await run(materialCommands.addMaterial, { ...MATERIAL, ...values })).id;
const foamOf = (name: string, thicknessMm: string, more: Record<string, string> = {}) =>
	material({ name, thicknessMm: `${thicknessMm} mm`, widthMm: '500 mm', lengthMm: '400 mm', ...more });
const stashOf = async (id: number) => (await loadMaterials(w.db)).find((m) => m.id === id)!.stash;
const line = async (id: number) =>
	shoppingLines(await record(), {
		materials: await loadMaterials(w.db),
		handbook: [],
		settings: FIRST_SETTINGS
	}).find((l) => l.material.id === id)!;

/** Two sheets, or an offcut and a sheet: a large plate on the first, a small one on the second. */
function plan(materialId: number, sheets: LayPlan['stock']['sheets'] = []): LayPlan {
	const piece = (id: string, componentId: number, width: number) => ({
		id,
		code: id,
		name: 'plate',
		componentId,
		stock: String(materialId),
		outline: rectangle(width, 200),
		holes: [],
		quantity: 1,
		pair: false,
		rotations: [0],
		folded: null
	});
	const at = { copy: 1, stock: String(materialId), mirrored: false, rotation: 0, x: 5, y: 5 };
	return {
		settings: PLAIN_LAY,
		stock: { id: String(materialId), sheets, more: { width: 500, height: 400 }, roll: null },
		pieces: [piece('A-01 1/1', plates[0], 300), piece('A-02 1/1', plates[1], 100)],
		placements: [
			{ ...at, piece: 'A-01 1/1', sheet: 1 },
			{ ...at, piece: 'A-02 1/1', sheet: 2 }
		]
	};
}
const keep = (materialId: number, its: LayPlan, name = '') =>
	run(lay.keepLayout, { materialId, name, plan: JSON.stringify(its) });
const cut = async (id: number) => {
	const { version } = (await loadLayouts(w.db, costume)).find((l) => l.id === id)!;
	return run(lay.cutLayout, { id, version, least: '80 mm' });
};

before(async () => {
	w = await testWorkshop('2031-04-28T18:00');
	costume = (await w.run<{ id: number }>(costumeCommands.addCostume, COSTUME)).id;
	const made: number[] = [];
	for (const name of ['Breastplate', 'Collar'])
		made.push(
			(await w.run<{ id: number }>(componentCommands.addComponent, { ...COMPONENT, name }, costume)).id
		);
	plates = made as [number, number];
});
after(() => w.close());

test('a layout’s quantities become the needs of its components, in one step back and forth', async () => {
	const foam = await foamOf('Foam for needs', '6');
	const parts = (quantity: number) => JSON.stringify([{ componentId: plates[0], quantity }]);
	const take = (values: Record<string, string | number>) =>
		run(lay.takeLayout, { materialId: foam, ...values });
	const needed = async () =>
		(await record()).needs.filter((n) => n.materialId === foam).map((n) => [n.quantity, n.waste]);
	await take({ parts: parts(2) });
	await take({ parts: parts(1.5) });
	assert.deepEqual(await needed(), [[1.5, null]]);
	await w.undoLast();
	assert.deepEqual(await needed(), [[2, null]]);
	await assert.rejects(take({ parts: JSON.stringify([{ componentId: 9999, quantity: 1 }]) }), /component/);
	assert.ok((await w.errors(lay.takeLayout, { materialId: foam, parts: '[]' })).parts);
});

test('a layout is kept as it is; one whose pieces lie too near each other, or of other components, is refused', async () => {
	const foam = await foamOf('Foam to keep', '6');
	const its = plan(foam);
	const { id } = await keep(foam, its);
	const [kept] = await loadLayouts(w.db, costume);
	assert.deepEqual([kept!.id, kept!.plan, kept!.name], [id, its, 'Foam to keep, layout 1']);
	const onEach = { ...its, placements: its.placements.map((p) => ({ ...p, sheet: 1 })) };
	await assert.rejects(keep(foam, onEach), /A-01 1\/1 1 lies too near/);
	const strange = { ...its, pieces: its.pieces.map((p) => ({ ...p, componentId: 9999 })) };
	await assert.rejects(keep(foam, strange), /other pieces/);
	const errors = await w.errors(lay.keepLayout, { materialId: String(foam), name: '', plan: '{"a":1}' });
	assert.ok(errors.plan);
	await run(lay.renameLayout, { id, version: kept!.version, name: 'On new sheets' });
	await run(lay.removeLayout, { id });
	assert.equal((await loadLayouts(w.db, costume)).length, 0);
	await w.undoLast();
	assert.equal((await loadLayouts(w.db, costume))[0]!.name, 'On new sheets');
	await w.undoLast();
	await w.undoLast();
});

test('cut: sheets come out of the stash, what was laid is needed and not short, leftovers lie in the stash; undo puts all back', async () => {
	const foam = await foamOf('Foam to cut', '6', { stash: '3' });
	const { id } = await keep(foam, plan(foam), 'Plates');
	await cut(id);
	assert.equal(await stashOf(foam), 1);
	const after = await line(foam);
	assert.deepEqual([after.needed, after.taken, after.short, after.over], [2, 2, 0, 1]);
	const needs = (await record()).needs.filter((n) => n.materialId === foam);
	assert.deepEqual(
		needs.map((n) => [n.componentId, n.quantity, n.taken]),
		[
			[plates[0], 1.5, 1.5],
			[plates[1], 0.5, 0.5]
		]
	);
	const offcuts = (await loadOffcuts(w.db)).filter((o) => o.materialId === foam);
	// 500 × 400 less 303 × 203 and less 103 × 203 in a corner: an L each, named by their numbers.
	assert.deepEqual(
		offcuts.map((o) => [o.name, o.note, o.outline.length]),
		[
			['Offcut 1', 'of Plates', 6],
			['Offcut 2', 'of Plates', 6]
		]
	);
	await assert.rejects(cut(id), /cut already/);
	await w.undoLast();
	assert.deepEqual(
		[await stashOf(foam), (await loadOffcuts(w.db)).length, (await line(foam))?.needed],
		[3, 0, undefined]
	);
});

test('what was bought for the costume is cut first; what a second layout takes is needed on top', async () => {
	const foam = await foamOf('Foam bought', '6', { stash: '2' });
	await run(purchaseCommands.addPurchase, { materialId: foam, packs: 3, componentId: '' });
	const { id } = (await record()).purchases.find((p) => p.materialId === foam)!;
	for (const state of ['ordered', 'arrived']) await run(purchaseCommands.setPurchaseState, { id, state });
	await cut((await keep(foam, plan(foam))).id);
	assert.deepEqual([await stashOf(foam), (await line(foam)).needed], [2, 2]);
	await cut((await keep(foam, plan(foam))).id);
	// One sheet was left of the three, the other came out of the stash.
	const { needed, taken, short } = await line(foam);
	assert.deepEqual([await stashOf(foam), needed, taken, short], [1, 4, 1, 0]);
});

test('what is cut out of the stash takes the lot that spoils first, and costs what its lots cost', async () => {
	// 2 sheets are cut, 3/4 of them for the first plate: one of 9.00 that spoils first, one of 20.00 for two.
	const foam = await foamOf('Foam of two prices', '6', { stash: '0' });
	const put = (values: object) =>
		run(lotCommands.addLot, {
			materialId: foam,
			quantity: '1',
			colour: '',
			place: '',
			boughtOn: '',
			packSize: '1',
			packPriceMinor: '9',
			bestBefore: '',
			note: '',
			...values
		});
	await put({ quantity: '4', packSize: '2', packPriceMinor: '40' });
	await put({ bestBefore: '2099-01-01' });
	await cut((await keep(foam, plan(foam))).id);
	assert.equal(await stashOf(foam), 3);
	const its = async () =>
		(await record()).needs
			.filter((n) => n.materialId === foam)
			.map((n) => [n.quantity, n.taken, n.takenMinor]);
	// 9.00 and 20.00 are 29.00: three quarters and one quarter.
	assert.deepEqual(await its(), [
		[1.5, 1.5, 2175],
		[0.5, 0.5, 725]
	]);
	await cut((await keep(foam, plan(foam))).id);
	assert.deepEqual(await its(), [
		[3, 3, 2175 + 3000],
		[1, 1, 725 + 1000]
	]);
	for (let k = 0; k < 4; k++) await w.undoLast();
	assert.deepEqual([await stashOf(foam), await its()], [5, []]);
});

test('an offcut that is used is gone, only what is new is counted; one that is gone already is refused', async () => {
	const foam = await foamOf('Foam with offcuts', '6', { stash: '1' });
	const outline = rectangle(320, 220);
	const add = () =>
		run(offcutCommands.addOffcut, {
			materialId: foam,
			name: '',
			note: 'shelf 2',
			outline: JSON.stringify(outline),
			flaws: JSON.stringify([rectangle(10, 10).map(([x, y]) => [x + 309, y + 209])])
		});
	await add();
	const [offcut] = (await loadOffcuts(w.db)).filter((o) => o.materialId === foam);
	const its = plan(foam, [{ width: 320, height: 220, outline, flaws: offcut!.flaws, offcut: offcut!.id }]);
	const { id } = await keep(foam, its);
	await run(offcutCommands.removeOffcut, { id: offcut!.id });
	await assert.rejects(cut(id), /no longer in the stash/);
	await w.undoLast();
	await cut(id);
	assert.equal(await stashOf(foam), 0);
	const left = (await loadOffcuts(w.db)).filter((o) => o.materialId === foam);
	assert.deepEqual(
		left.map((o) => o.outline.length),
		[6],
		'nothing is left of the offcut, an L of the sheet'
	);
	const crossed = JSON.stringify([
		[0, 0],
		[100, 100],
		[100, 0],
		[0, 100]
	]);
	assert.match(
		(
			await w.errors(offcutCommands.addOffcut, {
				materialId: String(foam),
				name: '',
				note: '',
				outline: crossed,
				flaws: '[]'
			})
		).outline!,
		/crosses itself/
	);
});

test('a thickness that is out is made of layers: pieces, needs, glue and a step follow; and back again', async () => {
	const six = await foamOf('Foam of six', '6');
	const two = await foamOf('Foam of two', '2');
	const glue = await material({ name: 'Contact cement', family: 'glue', unit: 'l' });
	const panel = {
		componentId: plates[0],
		shaper: 'flatPanel',
		name: '',
		note: '',
		materialId: six,
		follow: 'on',
		'value.top': '200 mm',
		'value.bottom': '200 mm',
		'value.height': '100 mm',
		'value.corner': '0 mm',
		'value.allowance': '0 mm'
	};
	await run(shapeCommands.addShape, panel);
	const from = (values: Record<string, string | number>) =>
		run(lay.cutFrom, { materialId: six, otherId: two, layers: '3', glueId: glue, ...values });
	await from({ glue: JSON.stringify([{ componentId: plates[0], quantity: 18 }]) });
	const [shape] = (await loadShapes(w.db, [costume])).filter((s) => s.componentId === plates[0]);
	assert.deepEqual([shape!.materialId, shape!.layers], [two, 3]);
	const its = (await record()).needs.filter((n) => n.componentId === plates[0]);
	const quantity = (id: number) => its.find((n) => n.materialId === id)?.quantity;
	// Three of 200 × 100 mm off sheets of 500 × 400 mm, 1.3 times for waste; 18 ml.
	assert.deepEqual([quantity(six), quantity(two)!.toFixed(3), quantity(glue)], [undefined, '0.390', 0.018]);
	const step = (await record()).steps.find((s) => s.technique === 'stack')!;
	assert.deepEqual([step.name, step.amount, step.waitMinutes], ['stack 3 layers', 40_000, 60]);
	const before = (await record()).steps.filter(
		(s) => s.componentId === plates[0] && s.position < step.position
	);
	assert.ok(before.every((s) => ['pattern', 'make'].includes(s.phase)));
	// What is stacked stays so in other sheets; more than six layers are too many.
	const large = await foamOf('Foam of two, large', '2');
	const move = (otherId: number, layers: number) =>
		run(lay.cutFrom, { materialId: two, otherId, layers, glueId: '', glue: '[]' });
	await assert.rejects(move(large, 3), /9 layers/);
	await move(large, 1);
	const again = (await loadShapes(w.db, [costume])).find((s) => s.id === shape!.id)!;
	assert.deepEqual([again.materialId, again.layers], [large, 3]);
	assert.equal((await record()).steps.filter((s) => s.technique === 'stack').length, 1);
	await w.undoLast();
	await w.undoLast();
	await w.undoLast();
	assert.ok(!(await record()).steps.some((s) => s.technique === 'stack'));
	await assert.rejects(from({ materialId: glue, otherId: two, glue: '[]' }), /Nothing is cut/);
	await assert.rejects(from({ otherId: glue, glue: '[]' }), /how large/);
	await assert.rejects(from({ glueId: two, glue: '[]' }), /counted in ml or l/);
});

test('layers are joined with a glue that the work asks for: of it is needed what all seams and layers take, and no less', async () => {
	const six = await foamOf('Foam of six, glued', '6');
	const two = await foamOf('Foam of two, glued', '2');
	const glue = await material({
		name: 'Cement by the work',
		family: 'glue',
		unit: 'ml',
		supply: 'contactCement'
	});
	const { id: componentId } = await w.run(
		componentCommands.addComponent,
		{ ...COMPONENT, name: 'Glued', route: '' },
		costume
	);
	await run(shapeCommands.addShape, {
		componentId,
		shaper: 'flatPanel',
		name: '',
		note: '',
		materialId: six,
		follow: 'on',
		'value.top': '200 mm',
		'value.bottom': '200 mm',
		'value.height': '100 mm',
		'value.corner': '0 mm',
		'value.allowance': '0 mm'
	});
	await run(stepCommands.addStep, {
		componentId,
		name: 'join',
		technique: 'cement',
		phase: 'make',
		amount: '2 m',
		setUpMinutes: '0',
		waitMinutes: '0',
		placeId: '',
		faultId: '',
		perCopy: 'on'
	});
	await run(lay.cutFrom, {
		materialId: six,
		otherId: two,
		layers: '3',
		glueId: glue,
		glue: JSON.stringify([{ componentId, quantity: 18 }])
	});
	const line = shoppingLines(await record(), {
		materials: await loadMaterials(w.db),
		handbook: [],
		settings: FIRST_SETTINGS
	}).find((l) => l.material.id === glue)!;
	// By hand: two joints of 0.02 m² at 450 ml are 18 ml, a seam of 2 m at 15 ml is 30; a tenth more is 52.8.
	const its = line.usages.filter((u) => u.componentId === Number(componentId));
	assert.deepEqual(
		its.map((u) => [u.from, u.quantity.toFixed(6)]),
		[['work', '52.800000']]
	);
	await w.undoLast();
});

/** Both plates as shapes on the same foam, of the sizes that `plan` lays; what is cut follows them. */
async function shaped(foam: number): Promise<void> {
	for (const [i, width] of [300, 100].entries()) {
		const componentId = String(plates[i]);
		await run(shapeCommands.addShape, {
			componentId,
			shaper: 'flatPanel',
			name: '',
			note: '',
			materialId: foam,
			follow: 'on',
			'value.top': `${width} mm`,
			'value.bottom': `${width} mm`,
			'value.height': '200 mm',
			'value.corner': '0 mm',
			'value.allowance': '0 mm'
		});
	}
}

test('a kept layout is what is needed, for as long as it is of the pieces as they are', async () => {
	const foam = await foamOf('Foam laid by itself', '6');
	for (const s of await loadShapes(w.db, [costume])) await run(shapeCommands.removeShape, { id: s.id });
	await shaped(foam);
	const needed = async () =>
		(await record()).needs
			.filter((n) => n.materialId === foam)
			.map((n) => [n.componentId, Number(n.quantity.toFixed(3)), n.laid ?? false]);
	// 0.06 and 0.02 m² off sheets of 0.2 m², 1.3 times for waste.
	const byArea = [
		[plates[0], 0.39, false],
		[plates[1], 0.13, false]
	];
	assert.deepEqual(await needed(), byArea);
	const { id } = await keep(foam, plan(foam));
	// Two sheets in all, by their areas.
	assert.deepEqual(await needed(), [
		[plates[0], 1.5, true],
		[plates[1], 0.5, true]
	]);
	const [shape] = (await loadShapes(w.db, [costume])).filter((s) => s.componentId === plates[1]);
	await run(shapeCommands.removeShape, { id: shape!.id });
	await w.undoLast();
	assert.equal((await needed())[1]![2], true);
	await run(lay.removeLayout, { id });
	assert.deepEqual(await needed(), byArea, 'without the layout it is the area again');
	// A layout that leaves a piece out says nothing of how much is needed.
	const whole = plan(foam);
	await keep(foam, { ...whole, placements: whole.placements.slice(0, 1) });
	assert.deepEqual(await needed(), byArea);
	assert.match((await lastAction(w.db))!.words, /without 1 piece/);
});

test('what stands in is laid out anew: the needs are what its layout takes, and all is back in one', async () => {
	const [foam, other] = [await foamOf('Foam that is late', '6'), await foamOf('Foam that is here', '6')];
	for (const s of await loadShapes(w.db, [costume])) await run(shapeCommands.removeShape, { id: s.id });
	await shaped(foam);
	const needed = async (id: number) =>
		(await record()).needs
			.filter((n) => n.materialId === id)
			.map((n) => [n.componentId, Number(n.quantity.toFixed(3)), n.laid ?? false]);
	const take = (laid: LayPlan | null) =>
		run(standInCommands.takeStandIn, {
			materialId: foam,
			key: `cut ${other} 1`,
			laid: JSON.stringify(laid)
		});
	await take(plan(other));
	// The same pieces: two sheets in all, where their area is half a sheet.
	assert.deepEqual(await needed(other), [
		[plates[0], 1.5, true],
		[plates[1], 0.5, true]
	]);
	assert.deepEqual(await needed(foam), []);
	await w.undoLast();
	assert.equal((await needed(other)).length, 0);
	assert.equal((await needed(foam)).length, 2);
	await take(null);
	assert.deepEqual(await needed(other), [
		[plates[0], 0.39, false],
		[plates[1], 0.13, false]
	]);
	await w.undoLast();
	await assert.rejects(take(plan(foam)), /other pieces/);
});

test('what is cut is not planned again: tracing and cutting are done, what comes after is not', async () => {
	const foam = await foamOf('Foam cut and done', '6', { stash: '5' });
	for (const s of await loadShapes(w.db, [costume])) await run(shapeCommands.removeShape, { id: s.id });
	await shaped(foam);
	const open = async () =>
		(await record()).steps.filter((s) => s.componentId === plates[0] && s.doneAt === null).map((s) => s.name);
	const before = await open();
	assert.ok(before.includes('trace and label') && before.includes('cut'));
	await cut((await keep(foam, plan(foam))).id);
	assert.deepEqual(
		before.filter((name) => !new Set(['trace and label', 'cut']).has(name)),
		await open()
	);
	const done = (await record()).steps.find((s) => s.componentId === plates[0] && s.name === 'cut')!;
	// Once round 300 × 200.
	assert.deepEqual([Math.round(done.amount), done.guessed], [1000, false]);
	assert.match((await lastAction(w.db))!.words, /4 steps done/);
	await w.undoLast();
	assert.deepEqual(await open(), before);
});

test('cut from another material: what pieces of a role are cut from is changed with the rest, in one layer', async () => {
	const [old, now] = [await foamOf('Facing, old', '2'), await foamOf('Facing, new', '2')];
	for (const s of await loadShapes(w.db, [costume])) await run(shapeCommands.removeShape, { id: s.id });
	const base = await foamOf('Base of the facing', '6');
	await run(shapeCommands.addShape, {
		componentId: String(plates[0]),
		shaper: 'flatPanel',
		name: '',
		note: '',
		materialId: base,
		'role.facing': old,
		'value.top': '200 mm',
		'value.bottom': '200 mm',
		'value.height': '100 mm',
		'value.corner': '0 mm',
		'value.allowance': '0 mm'
	});
	const roles = async () => (await loadShapes(w.db, [costume]))[0]!;
	assert.deepEqual((await roles()).roles, { facing: old });
	const from = (layers: number) =>
		run(lay.cutFrom, { materialId: old, otherId: now, layers, glueId: '', glue: '[]' });
	await assert.rejects(from(2), /in one layer/);
	await from(1);
	assert.deepEqual([(await roles()).roles, (await roles()).materialId], [{ facing: now }, base]);
	await w.undoLast();
	assert.deepEqual((await roles()).roles, { facing: old });
	await assert.rejects(
		run(shapeCommands.editShape, {
			id: (await roles()).id,
			version: (await roles()).version,
			shaper: 'flatPanel',
			name: '',
			note: '',
			materialId: base,
			'role.facing': 999_999,
			'value.top': '200 mm',
			'value.bottom': '200 mm',
			'value.height': '100 mm',
			'value.corner': '0 mm',
			'value.allowance': '0 mm'
		}),
		/material/
	);
});
