import assert from 'node:assert/strict';
import { test } from 'node:test';
import { costume, record, refused, said, w } from '$tests/support/oneCostume.ts';
import { takesInShop } from '$core/answers/takes.ts';
import { loadShop } from '../read/shop.ts';
import { loadMaterials } from '../read/workshop.ts';
import { contextOf, runCommand } from './command.ts';
import { quickLineCommands } from './quickLine.ts';
import { takesCommands } from './takes.ts';

const add = (lines: string) => w.run(quickLineCommands.addLines, { lines }, costume);
const byName = async (name: string) => (await record()).components.find((c) => c.name === name)!;
const takes = async () => {
	const { workshop, atWork } = await loadShop(w.db);
	return takesInShop(await record(), workshop, atWork);
};

test('lines become components with their steps, parts of one another and of what is there; one undo takes all back', async () => {
	await add('helmet, foam 5 mm\nvisor, part of the helmet\nlantern, lights up\n\ngauntlet left');
	assert.equal(await said(), 'Added helmet, visor, lantern and gauntlet');
	const helmet = await byName('helmet');
	const visor = await byName('visor');
	assert.deepEqual([visor.parentId, visor.position, helmet.thicknessMm], [helmet.id, 0, 5]);
	const lantern = await byName('lantern');
	assert.deepEqual([lantern.route, lantern.furtherRoutes], ['printedPart', ['light']]);
	const { steps } = await record();
	assert.ok(
		steps.some((s) => s.componentId === lantern.id && s.technique === 'wire'),
		'steps of both routes'
	);
	assert.ok(steps.some((s) => s.componentId === helmet.id && s.technique === 'cutFoam'));
	// What is there is named as well.
	await add('crest on the helmet\nwig under the helmet');
	assert.equal((await byName('crest')).parentId, helmet.id);
	assert.equal((await byName('wig')).layer, 1);
	await w.undoLast();
	await w.undoLast();
	assert.equal((await record()).components.length, 0);
	await assert.rejects(add('  \n \n'), refused(/Say what it is made of/));
	assert.ok('lines' in (await w.errors(quickLineCommands.addLines, { lines: 'wig\n'.repeat(101) }, costume)));
});

test('by hand through the whole way: a pair of bracers and a cloak, prices typed, on the list, and asked for no more', async () => {
	await add('bracers, foam 5 mm\ncloak, buy');
	const before = await takes();
	const foam = before.find((t) => t.key === 'new High-density foam 5 mm')!;
	// 0.15 m² × 2 × 1.3 ÷ 0.5 m² = 0.78: 0.8 sheets, one pack.
	assert.deepEqual([foam.line.needed, foam.line.packsShort], [0.8, 1]);
	const cloak = before.find((t) => t.material.name === 'Cloak')!;
	const keys = [foam.key, cloak.key, 'supply contactCement', 'coat fillerPrimer'];
	const values = { takes: keys, list: 'on', [`price ${foam.key}`]: '13.90', [`price ${cloak.key}`]: '45' };
	await w.run(takesCommands.addTakes, values, costume);
	assert.equal(await said(), 'It takes 4 more materials');

	const { needs, purchases, components } = await record();
	const materials = await loadMaterials(w.db);
	const named = (name: RegExp) => materials.find((m) => name.test(m.name))!;
	const sheet = named(/^High-density foam 5 mm$/);
	assert.deepEqual(
		[sheet.packPriceMinor, sheet.thicknessMm, sheet.widthMm, sheet.gramsPerM2, sheet.leadDays],
		[1390, 5, 1000, 500, 4]
	);
	assert.equal(needs.find((n) => n.materialId === sheet.id)!.quantity, 0.8);
	assert.equal(named(/^Contact cement$/).supply, 'contactCement');
	assert.equal(named(/^Filler primer/).coatProduct, 'fillerPrimer');
	const bought = purchases.find((p) => p.materialId === named(/^Cloak$/).id)!;
	const its = components.find((c) => c.name === 'cloak')!;
	assert.deepEqual([bought.packs, bought.packPriceMinor, bought.componentId], [1, 4500, its.id]);
	assert.equal(purchases.length, 4);
	const left = (await takes()).map((t) => t.key);
	for (const key of keys) assert.ok(!left.includes(key), key);
	// Sent again it is none of them any more.
	await assert.rejects(w.run(takesCommands.addTakes, values, costume), refused(/changed meanwhile/));
	await w.undoLast();
	assert.equal((await record()).purchases.length, 0);
	assert.ok(!(await loadMaterials(w.db)).some((m) => m.id === sheet.id));
});

test('a price that is none is refused at its field, and nothing is kept of it', async () => {
	const [first] = await takes();
	const context = await contextOf(w.db, w.db.folder, { costume: String(costume) });
	const key = first!.key;
	await assert.rejects(
		runCommand(w.db, takesCommands.addTakes, { takes: [key], list: false, [`price ${key}`]: '12o' }, context),
		refused(/not an amount of money/)
	);
	assert.ok((await takes()).some((t) => t.key === key));
	assert.ok('takes' in (await w.errors(takesCommands.addTakes, { takes: [] }, costume)));
});
