import assert from 'node:assert/strict';
import { test } from 'node:test';
import { seeded } from '$tests/support/planCases.ts';
import type { Piece } from '../../facts/piece.ts';
import { cutLine } from '../pattern/allowance.ts';
import { crossesItself, edgeLength, edgesOf, flatten, flattenEdge } from '../pattern/outline.ts';
import { runShaper } from '../pattern/shaper.ts';
import { SHAPER_KEYS, SHAPERS, type ShaperKey } from './shapers.ts';

/** Values near the starting ones, and what starts at nothing now and then not. */
function someValues(key: ShaperKey, next: () => number): Record<string, number> {
	const params = Object.entries(SHAPERS[key].params);
	// Of a block, the measures of one body: large and small together, and a little apart.
	const body = params.filter(([, p]) => p.measure).length > 2 ? 0.8 + 0.5 * next() : null;
	return Object.fromEntries(
		params.map(([name, p]) => {
			const raw = p.choices
				? Math.floor(next() * (p.most + 1))
				: body && p.measure
					? p.value * body * (0.96 + 0.08 * next())
					: p.value === 0
						? next() < 0.5
							? 0
							: Math.min(p.most, 30) * next()
						: p.value * (0.7 + 0.6 * next());
			const held = Math.min(p.most, Math.max(p.least, raw));
			return [name, p.unit === 'count' ? Math.round(held) : held];
		})
	);
}

interface Run {
	piece: string;
	/** As drawn in. */
	length: number;
	count: number;
}

/** Every run of edges of one seam, over all pieces; what is sewn onto something else has no mate here. */
function runsBySeam(pieces: readonly Piece[]): Map<string, Run[]> {
	const runs = new Map<string, Run[]>();
	for (const piece of pieces) {
		const edges = edgesOf(piece.outline);
		// What is cut on the fold is there on both sides of it.
		const count = piece.quantity * (piece.foldEdge === null ? 1 : 2);
		const its: { seam: string; length: number; closes: boolean }[] = [];
		/** Whether the line turns a corner where this edge begins: there one run ends and another begins. */
		const corner = (i: number) => {
			const [a, b] = [edges[(i + edges.length - 1) % edges.length]!, edges[i]!];
			const way = ({ from, edge }: (typeof edges)[number], end: boolean) => {
				const points = [from, ...flattenEdge(from, edge)];
				const [p, q] = end ? points.slice(-2) : points;
				return Math.atan2(q![1] - p![1], q![0] - p![0]);
			};
			return Math.cos(way(b, false) - way(a, true)) < 0.8;
		};
		edges.forEach(({ from, edge }, i) => {
			if (edge.seam === undefined || edge.onto || edge.along) return;
			const before = edges[(i + edges.length - 1) % edges.length]!.edge;
			const long = edgeLength(from, edge) / (edge.fullness ?? 1);
			if (i > 0 && before.seam === edge.seam && its.length && !corner(i)) its.at(-1)!.length += long;
			else
				its.push({
					seam: edge.seam,
					length: long,
					closes: i === 0 && before.seam === edge.seam && !corner(0)
				});
		});
		const [first, last] = [its[0], its.at(-1)];
		if (first?.closes && last && last !== first && last.seam === first.seam)
			first.length += its.pop()!.length;
		for (const { seam, length } of its)
			runs.set(seam, [...(runs.get(seam) ?? []), { piece: piece.name, length, count }]);
	}
	return runs;
}

/** Runs pair off by length; or those of one piece are together as long as all others, or each as long as its own mirror. */
function isSewn(runs: readonly Run[]): boolean {
	const same = (a: number, b: number) => Math.abs(a - b) < 0.5;
	const counts: { length: number; count: number }[] = [];
	for (const { length, count } of runs) {
		const known = counts.find((c) => same(c.length, length));
		if (known) known.count += count;
		else counts.push({ length, count });
	}
	if (counts.every((c) => c.count % 2 === 0)) return true;
	const total = runs.reduce((sum, r) => sum + r.length * r.count, 0);
	// Folded on itself, as the round of a glove's half on the other half's.
	return [...new Set(runs.map((r) => r.piece))].some((name) =>
		same(2 * runs.reduce((sum, r) => sum + (r.piece === name ? r.length * r.count : 0), 0), total)
	);
}

test('edges that are sewn together are as long as each other, for every shape and any values', () => {
	for (const key of SHAPER_KEYS) {
		const next = seeded(41);
		let seen = 0;
		for (let i = 0; i < 40; i++) {
			const values = someValues(key, next);
			const done = runShaper(SHAPERS[key], values);
			if (!done.ok) continue;
			seen++;
			for (const [seam, runs] of runsBySeam(done.value.pieces))
				assert.ok(
					isSewn(runs),
					`${key}, seam ${seam}: ${JSON.stringify(runs).slice(0, 400)} ${JSON.stringify(values)}`
				);
		}
		assert.ok(seen >= 8, `${key}: ${seen}`);
	}
});

test('no outline and no cut line crosses itself, for any values that are taken', () => {
	for (const key of SHAPER_KEYS) {
		const next = seeded(97);
		for (let i = 0; i < 20; i++) {
			const values = someValues(key, next);
			const done = runShaper(SHAPERS[key], values);
			if (!done.ok) continue;
			for (const piece of done.value.pieces.slice(0, 12)) {
				assert.ok(!crossesItself(flatten(piece.outline).points), `${key} ${JSON.stringify(values)}`);
				assert.ok(!crossesItself(cutLine(piece)), `${key}, cut ${JSON.stringify(values)}`);
			}
		}
	}
});
