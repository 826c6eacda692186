import assert from 'node:assert/strict';
import { test } from 'node:test';
import { likelyFor } from '$core/trade/fittingCheck.ts';
import { absent, add, costume, record, said, w } from '$tests/support/oneCostume.ts';
import { loadWear } from '../read/wear.ts';
import { movingCommands } from './moving.ts';
import { preparationCommands } from './preparation.ts';

const run = (name: keyof typeof movingCommands, values: Record<string, string>) =>
	w.run(movingCommands[name], values, costume);
const wear = () => loadWear(w.db, costume);

test('measured once and again: nothing typed is not known; what is no length is refused', async () => {
	await run('setMoving', { wideMm: '62 cm', openingWideMm: '130 mm', openingHighMm: '3 cm', eyeMm: '45 mm' });
	const { moving } = await wear();
	assert.deepEqual(
		[moving!.wideMm, moving!.hipsMm, moving!.openingWideMm, moving!.openingHighMm, moving!.eyeMm],
		[620, null, 130, 30, 45]
	);
	await run('setMoving', { wideMm: '70 cm', onMinutes: '40', restMinutes: '10' });
	const again = (await wear()).moving!;
	assert.deepEqual([again.id, again.wideMm, again.eyeMm, again.onMinutes], [moving!.id, 700, null, 40]);
	const errors = await w.errors(
		movingCommands.setMoving,
		{ wideMm: 'wide', eyeMm: '0', onMinutes: '0' },
		costume
	);
	assert.deepEqual(Object.keys(errors).sort(), ['eyeMm', 'onMinutes', 'wideMm']);
});

test('a movement that fails because of a component is a fault of it, with what happens; undone together', async () => {
	const componentId = String(await add({ name: 'Visor', route: '' }));
	await run('tryMove', { move: 'drink', works: 'false', componentId, note: 'no room for a straw' });
	assert.match(await said(), /Does not work: Drink from a bottle/);
	const faults = async () => (await record()).faults.map((x) => [x.symptom, x.occasion]);
	assert.deepEqual(await faults(), [['no room for a straw', 'test wear']]);
	assert.deepEqual(
		(await wear()).moves.map((m) => [m.move, m.works]),
		[['drink', false]]
	);
	await w.undoLast();
	assert.deepEqual([await faults(), (await wear()).moves], [[], []]);
	// Because of nothing: only noted. Tried again it works: one record of it.
	await run('tryMove', { move: 'drink', works: 'false', componentId: '' });
	await run('tryMove', { move: 'drink', works: 'on' });
	assert.deepEqual(await faults(), []);
	assert.deepEqual(
		(await wear()).moves.map((m) => [m.move, m.works]),
		[['drink', true]]
	);
	await assert.rejects(run('tryMove', { move: 'drink', works: 'false', componentId: '9999' }));
	assert.ok('move' in (await w.errors(movingCommands.tryMove, { move: 'fly', works: 'on' }, costume)));
});

test('what is on the zones that a movement tries is asked about first', () => {
	const [boots, helm] = [{ zones: ['foot-left' as const] }, { zones: ['head' as const] }];
	assert.deepEqual(likelyFor({ zones: ['head'] }, [boots, helm]), [helm, boots]);
});

test('make-up is kept with where and how long, in its order; without a place it is refused', async () => {
	const colour = { name: 'skin colour', zones: ['face'], minutes: '20', waitMinutes: '5', hands: '1' };
	const of = (values: Record<string, unknown>) => w.run(preparationCommands.addPreparation, values, costume);
	await of({ ...colour, patchTest: 'on' });
	await of({ ...colour, name: 'brow' });
	const [first, second] = (await wear()).preparations;
	assert.deepEqual(
		[first!.name, first!.zones, first!.minutes, first!.waitMinutes, first!.patchTest, second!.position],
		['skin colour', ['face'], 20, 5, true, 1]
	);
	const errors = await w.errors(
		preparationCommands.addPreparation,
		{ ...colour, zones: [], minutes: '0', hands: '4' },
		costume
	);
	assert.deepEqual(Object.keys(errors).sort(), ['hands', 'minutes', 'zones']);
	const id = String(first!.id);
	await w.run(
		preparationCommands.editPreparation,
		{ ...colour, id, version: String(first!.version), minutes: '15' },
		costume
	);
	assert.equal((await wear()).preparations[0]!.minutes, 15);
	// Of another costume it is not there.
	await assert.rejects(
		w.run(preparationCommands.editPreparation, { ...colour, id, version: '2' }, costume + 1),
		absent
	);
	await w.run(preparationCommands.removePreparation, { id }, costume);
	await assert.rejects(w.run(preparationCommands.removePreparation, { id }, costume));
	assert.deepEqual(
		(await wear()).preparations.map((p) => p.name),
		['brow']
	);
});
