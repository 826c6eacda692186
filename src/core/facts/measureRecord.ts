import type { MeasureKey, Wearer } from './bodyMeasure.ts';
import type { LocalMinutes } from '../units/localTime.ts';
import type { Opening } from './opening.ts';
import type { Fitting, FittingPoint } from './fitting.ts';
import type { StoredShape } from './shape.ts';

/** What a pattern is printed larger or smaller along. */
export type Direction = 'width' | 'height';
/** A mark is the body's size, or the finished garment's. */
export const MADE_FOR = ['body', 'garment'] as const;
export type MadeFor = (typeof MADE_FOR)[number];
export const DIRECTIONS = ['width', 'height'] as const;

/** What a pattern was made for, against a measure of the wearer. */
export interface StoredNominal {
	id: number;
	componentId: number;
	measure: MeasureKey;
	direction: Direction;
	nominalMm: number;
	/** Whether that is the body's or the finished garment's. */
	madeFor: MadeFor;
	easeMm: number;
	version: number;
}

export interface CostumeWearer {
	id: number;
	wearerId: number;
	/** Day number of the measures it was built for; null when it was not said. */
	builtOn: number | null;
	/** When the pieces began to follow this wearer; null for never. */
	fittedAt: LocalMinutes | null;
	version: number;
}

/** What is kept about how a costume fits. */
export interface MeasureRecord {
	/** All wearers of the workshop. */
	wearers: Wearer[];
	/** Those of this costume. */
	worn: CostumeWearer[];
	openings: Opening[];
	nominals: StoredNominal[];
	fittings: Fitting[];
	points: FittingPoint[];
	/** Shapes that the costume's pieces come from: their values may follow the wearer. */
	shapes: StoredShape[];
}

/** The wearers of the costume, in the order in which they were added. */
export const wearersOf = ({ wearers, worn }: Pick<MeasureRecord, 'wearers' | 'worn'>): Wearer[] =>
	worn.flatMap((w) => wearers.find((p) => p.id === w.wearerId) ?? []);

/**
 * The wearer whose measures the pieces follow, now or at some moment: the one chosen last until then. None without
 * wearers; the first where nobody was chosen.
 */
export function fittedOf(
	{ wearers, worn }: Pick<MeasureRecord, 'wearers' | 'worn'>,
	at: LocalMinutes = Infinity
): Wearer[] {
	const chosen = worn
		.filter((w) => w.fittedAt !== null && w.fittedAt <= at)
		.reduce<CostumeWearer | null>((a, b) => (a === null || b.fittedAt! >= a.fittedAt! ? b : a), null);
	const wearer = (chosen && wearers.find((w) => w.id === chosen.wearerId)) ?? wearersOf({ wearers, worn })[0];
	return wearer ? [wearer] : [];
}
