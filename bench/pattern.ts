import { cutLine } from '../src/core/engines/pattern/allowance.ts';
import { polygon } from '../src/core/engines/pattern/outline.ts';
import type { Outline } from '../src/core/facts/piece.ts';
import type { Point } from '../src/core/units/point.ts';
import { tile } from '../src/core/engines/pattern/tile.ts';
import { printFonts } from '../src/lib/server/prints/fonts.ts';
import { patternPdf } from '../src/core/formats/patternPdf.ts';
import { runShaper } from '../src/core/engines/pattern/shaper.ts';
import { SHAPER_KEYS, SHAPERS } from '../src/core/engines/shapers/shapers.ts';
import { median, ms, timed } from './print.ts';

/** A wavy outline of so many points, with an allowance all round. */
function wavy(seed: number, points: number): Outline {
	const at = (i: number): Point => {
		const a = (2 * Math.PI * i) / points;
		const r = 150 + 25 * Math.sin(5 * a + seed) + 9 * Math.cos(11 * a + 2 * seed);
		return [r * Math.cos(a), r * Math.sin(a)];
	};
	return polygon(
		Array.from({ length: points }, (_, i) => at(i)),
		Array.from({ length: points }, () => ({ allowance: 13 }))
	);
}

/** Every shaper, and the allowances of 200 pieces. */
export async function pattern(): Promise<void> {
	const times = SHAPER_KEYS.map((key) => {
		const run = () => {
			if (!runShaper(SHAPERS[key], {}).ok) throw new Error(key);
		};
		timed(20, run);
		return { key, time: median(timed(30, run)) };
	}).sort((a, b) => b.time - a.time);
	console.log('\npattern: a shaper, its checks included (medians of 30, the slowest first)');
	console.log(
		`  ${times
			.slice(0, 6)
			.map((t) => `${t.key} ${ms(t.time)}`)
			.join(', ')}; all ${times.length}: ${ms(times.reduce((sum, t) => sum + t.time, 0))}`
	);
	for (const points of [40, 120, 500]) {
		const outlines = Array.from({ length: 200 }, (_, i) => wavy(i, points));
		const all = () => outlines.forEach((outline) => cutLine({ outline }));
		timed(2, all);
		console.log(`pattern: allowances of 200 pieces of ${points} points ${ms(median(timed(7, all)))}`);
	}
	const sixty = SHAPER_KEYS.flatMap((key) => {
		const done = runShaper(SHAPERS[key], {});
		return done.ok ? done.value.pieces : [];
	})
		.slice(0, 60)
		.map((piece, i) => ({ piece, code: `A-01 ${i + 1}/60`, count: piece.quantity, shape: 0 }));
	const printed: number[] = [];
	let bytes = 0;
	for (let i = 0; i < 5; i++) {
		const began = performance.now();
		bytes = (await patternPdf(sixty, 'a4', 'bench', printFonts())).byteLength;
		printed.push(performance.now() - began);
	}
	console.log(
		`pattern: 1:1 PDF of ${sixty.length} pieces on A4 ${ms(median(printed))}, ${tile(sixty, 'a4').pages.length} pages, ${(bytes / 1e6).toFixed(1)} MB`
	);
}
