import { z } from 'zod';
import type { Component } from '$core/facts/component.ts';
import { CLEAR_KEYS, CLEARS, usualStepFor } from '$core/trade/fittingCheck.ts';
import { POINT_DIRECTIONS, pointWords, type FittingPoint } from '$core/facts/fitting.ts';
import { dayOf, dayWords } from '$core/units/localTime.ts';
import { formatLength } from '$core/units/measure.ts';
import type { Executor } from '../db/open.ts';
import { Absent, one, Refused } from '../db/rows.ts';
import { insert, set, update } from '../db/tables.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';
import { endOfSteps, insertStep, makeRoom } from './step.ts';
import { variantOf } from './variant.ts';

const about = {
	heldAt: f.time(),
	wearerId: f.idOrNull(),
	variantId: f.idOrNull(),
	note: f.note(),
	componentIds: f.ids()
};

async function tryOn(tx: Executor, fittingId: number, ids: readonly number[], { costumeId }: Context) {
	await tx.query('delete from fitting_component where fitting_id = $1 and component_id <> all($2)', [
		fittingId,
		ids
	]);
	await tx.query(
		`insert into fitting_component (fitting_id, component_id)
		select $1, c.id from component c where c.id = any($2) and c.costume_id = $3 on conflict do nothing`,
		[fittingId, ids, costumeId]
	);
}

async function loadFitting(tx: Executor, id: number, { costumeId }: Context) {
	const row = await one<{ id: number; heldAt: number; clears: string[] }>(
		tx,
		'select id, held_at, clears from fitting where id = $1 and costume_id = $2',
		[id, costumeId]
	);
	if (!row) throw new Absent('fitting');
	return row;
}

const point = ({ settings }: Context) => ({
	what: f.name(200),
	direction: f.choice(POINT_DIRECTIONS),
	moveMm: f.lengthOrNull(settings.lengthUnit, 0.5, 2000),
	side: f.choice(['none', 'left', 'right'])
});

type PointRow = Omit<FittingPoint, 'version'> & Pick<Component, 'code' | 'name' | 'kind'>;
async function loadPoint(tx: Executor, id: number, { costumeId }: Context): Promise<PointRow> {
	const row = await one<PointRow>(
		tx,
		`select p.id, p.fitting_id, p.component_id, p.what, p.direction, p.move_mm, p.side, p.step_id, p.settled,
			c.code, c.name, c.kind
		from fitting_point p join component c on c.id = p.component_id where p.id = $1 and c.costume_id = $2`,
		[id, costumeId]
	);
	if (!row) throw new Absent('point');
	return row;
}

/** Right before the next fitting step, so that it is tried again; else at the end. */
async function placeForChange(tx: Executor, componentId: number): Promise<number> {
	const fit = await one<{ position: number }>(
		tx,
		`select position from step where component_id = $1 and phase = 'fit' and done_at is null and technique = 'fit'
		order by position, id limit 1`,
		[componentId]
	);
	if (!fit) return endOfSteps(tx, componentId);
	await makeRoom(tx, componentId, fit.position);
	return fit.position;
}

/** Only one who wears this costume is fitted. */
async function itsWearer(
	tx: Executor,
	wearerId: number | null,
	{ costumeId }: Context
): Promise<number | null> {
	const worn = await one(tx, 'select 1 from costume_wearer where costume_id = $1 and wearer_id = $2', [
		costumeId,
		wearerId
	]);
	return worn ? wearerId : null;
}

export const fittingCommands = {
	addFitting: command(
		() => z.object(about),
		async (tx, v, context) => {
			const { componentIds, ...its } = v;
			await variantOf(tx, v.variantId, context.costumeId);
			const id = await insert(tx, 'fitting', {
				...its,
				costumeId: context.costumeId,
				wearerId: await itsWearer(tx, v.wearerId, context)
			});
			await tryOn(tx, id, componentIds, context);
			return { words: `Added the fitting of ${dayWords(dayOf(v.heldAt))}`, result: { id } };
		}
	),

	editFitting: command(
		() => z.object({ id: f.id(), version: f.version(), ...about }),
		async (tx, v, context) => {
			await loadFitting(tx, v.id, context);
			await variantOf(tx, v.variantId, context.costumeId);
			const { componentIds, ...its } = v;
			await update(tx, 'fitting', v, { ...its, wearerId: await itsWearer(tx, v.wearerId, context) });
			await tryOn(tx, v.id, componentIds, context);
			return { words: `Changed the fitting of ${dayWords(dayOf(v.heldAt))}` };
		}
	),

	removeFitting: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, context) => {
			const fitting = await loadFitting(tx, id, context);
			await tx.query('delete from fitting where id = $1', [id]);
			return { words: `Removed the fitting of ${dayWords(dayOf(fitting.heldAt))}` };
		}
	),

	/** A movement that was tried: clear, or not yet. */
	setClear: command(
		() => z.object({ id: f.id(), clear: f.choice(CLEAR_KEYS), on: f.ticked() }),
		async (tx, v, context) => {
			const fitting = await loadFitting(tx, v.id, context);
			const others = fitting.clears.filter((c) => c !== v.clear);
			await set(tx, 'fitting', v.id, { clears: v.on ? [...others, v.clear] : others });
			const { words } = CLEARS.find((c) => c.key === v.clear)!;
			return { words: `${v.on ? 'Clear' : 'Not clear yet'}: ${words.split(/[:,]/)[0]}` };
		}
	),

	addPoint: command(
		(context) => z.object({ fittingId: f.id(), componentId: f.id(), ...point(context) }),
		async (tx, v, context) => {
			await loadFitting(tx, v.fittingId, context);
			const result = await one<{ id: number; code: string }>(
				tx,
				`insert into fitting_point (fitting_id, component_id, what, direction, move_mm, side)
				select $1, c.id, $3, $4, $5, $6 from component c where c.id = $2 and c.costume_id = $7 returning id`,
				[v.fittingId, v.componentId, v.what, v.direction, v.moveMm, v.side, context.costumeId]
			);
			if (!result) throw new Absent('component');
			return { words: `Noted: ${v.what}`, result };
		}
	),

	editPoint: command(
		(context) => z.object({ id: f.id(), version: f.version(), componentId: f.id(), ...point(context) }),
		async (tx, v, context) => {
			await loadPoint(tx, v.id, context);
			await update(tx, 'fitting_point', v, v);
			return { words: `Changed: ${v.what}` };
		}
	),

	removePoint: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, context) => {
			const row = await loadPoint(tx, id, context);
			await tx.query('delete from fitting_point where id = $1', [id]);
			return { words: `Removed: ${row.what}` };
		}
	),

	/** Done on the spot, or let be. */
	settlePoint: command(
		() => z.object({ id: f.id(), on: f.ticked() }),
		async (tx, v, context) => {
			const row = await loadPoint(tx, v.id, context);
			await set(tx, 'fitting_point', v.id, { settled: v.on });
			return { words: `${v.on ? 'Settled' : 'Open again'}: ${row.what}` };
		}
	),

	/** An open point becomes a step of its component, before the next fitting. */
	pointToStep: command(
		({ trade }) => z.object({ id: f.id(), technique: f.keyOrNull(trade.technique) }),
		async (tx, v, context) => {
			const row = await loadPoint(tx, v.id, context);
			if (row.stepId !== null) throw new Refused('This point is a step already.');
			const usual = usualStepFor(row);
			const words = pointWords(row, (mm) => formatLength(mm, context.settings.lengthUnit));
			const stepId = await insertStep(tx, {
				componentId: row.componentId,
				position: await placeForChange(tx, row.componentId),
				name: words.slice(0, 120),
				technique: v.technique ?? usual.technique,
				phase: 'fit',
				amount: usual.amount,
				perCopy: false,
				waitMinutes: 0,
				oneSitting: false,
				needsHelper: false,
				placeId: null
			});
			await set(tx, 'fitting_point', v.id, { stepId, settled: false });
			return { words: `Made a step of ${row.code} ${row.name}: ${words}`, result: { stepId } };
		}
	)
};
