import { z } from 'zod';
import { boxOf, crossesItself } from '../pattern/outline.ts';
import { areaOf } from './shape.ts';
import type { Offcut } from '../../facts/offcut.ts';
import type { SheetForm } from '../../facts/layout.ts';
import type { Point } from '../../units/point.ts';

const MOST = 20_000;
const ring = z
	.array(z.tuple([z.number().min(-MOST).max(MOST), z.number().min(-MOST).max(MOST)]))
	.min(3, { error: 'An outline has at least 3 corners.', abort: true })
	.max(2000);
export const offcutOutline = ring
	.refine((points) => !crossesItself(points), { error: 'The outline crosses itself.', abort: true })
	.refine((points) => Math.abs(areaOf(points)) >= 100, 'There is nothing of it.');
export const offcutFlaws = z.array(ring).max(200);

export function sheetOfOffcut({ id, outline, flaws }: Pick<Offcut, 'id' | 'outline' | 'flaws'>): SheetForm {
	const box = boxOf(outline);
	return { width: box.right, height: box.top, outline, flaws, offcut: id };
}

/** mm² of it that can be used. */
export const usableArea = ({ outline, flaws }: Pick<Offcut, 'outline' | 'flaws'>): number =>
	Math.abs(areaOf(outline)) - flaws.reduce((sum, flaw) => sum + Math.abs(areaOf(flaw)), 0);

/** A rectangle, its lower left corner at 0, 0. */
export const rectangle = (width: number, height: number): Point[] => [
	[0, 0],
	[width, 0],
	[width, height],
	[0, height]
];
