import { type Component } from '../facts/component.ts';
import {
	definitionOf,
	latest,
	LAYER_OF_OVER,
	MEASURE_KEYS,
	measureWords,
	type MeasureKey,
	type MeasureSide,
	type Wearer
} from '../facts/bodyMeasure.ts';
import { girthOver } from '../engines/body/girth.ts';
import {
	type Limb,
	type Measured,
	type Section,
	type SectionShapes,
	type Stand,
	standOf
} from '../engines/stand/form.ts';

/** What a wearer is measured at, with what is worn up to a layer: rounds grow by its thickness, as a girth over layers does. */
export function measuredOver(
	wearer: Pick<Wearer, 'measures'>,
	components: readonly Component[],
	upTo: number
): Measured {
	return (key, side) => {
		const measure = latest(wearer.measures, key, side);
		if (!measure) return null;
		if (!definitionOf(key).girth || upTo === 0) return measure.mm;
		const thickness = wornAt(key, side, components, upTo, LAYER_OF_OVER[measure.over]).reduce(
			(sum, c) => sum + (c.thicknessMm ?? 0),
			0
		);
		return girthOver(measure.mm, thickness);
	};
}

/** What is worn where a measure is taken, over `above` and up to a layer; what is part of another lies in it. */
function wornAt(
	key: MeasureKey,
	side: MeasureSide,
	components: readonly Component[],
	upTo: number,
	above: number
): Component[] {
	const { zone } = definitionOf(key);
	return components.filter(
		(c) =>
			c.parentId === null &&
			c.layer > above &&
			c.layer <= upTo &&
			c.zones.some(
				(z) => z === zone || (z.startsWith(`${zone}-`) && (side === 'none' || z === `${zone}-${side}`))
			)
	);
}

/** The sections of a wearer as somebody said them. */
export const shapesOf =
	(wearer: Partial<Pick<Wearer, 'sections'>> | null | undefined): SectionShapes =>
	(level, side) =>
		wearer?.sections?.[`${level} ${side}`] ?? null;

export const standFor = (
	wearer: Pick<Wearer, 'measures'> & Partial<Pick<Wearer, 'sections'>>,
	components: readonly Component[] = [],
	upTo = 0
): Stand => standOf(measuredOver(wearer, components, upTo), shapesOf(wearer));

/** A measure that nobody has taken, and how far the surface would move at most if it were as different as people are, mm. */
export interface WorthMeasuring {
	measure: MeasureKey;
	side: MeasureSide;
	name: string;
	/** What the form takes it as, mm. */
	taken: number;
	moves: number;
}

/** People of one build differ by so much in a girth and in a length, as a share: one standard deviation, from memory. */
const DIFFER = { girth: 0.08, length: 0.04 };

/** What is worth measuring next: each measure that the form guesses, moved by as much as people differ, the one first that moves it most. */
export function worthMeasuring(measured: Measured, shapes?: SectionShapes): WorthMeasuring[] {
	const stand = standOf(measured, shapes);
	return MEASURE_KEYS.flatMap((measure): WorthMeasuring[] => {
		const sides: MeasureSide[] = definitionOf(measure).sided ? ['left', 'right'] : ['none'];
		if (sides.some((side) => measured(measure, side) !== null)) return [];
		const taken = takenAs(stand, measure);
		if (taken === null) return [];
		const by = 1 + DIFFER[definitionOf(measure).girth ? 'girth' : 'length'];
		const moved = standOf((key, side) => (key === measure ? taken * by : measured(key, side)), shapes);
		const moves = farthest(stand, moved);
		return moves < 0.5 ? [] : [{ measure, side: sides[0]!, name: measureWords(measure), taken, moves }];
	}).sort((a, b) => b.moves - a.moves);
}

/** What a form has a measure as, mm; null where it does not go by it. */
function takenAs(stand: Stand, measure: MeasureKey): number | null {
	for (const limb of stand.limbs)
		for (const section of limb.sections) if (section.level.measure === measure) return section.girth;
	return stand.lengths.find((l) => l.measure === measure)?.mm ?? null;
}

/** The farthest that any section of one form lies from the same of another, mm. */
function farthest(a: Stand, b: Stand): number {
	let most = 0;
	a.limbs.forEach((limb, i) =>
		limb.sections.forEach((section, k) => {
			const other = b.limbs[i]!;
			const its = other.sections[k]!;
			const centre = (l: Limb, s: Section) => l.begins.map((v, n) => v + l.axis[n]! * s.along);
			const [p, q] = [centre(limb, section), centre(other, its)];
			const away = Math.hypot(...p.map((v, n) => v - q[n]!));
			most = Math.max(most, away, Math.abs(its.wide - section.wide), Math.abs(its.deep - section.deep));
		})
	);
	return most;
}

/** A level of the form that can be looked at: its limb, what it is, how far round, whether somebody measured it. */
export interface StandLevelShown {
	key: string;
	limb: number;
	section: number;
	name: string;
	side: MeasureSide;
	girth: number;
	wide: number;
	deep: number;
	guessed: boolean;
	/** The measure whose girth it is. */
	measure: MeasureKey | null;
}

export const levelsOf = (stand: Stand): StandLevelShown[] =>
	stand.limbs.flatMap((limb, i) =>
		limb.sections.map((section, k) => ({
			key: `${i}.${k}`,
			limb: i,
			section: k,
			name: section.level.name,
			side: limb.side,
			girth: section.girth,
			wide: 2 * section.wide,
			deep: 2 * section.deep,
			guessed: section.guessed,
			measure: section.level.measure
		}))
	);
