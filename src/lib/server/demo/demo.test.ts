import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { costumeIds, testWorkshop, type TestWorkshop } from '$tests/support/workshop.ts';
import { todayOf } from '$core/answers/today.ts';
import { checkPlan } from '$core/engines/schedule/checkPlan.ts';
import { clockOf, DAY, dayOf, formatDate } from '$core/units/localTime.ts';
import { listBackups, readBackup, writeBackup } from '../backup.ts';
import { restoreBackup } from '../restore.ts';
import { clock, startClock } from '../clock.ts';
import { listActions } from '../db/undo.ts';
import { plannedShop } from '../read/plans.ts';
import { layOutDemo } from './layOut.ts';

const HOURS: Record<string, string> = {
	'at three in the night to a Saturday': '2031-05-03T03:00',
	'at noon on the last day of the year': '2031-12-31T12:00',
	'on the evening of the last of February': '2031-02-28T19:30',
	'just before midnight': '2031-04-28T23:50',
	'as the clocks go forward': '2031-03-30T01:58',
	'as the clocks go back': '2031-10-26T02:58'
};

let w: TestWorkshop;
let empty: Uint8Array;
const zone = process.env.TZ;
before(async () => {
	// A zone with summer time, whatever the machine's is.
	process.env.TZ = 'Europe/Berlin';
	w = await testWorkshop('2031-04-28T18:00');
	await restoreBackup(w.db, await writeBackup(w.db));
	empty = await readBackup(w.db, (await listBackups(w.db))[0]!);
});
after(async () => {
	await w.close();
	if (zone === undefined) delete process.env.TZ;
	else process.env.TZ = zone;
});

for (const [when, now] of Object.entries(HOURS))
	test(`the demo is alive ${when}`, async () => {
		await restoreBackup(w.db, empty);
		startClock(now);
		assert.equal(`${formatDate(dayOf(clock()))}T${now.slice(11)}`, now);
		await layOutDemo(w.db);
		const at = clock();
		const { shop, plans } = await plannedShop(w.db, at);
		const { workshop } = shop;
		const records = shop.atWork.map((c) => c.record);
		assert.deepEqual((await costumeIds(w.db, false)).length, 3);
		for (const r of records) {
			const said = `${r.costume.name} at ${now}`;
			const made = plans.get(r.costume.id)!;
			assert.deepEqual(made.schedule.impossible, [], said);
			assert.deepEqual(checkPlan(made.problem, made.schedule), [], said);
			assert.ok(
				r.steps.every((s) => s.doneAt === null || s.doneAt <= at),
				`${said}: nothing is done in the future`
			);
			assert.ok(
				r.logs.every((l) => l.endedAt! <= at && l.startedAt <= l.endedAt!),
				`${said}: nor logged`
			);
			assert.ok(
				r.faults.every((f) => f.happenedAt < at),
				`${said}: nor broken`
			);
			assert.equal(clockOf(r.costume.eventAt), 10 * 60, `${said}: its event begins in the morning`);
		}
		const first = records.find((r) => r.costume.name === 'Lamplighter of Quay Nine')!;
		const today = todayOf(first, workshop, plans.get(first.costume.id)!, at);
		assert.ok(today.ready.length > 0, 'something to do');
		assert.ok(
			today.drying.some((d) => d.until > at && d.until < at + 2 * DAY),
			'something is drying'
		);
		const [last] = await listActions(w.db, null, null, 1);
		assert.ok(
			last!.at <= at && last!.at >= at - 2,
			`History tells the time of the clock on the wall: ${last!.at} ${at}`
		);
	});
