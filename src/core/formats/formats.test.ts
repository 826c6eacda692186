import { STANDARD } from '../trade/catalogue.ts';
import assert from 'node:assert/strict';
import { test } from 'node:test';
import ICAL from 'ical.js';
import Papa from 'papaparse';
import * as make from '$tests/support/record.ts';
import { planCostume } from '../answers/plan.ts';
import { describeChange } from '../answers/describeChange.ts';
import { formatLocalTime } from '../units/localTime.ts';
import { toCalendar } from './calendar.ts';
import { moneyTable, stepsTable } from './tables.ts';

const NOW = make.at('2031-04-28T18:00');
const record = make.record({
	components: [make.component(1, { name: '=SUM(A1:A9)' })],
	steps: [
		make.step(1, 1, { name: 'cut; bevel, "join"', amount: 300 }),
		make.step(2, 1, { waitMinutes: 600 }),
		make.step(3, 1, { doneAt: NOW - 60, waitMinutes: 240, position: 0 })
	],
	needs: [make.need(1, 1, 1)],
	fittings: [{ id: 4, heldAt: make.at('2031-05-08T18:30'), componentIds: [1] }]
});
record.costume.rehearsalAt = make.at('2031-05-13T19:00');
const workshop = make.workshop({ materials: [make.material(1, { name: 'Foam, 6 mm; grey' })] });
const plan = planCostume(record, workshop, NOW, new Map());

test('calendar out (RFC 5545), read back by ical.js: times, all-day order-by, blocks and ends of waits', () => {
	const text = toCalendar(record, plan, workshop, NOW);
	const events = new ICAL.Component(ICAL.parse(text))
		.getAllSubcomponents('vevent')
		.map((v) => new ICAL.Event(v));
	const find = (words: string) => events.filter((e) => e.summary.includes(words));
	const event = find('pageant')[0]!;
	assert.equal(event.startDate.toString(), '2031-05-16T09:00:00');
	assert.equal(event.startDate.zone.tzid, 'floating', 'local wherever it is read');
	const [fitting] = find('Fitting A-01');
	assert.equal(fitting!.startDate.toString(), '2031-05-08T18:30:00');
	assert.equal(find('rehearsal')[0]!.startDate.toString(), '2031-05-13T19:00:00');
	const order = find('Order Foam, 6 mm; grey')[0]!;
	assert.equal(order.startDate.isDate, true);
	assert.equal(
		order.startDate.toString(),
		new Date(plan.orders[0]!.orderByDay! * 86_400_000).toISOString().slice(0, 10)
	);
	const blocks = plan.schedule.steps.flatMap((s) => s.blocks);
	assert.ok(blocks.length >= 3, 'a step of five hours spans windows');
	const shown = events
		.filter((e) => /-\d+-\d+@/.test(e.uid))
		.map((e) => [e.startDate.toString().slice(0, 16), e.endDate.toString().slice(0, 16)]);
	assert.deepEqual(shown.sort(), blocks.map((b) => b.map(formatLocalTime)).sort());
	assert.equal(find('waiting ends').length, 2);
	assert.equal(new Set(events.map((e) => e.uid)).size, events.length, 'one UID each');
	for (const line of text.split('\r\n'))
		assert.ok(Buffer.byteLength(line) <= 75, `folded at 75 octets: ${line}`);
	assert.deepEqual(
		toCalendar(record, plan, workshop, NOW).match(/UID:.*/g),
		text.match(/UID:.*/g),
		'the same thing keeps its UID'
	);
});

test('tables (RFC 4180) read back whole; a formula from a name stays text', () => {
	const rows = Papa.parse<Record<string, string>>(stepsTable(record, plan, STANDARD), { header: true }).data;
	assert.equal(rows.length, 3);
	assert.equal(rows[1]!.step, 'cut; bevel, "join"');
	assert.equal(rows[1]!.usual_minutes, '300');
	assert.equal(rows[0]!.component, "'=SUM(A1:A9)");
	const money = Papa.parse<Record<string, string>>(moneyTable(record, workshop), { header: true }).data;
	assert.equal(money.at(-1)!.amount, '10.00');
});

test('a change in plain words, with what was before and after', () => {
	const change = { tableName: 'step', rowId: 1, before: { id: 1, name: 'cut', done_at: null, version: 1 } };
	assert.deepEqual(
		describeChange(
			{ ...change, after: { id: 1, name: 'cut', done_at: '2031-05-02T18:30:00', version: 2 } },
			'EUR'
		),
		{
			what: 'step “cut”',
			kind: 'changed',
			fields: [{ name: 'done at', before: 'nothing', after: 'Fri 2 May 18:30' }]
		}
	);
	assert.equal(describeChange({ ...change, after: null }, 'EUR').kind, 'removed');
});
