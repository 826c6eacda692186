import assert from 'node:assert/strict';
import { test } from 'node:test';
import { randomProblem, step } from '$tests/support/planCases.ts';
import { seeded } from '../../units/random.ts';
import { boundOne, cross, pull, shift, type RecoatWindow } from './moves.ts';
import { makeNetwork, topological, type Node } from './network.ts';

/** What is wrong with a list: steps that are missing, twice, or before what they wait for. */
function amiss(nodes: readonly Node[], list: readonly number[]): string[] {
	const place = new Map(list.map((i, k) => [i, k]));
	if (list.length !== nodes.length || place.size !== nodes.length) return ['not every step once'];
	return nodes.flatMap((n, i) =>
		n.before.filter((l) => place.get(l.node)! > place.get(i)!).map((l) => `${i} before ${l.node}`)
	);
}

test('whatever is moved, every step is there once and after what it waits for', () => {
	for (let seed = 1; seed <= 20; seed++) {
		const random = seeded(seed);
		const nodes = makeNetwork(randomProblem(seed, 40, 'windows'));
		const hands = (n: number) => new Int32Array(nodes.length).fill(n);
		const list = topological(nodes).order;
		const other = [...list];
		for (let n = 0; n < 200; n++) {
			(n % 2 ? pull : shift)(nodes, other, random);
			assert.deepEqual(amiss(nodes, other), [], `seed ${seed}: moved`);
			const child = cross({ list, forced: hands(0) }, { list: other, forced: hands(1) }, random);
			assert.deepEqual(amiss(nodes, child.list), [], `seed ${seed}: crossed`);
			assert.equal(child.forced.length, nodes.length);
		}
		assert.notDeepEqual(other, list, `seed ${seed}: nothing moved`);
	}
});

test('two steps of a recoat window stand right behind each other, unless something has to be done in between', () => {
	for (let seed = 1; seed <= 40; seed++) {
		const random = seeded(seed);
		const nodes = makeNetwork(randomProblem(seed, 30, 'windows'));
		const list = topological(nodes).order;
		for (let n = 0; n < 60; n++) pull(nodes, list, random);
		const windows = nodes.flatMap((n, i) =>
			n.before.flatMap((l): RecoatWindow[] => (l.within === null ? [] : [[l.node, i]]))
		);
		for (const [head, tail] of windows)
			for (const early of [true, false]) {
				const bound = boundOne(nodes, list, [head, tail], early);
				assert.deepEqual(amiss(nodes, bound), [], `seed ${seed}`);
				if (bound.indexOf(tail) !== bound.indexOf(head) + 1) {
					assert.equal(bound, list, `seed ${seed}: changed, but not bound`);
				} else if (early)
					assert.ok(
						bound.indexOf(head) <= boundOne(nodes, list, [head, tail], false).indexOf(head),
						'early is not later'
					);
			}
	}
	const between = makeNetwork({
		...randomProblem(1, 1, 'windows'),
		steps: [
			step('coat', 10),
			step('sand', 10, { after: [{ id: 'coat' }] }),
			step('next', 10, { after: [{ id: 'coat', within: 100 }, { id: 'sand' }] })
		]
	});
	const list = [0, 1, 2];
	assert.equal(boundOne(between, list, [0, 2], true), list);
});
