import { fail } from '@sveltejs/kit';
import { describeChange } from '$core/answers/describeChange.ts';
import * as f from '$lib/server/commands/fields.ts';
import { readForm } from '$lib/server/commands/formValues.ts';
import { database } from '$lib/server/database.ts';
import { Absent, Refused } from '$lib/server/db/rows.ts';
import { changesOf, lastAction, lastUndo, listActions, previewUndo, undo } from '$lib/server/db/undo.ts';
import type { Actions, PageServerLoad } from './$types';

const PAGE = 60;

export const load: PageServerLoad = async ({ url }) => {
	const db = await database();
	const number = (name: string) => {
		const value = Number(url.searchParams.get(name));
		return Number.isSafeInteger(value) && value > 0 && value < 2 ** 31 ? value : null;
	};
	const open = number('open');
	const actions = await listActions(db, number('costume'), number('before'), PAGE + 1);
	return {
		costumeId: number('costume'),
		actions: actions.slice(0, PAGE),
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

async function takeBack(id: number | null, nothing: string, chosen = false) {
	const failure = (message: string) =>
		fail(422, { command: 'undo', id: '', errors: {}, message, values: {} as Record<string, string> });
	if (id === null) return failure(nothing);
	try {
		const action = await undo(await database(), id, chosen);
		return {
			command: 'undo',
			done: action.undoes.length
				? `Redid: ${action.words.replace(/^Undid: /, '')}`
				: `Undid: ${action.words}`,
			result: null
		};
	} catch (problem) {
		if (problem instanceof Refused || problem instanceof Absent) return failure(problem.message);
		throw problem;
	}
}

export const actions: Actions = {
	undo: async ({ request }) => {
		const id = f.id().safeParse((await readForm(request)).get('id'));
		return takeBack(id.success ? id.data : null, 'There is no such action.', true);
	},
	undoLast: async () => takeBack((await lastAction(await database()))?.id ?? null, 'Nothing to undo.'),
	redoLast: async () => takeBack((await lastUndo(await database()))?.id ?? null, 'Nothing to redo.')
};
