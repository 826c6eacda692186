import { EndType, inflatePathsD, JoinType } from 'clipper2-ts';
import type { LayPiece, Placement, SheetForm, Stock, StockUse } from '../../facts/layout.ts';
import type { Point } from '../../units/point.ts';
import { placed } from '../pattern/outline.ts';
import { areaOf } from './shape.ts';

/** What a sheet is called: offcuts and new sheets are counted apart. `forms` in the order of the plan. */
export function nameOfSheet(forms: readonly Pick<SheetForm, 'offcut'>[], i: number): string {
	const offcut = forms[i]!.offcut !== undefined;
	const number = forms.slice(0, i + 1).filter((f) => (f.offcut !== undefined) === offcut).length;
	return `${offcut ? 'Offcut' : 'Sheet'} ${number}`;
}

export interface LayoutTask {
	stock: readonly Stock[];
	pieces: readonly LayPiece[];
	/** The least distance between pieces, and from the border, mm. */
	gap: number;
	edge: number;
	seed: number;
	/** Copies that stay where they are; the rest is laid around them. */
	locked?: readonly Placement[];
}

export type WhyNot =
	'tooSmall' | 'crosses' | 'noStock' | 'tooLarge' | 'wontTurn' | 'gapTooLarge' | 'noRoom' | 'badRotation';
export interface Unplaced {
	piece: string;
	copy: number;
	why: WhyNot;
}

export interface Layout {
	placements: Placement[];
	unplaced: Unplaced[];
	stock: StockUse[];
}

/** Of a roll that has no end, mm. */
const ENDLESS = 1e7;
/** What is begun when all sheets that are there are full. */
export const moreOf = (stock: Stock): SheetForm | null =>
	stock.roll !== null ? { width: stock.roll, height: ENDLESS } : stock.more;

/** A piece as it lies: its outline, then its holes. */
export const laidPaths = (piece: Pick<LayPiece, 'outline' | 'holes'>, p: Placement): Point[][] =>
	[piece.outline, ...piece.holes].map((ring) =>
		ring.map((q) => placed(q, { mirror: p.mirrored, turn: p.rotation, move: [p.x, p.y] }))
	);

/** The sheets that a layout takes, one after the other; of a roll what is used of it. */
export function formsOf(
	stock: Stock,
	{ sheets, usedLength }: Pick<StockUse, 'sheets' | 'usedLength'>
): SheetForm[] {
	return Array.from({ length: sheets }, (_, i) => {
		const form = stock.sheets[i] ?? moreOf(stock)!;
		return stock.roll !== null && i === stock.sheets.length
			? { ...form, height: Math.max(usedLength, 1) }
			: form;
	});
}

/** Sheets of a layout that are no offcuts, or one for the roll. */
export const freshSheets = ({ sheets }: Pick<StockUse, 'sheets'>, offcuts: number): number =>
	Math.max(0, sheets - offcuts);

/** mm² of a sheet, as it is. */
export const sheetArea = ({ outline, width, height }: SheetForm): number =>
	outline ? Math.abs(areaOf(outline)) : width * height;

/** What of a stock these placements take. */
export function useOf(stock: Stock, pieces: readonly LayPiece[], placements: readonly Placement[]): StockUse {
	const byId = new Map(pieces.map((p) => [p.id, p]));
	const areas = new Map<string, number>();
	const its = placements.filter((p) => p.stock === stock.id);
	const sheets = its.reduce((most, p) => Math.max(most, p.sheet), 0);
	let [usedLength, area] = [0, 0];
	for (const p of its) {
		const piece = byId.get(p.piece)!;
		if (!areas.has(p.piece)) areas.set(p.piece, areaOfPiece(piece));
		area += areas.get(p.piece)!;
		if (p.sheet !== sheets) continue;
		const [cos, sin] = [Math.cos((p.rotation * Math.PI) / 180), Math.sin((p.rotation * Math.PI) / 180)];
		for (const [x, y] of piece.outline)
			usedLength = Math.max(usedLength, (p.mirrored ? -x : x) * sin + y * cos + p.y);
	}
	const whole = formsOf(stock, { sheets, usedLength }).reduce((sum, form) => sum + sheetArea(form), 0);
	return { id: stock.id, sheets, usedLength, density: whole > 0 ? area / whole : 0 };
}

/** mm², its holes taken out. */
export const areaOfPiece = ({ outline, holes }: Pick<LayPiece, 'outline' | 'holes'>): number =>
	Math.abs(areaOf(outline)) - holes.reduce((sum, hole) => sum + Math.abs(areaOf(hole)), 0);

const MITER = 2;

/** Larger all round by so much, corners never less than that: what lies beside it touches it at that distance. */
export function grown(paths: readonly (readonly Point[])[], by: number): Point[][] {
	if (by === 0) return paths.map((p) => [...p]);
	const out = inflatePathsD(
		paths.map((path) => path.map(([x, y]) => ({ x, y }))),
		by,
		JoinType.Miter,
		EndType.Polygon,
		MITER,
		5
	).map((path) => path.map((p): Point => [p.x, p.y]));
	// The outline comes first; a shape stays one shape when it grows.
	return out.sort((a, b) => Math.abs(areaOf(b)) - Math.abs(areaOf(a)));
}

/** Counter-clockwise, or clockwise. */
export const wound = (path: readonly Point[], left: boolean): Point[] =>
	areaOf(path) > 0 === left ? [...path] : [...path].reverse();

export const mirroredPaths = (paths: readonly (readonly Point[])[]): Point[][] =>
	paths.map((path) => path.map(([x, y]): Point => [-x, y]).reverse());
