import { z } from 'zod';
import { linesOf, MOST_LINES, readLines } from '$core/answers/quickLine.ts';
import { PLAIN_COMPONENT, type Component } from '$core/facts/component.ts';
import { namesWords } from '$core/units/names.ts';
import { Refused, all, one } from '../db/rows.ts';
import { set } from '../db/tables.ts';
import { command } from './command.ts';
import { insertComponent } from './component.ts';

const MOST_LETTERS = 20_000;

export const quickLineCommands = {
	/** Components in the maker's own words, a line each, with the usual steps of their routes. */
	addLines: command(
		() =>
			z.object({
				lines: z
					.string({ error: 'Say what it is made of, a line for each.' })
					.max(MOST_LETTERS, 'Too much at once.')
					.refine((t) => linesOf(t).length <= MOST_LINES, {
						error: `At most ${MOST_LINES} lines at once.`
					})
			}),
		async (tx, { lines }, { costumeId, trade }) => {
			const there = await all<Pick<Component, 'id' | 'name' | 'layer'>>(
				tx,
				'select id, name, layer from component where costume_id = $1 order by position, id',
				[costumeId]
			);
			// What a database does not keep says nothing.
			const read = readLines(lines.replaceAll('\u0000', ''), there, trade);
			if (read.length === 0) throw new Refused('Say what it is made of, a line for each.', 'lines');
			const ids: number[] = [];
			for (const line of read) {
				const { name, kind, form, layer, zones, side, count, flex, thicknessMm, source, surface, route } =
					line;
				const { id } = await insertComponent(
					tx,
					costumeId,
					{
						code: '',
						...{ name, kind, form, layer, zones, side, count, flex, thicknessMm, source, surface, route },
						seenFrom: PLAIN_COMPONENT.seenFrom,
						lookNeed: PLAIN_COMPONENT.lookNeed,
						note: '',
						furtherRoutes: line.furtherRoutes,
						parentId: null
					},
					trade
				);
				ids.push(id);
			}
			// A part may be named before its whole.
			for (const [i, { partOf }] of read.entries()) {
				if (!partOf) continue;
				const parentId = 'id' in partOf ? partOf.id : ids[partOf.line]!;
				const { count } = (await one<{ count: number }>(
					tx,
					'select count(*)::integer as count from component where parent_id = $1',
					[parentId]
				))!;
				await set(tx, 'component', ids[i]!, { parentId, position: count });
			}
			return { words: `Added ${namesWords(read.map((c) => c.name))}`, result: { ids } };
		}
	)
};
