import { distance, type Point } from '$core/units/point.ts';

/** As far as a click may lie beside the picture and still mean its border, px of the picture. */
const BESIDE = 2;

/** Points clicked on a picture one after another, until something is made of them. */
export class DraftPoints {
	points = $state.raw<readonly Point[]>([]);

	get count(): number {
		return this.points.length;
	}
	/** Adds a point; when there are as many as there can be, it begins anew. */
	add(point: Point, most = Infinity): void {
		this.points = this.count >= most ? [point] : [...this.points, point];
	}
	/** The same on a picture only: a click beside it is no click on it. */
	addOn({ width, height }: { width: number; height: number }, [x, y]: Point, most = Infinity): void {
		const inside: Point = [Math.min(width, Math.max(0, x)), Math.min(height, Math.max(0, y))];
		if (distance(inside, [x, y]) <= BESIDE) this.add(inside, most);
	}
	/** Whether a click means the first point again, which closes an outline. */
	closes(point: Point, reach: number): boolean {
		return this.count > 2 && distance(point, this.points[0]!) < reach;
	}
	clear(): void {
		this.points = [];
	}
	/** Esc takes all points back, another key the last. */
	key(pressed: string): void {
		this.points = pressed === 'Escape' ? [] : this.points.slice(0, -1);
	}
}
