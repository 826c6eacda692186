import {
	type BodyPoint,
	type Corners,
	type Dart,
	MOST_PANELS,
	type Panel,
	type PanelPlan
} from '../../facts/panelPlan.ts';
import { isBeyond } from '../../trade/laidFlat.ts';
import { sidesOf, within } from './mesh.ts';
import { panelsFlat, type PanelsFlat } from './panels.ts';
import { type LimbSkin, unrolled } from './surface.ts';
import { turnedBy } from './turns.ts';

/** A cut in from the border, a piece let in there, or a seam across. */
export const RELIEFS = ['dart', 'gusset', 'seam'] as const;
export type ReliefKind = (typeof RELIEFS)[number];

/** How far a panel is pulled at most, of how many pieces it is, and the seams in it, mm: by itself, without those to its neighbours. */
export interface ReliefFigures {
	max: number;
	pieces: number;
	seams: number;
}
/** What could be done to a panel that is pulled too far, and what it comes to. */
export interface Relief {
	kind: ReliefKind;
	panel: number;
	plan: PanelPlan;
	before: ReliefFigures;
	after: ReliefFigures;
	/** By how much more there is to join, mm. */
	joins: number;
}

/** A place on the border of a panel: so many steps along one of its sides. */
interface RimPlace {
	side: number;
	step: number;
	at: BodyPoint;
}
const rimOf = (skin: LimbSkin, panel: Panel): RimPlace[] =>
	sidesOf(skin, panel).flatMap((points, side) => points.slice(0, -1).map((at, step) => ({ side, step, at })));

const same = (a: BodyPoint, b: BodyPoint) => turnedBy(a, b) === 0;

/** A corner more where a border is: on both sides of its seam, so that they stay one line. */
function withCorner(plan: PanelPlan, panel: number, { side, step, at }: RimPlace): PanelPlan {
	if (step === 0) return plan;
	const its = plan.panels[panel]!.points;
	const [from, to] = [its[side]!, its[(side + 1) % its.length]!];
	return {
		...plan,
		panels: plan.panels.map((other) => ({
			...other,
			points: other.points.flatMap((p, i) => {
				const next = other.points[(i + 1) % other.points.length]!;
				for (const [a, b] of [
					[from, to],
					[to, from]
				] as const) {
					const by = turnedBy(a, p);
					if (by !== null && by === turnedBy(b, next))
						return [p, { ...p, level: at.level, turn: at.turn + by }];
				}
				return [p];
			})
		}))
	};
}

/** A name that no panel has yet. */
function freeName(plan: PanelPlan, wanted: string): string {
	const taken = new Set(plan.panels.map((p) => p.name));
	for (let n = 1; ; n++) {
		const end = n > 1 ? ` ${n}` : '';
		const name = wanted.slice(0, 60 - end.length) + end;
		if (!taken.has(name)) return name;
	}
}

/**
 * A panel in two, along a line from one place of its border over a point within to another place: what lies from the first on to the
 * second becomes a panel of its own, at the end of the plan.
 */
function parted(
	skin: LimbSkin,
	plan: PanelPlan,
	panel: number,
	line: { from: RimPlace; over: BodyPoint; to: RimPlace },
	name: (of: string) => string
): PanelPlan {
	// From behind, so that the sides before keep their numbers.
	const [first, last] =
		line.from.side > line.to.side || (line.from.side === line.to.side && line.from.step > line.to.step)
			? [line.to, line.from]
			: [line.from, line.to];
	const cornered = withCorner(withCorner(plan, panel, last), panel, first);
	const its = cornered.panels[panel]!;
	const place = ({ at }: RimPlace) => its.points.findIndex((p) => same(p, at));
	const [i, k] = [place(line.from), place(line.to)];
	const run = (from: number, to: number): Corners => {
		const n = its.points.length;
		return Array.from({ length: (to - from + n) % n }, (_, s) => its.points[(from + s) % n]!);
	};
	const even = ({ level, turn }: BodyPoint) => ({ level, turn, runs: 'even' as const });
	const own = [...run(k, i), even(its.points[i]!), even(line.over)];
	const other = [...run(i, k), even(its.points[k]!), even(line.over)];
	const flat = (p: BodyPoint) => unrolled(skin, p);
	const ring = sidesOf(skin, { ...its, points: other }).flatMap((side) => side.slice(0, -1).map(flat));
	return {
		...cornered,
		panels: [
			...cornered.panels.map((p, at) => (at === panel ? { ...p, points: own } : p)),
			{ name: freeName(plan, name(its.name)), points: other }
		],
		darts: plan.darts.map((d) =>
			d.panel === panel && within(flat(d.tip), ring) ? { ...d, panel: plan.panels.length } : d
		)
	};
}

/** Some panels of a plan by themselves. */
function alone(plan: PanelPlan, panels: readonly number[]): PanelPlan {
	return {
		...plan,
		panels: panels.map((i) => plan.panels[i]!),
		darts: plan.darts
			.filter((d) => panels.includes(d.panel))
			.map((d) => ({ ...d, panel: panels.indexOf(d.panel) }))
	};
}

/** Darts and gussets end at these shares of the way from the border to the place that is pulled most. */
const REACH = [0.6, 0.85, 1];
const DIRECTIONS = 6;
/** A gusset opens so many steps of the border to either side. */
const OPENS = 2;
/** What helps less than this is not worth the work. */
const HELPS = 0.97;

/**
 * What could be done to a panel: of each kind what lowers its largest strain most; first what brings it within the limit with the least to join. Cuts go from the nearest places of
 * the border, in six directions, towards where the panel is scaled most.
 *
 * @param panel the index of a panel in the plan
 * @param limit what the material gives
 * @param progress called with the share of what was tried
 */
export function reliefs(
	skin: LimbSkin,
	plan: PanelPlan,
	panel: number,
	limit: number,
	progress?: (share: number) => void
): Relief[] {
	const laid = panelsFlat(skin, alone(plan, [panel]), limit);
	if (!laid.ok) return [];
	const now = laid.value;
	const told = (its: PanelsFlat): ReliefFigures => ({
		max: Math.max(0, ...its.strains.map((s) => s.max)),
		pieces: its.pieces.length,
		seams: its.seamLength
	});
	const before = told(now);
	const flat = now.flattened.flats.reduce((a, b) => (b.strains().max > a.strains().max ? b : a));
	const tip = flat.extreme();
	if (tip === null) return [];
	const over = now.mesh.points[flat.patch.vertices[tip]!]!;
	const rim = rimOf(skin, plan.panels[panel]!);
	// The nearest places of the border in each direction on the sheet.
	const nearest: ({ place: number; far: number } | undefined)[] = Array.from({ length: DIRECTIONS });
	const border = flat.patch.borders.reduce((a, b) => (b.length > a.length ? b : a));
	for (const p of border) {
		const at = now.mesh.points[flat.patch.vertices[p]!]!;
		const place = rim.findIndex((r) => turnedBy(r.at, at) !== null);
		if (place < 0) continue;
		const [x, y] = [flat.at[2 * p]! - flat.at[2 * tip]!, flat.at[2 * p + 1]! - flat.at[2 * tip + 1]!];
		const direction = Math.floor(((Math.atan2(y, x) + Math.PI) / (2 * Math.PI)) * DIRECTIONS) % DIRECTIONS;
		const far = Math.hypot(x, y);
		if (far < (nearest[direction]?.far ?? Infinity)) nearest[direction] = { place, far };
	}
	const towards = ({ level, turn }: BodyPoint, reach: number): BodyPoint => ({
		level: level + (over.level - level) * reach,
		turn: turn + (over.turn - turn) * reach
	});
	const ways: { kind: ReliefKind; plan: () => PanelPlan }[] = [];
	for (const [i, n] of nearest.entries()) {
		if (!n) continue;
		const from = rim[n.place]!;
		const beside = (by: number) => rim[(n.place + by + rim.length) % rim.length]!;
		for (const reach of REACH) {
			const { level, turn } = from.at;
			const dart: Dart = { panel, from: { level, turn }, tip: towards(from.at, reach) };
			ways.push({ kind: 'dart', plan: () => ({ ...plan, darts: [...plan.darts, dart] }) });
		}
		for (const reach of REACH.slice(1)) {
			const gusset = { from: beside(-OPENS), over: towards(from.at, reach), to: beside(OPENS) };
			ways.push({
				kind: 'gusset',
				plan: () => parted(skin, plan, panel, gusset, (of) => `gusset in ${of}`)
			});
		}
		for (const m of nearest.slice(i + 2, i + DIRECTIONS - 1))
			if (m)
				ways.push({
					kind: 'seam',
					plan: () =>
						parted(skin, plan, panel, { from, over, to: rim[m.place]! }, (of) => `${of}, other part`)
				});
	}
	const best = new Map<ReliefKind, Relief>();
	ways.forEach(({ kind, plan: made }, tried) => {
		progress?.(tried / ways.length);
		const its = made();
		if (its.panels.length > MOST_PANELS) return;
		const parts = its.panels.length > plan.panels.length ? [panel, its.panels.length - 1] : [panel];
		const done = panelsFlat(skin, alone(its, parts), limit);
		if (!done.ok || done.value.flattened.overlapping) return;
		const after = told(done.value);
		if (after.pieces > before.pieces + parts.length - 1) return;
		if (after.max >= before.max * HELPS || after.max >= (best.get(kind)?.after.max ?? Infinity)) return;
		best.set(kind, { kind, panel, plan: its, before, after, joins: after.seams - before.seams });
	});
	// What is within the limit is good enough: there the least to join counts.
	const beyond = ({ after }: Relief) => (isBeyond(after.max, limit) ? after.max : 0);
	return [...best.values()].sort((a, b) => beyond(a) - beyond(b) || a.joins - b.joins);
}
