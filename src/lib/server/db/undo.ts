import { act, tryOut } from './action.ts';
import type { Database, Executor } from './open.ts';
import { Absent, all, one, Refused } from './rows.ts';

export interface ActionRow {
	id: number;
	at: number;
	words: string;
	costumeId: number | null;
	/** The actions that this one took back. */
	undoes: number[];
	/** An undoing that was chosen from History: it is taken back like anything else that was done. */
	chosen: boolean;
	/** No action that stands has taken it back. */
	stands: boolean;
	/** Something that a maker did or chose to take back, or a step back or forth along what was done last. */
	way: 'do' | 'back' | 'forth';
}

export interface ChangeRow {
	id: number;
	actionId: number;
	tableName: string;
	rowId: number;
	before: Record<string, unknown> | null;
	after: Record<string, unknown> | null;
	/** Of the costume that it is of, else of the workshop. */
	currency: string;
}

export interface UndoPreview {
	action: ActionRow;
	/** Later actions on the same rows, which would be taken back with it, newest first. */
	later: ActionRow[];
	/** Every row that would change, found by trying it and rolling back. */
	changes: ChangeRow[];
}

/** The newest doing that stands: what undo takes back. Asked in an action, it is of before that one. */
export const lastAction = (db: Executor, before: number | null = null): Promise<ActionRow | null> =>
	one<ActionRow>(
		db,
		`select id, at, words, costume_id, undoes, chosen, stands, way from action
		where way = 'do' and stands and ($1::integer is null or id < $1) order by id desc limit 1`,
		[before]
	);

/** The newest undoing that stands: what redo takes back. None once something new was done. */
export const lastUndo = (db: Executor, before: number | null = null): Promise<ActionRow | null> =>
	one<ActionRow>(
		db,
		`select id, at, words, costume_id, undoes, chosen, stands, way from action
		where way = 'back' and stands and ($1::integer is null or id < $1) and id >
			(select coalesce(max(id), 0) from action where way = 'do' and ($1::integer is null or id < $1))
		order by id desc limit 1`,
		[before]
	);

/**
 * The action and the later standing ones that wrote over the same rows, newest first: taking back
 * the first without the others would lose what they wrote. An undoing and what it took back cancel out: neither left
 * anything on the rows.
 */
async function withLater(db: Executor, id: number): Promise<ActionRow[]> {
	const action = await one<ActionRow>(
		db,
		'select id, at, words, costume_id, undoes, chosen, stands, way from action where id = $1',
		[id]
	);
	if (!action) throw new Absent('action');
	if (!action.stands) throw new Refused('This is already undone.');
	const later = await all<ActionRow>(
		db,
		`with recursive taken (id) as (
			select $1::integer
			union
			select other.action_id from taken
				join change mine on mine.action_id = taken.id
				join change other on other.table_name = mine.table_name and other.row_id = mine.row_id
					and other.id > mine.id and other.action_id > taken.id
				join action a on a.id = other.action_id
			where a.stands and not exists (select 1 from unnest(a.undoes) as u (id) where u.id >= $1)
		)
		select id, at, words, costume_id, undoes, chosen, stands, way from action
		where id in (select id from taken) and id <> $1 order by id desc`,
		[id]
	);
	return [...later, action];
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

/** What taking an action back is called: an undoing taken back is done again. */
export const wordsOfUndo = ({ undoes, words }: Pick<ActionRow, 'undoes' | 'words'>, more = ''): string =>
	undoes.length ? `Redid: ${words.replace(/^Undid: /, '')}` : `Undid: ${words}${more}`;

/**
 * Takes an action back whole, with the later ones on the same rows. The undoing is an action too.
 * @param which its id, or how it is found: in the same transaction, so that two at once take back two
 */
export async function undo(
	db: Database,
	which: number | typeof lastAction,
	chosen = false
): Promise<ActionRow> {
	try {
		return await act(db, async (tx, own) => {
			const id = typeof which === 'number' ? which : (await which(tx, own))?.id;
			if (id === undefined) throw new Refused('There is nothing to take back.');
			const actions = await withLater(tx, id);
			const action = actions[actions.length - 1]!;
			await takeBack(tx, actions);
			const more = actions.length > 1 ? ` (with ${actions.length - 1} later)` : '';
			return {
				words: wordsOfUndo(action, more),
				costumeId: action.costumeId,
				undoes: actions.map((a) => a.id),
				chosen,
				result: action
			};
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
				changes: await changesOf(tx, actionId, actions[actions.length - 1]!.costumeId)
			};
		});
	} catch (error) {
		if (!isConstraint(error)) throw error;
		throw new Refused(
			'This cannot be undone: something that came later still needs what it would take away.'
		);
	}
}

/** @param costumeId of an action that is only tried out: it is not written with it yet */
export const changesOf = (
	db: Executor,
	actionId: number,
	costumeId: number | null = null
): Promise<ChangeRow[]> =>
	all<ChangeRow>(
		db,
		`select c.id, c.action_id, c.table_name, c.row_id, c.before, c.after, coalesce(k.currency, s.currency) as currency
		from change c join setting s on s.id = 1 join action a on a.id = c.action_id left join costume k on k.id = coalesce(a.costume_id, $2)
		where c.action_id = $1 order by c.id`,
		[actionId, costumeId]
	);

/** What small actions changed: of those that changed more than a few rows, opening them tells. */
export const smallChangesOf = (
	db: Executor,
	actionIds: readonly number[],
	most: number
): Promise<ChangeRow[]> =>
	all<ChangeRow>(
		db,
		`select c.id, c.action_id, c.table_name, c.row_id, c.before, c.after, coalesce(k.currency, s.currency) as currency
		from change c join setting s on s.id = 1 join action a on a.id = c.action_id left join costume k on k.id = a.costume_id
		where c.action_id in (
			select action_id from change where action_id = any($1) group by action_id having count(*) <= $2
		) and c.before is not null and c.after is not null order by c.id`,
		[actionIds, most]
	);

export const listActions = (
	db: Executor,
	costumeId: number | null,
	before: number | null,
	limit: number
): Promise<ActionRow[]> =>
	all<ActionRow>(
		db,
		`select id, at, words, costume_id, undoes, chosen, stands, way from action
		where ($1::integer is null or costume_id = $1) and ($2::integer is null or id < $2)
		order by id desc limit $3`,
		[costumeId, before, limit]
	);
