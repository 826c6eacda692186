import type { Component } from '../facts/component.ts';
import { LIMITED, type EventRule, type RuleKind, type TravelCase } from '../facts/travel.ts';
import { lightCircuit } from '../engines/light/circuit.ts';
import type { Feature } from '../facts/wear.ts';
import type { Vec } from '../units/vec.ts';
import { circuitOf } from './lightParts.ts';
import { longestPart, outerOf, type Luggage } from './packed.ts';

export type Verdict = 'passes' | 'fails' | 'unknown' | 'look';

/** One thing before one rule. */
export interface DoorCheck {
	/** A component, or a case. */
	component: Component | null;
	travelCase: TravelCase | null;
	/** mm, g or h, as the rule limits; null where there is no such figure, or nobody knows it. */
	value: number | null;
	verdict: Verdict;
	/** What it comes apart into, where that is why it passes. */
	parts: number;
}
export interface RuleCheck {
	rule: EventRule;
	checks: DoorCheck[];
	/** The worst of them. */
	verdict: Verdict;
}

/** From the best to the worst. */
const VERDICTS: readonly Verdict[] = ['passes', 'look', 'unknown', 'fails'];
const worst = (verdicts: readonly Verdict[]): Verdict =>
	verdicts.reduce<Verdict>((a, b) => (VERDICTS.indexOf(b) > VERDICTS.indexOf(a) ? b : a), 'passes');

/** Whether a box goes into another, turned as it likes along its sides. */
export const fitsInto = (box: Vec, into: readonly number[]): boolean => {
	const [a, b] = [box, into].map((sides) => [...sides].sort((x, y) => y - x));
	return a!.every((side, i) => side <= b![i]!);
};

/** What of a thing an event may forbid: as it is said, and what nobody has to say: it lies over the face, or is lit. */
export const featuresOf = ({ component, said }: Pick<Luggage, 'component' | 'said'>): Feature[] => {
	const routes = [component.route, ...component.furtherRoutes];
	return [
		...new Set<Feature>([
			...said.features,
			...(component.zones.includes('face') ? (['mask'] as const) : []),
			...(routes.includes('light') || said.circuit ? (['light'] as const) : [])
		])
	];
};

/** What fails first, what passes last. */
export const failingFirst = (a: Pick<RuleCheck, 'verdict'>, b: Pick<RuleCheck, 'verdict'>): number =>
	VERDICTS.indexOf(b.verdict) - VERDICTS.indexOf(a.verdict);

const within = (value: number | null, limit: number): Verdict =>
	value === null ? 'unknown' : value <= limit ? 'passes' : 'fails';

/**
 * Everything that goes to an event before its rules. Lengths and weights are those of props and of what is carried; every component
 * for what is forbidden. A rule in words is looked at by hand.
 *
 * @param luggage of which only the first copy of each is looked at: copies are alike
 */
export function atTheDoor(
	rules: readonly EventRule[],
	luggage: readonly Luggage[],
	cases: readonly TravelCase[]
): RuleCheck[] {
	const things = luggage.filter((l) => l.copy === 1);
	const props = things.filter((l) => l.component.kind === 'prop' || l.said.size !== null);
	const plain = { component: null, travelCase: null, value: null, parts: 1 };
	const checksOf: Record<(typeof LIMITED)[number], (rule: EventRule) => DoorCheck[]> = {
		length: ({ limits }) =>
			props.map(({ component, said: { size, parts } }) => {
				const value = size && longestPart(size, parts);
				return { ...plain, component, value, parts, verdict: within(value, limits[0]!) };
			}),
		weight: ({ limits }) =>
			things
				.filter((l) => l.component.kind === 'prop')
				.map(({ component, grams }) => ({
					...plain,
					component,
					value: grams,
					verdict: within(grams, limits[0]!)
				})),
		case: ({ limits }) =>
			cases.map((travelCase) => ({
				...plain,
				travelCase,
				verdict: fitsInto(outerOf(travelCase), limits) ? 'passes' : 'fails'
			})),
		// What lights has to last for all of it.
		hours: ({ limits }) =>
			things.flatMap(({ component, said }) => {
				if (!said.circuit) return [];
				const value = lightCircuit(circuitOf(said.circuit)).hours;
				const verdict = value === null ? 'unknown' : value >= limits[0]! ? 'passes' : 'fails';
				return [{ ...plain, component, value, verdict }];
			})
	};
	return rules.map((rule): RuleCheck => {
		const { kind } = rule;
		const checks = isLimited(kind)
			? checksOf[kind](rule)
			: kind === 'other'
				? []
				: things
						.filter((l) => featuresOf(l).includes(kind))
						.map(({ component }) => ({ ...plain, component, verdict: 'fails' as const }));
		return { rule, checks, verdict: kind === 'other' ? 'look' : worst(checks.map((c) => c.verdict)) };
	});
}

/** The least number of parts that a length comes apart into so that each passes; null where that is more than would be made. */
export function partsFor(size: Vec, limitMm: number, most = 4): number | null {
	for (let parts = 2; parts <= most; parts++) if (longestPart(size, parts) <= limitMm) return parts;
	return null;
}

/** What to change of a thing that has what is forbidden: common practice. */
export const INSTEAD: Readonly<Record<Feature, string>> = {
	blade: 'blunt it, round its point, or make it of foam',
	moving: 'lock it so that it does not move',
	projectile: 'fix it so that nothing leaves it',
	glass: 'clear plastic sheet in its place',
	flame: 'an LED in its place',
	wheels: 'take them off for the event',
	light: 'switch it off or cover it',
	sound: 'switch it off',
	mask: 'off the face in public, and on for pictures'
};

const isLimited = (kind: RuleKind): kind is (typeof LIMITED)[number] =>
	(LIMITED as readonly RuleKind[]).includes(kind);
/** Rules by what they are about. */
export const isForbidding = (kind: RuleKind): kind is Feature => kind in INSTEAD;
