import { error } from '@sveltejs/kit';
import { catalogueOf } from '$core/trade/catalogue.ts';
import { planByOdds } from '$core/answers/orderOdds.ts';
import { toCalendar } from '$core/formats/calendar.ts';
import { materialsTable, moneyTable, stepsTable } from '$core/formats/tables.ts';
import { writeCostumeZip } from '$lib/server/costumeFile.ts';
import { attachment } from '$lib/server/attachment.ts';
import { database } from '$lib/server/database.ts';
import type { Database } from '$lib/server/db/open.ts';
import { loadCares } from '$lib/server/read/health.ts';
import { plannedCostume, type PlannedCostume } from '$lib/server/read/plans.ts';
import type { RequestHandler } from './$types';

const CSV = 'text/csv; charset=utf-8';

type Writer = (
	found: PlannedCostume,
	now: number,
	db: Database
) => string | Uint8Array | Promise<string | Uint8Array>;

const WRITERS: Record<string, { ending: string; type: string; write: Writer }> = {
	costume: {
		ending: 'dapper.zip',
		type: 'application/zip',
		write: (f, _, db) => writeCostumeZip(db, f.record.costume.id, f.workshop)
	},
	calendar: {
		ending: 'ics',
		type: 'text/calendar; charset=utf-8',
		write: async (f, now, db) =>
			toCalendar(
				f.record,
				planByOdds(f.plan, await f.forecastWhen()),
				f.workshop,
				now,
				await loadCares(db, f.record, f.workshop)
			)
	},
	steps: {
		ending: 'steps.csv',
		type: CSV,
		write: (f) => stepsTable(f.record, f.plan, catalogueOf(f.workshop.handbook))
	},
	materials: { ending: 'materials.csv', type: CSV, write: (f) => materialsTable(f.record, f.workshop) },
	money: { ending: 'money.csv', type: CSV, write: (f) => moneyTable(f.record, f.workshop) }
};

export const GET: RequestHandler = async ({ params, locals }) => {
	const writer = Object.hasOwn(WRITERS, params.what) ? WRITERS[params.what] : undefined;
	const db = await database();
	const found = writer && (await plannedCostume(db, Number(params.costume) || 0, locals.now));
	if (!writer || !found) error(404, 'There is nothing to write out here.');
	const body = await writer.write(found, locals.now, db);
	const name =
		found.record.costume.name
			.toLowerCase()
			.replace(/[^a-z0-9]+/g, '-')
			.replace(/^-|-$/g, '') || 'costume';
	return attachment(body as BodyInit, writer.type, `${name}.${writer.ending}`);
};
