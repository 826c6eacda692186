import type { Component, Kind } from '../costume/component.ts';
import type { Step } from '../costume/step.ts';
import type { TechniqueKey } from '../costume/technique.ts';
import type { LocalMinutes } from '../units/localTime.ts';

export interface Fitting {
	id: number;
	costumeId: number;
	wearerId: number | null;
	heldAt: LocalMinutes;
	note: string;
	/** Movements tried and clear. */
	clears: string[];
	/** What was on. */
	componentIds: number[];
	version: number;
}

/** The ways that something is moved or changed after a fitting. */
export const POINT_DIRECTIONS = [
	'none',
	'forward',
	'back',
	'up',
	'down',
	'in to the middle',
	'out from the middle',
	'let out',
	'take in',
	'lengthen',
	'shorten'
] as const;
export type PointDirection = (typeof POINT_DIRECTIONS)[number];

/** One line of the punch list. */
export interface FittingPoint {
	id: number;
	fittingId: number;
	componentId: number;
	what: string;
	direction: PointDirection;
	moveMm: number | null;
	side: 'none' | 'left' | 'right';
	stepId: number | null;
	settled: boolean;
	version: number;
}

/** `strap: forward 12 mm, left only`. */
export function pointWords(
	point: Pick<FittingPoint, 'what' | 'direction' | 'moveMm' | 'side'>,
	length: (mm: number) => string
): string {
	const move = [
		point.direction === 'none' ? '' : point.direction,
		point.moveMm === null ? '' : length(point.moveMm)
	]
		.filter(Boolean)
		.join(' ');
	return [[point.what, move].filter(Boolean).join(': '), point.side === 'none' ? '' : `${point.side} only`]
		.filter(Boolean)
		.join(', ');
}

export const isSettled = (point: FittingPoint, steps: readonly Step[]): boolean =>
	point.settled || steps.some((s) => s.id === point.stepId && s.doneAt !== null);

/** What a change after a fitting usually takes, by kind; a starting value that the maker edits. */
const USUAL_STEP: Record<Kind, { technique: TechniqueKey; amount: number }> = {
	armor: { technique: 'cement', amount: 200 },
	garment: { technique: 'sewMachine', amount: 500 },
	wig: { technique: 'attach', amount: 1 },
	prop: { technique: 'other', amount: 15 }
};
export const usualStepFor = (component: Pick<Component, 'kind'>) => USUAL_STEP[component.kind];

/** Movements to try in a fitting, where they matter: common practice. */
export const CLEARS = [
	{
		key: 'armhole',
		words: 'Raise both arms, cross them in front: the armhole clears and nothing rides up',
		zones: ['shoulder', 'upper-arm', 'chest']
	},
	{
		key: 'elbow',
		words: 'Bend the elbow fully: no edge cuts in, hand reaches the face',
		zones: ['upper-arm', 'forearm']
	},
	{ key: 'grip', words: 'Make a fist, hold the prop, use a phone', zones: ['hand', 'forearm'] },
	{
		key: 'head',
		words: 'Turn and tip the head: see the floor, hear, drink',
		zones: ['head', 'face', 'neck']
	},
	{
		key: 'bend',
		words: 'Bend forward and to each side: edges clear each other',
		zones: ['chest', 'back', 'waist']
	},
	{
		key: 'sit',
		words: 'Sit down and get up: nothing digs in, nothing lifts',
		zones: ['waist', 'hips', 'thigh']
	},
	{
		key: 'knee',
		words: 'Bend the knee fully, kneel: the edge clears the back of the knee',
		zones: ['thigh', 'shin']
	},
	{ key: 'stairs', words: 'Walk, climb a step: shafts and hems clear', zones: ['shin', 'foot', 'hips'] },
	{ key: 'jump', words: 'Hop and shake: nothing falls off or slides', zones: [] },
	{
		key: 'breathe',
		words: 'Breathe deeply, wait five minutes: still comfortable',
		zones: ['chest', 'waist', 'neck', 'face']
	}
] as const;

/** Those that the components tried call for. */
export function clearsFor(components: readonly Pick<Component, 'zones'>[]) {
	const zones = new Set<string>(
		components.flatMap((c) => c.zones.map((z) => z.replace(/-(left|right)$/, '')))
	);
	return CLEARS.filter((c) => c.zones.length === 0 || c.zones.some((z) => zones.has(z)));
}
