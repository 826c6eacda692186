import type { CostumeRecord, FoundStep } from '../facts/costume.ts';
import type { Place, Settings, Workshop } from '../facts/workshop.ts';
import type { LocalMinutes } from '../units/localTime.ts';
import type { ThreePoints } from '../units/threePoints.ts';
import type { Arrival } from './arrivals.ts';
import type { Hours, Span } from '../engines/schedule/calendar.ts';
import type { After, Parcel, PlanOrder, PlanProblem, PlanStep } from '../engines/schedule/problem.ts';
import { inOrder, stepsBefore } from '../facts/order.ts';
import { loggedByStep, minutesLeft } from './minutes.ts';
import { lateMinutes } from './leadTime.ts';
import type { Step } from '../facts/step.ts';
import { recoatWindow, waitOf } from './wait.ts';
import { redoOf } from './redo.ts';
import type { Sun } from '../engines/schedule/daylight.ts';
import { coatOf } from './colour.ts';

export const makerKey = (id: number) => `maker ${id}`;
export const placeKey = (id: number) => `place ${id}`;

export function problemOf(
	record: CostumeRecord,
	workshop: Workshop,
	now: LocalMinutes,
	minutes: ReadonlyMap<number, ThreePoints>,
	arrivals: readonly Arrival[],
	deadline: LocalMinutes,
	taken: ReadonlyMap<string, readonly Span[]>
): PlanProblem {
	const before = stepsBefore(record.components, record.steps);
	const byId = new Map(record.steps.map((s) => [s.id, s]));
	const logged = loggedByStep(record.logs);
	const parcels = arrivals.flatMap((a): Parcel[] =>
		a.usableFrom === null
			? []
			: [
					{
						id: parcelKey(a.line.material.id),
						at: a.usableFrom,
						late: lateMinutes(a.purchase ?? a.line.material)
					}
				]
	);
	const parcelsOf = new Map<number, string[]>();
	for (const a of arrivals)
		if (a.usableFrom !== null)
			for (const id of a.stepIds)
				parcelsOf.set(id, [...(parcelsOf.get(id) ?? []), parcelKey(a.line.material.id)]);
	const pins = pinsOf(record, minutes, now);
	const redo = redoOf(record, workshop);
	const wait = (s: Step) => waitOf(s, workshop);
	const able = new Map<string, string[] | null>();
	const steps = record.steps
		.filter((s) => s.doneAt === null)
		.map((s): PlanStep => {
			const done = before.get(s.id)!.flatMap((id) => (byId.get(id)!.doneAt === null ? [] : [byId.get(id)!]));
			const held = Math.max(-Infinity, ...done.map((d) => d.doneAt! + wait(d)));
			const its = parcelsOf.get(s.id);
			const setUp = setUpOf(s, record, workshop);
			const pinnedAt = pins.get(s.id);
			const previous = inOrder(record.steps, s.componentId).findLast((p) => p.position < s.position);
			const boundTo = s.withinMinutes !== null && previous ? previous : null;
			return {
				id: String(s.id),
				minutes: minutesLeft(minutes.get(s.id)!, logged.get(s.id) ?? 0),
				wait: wait(s),
				after: before
					.get(s.id)!
					.filter((id) => byId.get(id)!.doneAt === null)
					.map((id): After => ({
						id: String(id),
						...(boundTo?.id === id ? recoat(recoatWindow(s, boundTo, workshop)) : {})
					})),
				...(held > -Infinity ? { notBefore: held } : {}),
				...(boundTo?.doneAt != null
					? {
							barred: [
								[
									boundTo.doneAt + s.withinMinutes! + 1,
									boundTo.doneAt + (recoatWindow(s, boundTo, workshop).orAfterMinutes ?? 0)
								] as const
							]
						}
					: {}),
				hands: s.needsHelper ? 2 : 1,
				with: kept(able, `${s.needsHelper} ${s.technique}`, () => whoCan(s, workshop)),
				place: s.placeId === null ? null : placeKey(s.placeId),
				oneSitting: s.oneSitting,
				redo: redo(s)?.chance ?? 0,
				...(its ? { parcels: its } : {}),
				...(setUp ? { setUp } : {}),
				...(pinnedAt === undefined ? {} : { pinnedAt })
			};
		});
	return {
		start: now,
		deadline,
		split: record.costume.split,
		leastPart: 30,
		makers: workshop.makers.map((m) => ({
			id: makerKey(m.id),
			windows: m.windows,
			off: m.off,
			away: m.away
		})),
		places: workshop.places.map((p) => ({
			id: placeKey(p.id),
			capacity: p.capacity,
			dryOnly: p.dryOnly,
			...hoursOf(p, workshop.settings)
		})),
		wetShare: workshop.places.some((p) => p.dryOnly) ? workshop.settings.wetDays / 30 : 0,
		parcels,
		steps,
		taken
	};
}

/** When a place is open, as calendars understand it. */
export const hoursOf = (place: Place, settings: Settings): Hours => ({
	windows: place.windows,
	off: place.off,
	...(place.daylightOnly ? { sun: sunOf(settings) } : {})
});

export const sunOf = ({ latitude, noonMinute, summerTime }: Settings): Sun => ({
	latitude,
	noon: noonMinute,
	summerTime
});

export const parcelKey = (materialId: number) => `parcel ${materialId}`;

/** A kept order in the planner's own names. */
export const orderOf = (found: readonly FoundStep[]): PlanOrder =>
	found.map(({ step, makers }) => ({
		id: String(step),
		...(makers ? { makers: makers.map(makerKey) } : {})
	}));

/** The same the other way, for keeping. */
export const foundOf = (order: PlanOrder): FoundStep[] =>
	order.map(({ id, makers }) => ({
		step: Number(id),
		...(makers ? { makers: makers.map((m) => Number(m.replace('maker ', ''))) } : {})
	}));

/** Makers who do such work by themselves; with a helper everybody counts. Null for all. */
function whoCan(step: Step, workshop: Workshop): string[] | null {
	const able = workshop.makers.filter((m) => !m.techniques || m.techniques.includes(step.technique));
	if (step.needsHelper) return null;
	return able.filter((m) => !m.helpsOnly).map((m) => makerKey(m.id));
}

function kept<T>(known: Map<string, T>, key: string, find: () => T): T {
	if (!known.has(key)) known.set(key, find());
	return known.get(key)!;
}

/** What is set out once serves all that is sprayed in the same colour, one after the other. */
function setUpOf(step: Step, record: CostumeRecord, workshop: Workshop): PlanStep['setUp'] {
	const found = step.placeId === null ? null : coatOf(step, record, workshop.materials);
	if (!found) return undefined;
	const key = [found.coat.product, ...found.colours.map((m) => m.id).sort((a, b) => a - b)].join(' ');
	return { key, minutes: step.setUpMinutes };
}

/**
 * Hours that a costume's kept starts take of makers and places, whoever's turn it is: a fitting is booked with people, and a start is
 * kept for a reason. Of makers, those who would do it: who is at it, else the first who can, and as many as it takes.
 */
export function reservedBy(
	record: CostumeRecord,
	workshop: Workshop,
	minutes: ReadonlyMap<number, ThreePoints>,
	now: LocalMinutes
): [key: string, span: Span][] {
	const byId = new Map(record.steps.map((s) => [s.id, s]));
	const logged = loggedByStep(record.logs);
	return [...pinsOf(record, minutes, now)].flatMap(([id, at]): [string, Span][] => {
		const step = byId.get(id)!;
		const span: Span = [at, at + minutesLeft(minutes.get(id)!, logged.get(id) ?? 0)[1]];
		if (span[1] <= span[0]) return [];
		const running = record.logs.find((l) => l.stepId === id && l.endedAt === null)?.makerId;
		const able = whoCan(step, workshop) ?? workshop.makers.map((m) => makerKey(m.id));
		const its = running ? [makerKey(running), ...able.filter((m) => m !== makerKey(running))] : able;
		const keys = [
			...its.slice(0, step.needsHelper ? 2 : 1),
			...(step.placeId ? [placeKey(step.placeId)] : [])
		];
		return keys.map((key) => [key, span]);
	});
}

/** Starts that are kept: by the maker, by a fitting that is booked, and by a timer that runs. */
function pinsOf(
	record: CostumeRecord,
	minutes: ReadonlyMap<number, ThreePoints>,
	now: LocalMinutes
): Map<number, LocalMinutes> {
	const pins = new Map<number, LocalMinutes>();
	const open = record.steps.filter((s) => s.doneAt === null);
	for (const fitting of record.fittings) {
		if (fitting.heldAt < now) continue;
		// One after the other, as they are tried on.
		let at = fitting.heldAt;
		for (const id of fitting.componentIds) {
			const step = inOrder(open, id).find((s) => s.technique === 'fit');
			if (!step || pins.has(step.id)) continue;
			pins.set(step.id, at);
			at += minutes.get(step.id)![1];
		}
	}
	for (const s of open) if (s.pinnedAt !== null && s.pinnedAt >= now) pins.set(s.id, s.pinnedAt);
	for (const l of record.logs) if (l.endedAt === null) pins.set(l.stepId, now);
	return pins;
}

const recoat = (s: Pick<Step, 'withinMinutes' | 'orAfterMinutes'>): Partial<After> => ({
	within: s.withinMinutes!,
	...(s.orAfterMinutes === null ? {} : { orAfter: s.orAfterMinutes })
});
