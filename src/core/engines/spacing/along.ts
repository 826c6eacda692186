import { distance, type Point } from '../../units/point.ts';

/**
 * Where places along a line are.
 *
 * @param line two points or more; the last may be the first
 * @param places from its beginning, mm
 * @param length how long it is in truth, mm, where its points only follow a curve: places keep their share of it
 */
export function placesOn(line: readonly Point[], places: readonly number[], length: number): Point[] {
	const until = [0];
	for (let i = 1; i < line.length; i++) until.push(until[i - 1]! + distance(line[i - 1]!, line[i]!));
	const scale = until.at(-1)! / length;
	return places.map((place): Point => {
		const at = Math.min(Math.max(0, place * scale), until.at(-1)!);
		const i = Math.max(
			1,
			until.findIndex((u) => u >= at)
		);
		const [a, b] = [line[i - 1]!, line[i]!];
		const t = until[i] === until[i - 1] ? 0 : (at - until[i - 1]!) / (until[i]! - until[i - 1]!);
		return [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t];
	});
}
