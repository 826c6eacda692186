import assert from 'node:assert/strict';
import { test } from 'node:test';
import { said, w } from '$tests/support/oneCostume.ts';
import { Absent } from '../db/rows.ts';
import { loadWorkshop } from '../read/workshop.ts';
import { workshopCommands } from './workshop.ts';

const me = async () => (await loadWorkshop(w.db)).makers[0]!;
const hours = async () => (await me()).windows.map(({ days, from, to }) => ({ days, from, to }));
const FREE = [[], [], [], [], []];

test('a painted week takes the place of the hours that were, days of the same hours together; undone they are back', async () => {
	const before = await hours();
	const evening = [[1080, 1260]];
	const week = [
		evening,
		[],
		evening,
		[],
		[],
		[
			[540, 600],
			[600, 720]
		],
		[]
	];
	await w.run(workshopCommands.setWeek, { makerId: '1', placeId: '', week: JSON.stringify(week) });
	assert.equal(await said(), 'Changed the hours of Me');
	assert.deepEqual(await hours(), [
		{ days: [1, 3], from: 1080, to: 1260 },
		{ days: [6], from: 540, to: 720 }
	]);
	await w.undoLast();
	assert.deepEqual(await hours(), before);
});

test('what is no week, or of nobody, is refused and changes nothing', async () => {
	const before = await hours();
	const set = (values: Record<string, string>) =>
		w.run(workshopCommands.setWeek, { makerId: '1', placeId: '', ...values });
	for (const week of [
		'[]',
		'x',
		JSON.stringify([...FREE, [], [[600, 600]]]),
		JSON.stringify([...FREE, [], [[0, 1441]]])
	])
		assert.ok(
			'week' in (await w.errors(workshopCommands.setWeek, { makerId: '1', placeId: '', week })),
			week
		);
	const free = JSON.stringify([...FREE, [], []]);
	await assert.rejects(set({ makerId: '', week: free }), (e) => e instanceof Absent);
	await assert.rejects(set({ placeId: '1', week: free }), (e) => e instanceof Absent);
	await assert.rejects(set({ makerId: '99999', week: free }), (e) => e instanceof Absent);
	assert.deepEqual(await hours(), before);
});
