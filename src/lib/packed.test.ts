import assert from 'node:assert/strict';
import { test } from 'node:test';
import { planCostume } from '$core/answers/plan.ts';
import * as make from '$tests/support/record.ts';
import { packed, unpacked } from './packed.ts';

const same = (value: unknown) => assert.deepEqual(unpacked(packed(value)), value);

test('what a page is made of comes out as it went in', () => {
	const record = make.record({
		components: [make.component(1), make.component(2, { parentId: 1 })],
		steps: [1, 2, 3, 4].map((id) => make.step(id, 1 + (id % 2), { waitMinutes: 10 * id }))
	});
	const workshop = make.workshop();
	const { problem: _, ...plan } = planCostume(record, workshop, make.at('2031-04-28T18:00'), new Map());
	same({ record, workshop, plan });
	assert.ok(packed(record).length < JSON.stringify(record).length);
});

test('what JSON has no form for: maps, sets, numbers without end; rows that are not alike; empty lists', () => {
	same(
		new Map<unknown, unknown>([
			[1, { a: new Set(['x', null]) }],
			['two', new Map()]
		])
	);
	same([Infinity, -Infinity, { none: Number.NaN }, 0.1, -3]);
	same([{ a: 1 }, { a: 2, b: 3 }, { b: 1 }, {}]);
	same([
		{ a: 1, b: 2 },
		{ b: 2, a: 1 },
		{ a: 1, b: 2 }
	]);
	same([[], [[]], {}, [{}, {}, {}], '§', { 'a§': ['§'] }, { '§': 'rows', of: { '§': [1] } }]);
	same([{ a: { b: 1 } }, { a: null }, { a: [{ c: 1 }, { c: 2 }, { c: Infinity }] }]);
	assert.deepEqual(unpacked(packed([{ a: undefined }, { a: 1 }, { a: 2 }])), [{}, { a: 1 }, { a: 2 }]);
});
