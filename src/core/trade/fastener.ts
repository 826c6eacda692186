import type { Join } from '../facts/wear.ts';
import type { TechniqueKey } from '../facts/step.ts';

/** What of a fastener its work counts: each, its length, or each ten centimetres of it. */
export const COUNTED = ['each', 'length', 'decimetre', 'join'] as const;
export type Counted = (typeof COUNTED)[number];
/** What of a fastener bears: each, each cm² of it, or each cm of its width. */
export const BEARS_BY = ['each', 'cm2', 'cmWidth'] as const;
export type BearsBy = (typeof BEARS_BY)[number];

export interface Fastener {
	name: string;
	/** The work that sets it: its minutes and what it uses up follow. */
	technique: TechniqueKey;
	counted: Counted;
	/** N along its face, and straight off it, in one of `shearBy` and `pullBy`. */
	shear: number;
	shearBy: BearsBy;
	pull: number;
	pullBy: BearsBy;
	/** g of one, of a metre, or of ten centimetres, as it is counted. */
	grams: number;
	/** Of plain steel: it rusts in the wash. */
	steel: boolean;
	/** Held by its own glue. */
	selfAdhesive: boolean;
	/** A strap that is held on what it pulls. */
	strap: boolean;
	source: string;
}

const PRACTICE = 'common practice';
const MEMORY = 'starting value, from memory';
const fastener = (
	name: string,
	technique: TechniqueKey,
	counted: Counted,
	[shear, shearBy]: readonly [number, BearsBy],
	[pull, pullBy]: readonly [number, BearsBy],
	grams: number,
	more: Partial<Fastener> = {}
): Fastener => ({
	name,
	technique,
	counted,
	shear,
	shearBy,
	pull,
	pullBy,
	grams,
	steel: false,
	selfAdhesive: false,
	strap: false,
	source: MEMORY,
	...more
});

/** Ways to hold a thing to a body or another. What they bear is from memory: a test of one’s own decides. */
export const FASTENERS = {
	hookAndLoop: fastener('hook-and-loop', 'hookAndLoop', 'decimetre', [7, 'cm2'], [3, 'cmWidth'], 4, {
		source: PRACTICE
	}),
	hookAndLoopGlued: fastener(
		'self-adhesive hook-and-loop',
		'hookAndLoop',
		'decimetre',
		[3, 'cm2'],
		[1.5, 'cmWidth'],
		5,
		{ selfAdhesive: true }
	),
	snap: fastener('snaps', 'snap', 'each', [15, 'each'], [15, 'each'], 1.5, { source: PRACTICE }),
	magnet: fastener('magnets, 10 × 3 mm', 'magnet', 'each', [3, 'each'], [15, 'each'], 3.6, {
		source: PRACTICE
	}),
	buckle: fastener('buckle and webbing', 'buckle', 'each', [300, 'each'], [300, 'each'], 25, {
		strap: true,
		source: PRACTICE
	}),
	elastic: fastener('elastic, 25 mm', 'elastic', 'length', [10, 'each'], [10, 'each'], 12, {
		source: 'common practice, at half its stretch'
	}),
	lacing: fastener('lacing', 'eyelet', 'each', [40, 'each'], [40, 'each'], 1),
	zip: fastener('zip', 'closure', 'join', [100, 'each'], [100, 'each'], 15),
	hooks: fastener('hooks and eyes', 'closure', 'join', [15, 'each'], [5, 'each'], 1, { steel: true }),
	tape: fastener('double-sided tape', 'attach', 'join', [1, 'cm2'], [0.5, 'cmWidth'], 1, {
		selfAdhesive: true
	}),
	pin: fastener('safety pins', 'attach', 'join', [20, 'each'], [20, 'each'], 1.5, { steel: true }),
	/** Parts of a pole, one over the other, with a pin through both. */
	sleeve: fastener('sleeve and pin', 'sleeve', 'each', [200, 'each'], [100, 'each'], 60),
	glue: fastener('glue', 'cement', 'length', [15, 'cm2'], [4, 'cmWidth'], 0)
} as const satisfies Record<string, Fastener>;

type Sized = Pick<Join, 'count' | 'widthMm' | 'lengthMm'>;

/** What so many of a size are of what bears, or is worked on. */
const sizes: Record<BearsBy | Counted, (join: Sized) => number> = {
	each: ({ count }) => count,
	cm2: ({ count, widthMm, lengthMm }) => (count * widthMm * lengthMm) / 100,
	cmWidth: ({ count, widthMm }) => (count * widthMm) / 10,
	length: ({ count, lengthMm }) => count * lengthMm,
	decimetre: ({ count, lengthMm }) => (count * lengthMm) / 100,
	join: () => 1
};

/** So many of what bears it. */
export const bearing = (join: Sized, by: BearsBy): number => sizes[by](join);

/** N that a join bears along its face and straight off it. */
export const capacityOf = (join: Sized, { shear, shearBy, pull, pullBy }: Fastener) => ({
	shear: shear * bearing(join, shearBy),
	pull: pull * bearing(join, pullBy)
});

/** What the step that sets it does: mm, or a count. */
export const workOf = (join: Sized, { counted }: Pick<Fastener, 'counted'>): number => sizes[counted](join);

/** g of all of it. */
export const gramsOf = (join: Sized, { counted, grams }: Pick<Fastener, 'counted' | 'grams'>): number =>
	counted === 'length'
		? (grams * sizes.length(join)) / 1000
		: counted === 'join'
			? grams * join.count
			: grams * sizes[counted](join);

const NOT_THERE: Fastener = { ...FASTENERS.glue, name: 'fastener not in the handbook' };
export const fastenerOf = (fasteners: Readonly<Record<string, Fastener>>, key: string): Fastener =>
	fasteners[key] ?? NOT_THERE;
