import { readFile } from 'node:fs/promises';
import { resolve } from 'node:path';
import { z } from 'zod';
import { movedBy } from '$core/formats/costumeFile/movedBy.ts';
import { dayOf, parseDate } from '$core/units/localTime.ts';
import { insertCostume, readCostumeZip } from '../costumeFile.ts';
import { Absent, all, one, Refused } from '../db/rows.ts';
import { set } from '../db/tables.ts';
import laidOut from '../demo/demoCostume.json' with { type: 'json' };
import { command } from './command.ts';
import * as f from './fields.ts';
import { dropUnshared } from './joint.ts';

/** What is not built into the program is looked for from its own folder. */
const ZIP = resolve('src/lib/server/demo/demoCostume.zip');

/** Takes away rows of the workshop that came along, are as they came, and that nothing needs any more. */
const CAME_ALONG = {
	material: `delete from material t where t.id = any($1) and t.version = 1
		and not exists (select 1 from need u where u.material_id = t.id)
		and not exists (select 1 from purchase u where u.material_id = t.id)
		and not exists (select 1 from shape u where u.material_id = t.id
			or t.id::text in (select value from jsonb_each_text(u.roles)))
		and not exists (select 1 from layout u where u.material_id = t.id)
		and not exists (select 1 from lot u where u.material_id = t.id)`,
	wearer: `delete from wearer t where t.id = any($1) and t.version = 1
		and not exists (select 1 from costume_wearer u where u.wearer_id = t.id)`,
	place: `delete from place t where t.id = any($1) and t.version = 1
		and not exists (select 1 from step u where u.place_id = t.id)`
};

/** A costume of another maker's invention beside one's own, to look at; taken away, nothing of it stays. */
export const demoCommands = {
	openDemo: command(
		() => z.object({}),
		async (tx, _, { folder, now }) => {
			if (await one(tx, 'select id from costume where demo_action is not null'))
				throw new Refused('The demo costume stands on the shelf already.');
			const { file, pictures } = readCostumeZip(await readFile(ZIP));
			const on = parseDate(laidOut.laidOutOn);
			const days = on.ok ? dayOf(now) - on.value : 0;
			const id = await insertCostume(tx, folder, { file: movedBy(file, days), pictures });
			const action = await one<{ id: number }>(tx, `select current_setting('dapper.action')::integer as id`);
			await set(tx, 'costume', id, { demoAction: action!.id });
			return { words: `Opened the demo costume ${file.costume.name}`, costumeId: id, result: { id } };
		}
	),

	/** With what came along with it and is as it came, and that nothing else needs. */
	takeDemoAway: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }) => {
			const demo = await one<{ name: string; demoAction: number | null }>(
				tx,
				'select name, demo_action from costume where id = $1',
				[id]
			);
			if (!demo || demo.demoAction === null) throw new Absent('costume');
			await tx.query('delete from costume where id = $1', [id]);
			for (const [table, takeAway] of Object.entries(CAME_ALONG)) {
				const came = await all<{ id: number }>(
					tx,
					'select row_id as id from change where action_id = $1 and table_name = $2 and before is null',
					[demo.demoAction, table]
				);
				await tx.query(takeAway, [came.map((row) => row.id)]);
			}
			await dropUnshared(tx);
			return { words: `Took the demo costume ${demo.name} away`, costumeId: id };
		}
	)
};
