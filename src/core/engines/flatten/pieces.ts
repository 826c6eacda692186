import type { EdgeMarks, Notch, Outline, Piece } from '../../facts/piece.ts';
import type { Point } from '../../units/point.ts';
import { polygon } from '../pattern/outline.ts';
import { piece } from '../pattern/piece.ts';
import type { Flattened } from './flatten.ts';
import type { Flat } from './flat.ts';
import { lengthOf, type Surface } from './patch.ts';

/** Notches stand about so far apart along a seam, mm. */
const NOTCH_EVERY = 120;

export interface FlatPieces {
	pieces: Piece[];
	/** By its number: how long each seam is on the surface, mm. */
	seams: { name: string; length: number }[];
	/** Of each piece, the largest strain and the mean. */
	strains: { max: number; rms: number }[];
	/** The faces of each piece as they lie on it, and how far each is pulled. */
	laid: { triangles: Point[][]; strains: number[] }[];
}

export interface PieceNames {
	/** What a seam is called, by its number from 1. */
	seam?: (number: number) => string;
	/** What a piece is called and how its grain lies: degrees from x after it was turned so. */
	piece?: (flat: Flat, index: number) => { name: string; turn: number; grain: number | null };
}

/**
 * Pieces of what lies flat: each seam has a number on both of its sides, and notches at the same lengths along it on the surface, where
 * both sides meet.
 */
export function piecesOfFlat(surface: Surface, done: Flattened, names: PieceNames = {}): FlatPieces {
	const marks = new Map<number, { seam: string; notches: { share: number; pair: string }[] }>();
	const seams = done.seams.map(({ halves }, i) => {
		const name = (names.seam ?? String)(i + 1);
		const lengths = halves.map((h) => lengthOf(surface, h));
		const whole = lengths.reduce((a, b) => a + b, 0);
		const count = Math.max(1, Math.round(whole / NOTCH_EVERY) - 1);
		let along = 0;
		halves.forEach((h, k) => {
			const own = { seam: name, notches: [] as { share: number; pair: string }[] };
			const against = { seam: name, notches: [] as { share: number; pair: string }[] };
			for (let n = 1; n <= count; n++) {
				const at = (whole * n) / (count + 1);
				if (at < along || at >= along + lengths[k]!) continue;
				const share = (at - along) / lengths[k]!;
				const pair = count === 1 ? name : `${name}.${n}`;
				own.notches.push({ share, pair });
				against.notches.push({ share: 1 - share, pair });
			}
			marks.set(h, own);
			marks.set(surface.twin[h]!, against);
			along += lengths[k]!;
		});
		return { name, length: whole };
	});
	const laid: FlatPieces['laid'] = [];
	const pieces = done.flats.map((flat, index) => {
		const its = names.piece?.(flat, index) ?? { name: `part ${index + 1}`, turn: 0, grain: null };
		const [c, s] = [Math.cos(its.turn), Math.sin(its.turn)];
		const at = (p: number): Point => {
			const [x, y] = [flat.at[2 * p]!, flat.at[2 * p + 1]!];
			return [x * c - y * s, x * s + y * c];
		};
		const { corners, faces } = flat.patch;
		laid.push({
			triangles: faces.map((_, f) => [0, 1, 2].map((k) => at(corners[3 * f + k]!))),
			strains: [...flat.strains().each]
		});
		const rounds = flat.patch.borders.map((border, r) => {
			const points = border.map(at);
			const notches: Notch[] = [];
			const edges = flat.patch.rims[r]!.map((h, edge): EdgeMarks => {
				const mark = marks.get(h);
				const [p, q] = [points[edge]!, points[(edge + 1) % points.length]!];
				const long = Math.hypot(q[0] - p[0], q[1] - p[1]);
				for (const { share, pair } of mark?.notches ?? []) notches.push({ edge, along: share * long, pair });
				return mark ? { seam: mark.seam } : {};
			});
			return { outline: polygon(points, edges), notches, area: areaOf(points) };
		});
		const outer = rounds.reduce((a, b) => (b.area > a.area ? b : a));
		return piece(its.name, outer.outline, {
			holes: rounds.filter((r) => r !== outer).map((r): Outline => r.outline),
			notches: outer.notches,
			grain: its.grain
		});
	});
	return {
		pieces,
		seams,
		laid,
		strains: done.flats.map((flat) => {
			const { max, rms } = flat.strains();
			return { max, rms };
		})
	};
}

const areaOf = (points: readonly Point[]) =>
	points.reduce((sum, [x, y], i) => {
		const [u, v] = points[(i + 1) % points.length]!;
		return sum + (x * v - u * y) / 2;
	}, 0);
