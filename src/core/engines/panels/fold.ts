import type { Piece } from '../../facts/piece.ts';
import { distance, type Point } from '../../units/point.ts';
import { cutByLine } from '../pattern/cut.ts';
import { polygon } from '../pattern/outline.ts';
import type { Flattened } from '../flatten/flatten.ts';
import type { PanelMesh } from './mesh.ts';

/** Halves that differ by more than this are no mirror images, mm: their triangles are none either. */
const ALIKE = 3;

/** Pieces with the surface that they were laid flat from. */
interface Laid {
	mesh: PanelMesh;
	flattened: Flattened;
	pieces: Piece[];
}

/** Which corner of a piece mirrors which about the middle of the body, and the line that it is folded along. */
interface Middle {
	partner: number[];
	/** Whether a corner lies on the wearer's left. */
	left: boolean[];
	on: Point;
	/** Towards the left half. */
	out: Point;
}

const cornersOf = ({ outline }: Piece): Point[] => [
	outline.start,
	...outline.edges.slice(0, -1).map((e) => e.to)
];

function mirrored([x, y]: Point, on: Point, out: Point): Point {
	const far = (x - on[0]) * out[0] + (y - on[1]) * out[1];
	return [x - 2 * far * out[0], y - 2 * far * out[1]];
}

/** The middle of a piece that is symmetric about it; null where it is not. */
function middleOf(laid: Laid, index: number): Middle | null {
	const { mesh, flattened, pieces } = laid;
	const { patch } = flattened.flats[index]!;
	const [border, ...more] = patch.borders;
	const rim = patch.rims[0]!;
	const easedAt = (j: number) => mesh.surface.eased?.[rim[j]!] ?? 0;
	const corners = cornersOf(pieces[index]!);
	if (!border || more.length || corners.length !== border.length) return null;
	const places = border.map((p) => mesh.points[patch.vertices[p]!]!);
	const n = places.length;
	const mirrors = (j: number, k: number) => {
		const [a, b] = [places[j]!, places[k]!];
		const off = (((a.turn + b.turn - 180) % 360) + 540) % 360;
		return Math.abs(a.level - b.level) < 1e-6 && Math.abs(off - 180) < 1e-5;
	};
	// In a mirror the corners run the other way round.
	const sum = places.findIndex((_, c) => places.every((_, j) => mirrors(j, (c - j + n) % n)));
	if (sum < 0) return null;
	const partner = places.map((_, j) => (sum - j + n) % n);
	// An edge from j to j + 1 is in the mirror the one from the partner of j + 1 to that of j.
	if (places.some((_, j) => easedAt(j) !== easedAt(partner[(j + 1) % n]!))) return null;
	const left = places.map((p) => Math.cos((p.turn * Math.PI) / 180) > 1e-6);
	let [x, y, nx, ny] = [0, 0, 0, 0];
	corners.forEach((p, j) => {
		x += p[0] / n;
		y += p[1] / n;
		const q = corners[partner[j]!]!;
		if (!left[j]) return;
		nx += p[0] - q[0];
		ny += p[1] - q[1];
	});
	const long = Math.hypot(nx, ny);
	if (long < ALIKE) return null;
	const out: Point = [nx / long, ny / long];
	const alike = corners.every((p, j) => distance(mirrored(p, [x, y], out), corners[partner[j]!]!) < ALIKE);
	return alike ? { partner, left, on: [x, y], out } : null;
}

/** The left half of a piece, to be laid on the fold along its middle; null where the middle does not go through it once. */
function halved(piece: Piece, { partner, on, out }: Middle): Piece | null {
	const along: Point = [out[1], -out[0]];
	// Each corner half way to the mirror image of its partner: then one half stands for both.
	const corners = cornersOf(piece);
	const even = corners.map((p, j): Point => {
		const [x, y] = mirrored(corners[partner[j]!]!, on, out);
		return [(p[0] + x) / 2, (p[1] + y) / 2];
	});
	const outline = polygon(
		even,
		piece.outline.edges.map(({ seam }) => (seam === undefined ? {} : { seam }))
	);
	const done = cutByLine({ ...piece, outline }, on, [on[0] + along[0], on[1] + along[1]], {
		cut: 1,
		allowance: 0,
		marks: 0
	});
	if (!done.ok || done.value.length !== 2) return null;
	const half = done.value[0]!;
	const foldEdge = half.outline.edges.findIndex((e) => e.seam === 'cut 1');
	const edges = half.outline.edges.map(({ seam, ...edge }, i) =>
		seam === undefined || i === foldEdge ? edge : { ...edge, seam }
	);
	const grain = (Math.atan2(along[1], along[0]) * 180) / Math.PI;
	return {
		...half,
		name: piece.name,
		outline: { ...half.outline, edges },
		foldEdge,
		grain: (grain + 360) % 180
	};
}

/**
 * Pieces that are symmetric about the middle of the body as halves to be laid on the fold. A seam of the half that is left out has its
 * number no more: where other pieces have it, they get that of its mirror image, notch for notch.
 */
export function onFold<T extends Laid>(laid: T): T {
	const seams = new Map<string, string>();
	const notches = new Map<string, string>();
	const halves = laid.pieces.map((piece, index) => {
		const middle = middleOf(laid, index);
		const half = middle && halved(piece, middle);
		if (!half) return piece;
		const { partner, left } = middle;
		const n = partner.length;
		// An edge from j to j + 1 is in the mirror the one from the partner of j + 1 to that of j.
		const mirrorOf = (edge: number) => partner[(edge + 1) % n]!;
		piece.outline.edges.forEach(({ seam }, edge) => {
			const its = piece.outline.edges[mirrorOf(edge)]!.seam;
			const onLeft = left[edge]! || left[(edge + 1) % n]!;
			if (seam === undefined || its === undefined || !onLeft || its === seam) return;
			seams.set(its, seam);
			for (const notch of piece.notches.filter((m) => m.edge === edge)) {
				const other = piece.notches
					.filter((m) => m.pair === its || m.pair.startsWith(`${its}.`))
					.map((m) => ({ m, off: offOf(piece, m, notch, mirrorOf(edge)) }))
					.sort((a, b) => a.off - b.off)[0];
				if (other) notches.set(other.m.pair, notch.pair);
			}
		});
		return half;
	});
	return {
		...laid,
		pieces: halves.map((p) => ({
			...p,
			outline: {
				...p.outline,
				edges: p.outline.edges.map((e) =>
					e.seam === undefined ? e : { ...e, seam: seams.get(e.seam) ?? e.seam }
				)
			},
			notches: p.notches.map((m) => ({ ...m, pair: notches.get(m.pair) ?? m.pair }))
		}))
	};
}

/** How far a notch lies from the mirror image of another, along the outline, mm. */
function offOf(
	piece: Piece,
	its: Piece['notches'][number],
	of: Piece['notches'][number],
	mirror: number
): number {
	const corners = cornersOf(piece);
	const long = (edge: number) => distance(corners[edge]!, corners[(edge + 1) % corners.length]!);
	const before = (edge: number, along: number) =>
		corners.slice(0, edge).reduce((sum, _, i) => sum + long(i), 0) + along;
	return Math.abs(before(its.edge, its.along) - before(mirror, long(mirror) - of.along));
}
