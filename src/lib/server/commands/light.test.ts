import assert from 'node:assert/strict';
import { test } from 'node:test';
import { circuitOf, lightParts } from '$core/answers/lightParts.ts';
import { add, costume, record, refused, w } from '$tests/support/oneCostume.ts';
import { litBy } from '../light.ts';
import { loadWeights } from '../read/wear.ts';
import { loadHandbook, loadMaterials } from '../read/workshop.ts';
import { lightCommands } from './light.ts';

/** As the page begins. */
const { typed: TYPED, found } = litBy(new URLSearchParams());
const KEPT = found!.kept;
const keep = (componentId: number, values: Record<string, string> = {}) =>
	w.run(lightCommands.keepLight, { componentId: String(componentId), ...TYPED, ...values }, costume);
const needs = async (componentId: number) => {
	const materials = await loadMaterials(w.db);
	return (await record()).needs
		.filter((n) => n.componentId === componentId)
		.map((n) => `${n.quantity} ${materials.find((m) => m.id === n.materialId)!.name}`)
		.sort();
};

test('parts by hand: four LEDs and 150 Ω on four AA cells; what does not light is made of nothing', () => {
	assert.deepEqual(
		lightParts(KEPT).map((p) => [p.count, p.material]),
		[
			[4, 'LED, 3.1 V'],
			[4, 'resistor, 150 Ω'],
			[4, 'cell, AA'],
			[1, 'switch'],
			[1, 'fuse, 500 mA']
		]
	);
	assert.deepEqual(lightParts({ ...KEPT, leds: 2 }), []);
	assert.equal(circuitOf(KEPT).strands[0]!.strings, 4);
});

test('a circuit kept with a pair is needed twice and weighs with its cells; another one takes its place; none takes it away', async () => {
	const id = await add({ name: 'Lamps', route: '', side: 'pair' });
	await keep(id);
	assert.deepEqual(await needs(id), [
		'2 fuse, 500 mA',
		'2 switch',
		'8 LED, 3.1 V',
		'8 cell, AA',
		'8 resistor, 150 Ω'
	]);
	const { weights } = await loadWeights(w.db, await record(), {
		materials: await loadMaterials(w.db),
		handbook: await loadHandbook(w.db)
	});
	// 4 × 23 + 4 × 0.3 + 4 × 0.2 + 3 + 1, one of the pair; nothing of it is not known.
	assert.ok(Math.abs(weights.get(id)!.grams! - 98) < 1e-9);
	assert.deepEqual(weights.get(id)!.unknown, []);
	// Six AAA and no fuse: what the last one was made of is not needed any more, what both have is.
	await keep(id, { cell: 'AAA', inSeries: '6', leds: '2', fuse: '' });
	assert.deepEqual(await needs(id), ['12 cell, AAA', '16 LED, 3.1 V', '2 switch', '8 resistor, 150 Ω']);
	const count = (await loadMaterials(w.db)).length;
	await keep(id, { cell: 'AAA', inSeries: '6', leds: '2', fuse: '' });
	assert.equal((await loadMaterials(w.db)).length, count, 'the same part is the same material');
	await assert.rejects(keep(id, { leds: '3' }), refused(/does not light/));
	await w.run(lightCommands.dropLight, { componentId: String(id) }, costume);
	assert.deepEqual(await needs(id), []);
	assert.equal((await loadMaterials(w.db)).length, count, 'taking one away makes none');
	await w.undoLast();
	assert.equal((await needs(id)).length, 4);
});
