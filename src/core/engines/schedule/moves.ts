import type { Node } from './network.ts';

/** Of the steps. */
const MOST_SHIFTED = 0.06;

/** A list of steps and who has to do them (−1: whoever is done first). Every step comes after what it waits for. */
export interface Order {
	list: readonly number[];
	forced: Int32Array;
}

/** The step before and the step behind. */
export type RecoatWindow = readonly [number, number];

/** Between two cuts in the order, and by the hands, of the other: every step still comes after what it waits for. */
export function cross(
	mother: Order,
	father: Order,
	random: () => number
): { list: number[]; forced: Int32Array } {
	const { list } = mother;
	const a = Math.floor(random() * list.length);
	const b = Math.floor(random() * list.length);
	const [from, to] = a < b ? [a, b + 1] : [b, a + 1];
	const inside = new Set(list.slice(from, to));
	const forced = Int32Array.from(mother.forced);
	for (const i of inside) forced[i] = father.forced[i]!;
	return {
		list: [...list.slice(0, from), ...father.list.filter((i) => inside.has(i)), ...list.slice(to)],
		forced
	};
}

/** Some steps move to another place between what they wait for and what waits for them. */
export function shift(nodes: readonly Node[], list: number[], random: () => number): void {
	const moves = random() < 0.5 ? 1 : Math.ceil(list.length * MOST_SHIFTED * random());
	for (let m = 0; m < moves; m++) {
		const at = Math.floor(random() * list.length);
		const node = nodes[list[at]!]!;
		let low = at;
		while (low > 0 && !node.before.some((l) => l.node === list[low - 1])) low--;
		let high = at;
		while (high < list.length - 1 && !node.behind.some((l) => l.node === list[high + 1])) high++;
		const to = low + Math.floor(random() * (high - low + 1));
		const [i] = list.splice(at, 1);
		list.splice(to, 0, i!);
	}
}

/** A step moves to anywhere in the list, and takes along what has to stay before or behind it. */
export function pull(nodes: readonly Node[], list: number[], random: () => number): void {
	const at = Math.floor(random() * list.length);
	const to = Math.floor(random() * list.length);
	const [from, end] = at < to ? [at, to] : [to, at];
	const part = list.slice(from, end + 1);
	const along = new Set([list[at]!]);
	if (at < to) {
		for (const i of part) if (nodes[i]!.before.some((l) => along.has(l.node))) along.add(i);
	} else for (const i of part.toReversed()) if (nodes[i]!.behind.some((l) => along.has(l.node))) along.add(i);
	const moved = part.filter((i) => along.has(i));
	const rest = part.filter((i) => !along.has(i));
	list.splice(from, part.length, ...(at < to ? [...rest, ...moved] : [...moved, ...rest]));
}

/** The same with the two steps of a recoat window right behind each other, if nothing has to be done in between. */
export function boundOne(
	nodes: readonly Node[],
	list: readonly number[],
	[head, tail]: RecoatWindow,
	early: boolean
): readonly number[] {
	const [from, to] = [list.indexOf(head), list.indexOf(tail)];
	const between = list.slice(from + 1, to);
	const behind = new Set([head]);
	for (const i of between) if (nodes[i]!.before.some((l) => behind.has(l.node))) behind.add(i);
	const before = new Set([tail]);
	for (const i of between.toReversed()) if (nodes[i]!.behind.some((l) => before.has(l.node))) before.add(i);
	if (between.some((i) => behind.has(i) && before.has(i))) return list;
	const goesFirst = (i: number) => before.has(i) || (!early && !behind.has(i));
	return [
		...list.slice(0, from),
		...between.filter(goesFirst),
		head,
		tail,
		...between.filter((i) => !goesFirst(i)),
		...list.slice(to + 1)
	];
}
