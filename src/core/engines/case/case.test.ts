import assert from 'node:assert/strict';
import { test } from 'node:test';
import { runJob } from '../../formats/jobs.ts';
import { seeded } from '../../units/random.ts';
import type { Vec } from '../../units/vec.ts';
import { pack, waysOf, type Case, type PackItem, type Packing, type PackTask } from './pack.ts';

const item = (id: string, size: Vec, more: Partial<PackItem> = {}): PackItem => ({
	id,
	size,
	kg: 0.5,
	quantity: 1,
	turns: 'any',
	fragile: false,
	softTo: null,
	...more
});
const trunk = (inner: Vec, more: Partial<Case> = {}): Case => ({ id: 'trunk', inner, kg: 100, ...more });
/** With a clock that counts how often it was asked: the same on every machine. */
const packed = (task: PackTask, asks = 300) => {
	let asked = 0;
	return pack(task, 1, 1, () => (asked++ > asks ? 2 : 0));
};

/** What is wrong with a packing; it knows nothing of how it was made. */
function wrongWith({ cases, items }: PackTask, { placements, left }: Packing): string | null {
	const near = (a: number, b: number) => Math.abs(a - b) < 1e-4;
	for (const { id, quantity } of items) {
		const copies = [...placements, ...left].filter((p) => p.item === id).map((p) => p.copy);
		if (copies.length !== quantity || new Set(copies).size !== quantity)
			return `${id} is not there ${quantity} times`;
	}
	for (const c of cases) {
		const inside = placements.filter((p) => p.case === c.id);
		const weight = inside.reduce((sum, p) => sum + items.find((i) => i.id === p.item)!.kg, 0);
		if (weight > c.kg + 1e-9) return `${c.id} is too heavy`;
		for (const p of inside) {
			const its = items.find((i) => i.id === p.item)!;
			for (const k of [0, 1, 2])
				if (p.at[k]! < -1e-4 || p.at[k]! + p.size[k]! > c.inner[k]! + 1e-4)
					return `${p.item} sticks out of ${c.id}`;
			const [a, b, high] = p.size;
			const sides = [...its.size].sort((x, y) => x - y);
			// Which of its sides stands up, and by how much that is pressed.
			const isLaid = [0, 1, 2].some((up) => {
				if (its.turns === 'upright' && up !== 2) return false;
				const flat = its.size.filter((_, k) => k !== up).sort((x, y) => x - y);
				const lies = [a, b].sort((x, y) => x - y);
				const full = its.size[up]!;
				return (
					near(flat[0]!, lies[0]!) &&
					near(flat[1]!, lies[1]!) &&
					high <= full + 1e-4 &&
					high >= full * (its.softTo ?? 1) - 1e-4
				);
			});
			if (!isLaid) return `${p.item} of ${sides.join(' × ')} lies as ${p.size.join(' × ')}`;
			let support = 0;
			for (const q of inside) {
				if (q === p) continue;
				const over = [0, 1, 2].map(
					(k) => Math.min(p.at[k]! + p.size[k]!, q.at[k]! + q.size[k]!) - Math.max(p.at[k]!, q.at[k]!)
				);
				if (over.every((o) => o > 1e-4)) return `${p.item} lies in ${q.item}`;
				const isOn = over[0]! > 1e-4 && over[1]! > 1e-4 && near(q.at[2] + q.size[2], p.at[2]);
				if (!isOn) continue;
				if (items.find((i) => i.id === q.item)!.fragile)
					return `${p.item} stands on ${q.item}, which is fragile`;
				support += over[0]! * over[1]!;
			}
			if (p.at[2] > 1e-4 && support < 0.5 * a * b - 1e-3) return `${p.item} floats`;
		}
	}
	return null;
}

test('the checker sees what is wrong: out of the case, in another, floating, pressed, on what is fragile', () => {
	const task = {
		cases: [trunk([100, 100, 100])],
		items: [item('a', [50, 50, 50]), item('b', [50, 50, 50], { fragile: true })]
	};
	const at = (a: Vec, b: Vec, size: Vec = [50, 50, 50]): Packing => ({
		placements: [
			{ item: 'a', copy: 1, case: 'trunk', at: a, size },
			{ item: 'b', copy: 1, case: 'trunk', at: b, size: [50, 50, 50] }
		],
		left: []
	});
	assert.equal(wrongWith(task, at([0, 0, 0], [50, 0, 0])), null);
	assert.match(wrongWith(task, at([60, 0, 0], [0, 0, 0]))!, /sticks out/);
	assert.match(wrongWith(task, at([20, 0, 0], [0, 0, 0]))!, /lies in/);
	assert.match(wrongWith(task, at([0, 0, 0], [50, 0, 50]))!, /floats/);
	assert.match(wrongWith(task, at([0, 0, 50], [0, 0, 0]))!, /fragile/);
	assert.match(wrongWith(task, at([0, 0, 0], [50, 0, 0], [50, 50, 40]))!, /lies as/);
	assert.match(
		wrongWith(task, { ...at([0, 0, 0], [50, 0, 0]), left: [{ item: 'a', copy: 1, why: '' }] })!,
		/times/
	);
	assert.match(
		wrongWith({ ...task, cases: [trunk([100, 100, 100], { kg: 0.9 })] }, at([0, 0, 0], [50, 0, 0]))!,
		/heavy/
	);
});

/** A full box cut at random by planes, until there are so many. */
function cutUp(inner: Vec, pieces: number, random: () => number): Vec[] {
	const boxes: Vec[] = [inner];
	while (boxes.length < pieces) {
		const [largest] = [...boxes].sort((a, b) => b[0] * b[1] * b[2] - a[0] * a[1] * a[2]);
		boxes.splice(boxes.indexOf(largest!), 1);
		const side = Math.floor(random() * 3);
		const cut = Math.round(largest![side]! * (0.3 + 0.4 * random()));
		boxes.push(
			largest!.map((s, k) => (k === side ? cut : s)) as unknown as Vec,
			largest!.map((s, k) => (k === side ? s - cut : s)) as unknown as Vec
		);
	}
	return boxes;
}

test('perfect packings cut at random from full boxes are found: 40 of up to seven pieces, nothing is left', () => {
	const random = seeded(24);
	for (let n = 0; n < 40; n++) {
		const inner: Vec = [
			400 + Math.floor(random() * 400),
			300 + Math.floor(random() * 300),
			200 + Math.floor(random() * 200)
		];
		const boxes = cutUp(inner, 2 + Math.floor(random() * 6), random);
		const task = {
			cases: [trunk(inner)],
			// Given turned, as nobody knows how they lay.
			items: boxes.map((size, i) =>
				item(`p${i}`, waysOf({ size, turns: 'any' })[n % waysOf({ size, turns: 'any' }).length]!)
			)
		};
		const found = packed(task, 200_000);
		assert.equal(wrongWith(task, found), null, `case ${n}`);
		assert.deepEqual(
			found.left,
			[],
			`case ${n}: ${JSON.stringify(task.items.map((i) => i.size))} in ${inner.join(' × ')}`
		);
	}
});

test('200 random packings hold before the checker, and nothing is left that would go into an empty case', () => {
	const random = seeded(7);
	const side = (least: number, most: number) => Math.round(least + random() * (most - least));
	for (let n = 0; n < 200; n++) {
		const task: PackTask = {
			cases: Array.from({ length: 1 + Math.floor(random() * 3) }, (_, i) => ({
				id: `c${i}`,
				inner: [side(400, 900), side(300, 600), side(200, 400)],
				kg: side(4, 23)
			})),
			items: Array.from({ length: 3 + Math.floor(random() * 15) }, (_, i) =>
				item(`i${i}`, [side(40, 500), side(40, 350), side(30, 250)], {
					kg: random() * 3,
					quantity: 1 + Math.floor(random() * 2),
					turns: random() < 0.4 ? 'upright' : 'any',
					fragile: random() < 0.2,
					softTo: random() < 0.3 ? 0.4 + 0.5 * random() : null
				})
			)
		};
		const found = packed(task, 6);
		assert.equal(wrongWith(task, found), null, `case ${n}`);
		const used = new Set(found.placements.map((p) => p.case));
		const empty = task.cases.filter((c) => !used.has(c.id));
		for (const { item: id, why } of found.left) {
			const its = task.items.find((i) => i.id === id)!;
			const goes = empty.some(
				(c) =>
					its.kg <= c.kg &&
					waysOf(its).some(
						(w) => w[0] <= c.inner[0] && w[1] <= c.inner[1] && w[2] * (its.softTo ?? 1) <= c.inner[2]
					)
			);
			assert.ok(!goes, `${id}: ${why}`);
		}
	}
});

test('by hand: eight dice in two layers; what is soft is pressed in; what is fragile ends on top', () => {
	const dice = { cases: [trunk([200, 200, 200])], items: [item('die', [100, 100, 100], { quantity: 8 })] };
	assert.equal(packed(dice).placements.length, 8);
	// 100 mm of cloth above a box of 150 in a case of 200: it is pressed to half.
	const soft = {
		cases: [trunk([200, 200, 200])],
		items: [item('box', [200, 200, 150]), item('cape', [200, 200, 100], { softTo: 0.5, turns: 'upright' })]
	};
	const cape = packed(soft).placements.find((p) => p.item === 'cape')!;
	assert.deepEqual(cape.size, [200, 200, 50]);
	assert.deepEqual(
		packed({ ...soft, items: [soft.items[0]!, { ...soft.items[1]!, softTo: 0.6 }] }).left.map((l) => l.item),
		['cape']
	);
	const helm = {
		cases: [trunk([300, 300, 400])],
		items: [
			item('helm', [300, 260, 280], { fragile: true, turns: 'upright' }),
			item('plates', [300, 300, 100])
		]
	};
	const on = packed(helm);
	assert.equal(on.placements.find((p) => p.item === 'helm')!.at[2], 100);
	assert.deepEqual(on.left, []);
});

test('the fewest cases, and reasons for what stays', () => {
	const [large, small] = [
		{ id: 'large', inner: [600, 400, 300] as Vec, kg: 23 },
		{ id: 'small', inner: [400, 300, 200] as Vec, kg: 8 }
	];
	const two = { cases: [small, large], items: [item('a', [300, 200, 200]), item('b', [300, 200, 200])] };
	assert.deepEqual([...new Set(packed(two).placements.map((p) => p.case))], ['large']);
	const left = packed({
		cases: [small],
		items: [
			item('oar', [1800, 120, 60]),
			item('anvil', [100, 100, 100], { kg: 9 }),
			item('box', [400, 300, 200]),
			item('hat', [300, 300, 150])
		]
	}).left;
	assert.deepEqual(Object.fromEntries(left.map((l) => [l.item, l.why])), {
		oar: 'larger than every case',
		anvil: 'heavier than any case takes',
		hat: 'no room left beside the others'
	});
});

test('the job: its documented form, and bad input named', () => {
	const job = {
		kind: 'case',
		seed: 1,
		seconds: 3,
		cases: [{ id: 'trunk', inner: [800, 500, 300], kg: 23 }],
		items: [
			{ id: 'helm', size: [300, 260, 280], kg: 0.9, quantity: 1, turns: 'any', fragile: true, softTo: null }
		]
	};
	const run = (more: object) => runJob({ ...job, ...more }, () => 0);
	const done = run({});
	assert.ok(done.ok);
	assert.equal((done.result as Packing).placements[0]!.case, 'trunk');
	for (const [more, field] of [
		[{ cases: [] }, /cases/],
		[{ items: [{ id: 'x', size: [0, 1, 1] }] }, /items\.0\.size\.0/],
		[{ items: [{ id: 'x', size: [1, 1, 1], softTo: 0 }] }, /softTo/],
		[
			{
				items: [
					{ id: 'x', size: [1, 1, 1] },
					{ id: 'x', size: [1, 1, 1] }
				]
			},
			/same id/
		]
	] as const) {
		const wrong = run(more);
		assert.ok(!wrong.ok);
		assert.match(JSON.stringify(wrong), field);
	}
});
