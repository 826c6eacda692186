import assert from 'node:assert/strict';
import { test } from 'node:test';
import { seeded } from '$tests/support/planCases.ts';
import * as make from '$tests/support/record.ts';
import type { Family } from '../facts/material.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import { planAsIf, withRecord } from './asIf.ts';
import { shoppingLines } from './shopping.ts';
import { freeStash, promiseStash, stillNeeded, workshopFor } from './stash.ts';

const costume = (
	id: number,
	event: string,
	needs: number,
	extra: Partial<CostumeRecord> = {}
): CostumeRecord => {
	const r = make.record({
		components: [make.component(id, { costumeId: id })],
		needs: [make.need(id, id, needs)].map((n) => ({ ...n, materialId: 1 })),
		...extra
	});
	return { ...r, costume: { ...r.costume, id, eventAt: make.at(event) } };
};
const foam = make.material(1, { stash: 5, packSize: 1, packPriceMinor: 1000 });
const shop = make.workshop({ materials: [foam] });
const promises = (records: CostumeRecord[]) =>
	promiseStash(
		records.map((record) => ({ record, needs: stillNeeded(record, shop) })),
		shop.materials
	);

test('five sheets and two costumes that need four each: the earlier event has four, the other one and buys three', () => {
	const later = costume(1, '2031-06-01T09:00', 4);
	const sooner = costume(2, '2031-05-01T09:00', 4);
	const given = promises([later, sooner]);
	assert.deepEqual([given.get(2)!.get(1), given.get(1)!.get(1)], [4, 1]);
	const packs = (record: CostumeRecord) =>
		shoppingLines(record, workshopFor(shop, record.costume, given.get(record.costume.id)!))[0]!.packsShort;
	assert.deepEqual(
		[packs(sooner), packs(later)],
		[0, 3],
		'eight are needed, five are there, three are bought'
	);
});

test('what is free is what is owned less all that is promised; a rounding is none', () => {
	const given = promises([costume(1, '2031-06-01T09:00', 1), costume(2, '2031-05-01T09:00', 2.5)]);
	assert.deepEqual([...freeStash(shop.materials, [...given.values()])], [[1, 1.5]]);
	assert.deepEqual([...freeStash(shop.materials, [])], [[1, 5]]);
	const owned = (family: Family, stash: number) => ({ id: 1, family, stash });
	assert.equal(freeStash([owned('foam', 0.3)], [new Map([[1, 0.1 + 0.2]])]).get(1), 0);
	assert.equal(
		freeStash([owned('tool', 1)], [new Map([[1, 1]]), new Map([[1, 1]])]).get(1),
		1,
		'a tool stays'
	);
});

test('as the maker says: who has a turn comes before all events', () => {
	const later = costume(1, '2031-06-01T09:00', 4);
	later.costume.stashTurn = 1;
	const given = promises([costume(2, '2031-05-01T09:00', 4), later]);
	assert.deepEqual([given.get(1)!.get(1), given.get(2)!.get(1)], [4, 1]);
});

test('what is cut or here already asks for nothing of the stash; what is on its way does not stand in for it', () => {
	const cut = costume(1, '2031-05-01T09:00', 4);
	cut.needs[0]!.taken = 3;
	assert.equal(promises([cut]).get(1)!.get(1), 1);
	const bought = (state: 'arrived' | 'ordered') =>
		promises([costume(1, '2031-05-01T09:00', 4, { purchases: [make.purchase(1, 1, { packs: 3, state })] })])
			.get(1)!
			.get(1);
	assert.equal(bought('arrived'), 1);
	assert.equal(bought('ordered'), 4, 'a stash that is there is there sooner');
});

test('of many seeded shops none promises more than there is, nor more than is needed, nor leaves anyone short of what is free', () => {
	for (let seed = 1; seed <= 200; seed++) {
		const random = seeded(seed);
		const materials = [1, 2, 3].map((id) => make.material(id, { stash: Math.floor(random() * 8) / 2 }));
		const costumes = Array.from({ length: 1 + Math.floor(random() * 6) }, (_, i) => ({
			record: costume(i + 1, `2031-0${1 + Math.floor(random() * 8)}-01T09:00`, 1),
			needs: new Map(materials.map((m) => [m.id, Math.floor(random() * 6) / 2]))
		}));
		const given = promiseStash(costumes, materials);
		for (const m of materials) {
			const all = costumes.map((c) => given.get(c.record.costume.id)!.get(m.id) ?? 0);
			const sum = all.reduce((a, b) => a + b, 0);
			assert.ok(sum <= m.stash + 1e-9, `seed ${seed}`);
			costumes.forEach((c, i) => assert.ok(all[i]! <= c.needs.get(m.id)! + 1e-9, `seed ${seed}`));
			const short = costumes.some((c, i) => all[i]! < c.needs.get(m.id)! - 1e-9);
			if (short) assert.ok(sum > m.stash - 1e-9, `seed ${seed}: somebody is short while some is free`);
		}
	}
});

test('as if: a record that needs more is promised what others leave, and nothing was changed', () => {
	const sooner = costume(2, '2031-05-01T09:00', 4);
	const later = costume(1, '2031-06-01T09:00', 1);
	const given = promises([sooner, later]);
	const atWork = [sooner, later].map((record) => ({
		record,
		stamp: '',
		promised: given.get(record.costume.id)!,
		needs: stillNeeded(record, shop)
	}));
	const more = { ...later, needs: later.needs.map((n) => ({ ...n, quantity: 3 })) };
	const facts = { record: later, workshop: workshopFor(shop, later.costume, given.get(1)!) };
	const asIf = planAsIf(
		facts,
		withRecord(more, { workshop: shop, atWork }),
		make.at('2031-04-28T18:00'),
		new Map()
	);
	const [line] = shoppingLines(asIf.record, asIf.workshop);
	assert.deepEqual([line!.needed, line!.stash, line!.packsShort], [3, 1, 2]);
	assert.equal(later.needs[0]!.quantity, 1);
});
