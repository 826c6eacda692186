import { z } from 'zod';
import { batchesOf, fillSession } from '$core/answers/session.ts';
import { benchOf, todayOf, windowLeft } from '$core/answers/today.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import * as f from '$lib/server/commands/fields.ts';
import { daysOffCommands } from '$lib/server/commands/daysOff.ts';
import { logCommands } from '$lib/server/commands/log.ts';
import { photoCommands } from '$lib/server/commands/photo.ts';
import { stepCommands } from '$lib/server/commands/step.ts';
import type { Actions, PageServerLoad } from './$types';

const asked = z.object({
	maker: f.idOrNull().catch(null),
	have: f.orNull(f.duration().refine((m) => m > 0 && m <= 24 * 60, 'Between a minute and a day.'))
});

export const load: PageServerLoad = async ({ parent, locals, url }) => {
	const { packed } = await parent();
	const { record, workshop, plan } = packed.value;
	const read = asked.safeParse({
		maker: url.searchParams.get('maker') ?? '',
		have: url.searchParams.get('have') ?? ''
	});
	const maker = workshop.makers.find((m) => m.id === read.data?.maker) ?? null;
	const all = todayOf(record, workshop, plan, locals.now);
	const today = maker ? benchOf(all, maker) : all;
	const main = maker ?? workshop.makers[0];
	const have = read.data?.have ?? null;
	return {
		today,
		maker: maker?.id ?? null,
		windowLeft: main ? windowLeft(main, locals.now) : null,
		have,
		haveProblem: read.success ? null : read.error.issues[0]!.message,
		haveTyped: url.searchParams.get('have') ?? '',
		session: have === null ? null : fillSession(today.ready, have),
		batches: batchesOf(today.ready, record, workshop)
	};
};

export const actions: Actions = actionsOf({
	...daysOffCommands,
	...logCommands,
	...photoCommands,
	...stepCommands
});
