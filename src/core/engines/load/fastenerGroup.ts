import { cross, dot, norm, plus, sub, times, type Vec } from '../../units/vec.ts';

export interface Fastener {
	id: string;
	/** mm: x outwards, y up, z forward; as all places here. */
	at: Vec;
	/** Across the face that it holds to, and straight off it, N. */
	capacityN: { shear: number; pull: number };
	/** Straight off its face, a unit vector; without one forward or backward, as the weight lies. */
	off?: Vec;
}
export interface HungBody {
	id: string;
	kg: number;
	/** Where its weight is. */
	centre: Vec;
	joins: readonly Fastener[];
}
export interface FastenerLoad {
	id: string;
	/** Of the join on the body, N. */
	force: Vec;
	/** Across, and off the face; 0 where it is pressed on. */
	shear: number;
	pull: number;
	/** Of what it bears: root of the squares of both shares. */
	share: number;
	holds: boolean;
}
export interface GroupLoad {
	joins: FastenerLoad[];
	/** A moment is left that these joins cannot take: it turns until it lies or hangs otherwise. */
	tips: boolean;
	/** What the joins are short of, N and N·mm. */
	residual: { force: number; moment: number };
}

/** m/s². Source: standard gravity, 3rd CGPM 1901. */
export const GRAVITY = 9.80665;
/** Of a moment, what is taken for nothing. */
const NOTHING = 1e-9;

const ZERO: Vec = [0, 0, 0];

/**
 * The line that all joins lie on, from their middle: a unit vector, null where they do not lie on one, and zero where they are one point.
 */
function lineOf(arms: readonly Vec[]): Vec | null {
	const longest = arms.reduce((a, b) => (norm(b) > norm(a) ? b : a), ZERO);
	const reach = norm(longest);
	if (reach < 1e-6) return ZERO;
	const along = times(longest, 1 / reach);
	return arms.every((arm) => norm(cross(along, arm)) <= 1e-6 * reach) ? along : null;
}

/** ω of Σ(|ρ|²E − ρρᵀ)·ω = M, by Cramer’s rule. */
function turnOf(arms: readonly Vec[], moment: Vec): Vec {
	const row = (i: number): Vec =>
		arms.reduce<Vec>((sum, arm) => {
			const r2 = dot(arm, arm);
			const unit = [0, 1, 2].map((k) => (k === i ? r2 : 0)) as unknown as Vec;
			return plus(sum, sub(unit, times(arm, arm[i]!)));
		}, ZERO);
	const [a, b, c] = [row(0), row(1), row(2)];
	const whole = dot(a, cross(b, c));
	// It is symmetrical: its rows are its columns.
	return [
		dot(moment, cross(b, c)) / whole,
		dot(a, cross(moment, c)) / whole,
		dot(a, cross(b, moment)) / whole
	];
}

/**
 * What each join of a body takes of its weight, by the elastic method for fastener groups: the direct share W ÷ n, and of the moment
 * about the middle of the joins ω × ρ, by how far each is from there. Equally stiff joins on something that does not give.
 * Source: any machine-design textbook; checked by an example of Shigley’s.
 *
 * @param body a join or more, capacities more than nothing
 * @param factor on the weight: 1 standing, 2 walking, 4 jumping
 */
export function groupLoad({ kg, centre, joins }: HungBody, factor: number): GroupLoad {
	const weight = kg * GRAVITY * factor;
	const middle = times(
		joins.reduce<Vec>((sum, j) => plus(sum, j.at), ZERO),
		1 / joins.length
	);
	const arms = joins.map((j) => sub(j.at, middle));
	const lever = sub(centre, middle);
	const up: Vec = [0, weight, 0];
	const moment = cross(lever, up);
	const line = lineOf(arms);
	// About the line of its joins nothing is held; about a single one nothing at all.
	const left = line === null ? ZERO : norm(line) === 0 ? moment : times(line, dot(moment, line));
	const held = sub(moment, left);
	const turn =
		line === null
			? turnOf(arms, held)
			: times(
					held,
					1 /
						Math.max(
							Number.MIN_VALUE,
							arms.reduce((sum, arm) => sum + dot(arm, arm), 0)
						)
				);
	const forces = arms.map((arm) =>
		plus(times(up, 1 / joins.length), norm(held) > 0 ? cross(turn, arm) : ZERO)
	);
	const missing = sub(up, forces.reduce(plus, ZERO));
	const unheld = sub(
		moment,
		forces.reduce<Vec>((sum, force, i) => plus(sum, cross(arms[i]!, force)), ZERO)
	);
	// What lies before its joins is pulled backwards by them, and what lies behind forwards.
	const outward: Vec = [0, 0, lever[2] < 0 ? -1 : 1];
	return {
		joins: joins.map(({ id, capacityN, off = outward }, i): FastenerLoad => {
			const force = forces[i]!;
			const straight = dot(force, off);
			const shear = norm(sub(force, times(off, straight)));
			const pull = Math.max(0, -straight);
			const share = Math.hypot(shear / capacityN.shear, pull / capacityN.pull);
			return { id, force, shear, pull, share, holds: share <= 1 };
		}),
		tips: norm(left) > NOTHING * Math.max(1, weight * norm(lever)),
		residual: { force: norm(missing), moment: norm(unheld) }
	};
}
