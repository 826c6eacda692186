import { definitionOf, type MeasureKey, type MeasureSide } from '../../facts/bodyMeasure.ts';
import type { Point3 } from '../../units/point.ts';
import { ARM, FOOT, HAND, LEG, LENGTHS, MIDDLE_STATURE, type StandLevel, TRUNK } from './levels.ts';

/** Points round every section: chords of them are 2 in 10,000 shorter than the oval, and the oval is larger by as much. */
export const ROUND = 96;

/** What is known of a wearer: mm by measure and side. */
export type Measured = (key: MeasureKey, side: MeasureSide) => number | null;

/** Breadth to depth of a section as somebody said it, by level and side; null goes by the usual. */
export type SectionShapes = (level: string, side: MeasureSide) => number | null;

export type LimbName = 'trunk' | 'arm' | 'leg' | 'foot';

/** One section of a limb: an oval square to the axis. */
export interface Section {
	level: StandLevel;
	/** mm along the axis from where the limb begins. */
	along: number;
	girth: number;
	/** Half of its breadth and of its depth, mm. */
	wide: number;
	deep: number;
	/** Nobody measured it: it comes from proportion. */
	guessed: boolean;
}

/** A limb: ovals along a straight axis, joined by a smooth surface. x to the wearer's left, y up, z forward, mm. */
export interface Limb {
	name: LimbName;
	side: MeasureSide;
	begins: Point3;
	/** Along the axis, across it to the wearer's left, and the third: of length 1. */
	axis: Point3;
	across: Point3;
	forward: Point3;
	/** First to last along the axis. */
	sections: Section[];
	/** How far beyond its first and its last section it closes, mm. */
	ends: readonly [number, number];
	/** It rests on the ground along its axis: its sections stand on it. */
	rests: boolean;
}

/** What was asked for and cannot be as it is said. */
export interface Contradiction {
	measure: MeasureKey;
	/** What it is taken as, mm. */
	taken: number;
	because: 'order' | 'reach';
}

export interface Stand {
	stature: number;
	limbs: Limb[];
	/** Lengths that the form keeps, with what was wanted. */
	lengths: { measure: MeasureKey; side: MeasureSide; mm: number; guessed: boolean }[];
	contradictions: Contradiction[];
}

/** Of a length that is looked for: to a hundred-thousandth of a millimetre. */
const HALVINGS = 26;
/** Least between two levels, mm. */
const GAP = 10;
/** Arms hang a little away from the body. */
const AWAY = (14 * Math.PI) / 180;
/** Between the legs, mm. */
const BETWEEN = 8;

/** What was worked out once, by ratio: sections have the same few. */
const rounds = new Map<number, number>();

/** Round a polygon of `ROUND` corners on an ellipse of half-widths 1 and `ratio`. */
export function polygonRound(ratio: number): number {
	const known = rounds.get(ratio);
	if (known !== undefined) return known;
	let sum = 0;
	for (let i = 0; i < ROUND; i++) {
		const [a, b] = [(2 * Math.PI * i) / ROUND, (2 * Math.PI * (i + 1)) / ROUND];
		sum += Math.hypot(Math.cos(b) - Math.cos(a), ratio * (Math.sin(b) - Math.sin(a)));
	}
	rounds.set(ratio, sum);
	return sum;
}

function sectionOf(
	level: StandLevel,
	along: number,
	girth: number,
	guessed: boolean,
	breadthToDepth = level.breadthToDepth
): Section {
	const ratio = 1 / breadthToDepth;
	const wide = girth / polygonRound(ratio);
	return { level, along, girth, wide, deep: wide * ratio, guessed };
}

/**
 * The body form of a wearer: girths as measured, what nobody measured by proportion to what was, and marked. Measures that contradict
 * each other are taken as near as a body can be to them, and told.
 */
export function standOf(measured: Measured, shapes: SectionShapes = () => null): Stand {
	const shapeOf = (level: StandLevel, side: MeasureSide) => shapes(level.name, side) ?? level.breadthToDepth;
	const lengths: Stand['lengths'] = [];
	const contradictions: Contradiction[] = [];
	const known = (key: MeasureKey) => measured(key, 'none');
	const either = (key: MeasureKey, side: MeasureSide) =>
		measured(key, side) ?? measured(key, side === 'left' ? 'right' : 'left');
	const stature =
		(known('stature') ??
			Math.max(
				...(['left', 'right'] as const).map((s) => (measured('insideLeg', s) ?? 0) / LENGTHS.insideLeg)
			)) ||
		MIDDLE_STATURE;
	const kept = (measure: MeasureKey, side: MeasureSide, mm: number, guessed: boolean) =>
		void lengths.push({ measure, side, mm, guessed });
	kept('stature', 'none', stature, known('stature') === null);

	/** How much stouter than the middle: the mean, of logarithms, of all girths that are known. */
	const factors = [...TRUNK, ...ARM, ...HAND, ...LEG, ...FOOT].flatMap(({ measure, girth }) => {
		if (!measure) return [];
		const mm = definitionOf(measure).sided ? either(measure, 'left') : known(measure);
		return mm === null ? [] : [Math.log(mm / (girth * stature))];
	});
	const stout = factors.length ? Math.exp(factors.reduce((a, b) => a + b, 0) / factors.length) : 1;
	const girthOf = (level: StandLevel, side: MeasureSide): [number, boolean] => {
		const sided = level.measure !== null && definitionOf(level.measure).sided;
		const own = level.measure && measured(level.measure, sided ? side : 'none');
		// The other side tells more than proportion does.
		const other = own ?? (level.measure && sided ? either(level.measure, side) : null);
		return [other ?? level.girth * stature * stout, own === null];
	};

	// Heights: what is measured from the floor or the crown stands, the rest is in proportion between.
	const inside = Math.max(...(['left', 'right'] as const).map((s) => measured('insideLeg', s) ?? 0));
	const crotch = Math.min(inside || LENGTHS.insideLeg * stature, stature * 0.6);
	if (inside && crotch < inside)
		contradictions.push({ measure: 'insideLeg', taken: crotch, because: 'reach' });
	kept('insideLeg', 'none', crotch, !inside);
	const above = (stature - crotch) / (1 - LENGTHS.insideLeg) / stature;
	const heightOf = (at: number) => crotch + (at - LENGTHS.insideLeg) * stature * above;
	const heights = new Map(TRUNK.map((l) => [l.name, heightOf(l.at)]));
	const head = known('headLength');
	if (head) {
		heights.set('chin', stature - head);
		heights.set('head', stature - 0.42 * head);
		kept('headLength', 'none', head, false);
	}
	const trunk = (): Limb => ({
		name: 'trunk',
		side: 'none',
		begins: [0, stature, 0],
		axis: [0, -1, 0],
		across: [1, 0, 0],
		forward: [0, 0, 1],
		sections: TRUNK.map((level) => {
			const [girth, guessed] = girthOf(level, 'none');
			const along = stature - heights.get(level.name)!;
			const ratio = shapeOf(level, 'none');
			if (level.name !== 'shoulders') return sectionOf(level, along, girth, guessed, ratio);
			// As wide as neck and shoulders are.
			const shoulder = either('shoulderLength', 'left');
			const neck =
				girthOf(
					TRUNK.find((l) => l.name === 'neck')!,
					'none'
				)[0] /
				2 /
				Math.PI;
			const wide = neck + (shoulder ?? LENGTHS.shoulderLength * stature * stout) * Math.cos(AWAY);
			return sectionOf(level, along, wide * polygonRound(1 / ratio), shoulder === null, ratio);
		}),
		ends: [0, 0],
		rests: false
	});

	// Down the back from the neck to the waist, and down the side from the waist to the hips: along the surface.
	const solve = (measure: MeasureKey, moving: string, from: string, to: string, axis: 'wide' | 'deep') => {
		const mm = known(measure);
		const fixed = moving === from ? to : from;
		const sign = moving === from ? 1 : -1;
		const run = () => pathAlong(trunk(), from, to, axis);
		if (mm === null) return kept(measure, 'none', run(), true);
		let [near, far] = [GAP, mm];
		for (let i = 0; i < HALVINGS; i++) {
			const middle = (near + far) / 2;
			heights.set(moving, heights.get(fixed)! + sign * middle);
			spread(moving, from, to);
			if (run() < mm) near = middle;
			else far = middle;
		}
		kept(measure, 'none', run(), false);
		if (Math.abs(run() - mm) > 0.5) contradictions.push({ measure, taken: run(), because: 'reach' });
	};
	/** Levels between two that moved keep their shares of the way. */
	const spread = (_: string, from: string, to: string) => {
		const names = TRUNK.map((l) => l.name);
		const [i, j] = [names.indexOf(from), names.indexOf(to)];
		const [a, b] = [TRUNK[i]!.at, TRUNK[j]!.at];
		for (let k = i + 1; k < j; k++) {
			const share = (a - TRUNK[k]!.at) / (a - b);
			heights.set(names[k]!, heights.get(from)! + (heights.get(to)! - heights.get(from)!) * share);
		}
	};
	solve('waistToHip', 'waist', 'waist', 'hips', 'wide');
	solve('backWaistLength', 'neck', 'neck', 'waist', 'deep');
	for (let i = 1; i < TRUNK.length; i++) {
		const [upper, lower] = [TRUNK[i - 1]!.name, TRUNK[i]!.name];
		if (heights.get(upper)! - heights.get(lower)! >= GAP) continue;
		heights.set(lower, heights.get(upper)! - GAP);
		const measure = TRUNK[i]!.measure;
		if (measure) contradictions.push({ measure, taken: heights.get(lower)!, because: 'order' });
	}
	const body = trunk();
	body.ends = [body.sections[0]!.along, 20];

	const limbs: Limb[] = [body];
	const shoulders = body.sections.find((s) => s.level.name === 'shoulders')!;
	for (const side of ['left', 'right'] as const) {
		const out = side === 'left' ? 1 : -1;
		const length = (key: keyof typeof LENGTHS): number => {
			const own = measured(key, side);
			const mm = either(key, side) ?? LENGTHS[key] * stature;
			kept(key, side, mm, own === null);
			return mm;
		};
		const [arm, hand, foot] = [length('armLength'), length('handLength'), length('footLength')];
		const along = (level: StandLevel, at: number) =>
			sectionOf(level, at, ...girthOf(level, side), shapeOf(level, side));
		limbs.push({
			name: 'arm',
			side,
			begins: [out * shoulders.wide, stature - shoulders.along, 0],
			axis: [out * Math.sin(AWAY), -Math.cos(AWAY), 0],
			across: [Math.cos(AWAY), out * Math.sin(AWAY), 0],
			forward: [0, 0, 1],
			sections: [...ARM.map((l) => along(l, l.at * arm)), ...HAND.map((l) => along(l, arm + l.at * hand))],
			ends: [30, 0.45 * hand],
			rests: false
		});
		const thigh = along(LEG[0]!, 0);
		const x = out * (thigh.wide + BETWEEN / 2);
		const down = (at: number) => crotch - (at / LENGTHS.insideLeg) * crotch;
		limbs.push({
			name: 'leg',
			side,
			begins: [x, crotch, 0],
			axis: [0, -1, 0],
			across: [1, 0, 0],
			forward: [0, 0, 1],
			sections: LEG.map((l) => along(l, down(l.at))),
			ends: [down(LEG[0]!.at) + 30, down(0) - down(LEG.at(-1)!.at)],
			rests: false
		});
		limbs.push({
			name: 'foot',
			side,
			begins: [x, 0, -0.27 * foot],
			axis: [0, 0, 1],
			across: [1, 0, 0],
			forward: [0, 1, 0],
			sections: FOOT.map((l) => along(l, l.at * foot)),
			ends: [FOOT[0]!.at * foot, (1 - FOOT.at(-1)!.at) * foot],
			rests: true
		});
	}
	return { stature, limbs, lengths, contradictions };
}

/** Half of breadth or depth at a place of the axis, from that of the sections. */
export const profile = (limb: Limb, of: 'wide' | 'deep'): ((along: number) => number) =>
	through(
		limb.sections.map((s) => s.along),
		limb.sections.map((s) => s[of])
	);

/** A monotone cubic through values at growing places, level before the first and after the last (Fritsch and Carlson 1980). */
export function through(xs: readonly number[], ys: readonly number[]): (x: number) => number {
	const n = xs.length;
	const slopes = xs.slice(1).map((x, i) => (ys[i + 1]! - ys[i]!) / (x - xs[i]!));
	const tangents = ys.map((_, i) =>
		i === 0 || i === n - 1 || slopes[i - 1]! * slopes[i]! <= 0 ? 0 : 2 / (1 / slopes[i - 1]! + 1 / slopes[i]!)
	);
	return (along) => {
		if (along <= xs[0]!) return ys[0]!;
		if (along >= xs[n - 1]!) return ys[n - 1]!;
		const i = xs.findIndex((x, k) => along >= x && along <= xs[k + 1]!);
		const h = xs[i + 1]! - xs[i]!;
		const t = (along - xs[i]!) / h;
		const [t2, t3] = [t * t, t * t * t];
		return (
			(2 * t3 - 3 * t2 + 1) * ys[i]! +
			(t3 - 2 * t2 + t) * h * tangents[i]! +
			(3 * t2 - 2 * t3) * ys[i + 1]! +
			(t3 - t2) * h * tangents[i + 1]!
		);
	};
}

/** Along the surface from one section to another, down the middle of the back or down a side, mm. */
function pathAlong(limb: Limb, from: string, to: string, of: 'wide' | 'deep'): number {
	const at = (name: string) => limb.sections.find((s) => s.level.name === name)!.along;
	const [a, b] = [at(from), at(to)];
	const out = profile(limb, of);
	const STEPS = 64;
	let sum = 0;
	let before = out(a);
	for (let i = 1; i <= STEPS; i++) {
		const now = out(a + ((b - a) * i) / STEPS);
		sum += Math.hypot((b - a) / STEPS, now - before);
		before = now;
	}
	return sum;
}
