import { homographyOf } from '../src/core/engines/plane/homography.ts';
import { rectify, withinReference } from '../src/core/engines/plane/rectify.ts';
import { flatten } from '../src/core/engines/pattern/outline.ts';
import { readSvg } from '../src/core/formats/readSvg.ts';
import { trace } from '../src/core/engines/trace/trace.ts';
import { strays } from '../tests/support/outlines.ts';
import { slantPhotoOf, twelvePieces } from '../tests/support/photo.ts';
import { median, ms, timed } from './print.ts';

function ended<T>(work: Generator<number, T>): T {
	for (;;) {
		const turn = work.next();
		if (turn.done) return turn.value;
	}
}

/** A photo of 12 megapixels of twelve pieces, taken at a slant: laid flat, traced, held against what was drawn. */
export function traced(): void {
	console.log('');
	const [wide, high] = [1100, 800];
	const truth = twelvePieces();
	for (const tilt of [0, 30]) {
		const { photo, corners } = slantPhotoOf(truth, { wide, high, width: 4000, height: 3000, tilt });
		const began = performance.now();
		const toPlane = homographyOf(corners, [
			[0, 0],
			[wide, 0],
			[wide, high],
			[0, high]
		]);
		const view = withinReference(toPlane, corners);
		const flat = ended(rectify(photo, toPlane, view));
		const laid = performance.now() - began;
		const done = ended(trace(flat, { mmPerPx: 1 / view.pixelsPerMm, speck: 225, tolerance: 0.4 }));
		const took = performance.now() - began;
		if (!done.ok) throw new Error(done.problem.code);
		const offs = done.value.pieces.map((p) => {
			const line = flatten(p.outline).points.map(
				([x, y]) => [x + view.left, y + high - view.top - view.height] as const
			);
			return Math.min(...truth.map((q) => strays(line, flatten(q.outline).points).rms));
		});
		console.log(
			`trace: 12 MP at ${tilt}°, 12 pieces: ${ms(took)} (${ms(laid)} to lay flat at ${(1 / view.pixelsPerMm).toFixed(2)} mm a pixel); ${done.value.pieces.length} pieces, ${done.value.pieces.reduce((n, p) => n + p.outline.edges.length, 0)} edges, ${done.value.pieces.reduce((n, p) => n + p.holes.length, 0)} holes; outline error ${(offs.reduce((a, b) => a + b, 0) / offs.length).toFixed(3)} mm RMS, worst piece ${Math.max(...offs).toFixed(3)}`
		);
	}
}

/** A drawing of 5,000 paths, curves and transforms by turns. */
export function drawing(): void {
	const paths = Array.from({ length: 5000 }, (_, i) => {
		const [x, y] = [(i % 100) * 60, Math.floor(i / 100) * 60];
		const d = i % 2 ? `M0 0C20 -5 40 5 50 0V40Q25 52 0 40Z` : `M0 0H50V40A25 12 0 0 1 0 40Z`;
		return `<g transform="translate(${x} ${y}) rotate(${i % 7})"><path d="${d}"/></g>`;
	});
	const text = `<svg xmlns="http://www.w3.org/2000/svg" width="6000mm" height="3000mm" viewBox="0 0 6000 3000">${paths.join('')}</svg>`;
	const run = () => readSvg(text);
	const done = run();
	if (!done.ok) throw new Error(done.problem.code);
	console.log(
		`drawing: SVG of 5,000 paths read ${ms(median(timed(3, run)))} (median of 3): ${done.value.pieces.length} pieces`
	);
}
