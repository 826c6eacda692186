/** Something that may be taken along. */
export interface Choice {
	grams: number;
	ml: number;
}

/** Something that may happen, and what helps then. */
export interface Trouble {
	/** Minutes that it is expected to cost: how often, times how long. */
	costs: number;
	/** Each by the choices that it takes, all of them together, and the share of the minutes that it saves. */
	ways: readonly { takes: readonly number[]; saves: number }[];
}

/** At most so much of both; null where nothing limits it. */
export interface KitLimit {
	grams: number | null;
	ml: number | null;
}

export interface Chosen {
	/** By the place of each choice. */
	taken: boolean[];
	/** Minutes that it is expected to save. */
	saves: number;
	/** False where not every choice could be tried: it is good, and may not be the best. */
	proved: boolean;
}

/** Sets that are begun, at most: a fifth of a second. */
const MOST_TRIED = 50_000;

/** Minutes that what is taken is expected to save: of each trouble the best way that is whole. */
export function savedBy(taken: readonly boolean[], troubles: readonly Trouble[]): number {
	let sum = 0;
	for (const { costs, ways } of troubles) {
		let best = 0;
		for (const { takes, saves } of ways) if (saves > best && takes.every((i) => taken[i])) best = saves;
		sum += costs * best;
	}
	return sum;
}

/**
 * What to take along, so that the most minutes are saved within a limit of weight and size: branch and bound over all choices, most
 * minutes a gram first. A part of the tree is left out where even all that is left of it, or the minutes of it that its weight and size
 * allow, cannot do better.
 *
 * @param must taken in any case, by their places; they count against the limit
 */
export function chooseKit(
	choices: readonly Choice[],
	troubles: readonly Trouble[],
	{ grams, ml }: KitLimit,
	must: readonly number[] = []
): Chosen {
	const mostGrams = grams ?? Infinity;
	const mostMl = ml ?? Infinity;
	/** The most that a choice can bring: a way that it belongs to is worth nothing without it. */
	const brings = choices.map((_, i) =>
		troubles.reduce((sum, { costs, ways }) => {
			const its = ways.filter((w) => w.takes.includes(i)).map((w) => w.saves);
			return sum + costs * Math.max(0, ...its);
		}, 0)
	);
	const share = (i: number) =>
		Math.max(choices[i]!.grams / (grams ?? Infinity), choices[i]!.ml / (ml ?? Infinity), 1e-9);
	const order = choices
		.map((_, i) => i)
		.filter((i) => !must.includes(i))
		.sort((a, b) => brings[b]! / share(b) - brings[a]! / share(a));
	const byWeight = (size: 'grams' | 'ml') =>
		[...order].sort((a, b) => brings[b]! * choices[a]![size] - brings[a]! * choices[b]![size]);
	const ranked = { grams: byWeight('grams'), ml: byWeight('ml') };

	const taken = choices.map((_, i) => must.includes(i));
	const open = choices.map((_, i) => !must.includes(i));
	let leftGrams = mostGrams - must.reduce((sum, i) => sum + choices[i]!.grams, 0);
	let leftMl = mostMl - must.reduce((sum, i) => sum + choices[i]!.ml, 0);
	let best: Chosen = { taken: [...taken], saves: savedBy(taken, troubles), proved: true };
	let tried = 0;

	/** What may still be had: parts of choices count in part, as long as there is room for them. */
	function room(size: 'grams' | 'ml', left: number): number {
		let sum = 0;
		for (const i of ranked[size]) {
			if (!open[i]) continue;
			const its = choices[i]![size];
			if (its > left) return sum + (brings[i]! * left) / its;
			left -= its;
			sum += brings[i]!;
		}
		return sum;
	}
	function go(at: number, saves: number): void {
		if (saves > best.saves) best = { ...best, taken: [...taken], saves };
		if (at === order.length) return;
		if (++tried > MOST_TRIED) {
			best.proved = false;
			return;
		}
		const most = savedBy(
			taken.map((t, i) => t || (open[i]! && choices[i]!.grams <= leftGrams && choices[i]!.ml <= leftMl)),
			troubles
		);
		if (most <= best.saves + 1e-12) return;
		if (Number.isFinite(leftGrams) && saves + room('grams', leftGrams) <= best.saves + 1e-12) return;
		if (Number.isFinite(leftMl) && saves + room('ml', leftMl) <= best.saves + 1e-12) return;
		const i = order[at]!;
		const its = choices[i]!;
		open[i] = false;
		if (its.grams <= leftGrams && its.ml <= leftMl) {
			taken[i] = true;
			leftGrams -= its.grams;
			leftMl -= its.ml;
			go(at + 1, savedBy(taken, troubles));
			taken[i] = false;
			leftGrams += its.grams;
			leftMl += its.ml;
		}
		go(at + 1, saves);
		open[i] = true;
	}
	if (leftGrams >= 0 && leftMl >= 0) go(0, best.saves);
	return best;
}
