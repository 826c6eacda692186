import type { BodyPoint, Corners, PanelPlan } from '../../facts/panelPlan.ts';
import { within } from './mesh.ts';
import { type LimbSkin, unrolled } from './surface.ts';
import { mirror, turnedBy, turnsTo } from './turns.ts';

/** How a line is drawn on: the shortest way on the surface, along a level, or upright as straight grain lies. */
export const DRAWN_RUNS = ['shortest', 'level', 'upright'] as const;
export type DrawnRun = (typeof DRAWN_RUNS)[number];

/** What is drawn is kept to such steps: a hundredth of the way between levels, half a degree. */
const rounded = ({ level, turn }: BodyPoint): BodyPoint => ({
	level: Math.round(level * 100) / 100,
	turn: Math.round(turn * 2) / 2
});

/** A corner more: turns go on from the last one, the shorter way; along a level or upright it stays on the line of the last. */
export function drawnOn(corners: Corners, to: BodyPoint, run: DrawnRun): Corners {
	const last = corners.at(-1);
	if (!last) return [{ ...rounded(to), runs: 'shortest' }];
	const near = rounded({ ...to, turn: to.turn + turnsTo(to.turn, last.turn) });
	return [
		...corners.slice(0, -1),
		{ ...last, runs: run === 'shortest' ? 'shortest' : 'even' },
		{
			level: run === 'level' ? last.level : near.level,
			turn: run === 'upright' ? last.turn : near.turn,
			runs: 'shortest'
		}
	];
}

/** The same outline on the wearer's other side, run the other way. */
export const mirrored = (points: Corners): Corners =>
	points
		.map((p, i) => {
			const { runs, eases } = points[(i - 1 + points.length) % points.length]!;
			return { ...mirror(p), runs, ...(eases === undefined ? {} : { eases }) };
		})
		.reverse();

/** Corners no farther than this from the middle of front or back lie on it, degrees. */
const MIDDLE = 3;
/** The corners brought to lie on one side of the middle; null where they lie on both sides of it. */
function beside(corners: Corners): Corners | null {
	let left = 0;
	let right = 0;
	const brought = corners.map((p) => {
		const middle = 90 + 180 * Math.round((p.turn - 90) / 180);
		if (Math.abs(p.turn - middle) <= MIDDLE) return { ...p, turn: middle };
		if (Math.cos((p.turn * Math.PI) / 180) > 0) left++;
		else right++;
		return p;
	});
	return left && right ? null : brought;
}

/**
 * A plan with the panel that was drawn, and with `both` its mirror image on the other side of the middle: what touches the middle meets
 * there in a seam. Null where it lies on both sides already.
 */
export function withPanel(plan: PanelPlan, corners: Corners, both: boolean): PanelPlan | null {
	const name = `panel ${plan.panels.length + 1}`;
	const add = (...panels: PanelPlan['panels']) => ({ ...plan, panels: [...plan.panels, ...panels] });
	if (!both) return add({ name, points: corners });
	const its = beside(corners);
	if (!its) return null;
	const isLeft = its.some((p) => Math.cos((p.turn * Math.PI) / 180) > 0.01);
	return add(
		{ name: `${name}, ${isLeft ? 'left' : 'right'}`, points: its },
		{ name: `${name}, ${isLeft ? 'right' : 'left'}`, points: mirrored(its) }
	);
}

/** Turned on by whole turns so that it lies as near as it can to a panel. */
function turnedTo(point: BodyPoint, corners: Corners): BodyPoint {
	const middle = corners.reduce((sum, p) => sum + p.turn, 0) / corners.length;
	return { level: point.level, turn: point.turn + turnsTo(point.turn, middle) };
}

/** A plan with a dart from the border nearest to one place to another place, in the panel where that lies; null outside of all. */
export function withDart(skin: LimbSkin, plan: PanelPlan, from: BodyPoint, to: BodyPoint): PanelPlan | null {
	const flat = (p: BodyPoint) => unrolled(skin, p);
	const panel = plan.panels.findIndex(({ points }) => within(flat(turnedTo(to, points)), points.map(flat)));
	if (panel < 0) return null;
	const { points } = plan.panels[panel]!;
	const tip = rounded(turnedTo(to, points));
	const begin = rounded({ ...from, turn: from.turn + turnsTo(from.turn, tip.turn) });
	return { ...plan, darts: [...plan.darts, { panel, from: begin, tip }] };
}

/** A corner moved, with those of other panels that lie in the same place: their seam stays one line. */
export function withCornerAt(plan: PanelPlan, panel: number, corner: number, to: BodyPoint): PanelPlan {
	const was = plan.panels[panel]!.points[corner]!;
	return {
		...plan,
		panels: plan.panels.map((its) => ({
			...its,
			points: its.points.map((p) => {
				const by = turnedBy(was, p);
				return by === null ? p : { ...p, level: to.level, turn: to.turn + by };
			})
		}))
	};
}
