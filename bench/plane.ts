import { calibrate, measure } from '../src/core/engines/plane/pictureMeasure.ts';
import type { MeasureKind } from '../src/core/facts/picture.ts';
import type { Point } from '../src/core/units/point.ts';
import { seen, type TestCamera } from '../tests/support/camera.ts';
import { median, ms, timed } from './print.ts';

const CAMERA: TestCamera = {
	width: 4000,
	height: 3000,
	focal: 3000,
	tilt: 35,
	turn: 6,
	distance: 900,
	at: [150, 105]
};
const click = (x: number, y: number): Point => seen(CAMERA, [x, y]);

/** A scale by four corners of A4, and 1,000 measures with their uncertainty. */
export function plane(): void {
	const reference = {
		kind: 'rectangle',
		points: [click(0, 0), click(297, 0), click(297, 210), click(0, 210)],
		width: 297,
		height: 210
	} as const;
	const picture = { width: CAMERA.width, height: CAMERA.height };
	const scale = () => {
		const found = calibrate(reference, picture, { click: 2, reference: 0.5 });
		if (!found.ok) throw new Error(found.problem.code);
		return found.value;
	};
	const kinds: MeasureKind[] = ['length', 'circle', 'angle', 'area'];
	const measures = Array.from({ length: 1000 }, (_, i) => {
		const [x, y] = [(i * 37) % 200, (i * 53) % 150];
		return {
			kind: kinds[i % 4]!,
			points: [click(x, y), click(x + 60, y + 5), click(x + 20, y + 50)],
			offPlane: i % 10 ? 0 : 8
		};
	});
	const all = () => {
		const found = scale();
		for (const m of measures) if (!measure(found, m).ok) throw new Error('not measured');
	};
	timed(5, all);
	console.log(`\nplane: a scale by four corners ${ms(median(timed(15, scale)))}`);
	console.log(`plane: a scale and 1,000 measures with their ± ${ms(median(timed(15, all)))} (medians of 15)`);
}
