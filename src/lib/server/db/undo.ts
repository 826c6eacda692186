import { act, tryOut } from './action.ts';
import type { Database, Executor } from './open.ts';
import { Absent, all, Refused } from './rows.ts';

export interface ActionRow {
	id: number;
	at: number;
	words: string;
	costumeId: number | null;
	/** The actions that this one took back. */
	undoes: number[];
	/** An undoing that was chosen from History: it is taken back like anything else that was done. */
	chosen: boolean;
}

export interface ChangeRow {
	id: number;
	actionId: number;
	tableName: string;
	rowId: number;
	before: Record<string, unknown> | null;
	after: Record<string, unknown> | null;
}

export interface UndoPreview {
	action: ActionRow;
	/** Later actions on the same rows, which would be taken back with it, newest first. */
	later: ActionRow[];
	/** Every row that would change, found by trying it and rolling back. */
	changes: ChangeRow[];
}

/** An action stands while no action that takes it back stands. */
function standing(actions: readonly ActionRow[]): Set<number> {
	const takenBackBy = new Map<number, number[]>();
	for (const a of actions)
		for (const id of a.undoes) takenBackBy.set(id, [...(takenBackBy.get(id) ?? []), a.id]);
	const memo = new Map<number, boolean>();
	const stands = (id: number): boolean => {
		if (!memo.has(id)) memo.set(id, !(takenBackBy.get(id) ?? []).some(stands));
		return memo.get(id)!;
	};
	return new Set(actions.filter((a) => stands(a.id)).map((a) => a.id));
}

const actionsFrom = (db: Executor, id: number) =>
	all<ActionRow>(
		db,
		'select id, at, words, costume_id, undoes, chosen from action where id >= $1 order by id',
		[id]
	);

/** Something that a maker did or chose to take back, and not a step back or forth along what was done last. */
const isDoing = (a: ActionRow): boolean => a.undoes.length === 0 || a.chosen;

/** The newest doing that stands: what undo takes back. */
export async function lastAction(db: Executor): Promise<ActionRow | null> {
	const actions = await actionsFrom(db, 0);
	const stands = standing(actions);
	return actions.findLast((a) => isDoing(a) && stands.has(a.id)) ?? null;
}

/** Whether an action is a step back (and not forth again, which takes such a step back). */
function isUndoing(action: ActionRow, byId: ReadonlyMap<number, ActionRow>): boolean {
	const target = byId.get(action.undoes[0] ?? -1);
	return target !== undefined && !isDoing(action) && !isUndoing(target, byId);
}

/** The newest undoing that stands: what redo takes back. None once something new was done. */
export async function lastUndo(db: Executor): Promise<ActionRow | null> {
	const actions = await actionsFrom(db, 0);
	const stands = standing(actions);
	const byId = new Map(actions.map((a) => [a.id, a]));
	const newest = actions.findLastIndex(isDoing);
	return actions.slice(newest + 1).findLast((a) => stands.has(a.id) && isUndoing(a, byId)) ?? null;
}

/**
 * The action and the later standing ones that wrote over the same rows, newest first: taking back
 * the first without the others would lose what they wrote.
 */
async function withLater(db: Executor, id: number): Promise<ActionRow[]> {
	const actions = await actionsFrom(db, id);
	const action = actions.find((a) => a.id === id);
	if (!action) throw new Absent('action');
	const stands = standing(actions);
	if (!stands.has(id)) throw new Refused('This is already undone.');
	const changes = await all<{ actionId: number; tableName: string; rowId: number }>(
		db,
		'select action_id, table_name, row_id from change where action_id >= $1 order by id',
		[id]
	);
	// An undoing and what it took back cancel out: neither left anything on the rows.
	const counts = (a: ActionRow) => stands.has(a.id) && (a.id === id || a.undoes.every((u) => u < id));
	const candidates = actions.filter(counts);
	const chosen = new Set([id]);
	const rows = new Set<string>();
	for (const candidate of candidates) {
		const mine = changes.filter((c) => c.actionId === candidate.id).map((c) => `${c.tableName} ${c.rowId}`);
		if (candidate.id !== id && !mine.some((r) => rows.has(r))) continue;
		chosen.add(candidate.id);
		for (const r of mine) rows.add(r);
	}
	return candidates.filter((a) => chosen.has(a.id)).reverse();
}

async function takeBack(tx: Executor, actions: readonly ActionRow[]): Promise<void> {
	await tx.query('set constraints all deferred');
	const ids = actions.map((a) => a.id);
	const changes = await all<{ id: number }>(
		tx,
		'select id from change where action_id = any($1) order by id desc',
		[ids]
	);
	for (const change of changes) await tx.query('select revert_change($1)', [change.id]);
	await tx.query('set constraints all immediate');
}

/** Takes an action back whole, with the later ones on the same rows. The undoing is an action too. */
export async function undo(db: Database, id: number, chosen = false): Promise<ActionRow> {
	try {
		return await act(db, async (tx) => {
			const actions = await withLater(tx, id);
			const action = actions[actions.length - 1]!;
			await takeBack(tx, actions);
			const more = actions.length > 1 ? ` (with ${actions.length - 1} later)` : '';
			const words = action.undoes.length
				? `Redid: ${action.words.replace(/^Undid: /, '')}`
				: `Undid: ${action.words}${more}`;
			return { words, costumeId: action.costumeId, undoes: actions.map((a) => a.id), chosen, result: action };
		});
	} catch (error) {
		throw isConstraint(error)
			? new Refused('This cannot be undone: something that came later still needs what it would take away.')
			: error;
	}
}

const isConstraint = (error: unknown) => /^23/.test(String((error as { code?: unknown }).code ?? ''));

/** What undoing would do, by doing it and rolling back. */
export async function previewUndo(db: Database, id: number): Promise<UndoPreview> {
	try {
		return await tryOut(db, async (tx, actionId) => {
			const actions = await withLater(tx, id);
			await takeBack(tx, actions);
			return {
				action: actions[actions.length - 1]!,
				later: actions.slice(0, -1),
				changes: await changesOf(tx, actionId)
			};
		});
	} catch (error) {
		if (!isConstraint(error)) throw error;
		throw new Refused(
			'This cannot be undone: something that came later still needs what it would take away.'
		);
	}
}

export const changesOf = (db: Executor, actionId: number): Promise<ChangeRow[]> =>
	all<ChangeRow>(
		db,
		'select id, action_id, table_name, row_id, before, after from change where action_id = $1 order by id',
		[actionId]
	);

export async function listActions(
	db: Executor,
	costumeId: number | null,
	before: number | null,
	limit: number
): Promise<(ActionRow & { stands: boolean })[]> {
	const stands = standing(await actionsFrom(db, 0));
	const rows = await all<ActionRow>(
		db,
		`select id, at, words, costume_id, undoes, chosen from action
		where ($1::integer is null or costume_id = $1) and ($2::integer is null or id < $2)
		order by id desc limit $3`,
		[costumeId, before, limit]
	);
	return rows.map((a) => ({ ...a, stands: stands.has(a.id) }));
}
