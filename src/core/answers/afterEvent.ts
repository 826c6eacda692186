import { copiesOf, type Component } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import { isMended, type Fault, type HoldKind } from '../facts/fault.ts';
import type { WearLog } from '../facts/health.ts';
import type { TechniqueKey } from '../facts/step.ts';
import type { Workshop } from '../facts/workshop.ts';
import type { Worn } from '../facts/wear.ts';
import { zoneWords, type Zone } from '../facts/zone.ts';
import { catalogueOf, knownFaultOf, techniqueOf, type Catalogue } from '../trade/catalogue.ts';
import { carriedAt, type Carried, type CarriedAll } from './carried.ts';
import { holdsOf, kindOfFault, type Hold } from './holds.ts';
import { loggedByStep, stepMinutes } from './minutes.ts';

/** Hours of one kind of work. */
export interface WorkDone {
	technique: TechniqueKey;
	name: string;
	/** Steps that are done and have minutes. */
	steps: number;
	/** Usual minutes of them, as they were planned before anything was logged. */
	planned: number;
	logged: number;
	/** Done, and nobody has said how long it took. */
	untold: number;
}

/** What held, and what let go. */
export interface HeldUp {
	/** Everything that could let go. */
	all: number;
	letGo: { fault: Fault; component: Component; kind: HoldKind | null; mended: boolean }[];
	/** Of what could let go, what did not. */
	held: Hold[];
}

/** A place that hurt. */
export interface Hurt {
	zone: Zone;
	/** In so many wears. */
	times: number;
	/** What sits there, the outermost first. */
	components: Component[];
	/** What that part of the body carries; null where nothing is known to. */
	carried: Carried | null;
}

/** What to do otherwise next time, as it follows from what was logged. */
export interface Lesson {
	componentId: number | null;
	words: string;
}

/**
 * Hours of each kind of work against what was planned: usual minutes by the rates that were there before the logs, on the amounts as
 * they are. The most over first. The cure of a fault was never planned: it is not counted.
 */
export function workDone(record: CostumeRecord, workshop: Workshop): WorkDone[] {
	const trade = catalogueOf(workshop.handbook);
	const before = { ...workshop, rates: workshop.ownRates };
	const byId = new Map(record.components.map((c) => [c.id, c]));
	const logged = loggedByStep(record.logs);
	const found = new Map<TechniqueKey, WorkDone>();
	for (const step of record.steps) {
		if (step.doneAt === null || step.faultId !== null) continue;
		const { technique } = step;
		const { name } = techniqueOf(trade, technique);
		const its = found.get(technique) ?? { technique, name, steps: 0, planned: 0, logged: 0, untold: 0 };
		found.set(technique, its);
		const minutes = logged.get(step.id);
		if (minutes === undefined) its.untold++;
		else {
			const component = byId.get(step.componentId);
			its.steps++;
			its.planned += stepMinutes(step, component ? copiesOf(component, byId) : 1, before)[1];
			its.logged += minutes;
		}
	}
	return [...found.values()].sort((a, b) => b.logged - b.planned - (a.logged - a.planned));
}

/** Steps that are done, and of which nobody has said how long they took. */
export const untoldSteps = (work: readonly WorkDone[]): number => work.reduce((sum, w) => sum + w.untold, 0);

/** What held at the wears since a day, and what let go. */
export function heldUp(record: CostumeRecord, wear: Worn, since: number, trade: Catalogue): HeldUp {
	const holds = holdsOf(record, wear, trade);
	const letGo = record.faults
		.filter((f) => f.happenedAt >= since)
		.map((fault) => ({
			fault,
			component: record.components.find((c) => c.id === fault.componentId)!,
			kind: kindOfFault(fault, holds, trade),
			mended: isMended(fault, record.steps)
		}));
	const held = holds.filter(
		(h) => !letGo.some((l) => l.component.id === h.component.id && l.kind === h.kind)
	);
	return { all: holds.length, letGo, held };
}

/** Where it hurt, the oftenest first. */
export function hurts(
	wears: readonly Pick<WearLog, 'hurts'>[],
	components: readonly Component[],
	carried: CarriedAll
): Hurt[] {
	const times = new Map<Zone, number>();
	for (const w of wears) for (const zone of w.hurts) times.set(zone, (times.get(zone) ?? 0) + 1);
	return [...times]
		.map(([zone, many]) => ({
			zone,
			times: many,
			components: components.filter((c) => c.zones.includes(zone)).sort((a, b) => b.layer - a.layer),
			carried: carriedAt(zone, carried)
		}))
		.sort((a, b) => b.times - a.times);
}

/** What is worth doing otherwise: the cure of what let go, and whatever hurt. */
export const lessons = (letGo: HeldUp['letGo'], hurt: readonly Hurt[], trade: Catalogue): Lesson[] => [
	...new Map(
		letGo.map(({ fault }) => {
			const cure = knownFaultOf(trade, fault.known)?.cure ?? fault.cure;
			const words = `${fault.symptom}${cure ? `: ${cure}` : ''}`.slice(0, 200);
			return [`${fault.componentId} ${words}`, { componentId: fault.componentId, words }] as const;
		})
	).values(),
	...hurt.map(({ zone, components, carried }) => ({
		componentId: components[0]?.id ?? null,
		words:
			carried && carried.grams > carried.limit
				? `${zoneWords(zone)} hurt: lighter, or hung elsewhere`
				: `${zoneWords(zone)} hurt: pad it, or give it room`
	}))
];
