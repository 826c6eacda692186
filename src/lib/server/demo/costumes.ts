import data from './costumes.json' with { type: 'json' };
import type { ComponentInput } from '../commands/component.ts';
import type { CoatProductKey } from '$core/facts/coat.ts';
import type { SurfaceKey } from '$core/facts/component.ts';
import type { Verdict } from '$core/facts/swatch.ts';
import type { Family, SupplyKey } from '$core/facts/material.ts';

/**
 * The demo: three costumes of our own invention around a harbour-town pageant. Invented throughout;
 * dates are counted from the day it is laid out.
 */
export interface DemoMaterial {
	name: string;
	colour?: string;
	family: Family;
	unit: string;
	pack: number;
	price: number;
	supplier: string;
	lead: number;
	stash?: number;
	coat?: CoatProductKey;
	supply?: SupplyKey;
	/** Thickness, width and length in mm, grams a m². */
	size?: readonly [number | null, number | null, number | null, number | null];
	/** Percent across and along. */
	stretch?: readonly [number, number];
	/** As a screen shows it, dry. */
	looks?: string;
}

export interface DemoComponent extends Partial<Omit<ComponentInput, 'parentId'>> {
	name: string;
	/** The name of the component it is a part of. */
	of?: string;
	/** Larger or smaller than the route's middling component. */
	scale?: number;
	/** How many of its first steps are done. */
	done?: number | 'all';
	/** Material names with quantities for all copies. */
	needs?: Record<string, number>;
}

export interface DemoPurchase {
	material: string;
	packs: number;
	state: 'planned' | 'ordered' | 'arrived' | 'used';
	/** Days from today: ordered on, promised for. */
	ordered?: number;
	due?: number;
	shipping?: number;
	for?: string;
}

export interface DemoFault {
	component: string;
	symptom: string;
	cause: string;
	cure: string;
	occasion: 'test wear' | 'event' | 'storage' | 'transport';
	daysAgo: number;
	lost: number;
	mended: boolean;
	/** The index of the earlier fault that came back as this one. */
	backOf?: number;
}

export interface DemoCostume {
	name: string;
	wearer: string;
	event: string;
	inDays: number;
	buffer: number;
	limit: number;
	note: string;
	components: readonly DemoComponent[];
	purchases: readonly DemoPurchase[];
	faults: readonly DemoFault[];
	/** What parts are meant to look like. */
	palette?: readonly { name: string; looks: string; for: readonly string[] }[];
	/** Recipes tried on scraps, and whose finish goes by them. */
	swatches?: readonly {
		recipe: string;
		surface: SurfaceKey;
		paint: string;
		daysAgo: number;
		covers: number;
		wet: string;
		dry: string;
		verdict: Verdict;
		note: string;
		on: readonly string[];
	}[];
	/** Name of the component whose last done step was just finished, so that it is drying. */
	drying?: string;
}

/** The words and figures themselves, as data; the test of the demo lays all of it out. */
export const MATERIALS = data.materials as readonly DemoMaterial[];
export const COSTUMES = data.costumes as unknown as readonly DemoCostume[];
