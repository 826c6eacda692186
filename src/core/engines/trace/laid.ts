import { apart, colourAt, dot, scaledBy, type Colour, type Colours } from './colour.ts';
import type { Grey } from './contour.ts';

/** So many pixels to both sides of an edge are looked at closely. */
const BAND = 5;
/** Within so many pixels of its edge a piece is not yet its own colour. */
const WITHIN = 4;
/** How far off the light of a side is looked for, px, and how dark one may be, by its top. */
const BESIDE = 3;
const DARKEST_SIDE = 0.3;
/** The least that a piece differs from the mat, ΔE; where its edge is taken to begin, by how far it is. */
const LEAST_APART = 7;
const EDGE = 0.4;
/** Of the pixels of a piece, so many tell its colour. */
const SAMPLES = 400;
/** Less than this between the colours of mat and piece (sin²), and a shadow of the one is the other. */
const ALIKE = 0.012;

/** A piece as a patch of pixels that differ from the mat. */
export interface Patch {
	/** Its colour, where the mat has the light `mat`. */
	colour: Colour;
	mat: Colour;
	pixels: number;
	/** How far it is from the mat, ΔE. */
	off: number;
}

/** Whether it differs enough from the mat to be one. */
export const isPiece = (patch: Patch): boolean => patch.off >= LEAST_APART;

export interface Laid {
	/** How much of each pixel is piece: 0 mat, 1 piece. */
	share: Grey;
	/** Which patch a pixel is of, or beside; −1 for none. */
	label: Int32Array;
	patches: Patch[];
}

/**
 * How much of each pixel is piece, to less than a pixel: near an edge a pixel is so much of the piece's colour and so much of the
 * mat's, in whatever light, u·mat + m·piece by least squares over the three colours. A shadow beside a piece only lessens u.
 * @param off how far each pixel is from the mat @param level above it a pixel may be piece @param least px of a piece
 * @returns null where nothing is
 */
export function shareOfPieces(
	colours: Colours,
	matAt: (x: number, y: number) => Colour,
	off: Grey,
	level: number,
	least: number
): Laid | null {
	const { width, height } = off;
	const label = labelled(off, level);
	const patches = patchesOf(colours, matAt, off, label, width, height);
	const counts = (its: number) => patches[its]!.pixels >= least && isPiece(patches[its]!);
	if (!patches.some((_, its) => counts(its))) return null;
	// What stands far off the mat has its edge farther off too: what a shadow leaves between them is no piece.
	for (let i = 0; i < label.length; i++) {
		const its = label[i]!;
		if (its >= 0 && (!counts(its) || off.data[i]! < EDGE * patches[its]!.off)) label[i] = -1;
	}
	const within = new Uint8Array(label.length);
	for (let y = BAND; y < height - BAND; y++)
		for (let x = BAND; x < width - BAND; x++) {
			const i = y * width + x;
			const its = label[i]!;
			if (its < 0) continue;
			within[i] =
				label[i - BAND] === its &&
				label[i + BAND] === its &&
				label[i - BAND * width] === its &&
				label[i + BAND * width] === its
					? 1
					: 0;
		}
	spread(label, width, height);
	const share = new Float32Array(label.length);
	for (let y = 0; y < height; y++)
		for (let x = 0; x < width; x++) {
			const i = y * width + x;
			if (label[i]! < 0) continue;
			share[i] = within[i] ? 1 : shareIn(colourAt(colours, i), matAt(x, y), patches[label[i]!]!);
		}
	// The side of what stands high is darker than its top: half of what is beside an edge is the edge, not half of the whole.
	const lit = new Float32Array(share.length);
	for (let i = 0; i < share.length; i++) {
		const edge = label[i]! >= 0 && !within[i];
		lit[i] = edge
			? share[i]! / Math.min(1, Math.max(DARKEST_SIDE, lightest(share, i, width, height)))
			: share[i]!;
	}
	return { share: { width, height, data: lit }, label, patches };
}

/** The largest mean over nine pixels, within so many pixels of one. */
function lightest(share: Float32Array, i: number, width: number, height: number): number {
	const x = i % width;
	const y = (i - x) / width;
	const reach = BESIDE + 1;
	if (x < reach || y < reach || x >= width - reach || y >= height - reach) return 1;
	let most = 0;
	for (let v = y - BESIDE; v <= y + BESIDE; v++) {
		// Nine pixels by sums down three columns, each handed on to the next.
		const at = v * width + x;
		let a = column(share, at - BESIDE - 1, width);
		let b = column(share, at - BESIDE, width);
		for (let j = at - BESIDE + 1; j <= at + BESIDE + 1; j++) {
			const c = column(share, j, width);
			if (a + b + c > most) most = a + b + c;
			a = b;
			b = c;
		}
	}
	return most / 9;
}

/** One pixel with those above and below it. */
const column = (share: Float32Array, i: number, width: number) =>
	share[i - width]! + share[i]! + share[i + width]!;

const lightOf = (mat: Colour) => mat[0] + mat[1] + mat[2];
/** A piece's colour where the mat is so light. */
export const inLight = ({ colour, mat }: Patch, here: Colour): Colour =>
	scaledBy(colour, lightOf(here) / Math.max(1, lightOf(mat)));

/** Of one pixel: how much of it is piece. */
function shareIn(p: Colour, mat: Colour, patch: Patch): number {
	const piece = inLight(patch, mat);
	const [mm, mp, pp] = [dot(mat, mat), dot(mat, piece), dot(piece, piece)];
	const det = mm * pp - mp * mp;
	const [pm, pq] = [dot(p, mat), dot(p, piece)];
	if (det < ALIKE * mm * pp) {
		// Of one hue: by how far it has come from the one to the other.
		const way: Colour = [piece[0] - mat[0], piece[1] - mat[1], piece[2] - mat[2]];
		return held(dot([p[0] - mat[0], p[1] - mat[1], p[2] - mat[2]], way) / Math.max(1, dot(way, way)));
	}
	const u = (pp * pm - mp * pq) / det;
	return held(u < 0 ? pq / pp : (mm * pq - mp * pm) / det);
}
const held = (m: number) => (m < -0.5 ? -0.5 : m > 1.5 ? 1.5 : m);

/** Patches of what is above a level, numbered from 0; −1 is mat. */
export function labelled({ width, data }: Grey, level: number): Int32Array {
	const label = new Int32Array(data.length).fill(-1);
	const stack: number[] = [];
	let next = 0;
	const reach = (j: number) => {
		if (label[j]! >= 0 || data[j]! < level) return;
		label[j] = next;
		stack.push(j);
	};
	for (let start = 0; start < data.length; start++) {
		if (data[start]! < level || label[start]! >= 0) continue;
		label[start] = next;
		stack.push(start);
		while (stack.length) {
			const i = stack.pop()!;
			const x = i % width;
			if (x > 0) reach(i - 1);
			if (x < width - 1) reach(i + 1);
			if (i >= width) reach(i - width);
			if (i < data.length - width) reach(i + width);
		}
		next++;
	}
	return label;
}

/** The colour of each patch: the middle one of its pixels that lie well within it, or of all where none does. */
function patchesOf(
	colours: Colours,
	matAt: (x: number, y: number) => Colour,
	off: Grey,
	label: Int32Array,
	width: number,
	height: number
): Patch[] {
	const inner: number[][] = [];
	const any: number[][] = [];
	const pixels: number[] = [];
	for (let i = 0; i < label.length; i++) {
		const its = label[i]!;
		if (its < 0) continue;
		pixels[its] = (pixels[its] ?? 0) + 1;
		const x = i % width;
		const y = (i - x) / width;
		// Every third pixel both ways is enough.
		if (x % 3 || y % 3) {
			if ((any[its]?.length ?? 0) < 9) (any[its] ??= []).push(i);
			continue;
		}
		const deep =
			x >= WITHIN &&
			y >= WITHIN &&
			x < width - WITHIN &&
			y < height - WITHIN &&
			label[i - WITHIN] === its &&
			label[i + WITHIN] === its &&
			label[i - WITHIN * width] === its &&
			label[i + WITHIN * width] === its;
		((deep ? inner : any)[its] ??= []).push(i);
	}
	const middle = (values: number[]) => values.sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
	/** Some hundreds, taken evenly, tell it. */
	const some = (all: number[]) => all.filter((_, n) => n % Math.ceil(all.length / SAMPLES) === 0);
	return pixels.map((count, its) => {
		const chosen = some(inner[its]?.length ? inner[its] : (any[its] ?? []));
		const mats = chosen.map((i) => matAt(i % width, Math.floor(i / width)));
		const of = (c: 0 | 1 | 2): Colour[0] => middle(chosen.map((i) => colours.planes[c][i]!));
		const mat = (c: 0 | 1 | 2) => middle(mats.map((m) => m[c]));
		return {
			colour: [of(0), of(1), of(2)],
			mat: [mat(0), mat(1), mat(2)],
			pixels: count,
			off: middle(chosen.map((i) => off.data[i]!))
		};
	});
}

/** Labels grow outwards by the band, into mat only. */
function spread(label: Int32Array, width: number, height: number): void {
	let front: number[] = [];
	const bare = (j: number) => j >= 0 && j < label.length && label[j]! < 0;
	for (let i = 0; i < label.length; i++)
		if (label[i]! >= 0 && (bare(i - 1) || bare(i + 1) || bare(i - width) || bare(i + width))) front.push(i);
	for (let step = 0; step < BAND; step++) {
		const next: number[] = [];
		for (const i of front) {
			const x = i % width;
			for (const j of [x > 0 ? i - 1 : -1, x < width - 1 ? i + 1 : -1, i - width, i + width]) {
				if (j < 0 || j >= width * height || label[j]! >= 0) continue;
				label[j] = label[i]!;
				next.push(j);
			}
		}
		front = next;
	}
}

/** How unlike its patch a pixel is, in ΔE, in the light that the mat has there. */
export const unlike = (colours: Colours, mat: Colour, patch: Patch, i: number): number =>
	apart(...colourAt(colours, i), ...inLight(patch, mat));
