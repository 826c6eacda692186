import type { LocalMinutes } from '../units/localTime.ts';
import type { Step } from './step.ts';

export interface Fitting {
	id: number;
	costumeId: number;
	wearerId: number | null;
	/** The way it was worn; null where nobody said. */
	variantId: number | null;
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
