import { z } from 'zod';
import { circleIn, stepsBefore } from '$core/facts/order.ts';
import { recoatWindow, waitOf } from '$core/answers/wait.ts';
import { PHASES, PLAIN_STEP, type Step, type TechniqueKey } from '$core/facts/step.ts';
import { takesOf } from '$core/answers/followPieces.ts';
import { techniqueOf, type Catalogue } from '$core/trade/catalogue.ts';
import { takes } from '$core/trade/handbookRow.ts';
import { checkCoat } from '$core/answers/coatStack.ts';
import { formatLocalTime, timeWords, type LocalMinutes } from '$core/units/localTime.ts';
import { parseArea, parseLength } from '$core/units/measure.ts';
import { parseNumber } from '$core/units/number.ts';
import { say, sayOf } from '$core/units/problem.ts';
import { loadRecord } from '../read/costume.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, one, Refused } from '../db/rows.ts';
import { insert, set, update } from '../db/tables.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';

/** What has to be said of a step; the rest is as of one that hangs on nothing. */
export type NewStep = Pick<
	Step,
	'componentId' | 'position' | 'name' | 'technique' | 'phase' | 'amount' | 'perCopy'
> &
	Partial<Omit<Step, 'id' | 'version' | 'after'>>;

/** No start is kept for a step that is new, also where it is another's copy; its links are rows of their own. */
export function insertStep(tx: Executor, step: NewStep): Promise<number> {
	const { after: _, ...row } = { ...PLAIN_STEP, ...step, pinnedAt: null };
	return insert(tx, 'step', row);
}

/** Room for one more among the steps of a component: what stands there, or later, moves on. */
export async function makeRoom(tx: Executor, componentId: number, position: number): Promise<void> {
	await tx.query('update step set position = position + 1 where component_id = $1 and position >= $2', [
		componentId,
		position
	]);
}

/** The place after the last step of a component. */
export const endOfSteps = async (tx: Executor, componentId: number): Promise<number> =>
	(await one<{ next: number }>(
		tx,
		'select coalesce(max(position) + 1, 0) as next from step where component_id = $1',
		[componentId]
	))!.next;

export async function sprayPlace(tx: Executor): Promise<number | null> {
	return (
		(await one<{ id: number }>(tx, 'select id from place where for_spray order by id limit 1'))?.id ?? null
	);
}

const shape = ({ trade }: Context) => ({
	name: f.name(),
	technique: f.keyOf(trade.technique),
	phase: f.choice(PHASES),
	amount: z.string({ error: 'Needs a value.' }),
	fromPieces: f.ticked(),
	takes: z
		.string()
		.default('')
		.transform((t) => t || null)
		.pipe(takes.nullable()),
	guessed: f.ticked(),
	perCopy: f.ticked(),
	setUpMinutes: f.duration(),
	waitMinutes: f.duration(),
	oneSitting: f.ticked(),
	needsHelper: f.ticked(),
	placeId: f.idOrNull()
});

/** Whether an amount is only the one that is kept, written in rounder figures. */
export const sameAmount = (typed: number, kept: number): boolean => Math.abs(typed - kept) <= 0.005 * kept;

/** Whether its amount follows the pieces: where it is wanted, and where these tell it. */
const follows = (
	v: { fromPieces: boolean; takes: string | null; technique: TechniqueKey },
	trade: Catalogue
) => v.fromPieces && takesOf(v, techniqueOf(trade, v.technique)) !== null;

/** The amount is a length, an area or a count, as the technique says. */
function withAmount<T extends { technique: TechniqueKey; amount: string }>({ settings, trade }: Context) {
	return (v: T, ctx: z.RefinementCtx): Omit<T, 'amount'> & { amount: number } => {
		const { driver } = techniqueOf(trade, v.technique);
		const unit = driver === 'length' ? settings.clothUnit : settings.lengthUnit;
		const parsed =
			driver === 'length'
				? parseLength(v.amount, unit)
				: driver === 'area'
					? parseArea(v.amount, unit)
					: parseNumber(v.amount);
		const most = driver === 'count' ? 100_000 : Infinity;
		if (parsed.ok && parsed.value >= 0 && parsed.value <= most) return { ...v, amount: parsed.value };
		const message = parsed.ok
			? parsed.value < 0
				? sayOf('negative')
				: sayOf('tooLarge', { most })
			: say(parsed.problem);
		ctx.addIssue({ code: 'custom', path: ['amount'], message });
		return z.NEVER;
	};
}

interface Named {
	id: number;
	name: string;
	componentId: number;
	code: string;
	position: number;
	doneAt: LocalMinutes | null;
	coatId: number | null;
	technique: TechniqueKey;
	amount: number;
}

export async function loadStep(tx: Executor, id: number, { costumeId }: Context): Promise<Named> {
	const row = await one<Named>(
		tx,
		`select s.id, s.name, s.component_id, c.code, s.position, s.done_at, s.coat_id, s.technique, s.amount
		from step s join component c on c.id = s.component_id where s.id = $1 and c.costume_id = $2`,
		[id, costumeId]
	);
	if (!row) throw new Absent('step');
	return row;
}

export async function renumber(tx: Executor, order: readonly number[]): Promise<void> {
	await tx.query(
		`update step s set position = o.position - 1 from unnest($1::integer[]) with ordinality as o (id, position)
		where s.id = o.id and s.position <> o.position - 1`,
		[order]
	);
}

const stepIds = async (tx: Executor, componentId: number) =>
	(
		await all<{ id: number }>(tx, 'select id from step where component_id = $1 order by position, id', [
			componentId
		])
	).map((s) => s.id);

/** Refuses links that would make steps wait for each other in a circle. */
export async function refuseCircle(tx: Executor, costumeId: number, field: string | null): Promise<void> {
	const record = await loadRecord(tx, costumeId);
	if (!record) return;
	const circle = circleIn(stepsBefore(record.components, record.steps));
	if (!circle) return;
	const names = [...circle, circle[0]!].map((id) => record.steps.find((s) => s.id === id)!.name);
	throw new Refused(sayOf('circle', { steps: names.join(' ← ') }), field);
}

/**
 * Whether this coat may have gone on at `at`: null when it may, or the words of the warning. Only a
 * coat after another coat is looked at, or one after a wait that has not ended.
 */
export async function coatWarning(
	tx: Executor,
	stepId: number,
	at: LocalMinutes,
	context: Context
): Promise<string | null> {
	const record = (await loadRecord(tx, context.costumeId))!;
	const step = record.steps.find((s) => s.id === stepId)!;
	if (step.coatId === null) return null;
	const before = record.steps
		.filter((s) => s.componentId === step.componentId && s.position < step.position && s.doneAt !== null)
		.sort((a, b) => b.position - a.position)[0];
	if (!before) return null;
	const warning = checkCoat(before.doneAt!, waitOf(before, context), recoatWindow(step, before, context), at);
	if (!warning) return null;
	return warning.code === 'coatTooEarly'
		? `Too early: “${before.name}” needs until ${timeWords(warning.from)}. A coat over one that is not dry stays sticky beneath.`
		: `In the forbidden recoat window since ${timeWords(warning.since)}: the coat below wrinkles. Wait until ${Number.isFinite(warning.from) ? timeWords(warning.from) : 'it is fully cured, then scuff'}.`;
}

export async function setDone(tx: Executor, id: number, at: LocalMinutes | null): Promise<void> {
	await set(tx, 'step', id, { doneAt: at });
}

/** Steps are done. What was done is what was there then: rates are learned from it, whatever becomes of the pieces. */
export async function finish(
	tx: Executor,
	ids: readonly number[],
	at: LocalMinutes,
	{ costumeId }: Context
): Promise<void> {
	const { steps } = (await loadRecord(tx, costumeId))!;
	for (const { id, amount, guessed } of steps.filter((s) => ids.includes(s.id)))
		await set(tx, 'step', id, { doneAt: at, amount, guessed });
}

export const stepCommands = {
	addStep: command(
		(context) =>
			z
				.object({ componentId: f.id(), faultId: f.idOrNull(), ...shape(context) })
				.transform(withAmount(context)),
		async (tx, v, { costumeId, trade }) => {
			const component = await one<{ code: string }>(
				tx,
				'select code from component where id = $1 and costume_id = $2',
				[v.componentId, costumeId]
			);
			if (!component) throw new Absent('component');
			const position = (await stepIds(tx, v.componentId)).length;
			const id = await insertStep(tx, { ...v, fromPieces: follows(v, trade), position });
			return { words: `Added step ${v.name} to ${component.code}`, result: { id } };
		}
	),

	editStep: command(
		(context) =>
			z.object({ id: f.id(), version: f.version(), ...shape(context) }).transform(withAmount(context)),
		async (tx, v, context) => {
			const { code, ...old } = await loadStep(tx, v.id, context);
			// Another amount is no guess any more.
			const same = v.technique === old.technique && sameAmount(v.amount, old.amount);
			await update(tx, 'step', v, {
				...v,
				amount: same ? old.amount : v.amount,
				guessed: v.guessed && same,
				fromPieces: follows(v, context.trade)
			});
			return { words: `Changed step ${v.name} of ${code}` };
		}
	),

	moveStep: command(
		() => z.object({ id: f.id(), index: f.whole(0, 10_000) }),
		async (tx, v, context) => {
			const me = await loadStep(tx, v.id, context);
			const order = (await stepIds(tx, me.componentId)).filter((id) => id !== v.id);
			order.splice(v.index, 0, v.id);
			await renumber(tx, order);
			await refuseCircle(tx, context.costumeId, null);
			return { words: `Moved step ${me.name} of ${me.code}` };
		}
	),

	removeStep: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, context) => {
			const me = await loadStep(tx, id, context);
			await tx.query('delete from step where id = $1', [id]);
			return { words: `Removed step ${me.name} of ${me.code}` };
		}
	),

	/** Another component's step that must be done first. */
	addStepAfter: command(
		() => z.object({ id: f.id(), afterId: f.id() }),
		async (tx, v, context) => {
			const me = await loadStep(tx, v.id, context);
			const other = await loadStep(tx, v.afterId, context);
			if (v.id === v.afterId) throw new Refused('A step cannot wait for itself.', 'afterId');
			await tx.query('insert into step_after (step_id, after_id) values ($1, $2) on conflict do nothing', [
				v.id,
				v.afterId
			]);
			await refuseCircle(tx, context.costumeId, 'afterId');
			return { words: `${me.code} ${me.name} waits for ${other.code} ${other.name}` };
		}
	),

	removeStepAfter: command(
		() => z.object({ id: f.id(), afterId: f.id() }),
		async (tx, v, context) => {
			const me = await loadStep(tx, v.id, context);
			const other = await loadStep(tx, v.afterId, context);
			await tx.query('delete from step_after where step_id = $1 and after_id = $2', [v.id, v.afterId]);
			return { words: `${me.code} ${me.name} no longer waits for ${other.code} ${other.name}` };
		}
	),

	/** Done: now, or at the time given. A coat in the wrong moment is warned of first. */
	finishStep: command(
		() =>
			z.object({
				id: f.id(),
				at: z.preprocess((t) => t || undefined, f.time().optional()),
				anyway: f.ticked()
			}),
		async (tx, v, context) => {
			const me = await loadStep(tx, v.id, context);
			const at = v.at ?? context.now;
			if (at > context.now) throw new Refused('That time has not come yet.', 'at');
			const warning = v.anyway ? null : await coatWarning(tx, v.id, at, context);
			if (warning) throw new Refused(warning, 'anyway');
			const running = await one<{ id: number; startedAt: LocalMinutes }>(
				tx,
				'select id, started_at from work_log where step_id = $1 and ended_at is null',
				[v.id]
			);
			if (running)
				await tx.query(
					'update work_log set ended_at = greatest($2::timestamp, started_at), minutes = $3 where id = $1',
					[running.id, formatLocalTime(at), Math.max(0, at - running.startedAt)]
				);
			await finish(tx, [v.id], at, context);
			return { words: `Finished ${me.name} of ${me.code}` };
		}
	),

	reopenStep: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, context) => {
			const me = await loadStep(tx, id, context);
			await setDone(tx, id, null);
			return { words: `Took up ${me.name} of ${me.code} again` };
		}
	)
};
