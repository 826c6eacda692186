import { z } from 'zod';
import { carrying, remedies, type Remedy } from '$core/answers/holding.ts';
import { fastenerWords, holdsToWords, joinCircle, joinStepName } from '$core/answers/joins.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import { boxOf, flatten } from '$core/engines/pattern/outline.ts';
import { shareOf } from '$core/engines/pattern/operations.ts';
import { inOrder } from '$core/facts/order.ts';
import { pieceOperation, type PieceOperation } from '$core/facts/pieceOperation.ts';
import { FACINGS, type Join, type Wearing } from '$core/facts/wear.ts';
import { ZONES } from '$core/facts/zone.ts';
import { fastenerOf, workOf } from '$core/trade/fastener.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, one, Refused } from '../db/rows.ts';
import { insert, set, update } from '../db/tables.ts';
import { loadRecord } from '../read/costume.ts';
import { loadShapes } from '../read/measure.ts';
import { loadHeld, loadWear } from '../read/wear.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';
import { checked, keepWorks } from './shape.ts';
import { endOfSteps, insertStep, makeRoom } from './step.ts';

/** From the middle of a component. */
const FAR_MM = 2000;

const place = ({ settings: { lengthUnit } }: Context) => ({
	outMm: f.lengthEitherWay(lengthUnit, FAR_MM).default(0),
	upMm: f.lengthEitherWay(lengthUnit, FAR_MM).default(0),
	forwardMm: f.lengthEitherWay(lengthUnit, FAR_MM).default(0)
});

const moved = () => f.decimal(-FAR_MM, FAR_MM).transform(Math.round);

const shape = (context: Context) => ({
	/** `body`, `self`, or another component. */
	to: z
		.string({ error: 'Choose what it holds to.' })
		.refine((to) => /^(body|self|\d+)$/.test(to), 'Choose what it holds to.'),
	fastener: f.keyOf(context.trade.fastener),
	count: f.whole(1, 500),
	widthMm: f.lengthBetween(context.settings.lengthUnit, 1, 1000),
	lengthMm: f.lengthBetween(context.settings.lengthUnit, 1, 5000),
	zone: f.choiceOrNull(ZONES),
	...place(context),
	faces: f.choice(FACINGS),
	breakaway: f.ticked(),
	hidden: f.ticked()
});

export async function recordOf(tx: Executor, { costumeId }: Context): Promise<CostumeRecord> {
	const record = await loadRecord(tx, costumeId);
	if (!record) throw new Absent('costume');
	return record;
}

function heldTo(
	to: string,
	componentId: number,
	record: CostumeRecord
): Pick<Join, 'holdsTo' | 'toComponentId'> {
	if (to === 'body' || to === 'self') return { holdsTo: to, toComponentId: null };
	const other = record.components.find((c) => c.id === Number(to));
	if (!other) throw new Refused('That component is not there any more: choose another.', 'to');
	if (other.id === componentId)
		throw new Refused('It cannot hold to itself: choose “closes itself” for its own opening.', 'to');
	return { holdsTo: 'component', toComponentId: other.id };
}

async function refuseCircle(tx: Executor, record: CostumeRecord): Promise<void> {
	const { joins } = await loadWear(tx, record.costume.id);
	const circle = joinCircle(record.components, joins);
	if (circle)
		throw new Refused(
			`They would hold each other up: ${circle.map((c) => c.code).join(' → ')}. One has to hold to the body.`,
			'to'
		);
}

/** The step that sets a join has its name and amount from it, until it is done. One that is there and nobody’s is taken over. */
async function setStep(tx: Executor, join: Join, record: CostumeRecord, { trade }: Context): Promise<void> {
	const fastener = fastenerOf(trade.fastener, join.fastener);
	const its = {
		name: joinStepName(join, record.components, trade),
		technique: fastener.technique,
		amount: workOf(join, fastener)
	};
	const steps = inOrder(record.steps, join.componentId);
	const taken = new Set(
		(
			await all<{ stepId: number }>(
				tx,
				'select step_id from wear_join where step_id is not null and id <> $1',
				[join.id]
			)
		).map((j) => j.stepId)
	);
	const own = steps.find((s) => s.id === join.stepId);
	// What is done, or left out to be in time, stays as it is.
	if (own?.doneAt != null || record.leftOut.some((s) => s.id === join.stepId)) return;
	const step =
		own ??
		steps.find(
			(s) => s.technique === its.technique && s.doneAt === null && s.faultId === null && !taken.has(s.id)
		);
	if (step) {
		await set(tx, 'step', step.id, { ...its, fromPieces: false, guessed: false });
		if (step.id !== join.stepId) await set(tx, 'wear_join', join.id, { stepId: step.id });
		return;
	}
	const fit = steps.find((s) => s.phase === 'fit' && s.doneAt === null);
	const position = fit?.position ?? (await endOfSteps(tx, join.componentId));
	await makeRoom(tx, join.componentId, position);
	const stepId = await insertStep(tx, {
		...its,
		componentId: join.componentId,
		position,
		phase: 'rig',
		perCopy: true
	});
	await set(tx, 'wear_join', join.id, { stepId });
}

export async function insertJoin(
	tx: Executor,
	row: Omit<Join, 'id' | 'version' | 'position' | 'stepId'>,
	record: CostumeRecord,
	context: Context
): Promise<number> {
	const { next } = (await one<{ next: number }>(
		tx,
		'select coalesce(max(position) + 1, 0) as next from wear_join where component_id = $1',
		[row.componentId]
	))!;
	const join = { ...row, position: next, stepId: null };
	const id = await insert(tx, 'wear_join', join);
	await setStep(tx, { ...join, id, version: 1 }, record, context);
	return id;
}

async function joinAt(tx: Executor, id: number, record: CostumeRecord): Promise<Join> {
	const join = (await loadWear(tx, record.costume.id)).joins.find((j) => j.id === id);
	if (!join) throw new Absent('join');
	return join;
}

/** What is said of wearing a component: one row, from the first time on. */
export async function setWearing(
	tx: Executor,
	componentId: number,
	values: Partial<Omit<Wearing, 'id' | 'componentId' | 'version'>>,
	{ costumeId }: Context
): Promise<void> {
	const row = (await loadWear(tx, costumeId)).wearings.find((w) => w.componentId === componentId);
	if (row) await set(tx, 'wearing', row.id, values);
	else await insert(tx, 'wearing', { componentId, ...values });
}

const codeOf = (id: number, record: CostumeRecord) => record.components.find((c) => c.id === id)!.code;

export const joinCommands = {
	addJoin: command(
		(context) => z.object({ componentId: f.id(), ...shape(context) }),
		async (tx, { to, ...v }, context) => {
			const record = await recordOf(tx, context);
			const component = record.components.find((c) => c.id === v.componentId);
			if (!component) throw new Absent('component');
			const row = { ...v, ...heldTo(to, v.componentId, record) };
			const id = await insertJoin(tx, row, record, context);
			await refuseCircle(tx, record);
			return {
				words: `${component.code} is held by ${fastenerWords(row, context.trade)}, ${holdsToWords(row, record.components)}`,
				result: { id }
			};
		}
	),

	editJoin: command(
		(context) => z.object({ id: f.id(), version: f.version(), ...shape(context) }),
		async (tx, { to, ...v }, context) => {
			const record = await recordOf(tx, context);
			const join = await joinAt(tx, v.id, record);
			const row = { ...v, ...heldTo(to, join.componentId, record) };
			await update(tx, 'wear_join', v, row);
			await setStep(tx, { ...join, ...row }, record, context);
			await refuseCircle(tx, record);
			return { words: `Changed ${fastenerWords(row, context.trade)} of ${codeOf(join.componentId, record)}` };
		}
	),

	/** Its step goes with it, unless it is done or worked on. */
	removeJoin: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, context) => {
			const record = await recordOf(tx, context);
			const join = await joinAt(tx, id, record);
			await tx.query('delete from wear_join where id = $1', [id]);
			const step = [...record.steps, ...record.leftOut].find((s) => s.id === join.stepId);
			if (step?.doneAt === null && !record.logs.some((l) => l.stepId === step.id))
				await tx.query('delete from step where id = $1', [step.id]);
			return {
				words: `Removed ${fastenerWords(join, context.trade)} of ${codeOf(join.componentId, record)}`
			};
		}
	),

	/** Where it sits, as it was moved on the drawing: mm from the middle of its component. */
	placeJoin: command(
		() => z.object({ id: f.id(), version: f.version(), outMm: moved(), upMm: moved(), forwardMm: moved() }),
		async (tx, v, context) => {
			const record = await recordOf(tx, context);
			const join = await joinAt(tx, v.id, record);
			const { outMm, upMm, forwardMm } = v;
			await update(tx, 'wear_join', v, { outMm, upMm, forwardMm });
			return { words: `Moved ${fastenerWords(join, context.trade)} of ${codeOf(join.componentId, record)}` };
		}
	),

	/** Its outline is drawn on a flat piece: it is on the printed pattern then. */
	drawOnPiece: command(
		({ settings: { lengthUnit } }) =>
			z.object({
				joinId: f.id(),
				/** `3 0`: the first piece of shape 3. */
				piece: z.string().regex(/^\d{1,9} \d{1,5}$/, 'Choose a piece.'),
				left: f.length(lengthUnit),
				bottom: f.length(lengthUnit),
				degrees: f.decimal(-360, 360)
			}),
		async (tx, v, context) => {
			const record = await recordOf(tx, context);
			const join = await joinAt(tx, v.joinId, record);
			const [shapeId, index] = v.piece.split(' ').map(Number) as [number, number];
			const shape = (await loadShapes(tx, [context.costumeId])).find(
				(s) => s.id === shapeId && s.componentId === join.componentId
			);
			if (!shape) throw new Absent('shape');
			const { shaped } = await checked(tx, join.componentId, shape, context);
			const piece = shaped.pieces[index];
			if (!piece) throw new Refused('There is no such piece any more.', 'piece');
			const box = boxOf(flatten(piece.outline).points);
			const work: PieceOperation = {
				kind: 'fastener',
				piece: index,
				at: shareOf(piece, [box.left + v.left, box.bottom + v.bottom]),
				wide: join.widthMm,
				long: join.lengthMm,
				count: join.count,
				degrees: v.degrees
			};
			if (!pieceOperation.safeParse(work).success)
				throw new Refused('Its middle has to lie on the piece.', 'left');
			await keepWorks(tx, shape, [...shape.works, work], context, () => '');
			return {
				words: `${fastenerWords(join, context.trade)} is drawn on ${codeOf(join.componentId, record)}, ${piece.name}`
			};
		}
	),

	/** What makes a component hold, as it is worked out from how it is held now. */
	takeRemedy: command(
		({ trade }) =>
			z.object({
				componentId: f.id(),
				kind: f.choice(['tie', 'lower', 'larger', 'more', 'other']),
				fastener: f.keyOrNull(trade.fastener)
			}),
		async (tx, v, context) => {
			const record = await recordOf(tx, context);
			const held = (await loadHeld(tx, record, context)).find((h) => h.component.id === v.componentId);
			if (!held) throw new Absent('component');
			const remedy = remedies(held, context.settings.loadFactors, context.trade).find(
				(r) => r.kind === v.kind && (v.kind !== 'other' || newFastener(r) === v.fastener)
			);
			if (!remedy) throw new Refused('It is held otherwise by now: look again.');
			for (const i of remedy.changed) {
				const { id, ...row } = remedy.joins[i]!;
				if (id === null) await insertJoin(tx, row, record, context);
				else {
					const join = carrying(held).find((j) => j.id === id)!;
					const { fastener, count, widthMm, lengthMm, upMm } = row;
					await set(tx, 'wear_join', id, { fastener, count, widthMm, lengthMm, upMm });
					await setStep(tx, { ...join, ...row, id }, record, context);
				}
			}
			return { words: `${held.component.code} holds when jumping: ${REMEDY_WORDS[v.kind]}` };
		}
	),

	/** What one copy of a component weighs, and where its weight is. */
	setWearing: command(
		(context) =>
			z.object({
				componentId: f.id(),
				grams: f.orNull(f.above0(1_000_000)),
				...place(context)
			}),
		async (tx, { componentId, grams, outMm, upMm, forwardMm }, context) => {
			const record = await recordOf(tx, context);
			const component = record.components.find((c) => c.id === componentId);
			if (!component) throw new Absent('component');
			const centre = outMm || upMm || forwardMm ? ([outMm, upMm, forwardMm] as const) : null;
			await setWearing(tx, componentId, { grams, centre }, context);
			return { words: `${component.code} ${grams === null ? 'is not weighed' : `weighs ${grams} g`}` };
		}
	),

	/** How long it takes to put on, and how many people; nothing typed goes by its kind again. */
	setDressing: command(
		() =>
			z.object({
				componentId: f.id(),
				onMinutes: f.orNull(f.above0(600)),
				offMinutes: f.orNull(f.above0(600)),
				hands: f.whole(1, 3)
			}),
		async (tx, { componentId, ...v }, context) => {
			const record = await recordOf(tx, context);
			const component = record.components.find((c) => c.id === componentId);
			if (!component) throw new Absent('component');
			await setWearing(tx, componentId, v, context);
			return {
				words: `${component.code} is put on ${v.onMinutes === null ? 'as its kind is' : `in ${v.onMinutes} min`} by ${v.hands}`
			};
		}
	)
};

const newFastener = ({ joins, changed }: Remedy) => joins[changed[0]!]!.fastener;
const REMEDY_WORDS: Record<Remedy['kind'], string> = {
	tie: 'one more tie, lower down',
	lower: 'its tie sits lower',
	larger: 'what holds it is larger',
	more: 'more of what holds it',
	other: 'another fastener'
};
