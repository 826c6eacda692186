import { readFileSync } from 'node:fs';
import { runInThisContext } from 'node:vm';
import type { Layout, LayoutTask } from '../../src/core/engines/layout/stock.ts';
import type { LayPiece, Placement } from '../../src/core/facts/layout.ts';
import { flatten } from '../../src/core/engines/pattern/outline.ts';
import type { Point } from '../../src/core/units/point.ts';
import { blob, random } from './outlines.ts';

/** Layouts held against a geometry library of the registry; nothing of the engine's own code looks here. */

interface Geometry {
	distance(other: Geometry): number;
	intersects(other: Geometry): boolean;
	buffer(by: number): Geometry;
	covers(other: Geometry): boolean;
	intersection(other: Geometry): Geometry;
	getArea(): number;
	getEnvelopeInternal(): { getMinX(): number; getMaxX(): number; getMinY(): number; getMaxY(): number };
}
interface Jsts {
	geom: {
		GeometryFactory: new () => {
			createLinearRing(c: object[]): object;
			createPolygon(shell: object, holes: object[]): Geometry;
		};
		Coordinate: new (x: number, y: number) => object;
	};
}
// The built whole, which the package calls a module and is none: it is run as a page runs it.
runInThisContext(readFileSync('node_modules/jsts/dist/jsts.min.js', 'utf8'));
const { jsts } = globalThis as unknown as { jsts: Jsts };
const factory = new jsts.geom.GeometryFactory();

const placedAt = (p: Placement, [x, y]: Point): Point => {
	const [mx, a] = [p.mirrored ? -x : x, (p.rotation * Math.PI) / 180];
	return [mx * Math.cos(a) - y * Math.sin(a) + p.x, mx * Math.sin(a) + y * Math.cos(a) + p.y];
};
const ring = (points: readonly Point[]) =>
	factory.createLinearRing([...points, points[0]!].map(([x, y]) => new jsts.geom.Coordinate(x, y)));
const polygonOf = (outline: readonly Point[], holes: readonly (readonly Point[])[]) =>
	factory.createPolygon(ring(outline), holes.map(ring));

/** How far a layout may be off what was asked, mm. */
const OFF = 0.01;

/** What is wrong with a layout, in words; empty when nothing is. */
export function faultsOf(task: LayoutTask, { placements, unplaced }: Layout): string[] {
	const faults: string[] = [];
	const pieces = new Map(task.pieces.map((p) => [p.id, p]));
	for (const piece of task.pieces) {
		const its = [...placements, ...unplaced].filter((p) => p.piece === piece.id).map((p) => p.copy);
		const copies = Array.from({ length: piece.quantity }, (_, i) => i + 1);
		if (JSON.stringify(its.sort((a, b) => a - b)) !== JSON.stringify(copies))
			faults.push(`${piece.id}: copies ${its.join(', ')} of ${piece.quantity}`);
	}
	const laid = placements.map((p) => {
		const piece = pieces.get(p.piece)!;
		const at = (points: readonly Point[]) => points.map((q) => placedAt(p, q));
		const geometry = polygonOf(at(piece.outline), piece.holes.map(at));
		return { p, piece, geometry, box: geometry.getEnvelopeInternal() };
	});
	for (const { p, piece, box, geometry } of laid) {
		const stock = task.stock.find((s) => s.id === p.stock)!;
		const form =
			stock.roll !== null
				? (stock.sheets[p.sheet - 1] ?? { width: stock.roll, height: Infinity })
				: (stock.sheets[p.sheet - 1] ?? stock.more!);
		const name = `${p.piece} ${p.copy}`;
		if (
			(piece.onFold ? Math.abs(box.getMinX()) > OFF : box.getMinX() < task.edge - OFF) ||
			box.getMinY() < task.edge - OFF ||
			box.getMaxX() > form.width - task.edge + OFF ||
			box.getMaxY() > form.height - task.edge + OFF
		)
			faults.push(`${name} lies beyond the border`);
		const { outline, flaws } = form as {
			outline?: readonly Point[] | null;
			flaws?: readonly (readonly Point[])[];
		};
		if (
			outline &&
			!polygonOf(outline, [])
				.buffer(OFF - task.edge)
				.covers(geometry)
		)
			faults.push(`${name} lies beyond the offcut`);
		for (const flaw of flaws ?? [])
			if (polygonOf(flaw, []).buffer(-OFF).intersects(geometry)) faults.push(`${name} lies on a flaw`);
		const turnedOver = task.locked?.some((l) => l.piece === p.piece && l.copy === p.copy);
		if (!turnedOver && p.mirrored !== (piece.pair && p.copy % 2 === 0))
			faults.push(`${name} is not mirrored as it should be`);
		if (
			piece.rotations !== 'any' &&
			!turnedOver &&
			!piece.rotations.some((r) => Math.abs(((p.rotation - r + 540) % 360) - 180) < 1e-6)
		)
			faults.push(`${name} is turned by ${p.rotation}`);
	}
	for (const [i, a] of laid.entries())
		for (const b of laid.slice(i + 1)) {
			if (a.p.stock !== b.p.stock || a.p.sheet !== b.p.sheet) continue;
			const far =
				a.box.getMinX() > b.box.getMaxX() + task.gap ||
				b.box.getMinX() > a.box.getMaxX() + task.gap ||
				a.box.getMinY() > b.box.getMaxY() + task.gap ||
				b.box.getMinY() > a.box.getMaxY() + task.gap;
			if (far) continue;
			const near =
				task.gap > OFF
					? a.geometry.distance(b.geometry) < task.gap - OFF
					: a.geometry.buffer(-OFF / 2).intersects(b.geometry.buffer(-OFF / 2));
			if (near)
				faults.push(
					`${a.p.piece} ${a.p.copy} and ${b.p.piece} ${b.p.copy} are ${a.geometry.distance(b.geometry)} apart`
				);
		}
	return faults;
}

/** Pieces as costumes have them: curved, of about 40 points, all sizes. */
export function curvedPieces(
	count: number,
	size: number,
	seed: number,
	more: Partial<LayPiece> = {}
): LayPiece[] {
	const next = random(seed);
	return Array.from({ length: count }, (_, i) => {
		const outline = flatten(blob(seed * 1000 + i), 0.6).points;
		const scale = (size * (0.5 + next())) / 140;
		return {
			id: `P${i + 1}`,
			stock: 'S',
			outline: outline.map(([x, y]): Point => [x * scale, y * scale * 0.8]),
			holes: [],
			quantity: 1,
			pair: false,
			rotations: [0, 90, 180, 270],
			...more
		};
	});
}
export const rectanglePiece = (id: string, w: number, h: number, more: Partial<LayPiece> = {}): LayPiece => ({
	id,
	stock: 'S',
	outline: [
		[0, 0],
		[w, 0],
		[w, h],
		[0, h]
	],
	holes: [],
	quantity: 1,
	pair: false,
	rotations: [0, 90],
	...more
});

type Rings = { outline: readonly Point[]; holes: readonly (readonly Point[])[] };
/** Whether nothing of it lies outside of a ring. */
export const holdsAll = (ring: readonly Point[], of: Rings): boolean =>
	polygonOf(ring, []).buffer(1e-6).covers(polygonOf(of.outline, of.holes));
/** mm² of a ring that it holds. */
export const sharedArea = (of: Rings, ring: readonly Point[]): number =>
	polygonOf(of.outline, of.holes).intersection(polygonOf(ring, [])).getArea();
