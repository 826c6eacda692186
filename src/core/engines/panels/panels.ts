import type { PanelPlan } from '../../facts/panelPlan.ts';
import { good, type Parsed } from '../../units/problem.ts';
import type { Flat } from '../flatten/flat.ts';
import { flatten, type Flattened } from '../flatten/flatten.ts';
import { piecesOfFlat, type FlatPieces } from '../flatten/pieces.ts';
import { onFold } from './fold.ts';
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
	const laid = {
		...pieces,
		mesh: mesh.value,
		flattened: done.value,
		panelOf: done.value.flats.map(panel),
		seamLength: pieces.seams.reduce((sum, s) => sum + s.length, 0)
	};
	return good(plan.fold ? onFold(laid) : laid);
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
