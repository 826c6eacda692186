import { painted, weekOf, windowsOf, windowsOfBoth, type Week } from '$core/answers/paintWeek.ts';
import { z } from 'zod';
import { SUMMER_TIME_KEYS } from '$core/facts/calendar.ts';
import { isColdOrDamp, withReading } from '$core/answers/wait.ts';
import { USED_UP } from '$core/facts/material.ts';
import { COMFORT_KEYS, MOTIONS, type ComfortLimits } from '$core/facts/wear.ts';
import { techniqueOf } from '$core/trade/catalogue.ts';
import { DAY, dayOf } from '$core/units/localTime.ts';
import { formatNumber } from '$core/units/number.ts';
import { CURRENCIES } from '$core/units/money.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, one, Refused } from '../db/rows.ts';
import { insert, set, update } from '../db/tables.ts';
import { command } from './command.ts';
import * as f from './fields.ts';

const nameIn = async (tx: Executor, sql: string, id: number, what: string): Promise<string> => {
	const row = await one<{ name: string }>(tx, sql, [id]);
	if (!row) throw new Absent(what);
	return row.name;
};
export const makerName = (tx: Executor, id: number) =>
	nameIn(tx, 'select name from maker where id = $1', id, 'maker');
export const placeName = (tx: Executor, id: number) =>
	nameIn(tx, 'select name from place where id = $1', id, 'place');

const place = {
	name: f.name(),
	capacity: f.whole(1, 100),
	forSpray: f.ticked(),
	daylightOnly: f.ticked(),
	dryOnly: f.ticked()
};

/** Rates are told in the workshop's currency: in another one they are others, or nobody knows them. */
async function turnRates(tx: Executor, from: string, to: string): Promise<void> {
	const now = await one<{ rate: number }>(tx, 'select rate from exchange_rate where currency = $1', [to]);
	if (!now) {
		await tx.query('delete from exchange_rate');
		return;
	}
	await tx.query('delete from exchange_rate where currency = $1', [to]);
	await tx.query('update exchange_rate set rate = rate / $1', [now.rate]);
	await insert(tx, 'exchange_rate', { currency: from, rate: 1 / now.rate });
}

const minute = z.number().int().min(0).max(DAY);
/** Monday first: minutes from, to. */
const weekSchema = z
	.array(z.array(z.tuple([minute, minute]).refine(([from, to]) => from < to)).max(100))
	.length(7);

export const workshopCommands = {
	/** How much more than it comes to is bought of what is worked out, in per cent, family by family. */
	setMargins: command(
		() => z.object({ version: f.version(), more: z.array(f.decimal(0, 200)).length(USED_UP.length) }),
		async (tx, { version, more }) => {
			const margins = Object.fromEntries(USED_UP.map((family, i) => [family, 1 + more[i]! / 100]));
			await update(tx, 'setting', { id: 1, version }, { margins });
			return { words: 'Changed how much more is bought' };
		}
	),

	/** Between which differences parts of one colour read as a mistake. */
	setNearMiss: command(
		() =>
			z
				.object({ version: f.version(), nearMissLeast: f.decimal(0, 100), nearMissMost: f.decimal(0, 100) })
				.refine((v) => v.nearMissLeast <= v.nearMissMost, {
					path: ['nearMissMost'],
					message: 'The most is at least the least.'
				}),
		async (tx, { version, ...v }) => {
			await update(tx, 'setting', { id: 1, version }, v);
			return { words: `Colours read as a mistake from ${v.nearMissLeast} to ${v.nearMissMost} apart` };
		}
	),

	/** How many times its weight pulls on what holds a thing. */
	setLoadFactors: command(
		() =>
			z
				.object({
					version: f.version(),
					standing: f.decimal(1, 20),
					walking: f.decimal(1, 20),
					jumping: f.decimal(1, 20)
				})
				.refine((v) => v.standing <= v.walking && v.walking <= v.jumping, {
					path: ['jumping'],
					message: 'Walking pulls no less than standing, and jumping no less than walking.'
				}),
		async (tx, { version, ...loadFactors }) => {
			await update(tx, 'setting', { id: 1, version }, { loadFactors });
			return {
				words: `Motion pulls ${MOTIONS.map((m) => loadFactors[m]).join(', ')} times the weight: standing, walking, jumping`
			};
		}
	),

	/** What head, neck, shoulders, waist, arms, hands and legs bear for hours. */
	setComfort: command(
		() =>
			z
				.object({
					version: f.version(),
					...(Object.fromEntries(COMFORT_KEYS.map((key) => [key, f.above0(100_000)])) as Record<
						keyof ComfortLimits,
						ReturnType<typeof f.above0>
					>)
				})
				.refine((v) => v.shoulders >= v.shoulder, {
					path: ['shoulders'],
					message: 'Both shoulders bear no less than one.'
				}),
		async (tx, { version, ...comfort }) => {
			await update(tx, 'setting', { id: 1, version }, { comfort });
			return { words: 'Changed what is borne for hours' };
		}
	),

	/** How warm and damp it is where things dry: all waits follow. Nothing typed is a usual day. */
	setAir: command(
		() =>
			z.object({
				celsius: f.orNull(
					f.decimal(-30, 60).refine((c) => c >= 0, 'Below freezing nothing dries: take it where it is warm.')
				),
				humidity: f.orNull(f.decimal(0, 100))
			}),
		async (tx, v, { now, settings }) => {
			const coldOrDamp = isColdOrDamp(v);
			const air = withReading(settings.air, { ...v, on: dayOf(now), coldOrDamp });
			await set(tx, 'setting', 1, { air, coldOrDamp });
			const told = [
				v.celsius === null ? '' : `${formatNumber(v.celsius, 1)} °C`,
				v.humidity === null ? '' : `${formatNumber(v.humidity)} % damp`
			].filter(Boolean);
			return { words: `Where it dries: ${told.join(', ') || 'as usual'}` };
		}
	),

	editSetting: command(
		({ settings }) =>
			z.object({
				version: f.version(),
				lengthUnit: f.choice(['mm', 'cm', 'in']),
				clothUnit: f.choice(['m', 'yd']),
				weightUnit: f.choice(['g', 'oz']),
				currency: f.choice(CURRENCIES),
				weekStart: f.whole(1, 7),
				coldOrDamp: f.ticked(),
				latitude: f.decimal(-65, 65),
				noonMinute: f.clock().refine((m) => m >= 600 && m <= 900, 'Between 10:00 and 15:00.'),
				summerTime: f.choice(SUMMER_TIME_KEYS),
				wetDays: f.whole(0, 28),
				bedWideMm: f.lengthBetween(settings.lengthUnit, 50, 5000),
				bedDeepMm: f.lengthBetween(settings.lengthUnit, 50, 5000),
				bedHighMm: f.lengthBetween(settings.lengthUnit, 50, 5000)
			}),
		async (tx, v, { settings, now }) => {
			// Said by hand, it is not what was measured any more.
			const { coldOrDamp } = v;
			const said = { on: dayOf(now), celsius: null, humidity: null, coldOrDamp };
			const air = coldOrDamp === settings.coldOrDamp ? settings.air : withReading(settings.air, said);
			await update(tx, 'setting', { id: 1, version: v.version }, { ...v, air });
			if (v.currency !== settings.currency) await turnRates(tx, settings.currency, v.currency);
			return { words: 'Changed the settings' };
		}
	),

	addMaker: command(
		() => z.object({ name: f.name(), helpsOnly: f.ticked() }),
		async (tx, v) => {
			await tx.query(
				'insert into maker (position, name, helps_only) values ((select coalesce(max(position) + 1, 0) from maker), $1, $2)',
				[v.name, v.helpsOnly]
			);
			return { words: `Added maker ${v.name}` };
		}
	),

	editMaker: command(
		() => z.object({ id: f.id(), version: f.version(), name: f.name(), helpsOnly: f.ticked() }),
		async (tx, v) => {
			await update(tx, 'maker', v, v);
			return { words: `Changed maker ${v.name}` };
		}
	),

	/** What a maker does; everything when all or nothing is ticked. */
	setSkills: command(
		({ trade }) => z.object({ id: f.id(), techniques: f.severalKeys(trade.technique) }),
		async (tx, { id, techniques }, { trade }) => {
			const name = await makerName(tx, id);
			const all = techniques.length === 0 || techniques.length === Object.keys(trade.technique).length;
			await set(tx, 'maker', id, { techniques: all ? null : techniques });
			return { words: all ? `${name} does everything` : `Changed what ${name} does` };
		}
	),

	removeMaker: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }) => {
			const name = await makerName(tx, id);
			const count = await one<{ count: number }>(tx, 'select count(*) as count from maker');
			if (count!.count < 2) throw new Refused('Somebody has to do the work: the last maker stays.');
			await tx.query('delete from maker where id = $1', [id]);
			return { words: `Removed maker ${name}` };
		}
	),

	/** Working hours of a maker, or opening hours of a place. */
	addWindow: command(
		() =>
			z.object({
				makerId: f.idOrNull(),
				placeId: f.idOrNull(),
				days: z
					.array(f.whole(1, 7))
					.min(1, 'Choose at least one day.')
					.default([])
					.refine((d) => d.length > 0, 'Choose at least one day.'),
				from: f.clock(),
				to: f.clock()
			}),
		async (tx, v) => {
			if (v.to <= v.from)
				throw new Refused(
					'Must end after it begins. For past midnight, add a second one for the next day.',
					'to'
				);
			if ((v.makerId === null) === (v.placeId === null)) throw new Absent('maker');
			const name = v.makerId === null ? await placeName(tx, v.placeId!) : await makerName(tx, v.makerId);
			await insert(tx, 'working_window', {
				makerId: v.makerId,
				placeId: v.placeId,
				days: v.days,
				from: v.from,
				to: v.to
			});
			return { words: `Added hours to ${name}` };
		}
	),

	/** A whole week, as it was painted, instead of the hours that were. */
	setWeek: command(
		() =>
			z.object({
				makerId: f.idOrNull(),
				placeId: f.idOrNull(),
				week: f.json(weekSchema, 'This is no week.'),
				/** Of a maker whose weeks of odd numbers differ; null where every week is alike. */
				odd: f.json(weekSchema.nullable(), 'This is no week.').optional()
			}),
		async (tx, { makerId, placeId, week, odd = null }) => {
			if ((makerId === null) === (placeId === null)) throw new Absent('maker');
			const name = makerId === null ? await placeName(tx, placeId!) : await makerName(tx, makerId);
			await tx.query(
				'delete from working_window where maker_id is not distinct from $1 and place_id is not distinct from $2',
				[makerId, placeId]
			);
			// Whatever order it was sent in, hours are in order and apart.
			const clean = (its: z.infer<typeof weekSchema>) =>
				its.reduce<Week>(
					(all, spans, i) =>
						spans.reduce<Week>((w, [from, to]) => painted(w, { day: i + 1, from, to }, true), all),
					weekOf([])
				);
			const windows =
				odd && makerId !== null ? windowsOfBoth(clean(week), clean(odd)) : windowsOf(clean(week));
			for (const w of windows) await insert(tx, 'working_window', { makerId, placeId, ...w });
			return { words: `Changed the hours of ${name}` };
		}
	),

	removeWindow: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }) => {
			const rows = await all<{ makerId: number | null; placeId: number | null }>(
				tx,
				'delete from working_window where id = $1 returning maker_id, place_id',
				[id]
			);
			const row = rows[0];
			if (!row) throw new Absent('window');
			const name =
				row.makerId === null ? await placeName(tx, row.placeId!) : await makerName(tx, row.makerId);
			return { words: `Took hours from ${name}` };
		}
	),

	addPlace: command(
		() => z.object(place),
		async (tx, v) => {
			await insert(tx, 'place', v);
			return { words: `Added place ${v.name}` };
		}
	),

	editPlace: command(
		() => z.object({ id: f.id(), version: f.version(), ...place }),
		async (tx, v) => {
			await update(tx, 'place', v, v);
			return { words: `Changed place ${v.name}` };
		}
	),

	removePlace: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }) => {
			const name = await placeName(tx, id);
			const used = await one<{ count: number }>(
				tx,
				'select count(*) as count from step where place_id = $1 and done_at is null',
				[id]
			);
			if (used!.count > 0)
				throw new Refused(
					`${used!.count} open ${used!.count === 1 ? 'step needs' : 'steps need'} ${name}. Change them first.`
				);
			await tx.query('delete from place where id = $1', [id]);
			return { words: `Removed place ${name}` };
		}
	),

	setRate: command(
		({ trade }) =>
			z
				.object({
					technique: f.keyOf(trade.technique),
					goodMinutes: f.decimal(0, 10_000),
					usualMinutes: f.decimal(0, 10_000),
					badMinutes: f.decimal(0, 10_000)
				})
				.refine((v) => v.goodMinutes <= v.usualMinutes, {
					path: ['usualMinutes'],
					message: 'Usual is at least good.'
				})
				.refine((v) => v.usualMinutes <= v.badMinutes, {
					path: ['badMinutes'],
					message: 'Bad is at least usual.'
				}),
		async (tx, v, { trade }) => {
			await tx.query(
				`insert into rate (technique, good_minutes, usual_minutes, bad_minutes) values ($1, $2, $3, $4)
				on conflict (technique) do update set good_minutes = $2, usual_minutes = $3, bad_minutes = $4`,
				[v.technique, v.goodMinutes, v.usualMinutes, v.badMinutes]
			);
			return { words: `Set the rate for ${techniqueOf(trade, v.technique).name}` };
		}
	),

	resetRate: command(
		({ trade }) => z.object({ technique: f.keyOf(trade.technique) }),
		async (tx, v, { trade }) => {
			await tx.query('delete from rate where technique = $1', [v.technique]);
			return { words: `Put the rate for ${techniqueOf(trade, v.technique).name} back to its starting value` };
		}
	),

	setExchangeRate: command(
		() => z.object({ currency: f.choice(CURRENCIES), rate: f.above0(1_000_000) }),
		async (tx, v, { settings }) => {
			if (v.currency === settings.currency)
				throw new Refused('That is the currency of the workshop.', 'currency');
			await tx.query(
				`insert into exchange_rate (currency, rate) values ($1, $2)
				on conflict (currency) do update set rate = $2`,
				[v.currency, v.rate]
			);
			return { words: `1 ${v.currency} is ${v.rate} ${settings.currency}` };
		}
	),

	removeExchangeRate: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }) => {
			const row = await one<{ currency: string }>(
				tx,
				'delete from exchange_rate where id = $1 returning currency',
				[id]
			);
			if (!row) throw new Absent('exchange rate');
			return { words: `Removed the rate of ${row.currency}` };
		}
	)
};
