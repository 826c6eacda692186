import type { PaletteColour } from './palette.ts';
import type { Swatch } from './swatch.ts';
import type { LaidPart } from './layout.ts';
import type { LocalMinutes } from '../units/localTime.ts';
import type { Split } from './calendar.ts';
import type { Component } from './component.ts';
import type { Step } from './step.ts';
import type { Coat } from './coat.ts';
import type { Need, Purchase } from './material.ts';
import type { Fault } from './fault.ts';

/** One character for one wearer and its event. */
export interface Costume {
	id: number;
	name: string;
	wearer: string;
	eventName: string;
	eventAt: LocalMinutes;
	/** The last days before the event that are kept for test wear and packing. */
	bufferDays: number;
	/** The most it may cost; null for no limit. */
	limitMinor: number | null;
	currency: string;
	/** When it is its turn to be promised of the stash, before all without a turn; null by its event. */
	stashTurn: number | null;
	/** Whose hours come first among costumes of the same day; null: by the hour of the event. */
	hoursTurn: number | null;
	/** Whether what comes out of the stash counts at what it cost, or at nothing. */
	stashAtCost: boolean;
	split: Split;
	/** How likely it should be, in per cent, that it is ready by the buffer. */
	targetOdds: number;
	/** When everything is worn once as a whole; null for no rehearsal. */
	rehearsalAt: LocalMinutes | null;
	archivedAt: LocalMinutes | null;
	/** The action that brought it along as a demo, beside one's own; null for one's own. */
	demoAction: number | null;
	note: string;
	version: number;
}

/** A demo comes after all of one's own: it takes neither their hours nor their stash. */
export const demoLast = (
	a: { costume: Pick<Costume, 'demoAction'> },
	b: { costume: Pick<Costume, 'demoAction'> }
): number => Number(a.costume.demoAction !== null) - Number(b.costume.demoAction !== null);

/** A stretch of work at the bench. The timer runs while `endedAt` is null. */
export interface WorkLog {
	id: number;
	stepId: number;
	makerId: number | null;
	startedAt: LocalMinutes;
	endedAt: LocalMinutes | null;
	minutes: number;
	note: string;
	version: number;
}

export interface Photo {
	id: number;
	hash: string;
	mime: string;
	width: number;
	height: number;
	bytes: number;
	caption: string;
	componentId: number | null;
	stepId: number | null;
	faultId: number | null;
	fittingId: number | null;
	swatchId: number | null;
	takenAt: LocalMinutes;
}

/** Everything stored about one costume. */
export interface CostumeRecord {
	costume: Costume;
	components: Component[];
	steps: Step[];
	coats: Coat[];
	needs: Need[];
	purchases: Purchase[];
	faults: Fault[];
	logs: WorkLog[];
	photos: Photo[];
	/** Steps left out to be in time: planned and counted nowhere. */
	leftOut: Step[];
	/** What components that are left out would take. */
	leftOutNeeds: Need[];
	/** The order of steps that a search found, if it was kept. */
	found: FoundStep[] | null;
	/** What is taken of materials by the newest layout of each that is kept and not cut yet. */
	laid: (LaidPart & { materialId: number })[];
	/** What parts of it are meant to look like. */
	palette: PaletteColour[];
	/** What was tried on scraps, the newest first. */
	swatches: Swatch[];
	/** Fittings booked, with what is tried on. */
	fittings: { id: number; heldAt: LocalMinutes; componentIds: number[] }[];
}

/** A step of a kept order; with makers, they do it and not whoever is free first. */
export interface FoundStep {
	step: number;
	makers?: number[];
}
