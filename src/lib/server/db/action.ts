import { formatLocalTime } from '$core/units/localTime.ts';
import { clock } from '../clock.ts';
import type { Database, Executor } from './open.ts';
import { one, Renewed } from './rows.ts';

export interface ActionInfo {
	/** What was done, in plain words, for History. */
	words: string;
	costumeId?: number | null;
	undoes?: readonly number[];
	/** An undoing that was chosen from History. */
	chosen?: boolean;
}

/**
 * One action: one transaction, and one entry in History with every row it touched. The triggers
 * refuse a write outside of one. The words may depend on what was found, so `run` returns them.
 * What was sent before under the same key was done already: it is answered again, and nothing is done twice.
 * @throws Renewed when it was shown in another life of the data
 */
export async function act<T>(
	db: Database,
	run: (tx: Executor, actionId: number) => Promise<ActionInfo & { result: T }>,
	formKey: string | null = null,
	life: string | null = null
): Promise<T> {
	db.room();
	return db.transaction(async (tx) => {
		if (life !== null && (await one<{ id: string }>(tx, 'select id from life'))!.id !== life)
			throw new Renewed();
		const done =
			formKey && (await one<{ answer: T }>(tx, 'select answer from action where form_key = $1', [formKey]));
		if (done) return done.answer;
		const { rows } = await tx.query<{ id: number }>(
			`insert into action (words, at) values ('', $1) returning id`,
			[formatLocalTime(clock())]
		);
		const id = rows[0]!.id;
		await tx.query(`select set_config('dapper.action', $1, true)`, [String(id)]);
		const { words, costumeId = null, undoes = [], chosen = false, result } = await run(tx, id);
		const touched = await tx.query('select 1 from change where action_id = $1 limit 1', [id]);
		// An action that changed nothing leaves no trace: undo must always take something back.
		if (touched.rows.length === 0) await tx.query('delete from action where id = $1', [id]);
		else {
			await tx.query(
				`update action set words = $2, costume_id = $3, undoes = $4, chosen = $5, form_key = $6, answer = $7,
					way = case when cardinality($4::integer[]) = 0 or $5 then 'do'
						when (select way from action where id = $4[1]) = 'back' then 'forth' else 'back' end
				where id = $1`,
				[id, words, costumeId, undoes, chosen, formKey, formKey && JSON.stringify(result ?? null)]
			);
			for (const undone of undoes) await tx.query('select set_stands($1, false)', [undone]);
			await tx.query('select touch_revisions($1)', [id]);
		}
		return result;
	});
}

class TriedOut<T> extends Error {
	constructor(readonly found: T) {
		super('tried out');
	}
}

/** Does an action, looks at what came of it, and takes it all back: nothing is kept. */
export async function tryOut<T>(
	db: Database,
	run: (tx: Executor, actionId: number) => Promise<T>
): Promise<T> {
	try {
		return await act<never>(db, async (tx, actionId) => {
			throw new TriedOut(await run(tx, actionId));
		});
	} catch (problem) {
		if (problem instanceof TriedOut) return problem.found as T;
		throw problem;
	}
}
