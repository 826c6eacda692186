import { looksOf } from './looks.ts';
import { leaveOut } from './leaveOut.ts';
import type { Alternative } from '../engines/schedule/triage.ts';
import { followPieces, type PiecesFrom } from './followPieces.ts';
import { loggedByStep, minutesLeft, stepMinutes } from './minutes.ts';
import { spendOf } from './spend.ts';
import { DAY, dayOf, formatClock, weekdayOf, type LocalMinutes } from '../units/localTime.ts';
import { copiesOf, type Component } from '../facts/component.ts';
import { makerKey } from './planProblem.ts';
import type { MadePlan } from './plan.ts';
import { ARRIVAL_CLOCK, arrivalDay, lateMinutes } from './leadTime.ts';
import { inOrder } from '../facts/order.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Window } from '../facts/calendar.ts';
import type { Workshop } from '../facts/workshop.ts';
import type { Step } from '../facts/step.ts';
import { catalogueOf, coatProductOf, type Catalogue } from '../trade/catalogue.ts';
import type { StandardTechnique } from '../trade/technique.ts';
import type { Offer } from './makeOrBuy.ts';

export const ALTERNATIVE_KINDS = ['drop', 'simplify', 'borrow', 'buy', 'hours', 'hands'] as const;
export type AlternativeKind = (typeof ALTERNATIVE_KINDS)[number];

/** Something that would make the costume be in time, and what it costs. */
export interface CostumeAlternative extends Alternative {
	kind: AlternativeKind;
	componentId: number | null;
	/** `coats past the second`, `paint and wear`. */
	words: string;
	/** Hands-on minutes saved by leaving out, usual; or added by more hours until the event. */
	minutes: number;
	/** Money not spent, from what is neither ordered nor here, less what is bought instead: negative when that costs more. */
	savedMinor: number;
	/** The shape that is changed for it. */
	shapeId: number | null;
	/** Hours of a maker that are added, for taking it up. */
	hours: { maker: string | null; days: number[]; from: number; to: number } | null;
}

/** A borrowed component is another's, and looks it. */
const BORROWED = 0.35;
/** A bought one was made for many. Both are starting values, from memory. */
const BOUGHT = 0.2;

/** Work that a look can do without, and how much of its component that costs. Starting values, from memory. */
const FRILLS: { words: string; techniques: readonly StandardTechnique[]; loss: number }[] = [
	{ words: 'without wear effects', techniques: ['dryBrush'], loss: 0.15 },
	{ words: 'without detail paint', techniques: ['detailPaint'], loss: 0.25 },
	{ words: 'without carved lines', techniques: ['carveLine'], loss: 0.25 },
	{ words: 'printed, not embroidered', techniques: ['embroider'], loss: 0.3 },
	{ words: 'without ornaments', techniques: ['attach'], loss: 0.2 }
];
const FEWER_COATS = 0.08;
const NO_MOCK_UP = 0.05;

/** An evening, and a day, that could still be found. */
const EVENING = { from: 18 * 60, to: 21 * 60 };
/** Nobody is asked to go on after this. */
const LATEST = 23 * 60;
const SATURDAY = { from: 10 * 60, to: 16 * 60 };

/** What could be left out, borrowed or added, each with what it costs. Weighing them is the simulation's. */
export function alternativesOf(
	record: CostumeRecord,
	plan: MadePlan,
	workshop: Workshop,
	others: readonly CostumeRecord[],
	/** What components would cost ready, by component, where that is known: without a price buying would seem to cost nothing. */
	offers: ReadonlyMap<number, Offer>,
	now: LocalMinutes,
	pieces: Pick<PiecesFrom, 'shapes' | 'wearers'> = { shapes: [], wearers: [] }
): CostumeAlternative[] {
	const { look, wholeLook } = looksOf(record.components);
	const left = new Map(plan.problem.steps.map((s) => [s.id, s.minutes[1]]));
	const open = record.steps.filter((s) => s.doneAt === null);
	const leaving = (
		kind: AlternativeKind,
		component: Component,
		words: string,
		steps: readonly Step[],
		loss: number,
		instead: string[]
	): CostumeAlternative => ({
		id: kind === 'simplify' ? `${kind} ${component.id} ${words}` : `${kind} ${component.id}`,
		kind,
		componentId: component.id,
		words,
		leave: steps.map((s) => String(s.id)),
		minutes: steps.reduce((sum, s) => sum + (left.get(String(s.id)) ?? 0), 0),
		savedMinor: kind === 'simplify' ? 0 : savedBy(record, workshop, steps),
		loss: loss / wholeLook,
		instead,
		shapeId: null,
		hours: null
	});
	const all: CostumeAlternative[] = [];
	for (const c of record.components) {
		const parts = withParts(record.components, c);
		const steps = open.filter((s) => parts.some((p) => p.id === s.componentId));
		if (steps.length === 0) continue;
		const loss = parts.reduce((sum, p) => sum + look.get(p.id)!, 0);
		const above = aboveOf(record.components, c).flatMap((p) => wholes(p.id));
		const whole = [...wholes(c.id), ...above];
		all.push(leaving('drop', c, 'left out', steps, loss, whole));
		const lender = others.find((o) =>
			o.components.some((d) => d.form !== '' && d.form === c.form && d.kind === c.kind && isMade(o, d))
		);
		if (lender)
			all.push(leaving('borrow', c, `borrowed from ${lender.costume.name}`, steps, loss * BORROWED, whole));
		const mine = steps.filter((s) => s.componentId === c.id);
		const offer = c.source === 'make' ? offers.get(c.id) : undefined;
		const bought = offer && boughtReady(c, mine, steps, offer, now);
		if (bought) {
			const buy = leaving('buy', c, bought.words, bought.leave, loss * BOUGHT, whole);
			all.push({ ...buy, savedMinor: buy.savedMinor - bought.priceMinor, waits: bought.waits });
		}
		const its = look.get(c.id)!;
		for (const frill of FRILLS) {
			const these = mine.filter((s) => (frill.techniques as readonly string[]).includes(s.technique));
			if (these.length) all.push(leaving('simplify', c, frill.words, these, its * frill.loss, whole));
		}
		all.push(...simplerForms(c, record, workshop, pieces, plan, its / wholeLook));
		const mockUps = mine.filter((s) => s.technique === 'mockUp');
		if (mockUps.length)
			all.push(leaving('simplify', c, 'without a mock-up', mockUps, its * NO_MOCK_UP, whole));
		const extra = extraCoats(record, mine, catalogueOf(workshop.handbook));
		if (extra.length)
			all.push(leaving('simplify', c, 'with the fewest coats', extra, its * FEWER_COATS, whole));
	}
	return [...all, ...moreHours(plan, workshop, now)];
}

/** Ways to have the whole of a component otherwise: one of them at most. */
const wholes = (id: number): string[] => [`drop ${id}`, `borrow ${id}`, `buy ${id}`];

/** Layers that fewer are tried of, and how much of its component's look it costs to do without all of them. Starting values, from memory. */
const FEWER_LAYERS = [8, 6, 4];
const ALL_LAYERS = 0.6;

/** The same in fewer layers: its pieces, and what hangs on them, as they would be. */
function simplerForms(
	component: Component,
	record: CostumeRecord,
	workshop: Workshop,
	{ shapes, wearers }: Pick<PiecesFrom, 'shapes' | 'wearers'>,
	plan: MadePlan,
	look: number
): CostumeAlternative[] {
	const trade = catalogueOf(workshop.handbook);
	const logged = loggedByStep(record.logs);
	const copies = copiesOf(component, new Map(record.components.map((c) => [c.id, c])));
	const layered = shapes.filter((s) => s.componentId === component.id && typeof s.values.layers === 'number');
	return layered.flatMap((shape) => {
		const now = shape.values.layers as number;
		const fewer = FEWER_LAYERS.filter((n) => n < now).slice(0, 2);
		const idOf = (n: number) => `simplify ${component.id} ${shape.id} in ${n}`;
		return fewer.flatMap((n): CostumeAlternative[] => {
			const simpler = { ...shape, values: { ...shape.values, layers: n } };
			const from = {
				shapes: shapes.map((s) => (s === shape ? simpler : s)),
				wearers,
				materials: workshop.materials
			};
			const changed = followPieces(record, { ...from, trade });
			const shorter = changed.steps.flatMap((s, i) =>
				s.componentId === component.id && s.doneAt === null && s.amount !== record.steps[i]!.amount
					? [
							{
								step: String(s.id),
								minutes: minutesLeft(stepMinutes(s, copies, workshop), logged.get(s.id) ?? 0)
							}
						]
					: []
			);
			const minutes = shorter.reduce(
				(sum, s) => sum + (plan.left.get(Number(s.step)) ?? 0) - s.minutes[1],
				0
			);
			if (minutes <= 0) return [];
			return [
				{
					id: idOf(n),
					kind: 'simplify',
					componentId: component.id,
					words: `in ${n} layers instead of ${now}`,
					leave: [],
					shorter,
					minutes,
					savedMinor: spendOf(record, workshop).totalMinor - spendOf(changed, workshop).totalMinor,
					loss: look * ALL_LAYERS * (1 - n / now),
					instead: [...fewer.filter((m) => m !== n).map(idOf), ...wholes(component.id)],
					shapeId: shape.id,
					hours: null
				}
			];
		});
	});
}

/** Bought ready: of its work only the last is left, trying it on, and that waits for the parcel. */
function boughtReady(
	component: Component,
	its: readonly Step[],
	all: readonly Step[],
	offer: Offer,
	now: LocalMinutes
): { words: string; leave: Step[]; waits: Alternative['waits']; priceMinor: number } | null {
	const kept = its.findLast((s) => s.technique === 'fit') ?? its[its.length - 1];
	if (!kept || all.length < 2) return null;
	const lead = { leadDays: offer.leadDays, leadWorkingDays: false };
	const at = arrivalDay(dayOf(now), lead) * DAY + ARRIVAL_CLOCK;
	return {
		words: `bought ready, there in ${offer.leadDays} days`,
		leave: all.filter((s) => s.id !== kept.id),
		waits: { step: String(kept.id), parcel: { id: `bought ${component.id}`, at, late: lateMinutes(lead) } },
		priceMinor: offer.priceMinor
	};
}

const withParts = (components: readonly Component[], c: Component): Component[] => [
	c,
	...components.filter((p) => p.parentId === c.id && p.id !== c.id).flatMap((p) => withParts(components, p))
];

function aboveOf(components: readonly Component[], c: Component): Component[] {
	const above: Component[] = [];
	for (let at = components.find((p) => p.id === c.parentId); at && !above.includes(at);)
		[above[above.length], at] = [at, components.find((p) => p.id === at!.parentId)];
	return above;
}

const isMade = (record: CostumeRecord, c: Component): boolean => {
	const steps = inOrder(record.steps, c.id);
	return steps.length > 0 && steps.every((s) => s.doneAt !== null);
};

/** Coats past the fewest that their product is put on in. */
function extraCoats(record: CostumeRecord, steps: readonly Step[], trade: Catalogue): Step[] {
	return record.coats.flatMap((coat) => {
		const all = record.steps.filter((s) => s.coatId === coat.id).sort((a, b) => a.position - b.position);
		const spare = all.length - coatProductOf(trade, coat.product).coats[0];
		return spare > 0 ? all.slice(1, 1 + spare).filter((s) => steps.some((m) => m.id === s.id)) : [];
	});
}

/** What the list costs less when these components take nothing more. */
function savedBy(record: CostumeRecord, workshop: Workshop, steps: readonly Step[]): number {
	const without = leaveOut(new Set(steps.map((s) => s.id)))({ record, workshop });
	return spendOf(record, workshop).totalMinor - spendOf(without.record, without.workshop).totalMinor;
}

/** An evening more a week, on a day without hours; and a second pair of hands on Saturdays. */
function moreHours(plan: MadePlan, workshop: Workshop, now: LocalMinutes): CostumeAlternative[] {
	const main = workshop.makers.find((m) => !m.helpsOnly);
	if (!main) return [];
	const free = [1, 2, 3, 4, 5, 7, 6].filter((d) => !main.windows.some((w) => w.days.includes(d)));
	const add = (
		kind: 'hours' | 'hands',
		words: string,
		maker: string | null,
		key: string,
		days: number[],
		hours: { from: number; to: number }
	): CostumeAlternative => ({
		id: `${kind} ${words}`,
		kind,
		componentId: null,
		words,
		leave: [],
		makers: [{ id: key, windows: [{ days, ...hours }] }],
		minutes: countDays(days, now, plan.deadline) * (hours.to - hours.from),
		savedMinor: 0,
		loss: 0,
		instead: [],
		shapeId: null,
		hours: { maker, days, ...hours }
	});
	const evenings = free
		.slice(0, 2)
		.map((d) =>
			add(
				'hours',
				`${main.name}: ${DAYS[d]} evenings, 18:00 to 21:00`,
				String(main.id),
				makerKey(main.id),
				[d],
				EVENING
			)
		);
	// Who works on every day can only go on for longer.
	const longer = evenings.length ? [] : main.windows.filter((w) => w.to <= LATEST - 60).slice(0, 1);
	return [
		...evenings,
		...longer.map((w) =>
			add(
				'hours',
				`${main.name}: an hour longer, until ${formatClock(w.to + 60)}`,
				String(main.id),
				makerKey(main.id),
				[...w.days],
				{ from: w.to, to: w.to + 60 }
			)
		),
		...helper(main.windows).map(({ day, from, to }) =>
			add(
				'hands',
				`a helper on ${DAYS[day]} evenings, ${formatClock(from)} to ${formatClock(to)}`,
				null,
				'one more',
				[day],
				{ from, to }
			)
		),
		add('hands', 'a second maker on Saturdays, 10:00 to 16:00', null, 'one more', [6], SATURDAY)
	];
}

/** The weekday evening on which the maker works for longest: two can then do what takes two. */
function helper(windows: readonly Window[]): { day: number; from: number; to: number }[] {
	const evenings = windows
		.filter((w) => w.from >= 12 * 60)
		.flatMap((w) => w.days.filter((d) => d <= 5).map((day) => ({ day, from: w.from, to: w.to })));
	return evenings.sort((a, b) => b.to - b.from - (a.to - a.from) || a.day - b.day).slice(0, 1);
}

const DAYS = ['', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

function countDays(days: readonly number[], from: LocalMinutes, to: LocalMinutes): number {
	let count = 0;
	for (let day = dayOf(from); day * DAY < to; day++) if (days.includes(weekdayOf(day))) count++;
	return count;
}
