import type { Join } from '$core/facts/wear.ts';
import type { Vec } from '$core/units/vec.ts';

/** What holds a component seen from one side: mm to the right and down. */
export interface HeldView {
	name: string;
	box: { x: number; y: number; wide: number; high: number };
	joins: { x: number; y: number; wide: number; high: number }[];
	centre: readonly [number, number];
}

const ROOM = 45;

/** From the front, outwards to the right, and from the side, forward to the right. */
export function heldViews(joins: readonly Join[], centre: Vec): HeldView[] {
	return (['front', 'side'] as const).map((name) => {
		const across = name === 'front' ? 0 : 2;
		const places = joins.map((j) => {
			const at: Vec = [j.outMm, j.upMm, j.forwardMm];
			// It lies in the view that it faces, and is seen from its edge in the other.
			const isFlat = (j.faces === 'forward') === (name === 'front') && j.faces !== 'up';
			return {
				x: at[across],
				y: -at[1],
				wide: isFlat ? j.widthMm : 6,
				high: j.faces === 'up' ? 6 : j.lengthMm
			};
		});
		const middle = [centre[across], -centre[1]] as const;
		const xs = [0, middle[0], ...places.flatMap((p) => [p.x - p.wide / 2, p.x + p.wide / 2])];
		const ys = [0, middle[1], ...places.flatMap((p) => [p.y - p.high / 2, p.y + p.high / 2])];
		const [left, top] = [Math.min(...xs) - ROOM, Math.min(...ys) - ROOM];
		return {
			name,
			box: { x: left, y: top, wide: Math.max(...xs) + ROOM - left, high: Math.max(...ys) + ROOM - top },
			joins: places,
			centre: middle
		};
	});
}
