import assert from 'node:assert/strict';
import { test } from 'node:test';
import { chooseKit, savedBy, type Choice, type Trouble } from './choose.ts';

/** Numbers between 0 and 1, the same ones every time. */
function numbers(seed: number): () => number {
	let s = seed;
	return () => (s = (s * 16807) % 2147483647) / 2147483647;
}

/** Every set of choices, one after the other. */
function bestOfAll(
	choices: readonly Choice[],
	troubles: readonly Trouble[],
	grams: number,
	ml: number,
	must: readonly number[]
): number {
	let best = -1;
	for (let set = 0; set < 2 ** choices.length; set++) {
		const taken = choices.map((_, i) => ((set >> i) & 1) === 1);
		if (must.some((i) => !taken[i])) continue;
		const of = (size: 'grams' | 'ml') => choices.reduce((sum, c, i) => sum + (taken[i] ? c[size] : 0), 0);
		if (of('grams') <= grams && of('ml') <= ml) best = Math.max(best, savedBy(taken, troubles));
	}
	return best;
}

test('against every set there is: 300 kits of up to 11 things, with things that help only together', () => {
	const next = numbers(7);
	const whole = (most: number) => Math.floor(next() * most);
	for (let round = 0; round < 300; round++) {
		const n = 3 + whole(9);
		const choices = Array.from({ length: n }, () => ({ grams: 5 + whole(80), ml: 5 + whole(120) }));
		const troubles = Array.from({ length: 1 + whole(6) }, () => ({
			costs: next() * 20,
			ways: Array.from({ length: 1 + whole(4) }, () => ({
				takes: [...new Set([whole(n), whole(n), ...(next() < 0.3 ? [whole(n)] : [])])],
				saves: 0.2 + 0.8 * next()
			}))
		}));
		const grams = 20 + whole(250);
		const ml = 20 + whole(300);
		const first = choices[0]!;
		const must = next() < 0.3 && first.grams <= grams && first.ml <= ml ? [0] : [];
		const { saves, taken, proved } = chooseKit(choices, troubles, { grams, ml }, must);
		assert.ok(proved);
		assert.ok(Math.abs(saves - savedBy(taken, troubles)) < 1e-9);
		assert.ok(Math.abs(saves - bestOfAll(choices, troubles, grams, ml, must)) < 1e-9, `round ${round}`);
	}
});

test('by hand: 100 g hold needle and snaps, that save 9 minutes together, and not the tape that saves 6 alone', () => {
	const [needle, snaps, tape] = [0, 1, 2];
	const choices = [
		{ grams: 30, ml: 10 },
		{ grams: 20, ml: 10 },
		{ grams: 60, ml: 80 }
	];
	const troubles = [
		{
			costs: 10,
			ways: [
				{ takes: [needle, snaps], saves: 0.9 },
				{ takes: [tape], saves: 0.6 }
			]
		}
	];
	const kit = chooseKit(choices, troubles, { grams: 100, ml: null });
	assert.deepEqual([kit.saves, kit.taken], [9, [true, true, false]]);
	// The tape is there in any case: 40 g are left, too few for both.
	const taped = chooseKit(choices, troubles, { grams: 100, ml: null }, [tape]);
	assert.deepEqual([taped.saves, taped.taken], [6, [false, false, true]]);
	assert.deepEqual(chooseKit(choices, troubles, { grams: null, ml: 15 }).saves, 0);
});

test('forty things with a limit of half of them are answered, proved or said not to be', () => {
	const next = numbers(11);
	const choices = Array.from({ length: 40 }, () => ({ grams: 5 + next() * 80, ml: 5 + next() * 90 }));
	const troubles = choices.map((_, i) => ({
		costs: next() * 10,
		ways: [
			{ takes: [i], saves: 0.5 + 0.5 * next() },
			{ takes: [(i + 3) % 40, (i + 7) % 40], saves: 0.9 }
		]
	}));
	const grams = choices.reduce((sum, c) => sum + c.grams, 0) / 2;
	const kit = chooseKit(choices, troubles, { grams, ml: null });
	const weighs = choices.reduce((sum, c, i) => sum + (kit.taken[i] ? c.grams : 0), 0);
	assert.ok(weighs <= grams && kit.saves > 0);
});
