import assert from 'node:assert/strict';
import { test } from 'node:test';
import { runJob } from '../../formats/jobs.ts';
import { seeded } from '../../units/random.ts';
import { circleOf, dressOrder, type Dressed, type Dressing, type DressTask } from './order.ts';

const one = (id: string, minutes: number, more: Partial<Dressing> = {}): Dressing => ({
	id,
	minutes,
	layer: 0,
	zones: [],
	after: [],
	hands: 1,
	...more
});
const dressed = (components: Dressing[], dressers = 1) => dressOrder({ components, dressers }, 5, () => 0);

/** What is wrong with an order, minute by minute; nothing where all is right. */
function wrongWith({ components, dressers }: DressTask, { order, minutes }: Dressed): string | null {
	const at = new Map(order.map((o) => [o.id, o]));
	if (order.length !== components.length) return 'not all are on';
	for (const c of components) {
		const its = at.get(c.id)!;
		if (its.start < 0 || its.end - its.start !== c.minutes || its.end > minutes)
			return `${c.id} is cut short`;
		for (const id of c.after) if (at.get(id)!.end > its.start) return `${c.id} before ${id}`;
		for (const other of components)
			if (other !== c && other.zones.some((z) => c.zones.includes(z))) {
				const o = at.get(other.id)!;
				if (o.start < its.end && its.start < o.end) return `${c.id} and ${other.id} at once`;
				if (other.layer < c.layer && o.end > its.start) return `${c.id} before ${other.id}, which is beneath`;
			}
	}
	for (let minute = 0; minute < minutes; minute++) {
		const busy = components.filter((c) => at.get(c.id)!.start <= minute && at.get(c.id)!.end > minute);
		if (busy.reduce((sum, c) => sum + c.hands, 0) > dressers) return `too few hands at ${minute}`;
	}
	return null;
}

/** The least of every order there is, each put on in the first minute that is free from its turn on: worked out minute by minute. */
function leastByTrying({ components, dressers }: DressTask): number {
	let least = Infinity;
	const hands = new Int8Array(200);
	const taken = new Map<string, Int8Array>();
	const zone = (name: string) => taken.get(name) ?? taken.set(name, new Int8Array(200)).get(name)!;
	const ends = new Map<string, number>();
	const waitsFor = (c: Dressing) =>
		components.filter(
			(o) => c.after.includes(o.id) || (o.layer < c.layer && o.zones.some((z) => c.zones.includes(z)))
		);
	function walk(left: Dressing[], end: number): void {
		if (end >= least) return;
		if (!left.length) {
			least = end;
			return;
		}
		for (const c of left) {
			const waits = waitsFor(c);
			if (waits.some((o) => left.includes(o))) continue;
			let at = Math.max(0, ...waits.map((o) => ends.get(o.id)!));
			const fits = () => {
				for (let m = at; m < at + c.minutes; m++)
					if (hands[m]! + c.hands > dressers || c.zones.some((z) => zone(z)[m])) return false;
				return true;
			};
			while (!fits()) at++;
			const put = (by: number) => {
				for (let m = at; m < at + c.minutes; m++) {
					hands[m]! += by * c.hands;
					for (const z of c.zones) zone(z)[m]! += by;
				}
			};
			put(1);
			ends.set(c.id, at + c.minutes);
			walk(
				left.filter((o) => o !== c),
				Math.max(end, at + c.minutes)
			);
			put(-1);
			ends.delete(c.id);
		}
	}
	walk([...components], 0);
	return least;
}

const ZONES = ['head', 'chest', 'arms', 'legs', 'feet'];
function anyTask(random: () => number, n: number): DressTask {
	const dressers = 1 + Math.floor(random() * 3);
	const components = Array.from({ length: n }, (_, i) =>
		one(`c${i}`, 1 + Math.floor(random() * 6), {
			layer: Math.floor(random() * 4),
			zones: ZONES.filter(() => random() < 0.3),
			after: i > 0 && random() < 0.25 ? [`c${Math.floor(random() * i)}`] : [],
			hands: 1 + Math.floor(random() * dressers)
		})
	);
	return { components, dressers };
}

test('worked by hand: shirt and boots at once with a helper, the coat over the shirt takes both', () => {
	const components = [
		one('shirt', 3, { zones: ['chest', 'arms'] }),
		one('boots', 4, { zones: ['feet'] }),
		one('coat', 2, { zones: ['chest', 'arms'], layer: 2, hands: 2 })
	];
	const two = dressed(components, 2);
	assert.deepEqual([two.minutes, two.proved, two.lowerBound], [6, true, 6]);
	assert.deepEqual(two.order, [
		{ id: 'shirt', start: 0, end: 3 },
		{ id: 'boots', start: 0, end: 4 },
		{ id: 'coat', start: 4, end: 6 }
	]);
	// Alone, where one is enough for the coat: 3 + 4 + 2.
	const alone = dressed(components.map((c) => ({ ...c, hands: 1 })));
	assert.deepEqual([alone.minutes, alone.proved], [9, true]);
});

test('of 200 random costumes none is dressed quicker by any order, and each order can be kept', () => {
	const random = seeded(7);
	let tried = 0;
	while (tried < 200) {
		const task = anyTask(random, 2 + Math.floor(random() * 5));
		if (circleOf(task.components)) continue;
		tried++;
		const found = dressOrder(task, 5, () => 0);
		assert.equal(wrongWith(task, found), null, JSON.stringify(task));
		assert.equal(found.minutes, leastByTrying(task), JSON.stringify(task));
		assert.ok(found.proved && found.lowerBound === found.minutes);
	}
});

test('of 60 components the order can be kept and is never under its bound', () => {
	const random = seeded(60);
	for (let i = 0; i < 5; i++) {
		const any = anyTask(random, 60);
		// What is said to come after something is no deeper than that: no circles.
		const layerOf = new Map(any.components.map((c) => [c.id, c.layer]));
		const components = any.components.map((c) => ({
			...c,
			after: c.after.filter((id) => layerOf.get(id)! <= c.layer)
		}));
		const task = { ...any, components };
		assert.equal(circleOf(components), null);
		const found = dressOrder(task, 1, () => 0);
		assert.equal(wrongWith(task, found), null);
		assert.ok(found.lowerBound <= found.minutes + 1e-9);
	}
});

test('what waits for itself is told by name, by layers and by what it says', () => {
	const coat = one('coat', 2, { zones: ['chest'], layer: 1, after: ['belt'] });
	const belt = one('belt', 1, { after: ['sash'] });
	const sash = one('sash', 1, { zones: ['chest'], layer: 2 });
	const circle = circleOf([coat, belt, sash])!;
	assert.equal(circle.length, 4);
	assert.equal(circle[0], circle[3]);
	// Each comes before the next: the coat lies beneath the sash, the sash before the belt, the belt before the coat.
	assert.deepEqual(
		[...circle, ...circle.slice(1)].join(' ').match(/coat sash belt coat/)?.[0],
		'coat sash belt coat'
	);
	assert.equal(circleOf([coat, { ...belt, after: [] }, sash]), null);
});

test('the job dresses, tells a circle, and names what cannot be', () => {
	const job = (components: object[], dressers = 2) =>
		runJob({ kind: 'dress', dressers, components }, () => 0);
	const shirt = { id: 'shirt', minutes: 3, zones: ['chest'] };
	const coat = { id: 'coat', minutes: 2, zones: ['chest'], layer: 1 };
	const done = job([shirt, coat]);
	assert.ok(done.ok);
	assert.equal((done.result as Dressed).minutes, 5);
	const round = job([{ ...shirt, after: ['coat'] }, coat]);
	assert.deepEqual(round.ok && (round.result as { circle: string[] }).circle.length, 3);
	for (const [components, words] of [
		[[], /^components: Nothing is put on/],
		[[{ ...shirt, minutes: 0 }], /minutes: Minutes are more than nothing/],
		[[{ ...shirt, hands: 3 }], /hands: It takes 3 people to put it on; there are 2/],
		[[{ ...shirt, after: ['cape'] }], /after: There is no component “cape”/],
		[[shirt, shirt], /Two components have the same id/]
	] as const) {
		const wrong = job([...components]);
		assert.ok(!wrong.ok);
		assert.match(wrong.words, words);
	}
});
