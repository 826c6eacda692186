import type { NumberedPiece } from '../engines/pattern/numbered.ts';
import type { Shared } from '../answers/bookings.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Keeping, NextTime, WearLog } from '../facts/health.ts';
import type { MeasureRecord } from '../facts/measureRecord.ts';
import type { ReferencePicture } from '../facts/picture.ts';
import type { WearRecord } from '../facts/wear.ts';
import type { Workshop } from '../facts/workshop.ts';
import type { LengthUnit } from '../units/measure.ts';

/** A full record is kept; a short one is shown to others: without money, suppliers, places and people. */
export const STORY_FORMS = ['full', 'short'] as const;
export type StoryForm = (typeof STORY_FORMS)[number];

export interface StoryLine {
	/** What it is of, where that is said apart: `contact cement`, `Fri 16 May 2031`. */
	name: string;
	text: string;
}
export interface StoryPicture {
	hash: string;
	mime: string;
	caption: string;
	width: number;
	height: number;
}
/** Lines under a head: of the whole, of a component, of a day. */
export interface StoryPart {
	title: string;
	componentId: number | null;
	lines: StoryLine[];
	pictures: StoryPicture[];
}
/** What is told of a costume, from the front to the back. */
export interface Story {
	title: string;
	said: string;
	chapters: { title: string; parts: StoryPart[] }[];
}

/** Everything that a record is written from. */
export interface StorySource {
	record: CostumeRecord;
	workshop: Workshop;
	fit: MeasureRecord;
	wear: WearRecord;
	wears: readonly WearLog[];
	keepings: readonly Keeping[];
	nextTimes: readonly NextTime[];
	/** What of other costumes is worn with it, and what of it with others. */
	shared: { borrowed: readonly Shared[]; lent: readonly Shared[] };
	/** What it was to look like: of others, perhaps, so that it is shown to nobody. */
	references: readonly ReferencePicture[];
	/** Pieces of each shape, by its id. */
	pieces: ReadonlyMap<number, readonly NumberedPiece[]>;
	unit: LengthUnit;
}
