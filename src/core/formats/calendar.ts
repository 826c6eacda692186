import { waitOf, type Drying } from '../answers/wait.ts';
import { leadWords } from '../answers/leadTime.ts';
import ical, { ICalEventTransparency } from 'ical-generator';
import type { Care } from '../answers/care.ts';
import type { CostumePlan } from '../answers/plan.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import { DAY, dayWords, type LocalMinutes } from '../units/localTime.ts';

/** Minutes of the event that a calendar shows: nobody has said how long it lasts. */
const EVENT_MINUTES = 8 * 60;
const REHEARSAL_MINUTES = 3 * 60;
const FITTING_MINUTES = 60;

/**
 * The plan as an iCalendar file (RFC 5545): order-by days, working blocks, ends of waits, fittings,
 * the rehearsal, the event, and days to look after what is kept. All times are floating: local wherever they are read, as in the plan. The same thing keeps
 * its UID, so that reading the file again updates instead of doubling.
 */
export function toCalendar(
	record: CostumeRecord,
	plan: CostumePlan,
	workshop: Drying,
	now: LocalMinutes,
	cares: readonly Pick<Care, 'component' | 'dueOn' | 'kept'>[] = []
): string {
	const { costume } = record;
	const calendar = ical({
		name: costume.name,
		prodId: { company: 'dapper-ledger', product: 'plan', language: 'EN' }
	});
	const components = new Map(record.components.map((c) => [c.id, c]));
	const steps = new Map(record.steps.map((s) => [String(s.id), s]));
	const add = (
		key: string,
		start: LocalMinutes,
		end: LocalMinutes,
		summary: string,
		extra: { allDay?: boolean; busy?: boolean; description?: string } = {}
	) =>
		calendar.createEvent({
			id: `${key}@costume-${costume.id}.dapper-ledger`,
			stamp: dateOf(now),
			start: dateOf(start),
			end: dateOf(end),
			allDay: extra.allDay ?? false,
			floating: true,
			summary,
			...(extra.description ? { description: extra.description } : {}),
			transparency: extra.busy ? ICalEventTransparency.OPAQUE : ICalEventTransparency.TRANSPARENT
		});

	add(
		'event',
		costume.eventAt,
		costume.eventAt + EVENT_MINUTES,
		costume.eventName || `${costume.name}: event`,
		{ busy: true }
	);
	if (costume.rehearsalAt !== null)
		add(
			'rehearsal',
			costume.rehearsalAt,
			costume.rehearsalAt + REHEARSAL_MINUTES,
			`${costume.name}: rehearsal`,
			{
				busy: true
			}
		);
	for (const fitting of record.fittings)
		add(
			`fitting-${fitting.id}`,
			fitting.heldAt,
			fitting.heldAt + FITTING_MINUTES,
			`Fitting ${fitting.componentIds.map((id) => components.get(id)?.code ?? '').join(', ')}`.trim(),
			{ busy: true }
		);
	for (const order of plan.orders)
		if (order.orderByDay !== null)
			add(
				`order-${order.material.id}`,
				order.orderByDay * DAY,
				(order.orderByDay + 1) * DAY,
				`Order ${order.material.name}`,
				{
					allDay: true,
					description: `Lead time ${leadWords(order.purchase ?? order.material)}.${order.tooLate ? ' It can no longer arrive in time.' : ''}${order.odds?.hopeless ? ` Ordered on ${dayWords(order.odds.hopeless)} or later not one simulated build in a hundred is ready in time.` : ''}`
				}
			);
	for (const planned of plan.schedule.steps) {
		const step = steps.get(planned.id)!;
		const code = components.get(step.componentId)?.code ?? '';
		planned.blocks.forEach(([from, to], i) =>
			add(`step-${step.id}-${i + 1}`, from, to, `${code} ${step.name}`, { busy: true })
		);
		if (planned.ready > planned.end)
			add(`dry-${step.id}`, planned.ready, planned.ready, `${code} ${step.name}: waiting ends`);
	}
	for (const step of record.steps) {
		const until = step.doneAt === null ? 0 : step.doneAt + waitOf(step, workshop);
		if (until > now)
			add(
				`dry-${step.id}`,
				until,
				until,
				`${components.get(step.componentId)?.code} ${step.name}: waiting ends`
			);
	}
	for (const { component, dueOn, kept } of cares)
		if (dueOn !== null)
			add(
				`look-${component.id}`,
				dueOn * DAY,
				(dueOn + 1) * DAY,
				`Look after ${component.code} ${component.name}`,
				{
					allDay: true,
					...(kept?.place ? { description: `Kept: ${kept.place}` } : {})
				}
			);
	return calendar.toString();
}

/** Floating times are written from the UTC parts of a Date: no zone ever touches them. */
const dateOf = (at: LocalMinutes) => new Date(at * 60_000);
