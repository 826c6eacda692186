import { isBeyond } from '../../trade/laidFlat.ts';
import { bad, good, type Parsed } from '../../units/problem.ts';
import { propose } from './cuts.ts';
import { Flat } from './flat.ts';
import { overlaps } from './overlap.ts';
import { endOf, partsOf, patchOf, startOf, type Surface } from './patch.ts';
import { evenSeams, type Seam, type SeamLengths, seamLengths, seamsOf } from './seams.ts';

export interface FlattenOptions {
	/** Largest strain of any face; with `propose` cuts are added until no face has more. */
	limit: number;
	propose: boolean;
	/** Without `propose`: a part whose largest strain is above the limit then is pressed until it is not, if that can be. */
	press?: boolean;
	/** No piece wider than this either way, mm. */
	most?: number | null;
	/** No strip narrower than this, mm, where seams are chosen. */
	least?: number;
	progress?: (share: number, pieces: number) => void;
	stop?: () => boolean;
	/** Share of the time that is over. */
	spent?: () => number;
}

export interface Flattened {
	flats: Flat[];
	seams: Seam[];
	lengths: SeamLengths[];
	/** Pieces that cover themselves though no face is turned over. */
	overlapping: number;
}

/** Both halves of the edges along paths of points; the path and the point from which no edge leads on, where one does not lie on edges. */
export function cutAlong(
	surface: Surface,
	paths: readonly (readonly number[])[]
): Parsed<Uint8Array<ArrayBuffer>> {
	const cut = new Uint8Array(surface.faces.length * 3);
	const at = new Map<string, number>();
	for (let h = 0; h < cut.length; h++) {
		const [a, b] = [startOf(surface, h), endOf(surface, h)];
		at.set(`${a} ${b}`, h);
		if (!at.has(`${b} ${a}`)) at.set(`${b} ${a}`, h);
	}
	for (const [i, path] of paths.entries())
		for (let k = 0; k + 1 < path.length; k++) {
			const h = at.get(`${path[k]} ${path[k + 1]}`);
			if (h === undefined) return bad('cutOffEdges', { from: path[k]!, to: path[k + 1]! }, ['cuts', i]);
			cut[h] = 1;
			if (surface.twin[h]! >= 0) cut[surface.twin[h]!] = 1;
		}
	return good(cut);
}

/**
 * A curved surface laid flat, part by part, with the least strain: no face is turned over, the two sides of each seam are of one
 * length within 0.5 % or 1 mm, whichever is more.
 *
 * @param cut both halves of every edge that is cut open; what is proposed is marked in it
 * @returns pieces and seams, or why a part cannot be laid flat
 */
export function flatten(surface: Surface, cut: Uint8Array, options: FlattenOptions): Parsed<Flattened> {
	const flats: Flat[] = [];
	if (options.propose) flats.push(...propose(surface, cut, options));
	else
		for (const faces of partsOf(surface, cut)) {
			const patch = patchOf(surface, cut, faces);
			if (patch.borders.length === 0) return bad('flattenClosed');
			if (patch.euler !== 2 - patch.borders.length) return bad('flattenThrough');
			const flat = new Flat(surface, patch);
			if (!flat.begin()) return bad('flattenFolds');
			flat.least();
			if (options.press) flat.press(options.limit);
			flats.push(flat);
			if (options.stop?.()) return bad('stopped');
		}
	const seams = seamsOf(surface, flats);
	evenSeams(surface, flats, seams, (flat, stiffness) =>
		(options.propose || options.press) && !isBeyond(flat.strains().max, options.limit)
			? flat.hold(options.limit, stiffness)
			: flat.least(stiffness)
	);
	return good({
		flats,
		seams,
		lengths: seamLengths(surface, flats, seams),
		overlapping: flats.filter(overlaps).length
	});
}
