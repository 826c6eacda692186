import type { Dart, PanelPlan } from '../../facts/panelPlan.ts';
import { good, type Parsed } from '../../units/problem.ts';
import type { Flat } from '../flatten/flat.ts';
import { flatten, type Flattened } from '../flatten/flatten.ts';
import { piecesOfFlat, type FlatPieces } from '../flatten/pieces.ts';
import { panelMesh, type PanelMesh } from './mesh.ts';
import type { LimbSkin } from './surface.ts';

export interface PanelsFlat extends FlatPieces {
	mesh: PanelMesh;
	flattened: Flattened;
	/** The panel of each piece. */
	panelOf: number[];
	/** All seams, mm. */
	seamLength: number;
}

/**
 * Panels of a plan laid flat with the least strain, as pieces with their seams: grain runs along the limb.
 *
 * @param limit what the material gives, as a share: where a panel is pulled farther, its largest strain is made as small as it gets
 */
export function panelsFlat(skin: LimbSkin, plan: PanelPlan, limit: number): Parsed<PanelsFlat> {
	const mesh = panelMesh(skin, plan);
	if (!mesh.ok) return mesh;
	const { surface, cut, panelOf } = mesh.value;
	const done = flatten(surface, cut.slice(), { limit, press: true, propose: false });
	if (!done.ok) return done;
	const panel = (flat: Flat) => panelOf[flat.patch.faces[0]!]!;
	const times = new Map<number, number>();
	const pieces = piecesOfFlat(surface, done.value, {
		piece: (flat) => {
			const index = panel(flat);
			const n = (times.get(index) ?? 0) + 1;
			times.set(index, n);
			const { name } = plan.panels[index]!;
			return { name: n > 1 ? `${name} ${n}` : name, turn: uprightTurn(skin, mesh.value, flat), grain: 90 };
		}
	});
	return good({
		...pieces,
		mesh: mesh.value,
		flattened: done.value,
		panelOf: done.value.flats.map(panel),
		seamLength: pieces.seams.reduce((sum, s) => sum + s.length, 0)
	});
}

/** By how much a piece is turned so that the way up along the limb, averaged over its faces, is up on the sheet: radians. */
function uprightTurn({ limb }: LimbSkin, { surface }: PanelMesh, flat: Flat): number {
	const { patch, at } = flat;
	// A least-squares fit of how high points lie on the body by where they lie on the sheet.
	const up = (v: number) =>
		-surface.vertices[v]!.reduce((sum, c, i) => sum + (c - limb.begins[i]!) * limb.axis[i]!, 0);
	const n = patch.vertices.length;
	const mean = [0, 0, 0];
	patch.vertices.forEach((v, p) => {
		mean[0]! += at[2 * p]! / n;
		mean[1]! += at[2 * p + 1]! / n;
		mean[2]! += up(v) / n;
	});
	let [xx, xy, yy, xu, yu] = [0, 0, 0, 0, 0];
	patch.vertices.forEach((v, p) => {
		const [a, b, u] = [at[2 * p]! - mean[0]!, at[2 * p + 1]! - mean[1]!, up(v) - mean[2]!];
		xx += a * a;
		xy += a * b;
		yy += b * b;
		xu += a * u;
		yu += b * u;
	});
	const over = xx * yy - xy * xy;
	const [x, y] = [(xu * yy - yu * xy) / over, (yu * xx - xu * xy) / over];
	return Math.PI / 2 - Math.atan2(y, x);
}

/** A dart that could be taken, and what it does to the panels. */
export interface DartTried {
	dart: Dart;
	plan: PanelPlan;
	before: { max: number; pieces: number; seams: number };
	after: { max: number; pieces: number; seams: number };
}

/** Tips are tried at these shares of the way from the border to the place that is pulled most, and a little beyond it. */
const REACH = [0.6, 0.85, 1];

/**
 * The dart that lowers the largest strain of a panel most, from the ones towards where it is scaled most; null where none helps.
 *
 * @param panel the index of a panel in the plan
 * @param limit what the material gives
 */
export function bestDart(skin: LimbSkin, plan: PanelPlan, panel: number, limit: number): DartTried | null {
	/** The panel by itself: its seams with others do not change. */
	const alone = (darts: readonly Dart[]): PanelPlan => ({
		...plan,
		panels: [plan.panels[panel]!],
		darts: darts.map((d) => ({ ...d, panel: 0 }))
	});
	const own = plan.darts.filter((d) => d.panel === panel);
	const laid = panelsFlat(skin, alone(own), limit);
	if (!laid.ok) return null;
	const now = laid.value;
	const told = (its: PanelsFlat) => ({
		max: Math.max(0, ...its.strains.map((s) => s.max)),
		pieces: its.pieces.length,
		seams: its.seamLength
	});
	const before = told(now);
	const flat = now.flattened.flats.reduce((a, b) => (b.strains().max > a.strains().max ? b : a));
	const { points } = now.mesh;
	const tip = flat.extreme();
	if (tip === null) return null;
	const place = (p: number) => points[flat.patch.vertices[p]!]!;
	const border = flat.patch.borders.reduce((a, b) => (b.length > a.length ? b : a));
	// The nearest places of the border in six directions.
	const [tx, ty] = [flat.at[2 * tip]!, flat.at[2 * tip + 1]!];
	const nearest = new Map<number, { p: number; d: number }>();
	for (const p of border) {
		const [x, y] = [flat.at[2 * p]! - tx, flat.at[2 * p + 1]! - ty];
		const sector = Math.floor(((Math.atan2(y, x) + Math.PI) / (2 * Math.PI)) * 6);
		const d = Math.hypot(x, y);
		if (d < (nearest.get(sector)?.d ?? Infinity)) nearest.set(sector, { p, d });
	}
	let best: DartTried | null = null;
	for (const { p } of nearest.values())
		for (const reach of REACH) {
			const [from, to] = [place(p), place(tip)];
			const dart: Dart = {
				panel,
				from: { level: from.level, turn: from.turn },
				tip: {
					level: from.level + (to.level - from.level) * reach,
					turn: from.turn + (to.turn - from.turn) * reach
				}
			};
			const done = panelsFlat(skin, alone([...own, dart]), limit);
			if (!done.ok || done.value.flattened.overlapping || done.value.pieces.length > before.pieces) continue;
			const after = told(done.value);
			if (after.max < before.max * 0.97 && after.max < (best?.after.max ?? Infinity))
				best = { dart, plan: { ...plan, darts: [...plan.darts, dart] }, before, after };
		}
	return best;
}
