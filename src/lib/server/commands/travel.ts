import pluralize from 'pluralize';
import { z } from 'zod';
import { atTheDoor, partsFor } from '$core/answers/door.ts';
import { longestPart, SLEEVE_MM } from '$core/answers/packed.ts';
import { cutDown } from '$core/engines/pattern/cutDown.ts';
import { isSameEvent, LEGS, RULE_KINDS, type EventRule, type TravelCase } from '$core/facts/travel.ts';
import { FEATURES, TRAVELS } from '$core/facts/wear.ts';
import { formatLength } from '$core/units/measure.ts';
import { say } from '$core/units/problem.ts';
import type { Vec } from '$core/units/vec.ts';
import type { Executor } from '../db/open.ts';
import { Absent, one, Refused } from '../db/rows.ts';
import { insert, select, update } from '../db/tables.ts';
import { loadShapes } from '../read/measure.ts';
import { loadLuggage, loadTravel } from '../read/travel.ts';
import { loadMaterials } from '../read/workshop.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';
import { insertJoin, recordOf, setWearing } from './join.ts';
import { checked, keepWorks } from './shape.ts';

const LONGEST_MM = 20_000;
const sideOrNull = ({ settings }: Context) => f.lengthOrNull(settings.lengthUnit, 1, LONGEST_MM);
const side = ({ settings }: Context) => f.lengthBetween(settings.lengthUnit, 1, LONGEST_MM);

/** Three sides, or none of them. */
function box(sides: readonly (number | null)[], fields: readonly string[]): Vec | null {
	const missing = sides.findIndex((s) => s === null);
	if (missing < 0) return sides as unknown as Vec;
	if (sides.every((s) => s === null)) return null;
	throw new Refused('Needs all three sides.', fields[missing]!);
}

const ruleShape = (context: Context) => ({
	kind: f.choice(RULE_KINDS),
	most: sideOrNull(context),
	kilograms: f.orNull(f.above0(1000)),
	long: sideOrNull(context),
	wide: sideOrNull(context),
	high: sideOrNull(context),
	hours: f.orNull(f.above0(24)),
	note: f.note()
});
type RuleInput = z.infer<z.ZodObject<ReturnType<typeof ruleShape>>>;

/** What a rule limits; a limit that is missing is told at its field. */
function limitsOf({ kind, most, kilograms, long, wide, high, hours, note }: RuleInput): number[] {
	if (kind === 'length') {
		if (most === null) throw new Refused('Needs a limit: how long a thing may be.', 'most');
		return [most];
	}
	if (kind === 'weight') {
		if (kilograms === null) throw new Refused('Needs a limit: how heavy a thing may be.', 'kilograms');
		return [kilograms * 1000];
	}
	if (kind === 'case') {
		const sides = box([long, wide, high], ['long', 'wide', 'high']);
		if (!sides) throw new Refused('Needs a limit: how large a case may be.', 'long');
		return [...sides];
	}
	if (kind === 'hours') {
		if (hours === null) throw new Refused('Needs a limit: how many hours a day.', 'hours');
		return [hours];
	}
	if (kind === 'other' && note === '') throw new Refused('Say what the rule is.', 'note');
	return [];
}

async function eventOf(tx: Executor, context: Context): Promise<string> {
	const { costume } = await recordOf(tx, context);
	if (costume.eventName.trim() === '')
		throw new Refused('This costume has no event yet: name it first, under Change.');
	return costume.eventName.trim();
}

const caseShape = (context: Context) => ({
	name: f.name(60),
	long: side(context),
	wide: side(context),
	high: side(context),
	wallMm: f.lengthBetween(context.settings.lengthUnit, 0, 200),
	kg: f.above0(1000)
});
const caseRow = ({
	long,
	wide,
	high,
	...row
}: z.infer<z.ZodObject<ReturnType<typeof caseShape>>>): Omit<TravelCase, 'id' | 'version' | 'position'> => ({
	...row,
	inner: [long, wide, high]
});

const ruleAt = async (tx: Executor, id: number): Promise<EventRule> => {
	const [rule] = await select<EventRule>(tx, 'event_rule', 'id', [id]);
	if (!rule) throw new Absent('rule');
	return rule;
};

export const travelCommands = {
	/** The box of a component, how it packs, and what of it an event may forbid. */
	setTravel: command(
		(context) =>
			z.object({
				componentId: f.id(),
				long: sideOrNull(context),
				wide: sideOrNull(context),
				high: sideOrNull(context),
				parts: f.whole(1, 12),
				packedLong: sideOrNull(context),
				packedWide: sideOrNull(context),
				packedHigh: sideOrNull(context),
				softTo: f.orNull(f.decimal(5, 100)),
				fragile: f.ticked(),
				upright: f.ticked(),
				/** `case`, `worn`, `hand`, or the component inside which it travels. */
				travels: z
					.string()
					.refine(
						(t) => (TRAVELS as readonly string[]).includes(t) || /^\d+$/.test(t),
						'Choose one of these.'
					),
				features: f.several(FEATURES)
			}),
		async (tx, v, context) => {
			const { components } = await recordOf(tx, context);
			const component = components.find((c) => c.id === v.componentId);
			if (!component) throw new Absent('component');
			const insideId = /^\d+$/.test(v.travels) ? Number(v.travels) : null;
			if (insideId === component.id) throw new Refused('It cannot travel inside itself.', 'travels');
			if (insideId !== null && !components.some((c) => c.id === insideId))
				throw new Refused('That component is not there any more: choose another.', 'travels');
			await setWearing(
				tx,
				component.id,
				{
					size: box([v.long, v.wide, v.high], ['long', 'wide', 'high']),
					packed: box([v.packedLong, v.packedWide, v.packedHigh], ['packedLong', 'packedWide', 'packedHigh']),
					parts: v.parts,
					softTo: v.softTo === null ? null : v.softTo / 100,
					fragile: v.fragile,
					upright: v.upright,
					travels: insideId === null ? (v.travels as (typeof TRAVELS)[number]) : 'case',
					insideId,
					features: v.features
				},
				context
			);
			return { words: `Said how ${component.code} travels` };
		}
	),

	addRule: command(
		(context) => z.object(ruleShape(context)),
		async (tx, v, context) => {
			const eventName = await eventOf(tx, context);
			await insert(tx, 'event_rule', { eventName, kind: v.kind, limits: limitsOf(v), note: v.note });
			return { words: `A rule of ${eventName}` };
		}
	),

	editRule: command(
		(context) => z.object({ id: f.id(), version: f.version(), ...ruleShape(context) }),
		async (tx, v) => {
			const { eventName } = await ruleAt(tx, v.id);
			await update(tx, 'event_rule', v, { kind: v.kind, limits: limitsOf(v), note: v.note });
			return { words: `Changed a rule of ${eventName}` };
		}
	),

	removeRule: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }) => {
			const { eventName } = await ruleAt(tx, id);
			await tx.query('delete from event_rule where id = $1', [id]);
			return { words: `Removed a rule of ${eventName}` };
		}
	),

	/** The rules of another event, but for those of a kind that this one has. */
	copyRules: command(
		() => z.object({ from: f.name(200) }),
		async (tx, { from }, context) => {
			const eventName = await eventOf(tx, context);
			const { rules } = await loadTravel(tx, context.costumeId);
			const has = new Set(
				rules.filter((r) => isSameEvent(r.eventName, eventName) && r.kind !== 'other').map((r) => r.kind)
			);
			const copied = rules.filter((r) => isSameEvent(r.eventName, from) && !has.has(r.kind));
			if (!copied.length) throw new Refused('There is no rule that this event does not have yet.', 'from');
			for (const { kind, limits, note } of copied)
				await insert(tx, 'event_rule', { eventName, kind, limits, note });
			return { words: `Copied ${pluralize('rule', copied.length, true)} of ${from}` };
		}
	),

	/** What is too long comes apart: its pieces are cut, and what joins the parts is one of its joins. */
	takeApart: command(
		() => z.object({ componentId: f.id(), ruleId: f.id() }),
		async (tx, { componentId, ruleId }, context) => {
			const record = await recordOf(tx, context);
			const component = record.components.find((c) => c.id === componentId);
			if (!component) throw new Absent('component');
			const rule = await ruleAt(tx, ruleId);
			const luggage = await loadLuggage(tx, record, {
				handbook: context.handbook,
				materials: await loadMaterials(tx)
			});
			const [check] = atTheDoor([rule], luggage, []);
			const its = luggage.find((l) => l.component.id === componentId);
			const size = its?.said.size;
			if (!size || check?.checks.find((c) => c.component?.id === componentId)?.verdict !== 'fails')
				throw new Refused('It is not too long any more: look again.');
			const parts = partsFor(size, rule.limits[0]!);
			if (parts === null)
				throw new Refused('It would have to come apart into more parts than hold together.');
			for (const shape of await loadShapes(tx, [context.costumeId])) {
				if (shape.componentId !== componentId) continue;
				const { shaped } = await checked(tx, componentId, shape, context);
				const cut = cutDown(shaped.pieces, longestPart(size, parts));
				if (!cut.ok) throw new Refused(say(cut.problem));
				if (cut.value.length) await keepWorks(tx, shape, [...shape.works, ...cut.value], context, () => '');
			}
			await insertJoin(
				tx,
				{
					componentId,
					holdsTo: 'self',
					toComponentId: null,
					fastener: 'sleeve',
					count: parts - 1,
					widthMm: Math.min(...size),
					lengthMm: SLEEVE_MM,
					zone: null,
					outMm: 0,
					upMm: 0,
					forwardMm: 0,
					faces: 'up',
					breakaway: false,
					hidden: false
				},
				record,
				context
			);
			await setWearing(tx, componentId, { parts, packed: null }, context);
			return {
				words: `${component.code} comes apart into ${parts} parts of ${formatLength(longestPart(size, parts), context.settings.lengthUnit)}`
			};
		}
	),

	addCase: command(
		(context) => z.object(caseShape(context)),
		async (tx, v) => {
			const { next } = (await one<{ next: number }>(
				tx,
				'select coalesce(max(position) + 1, 0) as next from travel_case'
			))!;
			await insert(tx, 'travel_case', { ...caseRow(v), position: next });
			return { words: `A case: ${v.name}` };
		}
	),

	editCase: command(
		(context) => z.object({ id: f.id(), version: f.version(), ...caseShape(context) }),
		async (tx, { id, version, ...v }) => {
			await update(tx, 'travel_case', { id, version }, caseRow(v));
			return { words: `Changed the case ${v.name}` };
		}
	),

	removeCase: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }) => {
			const [found] = await select<TravelCase>(tx, 'travel_case', 'id', [id]);
			if (!found) throw new Absent('case');
			await tx.query('delete from travel_case where id = $1', [id]);
			return { words: `Removed the case ${found.name}` };
		}
	),

	/** A line of the list is there, or is not. */
	tickPacked: command(
		() =>
			z.object({
				line: z.string().min(1).max(200),
				leg: f.choice(LEGS),
				on: f.ticked(),
				words: f.text()
			}),
		async (tx, { line, leg, on, words }, { costumeId }) => {
			if (on)
				await tx.query(
					'insert into pack_tick (costume_id, line, leg) values ($1, $2, $3) on conflict do nothing',
					[costumeId, line, leg]
				);
			else
				await tx.query('delete from pack_tick where costume_id = $1 and line = $2 and leg = $3', [
					costumeId,
					line,
					leg
				]);
			return { words: `${on ? 'There' : 'Not there'}: ${words || line}` };
		}
	),

	/** All ticks are taken off, for the next event. */
	newTrip: command(
		() => z.object({}),
		async (tx, _v, { costumeId }) => {
			await tx.query('delete from pack_tick where costume_id = $1', [costumeId]);
			return { words: 'The packing list begins anew' };
		}
	)
};
