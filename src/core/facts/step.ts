import type { LocalMinutes } from '../units/localTime.ts';

/** Where in the making a step lies; a component's stage follows from the first undone one. */
export const PHASES = ['pattern', 'make', 'finish', 'rig', 'fit'] as const;
export type Phase = (typeof PHASES)[number];

/** Of a row of the handbook. */
export type TechniqueKey = string;

/** Hands-on work with its waiting time. */
export interface Step {
	id: number;
	componentId: number;
	position: number;
	name: string;
	technique: TechniqueKey;
	phase: Phase;
	/** Driver amount for one copy: mm, mm² or a count. */
	amount: number;
	/** The amount is that of the component's pieces. */
	fromPieces: boolean;
	/** What of the pieces it takes, where that is not what its technique follows. */
	takes: string | null;
	/** The amount is a starting value that nobody has looked at. */
	guessed: boolean;
	/** What it was as a starting value; null for what was entered. */
	guess: number | null;
	/** Done for every copy, or once for all (a pattern serves both sides). */
	perCopy: boolean;
	/** Fixed minutes before the first piece: masking up, laying out. */
	setUpMinutes: number;
	/** Waiting after the hands-on work, around the clock. */
	waitMinutes: number;
	/** Recoat window: starts within so many minutes of the step before … */
	withinMinutes: number | null;
	/** … or only after so many. Between the two it would spoil. */
	orAfterMinutes: number | null;
	oneSitting: boolean;
	needsHelper: boolean;
	placeId: number | null;
	coatId: number | null;
	faultId: number | null;
	/** Steps of other components that must be done first, besides the one before it. */
	after: number[];
	doneAt: LocalMinutes | null;
	/** A start that is kept for it. */
	pinnedAt: LocalMinutes | null;
	version: number;
}

/** A step that hangs on nothing and that nobody has done: what is not said of one. */
export const PLAIN_STEP = {
	fromPieces: false,
	takes: null,
	guessed: false,
	guess: null,
	setUpMinutes: 0,
	waitMinutes: 0,
	withinMinutes: null,
	orAfterMinutes: null,
	oneSitting: false,
	needsHelper: false,
	placeId: null,
	coatId: null,
	faultId: null,
	after: [] as number[],
	doneAt: null,
	pinnedAt: null
} satisfies Partial<Step>;

/** Whether there is anything to do: a step of no amount is passed over, and done as soon as what comes before it is. */
export const hasWork = (step: Pick<Step, 'doneAt' | 'amount'>): boolean =>
	step.doneAt === null && step.amount > 0;
