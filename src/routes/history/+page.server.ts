import { z } from 'zod';
import { describeChange } from '$core/answers/describeChange.ts';
import { actionOf } from '$lib/server/commands/actions.ts';
import * as f from '$lib/server/commands/fields.ts';
import { database } from '$lib/server/database.ts';
import { Absent, Refused } from '$lib/server/db/rows.ts';
import {
	changesOf,
	lastAction,
	lastUndo,
	listActions,
	previewUndo,
	smallChangesOf,
	undo,
	wordsOfUndo
} from '$lib/server/db/undo.ts';
import type { Actions, PageServerLoad } from './$types';

const PAGE = 60;
/** An action that changed more rows, or a row in more fields, is told when it is opened. */
const FEW_ROWS = 4;
const FEW_FIELDS = 3;

export const load: PageServerLoad = async ({ url }) => {
	const db = await database();
	const number = (name: string) => {
		const value = Number(url.searchParams.get(name));
		return Number.isSafeInteger(value) && value > 0 && value < 2 ** 31 ? value : null;
	};
	const open = number('open');
	const actions = await listActions(db, number('costume'), number('before'), PAGE + 1);
	const shown = actions.slice(0, PAGE);
	const small = await smallChangesOf(
		db,
		shown.map((a) => a.id),
		FEW_ROWS
	);
	const fieldsOf = (id: number) =>
		small.filter((c) => c.actionId === id).flatMap((c) => describeChange(c, c.currency).fields);
	return {
		costumeId: number('costume'),
		/** With what was before and after, where that is little. */
		actions: shown.map((a) => {
			const fields = fieldsOf(a.id);
			return { ...a, fields: fields.length <= FEW_FIELDS ? fields : [] };
		}),
		more: actions.length > PAGE ? actions[PAGE - 1]!.id : null,
		open,
		changes: open === null ? [] : (await changesOf(db, open)).map((c) => describeChange(c, c.currency)),
		preview: open === null ? null : await preview(open)
	};
};

async function preview(id: number) {
	try {
		const found = await previewUndo(await database(), id);
		return {
			later: found.later,
			changes: found.changes.map((c) => describeChange(c, c.currency)),
			refused: null
		};
	} catch (problem) {
		if (problem instanceof Refused || problem instanceof Absent)
			return { later: [], changes: [], refused: problem.message };
		throw problem;
	}
}

/** Takes an action back, or forth again when it was an undoing itself. */
const takeBack = async (...which: Parameters<typeof undo>) => ({ words: wordsOfUndo(await undo(...which)) });

export const actions: Actions = {
	undo: actionOf('undo', {
		input: () => z.object({ id: f.id() }),
		run: (db, { id }) => takeBack(db, id, true)
	}),
	undoLast: actionOf('undo', {
		input: () => z.object({}),
		run: (db) => takeBack(db, lastAction)
	}),
	redoLast: actionOf('undo', {
		input: () => z.object({}),
		run: (db) => takeBack(db, lastUndo)
	})
};
